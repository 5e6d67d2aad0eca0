import type { Guests, HoldingBox, Pit } from '../src/core/model';

/**
 * The demo: Ember & Tide, a made-up caterer, cooks the supper for a lighthouse's 150th year at
 * Gannet Point. Everything here is invented.
 */
export const DEMO_PITS: Pit[] = [
  {
    id: 'trailer',
    name: 'Trailer pit',
    kind: 'offset',
    smoke: true,
    rangeC: [105, 165],
    warmUpMin: 75,
    openingDropC: 18,
    recoverMin: 9,
    racks: [
      { id: 'trailer-main', name: 'main rack', widthMm: 1500, depthMm: 600, clearanceMm: 260, maxKg: 80, level: 1 },
      { id: 'trailer-upper', name: 'upper rack', widthMm: 1400, depthMm: 420, clearanceMm: 160, maxKg: 40, level: 2 },
    ],
  },
  {
    id: 'cabinet',
    name: 'Cabinet',
    kind: 'cabinet',
    smoke: true,
    rangeC: [95, 165],
    warmUpMin: 30,
    openingDropC: 22,
    recoverMin: 8,
    racks: [
      { id: 'cabinet-lower', name: 'lower shelf', widthMm: 610, depthMm: 510, clearanceMm: 150, maxKg: 25, level: 1 },
      { id: 'cabinet-middle', name: 'middle shelf', widthMm: 610, depthMm: 510, clearanceMm: 150, maxKg: 25, level: 2 },
      { id: 'cabinet-upper', name: 'upper shelf', widthMm: 610, depthMm: 510, clearanceMm: 150, maxKg: 25, level: 3 },
    ],
  },
  {
    id: 'oven',
    name: 'Kitchen oven',
    kind: 'oven',
    smoke: false,
    rangeC: [60, 260],
    warmUpMin: 20,
    openingDropC: 20,
    recoverMin: 6,
    racks: [
      { id: 'oven-lower', name: 'lower shelf', widthMm: 650, depthMm: 530, clearanceMm: 200, maxKg: 30, level: 1 },
      { id: 'oven-upper', name: 'upper shelf', widthMm: 650, depthMm: 530, clearanceMm: 160, maxKg: 30, level: 2 },
    ],
  },
];

export const DEMO_BOXES: HoldingBox[] = [{ id: 'box-1', name: 'Insulated box', litres: 110, lossWPerK: 0.7 }];

interface DemoBatch {
  id: string;
  cutId: string;
  methodId: string;
  label: string;
  /** Fewer than the guests would call for, as the client asked. */
  pieces?: number;
}

interface DemoServing {
  id: string;
  name: string;
  clock: string;
  serveForMin: number;
  carveLeadMin: number;
  guests: Guests;
  buffet: boolean;
  batches: DemoBatch[];
}

export const DEMO_EVENT = {
  name: 'Gannet Point, 150 years',
  place: 'Lighthouse green, Gannet Point',
  timeZone: 'America/Halifax',
  altitudeM: 20,
  /** Weeks ahead of the day it is filled in, on a Saturday. */
  weeksAhead: 3,
  servings: [
    {
      id: 'lunch',
      name: 'Lunch',
      clock: '12:30',
      serveForMin: 40,
      carveLeadMin: 20,
      guests: { adults: 22, children: 0, heartyShare: 0.2 },
      buffet: false,
      batches: [{ id: 'turkey', cutId: 'turkey-breast-boneless', methodId: 'poultry-middle', label: '' }],
    },
    {
      id: 'supper',
      name: 'Supper',
      clock: '18:00',
      serveForMin: 45,
      carveLeadMin: 40,
      guests: { adults: 96, children: 18, heartyShare: 0 },
      buffet: true,
      batches: [
        { id: 'brisket', cutId: 'brisket-whole', methodId: 'low-paper', label: '' },
        { id: 'pork', cutId: 'pork-butt', methodId: 'low-paper', label: '' },
        { id: 'ribs', cutId: 'spare-ribs-squared', methodId: 'ribs-bare', label: '', pieces: 12 },
        { id: 'chicken', cutId: 'chicken-half', methodId: 'poultry-middle', label: '' },
        { id: 'beans', cutId: 'pan-dish', methodId: 'dish-oven', label: 'Harbour beans' },
      ],
    },
  ] satisfies DemoServing[] as DemoServing[],
};

import { DEFAULT_KITCHEN } from '../src/core/model';
import type { CrewMember, Guests, HoldingBox, Pit, Prep, Serving, Warmer } from '../src/core/model';

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
    gaugeOffsetC: -6,
    travels: true,
    fuel: { kind: 'split wood', kgPerH: 2.5, reloadMin: 40, ashMin: 480, waterMin: 300 },
    fires: [
      {
        pitC: 121,
        litKg: 3,
        lay: 'side',
        wood: 'oak',
        secondWood: 'apple',
        secondShare: 0.25,
        inEighths: 3,
        outEighths: 8,
        waterLitres: 6,
        waterHot: true,
      },
      {
        pitC: 135,
        litKg: 4,
        lay: 'side',
        wood: 'oak',
        secondWood: 'apple',
        secondShare: 0.25,
        inEighths: 5,
        outEighths: 8,
        waterLitres: 6,
        waterHot: true,
      },
    ],
    racks: [
      {
        id: 'trailer-main',
        name: 'main rack',
        widthMm: 1500,
        depthMm: 600,
        clearanceMm: 260,
        maxKg: 80,
        level: 1,
        hotSide: 'left',
        zones: [
          { fromMm: 0, toMm: 300, offsetC: 10 },
          { fromMm: 1200, toMm: 1500, offsetC: -5 },
        ],
        blocked: [{ xMm: 0, yMm: 0, widthMm: 140, depthMm: 330, by: 'water pan' }],
      },
      {
        id: 'trailer-upper',
        name: 'upper rack',
        widthMm: 1400,
        depthMm: 420,
        clearanceMm: 160,
        maxKg: 40,
        level: 2,
        hotSide: 'left',
        zones: [{ fromMm: 0, toMm: 250, offsetC: 6 }],
      },
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

export const DEMO_WARMERS: Warmer[] = [{ id: 'warmer-1', name: 'Kitchen warmer', kind: 'warmer', slots: 4, setC: 63 }];
export const DEMO_PROBES = [
  { id: 'probe-1', name: 'Four-channel thermometer', channels: 4, iceC: 0.2, boilC: 99.7, altitudeM: 20, out: false },
  { id: 'probe-2', name: 'Pen', channels: 1, iceC: 1.6, boilC: 101.4, altitudeM: 20, out: true },
];
export const DEMO_CREW: CrewMember[] = [
  { id: 'crew-isa', name: 'Isa', drives: true },
  { id: 'crew-tam', name: 'Tam', drives: true },
  { id: 'crew-rue', name: 'Rue' },
];
/** Hours of the day before and of the day itself. */
export const DEMO_DUTY = [
  { memberId: 'crew-isa', from: [-1, '16:00'], to: [0, '07:00'] },
  { memberId: 'crew-tam', from: [0, '04:30'], to: [0, '21:00'] },
  { memberId: 'crew-rue', from: [0, '09:00'], to: [0, '21:00'] },
] as const;
export const DEMO_DAY = {
  venue: {
    setUpMin: 0,
    power: 'Lighthouse workshop, 2 x 16 A',
    rules: 'Fires on the gravel only, 6 m from the keeper’s house; quiet after 22:30.',
    quietFrom: '22:30',
    quietTo: '04:30',
  },
  weather: { airC: 12, windMPerS: 5 },
};

export const DEMO_BOXES: HoldingBox[] = [{ id: 'box-1', name: 'Insulated box', litres: 110, lossWPerK: 0.7, travels: true }];

interface DemoBatch {
  id: string;
  cutId: string;
  methodId: string;
  label: string;
  /** Its share of the plate, where the client asked for less or more of it. */
  share?: number;
  source?: string;
  prep?: Partial<Prep>;
}

export interface DemoServing {
  id: string;
  name: string;
  clock: string;
  serveForMin: number;
  carveLeadMin: number;
  guests: Guests;
  buffet: boolean;
  batches: DemoBatch[];
  sides: NonNullable<Serving['sides']>;
  needs: NonNullable<Serving['needs']>;
}

/** Two days ahead, in the morning. */
export const DEMO_DELIVERY = { daysBefore: 2, time: '09:30' };
export const DEMO_KITCHEN = {
  ...DEFAULT_KITCHEN,
  currency: 'CAD',
  fridgeLitres: 420,
  tubLitres: 90,
  prepCrew: 2,
  carvers: 3,
  fromHour: 8,
  toHour: 20,
} as const;

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
      batches: [
        {
          id: 'turkey',
          cutId: 'turkey-breast-boneless',
          methodId: 'poultry-middle',
          label: '',
          source: 'Saltmarsh Poultry',
          prep: { brine: 'timed', salt: 'none', recipes: { brine: 'brine-tide', rub: 'rub-thyme', binder: 'binder-oil' } },
        },
      ],
      sides: [
        { id: 'lunch-slaw', kind: 'side', name: 'Cabbage slaw', gPerHead: 110, chilled: true, carries: ['celery'] },
        { id: 'lunch-rolls', kind: 'bread', name: 'Soft rolls', gPerHead: 60, eachG: 60, chilled: false, carries: ['wheat', 'milk'] },
        { id: 'lunch-sauce', kind: 'sauce', name: 'Buoy sauce', gPerHead: 35, chilled: true, recipeId: 'sauce-buoy' },
      ],
      needs: [{ carried: 'egg', guests: 1 }],
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
        {
          id: 'brisket',
          cutId: 'brisket-whole',
          methodId: 'low-paper',
          label: '',
          source: 'Harbour Meats',
          prep: { salt: 'night', recipes: { rub: 'rub-pepper', binder: 'binder-mustard', wrap: 'wrap-tallow' } },
        },
        {
          id: 'pork',
          cutId: 'pork-butt',
          methodId: 'low-paper',
          label: '',
          source: 'Harbour Meats',
          prep: { recipes: { rub: 'rub-harbour', binder: 'binder-mustard', dressing: 'dressing-pepper' } },
        },
        {
          id: 'ribs',
          cutId: 'spare-ribs-squared',
          methodId: 'ribs-middle',
          label: '',
          share: 0.16,
          source: 'Harbour Meats',
          prep: { recipes: { rub: 'rub-harbour', binder: 'binder-oil', glaze: 'glaze-beacon' } },
        },
        {
          id: 'chicken',
          cutId: 'chicken-half',
          methodId: 'poultry-middle',
          label: '',
          source: 'Saltmarsh Poultry',
          prep: { brine: 'timed', salt: 'none', recipes: { brine: 'brine-tide', rub: 'rub-thyme', binder: 'binder-oil' } },
        },
        { id: 'beans', cutId: 'pan-dish', methodId: 'dish-oven', label: 'Harbour beans', prep: { recipes: { dish: 'dish-beans' } } },
      ],
      sides: [
        { id: 'slaw', kind: 'side', name: 'Vinegar slaw', gPerHead: 110, chilled: true, carries: ['sulphites'] },
        { id: 'potatoes', kind: 'side', name: 'Potato salad', gPerHead: 130, chilled: true, carries: ['egg', 'mustard'] },
        { id: 'cornbread', kind: 'bread', name: 'Cornbread', gPerHead: 70, eachG: 70, chilled: false, carries: ['wheat', 'milk', 'egg'] },
        { id: 'dockside', kind: 'sauce', name: 'Dockside sauce', gPerHead: 40, chilled: false, recipeId: 'sauce-dockside' },
        { id: 'pickles', kind: 'pickle', name: 'Pickled onions', gPerHead: 25, chilled: true, carries: ['sulphites'] },
      ],
      needs: [
        { carried: 'milk', guests: 3 },
        { carried: 'mustard', guests: 1 },
        { carried: 'pork', guests: 6 },
      ],
    },
  ] satisfies DemoServing[] as DemoServing[],
};

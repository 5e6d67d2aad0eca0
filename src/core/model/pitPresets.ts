import type { HoldingBox, Pit, PitFuel, PitKind, Rack, Warmer } from './equipment';

/** What each kind of pit burns: at 121 C in calm air of 15 C. Trade figures, to be replaced by an owner's own. */
export const USUAL_FUEL: Record<PitKind, PitFuel> = Object.freeze({
  offset: { kind: 'split wood', kgPerH: 2.5, reloadMin: 40, ashMin: 360 },
  'reverse-flow': { kind: 'split wood', kgPerH: 2.5, reloadMin: 40, ashMin: 360 },
  bullet: { kind: 'charcoal', kgPerH: 0.4, reloadMin: 420, ashMin: 420, waterMin: 240 },
  kettle: { kind: 'charcoal', kgPerH: 0.4, reloadMin: 240, ashMin: 240 },
  ceramic: { kind: 'lump charcoal', kgPerH: 0.22, reloadMin: 840 },
  pellet: { kind: 'pellets', kgPerH: 0.7 },
  cabinet: { kind: 'gas', kgPerH: 0.3, waterMin: 240 },
  'open-pit': { kind: 'split wood', kgPerH: 5, reloadMin: 25 },
  oven: { kind: 'electricity', kgPerH: 0 },
});

export const fuelOf = (pit: Pick<Pit, 'kind' | 'fuel'>): PitFuel => pit.fuel ?? USUAL_FUEL[pit.kind];

type PitPreset = Omit<Pit, 'id' | 'kind' | 'racks'> & { racks: Omit<Rack, 'id'>[] };

const rack = (
  name: string,
  widthMm: number,
  depthMm: number,
  level: number,
  clearanceMm: number,
  maxKg: number,
  extra: Partial<Rack> = {},
) => ({
  name,
  widthMm,
  depthMm,
  level,
  clearanceMm,
  maxKg,
  ...extra,
});
const round = (name: string, diameterMm: number, level: number, clearanceMm: number, maxKg: number, extra: Partial<Rack> = {}) =>
  rack(name, diameterMm, diameterMm, level, clearanceMm, maxKg, { round: true, ...extra });

/** Sensible starting values for each kind of pit; every figure is edited afterwards. */
export const PIT_PRESETS: Record<PitKind, PitPreset> = Object.freeze({
  offset: {
    name: 'Offset pit',
    smoke: true,
    rangeC: [105, 165],
    warmUpMin: 70,
    openingDropC: 18,
    recoverMin: 9,
    gaugeOffsetC: -6,
    racks: [
      rack('main rack', 1200, 500, 1, 250, 60, {
        zones: [
          { fromMm: 0, toMm: 300, offsetC: 12 },
          { fromMm: 900, toMm: 1200, offsetC: -6 },
        ],
        hotSide: 'left',
      }),
    ],
  },
  'reverse-flow': {
    name: 'Reverse-flow pit',
    smoke: true,
    rangeC: [105, 165],
    warmUpMin: 75,
    openingDropC: 16,
    recoverMin: 10,
    gaugeOffsetC: -4,
    racks: [rack('main rack', 1200, 500, 1, 250, 60, { zones: [{ fromMm: 0, toMm: 300, offsetC: 4 }], hotSide: 'left' })],
  },
  bullet: {
    name: 'Bullet',
    smoke: true,
    rangeC: [105, 150],
    warmUpMin: 45,
    openingDropC: 20,
    recoverMin: 12,
    gaugeOffsetC: -5,
    racks: [round('lower grate', 440, 1, 160, 15), round('upper grate', 440, 2, 180, 15)],
  },
  kettle: {
    name: 'Kettle',
    smoke: true,
    rangeC: [107, 200],
    warmUpMin: 35,
    openingDropC: 30,
    recoverMin: 10,
    gaugeOffsetC: -8,
    racks: [
      round('grate', 540, 1, 150, 12, { hotSide: 'left', blocked: [{ xMm: 0, yMm: 0, widthMm: 190, depthMm: 540, by: 'something else' }] }),
    ],
  },
  ceramic: {
    name: 'Ceramic',
    smoke: true,
    rangeC: [107, 250],
    warmUpMin: 60,
    openingDropC: 15,
    recoverMin: 6,
    racks: [round('grate', 450, 1, 200, 20)],
  },
  pellet: {
    name: 'Pellet pit',
    smoke: true,
    rangeC: [80, 230],
    warmUpMin: 15,
    openingDropC: 25,
    recoverMin: 8,
    blower: true,
    racks: [rack('main rack', 700, 480, 1, 180, 30, { hotSide: 'left' }), rack('upper rack', 650, 250, 2, 120, 12)],
  },
  cabinet: {
    name: 'Cabinet',
    smoke: true,
    rangeC: [95, 165],
    warmUpMin: 30,
    openingDropC: 22,
    recoverMin: 8,
    racks: [
      rack('lower shelf', 600, 500, 1, 150, 25),
      rack('middle shelf', 600, 500, 2, 150, 25),
      rack('upper shelf', 600, 500, 3, 150, 25),
    ],
  },
  'open-pit': {
    name: 'Open pit',
    smoke: true,
    rangeC: [107, 180],
    warmUpMin: 90,
    openingDropC: 5,
    recoverMin: 3,
    racks: [rack('grate', 1800, 800, 1, 400, 120)],
  },
  oven: {
    name: 'Oven',
    smoke: false,
    rangeC: [60, 260],
    warmUpMin: 20,
    openingDropC: 20,
    recoverMin: 6,
    racks: [rack('lower shelf', 650, 530, 1, 200, 30), rack('upper shelf', 650, 530, 2, 160, 30)],
  },
});

/** A pit of a kind with the usual values. `newId` makes the ids of it and of its racks. */
export function presetPit(kind: PitKind, newId: () => string): Pit {
  const { racks, ...preset } = structuredClone(PIT_PRESETS[kind]);
  return { ...preset, id: newId(), kind, fuel: { ...USUAL_FUEL[kind] }, racks: racks.map((each) => ({ ...each, id: newId() })) };
}

/** Equipment that comes together: one press adds it all. */
export interface EquipmentSet {
  id: string;
  name: string;
  line: string;
  pits: { kind: PitKind; name: string; travels?: boolean }[];
  boxes: Omit<HoldingBox, 'id'>[];
  warmers: Omit<Warmer, 'id'>[];
}

export const EQUIPMENT_SETS: readonly EquipmentSet[] = Object.freeze([
  {
    id: 'garden',
    name: 'Garden: bullet, kettle and a cooler',
    line: 'For up to some 40 guests: low and slow in the bullet, birds and a sear on the kettle.',
    pits: [
      { kind: 'bullet', name: 'Bullet', travels: true },
      { kind: 'kettle', name: 'Kettle', travels: true },
    ],
    boxes: [{ name: 'Cooler', litres: 50, lossWPerK: 0.6 }],
    warmers: [],
  },
  {
    id: 'trailer',
    name: 'Trailer: offset on wheels and insulated boxes',
    line: 'For a hundred and more where there is no kitchen: one fire, two boxes.',
    pits: [{ kind: 'offset', name: 'Trailer pit', travels: true }],
    boxes: [
      { name: 'Large insulated box', litres: 110, lossWPerK: 0.7 },
      { name: 'Small insulated box', litres: 50, lossWPerK: 0.5 },
    ],
    warmers: [],
  },
  {
    id: 'kitchen',
    name: 'Kitchen: cabinet, oven and a warmer',
    line: 'Even heat and a warmer that holds all night; pans and wrapped meat go in the oven.',
    pits: [
      { kind: 'cabinet', name: 'Cabinet' },
      { kind: 'oven', name: 'Oven' },
    ],
    boxes: [],
    warmers: [{ name: 'Warmer', kind: 'warmer', slots: 8, setC: 63 }],
  },
]);

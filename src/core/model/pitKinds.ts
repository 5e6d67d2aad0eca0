import type { Pit, PitFuel, PitKind, Rack } from './equipment';

/** How a kind of pit differs from a quiet reference pit: starting values, multiplied in. */
export interface PitClimate {
  film: number;
  radiation: number;
  vapour: number;
}

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

/** All that is told by the kind of a pit alone. */
interface PitKindRecord {
  name: string;
  climate: PitClimate;
  /** What it burns at 121 C in calm air of 15 C, and how often it wants tending; what it can do to people follows its fuel. */
  fuel: PitFuel;
  /** Minutes it may burn with nobody by; no limit when left out. */
  untendedMaxMin?: number;
  /** Sensible starting values; every figure is edited afterwards. */
  usual: PitPreset;
}

/**
 * The kinds of pit there are, one record each: a kind that is new in `PIT_KINDS` does not compile until it has
 * all of its own. Trade figures, to be replaced by an owner's.
 */
export const PIT_KIND: Record<PitKind, PitKindRecord> = Object.freeze({
  offset: {
    name: 'offset stick burner',
    climate: { film: 1.12, radiation: 1, vapour: 0.95 },
    fuel: { kind: 'split wood', kgPerH: 2.5, reloadMin: 40, ashMin: 360 },
    untendedMaxMin: 30,
    usual: {
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
  },
  'reverse-flow': {
    name: 'reverse-flow offset',
    climate: { film: 1.06, radiation: 1.1, vapour: 1 },
    fuel: { kind: 'split wood', kgPerH: 2.5, reloadMin: 40, ashMin: 360 },
    untendedMaxMin: 30,
    usual: {
      name: 'Reverse-flow pit',
      smoke: true,
      rangeC: [105, 165],
      warmUpMin: 75,
      openingDropC: 16,
      recoverMin: 10,
      gaugeOffsetC: -4,
      racks: [rack('main rack', 1200, 500, 1, 250, 60, { zones: [{ fromMm: 0, toMm: 300, offsetC: 4 }], hotSide: 'left' })],
    },
  },
  bullet: {
    name: 'bullet',
    climate: { film: 1, radiation: 0.95, vapour: 1.25 },
    fuel: { kind: 'charcoal', kgPerH: 0.4, reloadMin: 420, ashMin: 420, waterMin: 240 },
    untendedMaxMin: 120,
    usual: {
      name: 'Bullet',
      smoke: true,
      rangeC: [105, 150],
      warmUpMin: 45,
      openingDropC: 20,
      recoverMin: 12,
      gaugeOffsetC: -5,
      racks: [round('lower grate', 440, 1, 160, 15), round('upper grate', 440, 2, 180, 15)],
    },
  },
  drum: {
    name: 'upright drum',
    // Coals straight below: more heat from below than in a bullet, and what drips burns.
    climate: { film: 1.05, radiation: 1.15, vapour: 1 },
    fuel: { kind: 'charcoal', kgPerH: 0.55, reloadMin: 480, ashMin: 480 },
    untendedMaxMin: 120,
    usual: {
      name: 'Drum',
      smoke: true,
      rangeC: [107, 180],
      warmUpMin: 40,
      // Lid off, air rushes to the coals: it falls far and comes back soon.
      openingDropC: 35,
      recoverMin: 6,
      gaugeOffsetC: -8,
      racks: [round('grate', 540, 1, 200, 25)],
    },
  },
  kettle: {
    name: 'kettle',
    climate: { film: 1, radiation: 1.05, vapour: 0.95 },
    fuel: { kind: 'charcoal', kgPerH: 0.4, reloadMin: 240, ashMin: 240 },
    untendedMaxMin: 120,
    usual: {
      name: 'Kettle',
      smoke: true,
      rangeC: [107, 200],
      warmUpMin: 35,
      openingDropC: 30,
      recoverMin: 10,
      gaugeOffsetC: -8,
      racks: [
        round('grate', 540, 1, 150, 12, {
          hotSide: 'left',
          blocked: [{ xMm: 0, yMm: 0, widthMm: 190, depthMm: 540, by: 'something else' }],
        }),
      ],
    },
  },
  ceramic: {
    name: 'ceramic',
    climate: { film: 0.92, radiation: 1.05, vapour: 1.2 },
    fuel: { kind: 'lump charcoal', kgPerH: 0.22, reloadMin: 840 },
    untendedMaxMin: 120,
    usual: {
      name: 'Ceramic',
      smoke: true,
      rangeC: [107, 250],
      warmUpMin: 60,
      openingDropC: 15,
      recoverMin: 6,
      racks: [round('grate', 450, 1, 200, 20)],
    },
  },
  pellet: {
    name: 'pellet',
    climate: { film: 1.2, radiation: 0.95, vapour: 0.85 },
    fuel: { kind: 'pellets', kgPerH: 0.7 },
    usual: {
      name: 'Pellet pit',
      smoke: true,
      rangeC: [80, 230],
      warmUpMin: 15,
      openingDropC: 25,
      recoverMin: 8,
      blower: true,
      racks: [rack('main rack', 700, 480, 1, 180, 30, { hotSide: 'left' }), rack('upper rack', 650, 250, 2, 120, 12)],
    },
  },
  cabinet: {
    name: 'cabinet',
    climate: { film: 0.97, radiation: 0.97, vapour: 1.2 },
    fuel: { kind: 'gas', kgPerH: 0.3, waterMin: 240 },
    usual: {
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
  },
  gas: {
    name: 'gas pit with a smoke box',
    // Burning gas makes water; burners under one side.
    climate: { film: 1.08, radiation: 1, vapour: 1.1 },
    fuel: { kind: 'gas', kgPerH: 0.5 },
    usual: {
      name: 'Gas pit',
      smoke: true,
      rangeC: [110, 260],
      warmUpMin: 15,
      openingDropC: 35,
      recoverMin: 5,
      racks: [rack('grate', 700, 450, 1, 160, 25, { zones: [{ fromMm: 0, toMm: 220, offsetC: 15 }], hotSide: 'left' })],
    },
  },
  'open-pit': {
    name: 'direct-coal open pit',
    climate: { film: 1.1, radiation: 1.35, vapour: 0.85 },
    fuel: { kind: 'split wood', kgPerH: 5, reloadMin: 25 },
    untendedMaxMin: 30,
    usual: {
      name: 'Open pit',
      smoke: true,
      rangeC: [107, 180],
      warmUpMin: 90,
      openingDropC: 5,
      recoverMin: 3,
      racks: [rack('grate', 1800, 800, 1, 400, 120)],
    },
  },
  oven: {
    name: 'oven',
    climate: { film: 1, radiation: 1, vapour: 0.85 },
    fuel: { kind: 'electricity', kgPerH: 0 },
    usual: {
      name: 'Oven',
      smoke: false,
      rangeC: [60, 260],
      warmUpMin: 20,
      openingDropC: 20,
      recoverMin: 6,
      racks: [rack('lower shelf', 650, 530, 1, 200, 30), rack('upper shelf', 650, 530, 2, 160, 30)],
    },
  },
});

export const fuelOf = (pit: Pick<Pit, 'kind' | 'fuel'>): PitFuel => pit.fuel ?? PIT_KIND[pit.kind].fuel;

/** Minutes a pit may burn with nobody by, as its owner says or as usual for its kind. */
export const untendedMaxOf = (pit: Pick<Pit, 'kind' | 'untendedMaxMin'>): number =>
  pit.untendedMaxMin ?? PIT_KIND[pit.kind].untendedMaxMin ?? Infinity;

/** A pit of a kind with the usual values. `newId` makes the ids of it and of its racks. */
export function presetPit(kind: PitKind, newId: () => string): Pit {
  const { racks, ...preset } = structuredClone(PIT_KIND[kind].usual);
  return { ...preset, id: newId(), kind, fuel: { ...PIT_KIND[kind].fuel }, racks: racks.map((each) => ({ ...each, id: newId() })) };
}

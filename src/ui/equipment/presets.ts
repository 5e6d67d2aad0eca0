import type { PitKind } from '../../core/model';
import type { PitInput, RackInput } from '../../doors';

type Preset = Omit<PitInput, 'id' | 'racks'> & { racks: Omit<RackInput, 'id'>[] };

const rack = (
  name: string,
  widthMm: number,
  depthMm: number,
  level: number,
  clearanceMm: number,
  maxKg: number,
): Omit<RackInput, 'id'> => ({ name, widthMm, depthMm, level, clearanceMm, maxKg });

/** Sensible starting values for each kind of pit; every figure is edited afterwards. */
const PRESETS: Record<PitKind, Preset> = {
  offset: {
    name: 'Offset pit',
    kind: 'offset',
    smoke: true,
    rangeLowC: 105,
    rangeHighC: 165,
    warmUpMin: 70,
    openingDropC: 18,
    recoverMin: 9,
    racks: [rack('main rack', 1200, 500, 1, 250, 60)],
  },
  'reverse-flow': {
    name: 'Reverse-flow pit',
    kind: 'reverse-flow',
    smoke: true,
    rangeLowC: 105,
    rangeHighC: 165,
    warmUpMin: 75,
    openingDropC: 16,
    recoverMin: 10,
    racks: [rack('main rack', 1200, 500, 1, 250, 60)],
  },
  bullet: {
    name: 'Bullet',
    kind: 'bullet',
    smoke: true,
    rangeLowC: 105,
    rangeHighC: 150,
    warmUpMin: 45,
    openingDropC: 20,
    recoverMin: 12,
    racks: [rack('lower grate', 400, 400, 1, 160, 15), rack('upper grate', 400, 400, 2, 180, 15)],
  },
  kettle: {
    name: 'Kettle',
    kind: 'kettle',
    smoke: true,
    rangeLowC: 107,
    rangeHighC: 200,
    warmUpMin: 35,
    openingDropC: 30,
    recoverMin: 10,
    racks: [rack('indirect side', 380, 300, 1, 150, 10)],
  },
  ceramic: {
    name: 'Ceramic',
    kind: 'ceramic',
    smoke: true,
    rangeLowC: 107,
    rangeHighC: 250,
    warmUpMin: 60,
    openingDropC: 15,
    recoverMin: 6,
    racks: [rack('grate', 420, 400, 1, 200, 20)],
  },
  pellet: {
    name: 'Pellet pit',
    kind: 'pellet',
    smoke: true,
    rangeLowC: 80,
    rangeHighC: 230,
    warmUpMin: 15,
    openingDropC: 25,
    recoverMin: 8,
    racks: [rack('main rack', 700, 480, 1, 180, 30), rack('upper rack', 650, 250, 2, 120, 12)],
  },
  cabinet: {
    name: 'Cabinet',
    kind: 'cabinet',
    smoke: true,
    rangeLowC: 95,
    rangeHighC: 165,
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
    kind: 'open-pit',
    smoke: true,
    rangeLowC: 107,
    rangeHighC: 180,
    warmUpMin: 90,
    openingDropC: 5,
    recoverMin: 3,
    racks: [rack('grate', 1800, 800, 1, 400, 120)],
  },
  oven: {
    name: 'Oven',
    kind: 'oven',
    smoke: false,
    rangeLowC: 60,
    rangeHighC: 260,
    warmUpMin: 20,
    openingDropC: 20,
    recoverMin: 6,
    racks: [rack('lower shelf', 650, 530, 1, 200, 30), rack('upper shelf', 650, 530, 2, 160, 30)],
  },
};

/** A new pit of a kind, ready to be edited. */
export function presetPit(kind: PitKind): PitInput {
  const preset = PRESETS[kind];
  return { ...preset, id: crypto.randomUUID(), racks: preset.racks.map((each) => ({ ...each, id: crypto.randomUUID() })) };
}

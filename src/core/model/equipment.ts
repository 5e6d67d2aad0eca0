export const PIT_KINDS = ['offset', 'reverse-flow', 'bullet', 'kettle', 'ceramic', 'pellet', 'cabinet', 'open-pit', 'oven'] as const;
export type PitKind = (typeof PIT_KINDS)[number];

export const PIT_KIND_NAMES: Record<PitKind, string> = {
  offset: 'offset stick burner',
  'reverse-flow': 'reverse-flow offset',
  bullet: 'bullet',
  kettle: 'kettle',
  ceramic: 'ceramic',
  pellet: 'pellet',
  cabinet: 'cabinet',
  'open-pit': 'direct-coal open pit',
  oven: 'oven',
};

export interface Rack {
  id: string;
  name: string;
  widthMm: number;
  depthMm: number;
  /** Headroom above the rack. */
  clearanceMm: number;
  maxKg: number;
  /** 1 is the lowest. */
  level: number;
}

export interface Pit {
  id: string;
  name: string;
  kind: PitKind;
  smoke: boolean;
  rangeC: [low: number, high: number];
  warmUpMin: number;
  openingDropC: number;
  /** Minutes until the pit is back within a tenth of the drop. */
  recoverMin: number;
  racks: Rack[];
}

/** An insulated box: cools slowly, slower the fuller it is. */
export interface HoldingBox {
  id: string;
  name: string;
  litres: number;
  lossWPerK: number;
}

/** Litres of box a kilogram of wrapped meat takes. */
export const BOX_LITRES_PER_KG = 1.8;

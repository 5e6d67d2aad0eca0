import type { HoldingBox, PitKind, Warmer } from './equipment';

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

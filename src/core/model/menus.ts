import type { Side } from './eventParts';

/** A menu to begin with: everything in it is changed afterwards. */
export interface ReadyMenu {
  id: string;
  name: string;
  batches: { cutId: string; methodId: string; label?: string; dishRecipeId?: string }[];
  sides: Omit<Side, 'id'>[];
}

const slaw = { kind: 'side', name: 'Cabbage slaw', gPerHead: 110, chilled: true } as const;
const rolls = { kind: 'bread', name: 'Soft rolls', gPerHead: 60, eachG: 60, chilled: false } as const;

export const READY_MENUS: readonly ReadyMenu[] = Object.freeze([
  {
    id: 'pork-and-chicken',
    name: 'Pulled pork and chicken',
    batches: [
      { cutId: 'pork-butt', methodId: 'low-paper' },
      { cutId: 'chicken-half', methodId: 'poultry-hot' },
    ],
    sides: [slaw, rolls],
  },
  {
    id: 'brisket-and-ribs',
    name: 'Brisket and ribs',
    batches: [
      { cutId: 'brisket-whole', methodId: 'low-paper' },
      { cutId: 'spare-ribs-squared', methodId: 'ribs-blocks' },
    ],
    sides: [slaw, { kind: 'pickle', name: 'Pickled onions', gPerHead: 25, chilled: true }],
  },
  {
    id: 'three-meats',
    name: 'Brisket, pulled pork, chicken and beans',
    batches: [
      { cutId: 'brisket-whole', methodId: 'low-paper' },
      { cutId: 'pork-butt', methodId: 'low-paper' },
      { cutId: 'chicken-half', methodId: 'poultry-hot' },
      { cutId: 'pan-dish', methodId: 'dish-oven', label: 'Harbour beans', dishRecipeId: 'dish-beans' },
    ],
    sides: [slaw, rolls],
  },
  {
    id: 'turkey-lunch',
    name: 'Turkey breast in rolls',
    batches: [{ cutId: 'turkey-breast-boneless', methodId: 'poultry-middle' }],
    sides: [slaw, rolls],
  },
]);

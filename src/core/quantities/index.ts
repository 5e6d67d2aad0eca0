export { needFor, portionG, portionsOf } from './portions';
export type { Need } from './portions';

export { coldUses } from './coldUses';
export { placeSteps } from './placeSteps';
export type { PrepOrder } from './placeSteps';
export { prepProblems } from './problems';

export { checkedPlan } from './checkedPlan';
export { planInputOf } from './fromOpen';
export { namedPlanFrom } from './namedPlan';
export { readOpenEvent, readOpenPlan } from './read';
export type { Misread } from './read';
export { openData, openEventOf, openPlanOf } from './toOpen';
export { writeOpenEvent, writeOpenPlan } from './write';

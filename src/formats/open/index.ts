export { planInputOf } from './fromOpen';
export { readOpenEvent, readOpenPlan } from './read';
export { openData, openEventOf, openPlanOf } from './toOpen';
export { writeOpenEvent, writeOpenPlan } from './write';

export { batchOrders, buildPlan } from './buildPlan';
export type { PlanInput } from './buildPlan';

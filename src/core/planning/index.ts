export { buildPlan } from './buildPlan';
export type { PlanInput } from './buildPlan';
export { runCurve } from './runCurve';
export type { RunCurve } from './runCurve';
export { stageStates } from './stages';
export type { StageState } from './stages';
export { WHAT_IF_SAMPLES, whatIfEnsemble, whatIfAnswer, whatIfSetup } from './whatIf';
export type { WhatIfAnswer, WhatIfRequest } from './whatIf';

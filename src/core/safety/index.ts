export { COOLING_RULE, coolLeftover } from './cooling';
export type { CoolingForecast } from './cooling';
export { DANGER_ZONE_C, dangerMinutes, lethalityShare, lethalityTable } from './lethality';
export { coreRuleOf, SAFETY_RULES } from './rules';
export { limitsOf, LOOSEST, ruleOf, STRICT_LIMITS } from './limits';
export type { Limits } from './limits';
export { SAFETY_STAGES } from './finding';
export type { SafetyFinding, SafetyStage, SafetyState } from './finding';
export { safetyReview } from './review';

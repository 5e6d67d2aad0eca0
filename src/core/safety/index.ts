export { coolLeftover } from './cooling';
export { DANGER_ZONE_C, dangerMinutes, lethalityShare, lethalityTable } from './lethality';
export { coreRuleOf, SAFETY_RULES } from './rules';

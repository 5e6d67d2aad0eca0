import { isGround, isPoultry, type Cut } from '../model';

/** One plain rule of the usual guidance, beside which the product shows what a plan does. */
export interface SafetyRule {
  value: string;
  /** In C or minutes, as the rule is kept. */
  limit: number;
  source: string;
}

/** The plain values, stricter by default. Local code, the permit and licensed practice decide. */
export const SAFETY_RULES = Object.freeze({
  hotHold: { value: 'hot holding', limit: 60, source: 'consumer and many departments’ advice; Food Code 2022 3-501.16 asks {57 C}' },
  poultryCore: { value: 'poultry core', limit: 74, source: 'Food Code 2022 3-401.11(A)(3); USDA FSIS' },
  wholeMuscleCore: { value: 'whole-muscle core, then 3 min rest', limit: 63, source: 'USDA FSIS' },
  dishCore: { value: 'reheated or mixed dish', limit: 74, source: 'Food Code 2022 3-403.11' },
  dangerZoneMin: { value: 'poultry through {5 to 57 C}', limit: 240, source: 'trade rule, stricter than FSIS (6 h from {10 to 54 C})' },
  bareMeatPitC: { value: 'pit with bare meat in it', limit: 107, source: 'trade rule after FSIS guidance' },
  coldHold: { value: 'cold holding', limit: 5, source: 'Food Code 2022 3-501.16(A)(2)' },
  thawWaterMin: {
    value: 'above {5 C} while thawing under running water at or below {21 C}',
    limit: 240,
    source: 'Food Code 2022 3-501.13',
  },
  nonIntactCore: { value: 'ground, injected or blade-tenderised core, 17 s', limit: 68, source: 'Food Code 2022 3-401.11(A)(2)' },
  temperMin: { value: 'tempering', limit: 60, source: 'trade rule; the time counts toward 4 h in the danger zone' },
  timeAloneMin: {
    value: 'time alone as control, labelled, then discarded',
    limit: 240,
    source: 'Food Code 2022 3-501.19, with local approval',
  },
  groundCore: { value: 'ground meat, consumer advice', limit: 71, source: 'USDA FSIS' },
} satisfies Record<string, SafetyRule>);

/** The core a cut must have reached, by its plain rule. Injected meat is cooked as ground meat is. */
export function coreRuleOf(cut: Cut, nonIntact = false): SafetyRule {
  if (isPoultry(cut)) return SAFETY_RULES.poultryCore;
  if (isGround(cut)) return SAFETY_RULES.groundCore;
  if (nonIntact) return SAFETY_RULES.nonIntactCore;
  if (cut.safetyClass === 'dish') return SAFETY_RULES.dishCore;
  return SAFETY_RULES.wholeMuscleCore;
}

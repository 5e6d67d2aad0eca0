import type { CookEvent, LoosenableRule } from '../model';
import { SAFETY_RULES } from './rules';

/** The hard values as an event keeps them: the strict ones, unless loosened with a written reason. */
export type Limits = Record<LoosenableRule, number>;

const RULE_OF = {
  hotHold: SAFETY_RULES.hotHold,
  bareMeatPit: SAFETY_RULES.bareMeatPitC,
  dangerZone: SAFETY_RULES.dangerZoneMin,
  nonIntactCore: SAFETY_RULES.nonIntactCore,
} as const;

export const STRICT_LIMITS: Limits = Object.freeze({
  hotHold: RULE_OF.hotHold.limit,
  bareMeatPit: RULE_OF.bareMeatPit.limit,
  dangerZone: RULE_OF.dangerZone.limit,
  nonIntactCore: RULE_OF.nonIntactCore.limit,
});

/** How far each may be loosened: to the published figure behind it, never past. */
export const LOOSEST: Record<LoosenableRule, { limit: number; source: string }> = Object.freeze({
  hotHold: { limit: 57, source: 'Food Code 2022 3-501.16(A)(1)' },
  bareMeatPit: { limit: 93, source: 'the lower end of what FSIS guidance calls a smoker’s heat (225 to 300 F is its usual band)' },
  dangerZone: { limit: 360, source: 'FSIS, 6 h from {10 to 54 C}' },
  nonIntactCore: { limit: 63, source: 'Food Code 2022 3-401.11(A)(2), held for 3 min' },
});

export const ruleOf = (rule: LoosenableRule) => RULE_OF[rule];

/** A loosened figure counts only with a reason, and only as far as the published figure. */
export function limitsOf(event: Pick<CookEvent, 'loosened'>): Limits {
  const limits = { ...STRICT_LIMITS };
  for (const { rule, limit, reason } of event.loosened ?? []) {
    if (reason.trim() === '') continue;
    const [low, high] = [STRICT_LIMITS[rule], LOOSEST[rule].limit].sort((a, b) => a - b) as [number, number];
    limits[rule] = Math.min(high, Math.max(low, limit));
  }
  return limits;
}

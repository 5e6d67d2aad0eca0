import type { CookEvent, LoosenableRule } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { LOOSEST, STRICT_LIMITS } from '../core/safety';
import type { LoosenInput, TightenInput } from '../inputs';
import { changeSeen } from './changeEvent';
import type { Context } from './context';

const without = (event: CookEvent, rule: LoosenableRule) => (event.loosened ?? []).filter((each) => each.rule !== rule);

/** Loosens one hard value for one event, with the owner's written reason; never past the published figure. */
export const loosenRule = (context: Context, { rule, limit, reason, ...seen }: LoosenInput): Promise<Outcome<CookEvent>> =>
  changeSeen(context, seen, (event) => {
    const [low, high] = [STRICT_LIMITS[rule], LOOSEST[rule].limit].sort((a, b) => a - b) as [number, number];
    if (limit < low || limit > high) return failure({ code: 'pastPublished', path: 'limit' });
    if (limit === STRICT_LIMITS[rule]) return failure({ code: 'notLoosened', path: 'limit' });
    return success({ ...event, loosened: [...without(event, rule), { rule, limit, reason: reason.trim() }] });
  });

/** Puts a hard value back to the strict one. */
export const tightenRule = (context: Context, { rule, ...seen }: TightenInput): Promise<Outcome<CookEvent>> =>
  changeSeen(context, seen, (event) => success({ ...event, loosened: without(event, rule) }));

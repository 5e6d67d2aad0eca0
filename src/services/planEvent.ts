import { equippedFor, type PlanInput } from '../core/planning';
import { DEFAULT_VENUE, kitchenOf, type Plan } from '../core/model';
import type { LearnedTrim } from '../core/quantities';
import { newForecastCache } from '../core/schedule';
import { MS_PER_MIN } from '../core/units';
import { quietBetween, shiftsBetween } from '../formats/clock';
import { checkedPlan } from '../formats/open';
import { listBoxes, listGear, listPits, loadEvent } from '../persistence';
import type { Context } from './context';
import { ownLibrary } from './ownLibrary';

/** Prep may begin this long before the first serving. */
const PREP_AHEAD_MS = 8 * 86_400_000;
/** Meat goes on this long before the first serving at the most. */
const QUIET_AHEAD_MS = 3 * 86_400_000;

interface Planned {
  input: PlanInput;
  plan: Plan;
  learned: LearnedTrim[];
}

const MOST_FORECASTS_KEPT = 500;
let forecasts = newForecastCache();

/** The plan of an event, made on the server: the same one the plan screen's worker makes. Undefined when there is no such event. */
export async function planEvent(context: Context, eventId: string): Promise<Planned | undefined> {
  const event = await loadEvent(eventId);
  if (!event) return undefined;
  const { library, learned } = await ownLibrary();
  const times = event.servings.map((serving) => serving.atMs);
  const { fromHour, toHour } = kitchenOf(event);
  const venue = { ...DEFAULT_VENUE, ...event.venue };
  const owned = { pits: await listPits(), boxes: await listBoxes(), warmers: await listGear('warmer'), crew: await listGear('crew') };
  const onDuty = (memberId: string) => event.duty?.some((each) => each.memberId === memberId) ?? false;
  const input: PlanInput = {
    ...equippedFor(event, owned),
    event,
    probes: (await listGear('probe')).filter((probe) => event.probeIds?.includes(probe.id)),
    crew: owned.crew.filter((member) => onDuty(member.id)),
    library,
    earliestMs: Math.floor(context.nowMs() / MS_PER_MIN) * MS_PER_MIN,
    quiet: quietBetween(Math.min(...times) - QUIET_AHEAD_MS, Math.max(...times), event.timeZone, venue.quietFrom, venue.quietTo),
    shifts: shiftsBetween(Math.min(...times) - PREP_AHEAD_MS, Math.max(...times), event.timeZone, fromHour, toHour),
  };
  if (forecasts.batches.size > MOST_FORECASTS_KEPT) forecasts = newForecastCache();
  return { input, plan: checkedPlan(input, forecasts), learned };
}

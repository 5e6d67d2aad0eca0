import { buildPlan, type PlanInput } from '../core/planning';
import { kitchenOf, type Plan } from '../core/model';
import type { LearnedTrim } from '../core/quantities';
import { newForecastCache } from '../core/schedule';
import { MS_PER_MIN } from '../core/units';
import { shiftsBetween } from '../formats/clock';
import { listBoxes, listGear, listPits, loadEvent } from '../persistence';
import type { House } from './house';
import { ownLibrary } from './ownLibrary';

/** Prep may begin this long before the first serving. */
const PREP_AHEAD_MS = 8 * 86_400_000;

interface Planned {
  input: PlanInput;
  plan: Plan;
  learned: LearnedTrim[];
}

const MOST_FORECASTS_KEPT = 500;
let forecasts = newForecastCache();

/** The plan of an event, made on the server: the same one the plan screen's worker makes. Undefined when there is no such event. */
export async function planEvent(house: House, eventId: string): Promise<Planned | undefined> {
  const event = await loadEvent(eventId);
  if (!event) return undefined;
  const { library, learned } = await ownLibrary();
  const times = event.servings.map((serving) => serving.atMs);
  const { fromHour, toHour } = kitchenOf(event);
  const input: PlanInput = {
    event,
    pits: (await listPits()).filter((pit) => event.pitIds.includes(pit.id)),
    boxes: (await listBoxes()).filter((box) => event.boxIds.includes(box.id)),
    warmers: (await listGear('warmer')).filter((warmer) => event.warmerIds?.includes(warmer.id)),
    probes: (await listGear('probe')).filter((probe) => event.probeIds?.includes(probe.id)),
    crew: (await listGear('crew')).filter((member) => event.duty?.some((each) => each.memberId === member.id)),
    library,
    earliestMs: Math.floor(house.nowMs() / MS_PER_MIN) * MS_PER_MIN,
    shifts: shiftsBetween(Math.min(...times) - PREP_AHEAD_MS, Math.max(...times), event.timeZone, fromHour, toHour),
  };
  if (forecasts.batches.size > MOST_FORECASTS_KEPT) forecasts = newForecastCache();
  return { input, plan: buildPlan(input, forecasts), learned };
}

import { buildPlan, type PlanInput } from '../core/planning';
import { libraryWith, type Plan } from '../core/model';
import type { ForecastCache } from '../core/schedule';
import { MS_PER_MIN } from '../core/units';
import { listBoxes, listPits, loadEvent, loadOwnLibrary } from '../persistence';
import type { House } from './house';

/** Gathers all that an event's plan depends on; undefined when there is no such event. */
async function planInputOf(house: House, eventId: string): Promise<PlanInput | undefined> {
  const event = await loadEvent(eventId);
  if (!event) return undefined;
  const pits = (await listPits()).filter((pit) => event.pitIds.includes(pit.id));
  const boxes = (await listBoxes()).filter((box) => event.boxIds.includes(box.id));
  const library = libraryWith(await loadOwnLibrary());
  return { event, pits, boxes, library, earliestMs: Math.floor(house.nowMs() / MS_PER_MIN) * MS_PER_MIN };
}

const MOST_FORECASTS_KEPT = 500;
let forecasts: ForecastCache = new Map();

/** The plan of an event, made on the server: the same one the plan screen's worker makes. */
export async function planEvent(house: House, eventId: string): Promise<{ input: PlanInput; plan: Plan } | undefined> {
  const input = await planInputOf(house, eventId);
  if (!input) return undefined;
  if (forecasts.size > MOST_FORECASTS_KEPT) forecasts = new Map();
  return { input, plan: buildPlan(input, forecasts) };
}

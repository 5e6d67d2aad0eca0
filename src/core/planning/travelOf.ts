import { BOX_LITRES_PER_KG, homeIdOf, KG_PER_SLOT, servingPlaceId, standsAt, type CookEvent, type Scheme } from '../model';
import type { RulesVersion } from '../quantities';
import { forecastBatch, type BatchOrder, type ForecastCache, type ForecastContext, type SearchInput } from '../schedule';
import { allTogether, driveMinOf, itinerary, setUpMinOf, type TravelProblem, type TravelServing, type Whereabouts } from '../travel';
import { addMinutes } from '../units';
import type { PlanInput } from './planInput';

export const rulesOf = ({ rules = 2 }: Pick<PlanInput, 'rules'>): RulesVersion => rules;

/** In and out of the van again. */
const VAN_MIN = 20;
/** A cook is begun so long before it need be, at a place one drives to. */
const AHEAD_SLACK_MIN = 45;

/** How servings are got to, as far as the search asks. */
export function travelOf(
  input: PlanInput,
  orders: () => readonly BatchOrder[],
  forecasting: { cache: ForecastCache; context: ForecastContext },
): Pick<SearchInput, 'travelFor' | 'away'> {
  const { event } = input;
  const crew = event.duty && (event.duty.length > 0 || input.countCrew) ? event.duty : undefined;
  if (rulesOf(input) === 1) {
    const drives = event.servings.flatMap((serving) => {
      const travelMin = driveMinOf(event, serving);
      const arriveMs = addMinutes(serving.atMs, -serving.carveLeadMin - setUpMinOf(event, serving));
      return travelMin > 0 ? [{ servingId: serving.id, travelMin, arriveMs }] : [];
    });
    const together = allTogether(drives, { crew, pits: input.pits, servingIds: event.servings.map(({ id }) => id) });
    return { travelFor: () => together, away: [] };
  }
  let problem: TravelProblem | undefined;
  const made = new Map<string, Whereabouts>();
  const posed = () => (problem ??= problemOf(input, crew, orders, forecasting));
  const travelFor = (choices: NonNullable<Scheme['travel']>): Whereabouts => {
    const key = JSON.stringify(choices);
    let found = made.get(key);
    if (!found) made.set(key, (found = itinerary(posed(), choices)));
    return found;
  };
  const homeId = homeIdOf(event);
  const atHome = (kind: 'pit' | 'gear', things: readonly { id: string; travels?: boolean }[]) =>
    things.filter(({ id, travels }) => travels && standsAt(event, kind, id) === homeId).map(({ id }) => id);
  const away = event.servings
    .filter((serving) => servingPlaceId(event, serving) !== homeId)
    .map((serving) => ({
      id: serving.id,
      aheadMins: () => {
        const cooks = posed().servings.find(({ id }) => id === serving.id)!.cookMins;
        return cooks.map((cookMin) => cookMin + driveMinOf(event, serving) + VAN_MIN);
      },
      people: [...new Set((crew ?? []).map(({ memberId }) => memberId))],
      gearIds: atHome('gear', [...input.boxes, ...(input.warmers ?? [])]),
      pitIds: atHome('pit', input.pits),
    }));
  return { travelFor, away };
}

function problemOf(
  input: PlanInput,
  duty: CookEvent['duty'],
  ordersOf: () => readonly BatchOrder[],
  { cache, context }: { cache: ForecastCache; context: ForecastContext },
): TravelProblem {
  const { event, pits, boxes, warmers = [] } = input;
  const homeId = homeIdOf(event);
  const orders = event.servings.some((serving) => servingPlaceId(event, serving) !== homeId) ? ordersOf() : [];
  const servings = event.servings.map((serving): TravelServing => {
    const placeId = servingPlaceId(event, serving);
    const own = orders.filter((order) => order.serving.id === serving.id);
    const goes = pits.filter((pit) => standsAt(event, 'pit', pit.id) === placeId || pit.travels);
    const cookMin = (order: BatchOrder) =>
      Math.max(
        0,
        ...goes.map((pit) => {
          const [low, high] = [Math.max(order.method.pitRangeC[0], pit.rangeC[0]), Math.min(order.method.pitRangeC[1], pit.rangeC[1])];
          if (low > high) return 0;
          const { pullLateMin } = forecastBatch(cache, context, order, pit, Math.min(high, Math.max(low, order.method.pitC)));
          return Number.isFinite(pullLateMin) ? pullLateMin + pit.warmUpMin + order.method.ventMin + order.method.restMin : 0;
        }),
      );
    return {
      id: serving.id,
      placeId,
      carveMs: addMinutes(serving.atMs, -serving.carveLeadMin),
      endMs: addMinutes(serving.atMs, serving.serveForMin),
      setUpMin: setUpMinOf(event, serving),
      hands: serving.handsThere ?? (placeId === homeId ? 0 : 1),
      litres: own.reduce((sum, order) => sum + order.loadKg * BOX_LITRES_PER_KG, 0),
      cookMins:
        placeId === homeId || goes.length === 0
          ? []
          : [...new Set(own.map((order) => Math.ceil(cookMin(order)) + AHEAD_SLACK_MIN))].sort((a, b) => b - a),
    };
  });
  const members = [...new Set((duty ?? []).map(({ memberId }) => memberId))];
  return {
    homeId,
    roads: event.roads ?? [],
    servings,
    ...(duty && {
      crew: members.map((id) => ({
        id,
        placeId: standsAt(event, 'crew', id),
        drives: Boolean(input.crew?.find((member) => member.id === id)?.drives),
        windows: duty.filter((each) => each.memberId === id),
      })),
    }),
    gear: [
      ...boxes.map(({ id, litres, travels }) => ({
        id,
        litres,
        box: true,
        travels: Boolean(travels),
        placeId: standsAt(event, 'gear', id),
      })),
      ...warmers.map(({ id, slots, travels }) => ({
        id,
        box: false,
        litres: slots * KG_PER_SLOT * BOX_LITRES_PER_KG,
        travels: Boolean(travels),
        placeId: standsAt(event, 'gear', id),
      })),
    ],
    pits: pits.map(({ id, travels, racks }) => ({
      id,
      travels: Boolean(travels),
      placeId: standsAt(event, 'pit', id),
      areaMm2: racks.reduce((sum, rack) => sum + rack.widthMm * rack.depthMm, 0),
    })),
    earliestMs: input.earliestMs,
  };
}

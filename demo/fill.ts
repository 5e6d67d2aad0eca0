import { buyingOf, findCut, prepOf, SHIPPED_LIBRARY, type Batch } from '../src/core/model';
import { demandOf } from '../src/core/quantities';
import { clockOnDay, localDate } from '../src/formats/clock';
import {
  chooseEquipment,
  createEvent,
  keepBox,
  keepCrew,
  keepPit,
  keepProbe,
  keepWarmer,
  listEvents,
  saveBrief,
  saveBuying,
  saveDay,
  saveKitchen,
  savePrep,
  settlePlan,
  type Context,
} from '../src/services';
import {
  DEMO_BOXES,
  DEMO_CREW,
  DEMO_DAY,
  DEMO_DELIVERY,
  DEMO_DUTY,
  DEMO_EVENT,
  DEMO_KITCHEN,
  DEMO_PITS,
  DEMO_PROBES,
  DEMO_WARMERS,
  type DemoServing,
} from './gannetPoint';

/** What the demo's guests need of each dish. */
function sizes(servings: readonly DemoServing[]) {
  const menu = {
    servings: servings.map((serving) => ({ ...serving, atMs: 0 })),
    batches: servings.flatMap((serving) =>
      serving.batches.map(({ id, cutId, methodId, label }): Batch => ({
        id,
        cutId,
        methodId,
        label,
        servingId: serving.id,
        sizedBy: 'guests',
        pieces: [],
      })),
    ),
  };
  return demandOf(menu, SHIPPED_LIBRARY, ({ id }) => (id === 'lunch' ? 'lunch' : 'supper'));
}

/** Fills an empty database with the demo, through the same doors a person uses. */
/** Schemes the demo's plan is searched among. */
const DEMO_ITERATIONS = 400;

export async function fillDemo(context: Context): Promise<void> {
  if ((await listEvents(context)).length > 0) return;
  const must = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
    if (!outcome.ok) throw new Error(`the demo was refused: ${JSON.stringify(outcome.problems)}`);
    return outcome.value;
  };
  for (const { rangeC, ...pit } of DEMO_PITS)
    must(await keepPit(context, structuredClone({ ...pit, rangeLowC: rangeC[0], rangeHighC: rangeC[1] })));
  for (const box of DEMO_BOXES) must(await keepBox(context, box));
  for (const warmer of DEMO_WARMERS) must(await keepWarmer(context, warmer));
  for (const probe of DEMO_PROBES) must(await keepProbe(context, probe));
  for (const member of DEMO_CREW) must(await keepCrew(context, member));

  const nowMs = context.nowMs();
  const weekday = new Date(clockOnDay(nowMs, DEMO_EVENT.timeZone, 0, 12)).getUTCDay();
  const dayMs = clockOnDay(nowMs, DEMO_EVENT.timeZone, DEMO_EVENT.weeksAhead * 7 + ((6 - weekday + 7) % 7), 12);
  const date = localDate(dayMs, DEMO_EVENT.timeZone);
  const { name, place, timeZone, altitudeM } = DEMO_EVENT;
  const made = must(await createEvent(context, { name, place, timeZone, date, time: '18:00', adults: 96, children: 18 }));
  must(
    await chooseEquipment(context, { eventId: made.id, pitIds: DEMO_PITS.map((pit) => pit.id), boxIds: DEMO_BOXES.map((box) => box.id) }),
  );
  const sized = sizes(DEMO_EVENT.servings);
  let event = must(
    await saveBrief(context, {
      eventId: made.id,
      revision: made.revision + 1,
      name,
      place,
      timeZone,
      altitudeM,
      confidence: 0.9,
      servings: DEMO_EVENT.servings.map(({ guests, clock, batches, ...serving }) => ({
        ...serving,
        date,
        time: clock,
        ...guests,
        marginShare: 0,
        highlySusceptible: false,
        batches: batches.map(({ id, cutId, methodId, label, pieces }) => ({
          id,
          cutId,
          methodId,
          label,
          sizedBy: pieces ? ('hand' as const) : ('guests' as const),
          pieces: Array.from({ length: pieces ?? sized.get(id)!.pieces }, (_, i) => ({ id: `${id}-${i + 1}`, kg: sized.get(id)!.pieceKg })),
        })),
      })),
    }),
  );
  event = must(
    await saveKitchen(context, {
      ...DEMO_KITCHEN,
      eventId: event.id,
      revision: event.revision,
      deliverDate: localDate(clockOnDay(dayMs, timeZone, -DEMO_DELIVERY.daysBefore, 12), timeZone),
      deliverTime: DEMO_DELIVERY.time,
    }),
  );
  const day = (daysOff: number) => localDate(clockOnDay(dayMs, timeZone, daysOff, 12), timeZone);
  event = must(
    await saveDay(context, {
      ...DEMO_DAY,
      eventId: event.id,
      revision: event.revision,
      duty: DEMO_DUTY.map(({ memberId, from, to }) => ({
        memberId,
        fromDate: day(from[0]),
        fromTime: from[1],
        toDate: day(to[0]),
        toTime: to[1],
      })),
    }),
  );
  for (const batch of DEMO_EVENT.servings.flatMap((serving) => serving.batches)) {
    const cut = findCut(batch.cutId)!;
    const kept = event.batches.find((each) => each.id === batch.id)!;
    const at = () => ({ eventId: event.id, revision: event.revision, batchId: batch.id });
    const { done: _, recipes, ...prep } = prepOf(cut, { ...kept, prep: batch.prep });
    event = must(await savePrep(context, { ...at(), ...prep, recipes: { ...recipes } }));
    if (batch.source) {
      const { shopKg = cut.typicalBoughtKg, ...buying } = buyingOf(cut, kept);
      event = must(await saveBuying(context, { ...at(), ...buying, source: batch.source, shopLowKg: shopKg[0], shopHighKg: shopKg[1] }));
    }
  }
  must(await settlePlan(context, { eventId: event.id, iterations: DEMO_ITERATIONS }));
}

import { BASE, buyingOf, findCut, prepOf, SHIPPED_LIBRARY, type Batch } from '../src/core/model';
import { demandOf } from '../src/core/quantities';
import { usualIterations } from '../src/core/schedule';
import { clockOnDay, localDate } from '../src/formats/clock';
import * as edits from '../src/document';
import type { Edit } from '../src/document';
import {
  createEvent,
  editEvent,
  importCooks,
  listEvents,
  saveBox,
  saveCrew,
  savePit,
  saveProbe,
  saveWarmer,
  planTrial,
  settlePlan,
  writeMeasure,
  type Context,
} from '../src/services';
import { replaceMadeFires } from '../src/persistence';
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
import { fillPilotsTable } from './pilotsTable';
import { seasonCsv, seasonFires, seasonMeasures } from './season';

/** What the demo's guests need of each dish. */
function sizes(servings: readonly DemoServing[]) {
  const menu = {
    servings: servings.map((serving) => ({ ...serving, atMs: 0 })),
    batches: servings.flatMap((serving) =>
      serving.batches.map(({ id, cutId, methodId, label, share }): Batch => ({
        id,
        cutId,
        methodId,
        label,
        share,
        servingId: serving.id,
        sizedBy: 'guests',
        pieces: [],
      })),
    ),
  };
  return demandOf(menu, SHIPPED_LIBRARY, ({ id }) => (id === 'lunch' ? 'lunch' : 'supper'));
}

/** Noon of a Saturday some weeks ahead, and some more where that falls among the holidays at the turn of the year. */
export function demoDayMs(nowMs: number): number {
  const { timeZone, weeksAhead } = DEMO_EVENT;
  const weekday = new Date(clockOnDay(nowMs, timeZone, 0, 12)).getUTCDay();
  for (let weeks = weeksAhead; ; weeks++) {
    const dayMs = clockOnDay(nowMs, timeZone, weeks * 7 + ((6 - weekday + 7) % 7), 12);
    const [month, day] = localDate(dayMs, timeZone).split('-').slice(1).map(Number) as [number, number];
    if (!((month === 12 && day >= 18) || (month === 1 && day <= 8))) return dayMs;
  }
}

/** Fills an empty database with the demo, by the same edits a person makes. */
export async function fillDemo(context: Context): Promise<void> {
  if ((await listEvents(context)).length > 0) return;
  const must = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
    if (!outcome.ok) throw new Error(`the demo was refused: ${JSON.stringify(outcome.problems)}`);
    return outcome.value;
  };
  for (const pit of DEMO_PITS) must(await savePit(context, pit));
  for (const box of DEMO_BOXES) must(await saveBox(context, box));
  for (const warmer of DEMO_WARMERS) must(await saveWarmer(context, warmer));
  for (const probe of DEMO_PROBES) must(await saveProbe(context, probe));
  for (const member of DEMO_CREW) must(await saveCrew(context, member));

  const nowMs = context.nowMs();
  must(await importCooks(context, { text: seasonCsv(nowMs) }));
  await context.db.write((transaction) => replaceMadeFires('season', seasonFires(nowMs), transaction));
  for (const measure of seasonMeasures(nowMs)) must(await writeMeasure(context, measure, DEMO_EVENT.timeZone));
  const dayMs = demoDayMs(nowMs);
  const date = localDate(dayMs, DEMO_EVENT.timeZone);
  const { name, place, timeZone, altitudeM } = DEMO_EVENT;
  let event = must(await createEvent(context, { name, place, timeZone, date, time: '18:00', adults: 96, children: 18 }));
  const does = async <Input>(edit: Edit<Input>, input: Input) => {
    event = must(await editEvent(context, event.id, edit, input));
  };
  await does(edits.chooseEquipment, {
    pitIds: event.pitIds,
    boxIds: event.boxIds,
    warmerIds: event.warmerIds ?? [],
    probeIds: event.probeIds ?? [],
  });
  const sized = sizes(DEMO_EVENT.servings);
  await does(edits.saveBrief, {
    name,
    place,
    timeZone,
    altitudeM,
    confidence: 0.9,
    servings: DEMO_EVENT.servings.map(({ clock, batches, ...serving }) => ({
      ...serving,
      atMs: 0,
      date,
      time: clock,
      batches: batches.map(({ id, cutId, methodId, label, share }) => ({
        id,
        servingId: serving.id,
        cutId,
        methodId,
        label,
        sizedBy: 'guests' as const,
        share,
        pieces: Array.from({ length: sized.get(id)!.pieces }, (_, i) => ({ id: `${id}-${i + 1}`, kg: sized.get(id)!.pieceKg })),
      })),
    })),
  });
  await does(edits.saveKitchen, {
    ...DEMO_KITCHEN,
    deliverDate: localDate(clockOnDay(dayMs, timeZone, -DEMO_DELIVERY.daysBefore, 12), timeZone),
    deliverTime: DEMO_DELIVERY.time,
  });
  const day = (daysOff: number) => localDate(clockOnDay(dayMs, timeZone, daysOff, 12), timeZone);
  await does(edits.saveDay, {
    ...DEMO_DAY,
    places: [{ ...BASE }],
    roads: [],
    servedAt: [],
    standing: [],
    duty: DEMO_DUTY.map(({ memberId, from, to }) => ({
      memberId,
      fromDate: day(from[0]),
      fromTime: from[1],
      toDate: day(to[0]),
      toTime: to[1],
    })),
  });
  for (const batch of DEMO_EVENT.servings.flatMap((serving) => serving.batches)) {
    const cut = findCut(batch.cutId)!;
    const stored = event.batches.find((each) => each.id === batch.id)!;
    const { done: _, ...prep } = prepOf(cut, { ...stored, prep: batch.prep });
    await does(edits.savePrep, { batchId: batch.id, ...prep });
    const { shopKg = cut.typicalBoughtKg, ...buying } = buyingOf(cut, stored);
    if (batch.source) await does(edits.saveBuying, { batchId: batch.id, ...buying, shopKg, source: batch.source });
  }
  must(await settlePlan(context, { eventId: event.id, iterations: usualIterations(event.batches.length) }));
  must(
    await planTrial(context, {
      name: 'Kelp in the rub',
      kind: 'rubs',
      first: 'Harbour rub',
      second: 'Harbour rub with kelp',
      eventId: event.id,
      batchId: 'ribs',
      tasters: 14,
      traits: ['bark', 'smoke', 'taste'],
    }),
  );
  await fillPilotsTable(context);
}

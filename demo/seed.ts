import { findCut } from '../src/core/model';
import { needFor } from '../src/core/quantities';
import { clockOnDay, localDate } from '../src/formats/clock';
import { chooseEquipment, createEvent, keepBox, keepPit, listEvents, saveBrief } from '../src/services';
import { house as openHouse } from '../src/runtime/house';
import { DEMO_BOXES, DEMO_EVENT, DEMO_PITS } from './gannetPoint';

/** Fills an empty database with the demo, through the same doors a person uses. */
async function seed(): Promise<void> {
  const house = await openHouse();
  if ((await listEvents(house)).length > 0) return;
  const must = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
    if (!outcome.ok) throw new Error(`the demo was refused: ${JSON.stringify(outcome.problems)}`);
    return outcome.value;
  };
  for (const { rangeC, ...pit } of DEMO_PITS) must(await keepPit(house, { ...pit, rangeLowC: rangeC[0], rangeHighC: rangeC[1] }));
  for (const box of DEMO_BOXES) must(await keepBox(house, box));

  const nowMs = house.nowMs();
  const weekday = new Date(clockOnDay(nowMs, DEMO_EVENT.timeZone, 0, 12)).getUTCDay();
  const dayMs = clockOnDay(nowMs, DEMO_EVENT.timeZone, DEMO_EVENT.weeksAhead * 7 + ((6 - weekday + 7) % 7), 12);
  const date = localDate(dayMs, DEMO_EVENT.timeZone);
  const { name, place, timeZone, altitudeM } = DEMO_EVENT;
  const made = must(await createEvent(house, { name, place, timeZone, date, time: '18:00', adults: 96, children: 18 }));
  must(await chooseEquipment(house, { eventId: made.id, pitIds: DEMO_PITS.map((pit) => pit.id), boxIds: DEMO_BOXES.map((box) => box.id) }));
  must(
    await saveBrief(house, {
      eventId: made.id,
      revision: made.revision + 1,
      name,
      place,
      timeZone,
      altitudeM,
      confidence: 0.9,
      servings: DEMO_EVENT.servings.map(({ guests, clock, batches, buffet, ...serving }) => ({
        ...serving,
        date,
        time: clock,
        buffet,
        ...guests,
        batches: batches.map((batch) => {
          const cut = findCut(batch.cutId)!;
          const meats = batches.filter((each) => findCut(each.cutId)!.species !== 'dish').length;
          const need = needFor({ cut, guests, buffet, meats, meal: serving.id === 'lunch' ? 'lunch' : 'supper' });
          const count = batch.pieces ?? need.pieces;
          return {
            id: batch.id,
            cutId: batch.cutId,
            methodId: batch.methodId,
            label: batch.label,
            sizedBy: batch.pieces ? ('hand' as const) : ('guests' as const),
            pieces: Array.from({ length: count }, (_, i) => ({ id: `${batch.id}-${i + 1}`, kg: need.pieceKg })),
          };
        }),
      })),
    }),
  );
  await house.db.close();
}

await seed();

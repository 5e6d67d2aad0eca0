import { openDatabase, initTables } from '../../src/persistence';
import { deleteEvent, importEvent, recordEntries, settlePlan, startDay, type Context } from '../../src/services';
import { simulatedHub } from '../../src/runtime/dayRoom';
import { loadDay } from '../../src/persistence';
import { writeEventFile } from '../../src/formats/open';
import { smallSupperFile } from '../fixtures/day';
import { ownPlanner } from '../fixtures/planner';

/** Puts an event into the served database whose day is about to begin on the simulated world, and says its id. For the browser tests. */
const MIN = 60_000;
const db = await openDatabase(process.argv[2]!);
initTables(db.sequelize);
const realMs = Date.now();
let next = 0;
const context: Context = { db, planner: ownPlanner, nowMs: () => realMs, newId: () => `lived-${realMs}-${++next}` };
// What its file brought goes when it goes: the flows after it find the house as it was.
const gone = process.argv[3];
if (gone !== undefined) {
  await deleteEvent(context, gone);
  await db.close();
  process.exit(0);
}
const file = smallSupperFile();
// The same day, from now on.
const shift = Math.ceil((realMs + 13.5 * 60 * MIN) / (15 * MIN)) * 15 * MIN - file.servings[0]!.atMs;
const moved = JSON.parse(writeEventFile(file), (key, value: unknown) =>
  typeof value === 'string' && /^20\d\d-\d\d-\d\dT/.test(value) ? new Date(Date.parse(value) + shift).toISOString() : value,
) as { name: string };
moved.name = 'A lived supper';
const made = await importEvent(context, { text: JSON.stringify(moved) });
if (!made.ok) throw new Error(JSON.stringify(made.problems));
const eventId = made.value.id;
await settlePlan(context, { eventId, iterations: 20 });
const startedAtMs = realMs;
const started = await startDay(context, {
  eventId,
  by: 'Ada',
  startedAtMs,
  clock: {
    mode: 'simulated',
    seed: 5,
    worldStartMs: startedAtMs,
    realFromMs: realMs,
    dayFromMs: realMs,
    speed: 1,
    crew: 'tends',
    faults: [],
  },
});
if (!started.ok) throw new Error(JSON.stringify(started.problems));
const { kept } = (await loadDay(eventId))!;
const channel = (name: string, where: object) => ({
  id: `channel-${name}`,
  atMs: startedAtMs,
  by: 'Ada',
  deed: { kind: 'channel' as const, deviceId: simulatedHub(eventId), channel: name, ...where },
});
const butt = kept.plan.runs.find((run) => run.batchId.startsWith('butt'))!;
await recordEntries(context, {
  eventId,
  entries: [
    channel('1', { piece: `${butt.batchId}/${butt.pieceIds[0]}`, spot: 'thickest' }),
    channel('pit', { pitId: kept.input.pits[0]!.id }),
  ],
});
// A probe that slips out, and a fire that fails later: the day has to notice. Both last for hours, so that whoever lives
// the day at six hundred times its speed cannot miss them.
const onMs = butt.onAtMs;
const fireFailsMs = onMs + 320 * MIN;
await db.write(async (transaction) => {
  const { saveClock } = await import('../../src/persistence');
  await saveClock(
    eventId,
    {
      mode: 'simulated',
      seed: 5,
      worldStartMs: startedAtMs,
      realFromMs: realMs,
      dayFromMs: realMs,
      speed: 1,
      crew: 'tends',
      faults: [
        { kind: 'probe', channel: '1', fault: 'slipsOut', fromMs: onMs + 100 * MIN, toMs: onMs + 310 * MIN },
        { kind: 'fireFails', pitId: kept.input.pits[0]!.id, fromMs: fireFailsMs, toMs: fireFailsMs + 120 * MIN },
      ],
    },
    transaction,
  );
});
console.log(JSON.stringify({ eventId, fireFailsMs }));
await db.close();

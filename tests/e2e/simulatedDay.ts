import { addEntries, initTables, loadDay, openDatabase, saveClock } from '../../src/persistence';
import { deleteEvent, importEvent, keepReadings, recordEntries, settlePlan, startDay, type Context } from '../../src/services';
import { liveDay } from '../../src/devices/simulated/livedDay';
import { simulatedHub } from '../../src/runtime/dayRoom';
import { writeEventFile } from '../../src/formats/open';
import { smallSupperFile } from '../fixtures/day';
import { ownPlanner } from '../fixtures/planner';

/**
 * For the browser tests: puts an event into the served database and says its id. `begins`: its day is about to begin on the simulated world,
 * with faults to come; `served`: its day was lived on it, all carved, and nobody has ended it. `forget <id> ...` takes them out again.
 */
const MIN = 60_000;
const [file, what, ...gone] = process.argv.slice(2) as [string, 'begins' | 'served' | 'forget', ...string[]];
const db = await openDatabase(file);
initTables(db.sequelize);
const realMs = Date.now();
let next = 0;
let nowMs = realMs;
const context: Context = { db, planner: ownPlanner, nowMs: () => nowMs, newId: () => `lived-${realMs}-${++next}` };
const must = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
};
if (what === 'begins') console.log(JSON.stringify(await begins()));
else if (what === 'served') console.log(JSON.stringify(await served()));
// What its file brought goes when it goes: the flows after it find the house as it was.
else for (const id of gone) await deleteEvent(context, id);
await db.close();

/** A small supper whose serving is so many minutes from now, with a settled plan. */
async function aSupper(name: string, servedInMin: number): Promise<string> {
  const supper = smallSupperFile();
  const shift = Math.ceil((realMs + servedInMin * MIN) / (15 * MIN)) * 15 * MIN - supper.servings[0]!.atMs;
  const moved = JSON.parse(writeEventFile(supper), (_, value: unknown) =>
    typeof value === 'string' && /^20\d\d-\d\d-\d\dT/.test(value) ? new Date(Date.parse(value) + shift).toISOString() : value,
  ) as { name: string };
  const { id } = must(await importEvent(context, { text: JSON.stringify({ ...moved, name }) }));
  must(await settlePlan(context, { eventId: id, iterations: 20 }));
  return id;
}

async function begins() {
  const eventId = await aSupper('A lived supper', 13.5 * 60);
  const startedAtMs = realMs;
  const clock = {
    mode: 'simulated' as const,
    seed: 5,
    worldStartMs: startedAtMs,
    realFromMs: realMs,
    dayFromMs: realMs,
    speed: 1,
    crew: 'tends' as const,
    faults: [],
  };
  must(await startDay(context, { eventId, by: 'Ada', startedAtMs, clock }));
  const { kept } = (await loadDay(eventId))!;
  const channel = (name: string, where: object) => ({
    id: `channel-${name}`,
    atMs: startedAtMs,
    by: 'Ada',
    deed: { kind: 'channel' as const, deviceId: simulatedHub(eventId), channel: name, ...where },
  });
  const butt = kept.plan.runs.find((run) => run.batchId.startsWith('butt'))!;
  const entries = [
    channel('1', { piece: `${butt.batchId}/${butt.pieceIds[0]}`, spot: 'thickest' }),
    channel('pit', { pitId: kept.input.pits[0]!.id }),
  ];
  must(await recordEntries(context, { eventId, entries }));
  // A probe that slips out, and a fire that fails later: the day has to notice. Both last for hours, so that whoever lives
  // the day at six hundred times its speed cannot miss them.
  const { onAtMs } = butt;
  const fireFailsMs = onAtMs + 320 * MIN;
  const faults = [
    { kind: 'probe' as const, channel: '1', fault: 'slipsOut' as const, fromMs: onAtMs + 100 * MIN, toMs: onAtMs + 310 * MIN },
    { kind: 'fireFails' as const, pitId: kept.input.pits[0]!.id, fromMs: fireFailsMs, toMs: fireFailsMs + 120 * MIN },
  ];
  await db.write((transaction) => saveClock(eventId, { ...clock, faults }, transaction));
  return { eventId, fireFailsMs };
}

async function served() {
  nowMs = realMs - 15 * 60 * MIN;
  const eventId = await aSupper('A served supper', -75);
  const startedAtMs = nowMs;
  must(
    await startDay(context, {
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
    }),
  );
  const { kept } = (await loadDay(eventId))!;
  const deviceId = simulatedHub(eventId);
  const butt = kept.plan.runs.find((run) => run.batchId.startsWith('butt'))!;
  const lived = liveDay(kept, {
    seed: 5,
    startMs: startedAtMs,
    untilMs: realMs,
    deviceId,
    everyS: 60,
    by: 'Ada',
    channels: [
      { kind: 'channel', deviceId, channel: '1', piece: `${butt.batchId}/${butt.pieceIds[0]}`, spot: 'thickest' },
      { kind: 'channel', deviceId, channel: 'pit', pitId: kept.input.pits[0]!.id },
    ],
  });
  await keepReadings(context, lived.readings);
  await db.write((transaction) => addEntries(eventId, lived.journal.entries.slice(1), realMs, transaction));
  return { eventId };
}

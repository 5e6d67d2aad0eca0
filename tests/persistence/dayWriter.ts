import { addEntries, createDay, openDatabase, saveEvent, saveReadings, loadDay } from '../../src/persistence';
import type { KeptDay } from '../../src/core/day';
import { eventOf, batchOf } from '../fixtures/events';

/** In the middle of a day: writes entries and readings one after another and says each once it is confirmed. Killed from outside. */
const [file, from] = [process.argv[2]!, Number(process.argv[3])];
const db = await openDatabase(file);
const event = eventOf([batchOf('pork-butt', 2)], { id: 'supper' });
await db.write(async (transaction) => {
  if (await loadDay('supper', transaction)) return;
  await saveEvent(event, 1, transaction);
  const kept = { id: 'kept', input: { event, earliestMs: 0 }, plan: { runs: [] }, seed: 1 } as unknown as KeptDay;
  await createDay({ eventId: 'supper', kept, clock: { mode: 'real' }, startedAtMs: 1 }, transaction);
});
for (let i = from; ; i++) {
  const entry = { id: `entry-${i}`, atMs: i, by: 'Ada', source: 'crew' as const, deed: { kind: 'note' as const, text: `note ${i}` } };
  await db.write(async (transaction) => {
    await addEntries('supper', [entry], i, transaction);
    await saveReadings(db.sequelize, [{ deviceId: 'hub', channel: '1', atMs: i * 60_000, tempC: 60 }], transaction);
  });
  console.log(i);
}

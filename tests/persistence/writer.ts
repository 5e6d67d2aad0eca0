import { openDatabase, saveEvent } from '../../src/persistence';
import { batchOf, eventOf } from '../fixtures/events';

/** Writes events one after another and says each id once it is confirmed. Killed from outside. */
const db = await openDatabase(process.argv[2]!);
for (let i = 0; ; i++) {
  const id = `event-${i}`;
  await db.write((transaction) => saveEvent(eventOf([batchOf('pork-butt', 3), batchOf('brisket-whole', 2)], { id }), i, transaction));
  console.log(id);
}

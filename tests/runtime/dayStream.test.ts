import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { DayRoom } from '../../src/runtime/dayRoom';
import { aBegunDay } from '../fixtures/context';

/** The stream of a day as its route answers it, read as slowly as a phone with one bar of signal. */
const NOW = Date.parse('2027-06-19T04:00:00-03:00');
let folder: string;
let eventId: string;
let room: DayRoom;
let close: () => Promise<void>;
beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-stream-'));
  process.env.ANACHRON_DB = path.join(folder, 'house.sqlite');
  const { context } = await import('../../src/runtime/context');
  const { dayHouse } = await import('../../src/runtime/dayHouse');
  const opened = await context();
  eventId = await aBegunDay({ ...opened, nowMs: () => NOW });
  room = (await dayHouse(opened).room(eventId))!;
  close = () => opened.db.close();
});
afterAll(async () => {
  await close();
  rmSync(folder, { recursive: true, force: true });
  delete process.env.ANACHRON_DB;
});

const happens = (id: string) => room.take([{ id, atMs: NOW, by: 'Ada', source: 'crew', deed: { kind: 'note', text: id } }]);

async function opened(since?: number, eventOf = eventId) {
  const { GET } = await import('../../src/app/days/[eventId]/stream/route');
  const query = since === undefined ? '' : `?since=${since}`;
  const answer = await GET(new Request(`http://127.0.0.1/days/${eventOf}/stream${query}`), {
    params: Promise.resolve({ eventId: eventOf }),
  });
  const reader = answer.body?.getReader();
  const read = async () => new TextDecoder().decode((await reader!.read()).value);
  return { answer, reader: reader!, read };
}

it('begins with the time and the day, and whoever reads slowly gets the newest, not what came between', async () => {
  const { reader, read } = await opened();
  expect(await read()).toMatch(/^retry: 1500\nevent: clock\ndata: \d+\n\n$/);
  expect(await read()).toMatch(/^id: \d+\nevent: day\ndata: \{"nowMs":\d+,/);
  for (let i = 0; i < 20; i++) happens(`n${i}`);
  const waiting = await read();
  const [after] = await Promise.all([read(), Promise.resolve().then(() => happens('last'))]);
  // One was on its way when the others came; the next is the newest.
  expect(waiting).toContain('"id":"n0"');
  expect(after).toContain('"id":"n19"');
  expect([waiting, after].join().match(/event: day/g)).toHaveLength(2);
  await reader.cancel();
  expect(room.watchers.count).toBe(0);
});

it('sends nothing anew to whoever comes back having seen it all, and what is newer to whoever has not', async () => {
  const { version } = room.current();
  const back = await opened(version);
  await back.read();
  const next = back.read();
  happens('news');
  expect(await next).toContain('"id":"news"');
  await back.reader.cancel();
  const late = await opened(version);
  await late.read();
  expect(await late.read()).toContain('"id":"news"');
  await late.reader.cancel();
});

it('ends when its room is no more, and is refused where no day is under way', async () => {
  const { reader, read } = await opened();
  await read();
  await read();
  room.watchers.letGo();
  expect((await reader.read()).done).toBe(true);
  expect((await opened(undefined, 'nobody')).answer.status).toBe(404);
});

import { spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, statSync, writeFileSync, writeSync } from 'node:fs';
import path from 'node:path';
import { bareConnection } from '../../src/persistence/bareConnection';
import { House, noteOf, pause, tell, type Person, type Verdict } from './house';

interface Seen {
  day: { fault?: string; nowMs: number; clockSet?: { byMs: number }; journal: { id: string; atMs: number }[] };
}
const HOUR_MS = 3_600_000;

/** What goes wrong in the middle of a day, done to the program itself, and looked at from a phone in the yard. */
export async function realFaults(port: number): Promise<Verdict> {
  const clock = path.join(path.resolve('tests/torture'), 'setClock.mjs');
  const probe = new House(port);
  const clockFile = path.join(probe.folder, 'set-by-ms');
  const house = new House(port, { NODE_OPTIONS: `--import ${clock}`, TORTURE_CLOCK: clockFile });
  const faults: string[] = [];
  const met: string[] = [];
  const must = (holds: boolean, what: string) => void (holds ? undefined : faults.push(what));
  let bo: Person;
  let dayId: string;
  const state = async () => ((await (await bo.ask(`/days/${dayId}/state?since=0`)).json()) as Seen).day;
  /** Waits for the state as a phone sees it. */
  const sees = async (what: string, holds: (day: Seen['day']) => boolean, withinMs = 20_000) => {
    for (const until = Date.now() + withinMs; Date.now() < until; await pause(250)) if (holds(await state())) return;
    faults.push(`a phone does not see ${what}: ${JSON.stringify(await state()).slice(0, 200)}`);
  };
  const tapped = async (id: string) => {
    const { nowMs } = await state();
    const answer = await tell(bo, dayId, [noteOf(id, 'Bo', nowMs)], nowMs);
    return { status: answer.status, text: await answer.text() };
  };
  /** Not taken, in words; seen on every phone; and once it is over, the same tap counts once. */
  const survives = async (code: string, words: RegExp, over: () => Promise<void> | void) => {
    const id = `during-${code}`;
    const refused = await tapped(id);
    must(
      refused.status === 503 && words.test(refused.text),
      `${code}: a tap was answered with ${refused.status} ${refused.text.slice(0, 160)}`,
    );
    await sees(code, (day) => day.fault === code);
    await over();
    await sees(`that ${code} is over`, (day) => day.fault === undefined);
    for (let i = 0; i < 2; i++) must((await tapped(id)).status === 200, `${code}: the tap is not taken afterwards`);
    const kept = await house.rows<{ n: number }>(`SELECT COUNT(*) AS n FROM day_entries WHERE entry_id = '${id}'`);
    must(kept[0]!.n === 1, `${code}: the tap counts ${kept[0]!.n} times`);
    met.push(code);
  };
  try {
    await house.start();
    await house.openYard();
    bo = await house.joins('Bo', 'cook');
    dayId = await house.dayId();
    await tapped('before');

    const holder = await bareConnection(house.database, 5000);
    await holder.ask('BEGIN EXCLUSIVE');
    await survives('databaseBusy', /Another program holds/, async () => {
      await holder.ask('ROLLBACK');
      await holder.close();
    });

    const ends = ['', '-wal', '-shm'].filter((end) => existsSync(house.database + end));
    for (const end of ends) renameSync(house.database + end, `${house.database}.away${end}`);
    await survives('databaseGone', /moved or deleted/, () => {
      for (const end of ends) renameSync(`${house.database}.away${end}`, house.database + end);
    });

    const second = spawnSync(process.execPath, ['scripts/serve.mjs'], {
      env: { ...process.env, PORT: String(port + 1), ANACHRON_DB: house.database },
      encoding: 'utf8',
    });
    const told = `${second.stdout}${second.stderr}`;
    must(
      second.status !== 0 && told.includes(`is served already, at http://127.0.0.1:${port}`),
      `a second program: ${second.status} ${told}`,
    );
    met.push('a second program');

    const before = await state();
    for (const byMs of [-2 * HOUR_MS, 3 * HOUR_MS]) {
      writeFileSync(clockFile, String(byMs));
      await sees(`that the clock was set by ${byMs}`, (day) => Math.abs((day.clockSet?.byMs ?? 0) - byMs) < 10_000);
      const day = await state();
      must(Math.abs(day.nowMs - before.nowMs) < 120_000, `the day's time jumped by ${day.nowMs - before.nowMs} ms`);
      must((await tapped(`clock${byMs}`)).status === 200, 'a tap under a clock that was set is not taken');
      const kept = (await state()).journal.find((each) => each.id === `clock${byMs}`);
      must(Math.abs((kept?.atMs ?? 0) - day.nowMs) < 5000, `a tap under a clock that was set is of ${kept?.atMs}, not of ${day.nowMs}`);
      // Started anew it is not believed either.
      await house.stop();
      await house.start();
      const again = await state();
      must(Math.abs(again.nowMs - before.nowMs) < 180_000 && again.clockSet !== undefined, `after a start the day is at ${again.nowMs}`);
      writeFileSync(clockFile, '0');
      await sees('that the clock is right again', (each) => each.clockSet === undefined);
    }
    met.push('a clock set back, and ahead');

    const disk = path.join(probe.folder, 'disk');
    mkdirSync(disk);
    if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', disk]).status === 0) {
      try {
        await onFullDisk(port + 2, path.join(disk, 'house.sqlite'), must);
        met.push('a disk that is full');
      } finally {
        spawnSync('umount', ['-l', disk]);
      }
    }

    const copy = await house.act<{ name: string }>('makeCopy');
    must(copy.ok, `no copy: ${JSON.stringify(copy)}`);
    await tapped('after the copy');
    await spoil(house.database);
    for (let i = 0; i < 40 && (await tapped(`spoilt-${i}`)).status === 200; i++) await pause(50);
    const refused = await tapped('spoilt');
    must(
      refused.status === 503 && refused.text.includes('npm run restore'),
      `a damaged file: ${refused.status} ${refused.text.slice(0, 160)}`,
    );
    await sees('that the file is damaged', (day) => day.fault === 'databaseDamaged');
    await house.stop();
    const name = copy.ok ? copy.value.name : '';
    const restored = spawnSync('npm', ['run', '--silent', 'restore', '--', name], {
      env: { ...process.env, ANACHRON_DB: house.database },
      encoding: 'utf8',
    });
    must(restored.status === 0 && restored.stdout.includes('What was there lies in'), `restore: ${restored.stdout} ${restored.stderr}`);
    await house.start();
    const [kept] = await house.rows<{ n: number }>("SELECT COUNT(*) AS n FROM day_entries WHERE entry_id = 'before'");
    must(kept?.n === 1, 'the copy that was put back does not hold what it should');
    met.push('a damaged file, and its copy put back');
  } finally {
    await house.leave();
    await probe.leave();
  }
  return { figures: `met in words on the phone, and lived through: ${met.join('; ')}; ${faults.length} faults`, faults };
}

/** A house of its own on a disk of its own, which somebody fills. */
async function onFullDisk(port: number, database: string, must: (holds: boolean, what: string) => void): Promise<void> {
  const house = new House(port, { ANACHRON_DB: database });
  try {
    await house.start();
    const dayId = (await (await house.owner.ask('/')).text()).match(/\/events\/([\w-]+)[^>]*>[^<]*pilots/)![1]!;
    const filler = path.join(path.dirname(database), 'photos');
    spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=64k']);
    let refused = { status: 200, text: '' };
    for (let i = 0; i < 400 && refused.status === 200; i++) {
      const answer = await tell(house.owner, dayId, [noteOf(`full-${i}`, 'Ada', Date.now(), 'a long note, '.repeat(40))]);
      refused = { status: answer.status, text: await answer.text() };
    }
    must(refused.status === 503 && /disk is full/.test(refused.text), `a full disk: ${refused.status} ${refused.text.slice(0, 160)}`);
    spawnSync('rm', [filler]);
    await pause(6000);
    const answer = await tell(house.owner, dayId, [noteOf('room-again', 'Ada', Date.now())]);
    must(answer.status === 200, `with room again: ${answer.status}`);
  } finally {
    await house.stop();
  }
}

/** Writes nonsense over all of a database but its first page, and over what waits to be put into it. */
async function spoil(database: string): Promise<void> {
  const beside = await bareConnection(database, 5000);
  await beside.ask('PRAGMA wal_checkpoint(TRUNCATE)');
  await beside.close();
  const disk = openSync(database, 'r+');
  for (let at = 4096; at < statSync(database).size; at += 4096) writeSync(disk, Buffer.alloc(4096, 0x5a), 0, 4096, at);
  closeSync(disk);
  if (existsSync(`${database}-wal`) && readFileSync(`${database}-wal`).length > 0)
    writeFileSync(`${database}-wal`, Buffer.alloc(4096, 0x5a));
}

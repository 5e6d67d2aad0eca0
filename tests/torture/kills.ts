import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadEntries, loadEvent, openDatabase } from '../../src/persistence';
import { House, noteOf, pause, tell, type Verdict } from './house';

/** Two writers at once on one database, one of events and one of a day, killed in the middle, again and again. */
export async function killWriters(times: number): Promise<Verdict> {
  const folder = mkdtempSync(path.join(tmpdir(), 'anachron-kills-'));
  let confirmed = 0;
  const faults: string[] = [];
  const file = path.join(folder, 'house.sqlite');
  const dayFile = path.join(folder, 'day.sqlite');
  const written: number[] = [];
  for (let time = 0; time < times; time++) {
    const from = time * 1000;
    const [ids, entries] = await Promise.all([
      killedAfter(5 + (time % 30), 'tests/persistence/writer.ts', file),
      killedAfter(3 + (time % 17), 'tests/persistence/dayWriter.ts', dayFile, String(from)),
    ]);
    const db = await openDatabase(file);
    for (const id of ids.filter((each) => each.startsWith('event-')))
      if ((await loadEvent(id))?.batches.map((batch) => batch.pieces.length).join() !== '3,2') faults.push(`${id} of kill ${time}`);
    await db.close();
    written.push(...entries.map(Number));
    confirmed += ids.length + entries.length;
  }
  const db = await openDatabase(dayFile);
  const kept = new Set((await loadEntries('supper')).map((entry) => entry.id));
  for (const i of written) if (!kept.has(`entry-${i}`)) faults.push(`entry ${i}`);
  await db.close();
  rmSync(folder, { recursive: true, force: true });
  return { figures: `${2 * times} writers killed in the middle of writes: ${confirmed} confirmed, ${faults.length} lost`, faults };
}

function killedAfter(enough: number, script: string, ...args: string[]): Promise<string[]> {
  return new Promise((resolve) => {
    const writer = spawn(process.execPath, ['--import', 'tsx', script, ...args], { stdio: ['ignore', 'pipe', 'inherit'] });
    let said = '';
    const lines = () => said.split('\n').slice(0, -1);
    writer.stdout.on('data', (text: Buffer) => {
      said += text.toString();
      if (lines().length >= enough) writer.kill('SIGKILL');
    });
    writer.on('exit', () => resolve(lines()));
  });
}

/** The program itself killed while phones tap and the owner edits. What was answered with 200 is there; what was not is sent again and counts once. */
export async function killHouse(port: number, times: number): Promise<Verdict> {
  const house = new House(port);
  const faults: string[] = [];
  const confirmed = new Set<string>();
  let [edits, allEdits] = [0, 0];
  try {
    await house.start();
    await house.openYard();
    const phones = await Promise.all(['Ada', 'Bo', 'Cy', 'Di'].map((name) => house.joins(name, 'helper')));
    const [dayId, eventId] = [await house.dayId(), await house.eventId()];
    for (let time = 0; time < times; time++) {
      let alive = true;
      const taps = phones.map(async (phone) => {
        for (let i = 0; alive; i++) {
          const id = `${phone.name}-${time}-${i}`;
          // As a phone does that got no answer: the same again, under the same id.
          const sent = async () => (await tell(phone, dayId, [noteOf(id, phone.name, Date.now())])).status === 200;
          if (await sent().catch(() => false)) confirmed.add(id);
          else if (alive) await pause(20);
        }
      });
      const editing = (async () => {
        while (alive) {
          const altitudeM = await edited(house, eventId, (edits + 1) % 900).catch(() => undefined);
          if (altitudeM === undefined) continue;
          edits++;
          allEdits++;
        }
      })();
      // Only once it is warm is there anything to be killed in the middle of.
      const before = confirmed.size;
      for (let i = 0; i < 400 && confirmed.size < before + phones.length; i++) await pause(25);
      await pause(150 + ((time * 537) % 2500));
      await house.kill();
      alive = false;
      await Promise.all([...taps, editing]);
      await house.start();
      const kept = new Set((await house.rows<{ entry_id: string }>('SELECT entry_id FROM day_entries')).map((row) => row.entry_id));
      for (const id of confirmed) if (!kept.has(id)) faults.push(`entry ${id} after kill ${time}`);
      const [check] = await house.rows<{ integrity_check: string }>('PRAGMA integrity_check');
      if (check?.integrity_check !== 'ok') faults.push(`the file after kill ${time}: ${check?.integrity_check}`);
      const [event] = await house.rows<{ body: string }>(`SELECT body FROM events WHERE id = '${eventId}'`);
      const { altitudeM } = JSON.parse(event!.body) as { altitudeM: number };
      // The last edit may have been written without an answer, never the other way round.
      if (edits > 0 && altitudeM !== edits % 900 && altitudeM !== (edits + 1) % 900)
        faults.push(`the edit ${edits} after kill ${time} (${altitudeM})`);
      edits = altitudeM;
    }
  } finally {
    await house.leave();
  }
  return {
    figures: `the program killed ${times} times under 4 phones and an owner who edits: ${confirmed.size} entries and ${allEdits} edits confirmed, ${faults.length} faults`,
    faults,
  };
}

async function edited(house: House, eventId: string, altitudeM: number): Promise<number | undefined> {
  const { value } = (await (await house.owner.ask(`/events/${eventId}/edits`)).json()) as {
    value: { event: { revision: number; altitudeM: number } };
  };
  const changes = [{ path: ['altitudeM'], from: value.event.altitudeM, to: altitudeM }];
  const saved = await house.owner.ask(`/events/${eventId}/edits`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ eventId, revision: value.event.revision, changes }),
  });
  await saved.text();
  return saved.status === 200 ? altitudeM : undefined;
}

import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { loadEntries, loadMinutes, openDatabase } from '../../src/persistence';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-killed-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const KILLS = 50;
/** Killed while it writes, after so many were confirmed. */
const confirmedBefore = (round: number) => 1 + ((round * 7) % 6);

/** Runs the writer from a number on, kills it in the middle, and says what it had confirmed last. */
function writeAndKill(file: string, from: number, after: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const writer = spawn(process.execPath, ['--import', 'tsx', 'tests/persistence/dayWriter.ts', file, String(from)], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let last = from - 1;
    let said = '';
    writer.stdout.on('data', (text: Buffer) => {
      said += text.toString();
      const lines = said.split('\n').slice(0, -1);
      last = Number(lines.at(-1) ?? from - 1);
      if (lines.length >= after) writer.kill('SIGKILL');
    });
    writer.on('exit', (code, signal) => (signal === 'SIGKILL' ? resolve(last) : reject(new Error(`the writer stopped with ${code}`))));
  });
}

it(
  'a day whose program is killed in the middle of writing loses nothing that was confirmed, fifty times',
  { timeout: 300_000 },
  async () => {
    const file = path.join(folder, 'house.sqlite');
    let confirmed = -1;
    const sure: number[] = [];
    for (let round = 0; round < KILLS; round++) {
      const from = confirmed + 1 + round * 1000;
      confirmed = await writeAndKill(file, from, confirmedBefore(round));
      for (let i = from; i <= confirmed; i++) sure.push(i);
      if (round % 10 !== 9) continue;
      const db = await openDatabase(file);
      const entries = new Set((await loadEntries('supper')).map((entry) => entry.atMs));
      const minutes = new Set((await loadMinutes(db.sequelize, ['hub'], 0, 1e13)).map((each) => each.atMs / 60_000));
      // Entries and their readings came in one transaction: neither is ever there alone.
      expect(sure.filter((i) => !entries.has(i) || !minutes.has(i))).toEqual([]);
      expect(entries.size).toBe(minutes.size);
      await db.close();
    }
  },
);

import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadEvent, openDatabase } from '../../src/persistence';

/** `tsx tests/hostile/kills.ts [times]`: a writer killed in the middle of its writes, again and again on one database. */
const TIMES = Number(process.argv[2] ?? 100);

async function main(): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'anachron-kills-'));
  const file = path.join(folder, 'house.sqlite');
  let [confirmed, lost] = [0, 0];
  for (let time = 0; time < TIMES; time++) {
    const writer = spawn(process.execPath, ['--import', 'tsx', 'tests/persistence/writer.ts', file], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const ids: string[] = [];
    const enough = 5 + (time % 30);
    await new Promise<void>((resolve) => {
      writer.stdout.on('data', (text: Buffer) => {
        ids.push(
          ...text
            .toString()
            .split('\n')
            .filter((line) => line.startsWith('event-')),
        );
        if (ids.length >= enough) writer.kill('SIGKILL');
      });
      writer.on('exit', () => resolve());
    });
    const db = await openDatabase(file);
    for (const id of ids) if ((await loadEvent(id))?.batches.map((batch) => batch.pieces.length).join() !== '3,2') lost++;
    confirmed += ids.length;
    await db.close();
  }
  rmSync(folder, { recursive: true, force: true });
  console.log(`${TIMES} kills, ${confirmed} writes confirmed, ${lost} lost`);
  process.exit(lost > 0 ? 1 : 0);
}

void main();

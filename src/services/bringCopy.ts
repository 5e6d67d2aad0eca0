import { createReadStream, mkdirSync, renameSync, rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { failure, success, type Outcome } from '../core/outcome';
import { openFault, OpenRefused, readCopy, type CopyContents } from '../persistence';
import type { Context } from './context';
import { copiesFolder, copyName, type Copy } from './copies';
import { buildFromHouse } from './houseFile';

const LONGEST_BYTES = 2e9;
const SQLITE = 'SQLite format 3\0';
const ARCHIVE = 'PK';

/**
 * A copy, or an archive of open files, from elsewhere: taken in as it comes, looked through, and listed among the copies. Nothing
 * is replaced by it until it is put back.
 */
export async function bringCopy(context: Context, file: string, body: AsyncIterable<Uint8Array>): Promise<Outcome<Copy & CopyContents>> {
  const folder = copiesFolder(file);
  const name = copyName('brought', context.nowMs());
  const [target, arriving] = [path.join(folder, name), path.join(folder, `${name}.arriving`)];
  const making = `${target}.making`;
  try {
    mkdirSync(folder, { recursive: true });
    const start = await keep(body, arriving);
    if (start.startsWith(SQLITE)) renameSync(arriving, making);
    else if (start.startsWith(ARCHIVE)) await buildFromHouse(createReadStream(arriving), making);
    else throw new OpenRefused('This is neither a copy nor an archive of a house.');
    const contents = await readCopy(making);
    renameSync(making, target);
    return success({ name, madeAtMs: context.nowMs(), ...contents });
  } catch (error) {
    const fault = openFault(error, 'What was sent');
    if (!(fault instanceof OpenRefused)) throw fault;
    const said = /is damaged/.test(fault.message) ? 'It is damaged: it cannot be read to its end.' : fault.message.replaceAll(making, 'It');
    return failure({ code: 'copyRefused', message: `${said} All is as it was.` });
  } finally {
    for (const left of [arriving, making]) for (const end of ['', '-wal', '-shm', '-journal']) rmSync(left + end, { force: true });
  }
}

/** Writes what comes to disk as it comes; returns how it begins. */
async function keep(body: AsyncIterable<Uint8Array>, target: string): Promise<string> {
  const disk = await open(target, 'w');
  try {
    let [start, bytes] = ['', 0];
    for await (const chunk of body) {
      bytes += chunk.length;
      if (bytes > LONGEST_BYTES) throw new OpenRefused('This is larger than 2 GB, the most that is taken.');
      if (start.length < SQLITE.length) start += Buffer.from(chunk.subarray(0, 32)).toString('latin1');
      await disk.write(chunk);
    }
    return start;
  } finally {
    await disk.close();
  }
}

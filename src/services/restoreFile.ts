import { copyFileSync, existsSync, renameSync } from 'node:fs';
import path from 'node:path';
import { holdForServing, openDatabase, readCopy, type CopyContents } from '../persistence';
import { copiesFolder } from './copies';

/**
 * Puts a copy in the place of a database that cannot be opened any more. The damaged one is moved aside, never thrown away. Rejects with
 * one line (`OpenRefused`) where a program still serves it or the copy is not whole; all is then as it was.
 */
export async function restoreFile(file: string, name: string, nowMs: number): Promise<CopyContents & { aside?: string }> {
  const lock = await holdForServing(file, 'a restore that is under way');
  try {
    const copy = path.join(copiesFolder(file), path.basename(name));
    const contents = await readCopy(copy);
    const aside = `${file}.aside-${new Date(nowMs).toISOString().slice(0, 19).replaceAll(':', '')}`;
    const had = existsSync(file);
    for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, aside + end);
    copyFileSync(copy, file);
    await (await openDatabase(file)).close();
    return { ...contents, ...(had && { aside }) };
  } finally {
    await lock.letGo();
  }
}

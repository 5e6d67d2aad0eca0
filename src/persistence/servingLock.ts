import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { bareConnection } from './bareConnection';
import { openFault, OpenRefused } from './openFault';

const LOCK_WAIT_MS = 500;

/**
 * Held as long as one program serves a database: two would ring every alarm and live every day twice. The lock is the
 * system's own on a small file beside the database, so that it ends with the program however that ends. Another one that would
 * serve too is told in one line where this one is.
 */
export async function holdForServing(file: string, address: string): Promise<{ letGo(): Promise<void> }> {
  const lockFile = `${file}-serving`;
  const bare = await opened(lockFile).catch((error: unknown) => {
    throw openFault(error, file);
  });
  try {
    await bare.ask('CREATE TABLE IF NOT EXISTS serving (address TEXT NOT NULL)');
    await bare.ask('BEGIN IMMEDIATE');
    await bare.ask('DELETE FROM serving');
    await bare.ask(`INSERT INTO serving VALUES ('${address.replaceAll("'", "''")}')`);
    await bare.ask('COMMIT');
    // It may still be read, by one who asks where this program is.
    await bare.ask('BEGIN IMMEDIATE');
    return { letGo: () => bare.close() };
  } catch (error) {
    const isHeld = /BUSY|locked/i.test(String((error as { code?: string }).code ?? error));
    const other = isHeld ? await bare.ask<{ address: string }>('SELECT address FROM serving').catch(() => []) : [];
    await bare.close();
    if (!isHeld) throw openFault(error, file);
    throw new OpenRefused(
      `${file} is served already${other[0] ? `, at ${other[0].address}` : ''}. Nothing was changed. Open that, or stop it first.`,
    );
  }
}

async function opened(lockFile: string) {
  mkdirSync(dirname(lockFile), { recursive: true });
  return bareConnection(lockFile, LOCK_WAIT_MS);
}

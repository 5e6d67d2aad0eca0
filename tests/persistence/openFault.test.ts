import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Sequelize } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase, OpenRefused } from '../../src/persistence';
import { openFault } from '../../src/persistence/openFault';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-open-'));
  file = path.join(folder, 'house.sqlite');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const refusal = async (at: string): Promise<string> => {
  const error = await openDatabase(at).then(
    async (db) => {
      await db.close();
      return undefined;
    },
    (fault: unknown) => fault,
  );
  expect(error).toBeInstanceOf(OpenRefused);
  return (error as Error).message;
};

describe('a database that cannot be opened', () => {
  it('is told in one line: a folder in its place, a damaged file, a path through a file', async () => {
    mkdirSync(file);
    expect(await refusal(file)).toContain('is a folder, not a database file');
    rmSync(file, { recursive: true });
    writeFileSync(file, 'not a database at all, but long enough to be taken for one'.repeat(40));
    expect(await refusal(file)).toContain('is damaged or no database');
    expect(readFileSync(file, 'utf8')).toContain('not a database at all');
    expect(await refusal(path.join(file, 'below.sqlite'))).toContain('cannot be written to');
    expect((await refusal(path.join(file, 'below.sqlite'))).split('\n')).toHaveLength(1);
  });

  it('of another program is left as it was, to the byte', async () => {
    const other = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    await other.query('CREATE TABLE recipes (name TEXT)');
    await other.query("INSERT INTO recipes VALUES ('bread')");
    await other.close();
    const before = readFileSync(file);
    expect(await refusal(file)).toContain('a database of another program');
    expect(readFileSync(file).equals(before)).toBe(true);
  });

  it('is waited for while another holds it', async () => {
    await (await openDatabase(file)).close();
    const holder = new Sequelize({ dialect: 'sqlite', storage: file, logging: false, pool: { max: 1, min: 1 } });
    await holder.query('BEGIN EXCLUSIVE');
    let letGo = false;
    setTimeout(() => {
      letGo = true;
      void holder.query('COMMIT');
    }, 1200);
    const db = await openDatabase(file);
    expect(letGo).toBe(true);
    await db.close();
    await holder.close();
  });

  it('says what is kept and what to do, whatever the system calls it', () => {
    const line = (message: string) => openFault(Object.assign(new Error(message)), file).message;
    expect(line('SQLITE_FULL: database or disk is full')).toContain('no space left');
    expect(line('SQLITE_READONLY: attempt to write a readonly database')).toContain('cannot be written to');
    expect(line('EACCES: permission denied, mkdir')).toContain('cannot be written to');
    expect(line('SQLITE_BUSY: database is locked')).toContain('in use by another program');
    expect(line('something nobody knows')).toBe('something nobody knows');
    for (const known of ['SQLITE_FULL', 'SQLITE_CORRUPT', 'SQLITE_BUSY', 'EROFS']) expect(line(known)).not.toContain('\n');
  });
});

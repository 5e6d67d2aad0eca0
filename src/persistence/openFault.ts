import { statSync } from 'node:fs';

/** A database that cannot be opened, in one line: what it is, what was kept, what to do. */
export class OpenRefused extends Error {}

const ELSEWHERE = 'set ANACHRON_DB to another file';

/** Says in one line why a database could not be opened; the error itself where nothing is known of it. */
export function openFault(error: unknown, file: string): Error {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string };
  const said = `${code} ${message}`;
  if (error instanceof OpenRefused) return error;
  const refused = (line: string) => new OpenRefused(line);
  if (isFolder(file)) return refused(`${file} is a folder, not a database file. Nothing was changed. Name a file in it, or ${ELSEWHERE}.`);
  if (/NOTADB|CORRUPT|malformed|not a database/i.test(said))
    return refused(`${file} is damaged or no database. It was left as it is. Put a copy of it back, or ${ELSEWHERE}.`);
  if (/BUSY|LOCKED|locked/i.test(said))
    return refused(
      `${file} is in use by another program, and was not let go of within 10 s. Nothing was changed. Stop that program, then start again.`,
    );
  if (/FULL|ENOSPC/i.test(said))
    return refused(`There is no space left for ${file}. What was confirmed is kept. Make room, then start again.`);
  if (/READONLY|EROFS|EACCES|EPERM|CANTOPEN|ENOTDIR|EEXIST|readonly/i.test(said))
    return refused(`${file} cannot be written to. Nothing was changed. Allow writing to it and its folder, or ${ELSEWHERE}.`);
  return error instanceof Error ? error : new Error(String(error));
}

function isFolder(file: string): boolean {
  try {
    return statSync(file).isDirectory();
  } catch {
    return false;
  }
}

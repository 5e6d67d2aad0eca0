import type { WriteFaultCode } from '../core/outcome';

/** Nothing can be written just now. What was confirmed before is kept; the program goes on, and writes again when it can. */
export class WriteFault extends Error {
  constructor(
    readonly code: WriteFaultCode,
    cause: unknown,
  ) {
    super(code, { cause });
    this.name = 'WriteFault';
  }

  /** By its name: each bundle of the program has a class of its own. */
  static is(error: unknown): error is WriteFault {
    return error instanceof Error && error.name === 'WriteFault';
  }

  /** A disk may come back; a damaged file does not mend itself. */
  get isForGood(): boolean {
    return this.code === 'databaseDamaged' && !/IOERR|disk I\/O/i.test(String(this.cause));
  }
}

const FAULTS: [said: RegExp, code: WriteFaultCode][] = [
  [/SQLITE_FULL|ENOSPC|disk is full/i, 'diskFull'],
  [/SQLITE_(BUSY|LOCKED)|database is locked/i, 'databaseBusy'],
  [/SQLITE_(READONLY|CANTOPEN|PERM)|EROFS|EACCES|readonly/i, 'databaseReadOnly'],
  [/SQLITE_(CORRUPT|NOTADB|IOERR)|malformed|disk I\/O/i, 'databaseDamaged'],
];

/** An error of a write as one of these; the error itself where it is none. */
export function writeFault(error: unknown): unknown {
  if (WriteFault.is(error)) return error;
  const { message = '', original } = (error ?? {}) as { message?: string; original?: { code?: string; message?: string } };
  const said = `${original?.code ?? ''} ${original?.message ?? ''} ${message}`;
  const found = FAULTS.find(([words]) => words.test(said));
  return found ? new WriteFault(found[1], error) : error;
}

import { execFileSync } from 'node:child_process';
import path from 'node:path';

const BIN = path.resolve('node_modules/.bin/tsx');
const run = (...args: string[]): string =>
  execFileSync(BIN, ['tests/e2e/simulatedDay.ts', process.env.ANACHRON_DB!, ...args], { encoding: 'utf8' });

interface Served {
  eventId: string;
  /** Takes it out of the served database again, after others that use what it brought. */
  forget(...others: string[]): void;
}
export interface Lived extends Served {
  fireFailsMs: number;
}

const made = <T extends Served>(what: 'begins' | 'served'): T => {
  const said = JSON.parse(run(what).trim().split('\n').at(-1)!) as Omit<T, 'forget'>;
  return { ...said, forget: (...others: string[]) => void run('forget', ...others, said.eventId) } as T;
};

/** A small supper whose day is about to begin on the simulated world, in the database that is served. */
export const livedSupper = (): Lived => made<Lived>('begins');

/** The same when all of it is carved and served, and only the day is still to be ended. */
export const servedSupper = (): Served => made<Served>('served');

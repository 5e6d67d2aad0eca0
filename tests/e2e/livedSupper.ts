import { execFileSync } from 'node:child_process';
import path from 'node:path';

const BIN = path.resolve('node_modules/.bin/tsx');
const run = (...args: string[]): string =>
  execFileSync(BIN, ['tests/e2e/simulatedDay.ts', process.env.ANACHRON_DB!, ...args], { encoding: 'utf8' });

export interface Lived {
  eventId: string;
  fireFailsMs: number;
  /** Takes it out of the served database again. */
  forget(): void;
}

/** A small supper whose day is about to begin on the simulated world, in the database that is served. */
export function livedSupper(): Lived {
  const made = JSON.parse(run().trim().split('\n').at(-1)!) as Omit<Lived, 'forget'>;
  return { ...made, forget: () => void run(made.eventId) };
}

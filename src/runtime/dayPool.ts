import path from 'node:path';
import { Piscina } from 'piscina';
import type { DayReadings, DayState, KeptDay } from '../core/day';
import type { DayAnswer, DayAsk } from '../workers/day.worker';

// One thread, which keeps what its days have lived through; the bundler loads this module once for every entry.
const shared = globalThis as typeof globalThis & { anachronDayPool?: Piscina };

function pool(): Piscina {
  shared.anachronDayPool ??= new Piscina({
    filename: path.join(process.cwd(), 'src', 'workers', 'day.thread.mjs'),
    minThreads: 1,
    maxThreads: 1,
    idleTimeout: Infinity,
    niceIncrement: 5,
  });
  return shared.anachronDayPool;
}

const LONGEST_MS = 60_000;

/** A day forecast anew in the thread of days. */
export async function forecastDay(
  kept: KeptDay,
  state: DayState,
  readings: DayReadings,
  nowMs: number,
  wantLevers: boolean,
): Promise<Extract<DayAnswer, { missing: false }>> {
  const ask: DayAsk = { dayId: kept.id, state, readings, nowMs, wantLevers };
  const run = (asked: DayAsk) => pool().run(asked, { name: 'forecast', signal: AbortSignal.timeout(LONGEST_MS) }) as Promise<DayAnswer>;
  const first = await run(ask);
  if (!first.missing) return first;
  // A thread that is new has not got the day yet.
  const second = await run({ ...ask, kept });
  if (second.missing) throw new Error('the thread of days lost its day twice');
  return second;
}

import { availableParallelism } from 'node:os';
import path from 'node:path';
import { Piscina } from 'piscina';
import type { Plan, Scheme } from '../core/model';
import type { Planner } from '../services';

/** One core is left for pages; plans that nobody waits for any more are cut off. */
const MOST_WORKERS = Math.max(1, availableParallelism() - 1);
const MOST_WAITING = 64;
const PLANS_GIVE_WAY = 10;
const LONGEST_PLAN_MS = 60_000;
const LONGEST_READ_MS = 10_000;
const LONGEST_SEARCH_MS = 300_000;
/** A thread reads the whole program before its first task: on a busy machine that alone takes longer than a file may. */
const LONGEST_START_MS = 60_000;

// The bundler loads this module once for every entry; one pool serves them all.
const shared = globalThis as typeof globalThis & { anachronPool?: Piscina };

function pool(): Piscina {
  shared.anachronPool ??= new Piscina({
    filename: path.join(process.cwd(), 'src', 'workers', 'planning.thread.mjs'),
    minThreads: 1,
    maxQueue: MOST_WAITING,
    maxThreads: MOST_WORKERS,
    // Pages go before plans where both want the same core.
    niceIncrement: PLANS_GIVE_WAY,
  });
  return shared.anachronPool;
}

const within = (ms: number, signal?: AbortSignal): AbortSignal =>
  signal ? AbortSignal.any([signal, AbortSignal.timeout(ms)]) : AbortSignal.timeout(ms);

/** A file is read once a thread is up: what that may take counts from there. */
async function read<K extends 'readPlan' | 'readEvent'>(name: K, task: object): Promise<Awaited<ReturnType<Planner[K]>>> {
  await pool().run(undefined, { name: 'ready', signal: within(LONGEST_START_MS) });
  return pool().run(task, { name, signal: within(LONGEST_READ_MS) });
}

/** Plans in threads of their own: pages are served while one is made. */
export const planningPool: Planner = {
  plan: (input, signal) => pool().run({ input }, { name: 'plan', signal: within(LONGEST_PLAN_MS, signal) }) as Promise<Plan>,
  search: (input, iterations) =>
    pool().run({ input, iterations }, { name: 'search', signal: within(LONGEST_SEARCH_MS) }) as Promise<Scheme>,
  readPlan: (text, input, id) => read('readPlan', { text, input, id }),
  readEvent: (text, nowMs) => read('readEvent', { text, nowMs }),
};

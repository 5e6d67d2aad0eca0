import { availableParallelism } from 'node:os';
import path from 'node:path';
import { Piscina } from 'piscina';
import type { Plan, Scheme } from '../core/model';
import type { Planner } from '../services';

/** One core is left for pages; plans that nobody waits for any more are cut off. */
const MOST_WORKERS = Math.max(1, availableParallelism() - 1);
const LONGEST_PLAN_MS = 60_000;
const LONGEST_SEARCH_MS = 300_000;

// The bundler loads this module once for every entry; one pool serves them all.
const shared = globalThis as typeof globalThis & { anachronPool?: Piscina };

function pool(): Piscina {
  shared.anachronPool ??= new Piscina({
    filename: path.join(process.cwd(), 'src', 'workers', 'planning.thread.mjs'),
    minThreads: 1,
    maxThreads: MOST_WORKERS,
  });
  return shared.anachronPool;
}

/** Plans in threads of their own: pages are served while one is made. */
export const planningPool: Planner = {
  plan: (input) => pool().run({ input }, { name: 'plan', signal: AbortSignal.timeout(LONGEST_PLAN_MS) }) as Promise<Plan>,
  search: (input, iterations) =>
    pool().run({ input, iterations }, { name: 'search', signal: AbortSignal.timeout(LONGEST_SEARCH_MS) }) as Promise<Scheme>,
};

'use client';
import { useRef, useState } from 'react';
import type { Plan } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { usualIterations } from '../../core/schedule';
import type { Planner } from '../../workers/client';
import type { SearchNews } from '../../workers/protocol';

/** A search in the worker: its news while it runs, and the best plan when it ends or is stopped. */
export function useSearch(planner: React.RefObject<Planner | undefined>) {
  const [news, setNews] = useState<SearchNews>();
  const [failed, setFailed] = useState(false);
  const seed = useRef(0);

  /** So many tries, whatever the machine's speed: the same event searched twice gives the same plan. Only its owner stops it sooner. */
  const search = async (input: PlanInput): Promise<Plan | undefined> => {
    seed.current += 1;
    setFailed(false);
    try {
      const request = { input, seed: seed.current, iterations: usualIterations(input.event.batches.length) };
      return await planner.current!.search(request, setNews);
    } catch {
      setFailed(true);
      return undefined;
    } finally {
      setNews(undefined);
    }
  };
  return { news, failed, search, stop: () => planner.current?.stopSearch() };
}

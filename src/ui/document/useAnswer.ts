'use client';
import { useEffect, useState } from 'react';
import type { PlanAskKind, PlanAsks } from '../../workers/protocol';
import { useEventDocument } from './EventDocument.client';

/** What the worker says about the plan it stands at; the answer before stays until the next is there. */
export function useAnswer<K extends PlanAskKind>(kind: K): PlanAsks[K]['answer'] | undefined {
  const { planner, plannedVersion } = useEventDocument();
  const [answer, setAnswer] = useState<PlanAsks[K]['answer']>();
  useEffect(() => {
    if (plannedVersion === undefined) return;
    let stale = false;
    void planner.current?.ask(plannedVersion, kind, {} as PlanAsks[K]['ask']).then((found) => !stale && found && setAnswer(found));
    return () => {
      stale = true;
    };
  }, [planner, plannedVersion, kind]);
  return answer;
}

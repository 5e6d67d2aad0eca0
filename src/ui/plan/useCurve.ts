'use client';
import { useEffect, useState } from 'react';
import type { RunCurve } from '../../core/planning';
import type { Planner } from '../../workers/client';

/** The curve behind the run that is looked at: asked for once for each plan and run. */
export function useCurve(
  planner: React.RefObject<Planner | undefined>,
  plannedVersion: number | undefined,
  runId: string | undefined,
): RunCurve | undefined {
  const [curve, setCurve] = useState<RunCurve>();
  useEffect(() => {
    if (plannedVersion === undefined || runId === undefined) return;
    let stale = false;
    void planner.current?.ask(plannedVersion, 'curve', { runId }).then((found) => !stale && found && setCurve(found));
    return () => {
      stale = true;
    };
  }, [planner, plannedVersion, runId]);
  return curve?.runId === runId ? curve : undefined;
}

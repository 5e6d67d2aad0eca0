'use client';
import { useEffect, useRef, useState } from 'react';
import type { Plan } from '../../core/model';
import type { PlanInput, RunCurve } from '../../core/planning';
import { Planner } from '../../workers/client';

/** Plans in a worker whenever the input changes; the plan shown stays until the next is there. */
export function usePlanner(
  input: PlanInput,
  first: Plan,
  selectedId: string | undefined,
): {
  plan: Plan;
  planning: boolean;
  failed: boolean;
  curve?: RunCurve;
  ready?: Plan;
  planner: React.RefObject<Planner | undefined>;
} {
  const planner = useRef<Planner>(undefined);
  const [made, setMade] = useState<{ plan: Plan; input: PlanInput; failed?: boolean }>({
    plan: first,
    input,
  });
  const [curve, setCurve] = useState<{ curve: RunCurve; plan: Plan }>();
  const [ready, setReady] = useState<Plan>();

  useEffect(() => {
    planner.current = new Planner();
    return () => planner.current?.stop();
  }, []);

  useEffect(() => {
    let stale = false;
    planner.current!.plan(input).then(
      (answer) => {
        if (stale || !answer) return;
        setMade({ plan: answer.plan, input });
        setReady(answer.plan);
      },
      () => !stale && setMade((kept) => ({ ...kept, input, failed: true })),
    );
    return () => {
      stale = true;
    };
  }, [input]);

  useEffect(() => {
    if (!ready || selectedId === undefined) return;
    let stale = false;
    void planner.current!.curve(selectedId).then((found) => {
      if (!stale && found) setCurve({ curve: found, plan: ready });
    });
    return () => {
      stale = true;
    };
  }, [ready, selectedId]);

  return {
    plan: made.plan,
    planning: made.input !== input,
    failed: Boolean(made.failed),
    /** The plan the worker stands at, and the worker, to be asked about it. */
    ready,
    planner,
    curve: curve && curve.curve.runId === selectedId ? curve.curve : undefined,
  };
}

'use client';
import { useSelectedLayoutSegment } from 'next/navigation';
import type { ReactNode } from 'react';
import { useEventDocument } from './EventDocument.client';

/** Stages that say nothing of the plan: they stand at once, and an event that cannot be planned is mended there. */
const WITHOUT_PLAN = ['brief', 'pits'];

/** A stage, once there is a plan it can speak of. */
export function PlanGate({ children }: { children: ReactNode }) {
  const { planned, failed } = useEventDocument();
  const here = useSelectedLayoutSegment() ?? '';
  if (planned || WITHOUT_PLAN.includes(here)) return children;
  return (
    <main className="mx-auto max-w-3xl px-4 py-10">
      {failed ? (
        <>
          <h1 className="text-2xl">This event cannot be planned</h1>
          <p role="alert" className="mt-2 text-soft">
            Everything in it is kept. Look at its brief: a serving’s day, a weight or a count may be mistyped.
          </p>
        </>
      ) : (
        <p role="status" className="text-soft">
          Being planned…
        </p>
      )}
    </main>
  );
}

'use client';
import { lazy, Suspense } from 'react';
import type { TermId } from '../../formats/messages/terms';
import { Popover } from './Popover.client';

/** The words are fetched once one is asked for. */
const TermMeaning = lazy(() => import('./TermMeaning').then((made) => ({ default: made.TermMeaning })));

/** A word of the trade that says what it means when it is pressed. */
export function Term({ id, children }: { id: TermId; children: string }) {
  return (
    <Popover
      button={children}
      label={`${children}: what it means`}
      panelLabel={children}
      className="underline decoration-dotted decoration-1 underline-offset-[3px] print:no-underline"
      panelClassName="max-w-72 p-3 text-[0.9rem]"
      align="start"
    >
      {() => (
        <Suspense fallback={null}>
          <TermMeaning id={id} />
        </Suspense>
      )}
    </Popover>
  );
}

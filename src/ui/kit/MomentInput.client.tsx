'use client';
import { lazy, Suspense } from 'react';
import { clockWords } from '../../formats/clock';
import { inputClass } from './Field';
import { useHydrated } from './hydrated';
import type { SegmentsProps } from './Segments.client';
import { useUnits } from './UnitsProvider';

const Segments = lazy(() => import('./Segments.client').then((made) => ({ default: made.Segments })));

/** Where a day or a clock time of a place is typed. The page stands before what it is typed in is loaded. */
export function MomentInput(props: SegmentsProps) {
  const { clock } = useUnits();
  const { kind, value, invalid } = props;
  const standIn = (
    <div className={`${inputClass(invalid)} figures flex items-center`}>{kind === 'clock' ? clockWords(value, clock) : value}</div>
  );
  return useHydrated() ? (
    <Suspense fallback={standIn}>
      <Segments {...props} />
    </Suspense>
  ) : (
    standIn
  );
}

'use client';
import { CalendarPlus, Check, Eye } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { READY_MENUS } from '../../core/model';
import { clockOnDay, localDate } from '../../formats/clock';
import { ReadySets } from '../equipment/ReadySets.client';
import { callAction, complain } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import type { EventActions } from './eventActions';

/** The sample's supper is so far ahead, for so many. */
const SAMPLE = { daysAhead: 14, time: '18:00', adults: 24, setId: 'kitchen' };

interface FirstStepsProps {
  nowMs: number;
  hasPits: boolean;
  actions: Pick<EventActions, 'createEvent' | 'addSet'>;
  onMake(): void;
}

/** A house with no event yet: what to cook on, what to cook for, or a sample to look at. */
export function FirstSteps({ nowMs, hasPits, actions, onMake }: FirstStepsProps) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const sample = async () => {
    setBusy(true);
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    if (!hasPits) {
      const added = await callAction(actions.addSet, { id: SAMPLE.setId });
      if (!added.ok) return complain(added.problems);
    }
    const made = await callAction(actions.createEvent, {
      name: 'Garden supper, a sample',
      place: 'Your own garden',
      timeZone,
      date: localDate(clockOnDay(nowMs, timeZone, SAMPLE.daysAhead, 12), timeZone),
      time: SAMPLE.time,
      adults: SAMPLE.adults,
      children: 0,
      menuId: READY_MENUS[0]!.id,
    });
    setBusy(false);
    if (made.ok) router.push(`/events/${made.value.id}/plan`);
    else complain(made.problems);
  };
  const step = 'rounded-md border border-line bg-sheet p-5';
  return (
    <ol className="space-y-4">
      <li className={step}>
        <h2 className="flex items-center gap-2 text-lg">
          1. What you cook on {hasPits && <Check size={18} className="text-safe" aria-label="done" />}
        </h2>
        {hasPits ? (
          <p className="mt-1 text-soft">
            Your pits are there.{' '}
            <Link href="/equipment" className="underline">
              Measure their racks
            </Link>{' '}
            when you can: the plan places every piece on them.
          </p>
        ) : (
          <>
            <p className="mt-1 text-soft">
              Take the set that is nearest to yours; every figure is changed afterwards. Or{' '}
              <Link href="/equipment" className="underline">
                put in your own pits
              </Link>
              .
            </p>
            <ReadySets addSet={actions.addSet} />
          </>
        )}
      </li>
      <li className={step}>
        <h2 className="text-lg">2. Whom you cook for</h2>
        <p className="mt-1 max-w-2xl text-soft">
          Give the serving time, who eats and a menu. The plan counts back to when each fire is lit and each piece goes on.
        </p>
        <Button look="ember" className="mt-3" onClick={onMake}>
          <CalendarPlus size={17} aria-hidden /> Make the first event
        </Button>
      </li>
      <li className={step}>
        <h2 className="text-lg">Or look at a sample first</h2>
        <p className="mt-1 max-w-2xl text-soft">
          A supper for {SAMPLE.adults}, pulled pork and chicken{hasPits ? ' on your own pits' : ', in a cabinet and an oven'}: planned at
          once, yours to change, copy or throw away.
        </p>
        <button type="button" disabled={busy} className={`${buttonClass()} mt-3`} onClick={() => void sample()}>
          <Eye size={17} aria-hidden /> {busy ? 'Making it…' : 'Make the sample'}
        </button>
      </li>
    </ol>
  );
}

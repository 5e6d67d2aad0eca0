'use client';
import { FlaskConical } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { JudgedTrial } from '../../core/learn';
import { dateWithYear } from '../../formats/clock';
import { trialVerdict, TRIAL_KIND_WORDS } from '../../formats/messages/trial';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { TrialForm, type TriableEvent } from './TrialForm.client';

interface TrialsPageProps {
  trials: (JudgedTrial & { eventName: string })[];
  events: TriableEvent[];
  zone: string;
  planTrial: Action<{ id: string }>;
}

/** Every trial of the house, with what came of it. */
export function TrialsPage({ trials, events, zone, planTrial }: TrialsPageProps) {
  const [planning, setPlanning] = useState(false);
  const router = useRouter();
  return (
    <main className="mx-auto max-w-4xl px-4 py-6">
      <p className="text-[0.92rem]">
        <Link href="/log" className="underline">
          Cook log
        </Link>
      </p>
      <div className="mt-1 flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-2xl">Trials</h1>
        {events.length > 0 && (
          <Button look="ember" onClick={() => setPlanning(true)}>
            <FlaskConical size={16} aria-hidden /> Plan a trial
          </Button>
        )}
      </div>
      {trials.length === 0 && (
        <p className="mt-4 max-w-prose text-soft">
          No trial is planned yet. Set two ways against each other on one cook: two rubs, left against right, whole racks against single
          ones, wrapped against bare. Places are drawn by lot, tasters see codes alone, and what they say comes back with how sure it is.
          {events.length === 0 && ' It needs an event that has a batch of two pieces or more.'}
        </p>
      )}
      <ul className="mt-4 grid gap-3">
        {trials.map(({ trial, result, eventName }) => (
          <li key={trial.id} className="rounded-md border border-line bg-sheet px-4 py-3">
            <h2 className="text-lg">
              <Link href={`/log/trials/${trial.id}`} className="underline">
                {trial.name}
              </Link>
            </h2>
            <p className="text-[0.92rem] text-soft">
              {trial.arms[0]} against {trial.arms[1]}, {TRIAL_KIND_WORDS[trial.kind]}; {eventName}, planned{' '}
              {dateWithYear(trial.plannedAtMs, zone)}
            </p>
            <p className="mt-1">{trialVerdict(trial, result)}</p>
          </li>
        ))}
      </ul>
      <Dialog
        open={planning}
        onOpenChange={setPlanning}
        title="Plan a trial"
        description="One thing differs, all else is alike. Which piece gets which way, and which taster what first, is drawn by lot."
      >
        {planning && (
          <TrialForm
            events={events}
            planTrial={planTrial}
            onDone={(id) => {
              setPlanning(false);
              if (id !== undefined) router.push(`/log/trials/${id}`);
            }}
          />
        )}
      </Dialog>
    </main>
  );
}

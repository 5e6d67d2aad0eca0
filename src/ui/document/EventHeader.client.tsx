'use client';
import { Check, Circle, CircleAlert, Flame, History, Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useSelectedLayoutSegment } from 'next/navigation';
import { lazy, Suspense } from 'react';
import { STAGES, stageStates, type Stage, type StageState } from '../../core/planning';
import { shortDay } from '../../formats/clock';
import { Button } from '../kit/Button';
import { Bar, tab } from '../shell/Header';
import { useEventDocument } from './EventDocument.client';

const STAGE_NAMES: Record<Stage, string> = {
  brief: 'Brief',
  buying: 'Buying',
  prep: 'Prep',
  pits: 'Pits',
  plan: 'Plan',
  racks: 'Racks',
  'run-sheet': 'Run sheet',
  service: 'Service',
  safety: 'Safety',
  day: 'Cook day',
};

const STATE_WORDS: Record<StageState, string> = {
  settled: 'settled',
  decide: 'needs a decision',
  open: 'not begun',
  stale: 'changed since it was kept',
  running: 'under way',
};

function StageIcon({ state }: { state: StageState }) {
  if (state === 'settled') return <Check size={15} strokeWidth={3} className="rounded-full bg-safe p-0.5 text-sheet" aria-hidden />;
  if (state === 'decide') return <CircleAlert size={16} className="text-warn" aria-hidden />;
  if (state === 'running') return <Flame size={16} className="text-ember" aria-hidden />;
  if (state === 'stale') return <History size={16} className="text-warn" aria-hidden />;
  return <Circle size={15} className="text-soft" aria-hidden />;
}

/** The header of an event: its name and its stages in the order of the work, each with its state; undo, redo and what is saved. */
export function EventHeader() {
  const { event, input, plan, facts, canUndo, canRedo, undo, redo } = useEventDocument();
  const here = useSelectedLayoutSegment();
  const states = stageStates(input, plan, facts.day);
  const first = event.servings.toSorted((a, b) => a.atMs - b.atMs)[0];
  const guests = Math.max(0, ...event.servings.map((serving) => serving.guests.adults + serving.guests.children));
  const subtitle = [first && shortDay(first.atMs, event.timeZone), `${guests} guests`, event.place].filter(Boolean).join(' · ');
  return (
    <>
      <Bar
        twoRows
        nav={STAGES.map((stage) => (
          <Link
            key={stage}
            href={`/events/${event.id}/${stage}`}
            aria-current={stage === here ? 'page' : undefined}
            className={tab(stage === here)}
            title={STATE_WORDS[states[stage]]}
          >
            <StageIcon state={states[stage]} />
            {STAGE_NAMES[stage]}
            <span className="sr-only">, {STATE_WORDS[states[stage]]}</span>
          </Link>
        ))}
      >
        <div className="min-w-0 py-1 leading-tight">
          <p className="truncate font-title text-[0.93rem] font-bold">{event.name}</p>
          <p className="truncate text-[0.82rem] text-soft">{subtitle}</p>
        </div>
        <div className="ml-auto flex shrink-0 items-center print:hidden">
          <Button look="quiet" className="px-1.5" onClick={undo} disabled={!canUndo} aria-label="Undo" title="Undo (Ctrl Z)">
            <Undo2 size={17} aria-hidden />
          </Button>
          <Button look="quiet" className="px-1.5" onClick={redo} disabled={!canRedo} aria-label="Redo" title="Redo (Ctrl Shift Z)">
            <Redo2 size={17} aria-hidden />
          </Button>
          <SavedLine />
        </div>
      </Bar>
      <SavingTrouble />
    </>
  );
}

function SavedLine() {
  const { saving, faulty } = useEventDocument();
  const words = { saved: 'All saved', waiting: 'Saving…', saving: 'Saving…', stale: 'Not saved', failed: 'Not saved' }[
    faulty > 0 ? 'failed' : saving.state
  ];
  const bad = faulty > 0 || saving.state === 'stale' || saving.state === 'failed';
  return (
    <span role="status" className={`ml-1 whitespace-nowrap text-[0.82rem] ${bad ? 'font-semibold text-bad' : 'text-soft'}`}>
      {words}
    </span>
  );
}

const Conflicts = lazy(() => import('./Conflicts.client').then((made) => ({ default: made.Conflicts })));

/** The same was changed elsewhere, or the program did not answer: what happened, what was kept, and what can be done. */
function SavingTrouble() {
  const { saving, store } = useEventDocument();
  if (saving.state !== 'stale' && saving.state !== 'failed') return null;
  return (
    <div role="alert" className="flex flex-wrap items-center gap-3 border-b border-line bg-sheet px-4 py-2 text-[0.95rem] print:hidden">
      <p className="text-bad">{saving.message}</p>
      {saving.state === 'stale' ? (
        <Suspense fallback={null}>
          <Conflicts conflicts={saving.conflicts} />
        </Suspense>
      ) : (
        <Button onClick={() => void store.save()}>Try again</Button>
      )}
    </div>
  );
}

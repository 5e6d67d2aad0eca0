'use client';
import { ChevronLeft, ChevronRight, CircleAlert, ListChecks, TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CookEvent, Plan, Serving } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { addMinutes } from '../../core/units';
import { clockTime } from '../../formats/clock';
import { formatShare } from '../../formats/units';
import { planProblemWords } from '../../formats/problemWords';
import { batchName, pitName, rackName, type Speech, speechOf } from '../../formats/names';
import { announce, attempt, type Action } from '../kit/actions';
import { buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { useWidth } from '../kit/useWidth';
import { KeptPlan } from './KeptPlan.client';
import { PhaseKey } from './patterns';
import { RunPanel } from './RunPanel.client';
import { Timeline } from './Timeline.client';
import { savingWords, useEventEdits } from './useEventEdits';
import { usePlanner } from './usePlanner';

/** A press moves a serving by this much. */
const NUDGE_MIN = 15;

interface PlanDeskProps {
  input: PlanInput;
  plan: Plan;
  moveServing: Action<CookEvent>;
  keepPlan: Action<CookEvent>;
}

/** The plan at the desk: a verdict, the whole day as places over time, and one run in full. */
export function PlanDesk({ input: first, plan: firstPlan, moveServing, keepPlan }: PlanDeskProps) {
  const units = useUnits();
  const { event, unsaved, edit, take, settled } = useEventEdits(first.event);
  const input = useMemo(() => ({ ...first, event }), [first, event]);
  const [selectedId, setSelectedId] = useState<string | undefined>(firstPlan.runs[0]?.id);
  const { plan, planning, failed, curve } = usePlanner(input, firstPlan, selectedId);
  const [moves, setMoves] = useState<{ servingId: string; byMin: number }[]>([]);
  const speech = speechOf(input, units);
  const [holder, widthPx] = useWidth();

  const move = (servingId: string, byMin: number, forUndo: boolean) => {
    const shift =
      (by: number) =>
      (kept: CookEvent): CookEvent => ({
        ...kept,
        servings: kept.servings.map((each) => (each.id === servingId ? { ...each, atMs: addMinutes(each.atMs, by) } : each)),
      });
    if (forUndo) setMoves((list) => [...list, { servingId, byMin }]);
    edit({
      change: shift(byMin),
      back: shift(-byMin),
      save: (revision) => attempt(moveServing, { eventId: event.id, servingId, byMin, revision }),
      onRefused: () => forUndo && setMoves((list) => list.slice(0, -1)),
    });
  };
  /** What was kept comes back with the event, and its revision with it. */
  const keep: Action<CookEvent> = async (asked) => {
    await settled();
    const outcome = await keepPlan(asked);
    if (outcome.ok) take(outcome.value);
    return outcome;
  };
  const undo = () => {
    const last = moves.at(-1);
    if (!last) return;
    setMoves((list) => list.slice(0, -1));
    move(last.servingId, -last.byMin, false);
    announce('Serving moved back.');
  };
  useHotkeys('mod+z', undo, { preventDefault: true });
  const step = (by: number) => {
    const at = plan.runs.findIndex((run) => run.id === selectedId);
    setSelectedId(plan.runs[(Math.max(at, by > 0 ? -1 : 0) + by + plan.runs.length) % Math.max(1, plan.runs.length)]?.id);
  };
  useHotkeys('right', () => step(1));
  useHotkeys('left', () => step(-1));
  useHotkeys('esc', () => setSelectedId(undefined));

  const selected = plan.runs.find((run) => run.id === selectedId);
  return (
    <main className="flex min-h-[calc(100vh-50px)] flex-col">
      <h1 className="sr-only">Plan of {event.name}</h1>
      <div className="flex flex-wrap items-stretch border-b border-line bg-sheet">
        {event.servings.map((serving) => (
          <Verdict key={serving.id} serving={serving} speech={speech} plan={plan} onMove={(byMin) => move(serving.id, byMin, true)} />
        ))}
        <div className="min-w-64 grow border-l border-line px-4 py-2">
          <p className="text-[0.85rem] text-soft">{planning ? 'Planning…' : failed ? 'The planner stopped' : 'Tightest spot'}</p>
          <p className="font-semibold leading-snug" role="status">
            {failed ? 'This shows the last plan that was made. Load the page again.' : tightestWords(speech, plan)}
          </p>
        </div>
        <div className="flex items-center gap-3 px-4 print:hidden">
          {unsaved !== undefined && (
            <span role="status" className="text-[0.85rem] text-soft">
              {savingWords(unsaved)}
            </span>
          )}
          <Link href={`/events/${event.id}/run-sheet`} className={buttonClass('strong')}>
            <ListChecks size={17} aria-hidden /> Run sheet
          </Link>
        </div>
      </div>
      <KeptPlan speech={speech} input={input} plan={plan} keepPlan={keep} />
      <Problems speech={speech} plan={plan} />
      <div className="grid grow grid-cols-1 lg:grid-cols-[minmax(0,1fr)_19.5rem]">
        <div ref={holder} className="min-w-0 overflow-x-auto">
          {plan.runs.length > 0 ? (
            <>
              <Timeline
                speech={speech}
                plan={plan}
                widthPx={Math.max(widthPx, 640)}
                nowMs={input.earliestMs}
                selectedId={selectedId}
                onSelect={setSelectedId}
              />
              <div className="border-t border-line px-3 py-2">
                <PhaseKey />
              </div>
            </>
          ) : (
            <Empty event={event} hasPits={input.pits.length > 0} />
          )}
        </div>
        <aside aria-label="Run in full" className="border-l border-line bg-sheet p-4">
          {selected ? (
            <RunPanel speech={speech} run={selected} curve={curve} />
          ) : (
            <p className="text-soft">
              {plan.runs.length > 0
                ? 'Choose a run on the left to see its cook curve and why it starts when it starts. The arrow keys walk through them.'
                : 'A run in full will stand here.'}
            </p>
          )}
        </aside>
      </div>
    </main>
  );
}

/** One serving: when, how sure, and the means to move it. */
function Verdict({ serving, speech, plan, onMove }: { serving: Serving; speech: Speech; plan: Plan; onMove(byMin: number): void }) {
  const { event, units } = speech;
  const own = new Set(event.batches.filter((batch) => batch.servingId === serving.id).map((batch) => batch.id));
  const runs = plan.runs.filter((run) => own.has(run.batchId));
  const broken = plan.problems.some((problem) => problem.severity === 'broken' && 'batchId' in problem && own.has(problem.batchId));
  const weakest = Math.min(1, ...runs.map((run) => run.onTimeShare));
  const nudge = 'grid size-8 place-items-center rounded border border-line hover:border-soft print:hidden';
  return (
    <div className="border-l border-line px-4 py-2 first:border-l-0">
      <div className="flex items-center gap-1.5 text-[0.85rem] text-soft">
        <button
          type="button"
          className={nudge}
          aria-label={`${serving.name} ${NUDGE_MIN} minutes earlier`}
          onClick={() => onMove(-NUDGE_MIN)}
        >
          <ChevronLeft size={16} aria-hidden />
        </button>
        <span>
          {serving.name}{' '}
          <span className="figures text-[1rem] font-bold text-ink">{clockTime(serving.atMs, event.timeZone, units.clock)}</span>
        </span>
        <button type="button" className={nudge} aria-label={`${serving.name} ${NUDGE_MIN} minutes later`} onClick={() => onMove(NUDGE_MIN)}>
          <ChevronRight size={16} aria-hidden />
        </button>
      </div>
      <p className={`text-[1.2rem] font-semibold leading-tight ${broken ? 'text-bad' : runs.length === 0 ? 'text-soft' : ''}`}>
        {broken ? (
          'does not fit'
        ) : runs.length === 0 ? (
          'no menu yet'
        ) : (
          <>
            <span className={`figures font-bold ${weakest >= 0.895 ? 'text-safe' : 'text-warn'}`}>{formatShare(weakest)}</span> each on time
          </>
        )}
      </p>
    </div>
  );
}

function tightestWords(speech: Speech, plan: Plan): string {
  const { tightest } = plan;
  if (!tightest) return 'Nothing is on a pit yet.';
  const { event, units } = speech;
  const name = `${pitName(speech, tightest.pitId)}, ${rackName(speech, tightest.pitId, tightest.rackId)}`;
  const there = plan.runs.filter((run) =>
    run.legs.some(
      (leg) => leg.rackId === tightest.rackId && leg.pitId === tightest.pitId && leg.fromMs < tightest.toMs && leg.toMs > tightest.fromMs,
    ),
  );
  return `${name}: ${formatShare(tightest.fullShare)} full with ${there.map((run) => batchName(speech, run.batchId).toLowerCase()).join(' and ')}, ${clockTime(tightest.fromMs, event.timeZone, units.clock)} to ${clockTime(tightest.toMs, event.timeZone, units.clock)}.`;
}

function Problems({ speech, plan }: { speech: Speech; plan: Plan }) {
  // Who may not eat what stands on the brief, the cards and the run sheet: it moves nothing on this screen.
  const problems = plan.problems.filter((problem) => problem.code !== 'allergenServed');
  if (problems.length === 0) return null;
  return (
    <ul aria-label="What does not fit" className="border-b border-line bg-sheet">
      {problems.map((problem, i) => {
        const words = planProblemWords(speech, problem);
        const broken = problem.severity === 'broken';
        const Icon = broken ? CircleAlert : TriangleAlert;
        return (
          <li key={i} className="flex items-start gap-2 border-t border-line px-4 py-2 first:border-t-0">
            <Icon size={18} className={`mt-0.5 shrink-0 ${broken ? 'text-bad' : 'text-warn'}`} aria-label={broken ? 'Broken' : 'Warning'} />
            <p>
              <span className="font-semibold">{words.what}</span> <span className="text-soft">{words.remedy}</span>
            </p>
          </li>
        );
      })}
    </ul>
  );
}

function Empty({ event, hasPits }: { event: CookEvent; hasPits: boolean }) {
  const [what, href, where] =
    event.batches.length === 0
      ? ['There is nothing on the menu yet. Choose the first cut, and the plan counts back from the serving.', 'brief', 'Go to the brief']
      : hasPits
        ? ['Nothing could be placed. The reasons stand above.', 'brief', 'Change the menu']
        : ['This event has no pit to cook on yet.', 'pits', 'Choose pits'];
  return (
    <div className="m-6 rounded-md border border-dashed border-line bg-sheet p-8">
      <h2 className="text-lg">No plan yet</h2>
      <p className="mt-1 text-soft">{what}</p>
      <Link href={`/events/${event.id}/${href}`} className={`${buttonClass('ember')} mt-4`}>
        {where}
      </Link>
    </div>
  );
}

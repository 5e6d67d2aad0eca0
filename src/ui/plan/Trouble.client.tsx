'use client';
import { CircleAlert, Square, TriangleAlert, Wrench } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { Plan } from '../../core/model';
import { troubledBatches, type Lever, type PlanInput } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import { planProblemMessage } from '../../formats/messages/problem';
import type { Planner } from '../../workers/client';
import { Button } from '../kit/Button';
import type { Tried } from './TriedLevers.client';

interface TroubleProps {
  messageContext: MessageContext;
  input: PlanInput;
  plan: Plan;
  /** A better plan is being looked for: levers wait for it. */
  busy: boolean;
  planner: React.RefObject<Planner | undefined>;
  onPull(lever: Lever, words: string): void;
}

/** Lines of trouble shown before the rest is folded away. */
const SHOWN_LINES = 3;

/** What is broken first, then one of each kind before a second of any. */
function mostTelling<L extends { code: string; bad: boolean }>(lines: readonly L[]): L[] {
  const firstOf = (line: L) => lines.findIndex((each) => each.code === line.code && each.bad === line.bad) === lines.indexOf(line);
  const rank = (line: L) => (line.bad ? 0 : firstOf(line) ? 1 : 2);
  return [...lines].sort((a, b) => rank(a) - rank(b));
}

const TriedLevers = lazy(() => import('./TriedLevers.client').then((made) => ({ default: made.TriedLevers })));

/** What does not fit, what a pinned run breaks, and the levers that would help: each tried for real. */
export function Trouble({ messageContext, input, plan, busy, planner, onPull }: TroubleProps) {
  const [tried, setTried] = useState<Tried>();
  const [all, setAll] = useState(false);
  // Who may not eat what stands on the brief, the cards and the run sheet: it moves nothing on this screen.
  const problems = plan.problems.filter((problem) => problem.code !== 'allergenServed');
  const lines = problems
    .map((problem) => ({ code: problem.code, bad: problem.severity === 'broken', ...planProblemMessage(messageContext, problem) }))
    .filter((line, i, list) => list.findIndex((other) => other.what === line.what) === i);
  if (lines.length === 0) return null;
  const on = JSON.stringify([plan.scheme, plan.objective]);
  const current = tried?.on === on ? tried : undefined;
  const canHelp = troubledBatches(plan, input).length > 0;
  const tryAll = async () => {
    setTried({ on, remedies: [], count: 0, done: false });
    const { conflict } = await planner.current!.remedies((remedies, count) =>
      setTried((kept) => (kept?.on === on ? { ...kept, remedies, count } : kept)),
    );
    setTried((kept) => (kept?.on === on ? { ...kept, done: true, conflict } : kept));
  };
  const shown = all ? lines : mostTelling(lines).slice(0, SHOWN_LINES);
  return (
    <section aria-label="What does not fit" className="border-b border-line bg-sheet">
      <ul>
        {shown.map(({ what, remedy, bad }) => {
          const Icon = bad ? CircleAlert : TriangleAlert;
          return (
            <li key={what} className="flex items-start gap-2 border-t border-line px-4 py-1.5 first:border-t-0">
              <Icon size={18} className={`mt-0.5 shrink-0 ${bad ? 'text-bad' : 'text-warn'}`} aria-label={bad ? 'Broken' : 'Warning'} />
              <p>
                <span className="font-semibold">{what}</span> <span className="text-soft">{remedy}</span>
              </p>
            </li>
          );
        })}
      </ul>
      <div className="flex flex-wrap items-center gap-3 px-4 pb-2 print:hidden">
        {lines.length > SHOWN_LINES && (
          <Button look="quiet" onClick={() => setAll(!all)}>
            {all ? 'Show fewer' : `Show all ${lines.length}`}
          </Button>
        )}
        {canHelp && !current && !busy && (
          <Button onClick={() => void tryAll()}>
            <Wrench size={16} aria-hidden /> Find what would help
          </Button>
        )}
        {current && !current.done && (
          <>
            <span role="status" className="text-[0.92rem] text-soft">
              Trying the levers, one by one: {current.count} tried
            </span>
            <Button onClick={() => planner.current?.stopSearch()}>
              <Square size={14} aria-hidden /> Stop
            </Button>
          </>
        )}
      </div>
      {current && (
        <Suspense fallback={null}>
          <TriedLevers messageContext={messageContext} input={input} tried={current} onPull={onPull} />
        </Suspense>
      )}
    </section>
  );
}

'use client';
import { Columns2, ListChecks, RefreshCw, Square } from 'lucide-react';
import Link from 'next/link';
import type { Broken, Plan } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { brokenMessage } from '../../formats/messages/broken';
import type { MessageContext } from '../../formats/messages/names';
import type { Planner } from '../../workers/client';
import { Button, buttonClass } from '../kit/Button';
import type { SearchNews } from '../../workers/protocol';
import { Confidence } from './Confidence.client';
import { tightestMessage, Verdict } from './Verdicts.client';

interface PlanState {
  failed: boolean;
  searchFailed: boolean;
  news?: Pick<SearchNews, 'done' | 'of' | 'trying'>;
  planning: boolean;
  /** What a run breaks where it is being dragged. */
  dragBroken?: Broken[];
}

interface PlanBarProps {
  messageContext: MessageContext;
  input: PlanInput;
  plan: Plan;
  planner: React.RefObject<Planner | undefined>;
  state: PlanState;
  comparing: boolean;
  onCompare(): void;
  onNudge(servingId: string, byMin: number): void;
  onConfidence(confidence: number): void;
  onRePlan(): void;
  onStop(): void;
}

/** The line on top of the plan: how sure each serving is, the tightest spot or what is going on, and what can be done. */
export function PlanBar(props: PlanBarProps) {
  const { messageContext, input, plan, planner, state, comparing } = props;
  const { onCompare, onNudge, onConfidence, onRePlan, onStop } = props;
  const { event } = messageContext;
  const { news, dragBroken } = state;
  const [headline, line] = headlineOf(state);
  return (
    <div className="flex flex-wrap items-stretch border-b border-line bg-sheet">
      {event.servings.map((serving) => (
        <Verdict
          key={serving.id}
          serving={serving}
          messageContext={messageContext}
          plan={plan}
          onMove={(byMin) => onNudge(serving.id, byMin)}
        />
      ))}
      <div className="min-w-64 flex-1 border-l border-line px-4 py-2">
        <p className={`truncate text-[0.85rem] ${dragBroken?.length ? 'text-bad' : 'text-soft'}`}>{headline}</p>
        {news && (
          <div
            role="progressbar"
            aria-label="Search"
            aria-valuemax={news.of}
            aria-valuenow={news.done}
            className="my-0.5 h-1.5 w-full overflow-hidden rounded bg-line"
          >
            <div className="h-full bg-ember" style={{ width: `${(100 * news.done) / Math.max(1, news.of)}%` }} />
          </div>
        )}
        <p className={`font-semibold leading-snug ${news ? 'truncate' : ''}`} role="status">
          {dragBroken?.length
            ? brokenMessage(messageContext, dragBroken[0]!) + moreMessage(dragBroken.length)
            : (line ?? tightestMessage(messageContext, plan))}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2 px-3 py-2 print:hidden">
        <Confidence messageContext={messageContext} input={input} planner={planner} onChange={onConfidence} />
        <Button onClick={onCompare} aria-pressed={comparing}>
          <Columns2 size={16} aria-hidden /> Compare
        </Button>
        <Link href={`/events/${event.id}/run-sheet`} className={buttonClass('plain')}>
          <ListChecks size={17} aria-hidden /> Run sheet
        </Link>
        {news ? (
          <Button look="ember" onClick={onStop}>
            <Square size={14} aria-hidden /> Stop, take the best
          </Button>
        ) : (
          <Button look="strong" onClick={onRePlan} disabled={input.event.batches.length === 0 || input.pits.length === 0}>
            <RefreshCw size={16} aria-hidden /> Re-plan
          </Button>
        )}
      </div>
    </div>
  );
}

const moreMessage = (count: number) => (count > 1 ? ` And ${count - 1} more.` : '');

const TRYING: Record<SearchNews['trying'], (news: { done: number; of: number }) => string> = {
  orders: () => 'Searching: a few orders',
  heats: () => 'Searching: fewer heats',
  earlier: () => 'Searching: everything earlier',
  later: () => 'Searching: later again, where that is in time',
  journeys: () => 'Searching: other drives',
  surer: () => 'Searching: a little earlier what is late',
  moves: ({ done, of }) => `Searching: piece by piece, ${done} of ${of} tried`,
  polish: () => 'Searching: last touches',
};

function headlineOf({ failed, searchFailed, news, planning, dragBroken }: PlanState): [headline: string, line?: string] {
  if (failed || searchFailed) return ['The planner stopped', 'This shows the last plan that was made. Load the page again.'];
  if (dragBroken) return dragBroken.length > 0 ? ['There it would break'] : ['There it fits', 'Let go to pin it here.'];
  if (news) return [TRYING[news.trying](news), 'The best so far is drawn.'];
  return [planning ? 'Planning…' : 'Tightest spot'];
}

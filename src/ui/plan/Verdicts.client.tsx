'use client';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { Plan, Serving } from '../../core/model';
import { concernsServing } from '../../core/planning';
import { clockTime } from '../../formats/clock';
import { batchName, pitName, rackName, type MessageContext } from '../../formats/messages/names';
import { formatOdds, formatShare } from '../../formats/units';

/** A press moves a serving by this much. */
const NUDGE_MIN = 15;

/** One serving: when, how sure that all of it is ready together, and the means to move it. */
export function Verdict({
  serving,
  messageContext,
  plan,
  onMove,
}: {
  serving: Serving;
  messageContext: MessageContext;
  plan: Plan;
  onMove(byMin: number): void;
}) {
  const { event, units } = messageContext;
  const own = new Set(event.batches.filter((batch) => batch.servingId === serving.id).map((batch) => batch.id));
  const runs = plan.runs.filter((run) => own.has(run.batchId));
  const broken = plan.problems.some((problem) => problem.severity === 'broken' && concernsServing(problem, event, serving.id));
  const odds = plan.odds.find((each) => each.servingId === serving.id);
  const sure = odds?.onTimeShare ?? 1;
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
      <p
        className={`whitespace-nowrap text-[1.2rem] font-semibold leading-tight ${broken ? 'text-bad' : runs.length === 0 ? 'text-soft' : ''}`}
      >
        {broken ? (
          'does not fit'
        ) : runs.length === 0 ? (
          'no menu yet'
        ) : (
          <span title={`All of it together, over simulated days; late by ${Math.round(odds?.expectedLateMin ?? 0)} min on average`}>
            <span className={`figures font-bold ${sure >= plan.confidence - 1e-9 ? 'text-safe' : 'text-warn'}`}>{formatOdds(sure)}</span> on
            time
          </span>
        )}
      </p>
    </div>
  );
}

/** The fullest rack of the day, in words. */
export function tightestMessage(messageContext: MessageContext, plan: Plan): string {
  const { tightest } = plan;
  if (!tightest) return 'Nothing is on a pit yet.';
  const { event, units } = messageContext;
  const name = `${pitName(messageContext, tightest.pitId)}, ${rackName(messageContext, tightest.pitId, tightest.rackId)}`;
  const there = plan.runs.filter((run) =>
    run.legs.some(
      (leg) => leg.rackId === tightest.rackId && leg.pitId === tightest.pitId && leg.fromMs < tightest.toMs && leg.toMs > tightest.fromMs,
    ),
  );
  const meats = [...new Set(there.map((run) => batchName(messageContext, run.batchId).toLowerCase()))];
  return `${name}: ${formatShare(tightest.fullShare)} full with ${meats.join(' and ')}, ${clockTime(tightest.fromMs, event.timeZone, units.clock)} to ${clockTime(tightest.toMs, event.timeZone, units.clock)}.`;
}

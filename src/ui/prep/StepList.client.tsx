'use client';
import { Moon } from 'lucide-react';
import type { CookEvent, Plan, PrepStep } from '../../core/model';
import { clockTime, dayAndTime, longDay } from '../../formats/clock';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { prepTaskMessage } from '../../formats/messages/prep';
import { formatMinutes } from '../../formats/units';
import { callAction, complain, type Action } from '../kit/actions';
import { useUnits } from '../kit/UnitsProvider';

interface StepListProps {
  messageContext: MessageContext;
  plan: Plan;
  nowMs: number;
  markStep: Action<CookEvent>;
  onChoose(batchId: string): void;
}

/** Every step with its time, its window and its latest start, ticked off as it is done. */
export function StepList({ messageContext, plan, nowMs, markStep, onChoose }: StepListProps) {
  const units = useUnits();
  const zone = messageContext.event.timeZone;
  // Ticks are the event's: they show at once, before the next plan is there.
  const isDone = ({ batchId, kind }: PrepStep) =>
    messageContext.event.batches.find((batch) => batch.id === batchId)?.prep?.done?.includes(kind) ?? false;
  const steps = plan.prep.map((step) => ({ ...step, done: isDone(step) }));
  const toggle = async (step: PrepStep, done: boolean) => {
    const outcome = await callAction(markStep, { batchId: step.batchId, kind: step.kind, done });
    if (!outcome.ok) complain(outcome.problems);
  };
  const days = [...new Set(steps.map((step) => longDay(step.atMs, zone)))];
  if (steps.length === 0) return <p className="text-soft">Nothing is placed on a pit yet, so nothing can be counted back.</p>;
  return (
    <>
      {days.map((day) => {
        const own = steps.filter((step) => longDay(step.atMs, zone) === day);
        return (
          <section key={day} className="mb-3">
            <h2 className="mb-1 flex items-baseline justify-between border-b-2 border-ink pb-1 text-lg">
              {day}
              <span className="figures font-text text-[0.88rem] font-normal text-soft">
                {formatMinutes(own.reduce((sum, step) => sum + step.minutes * step.prepCrew, 0))} of hands
              </span>
            </h2>
            <ul>
              {own.map((step) => {
                const words = prepTaskMessage(messageContext, step);
                const late = !step.done && step.latestMs < nowMs;
                return (
                  <li
                    key={step.id}
                    className="grid grid-cols-[1.6rem_3.4rem_minmax(0,1fr)_4.4rem_12.5rem] items-baseline gap-2 border-b border-line py-1.5"
                  >
                    <input
                      type="checkbox"
                      className="size-5 self-center"
                      aria-label={`${words.title}: done`}
                      checked={step.done}
                      onChange={(change) => toggle(step, change.target.checked)}
                    />
                    <time dateTime={new Date(step.atMs).toISOString()} className="figures font-bold">
                      {clockTime(step.atMs, zone, units.clock)}
                    </time>
                    <p className={`leading-snug ${step.done ? 'text-soft line-through' : ''}`}>
                      <button type="button" className="text-left font-semibold hover:underline" onClick={() => onChoose(step.batchId)}>
                        {words.title}
                      </button>{' '}
                      <span className="text-[0.9rem] text-soft">{words.detail}</span>
                    </p>
                    <p className="figures text-right text-[0.9rem]">
                      {step.prepCrew} × {formatMinutes(step.minutes)}
                    </p>
                    <p className={`figures text-right text-[0.85rem] ${late ? 'font-bold text-bad' : 'text-soft'}`}>
                      {step.outOfHours && <Moon size={13} className="mr-1 inline" aria-label="outside kitchen hours" />}
                      {late
                        ? 'too late since '
                        : step.earliestMs < step.atMs
                          ? `from ${dayAndTime(step.earliestMs, zone, units.clock)}, `
                          : ''}
                      {late ? dayAndTime(step.latestMs, zone, units.clock) : `latest ${dayAndTime(step.latestMs, zone, units.clock)}`}
                      <span className="sr-only"> for {batchName(messageContext, step.batchId)}</span>
                    </p>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </>
  );
}

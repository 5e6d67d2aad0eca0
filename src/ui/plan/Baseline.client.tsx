'use client';
import { BookmarkCheck, History } from 'lucide-react';
import type { Plan } from '../../core/model';
import { changesSince, type PlanInput } from '../../core/planning';
import { changeMessage } from '../../formats/messages/change';
import { dayAndTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import { Button } from '../kit/Button';

interface BaselineProps {
  messageContext: MessageContext;
  input: Pick<PlanInput, 'event' | 'library'>;
  plan: Plan;
  onKeep?(): void;
}

/** The plan the crew has, against the plan as it is now: what changed, and the means to hand out the new one. */
export function Baseline({ messageContext, input, plan, onKeep }: BaselineProps) {
  const { event } = input;
  const kept = event.baseline;
  if (plan.runs.length === 0) return null;
  const changes = kept ? changesSince(kept, input, plan) : [];
  const when = kept && dayAndTime(kept.savedAtMs, event.timeZone, messageContext.units.clock);
  const button = onKeep && (
    <Button onClick={onKeep} look={changes.length > 0 ? 'ember' : 'plain'} className="print:hidden">
      <BookmarkCheck size={16} aria-hidden /> {kept ? 'Keep the new plan' : 'Keep this plan'}
    </Button>
  );
  if (!kept)
    return (
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-line bg-sheet px-4 py-1.5 text-[0.92rem] print:hidden">
        <p className="text-soft">Not kept yet: keep it when the crew has it, and later changes will show here.</p>
        {button}
      </div>
    );
  if (changes.length === 0)
    return (
      <p className="border-b border-line bg-sheet px-4 py-1.5 text-[0.92rem] text-soft" role="note">
        <BookmarkCheck size={15} className="mr-1 inline text-safe" aria-hidden /> As kept {when}; nothing has changed since.
      </p>
    );
  return (
    <section
      aria-label="Changed since the plan was kept"
      className="flex flex-wrap items-start justify-between gap-3 border-b border-line bg-sheet px-4 py-2"
    >
      <div className="min-w-0 flex-1">
        <p className="font-semibold text-warn">
          <History size={16} className="mr-1 inline" aria-hidden /> Out of date: the plan was kept {when}, and this has changed since
        </p>
        <ul className="mt-0.5 flex flex-wrap gap-x-4 text-[0.92rem]">
          {changes.map((change, i) => (
            <li key={i} className="figures">
              {changeMessage(messageContext, change)}
            </li>
          ))}
        </ul>
      </div>
      {button}
    </section>
  );
}

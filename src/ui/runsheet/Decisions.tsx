import type { Plan } from '../../core/model';
import type { Decision } from '../../core/planning';
import { decisionMessage } from '../../formats/messages/decision';
import type { MessageContext } from '../../formats/messages/names';

/** Moments at which a reading tells whether a run will be late, while something can still be done. */
export function Decisions({
  messageContext,
  plan,
  decisions,
}: {
  messageContext: MessageContext;
  plan: Plan;
  decisions: readonly Decision[];
}) {
  if (decisions.length === 0) return null;
  return (
    <section
      aria-label="Decision points"
      className="mb-5 rounded-md border border-line bg-sheet px-4 py-3 print:border-ink print:text-[0.9rem]"
    >
      <h2 className="text-lg">Decision points</h2>
      <ul className="mt-1 divide-y divide-line">
        {decisions.map((decision) => {
          const { time, words } = decisionMessage(messageContext, plan.runs, decision);
          return (
            <li key={`${decision.runId}${decision.atMs}`} className="grid grid-cols-[4.2rem_1fr] gap-2 py-1">
              <span className="figures font-bold">{time}</span>
              <span>{words}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

import type { Lever, PlanInput, Remedy } from '../../core/planning';
import { leverMessage, remedyMessage } from '../../formats/messages/lever';
import type { MessageContext } from '../../formats/messages/names';
import { Button } from '../kit/Button';

interface LeverListProps {
  label: string;
  messageContext: MessageContext;
  input: Pick<PlanInput, 'spare'>;
  remedies: readonly Remedy[];
  onPull(lever: Lever, words: string): void;
}

/** Names of what stands by. */
export function spareNamesOf({ spare }: Pick<PlanInput, 'spare'>): ReadonlyMap<string, string> {
  const { pits = [], boxes = [], warmers = [], crew = [] } = spare ?? {};
  return new Map([...pits, ...boxes, ...warmers, ...crew].map(({ id, name }) => [id, name]));
}

/** Levers that were tried, what came of each, and a button that pulls it. */
export function LeverList({ label, messageContext, input: { spare }, remedies, onPull }: LeverListProps) {
  const spareNames = spareNamesOf({ spare });
  return (
    <ul aria-label={label} className="divide-y divide-line">
      {remedies.map((remedy) => {
        const words = leverMessage(messageContext, remedy.lever, spareNames);
        return (
          <li key={words} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
            <span className="min-w-0 grow font-semibold">{words}</span>
            <span className={`figures ${remedy.solves ? 'text-safe' : 'text-warn'}`}>{remedyMessage(remedy)}</span>
            <Button onClick={() => onPull(remedy.lever, words)}>Do this</Button>
          </li>
        );
      })}
    </ul>
  );
}

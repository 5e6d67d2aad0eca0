import type { Conflict, Lever, PlanInput, Remedy } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import { conflictMessage, shortageMessage } from '../../formats/messages/shortage';
import { LeverList, spareNamesOf } from './LeverList.client';

export interface Tried {
  /** The plan they were tried on, by what it follows from: it is made anew whenever the event is saved. */
  on: string;
  remedies: Remedy[];
  count: number;
  done: boolean;
  conflict?: Conflict;
}

const SHOWN_REMEDIES = 6;

interface TriedLeversProps {
  messageContext: MessageContext;
  input: PlanInput;
  tried: Tried;
  onPull(lever: Lever, words: string): void;
}

/** What came of every lever: what would do, in a sentence, each with its button, and why it did not fit as it was. */
export function TriedLevers({ messageContext, input, tried: { remedies, done, conflict }, onPull }: TriedLeversProps) {
  const enough = done && shortageMessage(messageContext, remedies, spareNamesOf(input));
  return (
    <div className="border-t border-line px-4 py-2">
      <h2 className="text-[0.93rem] text-soft">Levers, each tried</h2>
      {remedies.length === 0 && done && (
        <p className="py-1">None of the levers helps, nor two of them together. A smaller menu or a lower confidence would.</p>
      )}
      {enough && <p className="py-1 font-semibold">{enough}</p>}
      <LeverList
        label="Remedies"
        messageContext={messageContext}
        input={input}
        remedies={remedies.slice(0, SHOWN_REMEDIES)}
        onPull={onPull}
      />
      {conflict && <p className="pt-1 text-[0.92rem] text-soft">{conflictMessage(messageContext, conflict)}</p>}
    </div>
  );
}

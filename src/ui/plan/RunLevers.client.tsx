'use client';
import { Square, Wrench } from 'lucide-react';
import { useState } from 'react';
import type { Plan } from '../../core/model';
import type { Lever, PlanInput, Remedy } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import type { Planner } from '../../workers/client';
import { Button } from '../kit/Button';
import { LeverList } from './LeverList.client';

interface RunLeversProps {
  messageContext: MessageContext;
  input: PlanInput;
  plan: Plan;
  batchId: string;
  planner: React.RefObject<Planner | undefined>;
  onPull(lever: Lever, words: string): void;
}

/** The levers of one batch, each tried on the plan as it stands when they are asked for. */
export function RunLevers({ messageContext, input, plan, batchId, planner, onPull }: RunLeversProps) {
  const [tried, setTried] = useState<{ on: Plan; batchId: string; remedies: Remedy[]; done: boolean }>();
  const current = tried?.on === plan && tried.batchId === batchId ? tried : undefined;
  const tryAll = async () => {
    const mine = { on: plan, batchId };
    setTried({ ...mine, remedies: [], done: false });
    const isMine = (kept?: typeof tried) => kept?.on === plan && kept.batchId === batchId;
    await planner.current!.levers(batchId, (remedies) => setTried((kept) => (isMine(kept) ? { ...kept!, remedies } : kept)));
    setTried((kept) => (isMine(kept) ? { ...kept!, done: true } : kept));
  };
  return (
    <div className="mt-3 print:hidden">
      <h3 className="text-[0.93rem] text-soft">Levers</h3>
      {!current && (
        <Button className="mt-1" onClick={() => void tryAll()}>
          <Wrench size={16} aria-hidden /> Try its levers
        </Button>
      )}
      {current && (
        <LeverList label="Levers of this run" messageContext={messageContext} input={input} remedies={current.remedies} onPull={onPull} />
      )}
      {current && !current.done && (
        <p className="mt-1 flex items-center gap-2 text-[0.92rem] text-soft" role="status">
          {current.remedies.length} tried
          <Button onClick={() => planner.current?.stopSearch()}>
            <Square size={14} aria-hidden /> Stop
          </Button>
        </p>
      )}
    </div>
  );
}

'use client';
import { Gauge } from 'lucide-react';
import { lazy } from 'react';
import type { PlanInput } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import { formatShare } from '../../formats/units';
import type { Planner } from '../../workers/client';
import { buttonClass } from '../kit/Button';
import { Popover } from '../kit/Popover.client';

const ConfidencePanel = lazy(() => import('./ConfidencePanel.client').then((made) => ({ default: made.ConfidencePanel })));

interface ConfidenceProps {
  messageContext: MessageContext;
  input: PlanInput;
  planner: React.RefObject<Planner | undefined>;
  onChange(confidence: number): void;
}

/** Says how sure the plan is, and opens what being surer costs. */
export function Confidence({ messageContext, input, planner, onChange }: ConfidenceProps) {
  return (
    <Popover
      className={buttonClass('plain')}
      panelLabel="Confidence"
      panelClassName="w-80 p-4"
      button={
        <>
          <Gauge size={16} aria-hidden /> {formatShare(input.event.confidence)} sure
        </>
      }
    >
      {(close) => (
        <ConfidencePanel
          messageContext={messageContext}
          input={input}
          planner={planner}
          onChoose={(confidence) => {
            onChange(confidence);
            close();
          }}
        />
      )}
    </Popover>
  );
}

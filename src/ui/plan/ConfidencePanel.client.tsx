'use client';
import { useEffect, useState } from 'react';
import type { PlanFigures, PlanInput } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import { formatMass, formatOdds, formatShare } from '../../formats/units';
import type { Planner } from '../../workers/client';
import { Button } from '../kit/Button';
import { Slider } from '../kit/Slider';

interface ConfidencePanelProps {
  messageContext: MessageContext;
  input: PlanInput;
  planner: React.RefObject<Planner | undefined>;
  onChoose(confidence: number): void;
}

/** How sure the plan must be, and what being surer costs: asked of the planner as the slider moves. */
export function ConfidencePanel({ messageContext, input, planner, onChoose }: ConfidencePanelProps) {
  const now = input.event.confidence;
  const [wanted, setWanted] = useState(now);
  const [price, setPrice] = useState<{ at: number; now: PlanFigures; then: PlanFigures }>();
  useEffect(() => {
    if (wanted === now) return;
    const soon = setTimeout(() => {
      void planner.current?.atConfidence(input, wanted).then((found) => setPrice({ at: wanted, now: found.now, then: found.figures }));
    }, 150);
    return () => clearTimeout(soon);
  }, [wanted, now, input, planner]);
  const known = price?.at === wanted ? price : undefined;
  return (
    <>
      <Slider
        label="How sure"
        value={Math.round(wanted * 100)}
        min={50}
        max={98}
        step={1}
        shown={formatShare(wanted)}
        onChange={(value) => setWanted(value / 100)}
      />
      <p className="mt-1 text-[0.92rem] text-soft">
        The time kept on a pit covers {formatShare(wanted)} of such cooks; what the cook does not use becomes hold.
      </p>
      {wanted !== now && (
        <>
          <h3 className="mt-3 text-[0.93rem] text-soft">Its price</h3>
          {known ? (
            <ul className="figures mt-1 space-y-0.5 text-[0.95rem]">
              {priceLines(messageContext, known.now, known.then).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          ) : (
            <p role="status" className="mt-1 text-soft">
              Working it out…
            </p>
          )}
          <Button look="ember" className="mt-3" onClick={() => onChoose(wanted)}>
            Plan for {formatShare(wanted)}
          </Button>
        </>
      )}
    </>
  );
}

function priceLines({ event, units }: MessageContext, now: PlanFigures, then: PlanFigures): string[] {
  const time = (ms: number) => dayAndTime(ms, event.timeZone, units.clock);
  const change = (label: string, before: string, after: string) =>
    before === after ? `${label} ${before}, as now` : `${label} ${before} → ${after}`;
  return [
    change('First work', time(now.firstTaskMs), time(then.firstTaskMs)),
    change('Pit hours', now.pitHours.toFixed(1), then.pitHours.toFixed(1)),
    change('Fuel', formatMass(now.fuelKg, units), formatMass(then.fuelKg, units)),
    change('Hold, all pieces', `${now.holdHours.toFixed(0)} h`, `${then.holdHours.toFixed(0)} h`),
    ...event.servings.map((serving) =>
      change(`${serving.name} on time`, formatOdds(now.onTimeShare[serving.id] ?? 1), formatOdds(then.onTimeShare[serving.id] ?? 1)),
    ),
    ...(then.broken > now.broken ? [`${then.broken} would find no place`] : []),
  ];
}

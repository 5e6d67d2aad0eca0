'use client';
import { Eye, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { NamedPlan, Plan } from '../../core/model';
import { namedPlanOf, type PlanFigures, type PlanInput } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import { formatMass, formatMinutes, formatOdds } from '../../formats/units';
import type { Planner } from '../../workers/client';
import type { Compared } from '../../workers/protocol';
import { Button } from '../kit/Button';
import { FileButton } from '../kit/FileButton.client';

/** No plan that is kept has this id. */
const THIS = 'this';

interface CompareProps {
  messageContext: MessageContext;
  input: PlanInput;
  plan: Plan;
  named: readonly NamedPlan[];
  planner: React.RefObject<Planner | undefined>;
  /** Whose runs are drawn over the timeline. */
  shownId?: string;
  onShow(compared: Compared | undefined): void;
  onKeep(name: string): void;
  /** Reads a plan file and keeps it among the named; what is wrong with it, if it is refused. */
  onFile(text: string): Promise<string | undefined>;
  onAdopt(plan: NamedPlan): void;
  onForget(plan: NamedPlan): void;
}

/** Plans of one event side by side: how sure, how much sleep, hold, fire, food and work; one is taken up. */
export function Compare({ messageContext, input, plan, named, planner, shownId, onShow, onKeep, onFile, onAdopt, onForget }: CompareProps) {
  const [compared, setCompared] = useState<Compared[]>([]);
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string>();
  useEffect(() => {
    let stale = false;
    // The plan as it is drawn comes along as one more, so that all figures are worked out alike.
    const current = namedPlanOf(input.event, plan.scheme, THIS, 'This plan');
    void planner.current?.compare(input, [current, ...named]).then((found) => !stale && setCompared(found));
    return () => {
      stale = true;
    };
  }, [planner, input, plan, named]);
  const now = compared.find((each) => each.id === THIS)?.figures;
  const plans: { id: string; name: string; figures: PlanFigures | undefined; kept?: NamedPlan; compared?: Compared }[] = [
    { id: THIS, name: 'This plan', figures: now },
    ...named.map((kept) => {
      const own = compared.find((each) => each.id === kept.id);
      return { id: kept.id, name: kept.name, figures: own?.figures, kept, compared: own };
    }),
  ];
  const measures = measuresOf(messageContext, now);
  return (
    <section aria-label="Compare plans" className="border-b border-line bg-sheet px-4 py-3 print:hidden">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-lg">Plans side by side</h2>
        <form
          className="flex items-end gap-2"
          onSubmit={(submit) => {
            submit.preventDefault();
            if (!name.trim()) return;
            onKeep(name.trim());
            setName('');
          }}
        >
          <label className="text-[0.85rem] text-soft">
            Keep this plan as
            <input
              className="mt-0.5 block min-h-9 w-56 rounded border border-line bg-paper px-2 text-ink"
              value={name}
              maxLength={80}
              placeholder="Low and slow, two pits"
              onChange={(change) => setName(change.target.value)}
            />
          </label>
          <Button type="submit" disabled={name.trim() === ''}>
            Keep
          </Button>
          <FileButton label="Plan file" onText={(text) => void onFile(text).then(setRefused)}>
            Open a plan file
          </FileButton>
        </form>
      </div>
      {refused && (
        <p role="alert" className="mt-2 border-l-4 border-bad px-3 py-1">
          {refused}
        </p>
      )}
      {named.length === 0 ? (
        <p className="mt-2 text-soft">
          Keep this plan under a name, then change methods, pits or confidence: the two will stand here side by side, and either can be
          taken up.
        </p>
      ) : (
        <div className="mt-2 overflow-x-auto">
          <table className="w-full text-left">
            <thead>
              <tr className="border-b border-line align-bottom text-[0.85rem]">
                <th scope="col" className="py-1 pr-3 font-normal text-soft">
                  Plan
                </th>
                {measures.map((measure) => (
                  <th key={measure.label} scope="col" className="py-1 pr-3 font-normal leading-tight text-soft">
                    {measure.label}
                  </th>
                ))}
                <th />
              </tr>
            </thead>
            <tbody>
              {plans.map(({ id, name: own, figures, kept, compared: mine }) => (
                <tr key={id} className="border-b border-line last:border-b-0">
                  <th scope="row" className="max-w-44 py-1.5 pr-3 leading-tight">
                    {own}
                  </th>
                  {measures.map((measure) => (
                    <td
                      key={measure.label}
                      className={`figures py-1.5 pr-3 whitespace-nowrap ${figures && measure.differs(figures) ? 'font-bold' : ''}`}
                    >
                      {figures ? measure.of(figures) : '…'}
                    </td>
                  ))}
                  <td className="py-1.5">
                    {kept ? (
                      <span className="flex justify-end gap-1.5">
                        <Button look="strong" onClick={() => onAdopt(kept)} aria-label={`Adopt ${own}`}>
                          Adopt
                        </Button>
                        <Button
                          aria-pressed={shownId === id}
                          aria-label={`Mark ${own} on the timeline`}
                          disabled={!mine}
                          onClick={() => onShow(shownId === id ? undefined : mine)}
                        >
                          <Eye size={16} aria-hidden /> {shownId === id ? 'Marked' : 'Mark'}
                        </Button>
                        <Button look="quiet" onClick={() => onForget(kept)} aria-label={`Forget ${own}`}>
                          <Trash2 size={16} aria-hidden />
                        </Button>
                      </span>
                    ) : (
                      <span className="block text-right text-soft">as drawn below</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** The figures in words, and whether a plan's is another than this one's. */
function measuresOf(messageContext: MessageContext, now: PlanFigures | undefined) {
  const { event, units } = messageContext;
  const measure = (label: string, of: (figures: PlanFigures) => string) => ({
    label,
    of,
    differs: (figures: PlanFigures) => now !== undefined && of(figures) !== of(now),
  });
  return [
    ...event.servings.map((serving) => measure(`${serving.name} on time`, (figures) => formatOdds(figures.onTimeShare[serving.id] ?? 1))),
    measure('without a place', (figures) => (figures.broken === 0 ? 'nothing' : String(figures.broken))),
    measure('first work', (figures) => (figures.firstTaskMs ? dayAndTime(figures.firstTaskMs, event.timeZone, units.clock) : 'none')),
    measure('woken at night', (figures) => (figures.wakings === 1 ? 'once' : `${figures.wakings} times`)),
    measure('longest sleep', (figures) => formatMinutes(Math.round(figures.sleepMin))),
    measure('hold', (figures) => `${figures.holdHours.toFixed(0)} h`),
    measure('pit hours', (figures) => `${figures.pitHours.toFixed(1)} h`),
    measure('fuel', (figures) => formatMass(figures.fuelKg, units)),
    measure('cooked meat', (figures) => formatMass(figures.yieldKg, units)),
    measure('openings', (figures) => String(figures.openings)),
  ];
}

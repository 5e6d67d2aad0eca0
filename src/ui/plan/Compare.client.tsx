'use client';
import { Eye, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { NamedPlan, Plan } from '../../core/model';
import { namedPlanOf, type PlanFigures, type PlanInput } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import type { Speech } from '../../formats/names';
import { formatMass, formatMinutes, formatShare } from '../../formats/units';
import type { Planner } from '../../workers/client';
import type { Compared } from '../../workers/protocol';
import { Button } from '../kit/Button';
import { FileButton } from '../kit/FileButton.client';

/** No plan that is kept has this id. */
const THIS = 'this';

interface CompareProps {
  speech: Speech;
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
export function Compare({ speech, input, plan, named, planner, shownId, onShow, onKeep, onFile, onAdopt, onForget }: CompareProps) {
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
  const columns: { id: string; name: string; figures: PlanFigures | undefined; kept?: NamedPlan; compared?: Compared }[] = [
    { id: THIS, name: 'This plan', figures: now },
    ...named.map((kept) => {
      const own = compared.find((each) => each.id === kept.id);
      return { id: kept.id, name: kept.name, figures: own?.figures, kept, compared: own };
    }),
  ];
  const rows = figureRows(speech, now);
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
          <table className="w-full min-w-[36rem] text-left">
            <thead>
              <tr className="border-b border-line align-bottom">
                <th className="py-1 pr-3 font-normal text-soft">&nbsp;</th>
                {columns.map((column) => (
                  <th key={column.id} scope="col" className="py-1 pr-3">
                    {column.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.label} className="border-b border-line last:border-b-0">
                  <th scope="row" className="py-1 pr-3 font-normal text-soft">
                    {row.label}
                  </th>
                  {columns.map(({ id, figures }) => (
                    <td key={id} className={`figures py-1 pr-3 ${figures && row.differs(figures) ? 'font-bold' : ''}`}>
                      {figures ? row.of(figures) : '…'}
                    </td>
                  ))}
                </tr>
              ))}
              <tr>
                <td />
                {columns.map(({ id, name: own, kept, compared: mine }) => (
                  <td key={id} className="py-1.5 pr-3">
                    {kept ? (
                      <span className="flex flex-wrap gap-1.5">
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
                      <span className="text-soft">as drawn below</span>
                    )}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** The figures in words, and whether a plan's is another than this one's. */
function figureRows(speech: Speech, now: PlanFigures | undefined) {
  const { event, units } = speech;
  const row = (label: string, of: (figures: PlanFigures) => string) => ({
    label,
    of,
    differs: (figures: PlanFigures) => now !== undefined && of(figures) !== of(now),
  });
  return [
    ...event.servings.map((serving) => row(`${serving.name} on time`, (figures) => formatShare(figures.onTimeShare[serving.id] ?? 1))),
    row('without a place', (figures) => (figures.broken === 0 ? 'nothing' : String(figures.broken))),
    row('first work', (figures) => (figures.firstTaskMs ? dayAndTime(figures.firstTaskMs, event.timeZone, units.clock) : 'none')),
    row('woken in quiet hours', (figures) => (figures.wakings === 1 ? 'once' : `${figures.wakings} times`)),
    row('longest sleep', (figures) => formatMinutes(Math.round(figures.sleepMin))),
    row('hold, all pieces', (figures) => `${figures.holdHours.toFixed(0)} h`),
    row('pit hours', (figures) => `${figures.pitHours.toFixed(1)} h`),
    row('fuel', (figures) => formatMass(figures.fuelKg, units)),
    row('cooked meat', (figures) => formatMass(figures.yieldKg, units)),
    row('openings', (figures) => String(figures.openings)),
  ];
}

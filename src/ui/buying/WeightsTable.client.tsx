'use client';
import { useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { cutIn, GRADES, type Batch, type Grade, type Plan } from '../../core/model';
import { buyingOf } from '../../core/model';
import { supplyOf, type Cost, type Demand, type LearnedTrim } from '../../core/quantities';
import type { PieceWeightsInput } from '../../inputs';
import { clockTime, dayAndTime } from '../../formats/clock';
import { formatMass, formatMoney, formatShare } from '../../formats/units';
import { capital, pieceTag, type MessageContext } from '../../formats/messages/names';
import type { DocumentAction } from '../document/documentActions';
import { announce, complain } from '../kit/actions';
import { FieldError, inputClass } from '../kit/Field';
import { conversions } from '../kit/conversions';
import { NumberField } from '../kit/NumberField';
import { useMarkEdit } from '../kit/undo';
import { useUnits } from '../kit/UnitsProvider';
import { pasteInto, rowsOf, WEIGHT_COLUMNS, type WeightColumn } from './weightsTable';

interface WeightsTableProps {
  messageContext: MessageContext;
  batch: Batch;
  demand: Demand;
  cost?: Cost;
  plan: Plan;
  learned?: LearnedTrim;
  currency: string;
  saveWeights: DocumentAction;
}

/** The scale's figures for every piece, typed down a column or pasted; the plan follows the real pieces. */
export function WeightsTable({ messageContext, batch, demand, cost, plan, learned, currency, saveWeights }: WeightsTableProps) {
  const units = useUnits();
  const { event, library } = messageContext;
  const cut = cutIn(library, batch.cutId)!;
  const { weight, size } = conversions(units);
  const { rows, change, errors, faulty } = useWeights(batch, saveWeights);
  const markEdit = useMarkEdit();
  const table = useRef<HTMLTableElement>(null);
  const same = (value: number) => value;
  const shownIn = { boughtKg: weight.unit!, trimmedKg: weight.unit!, thicknessMm: size.unit! };
  const kept = { boughtKg: weight.kept ?? same, trimmedKg: weight.kept ?? same, thicknessMm: size.kept ?? same };

  const paste = (at: number, column: WeightColumn) => (clip: ClipboardEvent<HTMLInputElement>) => {
    const text = clip.clipboardData.getData('text');
    if (!/[\n\t]/.test(text.trim())) return;
    clip.preventDefault();
    const pasted = pasteInto(rows, at, column, text, kept, shownIn);
    void change(pasted.rows);
    const undo = markEdit?.();
    const left = [
      pasted.unread.length > 0 && `not read: ${pasted.unread.slice(0, 3).join(', ')}`,
      pasted.tooMany > 0 && `${pasted.tooMany} more than there are pieces`,
    ].filter(Boolean);
    announce(`${pasted.filled} figures pasted${left.length > 0 ? `; ${left.join('; ')}` : ''}.`, left.length > 0 ? undefined : undo);
  };
  // Enter and the arrows go up and down the column; Tab goes on to the next figure.
  const walk = (at: number, column: WeightColumn) => (key: KeyboardEvent<HTMLInputElement>) => {
    const by = key.key === 'Enter' || key.key === 'ArrowDown' ? 1 : key.key === 'ArrowUp' ? -1 : 0;
    if (by === 0) return;
    key.preventDefault();
    const next = table.current?.querySelector<HTMLInputElement>(`#weight-${column}-${at + by}`);
    next?.focus();
    next?.select();
  };
  const field = (row: PieceWeightsInput, at: number, column: WeightColumn, label: string) => {
    const id = `weight-${column}-${at}`;
    const error = errors[`pieces.${at}.${column}`];
    return (
      <td className="py-1 pl-3 align-top">
        <NumberField
          id={id}
          label={`${label}, ${pieceTag(messageContext, batch.id, at)}`}
          className="ml-auto w-24"
          {...(column === 'thicknessMm' ? size : weight)}
          unit={undefined}
          decimals={column === 'thicknessMm' ? size.decimals : weight.decimals}
          value={row[column] ?? Number.NaN}
          onChange={(value) =>
            change(
              rows.map((each, other) => (other === at ? { ...each, [column]: Number.isNaN(value) ? undefined : value } : each)),
              id,
            )
          }
          error={error}
          inputProps={{ onPaste: paste(at, column), onKeyDown: walk(at, column) }}
        />
        <FieldError id={id} error={error} />
      </td>
    );
  };
  const odds = formatShare(2 * event.confidence - 1);
  const unit = { mass: units.mass, length: units.mass === 'lb' ? 'in' : 'mm' };
  const supply = supplyOf(demand, batch);
  // Only beef is sold by grade.
  const graded = cut.species === 'beef';
  return (
    <section aria-label={`${capital(cut.name)} as it came`}>
      <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="text-lg">{capital(cut.noun[1])} as they came</h2>
          <p className="text-[0.9rem] text-soft">
            Type the scale’s figure; the plan follows the real piece.
            {learned &&
              ` Trim here runs ${learned.measuredShare.toFixed(2)} over ${learned.pieces}, usual ${learned.usualShare.toFixed(2)}.`}
          </p>
        </div>
        {faulty && (
          <p role="status" className="text-[0.9rem] font-semibold text-bad print:hidden">
            Not saved: look at the red field
          </p>
        )}
      </div>
      <div className="overflow-x-auto rounded-md border border-line bg-sheet">
        <table ref={table} className="w-full min-w-[44rem]">
          <thead className="bg-paper/60 text-[0.85rem]">
            <tr>
              <th className="py-2 pl-3 text-left font-semibold">Tag</th>
              {graded && <th className="py-2 text-left font-semibold">Grade</th>}
              <th className="py-2 pl-3 text-right font-semibold">Bought {unit.mass}</th>
              <th className="py-2 pl-3 text-right font-semibold">Trimmed {unit.mass}</th>
              <th className="py-2 pl-3 text-right font-semibold">Thick end {unit.length}</th>
              <th className="py-2 pl-3 text-right font-semibold">On the pit</th>
              <th className="py-2 pl-3 pr-3 text-right font-semibold">
                {cut.done.by === 'tender' ? 'Tender' : 'Done'}, {odds}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, at) => {
              const run = plan.runs.find((each) => each.pieceIds.includes(row.id));
              const pull = run?.pulls.find((each) => each.pieceId === row.id);
              const weighed = row.boughtKg !== undefined || row.trimmedKg !== undefined;
              const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
              return (
                <tr key={row.id} className="border-t border-line">
                  <td className="figures py-1 pl-3 text-[1.05rem] font-bold">{pieceTag(messageContext, batch.id, at)}</td>
                  {graded && (
                    <td className="py-1">
                      <select
                        aria-label={`Grade of ${pieceTag(messageContext, batch.id, at)}`}
                        className={`${inputClass()} max-w-32`}
                        value={row.grade ?? buyingOf(cut, batch).grade}
                        onChange={(pick) =>
                          change(rows.map((each, other) => (other === at ? { ...each, grade: pick.target.value as Grade } : each)))
                        }
                      >
                        {GRADES.map((grade) => (
                          <option key={grade}>{grade}</option>
                        ))}
                      </select>
                    </td>
                  )}
                  {field(row, at, WEIGHT_COLUMNS[0], 'Bought')}
                  {field(row, at, WEIGHT_COLUMNS[1], 'Trimmed')}
                  {field(row, at, WEIGHT_COLUMNS[2], 'Thick end')}
                  <td className={`figures py-1 pl-3 text-right ${weighed ? '' : 'text-soft'}`}>
                    {run ? (
                      <>
                        {!weighed && 'by shape, '}
                        <time dateTime={new Date(run.onAtMs).toISOString()}>{dayAndTime(run.onAtMs, event.timeZone, units.clock)}</time>
                      </>
                    ) : (
                      'no place yet'
                    )}
                  </td>
                  <td className={`figures py-1 pl-3 pr-3 text-right ${weighed ? '' : 'text-soft'}`}>
                    {pull ? `${time(pull.earlyMs)} to ${time(pull.lateMs)}` : ''}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-[0.9rem] text-soft">
        Paste a column from a spreadsheet, or Tab through; Enter goes down.
        {supply.weighed > 0 &&
          cost &&
          cost.usableTrimKg > 0 &&
          ` Kept trim ${formatMass(cost.usableTrimKg, units)}, worth ${formatMoney(cost.usableTrimWorth, currency)}.`}
      </p>
    </section>
  );
}

/** The rows as typed. What is right goes into the event at once; what is wrong stays as typed, with what is wrong about it at its field. */
function useWeights(batch: Batch, saveWeights: DocumentAction) {
  const inEvent = useMemo(() => rowsOf(batch.pieces), [batch.pieces]);
  const [typed, setTyped] = useState<PieceWeightsInput[]>();
  const [errors, setErrors] = useState<Record<string, string>>({});
  const rows = typed ?? inEvent;
  // The event moved on, by this edit or by an undo: what was typed is in it, or given up.
  const [seen, setSeen] = useState(inEvent);
  if (seen !== inEvent) {
    setSeen(inEvent);
    setTyped(undefined);
    setErrors({});
  }
  /** Typing on in one cell is one step of undo. */
  const change = async (next: PieceWeightsInput[], cell?: string) => {
    setTyped(next);
    const outcome = await saveWeights({ batchId: batch.id, pieces: next }, { key: cell && `weights/${batch.id}/${cell}` });
    setErrors(
      outcome.ok ? {} : Object.fromEntries(outcome.problems.flatMap((each) => (each.path ? [[each.path, each.message ?? '']] : []))),
    );
    if (!outcome.ok && outcome.problems.every((each) => !each.path)) complain(outcome.problems);
  };
  return { rows, change, errors, faulty: Object.keys(errors).length > 0 };
}

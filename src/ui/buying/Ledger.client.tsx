'use client';
import { useState } from 'react';
import { cutIn, type Batch } from '../../core/model';
import { sumOfCost, type Cost, type CostBeside, type Demand, type Supply } from '../../core/quantities';
import { besideSteps, costSteps, demandSteps, overMessage } from '../../formats/messages/demand';
import { capital, type MessageContext } from '../../formats/messages/names';
import { formatHelping, formatMass, formatMoney } from '../../formats/units';
import { overTone } from '../kit/overTone';
import { useUnits } from '../kit/UnitsProvider';

export interface LedgerLine {
  batch: Batch;
  demand: Demand;
  supply: Supply;
  cost?: Cost;
}

interface LedgerProps {
  messageContext: MessageContext;
  lines: LedgerLine[];
  /** What each batch costs beside its meat. */
  beside: ReadonlyMap<string, CostBeside>;
  currency: string;
  chosenId?: string;
  onChoose(batchId: string): void;
}

/** From guests to pieces, a line a dish: every figure with the arrow that made it, and the whole sum behind "why". */
export function Ledger({ messageContext, lines, beside, currency, chosenId, onChoose }: LedgerProps) {
  return (
    <ul className="overflow-hidden rounded-md border border-line bg-sheet">
      {lines.map((line) => (
        <LedgerRow
          key={line.batch.id}
          messageContext={messageContext}
          line={line}
          beside={beside.get(line.batch.id)}
          currency={currency}
          chosen={line.batch.id === chosenId}
          onChoose={() => onChoose(line.batch.id)}
        />
      ))}
    </ul>
  );
}

function LedgerRow({
  messageContext,
  line: { batch, demand, supply, cost },
  beside,
  currency,
  chosen,
  onChoose,
}: {
  messageContext: MessageContext;
  line: LedgerLine;
  beside?: CostBeside;
  currency: string;
  chosen: boolean;
  onChoose(): void;
}) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const cut = cutIn(messageContext.library, batch.cutId)!;
  const percent = Math.round(Math.abs(supply.overShare) * 100);
  const sign = percent === 0 ? '0 %' : `${supply.overShare < 0 ? '−' : '+'}${percent} %`;
  const whole = cost && cost.net + (beside ? sumOfCost(beside) : 0);
  const [dish] = demand.dishes;
  const { servings } = messageContext.event;
  const serving = servings.find((each) => each.id === batch.servingId);
  const bones = dish?.bonesPerPortion;
  const helping = bones === undefined ? formatHelping(dish?.gramsPerPortion ?? 0, units) : `${Number(bones.toFixed(1))} bones`;
  const also = demand.dishes.slice(1).map((each) => `and ${each.name.toLowerCase()}`);
  const range =
    demand.shopKg[0] === demand.shopKg[1]
      ? `${formatMass(demand.shopKg[0], units)} each`
      : `${formatMass(demand.shopKg[0], units).replace(/ (lb|kg)$/, '')} to ${formatMass(demand.shopKg[1], units)} each`;
  return (
    <li
      className={`border-t border-line first:border-t-0 ${chosen ? 'border-l-4 border-l-ember bg-shade' : 'border-l-4 border-l-transparent'}`}
    >
      <div className="grid grid-cols-[minmax(9.5rem,1.3fr)_4.6rem_minmax(4.5rem,1fr)_4.6rem_minmax(4.5rem,1fr)_4.6rem_minmax(5.5rem,1.1fr)_3.4rem_4.4rem_4.8rem] items-center px-3 py-2">
        <div className="leading-snug">
          <button type="button" aria-pressed={chosen} onClick={onChoose} className="block text-left font-title font-bold">
            {batch.label || capital(cut.name)}
          </button>
          <p className="text-[0.85rem] text-soft">
            {serving?.name.toLowerCase()}, {helping} a head {also.join(' ')}{' '}
            <button
              type="button"
              aria-expanded={open}
              aria-label={`Why so much ${batch.label || cut.name}`}
              onClick={() => setOpen(!open)}
              className="px-1 font-semibold text-ember-ink underline decoration-dotted underline-offset-2"
            >
              why
            </button>
          </p>
        </div>
        <Figure label="cooked" value={formatMass(demand.cookedKg, units)} />
        <Arrow words={bones === undefined ? `yield ${demand.yieldShare.toFixed(2)}` : `${cut.bones} bones a rack`} />
        <Figure label="trimmed" value={formatMass(demand.trimmedKg, units)} />
        <Arrow words={demand.trimShare > 0 ? `trim ${demand.trimShare.toFixed(2)}` : 'no trim'} />
        <Figure label="bought" value={formatMass(demand.boughtKg, units)} />
        <Arrow words={range} />
        <Figure label={cut.noun[1]} value={String(supply.pieces)} />
        <p className="text-right leading-tight">
          <span className={`figures block font-bold ${overTone(supply.overShare)}`}>{sign}</span>
          <span className="text-[0.82rem] text-soft">{percent === 0 ? 'just right' : supply.overShare < 0 ? 'short' : 'over'}</span>
        </p>
        <p className="text-right leading-tight">
          <span className="figures block font-bold">
            {whole === undefined ? '–' : formatMoney(whole / Math.max(1e-9, demand.portions), currency)}
          </span>
          <span className="text-[0.82rem] text-soft">a portion</span>
        </p>
      </div>
      {open && (
        <ol className="mx-3 mb-2.5 max-w-3xl border-t border-line text-[0.9rem]">
          {demandSteps(demand, cut, servings, units).map((step) => (
            <li key={step} className="figures border-t border-line py-1 first:border-t-0">
              {step}
            </li>
          ))}
          <li className="figures border-t border-line py-1">
            There are {supply.pieces}, {formatMass(supply.trimmedKg, units)} trimmed: {overMessage(supply.overShare)}
            {supply.weighed < supply.pieces &&
              overMessage(supply.overRange[0]) !== overMessage(supply.overRange[1]) &&
              `; from ${overMessage(supply.overRange[0])} to ${overMessage(supply.overRange[1])} at the lightest and heaviest the shop sells`}
          </li>
          {cost && <li className="figures border-t border-line py-1">{costSteps(cost, demand, supply, currency, units)}</li>}
          {cost && beside && <li className="figures border-t border-line py-1">{besideSteps(cost, beside, demand, currency)}</li>}
        </ol>
      )}
    </li>
  );
}

function Figure({ label, value }: { label: string; value: string }) {
  return (
    <p className="text-right leading-tight">
      <span className="block text-[0.82rem] text-soft">{label}</span>
      <span className="figures whitespace-nowrap font-bold">{value}</span>
    </p>
  );
}

function Arrow({ words }: { words: string }) {
  return (
    <p className="px-1.5 text-center text-[0.78rem] leading-tight text-soft">
      <span className="figures">{words}</span>
      <svg viewBox="0 0 100 6" preserveAspectRatio="none" className="block h-1.5 w-full" aria-hidden>
        <line x1="0" x2="96" y1="3" y2="3" stroke="var(--line)" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
        <path d="M95 0.5 L100 3 L95 5.5 Z" fill="var(--soft)" />
      </svg>
    </p>
  );
}

'use client';
import { laysWood, smokeShareOf } from '../../core/fire';
import {
  buyingOf,
  cutIn,
  GRADES,
  LOOKED_AT,
  pieceSize,
  prepOf,
  purposeOf,
  type Batch,
  type CookEvent,
  type Receipt,
} from '../../core/model';
import type { MethodPrice, MethodPrices } from '../../core/planning';
import { compareCuts, type Demand } from '../../core/quantities';
import { SAFETY_RULES } from '../../core/safety';
import type { BuyingInput, ReceiptInput } from '../../inputs';
import { capital, type MessageContext } from '../../formats/messages/names';
import { formatArea, formatHelping, formatMinutes, formatMoney, formatShare, formatTemp, withFigures } from '../../formats/units';
import type { Action } from '../kit/actions';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, Tick, TextField } from '../kit/formFields';
import { Term } from '../kit/Term';
import { useUnits } from '../kit/UnitsProvider';

const GRID = 'grid grid-cols-2 gap-3 sm:grid-cols-4';

/** From whom, which grade, at what price, in which weights, and what the trim is worth. */
export function BuyingForm({
  messageContext,
  batch,
  saveBuying,
}: {
  messageContext: MessageContext;
  batch: Batch;
  saveBuying: Action<CookEvent>;
}) {
  const { weight, percent, price } = conversions(useUnits());
  const cut = cutIn(messageContext.library, batch.cutId)!;
  const { shopKg = cut.typicalBoughtKg, ...buying } = buyingOf(cut, batch);
  const values: BuyingInput = { batchId: batch.id, ...buying, shopKg };
  return (
    <InputForm<BuyingInput, CookEvent>
      key={JSON.stringify(batch.buying)}
      schema="BuyingInput"
      values={values}
      save={saveBuying}
      saved={() => 'Saved; pieces that follow the guests follow the weights.'}
      cancellable={false}
      className={GRID}
    >
      <TextField<BuyingInput> name="source" label="Bought from" />
      <SelectField<BuyingInput> name="grade" label="Grade" options={GRADES.map((grade) => [grade, grade] as const)} />
      <FigureField<BuyingInput> name="pricePerKg" label="Price" conversion={price} optional />
      <TextField<BuyingInput> name="wood" label="Wood" />
      <FigureField<BuyingInput> name="shopKg.0" label="Sold from" conversion={weight} />
      <FigureField<BuyingInput> name="shopKg.1" label="to" conversion={weight} />
      <FigureField<BuyingInput> name="usableTrimShare" label="Trim worth keeping" conversion={percent} />
      <FigureField<BuyingInput> name="usableTrimPerKg" label="worth" conversion={price} />
    </InputForm>
  );
}

const EYE_WORDS: Record<(typeof LOOKED_AT)[number], string> = {
  thinEnd: 'Thin end',
  marbling: 'Marbling',
  fatCap: 'Fat cap',
  torn: 'Loose or torn parts',
};
const VERDICTS: [string, string][] = [
  ['', 'not looked at'],
  ['accept', 'accept'],
  ['trim', 'trim out'],
  ['sendBack', 'send back'],
];
const UNSEEN: Receipt = { packWhole: false, colourGood: false, fatEven: false, note: '' };

/** What to look at when the meat comes in. */
export function ReceivingForm({ batch, saveReceipt }: { batch: Batch; saveReceipt: Action<CookEvent> }) {
  const units = useUnits();
  const { heat, size } = conversions(units);
  const refused = LOOKED_AT.filter((what) => batch.received?.[what] === 'sendBack');
  const { coldHold } = SAFETY_RULES;
  const values: ReceiptInput = { batchId: batch.id, ...UNSEEN, ...batch.received };
  const warm = (batch.received?.coreC ?? 0) > coldHold.limit;
  return (
    <>
      {warm && (
        <p role="alert" className="mb-3 border-l-4 border-bad bg-sheet px-3 py-1.5">
          <strong>
            It measured {formatTemp(batch.received!.coreC!, units)}, above {formatTemp(coldHold.limit, units)} (
            {withFigures(coldHold.source, units)}).
          </strong>{' '}
          Send it back, or ask the department before you use it.
        </p>
      )}
      {refused.length > 0 && (
        <p role="alert" className="mb-3 border-l-4 border-warn bg-sheet px-3 py-1.5">
          <strong>Goes back: {refused.map((what) => EYE_WORDS[what].toLowerCase()).join(', ')}.</strong> The plan still counts on these
          pieces: take them off, or put in what comes in their place.
        </p>
      )}
      <InputForm<ReceiptInput, CookEvent>
        key={JSON.stringify(batch.received)}
        schema="ReceiptInput"
        values={values}
        save={saveReceipt}
        saved={() => 'Receiving noted.'}
        cancellable={false}
        className={GRID}
      >
        <FigureField<ReceiptInput>
          name="coreC"
          label={`Core, at or below ${formatTemp(coldHold.limit, units)}`}
          conversion={heat}
          optional
        />
        <Tick<ReceiptInput> name="packWhole" label="Pack whole, in date" />
        <Tick<ReceiptInput> name="colourGood" label="Colour and smell good" />
        <Tick<ReceiptInput> name="fatEven" label="Fat cover even, thickness even" />
        <FigureField<ReceiptInput> name="thinEndMm" label="Thin end, thickness" conversion={size} optional />
        {LOOKED_AT.map((what) => (
          <SelectField<ReceiptInput> key={what} name={what} label={EYE_WORDS[what]} options={VERDICTS} optional />
        ))}
        <TextField<ReceiptInput> name="note" label="Note" className="col-span-full" />
      </InputForm>
    </>
  );
}

/** The same plate from other cuts: what a portion costs and how much rack it takes. */
export function OtherCuts({
  messageContext,
  prices,
  batch,
  demand,
  currency,
}: {
  messageContext: MessageContext;
  prices: MethodPrices;
  batch: Batch;
  demand: Demand;
  currency: string;
}) {
  const units = useUnits();
  const own = cutIn(messageContext.library, batch.cutId)!;
  const priced = { ...own, pricePerKg: buyingOf(own, batch).pricePerKg };
  const cuts = messageContext.library.cuts
    .filter((cut) => cut.species !== 'dish' && (purposeOf(cut) === purposeOf(own) || cut.species === own.species))
    .map((cut) => (cut.id === own.id ? priced : cut));
  // Where wood is laid on, more or less of it is more or less smoke.
  const laid = messageContext.pits.some(laysWood);
  const { smoke = 'usual' } = prepOf(own, batch);
  const smokeShare = laid ? smokeShareOf(smoke) : 1;
  const rows = compareCuts(demand, cuts, (cut, kg) => pieceSize(cut, kg));
  if (own.species === 'dish') return <p className="text-soft">A pan takes its rack whatever is in it.</p>;
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[46rem]">
        <caption className="pb-2 text-left text-[0.9rem] text-soft">
          For the same guests and the same share of the plate; hours, bark, smoke and yield of a usual piece by the model, by the method on
          the menu or, where that is not for the cut, its first. Prices are the library’s starting ones until you put in your own; trim is
          not taken off.{smoke !== 'usual' && laid && ` Smoke is told for a ${smoke} one, as this batch wants it.`}
        </caption>
        <thead className="text-[0.85rem]">
          <tr>
            <th className="py-1 text-left font-semibold">Cut</th>
            <th className="py-1 text-right font-semibold">Pieces</th>
            <th className="py-1 text-right font-semibold">Bought a portion</th>
            <th className="py-1 text-right font-semibold">Cost a portion</th>
            <th className="py-1 text-right font-semibold">Rack a portion</th>
            <th className="py-1 text-right font-semibold">Cooks for</th>
            <th className="py-1 text-right font-semibold">
              <Term id="bark">Bark set at</Term>
            </th>
            <th className="py-1 text-right font-semibold">Smoke</th>
            <th className="py-1 text-right font-semibold">
              <Term id="yield">Yield</Term>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const cut = cuts.find((each) => each.id === row.cutId)!;
            return (
              <tr key={row.cutId} className={`border-t border-line ${row.cutId === own.id ? 'font-bold' : ''}`}>
                <td className="py-1">
                  {capital(cut.name)}
                  {row.cutId === own.id && <span className="font-normal text-soft">, on the menu</span>}
                </td>
                <td className="figures py-1 text-right">{row.pieces}</td>
                <td className="figures py-1 text-right">{formatHelping(row.boughtKgPerPortion * 1000, units)}</td>
                <td className="figures py-1 text-right">
                  {row.costPerPortion === undefined ? '–' : formatMoney(row.costPerPortion, currency)}
                </td>
                <td className="figures py-1 text-right">{formatArea(row.rackMm2PerPortion, units)}</td>
                <CookedFigures
                  price={priceLike(prices[cut.id] ?? {}, batch.methodId)}
                  smokeShare={smokeShare}
                  hasBark={cut.done.by === 'tender'}
                />
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** By the same method, or by the first the cut is offered. */
const priceLike = (prices: Record<string, MethodPrice>, methodId: string): MethodPrice | undefined =>
  prices[methodId] ?? Object.values(prices)[0];

function CookedFigures({ price, smokeShare, hasBark }: { price?: MethodPrice; smokeShare: number; hasBark: boolean }) {
  const cell = 'figures whitespace-nowrap py-1 pl-3 text-right';
  if (!price) return <td colSpan={4} />;
  return (
    <>
      <td className={cell}>{formatMinutes(Math.round(price.cookMin / 5) * 5)}</td>
      <td className={cell}>
        {!hasBark ? '–' : price.barkSetMin === undefined ? 'not set' : formatMinutes(Math.round(price.barkSetMin / 5) * 5)}
      </td>
      <td className={cell}>{(price.smokeH * smokeShare).toFixed(1)} h</td>
      <td className={cell}>{formatShare(price.yieldShare)}</td>
    </>
  );
}

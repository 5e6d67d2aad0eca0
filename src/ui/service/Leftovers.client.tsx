'use client';
import { Printer } from 'lucide-react';
import { cutIn, type Batch, type CookEvent, type CoolingWay } from '../../core/model';
import { COOLING_RULE, KEEPS_DAYS, type CoolingForecast } from '../../core/safety';
import type { LeftoverInput } from '../../inputs';
import { dayAndTime, shortDay } from '../../formats/clock';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { batchContents } from '../../core/quantities';
import { contentsMessage } from '../../formats/messages/carried';
import { formatLength, formatMass, formatMinutes, formatTemp, withFigures } from '../../formats/units';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

const WAYS: Record<CoolingWay, string> = { fridge: 'in the fridge', ice: 'in an ice bath', blast: 'in a blast chiller' };
const DAY_MS = 86_400_000;

interface LeftoversProps {
  messageContext: MessageContext;
  cooling: Record<string, CoolingForecast>;
  keeps: { way: CoolingWay; thicknessMm?: number }[];
  saveLeftover: Action<CookEvent>;
}

/** What is left: weighed, cooled by the two-stage rule with its own forecast, labelled, and how to reheat it. */
export function Leftovers({ messageContext, cooling, keeps, saveLeftover }: LeftoversProps) {
  const { event, units } = messageContext;
  const lengths = keeps.map(({ way, thicknessMm }) =>
    thicknessMm === undefined
      ? `${WAYS[way]}: nothing thick enough to handle keeps it`
      : `${WAYS[way]}: up to ${formatLength(thicknessMm, units)} thick`,
  );
  const written = event.batches.filter((batch) => batch.leftover);
  return (
    <>
      <section aria-label="Leftovers" className="rounded-md border border-line bg-sheet p-4 print:hidden">
        <h2 className="text-lg">Afterwards</h2>
        <p className="max-w-4xl text-[0.93rem] text-soft">
          {formatTemp(COOLING_RULE.fromC, units)} to {formatTemp(COOLING_RULE.middleC, units)} within {formatMinutes(COOLING_RULE.firstMin)}
          , to {formatTemp(COOLING_RULE.endC, units)} within {formatMinutes(COOLING_RULE.secondMin)} more (
          {withFigures(COOLING_RULE.source, units)}; local code decides). What keeps it: {lengths.join('; ')}.
        </p>
        {event.batches.map((batch) => (
          <LeftoverRow
            key={batch.id}
            messageContext={messageContext}
            batch={batch}
            cooling={cooling[batch.id]}
            saveLeftover={saveLeftover}
          />
        ))}
      </section>
      {written.length > 0 && (
        <section aria-label="Labels" className="mt-4">
          <div className="mb-2 flex items-center justify-between print:hidden">
            <h2 className="text-lg">Labels</h2>
            <Button onClick={() => window.print()}>
              <Printer size={16} aria-hidden /> Print labels
            </Button>
          </div>
          <ul className="grid grid-cols-2 gap-3 md:grid-cols-3">
            {written.map((batch) => (
              <Label key={batch.id} messageContext={messageContext} batch={batch} cooling={cooling[batch.id]} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function LeftoverRow({
  messageContext,
  batch,
  cooling,
  saveLeftover,
}: {
  messageContext: MessageContext;
  batch: Batch;
  cooling?: CoolingForecast;
  saveLeftover: Action<CookEvent>;
}) {
  const units = useUnits();
  const { weight, size } = conversions(units);
  const values: LeftoverInput = { batchId: batch.id, kg: 0, portionThicknessMm: 40, way: 'ice', ...batch.leftover };
  return (
    <details className="border-t border-line py-2" open={batch.leftover !== undefined}>
      <summary>
        <span className="font-title font-bold">{batchName(messageContext, batch.id)}</span>{' '}
        <span className="text-[0.93rem] text-soft">
          {batch.leftover ? `${formatMass(batch.leftover.kg, units)} left, ${WAYS[batch.leftover.way]}` : 'nothing written down'}
        </span>
      </summary>
      <div className="mt-2 grid gap-4 md:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
        <InputForm<LeftoverInput, CookEvent>
          key={JSON.stringify(batch.leftover)}
          schema="LeftoverInput"
          values={values}
          save={saveLeftover}
          saved={() => `${batchName(messageContext, batch.id)}: noted.`}
          cancellable={false}
          className="grid grid-cols-3 gap-3"
        >
          <FigureField<LeftoverInput> name="kg" label="Left over" conversion={weight} />
          <FigureField<LeftoverInput> name="portionThicknessMm" label="Portioned to, thick" conversion={size} />
          <SelectField<LeftoverInput>
            name="way"
            label="Cooled"
            options={[
              ['fridge', 'in the fridge'],
              ['ice', 'in an ice bath'],
              ['blast', 'in a blast chiller'],
            ]}
          />
        </InputForm>
        {cooling && (
          <div className={`self-start border-l-4 px-3 py-1 ${cooling.keepsRule ? 'border-safe' : 'border-bad'}`}>
            <p className="font-semibold">{cooling.keepsRule ? 'Keeps the two-stage rule' : 'Breaks the two-stage rule'}</p>
            <p className="figures text-[0.93rem]">
              To {formatTemp(COOLING_RULE.middleC, units)}: {stage(cooling.firstMin, COOLING_RULE.firstMin)}
              <br />
              To {formatTemp(COOLING_RULE.endC, units)}: {stage(cooling.secondMin, COOLING_RULE.secondMin)}
            </p>
            {!cooling.keepsRule && (
              <p className="text-[0.93rem] text-soft">Portion thinner, or take ice or a blast chiller; else throw it away.</p>
            )}
          </div>
        )}
      </div>
    </details>
  );
}

const stage = (minutes: number | undefined, most: number): string =>
  minutes === undefined ? `not within a day (${formatMinutes(most)} is the most)` : `${formatMinutes(minutes)} of ${formatMinutes(most)}`;

/** What stands on the container. */
function Label({ messageContext, batch, cooling }: { messageContext: MessageContext; batch: Batch; cooling?: CoolingForecast }) {
  const { event, units, library } = messageContext;
  const serving = event.servings.find((each) => each.id === batch.servingId)!;
  const cooledMs = serving.atMs + serving.serveForMin * 60_000;
  const useByMs = cooledMs + (KEEPS_DAYS - 1) * DAY_MS;
  const cut = cutIn(library, batch.cutId);
  return (
    <li className="break-inside-avoid rounded border-2 border-ink bg-sheet p-3 text-[0.93rem]">
      <p className="font-title text-[1.1rem] font-bold">{batchName(messageContext, batch.id)}</p>
      <p className="text-soft">
        {event.name} · {formatMass(batch.leftover!.kg, units)}
      </p>
      <p className="figures">
        Cooling from {dayAndTime(cooledMs, event.timeZone, units.clock)}
        {cooling?.firstMin !== undefined &&
          `, ${formatTemp(COOLING_RULE.middleC, units)} by ${dayAndTime(cooledMs + cooling.firstMin * 60_000, event.timeZone, units.clock)}`}
      </p>
      <p className="figures font-bold">
        Use by {shortDay(useByMs, event.timeZone)}, kept at or below {formatTemp(5, units)}
      </p>
      <p>
        Contains <strong>{contentsMessage(batchContents(batch, library))}</strong>
      </p>
      <p className="text-[0.88rem]">
        Reheat to {formatTemp(74, units)} throughout, within 2 h, once
        {cut && cut.done.by === 'tender' ? '; covered, with its own juice' : ''}.
      </p>
    </li>
  );
}

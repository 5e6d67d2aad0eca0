'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { DEFAULT_VENUE, MILD_DAY, type CookEvent, type CrewMember } from '../../core/model';
import type { DayInput } from '../../inputs';
import { localDate, localTime } from '../../formats/clock';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { MomentField, SelectField, FigureField, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';

type D = DayInput;

export const dayInput = (event: CookEvent): D => ({
  venue: { ...DEFAULT_VENUE, ...event.venue },
  weather: { ...MILD_DAY, ...event.weather },
  duty: (event.duty ?? []).map(({ memberId, fromMs, toMs }) => ({
    memberId,
    fromDate: localDate(fromMs, event.timeZone),
    fromTime: localTime(fromMs, event.timeZone),
    toDate: localDate(toMs, event.timeZone),
    toTime: localTime(toMs, event.timeZone),
  })),
});

/** The way to the venue, the weather the pits stand in, when the crew would sleep, and who is on duty. */
export function DayForm({
  event,
  crew,
  saveDay,
  onDone,
}: {
  event: CookEvent;
  crew: readonly CrewMember[];
  saveDay: Action<CookEvent>;
  onDone(): void;
}) {
  const { minutes, heat, wind } = conversions(useUnits());
  return (
    <InputForm<D, CookEvent>
      schema="DayInput"
      values={dayInput(event)}
      save={saveDay}
      saved={() => 'Saved; fuel and plan follow.'}
      onDone={() => onDone()}
    >
      <FigureField<D> name="weather.airC" label="Air" conversion={heat} />
      <FigureField<D> name="weather.windMPerS" label="Wind" conversion={wind} />
      <MomentField<D> name="venue.quietFrom" label="Quiet from" kind="clock" />
      <MomentField<D> name="venue.quietTo" label="to" kind="clock" />
      <FigureField<D> name="venue.driveMin" label="Drive to the venue" conversion={minutes} />
      <FigureField<D> name="venue.setUpMin" label="Setting up there" conversion={minutes} />
      <TextField<D> name="venue.power" label="Power there" className="col-span-2" />
      <TextField<D> name="venue.rules" label="Rules of the place: fire, smoke, hours, water, waste" className="col-span-2 sm:col-span-4" />
      <div className="col-span-2 sm:col-span-4">
        <Shifts event={event} crew={crew} />
      </div>
    </InputForm>
  );
}

function Shifts({ event, crew }: { event: CookEvent; crew: readonly CrewMember[] }) {
  const { control } = useFormContext<D>();
  const shifts = useFieldArray({ control, name: 'duty', keyName: 'key' });
  const date = localDate(Math.max(...event.servings.map((serving) => serving.atMs)), event.timeZone);
  return (
    <>
      <h3 className="mb-1 text-base">On duty</h3>
      {crew.length === 0 && <p className="text-soft">Put down the names of your crew under Equipment first.</p>}
      <ul className="space-y-2">
        {shifts.fields.map((shift, i) => (
          <li key={shift.key} className="grid grid-cols-2 gap-2 sm:grid-cols-[1.3fr_1fr_0.8fr_1fr_0.8fr_auto]">
            <SelectField<D> name={`duty.${i}.memberId`} label="Who" options={crew.map((member) => [member.id, member.name] as const)} />
            <MomentField<D> name={`duty.${i}.fromDate`} label="From" kind="day" />
            <MomentField<D> name={`duty.${i}.fromTime`} label="at" kind="clock" />
            <MomentField<D> name={`duty.${i}.toDate`} label="Until" kind="day" />
            <MomentField<D> name={`duty.${i}.toTime`} label="at" kind="clock" />
            <Button look="quiet" className="self-end px-2" aria-label={`Remove shift ${i + 1}`} onClick={() => shifts.remove(i)}>
              <Trash2 size={16} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      {crew.length > 0 && (
        <Button
          className="mt-2"
          onClick={() => shifts.append({ memberId: crew[0]!.id, fromDate: date, fromTime: '06:00', toDate: date, toTime: '21:00' })}
        >
          <Plus size={16} aria-hidden /> Add a shift
        </Button>
      )}
    </>
  );
}

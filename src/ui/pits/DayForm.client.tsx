'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { useEffect } from 'react';
import {
  DEFAULT_VENUE,
  MILD_DAY,
  placesOf,
  servingPlaceId,
  standsAt,
  type CookEvent,
  type CrewMember,
  type Equipment,
  type EventPlace,
  type Standing,
} from '../../core/model';
import type { DayInput } from '../../inputs';
import { localDate, localTime } from '../../formats/clock';
import type { Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { MomentField, SelectField, FigureField, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';
import { newId } from '../kit/newId';

type D = DayInput;

type Chosen = Pick<Equipment, 'pits' | 'boxes' | 'warmers' | 'crew'>;

/** What of an event may begin elsewhere than at its first place, by its name. */
function movable(event: CookEvent, { pits, boxes, warmers, crew }: Chosen): { kind: Standing['kind']; thingId: string; name: string }[] {
  const on = new Set(event.duty?.map((shift) => shift.memberId));
  const list = (kind: Standing['kind'], things: readonly { id: string; name: string }[]) =>
    things.map(({ id, name }) => ({ kind, thingId: id, name }));
  return [
    ...list(
      'pit',
      pits.filter(({ id }) => event.pitIds.includes(id)),
    ),
    ...list(
      'gear',
      [...boxes, ...warmers].filter(({ id }) => event.boxIds.includes(id) || event.warmerIds?.includes(id)),
    ),
    ...list(
      'crew',
      crew.filter(({ id }) => on.has(id)),
    ),
  ];
}

/** Every two places, each pair once, with the minutes between where they are known. */
const pairsOf = (places: readonly EventPlace[], roads: readonly { fromId: string; toId: string; minutes?: number }[]): D['roads'] =>
  places.flatMap((from, i) =>
    places.slice(i + 1).map((to) => {
      const known = roads.find(
        (road) => (road.fromId === from.id && road.toId === to.id) || (road.fromId === to.id && road.toId === from.id),
      );
      return { fromId: from.id, toId: to.id, minutes: known?.minutes } as D['roads'][number];
    }),
  );

export const dayInput = (event: CookEvent, equipment: Chosen): D => ({
  places: [...placesOf(event)],
  roads: pairsOf(placesOf(event), event.roads ?? []),
  servedAt: event.servings.map((serving) => ({ servingId: serving.id, placeId: servingPlaceId(event, serving) })),
  standing: movable(event, equipment).map(({ kind, thingId }) => ({ kind, thingId, placeId: standsAt(event, kind, thingId) })),
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

/** The places and the ways between, the weather the pits stand in, when the crew would sleep, and who is on duty. */
export function DayForm({
  event,
  equipment,
  saveDay,
  onDone,
}: {
  event: CookEvent;
  equipment: Chosen;
  saveDay: Action<CookEvent>;
  onDone(): void;
}) {
  const { minutes, heat, wind } = conversions(useUnits());
  return (
    <InputForm<D, CookEvent>
      schema="DayInput"
      values={dayInput(event, equipment)}
      save={saveDay}
      saved={() => 'Saved; fuel and plan follow.'}
      onDone={() => onDone()}
    >
      <FigureField<D> name="weather.airC" label="Air" conversion={heat} />
      <FigureField<D> name="weather.windMPerS" label="Wind" conversion={wind} />
      <MomentField<D> name="venue.quietFrom" label="Quiet from" kind="clock" />
      <MomentField<D> name="venue.quietTo" label="to" kind="clock" />
      <div className="col-span-2 sm:col-span-4">
        <Places event={event} equipment={equipment} />
      </div>
      <FigureField<D> name="venue.setUpMin" label="Setting up before serving" conversion={minutes} />
      <TextField<D> name="venue.power" label="Power there" className="col-span-2 sm:col-span-3" />
      <TextField<D> name="venue.rules" label="Rules of the place: fire, smoke, hours, water, waste" className="col-span-2 sm:col-span-4" />
      <div className="col-span-2 sm:col-span-4">
        <Shifts event={event} crew={equipment.crew} />
      </div>
    </InputForm>
  );
}

/** Where it is cooked and served, how far apart that is, and what begins where. */
function Places({ event, equipment }: { event: CookEvent; equipment: Chosen }) {
  const { minutes } = conversions(useUnits());
  const { control, getValues, setValue } = useFormContext<D>();
  const list = useFieldArray({ control, name: 'places', keyName: 'key' });
  const places = useWatch({ control, name: 'places' });
  const ids = places.map((place) => place.id).join();
  useEffect(() => {
    const known = getValues('places');
    setValue('roads', pairsOf(known, getValues('roads')));
    const gone = (placeId: string) => !known.some((place) => place.id === placeId);
    getValues('servedAt').forEach(({ placeId }, i) => gone(placeId) && setValue(`servedAt.${i}.placeId`, known[0]!.id));
    getValues('standing').forEach(({ placeId }, i) => gone(placeId) && setValue(`standing.${i}.placeId`, known[0]!.id));
  }, [ids, getValues, setValue]);
  const roads = useWatch({ control, name: 'roads' });
  const options = places.map(({ id, name }) => [id, name || 'unnamed'] as const);
  const nameOf = (id: string) => places.find((place) => place.id === id)?.name || 'unnamed';
  const things = movable(event, equipment);
  const add = () => {
    const id = newId().slice(0, 13);
    list.append({ id, name: event.place.slice(0, 40) || 'Venue' });
    // The first place one drives to is where it is served, until something else is said.
    if (places.length === 1) getValues('servedAt').forEach((_, i) => setValue(`servedAt.${i}.placeId`, id));
  };
  return (
    <>
      <h3 className="mb-1 text-base">Places</h3>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {list.fields.map((place, i) => (
          <li key={place.key} className="flex gap-1">
            <TextField<D> name={`places.${i}.name`} label={i === 0 ? 'All begins at' : `Place ${i + 1}`} className="grow" />
            {i > 0 && (
              <Button look="quiet" className="self-end px-2" aria-label={`Remove place ${i + 1}`} onClick={() => list.remove(i)}>
                <Trash2 size={16} aria-hidden />
              </Button>
            )}
          </li>
        ))}
        <li className="self-end">
          <Button onClick={add}>
            <Plus size={16} aria-hidden /> Add a place
          </Button>
        </li>
        {roads.length > 0 &&
          roads.map(({ fromId, toId }, i) => (
            <li key={`${fromId} ${toId}`}>
              <FigureField<D> name={`roads.${i}.minutes`} label={`${nameOf(fromId)} to ${nameOf(toId)}`} conversion={minutes} optional />
            </li>
          ))}
      </ul>
      {places.length > 1 && (
        <>
          <h3 className="mb-1 mt-3 text-base">Served at</h3>
          <ul className="grid grid-cols-2 gap-2 sm:grid-cols-4">
            {event.servings.map((serving, i) => (
              <li key={serving.id}>
                <SelectField<D> name={`servedAt.${i}.placeId`} label={serving.name} options={options} />
              </li>
            ))}
          </ul>
          {things.length > 0 && (
            <details className="mt-3">
              <summary className="cursor-pointer text-base">What does not begin at {nameOf(places[0]!.id)}</summary>
              <ul className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-4">
                {things.map(({ kind, thingId, name }, i) => (
                  <li key={`${kind} ${thingId}`}>
                    <SelectField<D> name={`standing.${i}.placeId`} label={name} options={options} />
                  </li>
                ))}
              </ul>
            </details>
          )}
        </>
      )}
    </>
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

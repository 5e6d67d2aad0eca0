'use client';
import { LayoutGrid } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { checkProbe } from '../../core/gear';
import {
  DEFAULT_VENUE,
  homeIdOf,
  MILD_DAY,
  placeName,
  placesOf,
  servingPlaceId,
  withHired,
  type CookEvent,
  type Equipment,
} from '../../core/model';
import { driveMinOf, setUpMinOf } from '../../core/travel';
import { clockWords, dayAndTime } from '../../formats/clock';
import { formatMinutes, formatRoom, formatTemp, formatWind } from '../../formats/units';
import { ReadySets } from '../equipment/ReadySets.client';
import { PitFacts } from '../equipment/PitFacts';
import { RackDrawing } from '../equipment/RackDrawing';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { inputClass } from '../kit/Field';
import { useMarkEdit } from '../kit/undo';
import { useUnits } from '../kit/UnitsProvider';
import { DayForm } from './DayForm.client';

export interface Chosen {
  pitIds: string[];
  boxIds: string[];
  warmerIds: string[];
  probeIds: string[];
}

export interface EventPitsProps {
  event: CookEvent;
  equipment: Equipment;
  /** Other events, to copy from. */
  others: readonly { id: string; name: string; chosen: Chosen }[];
  chooseEquipment: Action<CookEvent>;
  saveDay: Action<CookEvent>;
  addSet: Action<{ id: string }>;
}

export const chosenOf = ({ pitIds, boxIds, warmerIds = [], probeIds = [] }: CookEvent): Chosen => ({ pitIds, boxIds, warmerIds, probeIds });

/** Which of the owned or hired equipment this event uses, and the day it stands in. Each tick is saved at once. */
export function EventPits({ event, equipment: house, others, addSet, chooseEquipment, saveDay }: EventPitsProps) {
  const equipment = withHired(event, house);
  const { pits, boxes, warmers, probes } = equipment;
  const units = useUnits();
  const chosen = chosenOf(event);
  const [day, setDay] = useState(false);
  const markEdit = useMarkEdit();
  const choose = async (next: Chosen) => {
    const outcome = await callAction(chooseEquipment, next);
    if (!outcome.ok) complain(outcome.problems);
    return outcome.ok;
  };
  const toggle = (key: keyof Chosen, id: string) =>
    void choose({ ...chosen, [key]: chosen[key].includes(id) ? chosen[key].filter((each) => each !== id) : [...chosen[key], id] });
  const copyFrom = async (other: string) => {
    const from = others.find((each) => each.id === other);
    if (from && (await choose(from.chosen))) announce('The same equipment is chosen here.', markEdit?.());
  };
  // What is begun with here is what this event cooks on.
  const begun = useRef(false);
  useEffect(() => {
    if (!begun.current || house.pits.length === 0) return;
    begun.current = false;
    const idsOf = (each: readonly { id: string }[]) => each.map(({ id }) => id);
    void choose({ pitIds: idsOf(house.pits), boxIds: idsOf(house.boxes), warmerIds: idsOf(house.warmers), probeIds: idsOf(house.probes) });
  });
  const gear = (key: keyof Chosen, each: { id: string; name: string }, facts: string) => (
    <li key={each.id} className="rounded-md border border-line bg-sheet px-4 py-2">
      <label className="flex items-center gap-3">
        <input type="checkbox" className="size-5" checked={chosen[key].includes(each.id)} onChange={() => toggle(key, each.id)} />
        <span className="font-semibold">{each.name}</span>
        <span className="figures text-soft">{facts}</span>
      </label>
    </li>
  );
  return (
    <main className="mx-auto max-w-5xl px-4 py-5">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">Pits</h1>
          <p className="text-soft">What this event cooks and holds on. The plan uses only what is ticked.</p>
        </div>
        <div className="flex flex-wrap items-center gap-2 md:shrink-0 md:flex-nowrap">
          {others.length > 0 && (
            <select
              aria-label="Use the equipment of another event"
              className={`${inputClass()} max-w-52`}
              value=""
              onChange={(change) => void (change.target.value && copyFrom(change.target.value))}
            >
              <option value="">As another event…</option>
              {others.map((other) => (
                <option key={other.id} value={other.id}>
                  {other.name}
                </option>
              ))}
            </select>
          )}
          <Link href="/equipment" className={buttonClass()}>
            Change equipment
          </Link>
          <Link href={`/events/${event.id}/racks`} className={buttonClass('strong')}>
            <LayoutGrid size={16} aria-hidden /> Racks
          </Link>
        </div>
      </div>
      {pits.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">You have no pits yet</h2>
          <p className="mt-1 text-soft">
            Take the set that is nearest to yours, or put in your own under Equipment; they are then offered here for every event.
          </p>
          <ReadySets addSet={addSet} onAdded={() => (begun.current = true)} />
          <Link href="/equipment" className={`${buttonClass('ember')} mt-4`}>
            Put in your own pits
          </Link>
        </div>
      )}
      <ul className="space-y-3">
        {pits.map((pit) => {
          const used = chosen.pitIds.includes(pit.id);
          return (
            <li key={pit.id} className={`rounded-md border bg-sheet p-4 ${used ? 'border-soft' : 'border-line opacity-75'}`}>
              <label className="flex items-start gap-3">
                <input type="checkbox" className="mt-1 size-5" checked={used} onChange={() => toggle('pitIds', pit.id)} />
                <span>
                  <span className="font-title text-lg font-bold">{pit.name}</span>
                  <PitFacts pit={pit} units={units} />
                </span>
              </label>
              <div className="mt-3 pl-8">
                <RackDrawing pit={pit} units={units} />
              </div>
            </li>
          );
        })}
      </ul>
      <Shelf
        title="Holding"
        empty={
          boxes.length + warmers.length === 0 &&
          'Nothing to hold in is owned yet. Add a box or a warmer under Equipment: it keeps an early finish hot.'
        }
      >
        {boxes.map((box) => gear('boxIds', box, formatRoom(box.litres, units)))}
        {warmers.map((warmer) => gear('warmerIds', warmer, `${warmer.slots} slots at ${formatTemp(warmer.setC, units)}`))}
      </Shelf>
      <Shelf
        title="Thermometers"
        empty={probes.length === 0 && 'None yet. Add them under Equipment, and the plan says which piece each probe goes into.'}
      >
        {probes.map((probe) =>
          gear(
            'probeIds',
            probe,
            probe.out
              ? 'out of use'
              : checkProbe(probe).state === 'off'
                ? 'reads wrong: not used until it is checked again'
                : `${probe.channels} ${probe.channels === 1 ? 'channel' : 'channels'}`,
          ),
        )}
      </Shelf>
      <section className="mt-6">
        <div className="mb-2 flex items-end justify-between gap-3">
          <h2 className="text-lg">The day</h2>
          <Button onClick={() => setDay(true)}>Weather, places and crew</Button>
        </div>
        <DayFacts event={event} equipment={equipment} />
      </section>
      <Dialog open={day} onOpenChange={setDay} title="Weather, places and crew" description="Times are by the clock of the place." wide>
        <DayForm event={event} equipment={equipment} saveDay={saveDay} onDone={() => setDay(false)} />
      </Dialog>
    </main>
  );
}

function Shelf({ title, empty, children }: { title: string; empty: string | false; children: ReactNode }) {
  return (
    <section className="mt-6">
      <h2 className="mb-2 text-lg">{title}</h2>
      {empty ? <p className="text-soft">{empty}</p> : <ul className="space-y-2">{children}</ul>}
    </section>
  );
}

function DayFacts({ event, equipment }: { event: CookEvent; equipment: Equipment }) {
  const units = useUnits();
  const venue = { ...DEFAULT_VENUE, ...event.venue };
  const weather = { ...MILD_DAY, ...event.weather };
  const lines: [string, string][] = [
    [
      'Weather',
      `${formatTemp(weather.airC, units)}, wind ${formatWind(weather.windMPerS, units)}${event.weather ? '' : ' (a mild day, until you say)'}`,
    ],
    ...(placesOf(event).length === 1
      ? [['Place', 'cooked where it is served'] as [string, string]]
      : event.servings.map((serving): [string, string] => {
          const driveMin = driveMinOf(event, serving);
          const where = placeName(event, servingPlaceId(event, serving));
          const away = servingPlaceId(event, serving) !== homeIdOf(event);
          return [
            serving.name,
            `${where}${away ? (driveMin > 0 ? `, a drive of ${formatMinutes(driveMin)}` : ', no way there is known') : ''}, ${formatMinutes(setUpMinOf(event, serving))} to set up`,
          ];
        })),
    ['Quiet hours', `${clockWords(venue.quietFrom, units.clock)} to ${clockWords(venue.quietTo, units.clock)}`],
    ...(venue.power ? [['Power', venue.power] as [string, string]] : []),
    ...(venue.rules ? [['Rules', venue.rules] as [string, string]] : []),
    ...(event.duty ?? []).map((shift): [string, string] => [
      equipment.crew.find((member) => member.id === shift.memberId)?.name ?? 'Someone put away',
      `${dayAndTime(shift.fromMs, event.timeZone, units.clock)} to ${dayAndTime(shift.toMs, event.timeZone, units.clock)}`,
    ]),
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1 rounded-md border border-line bg-sheet px-4 py-3">
      {lines.map(([term, words], i) => (
        <div key={i} className="contents">
          <dt className="text-soft">{term}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}

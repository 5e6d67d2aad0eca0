import {
  admitAll,
  alarmEntries,
  alarmsNow,
  DayForecaster,
  emptyJournal,
  lowestCounts,
  MinuteBook,
  oddsNow,
  readingsOf,
  retime,
  type Alarm,
  type DayForecast,
  type DayTask,
  type Deed,
  type Entry,
  type Journal,
  type KeptDay,
} from '../../core/day';
import type { HubReading } from '../ports';
import { SimulatedCrew } from './crew';
import { deedsBetween, worldOf } from '../../core/world';
import { SimulatedWorld, type WorldFault } from '../../core/world';

export interface LivedDay {
  kept: KeptDay;
  journal: Journal;
  book: MinuteBook;
  readings: HubReading[];
  world: SimulatedWorld;
  forecasts: DayForecast[];
  raised: { atMs: number; alarm: Alarm }[];
}

export interface LiveOptions {
  seed: number;
  startMs: number;
  untilMs: number;
  deviceId: string;
  faults?: WorldFault[];
  everyS?: number;
  forecastEveryMin?: number;
  tendsFires?: boolean;
  /** What of the run sheet the crew does; all of it when left out. */
  does?: (task: DayTask) => boolean;
  /** Who says what the crew does. */
  by?: string;
  /** Probes sit in these channels from the start: pieces' and pits'. */
  channels: Extract<Deed, { kind: 'channel' }>[];
  /** What else is done at a minute. */
  each?: (day: LivedDay, nowMs: number) => Entry[];
}

const MIN_MS = 60_000;
const ESCALATE_MIN = 10;

/** Lives a day of a kept plan in the simulated world, minute by minute, with a crew that follows the run sheet. */
export function liveDay(kept: KeptDay, options: LiveOptions): LivedDay {
  const { seed, startMs, untilMs, deviceId, faults, everyS = 20, forecastEveryMin = 10, tendsFires = true, does = () => true } = options;
  const world = new SimulatedWorld(worldOf(kept, { seed, startMs, deviceId, everyS, faults }));
  const crew = new SimulatedCrew(kept, world, { tendsFires, readsByHand: false });
  const forecaster = new DayForecaster(kept);
  const day: LivedDay = { kept, journal: emptyJournal(kept), book: new MinuteBook(), readings: [], world, forecasts: [], raised: [] };
  const by = options.by ?? 'crew';
  let last: Journal['state'] | undefined;
  const admit = (entries: readonly Entry[], nowMs: number) => {
    day.journal = admitAll(kept, day.journal, entries).journal;
    for (const deed of deedsBetween(last, day.journal.state)) world.act(nowMs, deed);
    last = day.journal.state;
  };
  let made = 0;
  const entry = (atMs: number, deed: Deed): Entry => ({ id: `lived-${++made}`, atMs, by, source: 'practice', deed });
  admit([entry(startMs, { kind: 'day', did: 'started' }), ...options.channels.map((deed) => entry(startMs, deed))], startMs);
  for (let nowMs = startMs + MIN_MS; nowMs <= untilMs; nowMs += MIN_MS) {
    const sent = world.advanceTo(nowMs);
    day.readings.push(...sent);
    day.book.take(sent);
    const { state } = day.journal;
    const minutes = day.book.over(nowMs);
    const readings = readingsOf(state, minutes, lowestCounts(kept));
    if (Math.round((nowMs - startMs) / MIN_MS) % forecastEveryMin === 1) day.forecasts.push(forecaster.at(state, readings, nowMs));
    const forecast = day.forecasts.at(-1);
    const tasks = retime(kept, state, forecast, nowMs);
    const odds = forecast ? oddsNow(kept, state, forecast) : [];
    const alarms = alarmsNow({ kept, state, readings, minutes, forecast, tasks, odds, nowMs });
    const told = alarmEntries(state, alarms, nowMs, ESCALATE_MIN, (causeId, did) => `${causeId}/${did}/${++made}`);
    for (const { deed } of told)
      if (deed.kind === 'alarm' && deed.did === 'raised') day.raised.push({ atMs: nowMs, alarm: deed.alarm as Alarm });
    admit([...told, ...crew.act(state, tasks.filter(does), nowMs), ...(options.each?.(day, nowMs) ?? [])], nowMs);
  }
  return day;
}

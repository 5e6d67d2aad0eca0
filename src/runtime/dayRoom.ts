import { randomUUID } from 'node:crypto';
import {
  admitAll,
  alarmEntries,
  alarmsNow,
  curveOf,
  dayView,
  emptyJournal,
  lowestCounts,
  MinuteBook,
  oddsNow,
  paceAt,
  readingsOf,
  retime,
  type Conclusion,
  type DayForecast,
  type DayLever,
  type DayPace,
  type DayReadings,
  type DayView,
  type Effect,
  type Entry,
  type Journal,
  type PieceCurve,
  type MinuteReading,
  type RawReading,
} from '../core/day';
import { SimulatedCrew } from '../devices/simulated/crew';
import { deedsBetween, worldOf } from '../core/world';
import { SimulatedWorld, type WorldFault } from '../core/world';
import type { WriteFaultCode } from '../core/outcome';
import type { DayClock, StoredDay } from '../persistence';
import { forecastDay } from './dayPool';
import { dayTime } from './houseClock';
import type { ClockSet, Slept } from './steadyClock';
import { asSent, Watchers } from './watchers';

/** How the outside world is reached, as the screens say it. */
export interface LinkView {
  id: string;
  state: 'connecting' | 'connected' | 'lost';
  why?: string;
  sinceMs: number;
}

export interface RoomView extends DayView {
  clock: { simulated: boolean } & DayPace;
  links: LinkView[];
  /** Why nothing can be written just now. */
  fault?: WriteFaultCode;
  /** The house's clock was set, or it slept, of late: in the house's own time. */
  clockSet?: ClockSet;
  slept?: Slept;
  /** Late entries that changed what had been said, the last few. */
  late: { entryId: string; atMs: number; what: Conclusion[] }[];
}

/** What a room needs of the house it is in. */
export interface RoomHouse {
  realMs(): number;
  keepEntries(eventId: string, entries: readonly Entry[]): Promise<void>;
  keepReadings(readings: readonly RawReading[]): Promise<void>;
  escalateMin(): number;
  links(): LinkView[];
  /** Why nothing can be written just now. */
  fault(): WriteFaultCode | undefined;
  clockFaults(): { clockSet?: ClockSet; slept?: Slept };
}

/** Forecasts are made anew this often in the day's time, sooner when something was done. */
const FORECAST_EVERY_MS = 3 * 60_000;
const LEVERS_EVERY_MS = 10 * 60_000;
/** A world that fell behind catches up by so much at a time: pages go first. */
const CATCH_UP_MS = 30 * 60_000;
/** Each simulated day has a hub of its own: channels of one day never speak for another's. */
export const simulatedHub = (eventId: string): string => `Simulated hub ${eventId.slice(-6)}`;
const HUB_EVERY_S = 10;
const PUBLISH_EVERY_MS = 1000;
const CURVE_POINTS = 400;
/** So long after a sleep everybody is told what was not seen. */
const SLEPT_TOLD_MS = 30 * 60_000;

/** One day under way in this process: its journal and readings in memory, its forecast, and who watches. */
export class DayRoom {
  private journal: Journal;
  private readonly book: MinuteBook;
  private forecast?: DayForecast;
  private levers: DayLever[] = [];
  private leversAtMs = -Infinity;
  private asking = false;
  private dirty = true;
  private world?: SimulatedWorld;
  private crew?: SimulatedCrew;
  private lastWorldState?: Journal['state'];
  private alarmsAtMs = -Infinity;
  private late: RoomView['late'] = [];
  readonly watchers: Watchers;

  constructor(
    private readonly day: StoredDay,
    entries: readonly Entry[],
    minutes: readonly MinuteReading[],
    private readonly house: RoomHouse,
  ) {
    this.journal = admitAll(day.kept, emptyJournal(day.kept), entries).journal;
    this.book = new MinuteBook(minutes);
    this.watchers = new Watchers(house.realMs());
    if (day.clock.mode === 'simulated') this.buildWorld();
  }

  get clock(): DayClock {
    return this.day.clock;
  }
  set clock(clock: DayClock) {
    this.day.clock = clock;
    this.publish();
  }
  get phase() {
    return this.journal.state.phase;
  }
  nowMs(): number {
    return dayTime(this.day.clock, this.house.realMs());
  }

  private buildWorld(): void {
    const { clock, kept } = this.day;
    if (clock.mode !== 'simulated') return;
    this.world = new SimulatedWorld(
      worldOf(kept, {
        seed: clock.seed,
        startMs: clock.worldStartMs,
        deviceId: simulatedHub(this.day.eventId),
        everyS: HUB_EVERY_S,
        faults: clock.faults as WorldFault[] | undefined,
      }),
    );
    this.crew = clock.crew === 'tends' ? new SimulatedCrew(kept, this.world) : undefined;
    // What was done since the beginning is done to it again, each at its instant.
    let journal = emptyJournal(kept);
    for (const entry of this.journal.entries) {
      const before = journal.state;
      journal = admitAll(kept, journal, [entry]).journal;
      for (const deed of deedsBetween(before, journal.state)) this.world.act(entry.atMs, deed);
    }
    this.lastWorldState = this.journal.state;
    // What it sent until now is kept already.
    this.world.advanceTo(Math.min(this.nowMs(), this.book.all().at(-1)?.atMs ?? clock.worldStartMs));
  }

  /** Entries that are on disk. */
  take(entries: readonly Entry[]): void {
    const { journal, effects } = admitAll(this.day.kept, this.journal, entries);
    this.journal = journal;
    this.after(effects);
    if (this.world) {
      for (const deed of deedsBetween(this.lastWorldState, journal.state)) this.world.act(this.nowMs(), deed);
      this.lastWorldState = journal.state;
    }
    this.publish();
  }

  private after(effects: readonly Effect[]): void {
    for (const effect of effects) {
      if (effect.kind === 'reforecast') this.dirty = true;
      if (effect.kind === 'changedConclusion')
        this.late = [...this.late.slice(-4), { entryId: effect.entryId, atMs: this.nowMs(), what: effect.what }];
    }
  }

  /** Minutes as they are on disk, those of channels this day has among them: after a restart it knows the same. */
  takeMinutes(minutes: readonly MinuteReading[]): void {
    this.book.put(minutes);
  }

  /** Lives on to now: the world, the alarms, the forecast; then whoever watches is told. */
  async tick(): Promise<void> {
    const nowMs = this.nowMs();
    // Where nothing can be written the forecast goes on all the same.
    let failed: unknown;
    const tried = (work: Promise<void>) => work.catch((error: unknown) => (failed ??= error));
    if (this.world && this.phase !== 'ended') {
      const readings = this.world.advanceTo(Math.min(nowMs, this.world.timeMs + CATCH_UP_MS));
      // What could not be written is written with the next: a world does not say it twice.
      this.unkept.push(...readings);
      await tried(this.keepUnkept());
    }
    // Before the first forecast half of what is wrong cannot be seen, and would seem to be over.
    if (nowMs - this.alarmsAtMs >= 60_000 && this.phase !== 'kept' && (this.forecast || this.phase === 'ended')) {
      this.alarmsAtMs = nowMs;
      await tried(this.watch(nowMs));
    }
    if (this.dirty || !this.forecast || nowMs - this.forecast.atMs >= FORECAST_EVERY_MS) void this.reforecast();
    // Whatever is done is shown at once; what only time and readings change, now and then.
    if (this.house.realMs() - this.publishedMs >= PUBLISH_EVERY_MS) this.publish();
    if (failed !== undefined) throw failed;
  }

  private async keepUnkept(): Promise<void> {
    if (this.unkept.length === 0) return;
    await this.house.keepReadings(this.unkept);
    this.unkept = [];
  }

  private unkept: RawReading[] = [];
  private sorted?: { of: string; readings: DayReadings };
  /** Readings by piece and pit; sorted anew only when a minute is over, a reading came or the journal grew. */
  private readings(nowMs: number): DayReadings {
    const of = `${Math.floor(nowMs / 60_000)}/${this.book.version}/${this.journal.entries.length}`;
    if (this.sorted?.of !== of)
      this.sorted = { of, readings: readingsOf(this.journal.state, this.book.over(nowMs), lowestCounts(this.day.kept)) };
    return this.sorted.readings;
  }

  /** Alarms as entries of the house; and what a simulated crew does by itself. */
  private async watch(nowMs: number): Promise<void> {
    const { kept, eventId } = this.day;
    const { state } = this.journal;
    const readings = this.readings(nowMs);
    const tasks = retime(kept, state, this.forecast, nowMs);
    const odds = this.forecast ? oddsNow(kept, state, this.forecast) : [];
    const current = alarmsNow({ kept, state, readings, minutes: this.book.over(nowMs), forecast: this.forecast, tasks, odds, nowMs });
    const told = alarmEntries(
      state,
      current,
      nowMs,
      this.house.escalateMin(),
      (causeId, did) => `${causeId}/${did}/${randomUUID().slice(0, 8)}`,
    );
    const fires = (
      this.crew?.act(
        state,
        tasks.filter((task) => TENDS.has(task.kind)),
        nowMs,
      ) ?? []
    ).filter(({ deed }) => deed.kind === 'task');
    const entries = [...told, ...fires.map((entry) => ({ ...entry, id: `tends-${randomUUID()}` }))];
    if (entries.length > 0) await this.house.keepEntries(eventId, entries);
  }

  private async reforecast(): Promise<void> {
    if (this.asking || this.phase === 'kept' || this.phase === 'ended') return;
    this.asking = true;
    this.dirty = false;
    const nowMs = this.nowMs();
    const wantLevers = nowMs - this.leversAtMs >= LEVERS_EVERY_MS || this.levers.length > 0;
    try {
      const answer = await forecastDay(this.day.kept, this.journal.state, this.readings(nowMs), nowMs, wantLevers);
      this.forecast = answer.forecast;
      if (wantLevers) {
        this.levers = answer.levers;
        this.leversAtMs = nowMs;
      }
      this.publish();
    } catch {
      // It is asked again at the next tick; what is shown says from when its forecast is.
      this.dirty = true;
    } finally {
      this.asking = false;
    }
  }

  /** What was read of one piece and its pit, for drawing; undefined for a piece the day has not. */
  curve(key: string): PieceCurve | undefined {
    const { pieces } = this.journal.state;
    const piece = Object.hasOwn(pieces, key) ? pieces[key] : undefined;
    return piece && curveOf(this.readings(this.nowMs()), piece, CURVE_POINTS);
  }

  /** Every line of the safety log, and what judges it. */
  safetyLog(): { kept: StoredDay['kept']; safety: Journal['state']['safety'] } {
    return { kept: this.day.kept, safety: this.journal.state.safety };
  }

  view(): RoomView {
    const nowMs = this.nowMs();
    const { clock, kept } = this.day;
    return {
      ...dayView(kept, this.journal, this.readings(nowMs), this.forecast, this.levers, nowMs),
      clock: clock.mode === 'simulated' ? { simulated: true, ...paceAt(clock, nowMs) } : { simulated: false, speed: 1 },
      links: this.house.links(),
      fault: this.house.fault(),
      ...this.clockFaults(),
      late: this.late,
    };
  }

  /** A simulated day sleeps through nothing: its world catches up. */
  private clockFaults(): Pick<RoomView, 'clockSet' | 'slept'> {
    const { clockSet, slept } = this.house.clockFaults();
    const isTold = slept && !this.world && slept.toMs >= this.day.startedAtMs && this.nowMs() - slept.toMs < SLEPT_TOLD_MS;
    return { ...(clockSet && { clockSet }), ...(isTold && { slept }) };
  }

  private publishedMs = -Infinity;
  private publish(): void {
    this.publishedMs = this.house.realMs();
    this.watchers.tell(this.view());
  }

  /** The day as it was told last, and as it is sent now. */
  current(): { version: number; json: string } {
    if (this.watchers.last().body === '') this.publish();
    const last = this.watchers.last();
    return { version: last.version, json: asSent(last, this.nowMs()) };
  }
}

/** What a simulated crew does where nobody else is there to: it keeps the fires. */
const TENDS: ReadonlySet<string> = new Set(['reload', 'wood', 'water', 'ash', 'closeAir', 'tube', 'prepare']);

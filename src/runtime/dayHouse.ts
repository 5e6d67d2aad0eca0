import type { Entry, MinuteReading } from '../core/day';
import {
  addEntries,
  lastWrittenMs,
  loadDay,
  loadEntries,
  loadMinutes,
  loadSetting,
  saveSetting,
  WriteFault,
  type Database,
} from '../persistence';
import type { Context, DaysUnderWay } from '../services';
import { DEFAULT_DAY_SETTINGS, keepReadings, readDaySettings, runningDays } from '../services';
import { DayRoom, type LinkView, type RoomHouse } from './dayRoom';
import { BrokerLink } from './brokerLink';
import { dayTime } from './houseClock';
import { steadyClock, type ClockKept, type SteadyClock } from './steadyClock';

const TICK_MS = 500;
/** Readings of so long before a day's start may still be its own. */
const BEFORE_MS = 12 * 3_600_000;
const AFTER_MS = 72 * 3_600_000;

const TRY_WRITING_MS = 5000;
/** Where it is kept that the machine's clock is not believed. */
const CLOCK_KEY = 'clock';

/** All days under way in this process. Rooms are opened when asked for, and those that run when the program starts. */
export class DayHouse implements DaysUnderWay {
  private readonly rooms = new Map<string, Promise<DayRoom | undefined>>();
  private timer?: NodeJS.Timeout;
  private settings = DEFAULT_DAY_SETTINGS;
  private readonly broker: BrokerLink;

  constructor(
    private readonly context: Context,
    private readonly clock: SteadyClock = steadyClock(),
  ) {
    this.broker = new BrokerLink(
      (readings) => keepReadings(this.context, readings),
      () => this.context.nowMs(),
    );
  }

  /** What every screen of a day says already is not printed again and again. */
  private readonly told = (error: unknown): void => {
    const what = this.context.db.noticed(error);
    if (!WriteFault.is(what)) console.error('a day stumbled:', what);
  };

  /** Opens what runs, and begins to tick. */
  async start(): Promise<void> {
    if (this.timer) return;
    this.timer = setInterval(() => void this.tickAll(), TICK_MS);
    // A program that is asked to stop does not wait for its days: all that counts is on disk.
    this.timer.unref();
    await this.goOnByTime();
    await this.readSettings();
    for (const { eventId } of await runningDays(this.context)) await this.room(eventId);
  }

  /** A clock that was wrong when the program stopped, or was set back since, is not believed at its start either. */
  private async goOnByTime(): Promise<void> {
    const kept = await loadSetting(CLOCK_KEY);
    if (this.clock.goOn((kept ?? undefined) as ClockKept | undefined, await lastWrittenMs())) await this.keepClock();
  }
  private async keepClock(): Promise<void> {
    await this.context.db.write((transaction) => saveSetting(CLOCK_KEY, this.clock.kept() ?? null, transaction)).catch(this.told);
  }
  async takeMachineTime(): Promise<void> {
    this.clock.takeWall();
    await this.keepClock();
    // What was due by the old time (a forecast, a look for alarms, news) would wait for hours: rooms begin anew.
    this.triedMs = -Infinity;
    this.allChanged();
  }

  private async readSettings(): Promise<void> {
    this.settings = await readDaySettings(this.context);
    this.broker.connectTo(this.settings.brokerUrl, this.settings.topic);
  }

  private ticking = false;
  /** Every day under way lives on; the house calls it twice a second. */
  async tickAll(): Promise<void> {
    if (this.ticking) return;
    this.ticking = true;
    try {
      if (this.clock.look()) await this.keepClock();
      for (const opened of this.rooms.values()) {
        const room = await opened;
        if (room && (room.phase !== 'ended' || room.watchers.count > 0)) await room.tick().catch(this.told);
      }
      await this.tryWriting();
    } finally {
      this.ticking = false;
    }
  }

  private triedMs = -Infinity;
  /** While nothing can be written somebody has to notice when it can again, though nobody does anything. */
  private async tryWriting(): Promise<void> {
    const nowMs = this.context.nowMs();
    if (this.context.db.fault() === undefined || nowMs - this.triedMs < TRY_WRITING_MS) return;
    this.triedMs = nowMs;
    await this.context.db.write((transaction) => saveSetting('writable', nowMs, transaction)).catch(this.told);
  }

  /** The room of an event's day; undefined while it has not begun. */
  room(eventId: string): Promise<DayRoom | undefined> {
    const opened = this.rooms.get(eventId);
    if (opened) return opened;
    const opening = this.open(eventId);
    this.rooms.set(eventId, opening);
    void opening.then(
      (room) => {
        if (!room) this.rooms.delete(eventId);
      },
      () => this.rooms.delete(eventId),
    );
    return opening;
  }

  private async open(eventId: string): Promise<DayRoom | undefined> {
    const day = await loadDay(eventId);
    if (!day) return undefined;
    const entries = await loadEntries(eventId);
    const devices = new Set([
      ...day.kept.plan.probes.map((probe) => probe.probeId),
      ...entries.flatMap(({ deed }) => (deed.kind === 'channel' ? [deed.deviceId] : [])),
    ]);
    const nowMs = dayTime(day.clock, this.context.nowMs());
    const minutes = await loadMinutes(
      this.context.db.sequelize,
      [...devices],
      day.startedAtMs - BEFORE_MS,
      Math.min(nowMs, day.startedAtMs + AFTER_MS),
    );
    const house: RoomHouse = {
      realMs: () => this.context.nowMs(),
      keepEntries: (id, more) => this.keepEntries(id, more),
      keepReadings: (readings) => keepReadings(this.context, readings),
      fault: () => this.context.db.fault(),
      escalateMin: () => this.settings.escalateMin,
      links: () => this.links(),
      clockFaults: () => ({ clockSet: this.clock.clockSet(), slept: this.clock.slept() }),
    };
    return new DayRoom(day, entries, minutes, house);
  }

  /** What the house itself says of a day: on disk first, then shown. */
  private async keepEntries(eventId: string, entries: readonly Entry[]): Promise<void> {
    const fresh = await this.context.db.write((transaction) => addEntries(eventId, entries, this.context.nowMs(), transaction));
    (await this.room(eventId))?.take(fresh);
  }

  links(): LinkView[] {
    return this.broker.links();
  }

  async nowMs(eventId: string): Promise<number> {
    return (await this.room(eventId))?.nowMs() ?? this.context.nowMs();
  }
  began(eventId: string): void {
    this.close(eventId);
    void this.room(eventId);
  }
  entriesKept(eventId: string, entries: readonly Entry[]): void {
    void this.room(eventId).then((room) => room?.take(entries));
  }
  readingsKept(minutes: readonly MinuteReading[]): void {
    for (const opened of this.rooms.values()) void opened.then((room) => room?.takeMinutes(minutes));
  }
  clockChanged(eventId: string): void {
    const before = this.rooms.get(eventId);
    void Promise.all([before, loadDay(eventId)]).then(([room, day]) => {
      if (room && day) room.clock = day.clock;
    });
  }
  /** Whoever watches a room that is no more is let go, comes back, and is in the new one. */
  private close(eventId: string): void {
    void this.rooms.get(eventId)?.then((room) => room?.watchers.letGo());
    this.rooms.delete(eventId);
  }
  allChanged(): void {
    for (const eventId of [...this.rooms.keys()]) this.close(eventId);
    void this.readSettings();
    void runningDays(this.context).then((days) => Promise.all(days.map(({ eventId }) => this.room(eventId))));
  }
  settingsChanged(): void {
    void this.readSettings();
  }
}

// The bundler loads this module once for every entry; there is one house for all of them.
const shared = globalThis as typeof globalThis & { anachronDays?: Map<Database, DayHouse> };

export function dayHouse(context: Context): DayHouse {
  const houses = (shared.anachronDays ??= new Map<Database, DayHouse>());
  const known = houses.get(context.db);
  if (known) return known;
  const house = new DayHouse(context);
  houses.set(context.db, house);
  context.days = house;
  return house;
}

import type { Entry, MinuteReading } from '../core/day';
import { addEntries, loadDay, loadEntries, loadMinutes, WriteFault, type Database, type WriteFaultCode } from '../persistence';
import type { Context, DaysUnderWay } from '../services';
import { DEFAULT_DAY_SETTINGS, keepReadings, readDaySettings, runningDays } from '../services';
import { DayRoom, type LinkView, type RoomHouse } from './dayRoom';
import { BrokerLink } from './brokerLink';
import { dayTime } from './houseClock';

const TICK_MS = 500;
/** Readings of so long before a day's start may still be its own. */
const BEFORE_MS = 12 * 3_600_000;
const AFTER_MS = 72 * 3_600_000;

/** All days under way in this process. Rooms are opened when asked for, and those that run when the program starts. */
export class DayHouse implements DaysUnderWay {
  private readonly rooms = new Map<string, Promise<DayRoom | undefined>>();
  private timer?: NodeJS.Timeout;
  private settings = DEFAULT_DAY_SETTINGS;
  private readonly broker: BrokerLink;

  constructor(private readonly context: Context) {
    this.broker = new BrokerLink(
      (readings) => keepReadings(this.context, readings),
      () => this.context.nowMs(),
    );
  }

  /** Opens what runs, and begins to tick. */
  async start(): Promise<void> {
    if (this.timer) return;
    this.timer = setInterval(() => void this.tickAll(), TICK_MS);
    // A program that is asked to stop does not wait for its days: all that counts is on disk.
    this.timer.unref();
    await this.readSettings();
    for (const { eventId } of await runningDays(this.context)) await this.room(eventId);
  }

  private async readSettings(): Promise<void> {
    this.settings = await readDaySettings(this.context);
    this.broker.connectTo(this.settings.brokerUrl, this.settings.topic);
  }

  private ticking = false;
  private async tickAll(): Promise<void> {
    if (this.ticking) return;
    this.ticking = true;
    try {
      for (const opened of this.rooms.values()) {
        const room = await opened;
        if (room && (room.phase !== 'ended' || room.watchers > 0)) await room.tick().catch((error: unknown) => this.stumbled(room, error));
      }
    } finally {
      this.ticking = false;
    }
  }

  private fault?: WriteFaultCode;
  /** Nothing can be written: every screen of the day says so, once where the program was started. */
  private stumbled(room: DayRoom, error: unknown): void {
    const fault = error instanceof WriteFault ? error.code : undefined;
    if (fault === undefined || fault !== this.fault) console.error('a day stumbled:', error);
    if (fault === undefined) return;
    this.fault = fault;
    room.publish();
  }
  private readonly wrote = <T>(work: Promise<T>): Promise<T> =>
    work.then((done) => {
      this.fault = undefined;
      return done;
    });

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
      keepReadings: (readings) => this.wrote(keepReadings(this.context, readings)),
      fault: () => this.fault,
      escalateMin: () => this.settings.escalateMin,
      links: () => this.links(),
    };
    return new DayRoom(day, entries, minutes, house);
  }

  /** What the house itself says of a day: on disk first, then shown. */
  private async keepEntries(eventId: string, entries: readonly Entry[]): Promise<void> {
    const fresh = await this.wrote(this.context.db.write((transaction) => addEntries(eventId, entries, this.context.nowMs(), transaction)));
    (await this.room(eventId))?.take(fresh);
  }

  links(): LinkView[] {
    return this.broker.links();
  }

  async nowMs(eventId: string): Promise<number> {
    return (await this.room(eventId))?.nowMs() ?? this.context.nowMs();
  }
  began(eventId: string): void {
    this.rooms.delete(eventId);
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
  allChanged(): void {
    this.rooms.clear();
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

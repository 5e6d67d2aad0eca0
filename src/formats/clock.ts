import { DateTime, IANAZone } from 'luxon';

/** Clock times of a place, from instants and back. The only room that knows zones. */
export type ClockHours = '12' | '24';

export const isZone = (zone: string): boolean => zones.has(zone) || IANAZone.isValidZone(zone);

/** Clocks are changed on a quarter of an hour. */
const OFFSET_HOLDS_MS = 15 * 60_000;
const MOST_OFFSETS = 20_000;

/** A zone that remembers its offsets: a page asks for the same instants over and over, and looking one up is slow. */
class RememberedZone extends IANAZone {
  private readonly offsets = new Map<number, number>();

  override offset(ms: number): number {
    const quarter = Math.floor(ms / OFFSET_HOLDS_MS);
    let offset = this.offsets.get(quarter);
    if (offset === undefined) {
      if (this.offsets.size >= MOST_OFFSETS) this.offsets.clear();
      offset = super.offset(quarter * OFFSET_HOLDS_MS);
      this.offsets.set(quarter, offset);
    }
    return offset;
  }
}
const zones = new Map<string, RememberedZone>();

/** The zone of a name; one that there is none of makes times that are not valid, as ever. */
function zoneOf(name: string): RememberedZone | string {
  if (!isZone(name)) return name;
  const zone = zones.get(name) ?? new RememberedZone(name);
  zones.set(name, zone);
  return zone;
}

const at = (ms: number, zone: string) => DateTime.fromMillis(ms, { zone: zoneOf(zone), locale: 'en' });

/** `18:00` or `6:00 pm`. */
export const clockTime = (ms: number, zone: string, hours: ClockHours): string =>
  hours === '24' ? at(ms, zone).toFormat('HH:mm') : at(ms, zone).toFormat('h:mm a').toLowerCase();

/** A clock time `18:00` as the reader has it: `18:00` or `6:00 pm`. */
export const clockWords = (time: string, hours: ClockHours): string => {
  const read = DateTime.fromFormat(time, 'HH:mm', { zone: 'utc' });
  return read.isValid ? clockTime(read.toMillis(), 'utc', hours) : time;
};

/** `Sat 19 Dec`. */
export const shortDay = (ms: number, zone: string): string => at(ms, zone).toFormat('ccc d LLL');
/** `19 Dec 2026`. */
export const dateWithYear = (ms: number, zone: string): string => at(ms, zone).toFormat('d LLL yyyy');
/** `Saturday 19 December 2026`. */
export const longDay = (ms: number, zone: string): string => at(ms, zone).toFormat('cccc d LLLL yyyy');
/** `Sat 18:00`. */
export const dayAndTime = (ms: number, zone: string, hours: ClockHours): string =>
  `${at(ms, zone).toFormat('ccc')} ${clockTime(ms, zone, hours)}`;
/** RFC 3339 with the zone's offset at that instant. */
export const rfc3339 = (ms: number, zone: string): string => at(ms, zone).toISO({ suppressMilliseconds: true })!;

export const localDate = (ms: number, zone: string): string => at(ms, zone).toFormat('yyyy-MM-dd');
export const localTime = (ms: number, zone: string): string => at(ms, zone).toFormat('HH:mm');
export const startOfHour = (ms: number, zone: string): number => at(ms, zone).startOf('hour').toMillis();

/** The instant of a clock time `hour` on the day that holds `ms`, `days` later. */
export const clockOnDay = (ms: number, zone: string, days: number, hour: number): number =>
  at(ms, zone).startOf('day').plus({ days }).set({ hour }).toMillis();

/** The hours of every day within a span, `fromHour` to `toHour` on the clock of the place. */
export function shiftsBetween(
  fromMs: number,
  toMs: number,
  zone: string,
  fromHour: number,
  toHour: number,
): { fromMs: number; toMs: number }[] {
  const shifts: { fromMs: number; toMs: number }[] = [];
  for (let day = at(fromMs, zone).startOf('day'); day.toMillis() < toMs; day = day.plus({ days: 1 }))
    shifts.push({
      fromMs: day.set({ hour: fromHour }).toMillis(),
      toMs: (toHour >= 24 ? day.plus({ days: 1 }) : day.set({ hour: toHour })).toMillis(),
    });
  return shifts;
}

/** The quiet hours of every night within a span, from one clock time to another, which may be past midnight. */
export function quietBetween(
  fromMs: number,
  toMs: number,
  zone: string,
  quietFrom: string,
  quietTo: string,
): { fromMs: number; toMs: number }[] {
  if (quietFrom === quietTo) return [];
  const [fromHour, fromMinute] = quietFrom.split(':').map(Number) as [number, number];
  const [toHour, toMinute] = quietTo.split(':').map(Number) as [number, number];
  const nights: { fromMs: number; toMs: number }[] = [];
  for (let day = at(fromMs, zone).startOf('day').minus({ days: 1 }); day.toMillis() < toMs; day = day.plus({ days: 1 })) {
    const ends = quietTo < quietFrom ? day.plus({ days: 1 }) : day;
    const night = {
      fromMs: day.set({ hour: fromHour, minute: fromMinute }).toMillis(),
      toMs: ends.set({ hour: toHour, minute: toMinute }).toMillis(),
    };
    if (night.toMs > fromMs && night.fromMs < toMs) nights.push(night);
  }
  return nights;
}

/** Before three in the afternoon it is lunch. */
export const mealAt = (ms: number, zone: string): 'lunch' | 'supper' => (at(ms, zone).hour < 15 ? 'lunch' : 'supper');

/**
 * The instant of a clock time at a place. `missing` when clocks skip it (spring forward); when a
 * clock time comes twice (autumn) the first is meant.
 */
export function instantOf(date: string, time: string, zone: string): { ms: number } | { problem: 'noSuchDate' | 'missing' } {
  const read = DateTime.fromISO(`${date}T${time}`, { zone });
  if (!read.isValid) return { problem: 'noSuchDate' };
  if (read.toFormat('yyyy-MM-dd HH:mm') !== `${date} ${time}`) return { problem: 'missing' };
  const earlier = read.minus({ hours: 1 });
  return { ms: earlier.toFormat('HH:mm') === time ? earlier.toMillis() : read.toMillis() };
}

/** Instants between which the zone's clocks change, with the offset that holds from then on, minutes. */
export function clockChanges(fromMs: number, toMs: number, zone: string): { atMs: number; offsetMin: number; beforeMin: number }[] {
  const changes: { atMs: number; offsetMin: number; beforeMin: number }[] = [];
  const dayMs = 86_400_000;
  for (let start = fromMs; start < toMs; start += dayMs) {
    const beforeMin = at(start, zone).offset;
    const end = Math.min(start + dayMs, toMs);
    if (at(end, zone).offset === beforeMin) continue;
    let low = start;
    let high = end;
    while (high - low > 1000) {
      const middle = Math.floor((low + high) / 2);
      if (at(middle, zone).offset === beforeMin) low = middle;
      else high = middle;
    }
    const atMs = Math.round(high / 60_000) * 60_000;
    changes.push({ atMs, offsetMin: at(atMs, zone).offset, beforeMin });
  }
  return changes;
}

/** `3 minutes ago`; `just now` within the last. */
export const agoWords = (ms: number, nowMs: number): string =>
  nowMs - ms < 60_000 ? 'just now' : (DateTime.fromMillis(ms, { locale: 'en' }).toRelative({ base: DateTime.fromMillis(nowMs) }) ?? '');

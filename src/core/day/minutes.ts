import type { MinuteReading, RawReading } from './readings';

const MINUTE_MS = 60_000;

/** One-minute mean, least and most of each channel. A minute that is not over yet is what has been read of it. */
export class MinuteBook {
  private readonly minutes = new Map<string, MinuteReading>();
  private sorted?: MinuteReading[];
  /** Goes up with every reading taken in. */
  version = 0;

  constructor(known: readonly MinuteReading[] = []) {
    this.put(known);
  }

  /** Minutes as somebody else has reckoned them, in place of what was known of them. */
  put(minutes: readonly MinuteReading[]): void {
    for (const each of minutes) this.minutes.set(keyOf(each.deviceId, each.channel, each.atMs), { ...each });
    this.changed(minutes.length);
  }

  /** Takes readings in, in any order. */
  take(readings: readonly RawReading[]): void {
    for (const { deviceId, channel, atMs, tempC } of readings) {
      const minuteMs = Math.floor(atMs / MINUTE_MS) * MINUTE_MS;
      const key = keyOf(deviceId, channel, minuteMs);
      const before = this.minutes.get(key);
      const now: MinuteReading = before
        ? {
            ...before,
            meanC: before.meanC + (tempC - before.meanC) / (before.count + 1),
            minC: Math.min(before.minC, tempC),
            maxC: Math.max(before.maxC, tempC),
            count: before.count + 1,
          }
        : { deviceId, channel, atMs: minuteMs, meanC: tempC, minC: tempC, maxC: tempC, count: 1 };
      this.minutes.set(key, now);
    }
    this.changed(readings.length);
  }

  private changed(count: number): void {
    if (count === 0) return;
    this.sorted = undefined;
    this.version++;
  }

  /** In order of time. */
  all(): readonly MinuteReading[] {
    this.sorted ??= [...this.minutes.values()].sort(
      (a, b) => a.atMs - b.atMs || (keyOf(a.deviceId, a.channel, 0) < keyOf(b.deviceId, b.channel, 0) ? -1 : 1),
    );
    return this.sorted;
  }

  /** Minutes that are over by an instant. */
  over(nowMs: number): MinuteReading[] {
    return this.all().filter((each) => each.atMs + MINUTE_MS <= nowMs);
  }
}

const keyOf = (deviceId: string, channel: string, minuteMs: number): string => `${deviceId}\n${channel}\n${minuteMs}`;

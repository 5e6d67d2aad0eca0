import { celsiusFromFahrenheit } from '../core/units';
import { failure, type Outcome, type Problem } from '../core/outcome';
import { check, SentReadings } from '../inputs';
import { takeReadings, type Context } from '../services';

/** A body of 2000 readings is shorter than this. */
export const LONGEST_READINGS_BYTES = 400_000;
/** A device may send so many readings in a minute: 16 channels every 2 s are 480. */
const MOST_A_MINUTE = 6000;
const AHEAD_MS = 5 * 60_000;
const OLDEST_MS = 7 * 86_400_000;

const shared = globalThis as typeof globalThis & { anachronSent?: Map<string, { minute: number; count: number }> };
const sent = (shared.anachronSent ??= new Map());

/** Readings as a device posts them: read, limited, kept. Each that cannot be is named with its place in the list, and then none is kept. */
export async function receiveReadings(context: Context, token: string | undefined, body: unknown): Promise<Outcome<{ kept: number }>> {
  const input = check(SentReadings, body);
  if (!input.ok) return input;
  const nowMs = context.nowMs();
  const problems: Problem[] = [];
  const readings = input.value.readings.flatMap(({ channel, c, f, at }, i) => {
    const tempC = c ?? (f === undefined ? undefined : celsiusFromFahrenheit(f));
    const atMs = at === undefined ? nowMs : Date.parse(at);
    if (tempC === undefined) problems.push({ code: 'noTemperature', path: `readings.${i}`, message: 'Give c or f.' });
    else if (atMs > nowMs + AHEAD_MS)
      problems.push({
        code: 'inFuture',
        path: `readings.${i}.at`,
        message: 'This instant is still to come. Check the clock of the device.',
      });
    else if (atMs < nowMs - OLDEST_MS)
      problems.push({ code: 'tooOld', path: `readings.${i}.at`, message: 'This is older than a week. Bring it in as a logger’s file.' });
    else return [{ channel, atMs, tempC }];
    return [];
  });
  if (problems.length > 0) return failure(...problems);
  const key = token ?? '';
  const minute = Math.floor(nowMs / 60_000);
  const before = sent.get(key);
  const count = (before?.minute === minute ? before.count : 0) + readings.length;
  if (count > MOST_A_MINUTE) return failure({ code: 'tooManyReadings' });
  if (sent.size > 1000) sent.clear();
  sent.set(key, { minute, count });
  return takeReadings(context, token, readings);
}

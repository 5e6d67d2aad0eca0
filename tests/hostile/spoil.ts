import { seededRandom } from '../../src/core/numerics';

/** Everything that was ever typed, pasted or sent to do harm, or by mistake. */
const JUNK: readonly unknown[] = [
  null,
  undefined,
  [],
  {},
  [[]],
  [null],
  { length: 1e9 },
  { __proto__: { polluted: true } },
  '$undefined',
  '$NaN',
  '$D2206-06-19T00:00:00.000Z',
  '$Q1',
  '$@0',
  '',
  ' ',
  '\u0000',
  '\u202Etxt.exe',
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  '=cmd|" /C calc"!A0',
  "'; DROP TABLE events; --",
  '../../../../etc/passwd',
  'x'.repeat(5000),
  '🔥'.repeat(60),
  'Line one\r\nATTENDEE:mailto:a@b',
  '__proto__',
  'constructor',
  '2206-06-19',
  '0001-01-01',
  '2027-02-30',
  '99:99',
  true,
  false,
  0,
  -0,
  -1,
  0.1 + 0.2,
  1e9,
  -1e9,
  1e308,
  Number.MAX_SAFE_INTEGER,
  7.4e12,
  8.64e15,
  'NaN',
  'Infinity',
];

export interface Chance {
  next(): number;
  whole(low: number, high: number): number;
  pick<T>(all: readonly T[]): T;
}
export function chance(seed: number): Chance {
  const random = seededRandom(seed);
  const next = () => random.uniform();
  const whole = (low: number, high: number) => low + Math.floor(next() * (high - low + 1));
  return { next, whole, pick: (all) => all[whole(0, all.length - 1)]! };
}

/** Every place in a value, as the way there. */
export function placesOf(value: unknown, path: string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [path];
  return [path, ...Object.entries(value).flatMap(([key, each]) => placesOf(each, [...path, key]))];
}

export const junk = ({ pick, whole, next }: Chance): unknown => {
  if (next() < 0.03) return nested(whole(10, 400));
  if (next() < 0.03) return Array.from({ length: whole(300, 900) }, () => ownCopy(pick(JUNK)));
  return ownCopy(pick(JUNK));
};
/** What is spoilt further must not spoil what the next one is made of. */
const ownCopy = (made: unknown): unknown =>
  typeof made === 'object' && made !== null ? (JSON.parse(JSON.stringify(made)) as unknown) : made;
const nested = (deep: number): unknown => (deep === 0 ? 1 : [nested(deep - 1)]);

/** A right value made wrong in one to three places: something else put there, taken away, doubled or added. */
export function spoilt(right: unknown, luck: Chance): unknown {
  if (luck.next() < 0.05) return junk(luck);
  const value = JSON.parse(JSON.stringify(right)) as Record<string, unknown>;
  for (let times = luck.whole(1, 3); times > 0; times--) {
    const path = luck.pick(placesOf(value).filter((each) => each.length > 0));
    if (!path) return junk(luck);
    let holder = value;
    for (const key of path.slice(0, -1)) holder = holder[key] as Record<string, unknown>;
    const last = path.at(-1)!;
    const way = luck.next();
    if (way < 0.62) holder[last] = junk(luck);
    else if (way < 0.76) delete holder[last];
    else if (way < 0.86) holder[luck.pick(['extra', '__proto__', 'toString', 'x'.repeat(200)])] = junk(luck);
    else if (Array.isArray(holder)) for (let i = luck.whole(1, 450); i > 0; i--) holder.push(holder[Number(last)]);
    else holder[last] = [holder[last]];
  }
  return value;
}

import { rfc3339 } from '../clock';

/** Whether a name is one that files have instants under: `at`, `from`, `to`, `workFrom`, `pullEarly`, `onAt`, `savedAt`… */
const NAMES_AN_INSTANT = /^(at|from|to|workFrom|pullEarly|pullMedian|pullLate)$|At$/;
/** A thing as its file has it: every instant `…Ms` is RFC 3339 text under its name without the unit. */
export type TimesAsText<T> = T extends readonly [unknown, ...unknown[]]
  ? T
  : T extends readonly (infer Each)[]
    ? TimesAsText<Each>[]
    : T extends object
      ? { [K in keyof T as WithoutMs<K>]: K extends `${string}Ms` ? InText<T[K]> : TimesAsText<T[K]> }
      : T;
type WithoutMs<K> = K extends `${infer Name}Ms` ? Name : K;
type InText<T> = T extends number ? string : T;

const RFC_3339 = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/i;

/** Every field `…Ms` as RFC 3339 text to the minute, under its name without the unit. */
export const withTimesAsText = (value: unknown, timeZone: string): unknown =>
  mapFields(value, (key, each) =>
    key.endsWith('Ms') && typeof each === 'number' ? [key.slice(0, -2), rfc3339(each, timeZone)] : undefined,
  );

/** The way back. Ids hold no colon, so a field that looks like an instant is one. */
export const withTimesAsMs = (value: unknown): unknown =>
  mapFields(value, (key, each) =>
    NAMES_AN_INSTANT.test(key) && typeof each === 'string' && RFC_3339.test(each) ? [`${key}Ms`, Date.parse(each)] : undefined,
  );

function mapFields(value: unknown, change: (key: string, value: unknown) => [string, unknown] | undefined): unknown {
  if (Array.isArray(value)) return value.map((each) => mapFields(each, change));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => change(key, each) ?? [key, mapFields(each, change)]));
}

import type { Conflict } from '../../core/edits';
import type { Problem } from '../../core/outcome';
import { dayAndTime } from '../clock';
import { formatLength, formatMass, formatMinutes, formatShare, formatTemp, type Units } from '../units';
import { batchName, capital, type MessageContext } from './names';

/** Something that two people changed, in words: what it is, and what it is by either. */
export interface ConflictMessage {
  what: string;
  mine: string;
  theirs: string;
}

/** The unit stands at the end of every number's name. */
const UNITS: [suffix: RegExp, word: (value: number, units: Units, zone: string) => string][] = [
  [/Ms$/, (ms, units, zone) => dayAndTime(ms, zone, units.clock)],
  [/C$/, (tempC, units) => formatTemp(tempC, units)],
  [/kg$/i, (kg, units) => formatMass(kg, units)],
  [/Mm$/, (mm, units) => formatLength(mm, units)],
  [/Min$/, (minutes) => formatMinutes(minutes)],
  [/(Share|confidence|Humidity)$/, (share) => formatShare(share)],
];

const WORDS: Record<string, string> = { kg: 'weight', atMs: 'time', warmUpMin: 'light to ready' };

/** `pitC` is the pit, `altitudeM` the altitude, `methodId` the method. */
const inWords = (key: string): string =>
  (WORDS[key] ?? key)
    .replace(/(Ms|C|Kg|Min|Mm|M|Id|Ids|Share)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

function valueInWords(units: Units, zone: string, key: string, value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (typeof value === 'number') return UNITS.find(([suffix]) => suffix.test(key))?.[1](value, units, zone) ?? String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return value.length === 1 ? 'one entry' : `${value.length} entries`;
  const { name } = value as { name?: unknown };
  return typeof name === 'string' ? name : 'as it is set there';
}

/** Of an event. */
export function conflictMessage(context: MessageContext, conflict: Conflict): ConflictMessage {
  const nameOf = (list: string, id: string) => (list === 'batches' ? batchName(context, id) : undefined);
  return inBoth(context.event, conflict, context.units, context.event.timeZone, nameOf);
}

/** Of an entry of the house, as the problems of a save tell it: paths and values are JSON. */
export function entryConflictMessages(entry: object, problems: readonly Problem[], units: Units): ConflictMessage[] {
  return problems.map(({ data = {} }) => {
    const read = (key: string): unknown => (typeof data[key] === 'string' ? (JSON.parse(data[key]) as unknown) : undefined);
    const change = { path: (read('path') ?? []) as string[], from: read('from'), to: read('to') };
    return inBoth(entry, { change, theirs: read('theirs'), gone: data.gone === true }, units, 'UTC');
  });
}

function inBoth(
  root: object,
  { change, theirs, gone }: Conflict,
  units: Units,
  zone: string,
  nameOf: (list: string, id: string) => string | undefined = () => undefined,
): ConflictMessage {
  const { path } = change;
  const words: string[] = [];
  let at: unknown = root;
  for (const [depth, step] of path.entries()) {
    const last = depth === path.length - 1;
    if (!step.startsWith('#')) {
      at = (at as Record<string, unknown> | undefined)?.[step];
      // A list is named by what is in it.
      if (last || !path[depth + 1]!.startsWith('#')) words.push(inWords(step));
      continue;
    }
    const id = step.slice(1);
    const nth = (at as { id: string }[] | undefined)?.findIndex((each) => each.id === id) ?? -1;
    const list = path[depth - 1]!;
    at = (at as unknown[] | undefined)?.[nth];
    const own = (at as { name?: unknown } | undefined)?.name;
    const one = () =>
      `${inWords(list)
        .replace(/(ch|s)es$/, '$1')
        .replace(/s$/, '')}${nth >= 0 ? ` ${nth + 1}` : ''}`;
    words.push((nth >= 0 ? nameOf(list, id) : undefined) ?? (typeof own === 'string' ? own : one()));
  }
  const key = path.findLast((step) => !step.startsWith('#')) ?? '';
  const taken = 'taken away';
  const said = (value: unknown) => valueInWords(units, zone, key, value);
  return {
    what: capital(words.join(', ')),
    mine: change.to === undefined && change.from !== undefined ? taken : said(change.to),
    theirs: gone || (theirs === undefined && change.from !== undefined) ? taken : said(theirs),
  };
}

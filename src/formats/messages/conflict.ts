import type { Conflict } from '../../core/edits';
import { dayAndTime } from '../clock';
import { formatMass, formatMinutes, formatShare, formatTemp } from '../units';
import { batchName, capital, type MessageContext } from './names';

/** Something that two people changed, in words: what it is, and what it is by either. */
export interface ConflictMessage {
  what: string;
  mine: string;
  theirs: string;
}

/** The unit stands at the end of every number's name. */
const UNITS: [suffix: RegExp, word: (value: number, context: MessageContext) => string][] = [
  [/Ms$/, (ms, { event, units }) => dayAndTime(ms, event.timeZone, units.clock)],
  [/C$/, (tempC, { units }) => formatTemp(tempC, units)],
  [/kg$/i, (kg, { units }) => formatMass(kg, units)],
  [/Min$/, (minutes) => formatMinutes(minutes)],
  [/(Share|confidence|Humidity)$/, (share) => formatShare(share)],
];

const WORDS: Record<string, string> = { kg: 'weight', atMs: 'time' };

/** `pitC` is the pit, `altitudeM` the altitude, `methodId` the method. */
const inWords = (key: string): string =>
  (WORDS[key] ?? key)
    .replace(/(Ms|C|Kg|Min|Mm|M|Id|Ids|Share)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

function valueInWords(context: MessageContext, key: string, value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (typeof value === 'number') return UNITS.find(([suffix]) => suffix.test(key))?.[1](value, context) ?? String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return value.length === 1 ? 'one entry' : `${value.length} entries`;
  const { name } = value as { name?: unknown };
  return typeof name === 'string' ? name : 'as it is set there';
}

export function conflictMessage(context: MessageContext, { change, theirs, gone }: Conflict): ConflictMessage {
  const { path } = change;
  const words: string[] = [];
  let at: unknown = context.event;
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
    words.push(
      list === 'batches' && nth >= 0
        ? batchName(context, id)
        : typeof own === 'string'
          ? own
          : `${inWords(list)
              .replace(/(ch|s)es$/, '$1')
              .replace(/s$/, '')}${nth >= 0 ? ` ${nth + 1}` : ''}`,
    );
  }
  const key = path.findLast((step) => !step.startsWith('#')) ?? '';
  const taken = 'taken away';
  return {
    what: capital(words.join(', ')),
    mine: change.to === undefined && change.from !== undefined ? taken : valueInWords(context, key, change.to),
    theirs: gone || (theirs === undefined && change.from !== undefined) ? taken : valueInWords(context, key, theirs),
  };
}

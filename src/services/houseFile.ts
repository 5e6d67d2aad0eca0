import { createHash } from 'node:crypto';
import { libraryWith } from '../core/model';
import { eventFileOf, NoHouse, unzipped, writeEventFile, zipped, type TextPart } from '../formats/open';
import { buildHouse, NEWEST_SHAPE, OpenRefused, readHouse, type TablePart } from '../persistence';
import type { Context } from './context';
import { listEvents } from './reading';
import { storedEquipment, storedEvent, storedLibrary } from './stored';

/** Everything of an owner as open files in one archive (docs/formats/house.md), and a database made of them. */

const FORMAT = 'anachron-house';
const VERSION = 1;
const HEAD = 'house.json';
const END = 'end.json';
const TABLE = /^tables\/([a-z_]+)\.jsonl$/;
/** Event files are for other houses: what they say stands in the tables, too. */
const EVENT = /^events\/.*\.json$/;

interface Sum {
  rows: number;
  sha256: string;
}

export const writeHouse = (context: Context, file: string): AsyncGenerator<Uint8Array> => zipped(houseFiles(context, file));

async function* houseFiles(context: Context, file: string): AsyncGenerator<TextPart> {
  yield { name: HEAD, text: `${JSON.stringify({ format: FORMAT, version: VERSION, shape: NEWEST_SHAPE }, undefined, 2)}\n` };
  const sums = new Map<string, ReturnType<typeof newSum>>();
  for await (const { table, rows } of readHouse(file)) {
    const text = rows.map((row) => `${JSON.stringify(row)}\n`).join('');
    const sum = sums.get(table) ?? newSum();
    sums.set(table, sum);
    sum.add(rows.length, text);
    yield { name: `tables/${table}.jsonl`, text };
  }
  yield* eventFiles(context);
  const ends = Object.fromEntries([...sums].map(([table, sum]) => [table, sum.sum()]));
  yield { name: END, text: `${JSON.stringify(ends, undefined, 2)}\n` };
}

/** Each event as the file that any house takes in by itself. */
async function* eventFiles(context: Context): AsyncGenerator<TextPart> {
  const house = { equipment: await storedEquipment(), library: libraryWith(await storedLibrary()) };
  const events = (await listEvents(context)).sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const { id, firstServingMs } of events) {
    const event = await storedEvent(id);
    if (!event) continue;
    const name = `${event.name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}-${id}`;
    yield { name: `events/${name}.json`, text: writeEventFile(eventFileOf(event, house, firstServingMs ?? 0)) };
  }
}

const newSum = () => {
  const hash = createHash('sha256');
  let rows = 0;
  return {
    add(more: number, text: string) {
      rows += more;
      hash.update(text);
    },
    sum: (): Sum => ({ rows, sha256: hash.digest('hex') }),
  };
};

/** Makes a database of an archive; what is no house, was cut short or does not fit together is refused in one line, and nothing is left. */
export async function buildFromHouse(chunks: AsyncIterable<Uint8Array>, target: string): Promise<void> {
  const files = unzipped(chunks);
  try {
    const head = await files.next();
    const shape = head.done || head.value.name !== HEAD ? undefined : shapeIn(head.value.text);
    if (shape === undefined) throw new OpenRefused(`It is no archive of a house: it does not begin with ${HEAD}.`);
    await buildHouse(target, shape, tableParts(files));
  } catch (error) {
    throw error instanceof NoHouse ? new OpenRefused(`The archive cannot be read: ${error.message}`) : error;
  }
}

function shapeIn(text: string): string | undefined {
  const head = parsed(text, HEAD) as { format?: unknown; version?: unknown; shape?: unknown };
  if (head.format !== FORMAT) return undefined;
  if (head.version !== VERSION)
    throw new OpenRefused(`This archive is of version ${String(head.version)}; this program reads version ${VERSION}.`);
  return String(head.shape);
}

async function* tableParts(files: AsyncIterable<TextPart>): AsyncGenerator<TablePart> {
  const sums = new Map<string, ReturnType<typeof newSum>>();
  let end: Record<string, Partial<Sum> | undefined> | undefined;
  let line = 0;
  for await (const { name, text } of files) {
    if (name === END) {
      end = parsed(text, END) as typeof end;
      continue;
    }
    const table = TABLE.exec(name)?.[1];
    if (table === undefined) {
      if (EVENT.test(name)) continue;
      throw new OpenRefused(`There is no place for ${name.slice(0, 80)}.`);
    }
    if (!sums.has(table)) line = 0;
    const rows = text.split('\n').flatMap((each) => (each === '' ? [] : [rowIn(each, `${name}, line ${++line}`)]));
    const sum = sums.get(table) ?? newSum();
    sums.set(table, sum);
    sum.add(rows.length, text);
    yield { table, rows };
  }
  if (end === undefined) throw new OpenRefused(`The archive was cut short: it does not end with ${END}.`);
  for (const [table, counted] of [...sums].map(([name, sum]) => [name, sum.sum()] as const)) {
    const told = end[table];
    if (told?.rows !== counted.rows || (told.sha256 !== undefined && told.sha256 !== counted.sha256))
      throw new OpenRefused(
        `tables/${table}.jsonl is not as it was written: ${END} tells of ${told?.rows ?? 'no'} lines, ${counted.rows} are there.`,
      );
  }
}

function rowIn(text: string, where: string): Record<string, unknown> {
  const row = parsed(text, where);
  if (typeof row !== 'object' || row === null || Array.isArray(row)) throw new OpenRefused(`${where} is no row.`);
  return row as Record<string, unknown>;
}

function parsed(text: string, where: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new OpenRefused(`${where} cannot be read.`);
  }
}

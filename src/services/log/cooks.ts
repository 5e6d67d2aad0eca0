import { SHIPPED_PARAMETERS } from '../../core/forecast';
import { loggedCurve, type ClosedCook, type CookWords } from '../../core/learn';
import { failure, success, type Outcome } from '../../core/outcome';
import { readLog as readLogger, type LogColumns } from '../../devices/logger/log';
import { cookOfLog, cooksCsv, readCooksCsv } from '../../formats/cooksCsv';
import { listCooks, listHeldOtherwise, loadCook, loadCooks, markCooksDeleted, saveCooks, type StoredCook } from '../../persistence';
import type { Context } from '../context';
import { mergedEntry, type Guard } from '../putTogether';
import { closeLeftDays } from './closeCooks';
import { heldAgainst } from './heldAgainst';

/** All cooks of the log, the newest first. */
export async function readLog(context: Context): Promise<StoredCook[]> {
  await closeLeftDays(context);
  await holdAnew(context);
  return listCooks();
}

/** A newer model says something else of cooks that were held against an older one. */
async function holdAnew(context: Context): Promise<void> {
  const otherwise = await listHeldOtherwise(SHIPPED_PARAMETERS.version);
  if (otherwise.length === 0) return;
  const held = await heldAgainst(otherwise.map(({ cook }) => cook));
  await context.db.write((transaction) => saveCooks(held, context.nowMs(), transaction));
}

/** What the crew says of a cook afterwards, put together with what somebody else wrote of it meanwhile. */
export async function saveCookWords(
  context: Context,
  { id, ...words }: { id: string } & CookWords,
  guard: Guard = {},
): Promise<Outcome<{ id: string }>> {
  return context.db.write(async (transaction): Promise<Outcome<{ id: string }>> => {
    const stored = await loadCook(id, transaction);
    if (!stored) return failure({ code: 'cookGone' });
    const typed = { id, ...words, notes: words.notes.trim(), nextTime: words.nextTime.trim() };
    const put = mergedEntry([{ id, ...stored.cook.words }], typed, guard);
    if (!put.ok) return put;
    const { id: _, ...together } = put.value.value;
    await saveCooks(
      [{ ...stored, cook: { ...stored.cook, words: together }, logOf: SHIPPED_PARAMETERS.version }],
      context.nowMs(),
      transaction,
    );
    return success({ id, ...(put.value.together && { together: true }) });
  });
}

/** Puts a logger's file to a cook of the log: its core over time, in place of the model's or of one put to it before. Without columns it is taken off again. */
export async function attachCurve(
  context: Context,
  { id, text, columns, probe }: { id: string; text: string; columns?: LogColumns; probe?: string },
  zone: string,
): Promise<Outcome<{ id: string; points: number }>> {
  const stored = await loadCook(id);
  if (!stored) return failure({ code: 'cookGone' });
  const { cook } = stored;
  const read = columns ? readLogger(text, columns, 'logger', zone, context.nowMs()) : undefined;
  if (read && read.readings.length === 0)
    return failure({
      code: 'logUnreadable',
      path: 'text',
      data: { line: read.refused[0]?.line ?? 1, reason: read.refused[0]?.reason ?? 'it holds no readings' },
    });
  const ofProbe = read?.readings.filter(({ channel }) => probe === undefined || channel === probe) ?? [];
  const curve = read && loggedCurve(ofProbe, { onMs: cook.onMs, observedH: cook.cook.observedH });
  if (read && !curve) return failure({ code: 'curveElsewhere', path: 'text' });
  const { curve: _, ...bare } = cook;
  const changed = { ...stored, cook: { ...bare, ...(curve && { curve }) }, logOf: SHIPPED_PARAMETERS.version };
  await context.db.write((transaction) => saveCooks([changed], context.nowMs(), transaction));
  return success({ id, points: curve?.minutes.length ?? 0 });
}

export async function takeCookOut(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => markCooksDeleted([id], context.nowMs(), transaction));
  return found > 0 ? success({ id }) : failure({ code: 'cookGone' });
}
export async function bringCookBack(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => markCooksDeleted([id], null, transaction));
  return found > 0 ? success({ id }) : failure({ code: 'cookGone' });
}

export interface Brought {
  /** Cooks taken in, and of those how many were there before. */
  kept: number;
  known: number;
  refused: { line: number; reason: string }[];
}

/** Takes in a cooks file (docs/formats/cooks.md). A cook that is known by its id is changed, its words stay; rows that cannot be used are told by line. */
export async function importCooks(context: Context, { text }: { text: string }): Promise<Outcome<Brought>> {
  const { rows, refused } = readCooksCsv(text);
  if (rows.length === 0 && refused.length === 0) return failure({ code: 'noCooks' });
  const read = rows.flatMap((row): ClosedCook[] => {
    const told = cookOfLog(row);
    if (!('reason' in told)) return [{ id: fileId(row.cook.id), source: 'file', ...told }];
    refused.push({ line: row.line, reason: told.reason });
    return [];
  });
  // What was lived here, went out and comes back is the same cook.
  const lived = new Set((await loadCooks(read.map(({ cook }) => cook.id))).map(({ cook }) => cook.id));
  const byId = new Map(read.filter(({ cook }) => !lived.has(cook.id)).map((cook) => [cook.id, cook]));
  const before = new Map((await loadCooks([...byId.keys()])).map(({ cook }) => [cook.id, cook]));
  const wordsOf = ({ id, words }: ClosedCook) => (isSaid(before.get(id)?.words) ? before.get(id)!.words : words);
  const held = await heldAgainst(
    [...byId.values()].map((cook) => ({
      ...cook,
      words: wordsOf(cook),
      ...(before.get(cook.id)?.curve && { curve: before.get(cook.id)!.curve }),
    })),
  );
  await context.db.write(async (transaction) => {
    await saveCooks(held, context.nowMs(), transaction);
    await markCooksDeleted([...byId.keys(), ...lived], null, transaction);
  });
  return success({ kept: held.length + lived.size, known: before.size + lived.size, refused });
}

const fileId = (cookId: string): string => `file/${cookId}`.slice(0, 160);
const isSaid = (words: CookWords | undefined): boolean =>
  words !== undefined && (words.notes !== '' || words.nextTime !== '' || Object.values(words.verdict).some(Boolean));

/** The log as a cooks file, the oldest first. */
export const exportCooks = async (_context: Context): Promise<string> => cooksCsv((await listCooks()).map(({ cook }) => cook).reverse());

import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { failure, success, type Outcome } from '../core/outcome';
import { copyDatabase, openFault, OpenRefused, readCopy, restoreCopy, type CopyContents } from '../persistence';
import type { Context } from './context';

export interface Copy {
  name: string;
  madeAtMs: number;
  bytes: number;
}

/** Made by hand, by the day, or before another was put in its place; or brought from elsewhere. */
type Kind = 'copy' | 'daily' | 'before-restore' | 'brought';
/** `daily-2026-11-27T0412.sqlite`, in the world's own time. */
const NAME = /^(?:copy|daily|before-restore|brought)-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)\.sqlite$/;

const DAY_MS = 86_400_000;
/** Of those made by the day: all of a week, then one a week for two months. What was made by hand is the owner's to let go. */
const DAYS_KEPT = 7;
const WEEKS_KEPT = 8;

export const copyName = (kind: Kind, nowMs: number): string =>
  `${kind}-${new Date(nowMs).toISOString().slice(0, 19).replaceAll(':', '')}.sqlite`;

/** Copies lie beside the database. */
export const copiesFolder = (file: string): string => path.join(path.dirname(file), 'copies');

export function listCopies(folder: string): Copy[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): Copy[] => {
      const [, date, hours, minutes, seconds] = NAME.exec(name) ?? [];
      if (date === undefined) return [];
      return [{ name, madeAtMs: Date.parse(`${date}T${hours}:${minutes}:${seconds}Z`), bytes: statSync(path.join(folder, name)).size }];
    })
    .sort((a, b) => b.madeAtMs - a.madeAtMs || (a.name < b.name ? 1 : -1));
}

/** One line of what went wrong is an answer; what nobody foresaw is not. */
const refused = (error: unknown, file: string): Outcome<never> => {
  const fault = openFault(error, file);
  if (!(fault instanceof OpenRefused)) throw fault;
  return failure({ code: 'copyRefused', message: fault.message });
};

/** A consistent copy of all data while the program runs, looked through before it counts. */
export async function makeCopy(context: Context, file: string, kind: Kind = 'copy'): Promise<Outcome<Copy & CopyContents>> {
  const folder = copiesFolder(file);
  const name = copyName(kind, context.nowMs());
  const target = path.join(folder, name);
  try {
    mkdirSync(folder, { recursive: true });
    // Under another name until it is whole: a copy that is listed can be trusted.
    const making = `${target}.making`;
    rmSync(making, { force: true });
    const contents = await copyDatabase(context.db, making);
    renameSync(making, target);
    return success({ name, madeAtMs: context.nowMs(), ...contents });
  } catch (error) {
    return refused(error, target);
  }
}

const fileOf = (file: string, name: string): string | undefined => {
  const full = path.join(copiesFolder(file), name);
  return NAME.test(name) && existsSync(full) ? full : undefined;
};

/** What a copy holds, so that nobody restores unseen. */
export async function previewCopy(_context: Context, file: string, name: string): Promise<Outcome<CopyContents>> {
  const full = fileOf(file, name);
  if (!full) return failure({ code: 'copyGone' });
  try {
    return success(await readCopy(full));
  } catch (error) {
    return refused(error, full);
  }
}

/** Puts a copy in place of what is there, after a copy of that. Days under way go on from what the copy knew. */
export async function putCopyBack(context: Context, file: string, name: string): Promise<Outcome<{ before: string }>> {
  const full = fileOf(file, name);
  if (!full) return failure({ code: 'copyGone' });
  const seen = await previewCopy(context, file, name);
  if (!seen.ok) return seen;
  const before = await makeCopy(context, file, 'before-restore');
  if (!before.ok) return before;
  try {
    await restoreCopy(context.db, full, ['yard', 'clock', 'writable']);
  } catch (error) {
    return refused(error, full);
  }
  context.days?.allChanged();
  return success({ before: before.value.name });
}

/** Which of the daily copies are let go. Pure. */
export function copiesToDrop(copies: readonly Copy[], nowMs: number): string[] {
  const daily = copies.filter(({ name }) => name.startsWith('daily-'));
  const weeks = new Set<number>();
  return daily.flatMap(({ name, madeAtMs }) => {
    const age = (nowMs - madeAtMs) / DAY_MS;
    if (age < DAYS_KEPT) return [];
    const week = Math.floor(age / 7);
    if (week > WEEKS_KEPT || weeks.has(week)) return [name];
    weeks.add(week);
    return [];
  });
}

/** A copy once a day, and what is too many let go. */
export async function keepDailyCopy(context: Context, file: string): Promise<Outcome<unknown>> {
  const nowMs = context.nowMs();
  const copies = listCopies(copiesFolder(file));
  const last = copies.find(({ name }) => name.startsWith('daily-'));
  if (last && nowMs - last.madeAtMs < DAY_MS) return success({});
  const made = await makeCopy(context, file, 'daily');
  if (made.ok) for (const name of copiesToDrop(copies, nowMs)) rmSync(path.join(copiesFolder(file), name), { force: true });
  return made;
}

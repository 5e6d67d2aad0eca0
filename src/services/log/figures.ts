import {
  figureName,
  kitchenFigures,
  withFigure,
  type FigureGround,
  type FigureKey,
  type KitchenFigure,
  type Observation,
  type TakenFigures,
} from '../../core/learn';
import type { Transaction } from 'sequelize';
import { libraryWith, type Habits } from '../../core/model';
import { failure, success, type Outcome } from '../../core/outcome';
import { listObservations, listWeighedPieces, loadSetting, saveGear, saveLibraryEntry, saveSetting } from '../../persistence';
import type { Context } from '../context';
import { HABITS_KEY, storedEquipment, storedLibrary } from '../stored';

const TAKEN_KEY = 'figures';

async function takenFigures(transaction?: Transaction): Promise<TakenFigures> {
  const stored = await loadSetting(TAKEN_KEY, transaction);
  return typeof stored === 'object' && stored !== null ? (stored as TakenFigures) : {};
}

async function groundNow(transaction?: Transaction): Promise<FigureGround> {
  return { equipment: await storedEquipment(transaction), library: libraryWith(await storedLibrary(transaction)) };
}

/** What the days measured, and every piece of every event that was weighed before and after it was trimmed. */
async function measured(transaction?: Transaction): Promise<Observation[]> {
  const weighed = await listWeighedPieces(transaction);
  const trims = weighed.flatMap(({ cutId, boughtKg, trimmedKg }): Observation[] =>
    boughtKg > 0 && trimmedKg <= boughtKg ? [{ figure: `trim/${cutId}`, atMs: 0, value: 1 - trimmedKg / boughtKg, readings: 1 }] : [],
  );
  return [...(await listObservations(transaction)), ...trims];
}

/** Every figure the log has anything to say of, beside the number in use. */
export async function readFigures(_context: Context): Promise<KitchenFigure[]> {
  return kitchenFigures(await measured(), await groundNow(), await takenFigures());
}

/** Writes a figure's number to where it is planned with. */
async function write(figure: FigureKey, value: number, ground: FigureGround, nowMs: number, transaction: Transaction): Promise<boolean> {
  const home = withFigure(figure, value, ground);
  if (!home) return false;
  if (home.kind === 'pit') await saveGear('pit', home.pit, nowMs, transaction);
  else if (home.kind === 'box') await saveGear('box', home.box, nowMs, transaction);
  else if (home.kind === 'cut') await saveLibraryEntry('cut', home.cut, nowMs, transaction);
  else await saveSetting(HABITS_KEY, home.habits satisfies Habits, transaction);
  return true;
}

/** From now on plans go by what the log says of a figure. What stood there is kept, so that it can be put back. */
export async function takeFigure(context: Context, { figure }: { figure: string }): Promise<Outcome<object>> {
  return context.db.write(async (transaction): Promise<Outcome<object>> => {
    const ground = await groundNow(transaction);
    const taken = await takenFigures(transaction);
    const found = kitchenFigures(await measured(transaction), ground, taken).find((each) => each.figure === figure);
    if (!found) return failure({ code: 'figureGone' });
    const nowMs = context.nowMs();
    await write(found.figure, found.value, ground, nowMs, transaction);
    const { prior, value, count } = found;
    const stands = { before: prior, taken: value, count, takenAtMs: nowMs };
    await saveSetting(TAKEN_KEY, { ...taken, [found.figure]: stands }, transaction);
    return success({});
  });
}

/** Plans go again by what stood there before anything of a figure was taken. */
export async function putFigureBack(context: Context, { figure }: { figure: string }): Promise<Outcome<object>> {
  return context.db.write(async (transaction): Promise<Outcome<object>> => {
    if (!figureName(figure)) return failure({ code: 'figureGone' });
    const key = figure as FigureKey;
    const { [key]: stands, ...others } = await takenFigures(transaction);
    if (!stands || !(await write(key, stands.before, await groundNow(transaction), context.nowMs(), transaction)))
      return failure({ code: 'figureGone' });
    await saveSetting(TAKEN_KEY, others, transaction);
    return success({});
  });
}

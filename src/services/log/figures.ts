import {
  FIGURE,
  figureInUse,
  figureKey,
  figureName,
  isStated,
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
import { instantOf, localDate } from '../../formats/clock';
import {
  addObservation,
  listObservations,
  listWeighedPieces,
  loadSetting,
  removeObservation,
  saveGear,
  saveLibraryEntry,
  saveSetting,
} from '../../persistence';
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

/** A measurement, and where it is from: a day of an event, a piece on the scale, or somebody's hand. */
export interface KeptMeasure extends Observation {
  id: string;
  source: 'day' | 'scale' | 'typed';
  eventId?: string;
}

/** What the days measured, what was typed in, and every piece of every event that was weighed before and after it was trimmed. */
async function measured(transaction?: Transaction): Promise<KeptMeasure[]> {
  const kept = await listObservations(transaction);
  const weighed = await listWeighedPieces(transaction);
  return [
    ...kept.map((each): KeptMeasure => ({ ...each, source: each.eventId === undefined ? 'typed' : 'day' })),
    ...weighed.flatMap(({ eventId, cutId, boughtKg, trimmedKg }, i): KeptMeasure[] =>
      boughtKg > 0 && trimmedKg <= boughtKg
        ? [
            {
              id: `scale/${i}`,
              source: 'scale',
              eventId,
              figure: figureKey('trim', cutId),
              atMs: 0,
              value: 1 - trimmedKg / boughtKg,
              readings: 1,
            },
          ]
        : [],
    ),
  ];
}

const MOST_SHOWN = 40;

/** Every figure the log has anything to say of, beside the number in use, and the newest of what was measured. */
export async function readFigures(_context: Context): Promise<(KitchenFigure & { measures: KeptMeasure[] })[]> {
  const all = await measured();
  const of = new Map<string, KeptMeasure[]>();
  for (const each of all) {
    const list = of.get(each.figure);
    if (list) list.push(each);
    else of.set(each.figure, [each]);
  }
  return kitchenFigures(all, await groundNow(), await takenFigures()).map((each) => ({
    ...each,
    measures: of.get(each.figure)!.slice(-MOST_SHOWN).reverse(),
  }));
}

/** One measurement that somebody made apart from any day: a thermometer on the grate of a Tuesday, a box that was timed. */
export async function writeMeasure(
  context: Context,
  { figure, value, date }: { figure: string; value: number; date?: string },
  zone: string,
): Promise<Outcome<{ id: string }>> {
  const name = figureName(figure);
  if (!name || figureInUse(figure as FigureKey, await groundNow()) === undefined) return failure({ code: 'figureGone' });
  const { from, to } = FIGURE[name.kind];
  if (value < from || value > to) return failure({ code: 'figureBeyond', path: 'value' });
  const nowMs = context.nowMs();
  const on = date === undefined ? { ms: nowMs } : instantOf(date, '12:00', zone);
  if ('problem' in on) return failure({ code: 'noSuchDate', path: 'date' });
  if (localDate(on.ms, zone) > localDate(nowMs, zone)) return failure({ code: 'cookToCome', path: 'date' });
  const id = `typed/${context.newId()}`;
  const measure = { id, figure: figure as FigureKey, atMs: Math.min(on.ms, nowMs), value, readings: 1 };
  await context.db.write((transaction) => addObservation(measure, transaction));
  return success({ id });
}

export async function takeMeasureOut(context: Context, { id }: { id: string }): Promise<Outcome<object>> {
  const found = await context.db.write((transaction) => removeObservation(id, transaction));
  return found ? success({}) : failure({ code: 'measureGone' });
}

/** Writes a figure's number to where it is planned with. */
async function write(
  figure: FigureKey,
  value: number | undefined,
  ground: FigureGround,
  nowMs: number,
  transaction: Transaction,
): Promise<boolean> {
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
    const unstated = found.taken ? found.taken.unstated : !isStated(found.figure, ground);
    const stands = { before: prior, ...(unstated && { unstated }), taken: value, count, takenAtMs: nowMs };
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
    if (
      !stands ||
      !(await write(key, stands.unstated ? undefined : stands.before, await groundNow(transaction), context.nowMs(), transaction))
    )
      return failure({ code: 'figureGone' });
    await saveSetting(TAKEN_KEY, others, transaction);
    return success({});
  });
}

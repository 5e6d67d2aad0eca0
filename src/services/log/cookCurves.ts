import { foldDay, lowestCounts, MinuteBook, readingsOf } from '../../core/day';
import { loggedCurve, modelledCurve, type ClosedCook, type CookCurve } from '../../core/learn';
import { MS_PER_MIN } from '../../core/units';
import { loadCooks, loadDay, loadEntries, loadMinutes } from '../../persistence';
import type { Context } from '../context';

/** A curve of so few readings says less than the model. */
const FEWEST_READINGS = 8;
export const MOST_COMPARED = 4;

/** The curves of a few cooks, to be laid over each other. */
export async function cookCurves(context: Context, ids: readonly string[]): Promise<CookCurve[]> {
  const cooks = await loadCooks(ids.slice(0, MOST_COMPARED));
  const curves = await Promise.all(
    cooks.map(
      async ({ cook }) =>
        attachedCurve(cook) ??
        (await readCurve(context, cook)) ?? { id: cook.id, ...modelledCurve({ ...cook.cook, cutId: cook.modelCutId ?? cook.cook.cutId }) },
    ),
  );
  return curves.flatMap((curve) => ('minutes' in curve && curve.minutes ? [curve as CookCurve] : []));
}

/** As a logger's file had it, that somebody put to it. */
const attachedCurve = ({ id, curve, cook, times }: ClosedCook): CookCurve | undefined =>
  curve && {
    id,
    ...curve,
    modelled: false,
    wrappedMin: cook.wrapWhen.afterMin ?? (times?.wrappedMs === undefined ? undefined : (times.wrappedMs - times.onMs) / MS_PER_MIN),
    pulledMin: cook.observedH === undefined ? undefined : cook.observedH * 60,
  };

/** As it was read on its day; undefined where too little was. */
async function readCurve(context: Context, { id, eventId, pieceKey, times }: ClosedCook): Promise<CookCurve | undefined> {
  const day = eventId === undefined ? undefined : await loadDay(eventId);
  if (!day || pieceKey === undefined || !times) return undefined;
  const state = foldDay(day.kept, await loadEntries(eventId!));
  const devices = [...new Set(state.channels.map(({ deviceId }) => deviceId))];
  const book = new MinuteBook(await loadMinutes(context.db.sequelize, devices, times.onMs, times.pulledMs));
  const read = (readingsOf(state, book.over(times.pulledMs), lowestCounts(day.kept)).pieces[pieceKey] ?? []).filter(
    ({ atMs }) => atMs >= times.onMs && atMs <= times.pulledMs,
  );
  if (read.length < FEWEST_READINGS) return undefined;
  const curve = loggedCurve(read, { onMs: times.onMs });
  if (!curve) return undefined;
  const since = (atMs: number) => (atMs - times.onMs) / MS_PER_MIN;
  return {
    id,
    ...curve,
    modelled: false,
    wrappedMin: times.wrappedMs === undefined ? undefined : since(times.wrappedMs),
    pulledMin: since(times.pulledMs),
  };
}

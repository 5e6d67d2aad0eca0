import type { DayReadings, DayState, KeptDay } from '../day';
import type { HoldingBox } from '../model';
import { MS_PER_MIN } from '../units';
import { figureKey } from './figure';
import type { Measure } from './measuredDay';

/** Shorter, what is inside still evens out. */
const SHORTEST_MS = 90 * MS_PER_MIN;
const LEAST_FALL_C = 1.5;
/** A kilogram that went on holds so much when it is cooked, J/K, what it has lost taken off. */
const MEAT_J_PER_KG_K = 2730;
/** From one piece's core through wrap and air to the wall, W/K: 0.234 kg^(2/3); the wall is what is left of the way out. */
const filmWPerK = (kg: number): number => 0.234 * kg ** (2 / 3);
const USUAL_ROOM_C = 20;
/** Let it come to rest with the box first. */
const SETTLE_MS = 60 * MS_PER_MIN;

/**
 * What a box loses, W/K, from two cores of a piece in it: UA = m c ln((T1 - Troom) / (T2 - Troom)) / t of all that lies in it, less the way
 * through wrap and air to the wall (1 / UA = 1 / box + 1 / film). Only while the same pieces lie in it. Both constants are those of the
 * product's own hold (core/forecast/hold.ts), by its curves of one to four butts in boxes that lose 0.4 to 1.4 W/K.
 */
export function measureBoxes({ input: { event } }: KeptDay, state: DayState, readings: DayReadings, box: HoldingBox): Measure[] {
  const inBox = Object.values(state.pieces).filter(({ gearId, heldAtMs }) => gearId === box.id && heldAtMs !== undefined);
  if (inBox.length === 0) return [];
  const fromMs = Math.max(...inBox.map(({ heldAtMs }) => heldAtMs!)) + SETTLE_MS;
  const toMs = Math.min(...inBox.map(({ carvedAtMs }) => carvedAtMs ?? state.endedAtMs ?? Infinity));
  const kgs = inBox.flatMap(
    ({ batchId, pieceId }) => event.batches.find(({ id }) => id === batchId)?.pieces.find(({ id }) => id === pieceId)?.kg ?? [],
  );
  const massKg = kgs.reduce((sum, kg) => sum + kg, 0);
  const filmsWPerK = kgs.reduce((sum, kg) => sum + filmWPerK(kg), 0);
  const roomC = event.weather?.airC ?? USUAL_ROOM_C;
  return inBox.flatMap(({ key }): Measure[] => {
    const within = (readings.pieces[key] ?? []).filter(({ atMs }) => atMs >= fromMs && atMs <= toMs);
    const [first, last] = [within[0], within.at(-1)];
    if (!first || !last || last.atMs - first.atMs < SHORTEST_MS || first.tempC - last.tempC < LEAST_FALL_C || last.tempC <= roomC + 5)
      return [];
    const wholeWPerK =
      (massKg * MEAT_J_PER_KG_K * Math.log((first.tempC - roomC) / (last.tempC - roomC))) / ((last.atMs - first.atMs) / 1000);
    return wholeWPerK >= filmsWPerK ? [] : [[figureKey('boxLoss', box.id), last.atMs, 1 / (1 / wholeWPerK - 1 / filmsWPerK)]];
  });
}

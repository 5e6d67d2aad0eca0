import { learnFigure, type FigureKey, type LearnedFigure, type Observation } from './figure';
import { figureInUse, roundedFigure, type FigureGround } from './figureInUse';

/** What was taken of the log in a figure's place, and what stood there before. */
export interface TakenFigure {
  before: number;
  /** Nobody had stated it: it was as usual. */
  unstated?: boolean;
  taken: number;
  count: number;
  takenAtMs: number;
}
export type TakenFigures = Record<FigureKey, TakenFigure>;

export interface KitchenFigure extends LearnedFigure {
  /** The number plans go by now. */
  inUse: number;
  /** Where that is what was taken of the log. */
  taken?: TakenFigure;
  /** The log says another number than the one in use, as fine as it is kept. */
  differs: boolean;
}

/**
 * All figures that anything was measured of, beside the numbers in use. What was taken of the log is drawn towards what stood there before,
 * not towards itself; a number that was changed by hand since is the owner's, and the log starts from it.
 */
export function kitchenFigures(observations: readonly Observation[], ground: FigureGround, taken: Partial<TakenFigures>): KitchenFigure[] {
  const of = new Map<FigureKey, Observation[]>();
  for (const each of observations) {
    const list = of.get(each.figure);
    if (list) list.push(each);
    else of.set(each.figure, [each]);
  }
  return [...of].flatMap(([figure, list]): KitchenFigure[] => {
    const inUse = figureInUse(figure, ground);
    if (inUse === undefined) return [];
    const own = taken[figure];
    const stands = own && roundedFigure(figure, inUse) === own.taken ? own : undefined;
    const learned = learnFigure(figure, stands?.before ?? inUse, list);
    const value = roundedFigure(figure, learned.value);
    return [{ ...learned, value, inUse, ...(stands && { taken: stands }), differs: value !== roundedFigure(figure, inUse) }];
  });
}

import type { DayReadings, DayState, KeptDay } from '../day';
import type { Meal, Serving } from '../model';
import type { FigureKey } from './figure';

/** A day that is over. */
export interface MeasuredDay {
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
  mealOf(serving: Serving): Meal;
  nowMs: number;
}

/** One measurement, as it was made. */
export type Measure = [figure: FigureKey, atMs: number, value: number];

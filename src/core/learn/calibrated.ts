import type { FinishedCook } from '../forecast';

/** A finished cook with its hours, in the order they were cooked. */
export interface CalibratedCook extends FinishedCook {
  id: string;
  observedH: number;
  massKg: number;
}

/** What would have been told of a cook by those that came before it, and what came. */
export interface CalibrationPoint {
  id: string;
  cutId: string;
  pitId?: string;
  observedH: number;
  toldH: { p10: number; p50: number; p90: number };
  inside: boolean;
}

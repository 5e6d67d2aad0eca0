import type { CookWords } from '../../core/learn';

/** A cook as the list shows it. */
export interface LogRow {
  id: string;
  /** Its cut, pit and method by name. */
  cut: string;
  pit?: string;
  method?: string;
  event?: string;
  onMs?: number;
  massKg: number;
  pitC: number;
  wrap: 'none' | 'paper' | 'foil' | 'pan';
  wrapAtMin?: number;
  wrapCoreC?: number;
  finalC?: number;
  feel?: string;
  lidOpenings?: number;
  slicedCoreC?: number;
  windMPerS?: number;
  yieldShare?: number;
  leftKg?: number;
  fuelKg?: number;
  costPerKg?: number;
  /** A logger's file was put to it. */
  hasCurve?: boolean;
  hours?: number;
  /** As it was told when it began, minutes from going on; and when it was to go on. */
  toldMin?: { p10: number; p50: number; p90: number };
  plannedOnMs?: number;
  /** How much longer (above 1) it took than the model, as shipped, says. */
  ratio?: number;
  words: CookWords;
}

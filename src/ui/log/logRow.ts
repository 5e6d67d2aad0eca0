import type { ClosedCook } from '../../core/learn';

/** A cook as the list shows it. */
export interface LogRow extends Pick<
  ClosedCook,
  'onMs' | 'wrapCoreC' | 'feel' | 'lidOpenings' | 'slicedCoreC' | 'windMPerS' | 'yieldShare' | 'leftKg' | 'fuelKg' | 'costPerKg' | 'words'
> {
  id: string;
  /** Its cut, pit and method by name. */
  cut: string;
  pit?: string;
  method?: string;
  event?: string;
  massKg: number;
  pitC: number;
  wrap: 'none' | 'paper' | 'foil' | 'pan';
  wrapAtMin?: number;
  finalC?: number;
  /** A logger's file was put to it. */
  hasCurve?: boolean;
  hours?: number;
  /** As it was told when it began, minutes from going on; and when it was to go on. */
  toldMin?: { p10: number; p50: number; p90: number };
  plannedOnMs?: number;
  /** How much longer (above 1) it took than the model, as shipped, says. */
  ratio?: number;
}

import type { PieceKey, PlanChange } from './entry';
import type { DayForecast, DayForecaster } from './forecaster';
import type { KeptDay } from './keptDay';
import type { DayReadings } from './readings';
import type { DayState } from './state';

export type LeverCode =
  | 'raisePit'
  | 'wrapNow'
  | 'wrapOne'
  | 'finishElsewhere'
  | 'servingLater'
  | 'carveLater'
  | 'thinFirst'
  | 'swap'
  | 'closeVents'
  | 'pullFirst'
  | 'lowerPit'
  | 'holdIn'
  | 'holdCooler'
  | 'ventLonger'
  | 'nothing';

/** What a lever costs, beside what it gains. */
export type LeverPrice = 'bark' | 'juice' | 'fuel' | 'hands' | 'guests' | 'otherServing' | 'beyondBand' | 'lessSmoke' | 'none';

/** Something that can still be done for a serving, tried on the meat as it is. */
export interface DayLever {
  id: string;
  code: LeverCode;
  servingId: string;
  changes: PlanChange[];
  pieces: PieceKey[];
  pitId?: string;
  pitC?: number;
  minutes?: number;
  gearId?: string;
  /** What a warmer is set to. */
  setC?: number;
  /** Chance of the serving with it. */
  onTimeShare: number;
  /** How much sooner (below 0: later) its last piece is expected. */
  gainMin: number;
  prices: LeverPrice[];
  /** Other servings that lose by it, and to what. */
  others: { servingId: string; onTimeShare: number }[];
}

/** The day on which levers are tried. */
export interface Trying {
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
  forecaster: DayForecaster;
  forecast: DayForecast;
  nowMs: number;
}

/** A lever before it was tried. */
export type Idea = Omit<DayLever, 'onTimeShare' | 'gainMin' | 'others' | 'servingId'>;

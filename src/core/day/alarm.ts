import type { PieceKey } from './entry';
import type { DayForecast } from './forecaster';
import type { KeptDay } from './keptDay';
import type { ServingNow } from './odds';
import type { DayReadings, MinuteReading } from './readings';
import type { DayTask } from './dayTask';
import type { DayState } from './state';

export type AlarmCode =
  | 'pitHigh'
  | 'pitLow'
  | 'pitFast'
  | 'pitFalling'
  | 'coreWrap'
  | 'coreCheck'
  | 'corePull'
  | 'probeLost'
  | 'probeLies'
  | 'longStall'
  | 'oddsLow'
  | 'reloadDue'
  | 'taskOverdue'
  | 'holdFloor'
  | 'poultryLow'
  | 'dangerZone'
  | 'hotHoldCheck'
  | 'coolingLate';

/** What wants somebody, why, and who. Figures are of the moment it was raised. */
export interface Alarm {
  /** One cause rings once, until it is over. */
  causeId: string;
  code: AlarmCode;
  /** `now`: meat or people suffer while nobody comes; `soon`: it can wait minutes. */
  urgency: 'now' | 'soon';
  atMs: number;
  /** Who is asked first, and who when nobody answers. */
  who?: string;
  second?: string;
  pitId?: string;
  piece?: PieceKey;
  taskId?: string;
  servingId?: string;
  batchId?: string;
  tempC?: number;
  setC?: number;
  minutes?: number;
  share?: number;
  channel?: string;
  state?: string;
}

export interface AlarmFacts {
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
  minutes: readonly MinuteReading[];
  forecast?: DayForecast;
  tasks: readonly DayTask[];
  odds: readonly ServingNow[];
  nowMs: number;
}

/** What has said nothing for so long is not read. */
export const SILENT_MIN = 10;

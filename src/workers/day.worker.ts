import { DayForecaster, leversNow, type DayForecast, type DayLever, type DayReadings, type DayState, type KeptDay } from '../core/day';

/** What is asked of the thread that forecasts days. The kept day comes once; the thread says when it has not got it. */
export interface DayAsk {
  dayId: string;
  kept?: KeptDay;
  state: DayState;
  readings: DayReadings;
  nowMs: number;
  wantLevers: boolean;
}
export type DayAnswer = { missing: true } | { missing: false; forecast: DayForecast; levers: DayLever[]; ms: number };

const MOST_DAYS = 8;
const days = new Map<string, { kept: KeptDay; forecaster: DayForecaster }>();

export function forecast({ dayId, kept, state, readings, nowMs, wantLevers }: DayAsk): DayAnswer {
  if (kept && !days.has(dayId)) {
    if (days.size >= MOST_DAYS) days.delete(days.keys().next().value!);
    days.set(dayId, { kept, forecaster: new DayForecaster(kept) });
  }
  const day = days.get(dayId);
  if (!day) return { missing: true };
  const begun = performance.now();
  const found = day.forecaster.at(state, readings, nowMs);
  const ms = performance.now() - begun;
  const levers = wantLevers ? leversNow({ kept: day.kept, state, readings, forecaster: day.forecaster, forecast: found, nowMs }) : [];
  return { missing: false, forecast: found, levers, ms };
}

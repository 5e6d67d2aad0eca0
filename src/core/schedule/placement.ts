import type { ParameterSet, PredictiveLaw } from '../forecast';
import type { DayWeather, Duty, ManualPlacement, Pit } from '../model';
import type { HandRules } from '../quantities';
import type { Limits } from '../safety';
import type { Whereabouts } from '../travel';
import type { ForecastCache } from './batchForecast';
import type { CrewLedger } from './crewLedger';
import type { HeatLedger } from './heatLedger';
import type { HoldingGear, HoldLedger } from './holdLedger';
import type { RackLedger } from './rackLedger';

/** Everything a placement reads; the ledgers are what it writes. */
export interface PlacementContext extends HandRules {
  pits: Pit[];
  gear: readonly HoldingGear[];
  parameters: ParameterSet;
  law: PredictiveLaw;
  altitudeM: number;
  weather: DayWeather;
  confidence: number;
  earliestMs: number;
  limits: Limits;
  airGapMm: number;
  /** Pieces laid by hand. */
  manualPlacements: readonly ManualPlacement[];
  /** Who is on duty when; hands are not counted when left out. */
  crew?: readonly Duty[];
  /** Who and what is where. */
  whereabouts: Whereabouts;
  cache: ForecastCache;
  racks: RackLedger;
  heat: HeatLedger;
  holds: HoldLedger;
  crewLedger: CrewLedger;
}

export interface Marks {
  racks: number;
  heat: number;
  holds: number;
  crewLedger: number;
}
export const mark = (context: PlacementContext): Marks => ({
  racks: context.racks.snapshot(),
  heat: context.heat.snapshot(),
  holds: context.holds.snapshot(),
  crewLedger: context.crewLedger.snapshot(),
});
export function rollBack(context: PlacementContext, marks: Marks): void {
  context.racks.rollBack(marks.racks);
  context.heat.rollBack(marks.heat);
  context.holds.rollBack(marks.holds);
  context.crewLedger.rollBack(marks.crewLedger);
}

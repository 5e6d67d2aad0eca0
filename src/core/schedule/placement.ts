import type { ParameterSet } from '../forecast';
import type { Duty, Laid, Pit } from '../model';
import type { Limits } from '../safety';
import type { ForecastCache } from './batchForecast';
import type { HandsLedger } from './hands';
import type { HeatLedger } from './heatLedger';
import type { HoldingGear, HoldLedger } from './holdLedger';
import type { RackLedger } from './rackLedger';

/** The drive to a serving: all of the crew are on the road. */
export interface Road {
  servingId: string;
  fromMs: number;
  toMs: number;
}

/** Everything a placement reads; the ledgers are what it writes. */
export interface PlacementContext {
  pits: Pit[];
  gear: readonly HoldingGear[];
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  earliestMs: number;
  limits: Limits;
  airGapMm: number;
  /** Pieces laid by hand. */
  laid: readonly Laid[];
  /** Who is on duty when; hands are not counted when left out. */
  crew?: readonly Duty[];
  drives: readonly Road[];
  cache: ForecastCache;
  racks: RackLedger;
  heat: HeatLedger;
  holds: HoldLedger;
  hands: HandsLedger;
}

export interface Marks {
  racks: number;
  heat: number;
  holds: number;
  hands: number;
}
export const mark = (context: PlacementContext): Marks => ({
  racks: context.racks.snapshot(),
  heat: context.heat.snapshot(),
  holds: context.holds.snapshot(),
  hands: context.hands.snapshot(),
});
export function rollBack(context: PlacementContext, marks: Marks): void {
  context.racks.rollBack(marks.racks);
  context.heat.rollBack(marks.heat);
  context.holds.rollBack(marks.holds);
  context.hands.rollBack(marks.hands);
}

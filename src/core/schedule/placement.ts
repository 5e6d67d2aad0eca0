import type { ParameterSet } from '../forecast';
import type { HoldingBox, Laid, Pit, Warmer } from '../model';
import type { Limits } from '../safety';
import type { ForecastCache } from './batchForecast';
import type { HeatLedger } from './heatLedger';
import type { HoldLedger } from './holdLedger';
import type { RackLedger } from './rackLedger';

/** Everything a placement reads; the ledgers are what it writes. */
export interface PlacementContext {
  pits: Pit[];
  boxes: HoldingBox[];
  warmers: readonly Warmer[];
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  earliestMs: number;
  limits: Limits;
  /** Pieces laid by hand. */
  laid: readonly Laid[];
  cache: ForecastCache;
  racks: RackLedger;
  heat: HeatLedger;
  boxLedger: HoldLedger<HoldingBox>;
  warmerLedger: HoldLedger<Warmer>;
}

interface Marks {
  racks: number;
  heat: number;
  box: number;
  warmer: number;
}
export const mark = (context: PlacementContext): Marks => ({
  racks: context.racks.snapshot(),
  heat: context.heat.snapshot(),
  box: context.boxLedger.snapshot(),
  warmer: context.warmerLedger.snapshot(),
});
export function rollBack(context: PlacementContext, marks: Marks): void {
  context.racks.rollBack(marks.racks);
  context.heat.rollBack(marks.heat);
  context.boxLedger.rollBack(marks.box);
  context.warmerLedger.rollBack(marks.warmer);
}

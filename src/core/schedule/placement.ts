import type { ParameterSet } from '../forecast';
import type { Batch, Cut, HoldingBox, Method, Pit, Serving } from '../model';
import type { ForecastCache } from './batchForecast';
import type { BoxLedger } from './boxLedger';
import type { HeatLedger } from './heatLedger';
import type { RackLedger } from './rackLedger';

/** Everything a placement reads; the ledgers are what it writes. */
export interface PlacementContext {
  pits: Pit[];
  boxes: HoldingBox[];
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  earliestMs: number;
  cache: ForecastCache;
  racks: RackLedger;
  heat: HeatLedger;
  boxLedger: BoxLedger;
}

export interface BatchOrder {
  batch: Batch;
  cut: Cut;
  method: Method;
  serving: Serving;
}

interface Marks {
  racks: number;
  heat: number;
  box: number;
}
export const mark = (context: PlacementContext): Marks => ({
  racks: context.racks.snapshot(),
  heat: context.heat.snapshot(),
  box: context.boxLedger.snapshot(),
});
export function rollBack(context: PlacementContext, marks: Marks): void {
  context.racks.rollBack(marks.racks);
  context.heat.rollBack(marks.heat);
  context.boxLedger.rollBack(marks.box);
}

import { coolFromPull, findStall, SHIPPED_PARAMETERS, type Stall } from '../forecast';
import type { Run } from '../model';
import { forecastBatch, type ForecastCache } from '../schedule';
import { MS_PER_MIN } from '../units';
import { batchOrders, type PlanInput } from './buildPlan';

/** The expected cook of a run's heaviest piece, from going on to carving. Minutes count from going on. */
export interface RunCurve {
  runId: string;
  minutes: number[];
  coreC: number[];
  /** Undefined after pulling: the piece has left the pit. */
  surfaceC: (number | undefined)[];
  pitC: (number | undefined)[];
  stall?: Stall;
  wrapMin?: number;
  pullMin: number;
  pullCoreC: number;
  carveMin: number;
  hotHoldC: number;
}

/** Every how many minutes the curve is sampled for drawing. */
const SAMPLE_MIN = 3;
const HOT_HOLD_C = 60;

/** The curve behind one run of a plan; undefined when the event no longer has its batch. */
export function runCurve(input: PlanInput, run: Run, cache: ForecastCache = new Map()): RunCurve | undefined {
  const order = batchOrders(input.event).find((each) => each.batch.id === run.batchId);
  const pit = input.pits.find((each) => each.id === run.pitId);
  if (!order || !pit) return undefined;
  const finish =
    run.moveAtMs === undefined
      ? undefined
      : input.pits.find((each) => run.legs.some((leg) => leg.fromMs === run.moveAtMs && leg.pitId === each.id));
  const box = input.boxes.find((each) => each.id === run.hold.gearId);
  const context = {
    parameters: SHIPPED_PARAMETERS,
    altitudeM: input.event.altitudeM,
    confidence: input.event.confidence,
    hotHoldC: HOT_HOLD_C,
    box: box ?? input.boxes[0],
  };
  const { heaviest } = forecastBatch(cache, context, order.batch, order.cut, order.method, pit, run.pitC, finish);
  const carveMin = Math.round((run.carveAtMs - run.onAtMs) / MS_PER_MIN);
  const pullMin = Math.round(heaviest.doneAtMin);
  const cooling = coolFromPull(heaviest.body, SHIPPED_PARAMETERS, {
    ventMin: run.ventMin,
    restMin: run.restMin,
    restBare: order.cut.done.by === 'core',
    box,
    pieces: run.pieceIds.length,
    roomC: 20,
    longestMin: Math.max(0, carveMin - pullMin),
  });

  const curve: RunCurve = {
    runId: run.id,
    minutes: [],
    coreC: [],
    surfaceC: [],
    pitC: [],
    stall: findStall(heaviest.trace),
    wrapMin: heaviest.wrapAtMin,
    pullMin,
    pullCoreC: heaviest.doneCoreC,
    carveMin,
    hotHoldC: HOT_HOLD_C,
  };
  const { trace } = heaviest;
  for (let minute = 0; minute <= carveMin; minute += SAMPLE_MIN) {
    const onPit = minute <= pullMin;
    const sample = Math.min(Math.round(minute / trace.stepMin), trace.coreC.length - 1);
    curve.minutes.push(minute);
    curve.coreC.push(onPit ? trace.coreC[sample]! : cooling[Math.min(minute - pullMin, cooling.length - 1)]!);
    curve.surfaceC.push(onPit ? trace.surfaceC[sample] : undefined);
    curve.pitC.push(onPit ? trace.pitC[sample] : undefined);
  }
  return curve;
}

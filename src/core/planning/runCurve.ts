import {
  BAND_STEP_MIN,
  forecastCook,
  holdTogether,
  predictedYield,
  type CookForecast,
  type HoldingPlace,
  type Quantiles,
  type Stall,
} from '../forecast';
import { isPoultry, type Run } from '../model';
import { dangerMinutes, lethalityShare, lethalityTable, limitsOf } from '../safety';
import { MS_PER_MIN } from '../units';
import { parametersOf, type PlanInput } from './planInput';
import { slowestOfRun } from './cookOfRun';
import { wanderOf } from './searchInput';
import { weightRule, type WeightRule } from './weightRule';

/** The forecast of a run's slowest piece, from going on to carving, ready to be drawn. Minutes count from going on. */
export interface RunCurve {
  runId: string;
  minutes: number[];
  coreC: number[];
  /** Undefined after pulling: the piece has left the pit. */
  surfaceC: (number | undefined)[];
  pitC: (number | undefined)[];
  /** The thin end of a tapered piece. */
  thinC?: (number | undefined)[];
  /** Core of 80 % of such cooks, until the late finish. */
  band: { minutes: number[]; p10C: number[]; p90C: number[] };
  stall?: Stall;
  wrapMin?: number;
  pullMin: number;
  pullCoreC: number;
  carveMin: number;
  hotHoldC: number;
  done: Quantiles;
  barkSetMin?: number;
  ringMm: number;
  yieldShare: number;
  thinEnd?: { coreC: number; doneAtMin?: number };
  /** What a rule of minutes by weight would say, set by a usual piece cooked the same way. */
  byWeight?: WeightRule;
  safety: { coreDangerMin: number; surfaceDangerMin: number; lethalityShare: number; lethalitySource: string };
}

/** Every how many minutes the curve is sampled for drawing. */
const SAMPLE_MIN = 3;
const SAMPLES = 200;

/** The curve behind one run of a plan, with its range; undefined when the event no longer has its batch. */
export function runCurve(input: PlanInput, run: Run): RunCurve | undefined {
  const slowest = slowestOfRun(input, run);
  if (!slowest) return undefined;
  const { order, piece, planned } = slowest;
  const { cut } = order;
  const { setup } = planned;
  const forecast = forecastCook(setup, parametersOf(input), { seed: 1, samples: SAMPLES, wanderC: wanderOf(input.event) });
  const cook = forecast.median;
  const carveMin = Math.round((run.carveAtMs - run.onAtMs) / MS_PER_MIN);
  const pullMin = Math.round(cook.doneAtMin);
  // What is boxed for a drive has waited longer where it was before.
  const gearId = run.hold.first?.gearId ?? run.hold.gearId;
  const box = input.boxes.find((each) => each.id === gearId);
  const warmer = input.warmers?.find((each) => each.id === gearId);
  const place: HoldingPlace = box
    ? { kind: 'box', lossWPerK: box.lossWPerK }
    : warmer
      ? { kind: 'warmer', airC: warmer.setC }
      : { kind: 'tent' };
  const held = holdTogether(
    [{ cook, pieces: run.pieceIds.length, softeningH: setup.softeningH }],
    parametersOf(input),
    planned.holdIn(place, Math.max(0, carveMin - pullMin)),
  )[0]!;

  const table = lethalityTable(cut);
  const core = [...cook.trace.coreC, ...held.coreC.subarray(1)];
  const surface = [...cook.trace.surfaceC, ...held.surfaceC.subarray(1)];
  const drawn = sampled(forecast, held.coreC, pullMin, carveMin);
  return {
    runId: run.id,
    ...drawn,
    stall: forecast.stall,
    wrapMin: cook.wrapAtMin,
    pullMin,
    pullCoreC: cook.doneCoreC,
    carveMin,
    hotHoldC: limitsOf(input.event).hotHold,
    done: forecast.done,
    barkSetMin: cook.barkSetAtMin,
    ringMm: isPoultry(cut) ? 0 : cook.smoke.ringMm,
    yieldShare: predictedYield(cut, piece.kg, cook.evaporatedShare + cook.drippedShare, parametersOf(input)),
    byWeight: weightRule(cut, setup, piece, parametersOf(input)),
    thinEnd: cook.thinEnd && { coreC: cook.thinEnd.coreC, doneAtMin: cook.thinEnd.doneAtMin },
    safety: {
      coreDangerMin: dangerMinutes(core, 1),
      surfaceDangerMin: dangerMinutes(surface, 1),
      lethalityShare: lethalityShare(core, 1, table),
      lethalitySource: table.source,
    },
  };
}

function sampled(
  { median, band }: CookForecast,
  held: Float64Array,
  pullMin: number,
  carveMin: number,
): Pick<RunCurve, 'minutes' | 'coreC' | 'surfaceC' | 'pitC' | 'thinC' | 'band'> {
  const { trace } = median;
  const curve: Pick<RunCurve, 'minutes' | 'coreC' | 'surfaceC' | 'pitC'> & { thinC: (number | undefined)[] } = {
    minutes: [],
    coreC: [],
    surfaceC: [],
    pitC: [],
    thinC: [],
  };
  for (let minute = 0; minute <= carveMin; minute += SAMPLE_MIN) {
    const onPit = minute <= pullMin;
    const at = Math.min(Math.round(minute / trace.stepMin), trace.coreC.length - 1);
    curve.minutes.push(minute);
    curve.coreC.push(onPit ? trace.coreC[at]! : held[Math.min(minute - pullMin, held.length - 1)]!);
    curve.surfaceC.push(onPit ? trace.surfaceC[at] : undefined);
    curve.pitC.push(onPit ? trace.pitC[at] : undefined);
    curve.thinC.push(onPit ? trace.thinCoreC?.[at] : undefined);
  }
  return {
    ...curve,
    thinC: trace.thinCoreC ? curve.thinC : undefined,
    band: { minutes: band.p10C.map((_, i) => i * BAND_STEP_MIN), p10C: band.p10C, p90C: band.p90C },
  };
}

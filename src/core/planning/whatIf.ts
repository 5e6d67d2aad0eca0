import {
  BAND_STEP_MIN,
  blocksAtHeat,
  byTheClock,
  cookSetup,
  holdTogether,
  minutesAbove,
  minutesToMush,
  openingsOf,
  predictiveLaw,
  predictedYield,
  runCook,
  programmeOf,
  SLICE_BELOW_C,
  summarise,
  weatherWanderC,
  withTurns,
  DARK_SMOKE_MOST_H,
  type Cook,
  type CookSetup,
  type ParameterSet,
  type EnsembleOptions,
  type Quantiles,
  type SampleOutcome,
  type Weather,
} from '../forecast';
import { laysWood, smokeShareOf } from '../fire';
import type { Chew, Cut, Grade, Method, PitKind, SmokeWanted } from '../model';
import { quantileSorted } from '../numerics';
import { coolLeftover, coreRuleOf, dangerMinutes, lethalityShare, lethalityTable } from '../safety';
import { parametersOf } from './planInput';
import { weightRule, type WeightRule } from './weightRule';

/** One piece by one method in one pit: what the bench asks. Everything it needs is in the request. */
export interface WhatIfRequest {
  cut: Cut;
  method: Method;
  massKg: number;
  /** Wins over the cut's shape when given. */
  thicknessMm?: number;
  startC: number;
  grade: Grade;
  pitC: number;
  pitKind: PitKind;
  altitudeM: number;
  weather: Weather;
  /** Share of the smoke that is dark and sooty: a fire that smoulders. */
  darkShare: number;
  /** How much smoke is wanted on it; as usual when left out. */
  smokeWanted?: SmokeWanted;
  chew: Chew;
  /** The cook model with what was taken of the owner's log; as shipped when left out. */
  parameters?: ParameterSet;
}

export interface WhatIfAnswer {
  status: 'done' | 'never';
  minutes: number[];
  coreC: number[];
  surfaceC: number[];
  thinC?: number[];
  band: { minutes: number[]; p10C: number[]; p90C: number[] };
  /** On the way down under a tent, from being pulled until it is cool enough to slice; empty where it never rises above that. */
  rest: { minutes: number[]; coreC: number[] };
  done: Quantiles;
  /** When the core passes what cooks look out for; undefined where it does not get there. */
  milestones: { coreC: number; at?: Quantiles }[];
  /** What a rule of minutes by weight would say that is right for a usual piece; undefined where that is never done. */
  byWeight?: WeightRule;
  wrap?: Quantiles;
  stallLength: Quantiles;
  barkSet?: Quantiles;
  sliceable?: Quantiles;
  pullCoreC: number;
  peakCoreC?: number;
  convertedShare: number;
  yieldShare: number;
  smokeH: number;
  ringMm: number;
  tooDark: boolean;
  /** Minutes tented above 60 C, and minutes until a warm hold turns it to mush. */
  above60Min?: number;
  mushMin?: number;
  coreDangerMin: number;
  surfaceDangerMin: number;
  lethalityShare: number;
  /** Leftovers against the two-stage rule, by what is done with them. */
  cooling: { label: CoolingChoice; keepsRule: boolean; toColdMin?: number }[];
  /** Core reached, carry-over included, against the plain rule. */
  rule: { limitC: number; reachedC: number; source: string };
}

export type CoolingChoice = 'whole, fridge' | 'portioned, fridge' | 'portioned, ice' | 'portioned, blast';

export const WHAT_IF_SAMPLES = 200;

/** The seeds and the weather of a request's ensemble. */
export const whatIfEnsemble = ({ weather }: WhatIfRequest): EnsembleOptions => ({
  seed: 1,
  samples: WHAT_IF_SAMPLES,
  wanderC: weatherWanderC(weather),
});

const ROOM_C = 20;
/** The pit of the bench, where the owner has none: opened as most are, and large. */
const BENCH_PIT = { openingDropC: 15, recoverMin: 9, racks: [{ maxKg: 40 }] };
const DRAWN_EVERY_MIN = 4;
const HOLD_LOOKED_AT_MIN = 12 * 60;

const clockedMethod = ({ cut, method, massKg, thicknessMm, startC, grade, altitudeM, ...request }: WhatIfRequest) =>
  byTheClock(cut, method, { kg: massKg, thicknessMm, startC, grade, altitudeM, airC: ROOM_C }, parametersOf(request));

/** A wish for more or less smoke is heard where wood is laid on. */
const smokeShareOn = (kind: PitKind, wanted: SmokeWanted = 'usual'): number =>
  laysWood({ kind, smoke: true, racks: [] }) ? smokeShareOf(wanted) : 1;

export function whatIfSetup(request: WhatIfRequest): CookSetup {
  const { cut, massKg, thicknessMm, startC, grade, pitC, pitKind, altitudeM, chew, darkShare, smokeWanted, weather } = request;
  const method = clockedMethod(request);
  const blocked = blocksAtHeat(cut, { kg: massKg, thicknessMm, grade }, method, pitC, parametersOf(request));
  const setup = cookSetup(cut, { massKg, thicknessMm, startC, grade }, blocked, parametersOf(request), {
    pit: programmeOf(method, pitC, openingsOf(BENCH_PIT, pitC, weather, massKg)),
    pitKind,
    altitudeM,
    chew,
    roomC: ROOM_C,
    smoke: { output: method.needsSmoke ? smokeShareOn(pitKind, smokeWanted) : 0, darkShare },
    hands: { methodId: request.method.id },
  });
  return withTurns(setup, parametersOf(request), method.turns);
}

/** Puts the unperturbed cook and the samples into the figures of the bench. With no samples yet, every quantile is the median's. */
export function whatIfAnswer(request: WhatIfRequest, samples: SampleOutcome[]): WhatIfAnswer {
  const setup = whatIfSetup(request);
  const cook = runCook(setup, parametersOf(request), { bothEnds: true });
  const forecast = summarise(setup, cook, samples, predictiveLaw(parametersOf(request).record, weatherWanderC(request.weather)));
  const certain = (value: number): Quantiles => ({ p10: value, p50: value, p90: value });
  const none = samples.length === 0;
  const { cut } = request;
  const place = { kind: 'tent' } as const;
  const waiting = { cook, pieces: 1, softeningH: setup.softeningH };
  const plan = { ventMin: 0, restMin: 0, restBare: cut.done.by === 'core', roomC: ROOM_C, longestMin: HOLD_LOOKED_AT_MIN };
  const tent = holdTogether([waiting], parametersOf(request), { ...plan, place })[0]!;
  const warmer = holdTogether([waiting], parametersOf(request), { ...plan, place: { kind: 'warmer', airC: 65 } })[0]!;
  const table = lethalityTable(cut);
  const rule = coreRuleOf(cut);
  const { trace } = cook;
  const every = Math.round(DRAWN_EVERY_MIN / trace.stepMin);
  const drawn = (row: Float64Array) => Array.from({ length: Math.ceil(row.length / every) }, (_, i) => row[i * every]!);
  const rested = tent.coreC.subarray(0, 120);
  const stall = forecast.stall ? forecast.stall.toMin - forecast.stall.fromMin : 0;
  return {
    status: cook.status,
    minutes: drawn(trace.coreC).map((_, i) => i * every * trace.stepMin),
    coreC: drawn(trace.coreC),
    surfaceC: drawn(trace.surfaceC),
    thinC: trace.thinCoreC && drawn(trace.thinCoreC),
    band: none
      ? { minutes: [], p10C: [], p90C: [] }
      : { minutes: forecast.band.p10C.map((_, i) => i * BAND_STEP_MIN), p10C: forecast.band.p10C, p90C: forecast.band.p90C },
    rest: restDrawn(tent.coreC, cook),
    done: none ? certain(cook.doneAtMin) : forecast.done,
    byWeight: weightRule(cut, setup, { kg: request.massKg }, parametersOf(request)),
    milestones: MILESTONES_C.map((coreC) => ({ coreC, at: milestoneAt(coreC, trace, forecast.samples) })),
    wrap: none ? (cook.wrapAtMin === undefined ? undefined : certain(cook.wrapAtMin)) : forecast.wrap,
    stallLength: none ? certain(stall) : forecast.stallLength,
    barkSet: none ? (cook.barkSetAtMin === undefined ? undefined : certain(cook.barkSetAtMin)) : forecast.barkSet,
    sliceable: none ? undefined : forecast.sliceable,
    pullCoreC: cook.doneCoreC,
    peakCoreC: cook.peakCoreC,
    convertedShare: cook.convertedShare,
    yieldShare: predictedYield(cut, request.massKg, cook.evaporatedShare + cook.drippedShare, parametersOf(request)),
    smokeH: cook.smoke.uptakeH,
    ringMm: cook.smoke.ringMm,
    tooDark: cook.smoke.darkH > DARK_SMOKE_MOST_H,
    above60Min: minutesAbove(tent.coreC, 60),
    mushMin: cut.done.by === 'tender' ? minutesToMush(warmer) : undefined,
    coreDangerMin: dangerMinutes(trace.coreC, trace.stepMin),
    surfaceDangerMin: dangerMinutes(trace.surfaceC, trace.stepMin),
    cooling: coolingOf(setup, cook),
    lethalityShare: lethalityShare([...trace.coreC, ...rested], 1, table),
    rule: { limitC: rule.limit, reachedC: Math.max(cook.doneCoreC, ...rested), source: rule.source },
  };
}

const REST_DRAWN_MIN = 6 * 60;

/** The core under a tent until it can be sliced, from the minute it is done. */
function restDrawn(tentC: Float64Array, { status, doneAtMin, doneCoreC }: Cook): WhatIfAnswer['rest'] {
  if (status === 'never' || doneCoreC <= SLICE_BELOW_C) return { minutes: [], coreC: [] };
  const cool = tentC.findIndex((tempC, minute) => minute > 0 && tempC <= SLICE_BELOW_C);
  const lastMin = Math.min(REST_DRAWN_MIN, cool < 0 ? tentC.length - 1 : cool);
  const minutes = Array.from({ length: Math.ceil(lastMin / DRAWN_EVERY_MIN) }, (_, i) => i * DRAWN_EVERY_MIN).concat(lastMin);
  return { minutes: minutes.map((minute) => doneAtMin + minute), coreC: minutes.map((minute) => tentC[minute]!) };
}

/** Into the stall, the usual wrap, and nearly tender. */
const MILESTONES_C = [65, 74, 90] as const;

/** When a core first passes a temperature, of the unperturbed cook and of most samples. */
function milestoneAt(coreC: number, trace: Cook['trace'], samples: SampleOutcome[]): Quantiles | undefined {
  const passed = (cores: ArrayLike<number>, stepMin: number): number | undefined => {
    for (let i = 1; i < cores.length; i++)
      if (cores[i]! >= coreC) return stepMin * (i - 1 + (coreC - cores[i - 1]!) / Math.max(1e-9, cores[i]! - cores[i - 1]!));
    return undefined;
  };
  const median = passed(trace.coreC, trace.stepMin);
  if (median === undefined) return undefined;
  const times = samples.flatMap((sample) => passed(sample.coreC, sample.everyMin) ?? []).sort((a, b) => a - b);
  if (times.length * 2 <= samples.length) return { p10: median, p50: median, p90: median };
  return { p10: quantileSorted(times, 0.1), p50: quantileSorted(times, 0.5), p90: quantileSorted(times, 0.9) };
}

/** Under 5 cm, as the rule of thumb for portioning asks. */
const PORTION_MM = 45;

function coolingOf(setup: CookSetup, cook: Cook): WhatIfAnswer['cooling'] {
  const massKg = setup.body.massKg * (1 - cook.evaporatedShare - cook.drippedShare);
  const body = { ...setup.body, massKg, startC: 60 };
  const portionThicknessMm = Math.min(PORTION_MM, setup.body.halfThicknessM * 2000);
  const overrides = [
    ['whole, fridge', { body, way: 'fridge' }],
    ['portioned, fridge', { body, way: 'fridge', portionThicknessMm }],
    ['portioned, ice', { body, way: 'ice', portionThicknessMm }],
    ['portioned, blast', { body, way: 'blast', portionThicknessMm }],
  ] as const;
  return overrides.map(([label, input]) => {
    const { firstMin, secondMin, keepsRule } = coolLeftover(input);
    return { label, keepsRule, toColdMin: firstMin !== undefined && secondMin !== undefined ? firstMin + secondMin : undefined };
  });
}

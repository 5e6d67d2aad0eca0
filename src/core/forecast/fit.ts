import { findCut } from '../model';
import { levenbergMarquardt } from '../numerics';
import { carryOver, restLogged, runLoggedCook, type LoggedCook, type ReferenceCarryOver, type ReferenceRest } from './logged';
import type { FinishedCook } from './ownerEffects';
import { correctionFor, unlearned, type ModelParameters, type ParameterSet } from './parameters';

/** What the model is fitted to, all of it together. */
export interface FitData {
  /** Cooks to their finish, and cores on the way: both with hours. */
  finishes: LoggedCook[];
  milestones: LoggedCook[];
  rests: ReferenceRest[];
  carryOvers: ReferenceCarryOver[];
  /** Rows that stay in every table but are not fitted to: they cannot be true together with others. */
  leftOut: ReadonlySet<string>;
}
export const NO_DATA: FitData = Object.freeze({ finishes: [], milestones: [], rests: [], carryOvers: [], leftOut: new Set<string>() });

interface Free {
  name: keyof ModelParameters;
  start: number;
  low: number;
  high: number;
  logSd: number;
}
const free = (name: keyof ModelParameters, start: number, low: number, high: number, logSd: number): Free => ({
  name,
  start,
  low,
  high,
  logSd,
});

/**
 * Where each fitted parameter starts, how far it may go, and how strongly it is held (log-sd of its prior). Bounds
 * are physical (docs/model.md); the rest of the parameters stay as they are.
 */
const COOKING: Free[] = [
  free('conductivityWPerMK', 0.46, 0.4, 0.52, 0.08),
  free('heatCapacityJPerKgK', 3550, 3200, 3800, 0.05),
  free('filmWPerM2K', 7, 4, 16, 0.4),
  free('radiationFactor', 0.6, 0.4, 0.9, 0.2),
  free('wetShare', 0.25, 0.08, 0.8, 0.5),
  free('driedShare', 0.008, 0.003, 0.03, 0.4),
  free('skinWetFactor', 0.4, 0.2, 0.7, 0.2),
  free('dryingShare', 0.22, 0.1, 0.45, 0.3),
  free('dryingPower', 0.7, 0.2, 3, 0.4),
  free('crustResistance', 0.4, 0.05, 1.5, 0.5),
  free('pitVapourPa', 4500, 2500, 9000, 0.4),
  free('dripShare', 0.14, 0.08, 0.22, 0.2),
  free('softeningH', 1.6, 0.8, 3, 0.25),
  free('beefSoftening', 1.6, 1.2, 2.3, 0.15),
  free('activationJPerMol', 150_000, 110_000, 220_000, 0.15),
  free('paperWetFactor', 0.55, 0.3, 0.75, 0.15),
  free('foilWetFactor', 0.06, 0.01, 0.25, 0.4),
  free('foilRadiationFactor', 0.4, 0.15, 0.9, 0.2),
  free('panRadiationFactor', 0.5, 0.3, 0.9, 0.3),
  free('panWetFactor', 0.08, 0.01, 0.3, 0.5),
  free('panFilmFactor', 1.1, 0.8, 1.6, 0.2),
];
const RESTING: Free[] = [
  free('boardFilmWPerM2K', 7, 3, 12, 0.3),
  free('tentShare', 0.8, 0.5, 1, 0.2),
  free('boxFilmWPerM2K', 6, 3, 10, 0.25),
  free('paperGapM2KPerW', 0.14, 0.02, 0.25, 0.4),
  free('foilGapM2KPerW', 0.08, 0.01, 0.2, 0.4),
  free('restWetFactor', 1.7, 0.5, 3, 0.4),
  free('paperRestWetShare', 0.02, 0.002, 0.1, 0.5),
  free('tentWetFactor', 0.7, 0.2, 0.95, 0.3),
  free('boxLossWPerK', 0.65, 0.4, 1, 0.15),
];

const TIME_LOG_SD = 0.08;
const FINAL_SD_C = 2.5;
/** What a cut's rows miss on the whole weighs beside each of them: a cut with one row is a cut as well. */
const CUT_MEAN_LOG_SD = 0.03;
/** Per-cut corrections are shrunk toward 1 with this log-sd. */
const CUT_LOG_SD = 0.1;
/** A range is believed to hold so many standard deviations each way; nearer its edge than this it pulls hard. */
const RANGE_SDS = 1.5;
const EDGE = 0.92;
const EDGE_PULL = 40;

export interface FitOptions {
  /** Without, only the global parameters move: what a cut never seen would get. */
  perCut: boolean;
  rounds: number;
  /** Where to begin, instead of the centres of the priors: an owner's fit begins at the shipped set. */
  begin?: Partial<ModelParameters>;
}

/** A smooth map of the whole line onto (low, high), so that bounds need no special case. */
const squash = (x: number, low: number, high: number) => low + (high - low) / (1 + Math.exp(-x));
const unsquash = (value: number, low: number, high: number) => Math.log((value - low) / (high - value));

/** Where a value lies in its range: -1 at the low end, 1 at the high one. */
const within = (value: number, [low, high]: readonly [number, number]): number => (value - (low + high) / 2) / ((high - low) / 2);
const pulls = (z: number): [number, number] => [RANGE_SDS * z, EDGE_PULL * Math.max(0, Math.abs(z) - EDGE)];

const withHours = (cooks: LoggedCook[], leftOut: ReadonlySet<string>) =>
  cooks.filter((cook) => cook.observedH !== undefined && !leftOut.has(cook.id));

const logMiss = (hours: number, observedH: number) => Math.log(hours / observedH);

/** A row's residuals, which depend on the global parameters and on its cut's corrections alone. */
interface Row {
  cutId: string;
  /** Rows of one cut in one file are looked at together, too. */
  group?: string;
  residuals(parameters: ParameterSet): number[];
}

function rowsOf(data: FitData): Row[] {
  const cooks = (kind: string, logged: LoggedCook[]): Row[] =>
    withHours(logged, data.leftOut).map((row) => ({
      cutId: row.cutId,
      group: `${kind}/${row.cutId}`,
      residuals: (parameters) => {
        const cook = runLoggedCook(row, parameters);
        const offC = row.done.by === 'tender' && row.observedFinalC !== undefined ? cook.doneCoreC - row.observedFinalC : 0;
        return [logMiss(cook.doneAtMin / 60, row.observedH!) / TIME_LOG_SD, offC / FINAL_SD_C];
      },
    }));
  const rests = data.rests
    .filter(({ cook }) => !data.leftOut.has(cook.id))
    .map(({ cook: row, range }): Row => ({
      cutId: row.cutId,
      residuals: (parameters) => pulls(within(Math.log(restHours(row, parameters)), [Math.log(range[0]), Math.log(range[1])])),
    }));
  const carryOvers = data.carryOvers
    .filter(({ cook }) => !data.leftOut.has(cook.id))
    .map((reference): Row => ({
      cutId: reference.cook.cutId,
      residuals: (parameters) => {
        const { riseC, peakMin } = carryOver(reference, parameters);
        const [low, high] = reference.peakMin;
        const late = within(Math.log(Math.max(0.5, peakMin)), [Math.log(low), Math.log(high)]);
        return [...pulls(within(riseC, reference.riseC)), ...pulls(late)];
      },
    }));
  return [...cooks('finish', data.finishes), ...cooks('milestone', data.milestones), ...rests, ...carryOvers];
}

/** Hours a logged rest takes; two days where it never gets there. */
export function restHours({ rest, ...cook }: ReferenceRest['cook'], parameters: ParameterSet): number {
  const rested = restLogged(runLoggedCook(cook, parameters), rest, cook.airC, parameters);
  return (rested.reachedMin ?? rested.coreC.length - 1) / 60;
}

/**
 * Fits the model to finishes, cores on the way, rests and carry-over together: least squares with the priors of
 * COOKING and RESTING and shrunken per-cut corrections (a maximum a posteriori estimate by Levenberg-Marquardt).
 * Deterministic; rows without hours are passed over.
 */
export function fitParameters(data: FitData, from: ParameterSet, options: FitOptions): ParameterSet {
  const rows = rowsOf(data);
  const moved = [...COOKING, ...(data.rests.length + data.carryOvers.length > 0 ? RESTING : [])];
  const cutIds = options.perCut ? [...new Set(rows.map((row) => row.cutId))].sort() : [];
  const tender = new Set([...data.finishes, ...data.milestones].filter(({ done }) => done.by === 'tender').map(({ cutId }) => cutId));
  const collagenIds = cutIds.filter((cutId) => tender.has(cutId));
  const corrections = cutIds.length + collagenIds.length;
  const start = [
    ...moved.map(({ name, start: centre, low, high }) => unsquash(options.begin?.[name] ?? centre, low, high)),
    ...cutIds.map((cutId) => (options.begin ? Math.log(correctionFor(from, cutId).thicknessScale) : 0)),
    ...collagenIds.map((cutId) => (options.begin ? Math.log(correctionFor(from, cutId).collagenScale) : 0)),
  ];

  const parametersAt = (x: ArrayLike<number>): ParameterSet => {
    const global = { ...from.global };
    moved.forEach(({ name, low, high }, i) => (global[name] = squash(x[i]!, low, high)));
    const cuts: ParameterSet['cuts'] = {};
    cutIds.forEach((cutId, i) => (cuts[cutId] = { thicknessScale: Math.exp(x[moved.length + i]!), collagenScale: 1 }));
    collagenIds.forEach((cutId, i) => (cuts[cutId]!.collagenScale = Math.exp(x[moved.length + cutIds.length + i]!)));
    return { ...from, global, cuts };
  };

  const groups = [...new Set(rows.flatMap((row) => row.group ?? []))];
  const groupMeans = (told: number[][]): number[] =>
    groups.map((group) => {
      const own = told.filter((_, i) => rows[i]!.group === group);
      return own.reduce((sum, [time]) => sum + time! * TIME_LOG_SD, 0) / own.length / CUT_MEAN_LOG_SD;
    });

  // A step of the derivative that moves one cut's corrections runs that cut's rows alone.
  let last: { parameters: ParameterSet; told: number[][] } | undefined;
  const same = (one: object, other: object) => JSON.stringify(one) === JSON.stringify(other);
  const residuals = (x: ArrayLike<number>): number[] => {
    const parameters = parametersAt(x);
    const kept = last && same(last.parameters.global, parameters.global) ? last : undefined;
    const told = rows.map((row, i) =>
      kept && same(correctionFor(kept.parameters, row.cutId), correctionFor(parameters, row.cutId))
        ? kept.told[i]!
        : row.residuals(parameters),
    );
    if (!kept) last = { parameters, told };
    return [
      ...told.flat(),
      ...groupMeans(told),
      ...moved.map(({ name, start: centre, logSd }) => Math.log(parameters.global[name] / centre) / logSd),
      ...Array.from({ length: corrections }, (_, i) => x[moved.length + i]! / CUT_LOG_SD),
    ];
  };
  // The valley is narrow and a cook moves by whole steps: a second descent from the first one's end gets further.
  const first = levenbergMarquardt(residuals, start, { rounds: options.rounds });
  return parametersAt(levenbergMarquardt(residuals, first, { rounds: options.rounds }));
}

/** A cut as corrections and records know it. */
export const modelCutOf = (cutId: string): string => findCut(cutId)?.modelCutId ?? cutId;

/** Each finished cook against what a set of parameters says of it, whatever was learned before. */
export const finishedCooks = (finishes: readonly LoggedCook[], parameters: ParameterSet): FinishedCook[] =>
  withHours([...finishes], new Set()).map((row) => ({
    cutId: modelCutOf(row.cutId),
    pitId: row.pitId,
    methodId: row.methodId,
    log: -logMiss(runLoggedCook(row, unlearned(parameters)).doneAtMin / 60, row.observedH!),
  }));

/** How a set of cooks is met. */
export interface FitErrors {
  rows: number;
  /** Root mean square of ln(predicted / observed hours). */
  logRmse: number;
  /** Largest difference between predicted and listed finish of tender cooks, C. */
  worstFinalC: number;
  /** The cut whose rows are furthest off on the whole, of those fitted to, and by how much (ln). */
  worstCut?: { cutId: string; meanLog: number };
}

/** How far predictions by `parameters` are from what the log says. */
export function fitErrors(cooks: LoggedCook[], parameters: ParameterSet, leftOut: ReadonlySet<string> = new Set()): FitErrors {
  let sum = 0;
  let rows = 0;
  let worstFinalC = 0;
  const byCut = new Map<string, number[]>();
  for (const row of withHours(cooks, new Set())) {
    const cook = runLoggedCook(row, parameters);
    const miss = logMiss(cook.doneAtMin / 60, row.observedH!);
    sum += miss ** 2;
    rows++;
    if (!leftOut.has(row.id)) byCut.set(row.cutId, [...(byCut.get(row.cutId) ?? []), miss]);
    if (row.done.by === 'tender' && row.observedFinalC !== undefined)
      worstFinalC = Math.max(worstFinalC, Math.abs(cook.doneCoreC - row.observedFinalC));
  }
  const [worstCut] = [...byCut]
    .map(([cutId, misses]) => ({ cutId, meanLog: misses.reduce((total, each) => total + each, 0) / misses.length }))
    .sort((a, b) => Math.abs(b.meanLog) - Math.abs(a.meanLog));
  return { rows, logRmse: Math.sqrt(sum / rows), worstFinalC, worstCut };
}

/**
 * Leave-one-cut-out: for each cut the global parameters are fitted anew from the centres of their priors to all the
 * others, then asked for the cut they have not seen (no correction of its own). Root mean squares of
 * ln(predicted / observed) over finishes and over cores on the way.
 */
export function crossValidate(data: FitData, from: ParameterSet, rounds: number): { finishes: number; milestones: number } {
  const cutIds = [...new Set([...data.finishes, ...data.milestones].map((cook) => cook.cutId))];
  const sums = { finishes: 0, milestones: 0 };
  const rows = { finishes: 0, milestones: 0 };
  for (const cutId of cutIds) {
    const others = (cooks: LoggedCook[]) => cooks.filter((cook) => cook.cutId !== cutId);
    const seen = { ...NO_DATA, finishes: others(data.finishes), milestones: others(data.milestones), leftOut: data.leftOut };
    const fitted = { ...fitParameters(seen, from, { perCut: false, rounds }), cuts: {} };
    for (const kind of ['finishes', 'milestones'] as const) {
      const unseen = withHours(
        data[kind].filter((cook) => cook.cutId === cutId),
        data.leftOut,
      );
      if (unseen.length === 0) continue;
      const errors = fitErrors(unseen, fitted);
      sums[kind] += errors.logRmse ** 2 * errors.rows;
      rows[kind] += errors.rows;
    }
  }
  return { finishes: Math.sqrt(sums.finishes / rows.finishes), milestones: Math.sqrt(sums.milestones / rows.milestones) };
}

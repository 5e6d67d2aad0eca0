import { levenbergMarquardt } from '../numerics';
import { runLoggedCook, type LoggedCook } from './logged';
import { correctionFor, type ModelParameters, type ParameterSet } from './parameters';

/**
 * Where each fitted parameter starts, how far it may go, and how strongly it is held (log-sd of
 * its prior). Bounds are physical; the rest of the parameters stay as they are.
 */
const FREE: { name: keyof ModelParameters; start: number; low: number; high: number; logSd: number }[] = [
  { name: 'conductivityWPerMK', start: 0.46, low: 0.4, high: 0.52, logSd: 0.08 },
  { name: 'heatCapacityJPerKgK', start: 3650, low: 3300, high: 4000, logSd: 0.06 },
  { name: 'filmWPerM2K', start: 5, low: 4, high: 16, logSd: 0.4 },
  { name: 'radiationFactor', start: 0.6, low: 0.4, high: 0.8, logSd: 0.2 },
  { name: 'wetShare', start: 0.28, low: 0.16, high: 0.45, logSd: 0.4 },
  { name: 'driedShare', start: 0.012, low: 0.01, high: 0.1, logSd: 0.3 },
  { name: 'skinWetFactor', start: 0.6, low: 0.3, high: 1, logSd: 0.3 },
  { name: 'dryingShare', start: 0.28, low: 0.15, high: 0.45, logSd: 0.3 },
  { name: 'dryingPower', start: 1, low: 0.5, high: 4, logSd: 0.5 },
  { name: 'pitVapourPa', start: 4500, low: 2500, high: 9000, logSd: 0.4 },
  { name: 'dripShare', start: 0.14, low: 0.08, high: 0.22, logSd: 0.2 },
  { name: 'softeningH', start: 1.5, low: 1, high: 2.4, logSd: 0.2 },
  { name: 'beefSoftening', start: 2, low: 1.7, high: 2.3, logSd: 0.1 },
  { name: 'activationJPerMol', start: 165_000, low: 120_000, high: 220_000, logSd: 0.15 },
  { name: 'paperWetFactor', start: 0.6, low: 0.5, high: 0.7, logSd: 0.15 },
  { name: 'foilWetFactor', start: 0.06, low: 0.03, high: 0.1, logSd: 0.4 },
  { name: 'foilRadiationFactor', start: 0.3, low: 0.2, high: 0.4, logSd: 0.3 },
  { name: 'panRadiationFactor', start: 0.5, low: 0.35, high: 0.7, logSd: 0.3 },
  { name: 'panWetFactor', start: 0.08, low: 0.02, high: 0.3, logSd: 0.5 },
  { name: 'panFilmFactor', start: 1.1, low: 0.9, high: 1.6, logSd: 0.2 },
];

const TIME_LOG_SD = 0.08;
const FINAL_SD_C = 2.5;
/** A finish further off than this weighs more than in proportion: cooks trust the number near the end. */
const FINAL_TOLERATED_C = 2.7;
/** Per-cut corrections are shrunk toward 1 with this log-sd. */
const CUT_LOG_SD = 0.1;

export interface FitOptions {
  /** Without, only the global parameters move: what a cut never seen would get. */
  perCut: boolean;
  rounds: number;
  /** Where to begin, instead of the centres of the priors: the valley has more than one floor. */
  begin?: Partial<ModelParameters>;
}

/** A smooth map of the whole line onto (low, high), so that bounds need no special case. */
const squash = (x: number, low: number, high: number) => low + (high - low) / (1 + Math.exp(-x));
const unsquash = (value: number, low: number, high: number) => Math.log((value - low) / (high - value));

/**
 * Fits the model to logged cooks: least squares on log time and (for tender cooks) the finish
 * temperature, with the priors of FREE and shrunken per-cut corrections (a maximum a posteriori
 * estimate by Levenberg-Marquardt). Rows without `observedH` are passed over.
 */
export function fitParameters(cooks: LoggedCook[], from: ParameterSet, options: FitOptions): ParameterSet {
  const rows = cooks.filter((cook) => cook.observedH !== undefined);
  const cutIds = options.perCut ? [...new Set(rows.map((row) => row.cutId))].sort() : [];
  const start = [
    ...FREE.map((free) => unsquash(options.begin?.[free.name] ?? free.start, free.low, free.high)),
    ...cutIds.flatMap((cutId) =>
      options.begin ? [Math.log(correctionFor(from, cutId).thicknessScale), Math.log(correctionFor(from, cutId).collagenScale)] : [0, 0],
    ),
  ];

  const parametersAt = (x: ArrayLike<number>): ParameterSet => {
    const global = { ...from.global };
    FREE.forEach((free, i) => (global[free.name] = squash(x[i]!, free.low, free.high)));
    const cuts: ParameterSet['cuts'] = {};
    cutIds.forEach((cutId, i) => {
      const at = FREE.length + 2 * i;
      cuts[cutId] = { thicknessScale: Math.exp(x[at]!), collagenScale: Math.exp(x[at + 1]!) };
    });
    return { ...from, global, cuts };
  };

  const rowResiduals = (row: LoggedCook, parameters: ParameterSet): [number, number] => {
    const cook = runLoggedCook(row, parameters);
    const time = Math.log(cook.doneAtMin / 60 / row.observedH!) / TIME_LOG_SD;
    const offC = row.done.by === 'tender' && row.observedFinalC !== undefined ? cook.doneCoreC - row.observedFinalC : 0;
    const final = (offC / FINAL_SD_C) * (1 + (offC / FINAL_TOLERATED_C) ** 2);
    return [time, final];
  };

  const residuals = (x: ArrayLike<number>): number[] => {
    const parameters = parametersAt(x);
    return [
      ...rows.flatMap((row) => rowResiduals(row, parameters)),
      ...FREE.map((free) => Math.log(parameters.global[free.name] / free.start) / free.logSd),
      ...Array.from({ length: 2 * cutIds.length }, (_, i) => x[FREE.length + i]! / CUT_LOG_SD),
    ];
  };
  return parametersAt(levenbergMarquardt(residuals, start, { rounds: options.rounds }));
}

export interface FitErrors {
  rows: number;
  /** Root mean square of ln(predicted / observed hours). */
  logRmse: number;
  /** Largest difference between predicted and listed finish of tender cooks, C. */
  worstFinalC: number;
}

/** How far predictions by `parameters` are from what the log says. */
export function fitErrors(cooks: LoggedCook[], parameters: ParameterSet): FitErrors {
  let sum = 0;
  let rows = 0;
  let worstFinalC = 0;
  for (const row of cooks) {
    if (row.observedH === undefined) continue;
    const cook = runLoggedCook(row, parameters);
    sum += Math.log(cook.doneAtMin / 60 / row.observedH) ** 2;
    rows++;
    if (row.done.by === 'tender' && row.observedFinalC !== undefined)
      worstFinalC = Math.max(worstFinalC, Math.abs(cook.doneCoreC - row.observedFinalC));
  }
  return { rows, logRmse: Math.sqrt(sum / rows), worstFinalC };
}

/**
 * Leave-one-cut-out: for each cut the global parameters are refitted on all the others, then asked
 * for the cut they have not seen (no correction of its own). Root mean square of ln(predicted / observed).
 */
export function crossValidate(cooks: LoggedCook[], from: ParameterSet, rounds: number): number {
  const cutIds = [...new Set(cooks.map((cook) => cook.cutId))];
  let sum = 0;
  let rows = 0;
  for (const cutId of cutIds) {
    const unseen = cooks.filter((cook) => cook.cutId === cutId);
    const fitted = fitParameters(
      cooks.filter((cook) => cook.cutId !== cutId),
      from,
      { perCut: false, rounds, begin: from.global },
    );
    const errors = fitErrors(unseen, { ...fitted, cuts: {} });
    sum += errors.logRmse ** 2 * errors.rows;
    rows += errors.rows;
  }
  return Math.sqrt(sum / rows);
}

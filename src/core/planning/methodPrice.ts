import { predictedYield, runCook, type Cook, type ParameterSet } from '../forecast';
import { methodsFor, typicalTrimmedKg, type Cut, type Library } from '../model';
import { whatIfSetup } from './whatIf';
import { parametersOf } from './planInput';

/** What a method costs and gives, of one usual piece of a cut, by the cook model: nothing else says so. */
export interface MethodPrice {
  /** From going on until it is done, minutes. */
  cookMin: number;
  /** When the bark no longer scrapes off, minutes; undefined where it is wrapped or done before. */
  barkSetMin?: number;
  /** How long it is bare after that, minutes: what makes a bark hard. */
  bareSetMin: number;
  /** Hours of full smoke on a damp, cool surface. */
  smokeH: number;
  /** Edible cooked meat / trimmed raw. */
  yieldShare: number;
}

/** Prices by the ids of cuts and of the methods each is offered. */
export type MethodPrices = Record<string, Record<string, MethodPrice>>;

/** A fan of prices is looked up, not planned by: half-minutes do not matter. */
const QUICK = Object.freeze({ stepMin: 2, cells: 14 });

/** What each method a cut is offered costs and gives, of a usual piece, out of the cold, on a calm day of 15 C. */
export function pricesOf(cut: Cut, library: Library, parameters?: ParameterSet): Record<string, MethodPrice> {
  const massKg = typicalTrimmedKg(cut);
  const prices: Record<string, MethodPrice> = {};
  for (const method of methodsFor(library, cut)) {
    const request = { cut, method, massKg, pitC: method.pitC, parameters, ...CALM };
    const cook = runCook(whatIfSetup(request), parametersOf(request), QUICK);
    const { doneAtMin, barkSetAtMin, smoke } = cook;
    prices[method.id] = {
      cookMin: doneAtMin,
      barkSetMin: barkSetAtMin,
      bareSetMin: barkSetAtMin === undefined ? 0 : bareAfter(barkSetAtMin, cook),
      smokeH: smoke.uptakeH,
      yieldShare: predictedYield(cut, massKg, cook.evaporatedShare + cook.drippedShare, parametersOf(request)),
    };
  }
  return prices;
}

/** Minutes it is bare from a minute on: until it is wrapped, and once it is opened again. */
const bareAfter = (fromMin: number, { doneAtMin, wrapAtMin = doneAtMin, unwrapAtMin = doneAtMin }: Cook): number =>
  Math.max(0, wrapAtMin - fromMin) + Math.max(0, doneAtMin - Math.max(unwrapAtMin, fromMin));

export const methodPrices = (library: Library, parameters?: ParameterSet): MethodPrices =>
  Object.fromEntries(library.cuts.map((cut) => [cut.id, pricesOf(cut, library, parameters)]));

const CALM = {
  startC: 4,
  grade: 'choice',
  pitKind: 'offset',
  altitudeM: 0,
  weather: { airC: 15, windMPerS: 1, blower: false },
  darkShare: 0,
  chew: 'usual',
} as const;

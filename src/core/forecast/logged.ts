import { findCut, type PitKind, type Wrap, type WrapWhen } from '../model';
import { runCook, type Cook } from './cook';
import type { ParameterSet } from './parameters';
import type { PitProgramme } from './pit';
import { restOf, type Rest, type RestHow } from './rest';
import { cookSetup, type CookSetup, type DoneWhen } from './setup';

/** One finished (or hypothetical) cook as a log tells it: a row of docs/formats/cooks.md. */
export interface LoggedCook {
  id: string;
  cutId: string;
  /** The owner's pit and method, where the log names them. */
  pitId?: string;
  methodId?: string;
  massKg: number;
  thicknessMm?: number;
  startC: number;
  pitSteps: PitProgramme['steps'];
  pitKind?: PitKind;
  altitudeM: number;
  airC: number;
  wrap: Wrap;
  wrapWhen: WrapWhen;
  unwrapAfterMin?: number;
  /** `tender`, or the core at which it was pulled. */
  done: { by: 'tender' } | { by: 'probe'; coreC: number };
  observedH?: number;
  observedFinalC?: number;
  /** How it rested after pulling, to which core, and how long that took. */
  rest?: LoggedRest;
}

export interface LoggedRest {
  how: RestHow;
  toC: number;
  observedH?: number;
}

/** A rest as a log or a rule of thumb tells it, with the range it is believed to lie in. */
export interface ReferenceRest {
  cook: LoggedCook & { rest: LoggedRest };
  range: [lowH: number, highH: number];
}

/** How far a core rises after pulling, C, and when it peaks, minutes. */
export interface ReferenceCarryOver {
  cook: LoggedCook;
  how: RestHow;
  riseC: [low: number, high: number];
  peakMin: [low: number, high: number];
}

/** The setup of a logged cook. The cut must be one of the library's. */
export function loggedSetup(logged: LoggedCook, parameters: ParameterSet): CookSetup {
  const cut = findCut(logged.cutId);
  if (!cut) throw new Error(`loggedSetup: unknown cut ${logged.cutId}`);
  const convertedShare = cut.done.by === 'tender' ? cut.done.convertedShare : 0.75;
  const done: DoneWhen = logged.done.by === 'tender' ? { by: 'tender', convertedShare } : logged.done;
  return cookSetup(cut, logged, logged, parameters, {
    pit: { steps: logged.pitSteps, openingDropC: 0, recoverMin: 0 },
    pitKind: logged.pitKind,
    altitudeM: logged.altitudeM,
    roomC: logged.airC,
    done,
    hands: { pitId: logged.pitId, methodId: logged.methodId },
  });
}

/** Runs the model on a logged cook. */
export const runLoggedCook = (logged: LoggedCook, parameters: ParameterSet): Cook => runCook(loggedSetup(logged, parameters), parameters);

/** Rests are followed for two days. */
const LONGEST_REST_MIN = 48 * 60;

/** The rest of a logged cook that has just been run. */
export const restLogged = (cook: Cook, rest: LoggedRest, airC: number, parameters: ParameterSet): Rest =>
  restOf(cook, rest.how, airC, rest.toC, LONGEST_REST_MIN, parameters.global);

/** Cores are followed this long for their peak. */
const PEAK_LOOKED_AT_MIN = 120;

/** How far a core rises after pulling, C, and after how many minutes. */
export function carryOver(reference: ReferenceCarryOver, parameters: ParameterSet): { riseC: number; peakMin: number } {
  const cook = runLoggedCook(reference.cook, parameters);
  const { peakC, peakMin, coreC } = restOf(cook, reference.how, reference.cook.airC, -Infinity, PEAK_LOOKED_AT_MIN, parameters.global);
  return { riseC: peakC - coreC[0]!, peakMin: peakMin + vertexOffset(coreC[peakMin - 1], peakC, coreC[peakMin + 1]) };
}

/** Where between samples the top of a curve lies: the vertex of the parabola through three of them, in steps from the middle one. */
function vertexOffset(before: number | undefined, top: number, after: number | undefined): number {
  if (before === undefined || after === undefined || before + after === 2 * top) return 0;
  return (before - after) / (2 * (before - 2 * top + after));
}

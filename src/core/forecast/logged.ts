import { findCut, type PitKind, type Wrap, type WrapWhen } from '../model';
import { runCook, type Cook } from './cook';
import type { ParameterSet } from './parameters';
import type { PitProgramme } from './pit';
import { cookSetup, type CookSetup, type DoneWhen } from './setup';

/** One finished (or hypothetical) cook as a log tells it: a row of docs/formats/cooks.md. */
export interface LoggedCook {
  id: string;
  cutId: string;
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
  });
}

/** Runs the model on a logged cook. */
export const runLoggedCook = (logged: LoggedCook, parameters: ParameterSet): Cook => runCook(loggedSetup(logged, parameters), parameters);

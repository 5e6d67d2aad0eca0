import type { BarkColour, ClockMethod, ClockStep, Cut, Grade, Method } from '../model';
import { runCook } from './cook';
import { knownAs, type ParameterSet } from './parameters';
import { programmeOf } from './pit';
import { restOf } from './rest';
import { cookSetup } from './setup';
import { blocksForRack } from './timeBlocks';

/** The piece by which a batch's clock is set: the one that decides when all are ready. */
export interface PieceForClock {
  kg: number;
  thicknessMm?: number;
  grade?: Grade;
  startC: number;
  altitudeM: number;
  airC: number;
}

/** Close enough for a step that is taken when the probe says so. */
const QUICK = Object.freeze({ stepMin: 3, cells: 12 });
const LONGEST_REST_MIN = 480;
const ROUND_TO_MIN = 5;

const worked = new WeakMap<Method, Map<string, ClockMethod>>();

/**
 * A method with all its times on the clock, as one piece is expected to meet them: heat steps that wait for a core or a colour, and
 * a rest to a core; time blocks as this rack wants them. A method that says all this in minutes is given back as it is.
 */
export function byTheClock(cut: Cut, written: Method, piece: PieceForClock, parameters: ParameterSet): ClockMethod {
  const { steps = [], restToC, restMin } = written;
  const onClock = steps.filter((step): step is ClockStep => step.fromMin !== undefined);
  if (onClock.length === steps.length && restToC === undefined && !written.blocksScale) return written as ClockMethod;
  let known = worked.get(written);
  if (!known) worked.set(written, (known = new Map()));
  const key = JSON.stringify([cut, piece, knownAs(parameters)]);
  const kept = known.get(key);
  if (kept) return kept;

  const method = blocksForRack(cut, piece, written, parameters);
  const setupWith = (clockSteps: ClockStep[]) =>
    cookSetup(cut, { ...piece, massKg: piece.kg }, method, parameters, {
      pit: programmeOf({ pitC: method.pitC, steps: clockSteps }, method.pitC),
      altitudeM: piece.altitudeM,
      roomC: piece.airC,
    });
  const found: ClockStep[] = [];
  for (const { fromMin, fromCoreC, atColour, pitC } of steps) {
    if (fromMin !== undefined) found.push({ fromMin, pitC });
    else if (atColour !== undefined) {
      const at = minuteOfColour(found, atColour);
      if (at !== undefined) found.push({ fromMin: at, pitC });
    } else if (fromCoreC !== undefined) {
      const { trace, doneAtMin } = runCook(setupWith(found), parameters, QUICK);
      const at = trace.coreC.findIndex((tempC) => tempC >= fromCoreC);
      // A core that is never reached before it is done asks for no step.
      if (at > 0 && at * trace.stepMin < doneAtMin) found.push({ fromMin: at * trace.stepMin, pitC });
    }
  }
  const clockSteps = found.sort((a, b) => a.fromMin - b.fromMin);
  const asked = restToC === undefined ? restMin : restMinutes(restToC);
  const clocked: ClockMethod = { ...method, steps: clockSteps.length > 0 ? clockSteps : undefined, restMin: asked };
  known.set(key, clocked);
  return clocked;

  /** When its bark is so dark; undefined where it is wrapped or done before. */
  function minuteOfColour(clockSteps: ClockStep[], colour: BarkColour): number | undefined {
    const setup = setupWith(clockSteps);
    // Wrapped exactly then, it tells by its wrap when that was.
    const { wrapAtMin: at } = runCook({ ...setup, wrap: 'paper', wrapWhen: { bark: true, colour } }, parameters, QUICK);
    const { wrapAtMin = Infinity, doneAtMin } = runCook(setup, parameters, QUICK);
    return at !== undefined && at < Math.min(wrapAtMin, doneAtMin) ? at : undefined;
  }

  /** Under a tent, or on the board for what is cooked to a core: until it has fallen so far. */
  function restMinutes(toC: number): number {
    const cook = runCook(setupWith(clockSteps), parameters, QUICK);
    if (cook.doneCoreC <= toC) return 0;
    const how = { kind: cut.done.by === 'core' ? 'board' : 'tent' } as const;
    const { reachedMin = LONGEST_REST_MIN } = restOf(cook, how, piece.airC, toC, LONGEST_REST_MIN, parameters.global);
    return ROUND_TO_MIN * Math.ceil(Math.max(0, reachedMin - method.ventMin) / ROUND_TO_MIN);
  }
}

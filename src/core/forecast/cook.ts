import { coreC, type Body } from '../thermal';
import { bareWetShare } from './afterPull';
import { drippedShare } from './boundary';
import type { SmokeTaken } from './bark';
import { startCook, stepCook, type CookState, type Finish } from './cookState';
import type { ParameterSet } from './parameters';
import type { Wrap } from '../model';
import type { CookSetup } from './setup';

export interface Trace {
  /** Minutes between samples; sample i is at i * stepMin from going on. */
  stepMin: number;
  coreC: Float64Array;
  surfaceC: Float64Array;
  pitC: Float64Array;
  /** Core of the thin end of a tapered piece. */
  thinCoreC?: Float64Array;
}

/** What the thin end of a tapered piece has been through when the thick end is done. */
export interface ThinEnd {
  coreC: number;
  /** When it was tender itself, minutes from going on; undefined while it is not (or is a roast). */
  doneAtMin?: number;
  convertedShare: number;
}

export interface Cook {
  /** `never`: not done within the longest cook allowed. */
  status: 'done' | 'never';
  /** Minutes from going on; undefined when it was never wrapped. */
  wrapAtMin?: number;
  /** When it was opened again for good. */
  unwrapAtMin?: number;
  doneAtMin: number;
  doneCoreC: number;
  /** Highest core after pulling, for a cook judged by its peak. */
  peakCoreC?: number;
  /** When the bark was set (bark 1), minutes from going on; undefined when it never was. */
  barkSetAtMin?: number;
  /** Bark when pulled: 1 is set, less is pale or soft, much more is hard. */
  bark: number;
  smoke: SmokeTaken;
  convertedShare: number;
  evaporatedShare: number;
  drippedShare: number;
  thinEnd?: ThinEnd;
  trace: Trace;
  /** The body as it is pulled, ready to rest and hold; what it is wrapped in, and how wet its bare surface is. */
  body: Body;
  wrap: Wrap;
  wetShare: number;
}

export interface CookOptions {
  stepMin?: number;
  cells?: number;
  longestMin?: number;
  /** Follow the thin end of a tapered piece as well. */
  bothEnds?: boolean;
}

const DEFAULTS = Object.freeze({ stepMin: 1, cells: 20, longestMin: 40 * 60, bothEnds: false });

let scratchRows: [Float64Array, Float64Array, Float64Array, Float64Array] | undefined;

/** Rows to write a cook into before it is known how long it gets; the next cook writes over them. */
function scratch(length: number): [Float64Array, Float64Array, Float64Array, Float64Array] {
  if (!scratchRows || scratchRows[0].length < length)
    scratchRows = [new Float64Array(length), new Float64Array(length), new Float64Array(length), new Float64Array(length)];
  return scratchRows;
}

/** What is told of a cook when it is over. */
function cookedBy(cook: CookState, status: Cook['status'], finish: Finish, trace: Trace): Cook {
  const { setup, global, body, thin } = cook;
  return {
    status,
    wrapAtMin: cook.wrapAtMin,
    unwrapAtMin: cook.unwrapAtMin,
    ...finish,
    barkSetAtMin: cook.barkSetAtMin,
    bark: cook.bark,
    smoke: cook.smoke,
    convertedShare: cook.converted,
    evaporatedShare: body.evaporatedKg / setup.body.massKg,
    drippedShare: drippedShare(global, Math.max(cook.hottestCoreC, coreC(body))),
    thinEnd: thin && { coreC: coreC(thin), doneAtMin: cook.thinDoneAtMin, convertedShare: cook.thinConverted },
    trace,
    body,
    wrap: cook.wrap === 'none' ? (setup.restWrap ?? 'none') : cook.wrap,
    wetShare: bareWetShare(setup, global, body),
  };
}

/**
 * Runs one cook from going on to being pulled (equations in docs/model.md): pit programme with its
 * openings (loading, wrap, unwrap, sprays), drying surface, wrap by core, clock or bark, rescue
 * wrap, and the finish by tenderness, by the probe, or by the peak after carry-over. The thick end decides.
 */
export function runCook(setup: CookSetup, parameters: ParameterSet, options: CookOptions = {}): Cook {
  const full = { ...DEFAULTS, ...options };
  const { stepMin, longestMin } = full;
  const cook = startCook(setup, parameters.global, full);
  const longest = Math.ceil(longestMin / stepMin);
  const [core, surface, pit, spare] = scratch(longest + 1);
  const thinCore = cook.thin ? spare : undefined;
  const write = (step: number) => {
    core[step] = step === 0 ? setup.body.startC : cook.nowC;
    surface[step] = step === 0 ? setup.body.startC : cook.body.surfaceC;
    pit[step] = cook.airC;
    if (thinCore) thinCore[step] = step === 0 ? setup.body.startC : coreC(cook.thin!);
  };
  const traceTo = (count: number): Trace => ({
    stepMin,
    coreC: core.slice(0, count),
    surfaceC: surface.slice(0, count),
    pitC: pit.slice(0, count),
    thinCoreC: thinCore?.slice(0, count),
  });
  write(0);
  for (let step = 1; step <= longest; step++) {
    const finish = stepCook(cook, step * stepMin);
    write(step);
    if (finish) return cookedBy(cook, 'done', finish, traceTo(step + 1));
  }
  return cookedBy(cook, 'never', { doneAtMin: longestMin, doneCoreC: coreC(cook.body) }, traceTo(longest + 1));
}

import { forkCook, openAgain, pitClimate, stepCook, wantsWrap, wrapNow, type CookState } from '../forecast';
import type { PitKind, Wrap } from '../model';

/** What hands did to the piece. */
export type LiveDeed = { atMin: number } & (
  { kind: 'wrapped'; wrap?: Wrap } | { kind: 'unwrapped' } | { kind: 'moved'; to?: PitKind; hotterByC?: number }
);

/** What lies ahead of one possible truth if all goes on as planned. */
export interface Ahead {
  doneAtMin: number;
  wrapAtMin?: number;
  /** Core from `fromMin` on, every `everyMin`, until it is done. */
  fromMin: number;
  everyMin: number;
  coreC: number[];
}

/** Longest cook looked at, beyond now. */
const LONGEST_MIN = 40 * 60;

/** What hands do comes with the step that begins at its minute or next after it. */
export function doTo(state: CookState, deed: LiveDeed): void {
  if (deed.kind === 'wrapped') {
    const wrap = deed.wrap ?? state.setup.wrap;
    wrapNow(state, wrap === 'none' ? 'foil' : wrap);
  } else if (deed.kind === 'unwrapped') openAgain(state);
  else {
    if (deed.to !== undefined) state.climate = pitClimate(deed.to);
    // Its setup is its own from here on: what lies behind it was lived where it lay.
    if (deed.hotterByC !== undefined) state.setup = { ...state.setup, zoneOffsetC: state.setup.zoneOffsetC + deed.hotterByC };
  }
}

/** What a look ahead goes by: the pit's air, what hands do from then on in order of time, and the length of its steps. */
export interface LookOut {
  airC: (minute: number) => number | undefined;
  toCome: readonly LiveDeed[];
  stepMin: number;
}

/**
 * Runs a copy of a cook under way to its end from `fromMin`, where it stands. Unless hands wrap it, its wrap comes when its
 * rule says so.
 */
export function lookAhead(cook: CookState, fromMin: number, { airC, toCome, stepMin }: LookOut): Ahead {
  const state = forkCook(cook);
  state.measuredC = airC;
  state.byHand = toCome.some((deed) => deed.kind === 'wrapped');
  const livedStepMin = state.stepMin;
  state.stepMin = stepMin;
  state.stepS = (stepMin * 60) / state.setup.pace;
  const coreC = [state.nowC];
  let wrapAtMin = state.wrapAtMin;
  if (!state.byHand && wantsWrap(state)) {
    wrapNow(state, state.setup.wrap);
    wrapAtMin = fromMin;
  }
  let next = 0;
  for (let minute = fromMin + stepMin; minute <= fromMin + LONGEST_MIN; minute += stepMin) {
    while (next < toCome.length && toCome[next]!.atMin <= minute - livedStepMin) doTo(state, toCome[next++]!);
    const finish = stepCook(state, minute);
    // It was wrapped somewhere in this step.
    if (wrapAtMin === undefined && state.wrapAtMin !== undefined) wrapAtMin = minute - stepMin * (1 - shareAtWrap(state));
    coreC.push(state.nowC);
    if (finish) return { doneAtMin: finish.doneAtMin, wrapAtMin, fromMin, everyMin: stepMin, coreC };
  }
  return { doneAtMin: fromMin + LONGEST_MIN, wrapAtMin, fromMin, everyMin: stepMin, coreC };
}

/** The core that lies ahead at a minute; where it was done, from then on. */
export function coreAhead({ fromMin, everyMin, coreC }: Ahead, minute: number): number {
  const at = Math.max(0, (minute - fromMin) / everyMin);
  const low = Math.min(Math.floor(at), coreC.length - 1);
  const high = Math.min(low + 1, coreC.length - 1);
  return coreC[low]! + (at - low) * (coreC[high]! - coreC[low]!);
}

/** How far into its last step a core came to its wrap; the middle where no core decides. */
function shareAtWrap({ setup, beforeC, nowC }: CookState): number {
  const { coreC } = setup.wrapWhen;
  return coreC === undefined || nowC <= beforeC ? 0.5 : Math.min(1, Math.max(0, (coreC - beforeC) / (nowC - beforeC)));
}

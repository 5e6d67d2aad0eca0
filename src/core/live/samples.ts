import { pitClimate } from '../forecast';
import {
  forkCook,
  openAgain,
  setPointC,
  startCook,
  stepCook,
  wantsWrap,
  wrapNow,
  type CookSetup,
  type CookState,
  type ParameterSet,
} from '../forecast';
import type { PitKind, Wrap } from '../model';
import { quantile, quantileSorted } from '../numerics';
import { drawUnknowns } from './unknowns';

/** The pit's air as a probe in it said. */
export interface PitReading {
  atMin: number;
  pitC: number;
}

/** What hands did to the piece. */
export type LiveDeed = { atMin: number } & (
  { kind: 'wrapped'; wrap?: Wrap } | { kind: 'unwrapped' } | { kind: 'moved'; to?: PitKind; hotterByC?: number }
);

export interface LiveOptions {
  /** Same seed, same day: same forecast, to the digit. */
  seed: number;
  /** Pieces of one pit and day share this: its unknowns are theirs in common. The piece's own when left out. */
  pitSeed?: number;
  samples?: number;
  /** How wide the unknowns are against a stranger's, 0 to 1: an owner's finished cooks narrow them. */
  share?: number;
}

const SAMPLES = 140;
const STEP_MIN = 3;
const CELLS = 10;
/** Longest cook looked at, beyond now. */
const LONGEST_MIN = 40 * 60;
/**
 * Ahead of now the clock goes in longer steps: the boundary changes slowly there. What samples err by for that they err
 * by together, and their middle is put where the one with nothing unknown, in short steps, has it.
 */
const AHEAD_STEP_MIN = 15;
const MIDDLE_STEP_MIN = 3;
/** Where a probe may read: in the middle, or in fat and too shallow, so far from the middle to the surface. */
export const PROBE_DEPTHS = [0, 0.4, 0.55, 0.7] as const;
/** What the pit was off its set point lately goes away over so many minutes; a lifted lid, or a flare, much sooner. */
const STRAYS_FOR_MIN = 120;
const UPSET_FOR_MIN = 12;
/** Its usual stray is the middle of that of the last so many minutes. */
const LATELY_MIN = 60;
/** Every so many minutes the core ahead is kept for drawing. */
export const AHEAD_EVERY_MIN = 30;

/** One possible truth: a cook with unknowns of its own, under way. */
interface Sample {
  state: CookState;
  /** Temperature at each of PROBE_DEPTHS, every STEP_MIN minutes from going on. */
  atDepthC: number[][];
  /** Share of the collagen that has let go, at the same minutes. */
  converted: number[];
  doneAtMin?: number;
}

/** What lies ahead of one possible truth if all goes on as planned. */
export interface Ahead {
  doneAtMin: number;
  wrapAtMin?: number;
  /** Core every AHEAD_EVERY_MIN from now, until it is done. */
  coreC: number[];
}

const cellAt = PROBE_DEPTHS.map((depth) => Math.round(depth * CELLS));

/**
 * Possible truths of one piece, each running through the pit as it was measured. They are advanced with the clock as far
 * as the pit is known and kept: a new reading costs the minutes since the last one, and one look ahead. Asked once or on
 * the way, they come to the same: what was lived through is only what no later reading changes; else all begin anew.
 */
export class LiveSamples {
  private samples: Sample[] = [];
  /** The cook with nothing unknown, as the pit was and is set. */
  private middle!: Sample;
  /** Until when all have lived for good. */
  private settledMin = 0;
  private settledBy = '';
  private airAt: number[] = [];
  private nowMin = 0;

  constructor(
    private readonly setup: CookSetup,
    private readonly parameters: ParameterSet,
    private readonly options: LiveOptions,
    /** Heat reaches the middle so much later than the cooks have it: in a body warmed evenly, r^2 / (2 (m + 1) a) after the surface. */
    private readonly laterMin = 0,
  ) {
    this.begin();
  }

  private begin(): void {
    const { seed, pitSeed = seed, samples = SAMPLES, share = 1 } = this.options;
    const started = (own: { setup: CookSetup; parameters: ParameterSet }): Sample => {
      const state = startCook(own.setup, own.parameters.global, { stepMin: STEP_MIN, cells: CELLS, bothEnds: false });
      state.byHand = true;
      state.measuredC = (minute) => this.airAt[Math.round(minute / STEP_MIN)];
      return { state, atDepthC: PROBE_DEPTHS.map(() => [own.setup.body.startC]), converted: [0] };
    };
    this.middle = started({ setup: this.setup, parameters: this.parameters });
    this.samples = Array.from({ length: samples }, (_, i) =>
      started(drawUnknowns(this.setup, this.parameters, { seed, pitSeed, index: i, share })),
    );
    this.settledMin = 0;
    this.settledBy = '';
  }

  /**
   * Lets every sample live on to `nowMin` in the pit as measured; what hands did comes at its minute. `setPoints` are what
   * the pit was and will be set to: every sample has them.
   */
  advance(nowMin: number, pit: readonly PitReading[], deeds: readonly LiveDeed[], setPoints: CookSetup['pit']['steps']): void {
    this.setup.pit.steps.splice(0, Infinity, ...setPoints);
    for (const { state } of [...this.samples, this.middle]) state.setup.pit = this.setup.pit;
    const lastPitMin = pit.findLast((each) => each.atMin <= nowMin)?.atMin;
    const settled = STEP_MIN * Math.floor(Math.min(nowMin, lastPitMin ?? nowMin) / STEP_MIN);
    if (this.settledBy !== pastOf(this.settledMin, pit, deeds, setPoints)) this.begin();
    this.airAt = airOf(nowMin, pit, this.setup.pit);
    const all = [...this.samples, this.middle];
    for (const sample of all) {
      // What was only supposed beyond the settled part is dropped.
      const kept = this.settledMin / STEP_MIN + 1;
      for (const row of [...sample.atDepthC, sample.converted]) row.length = kept;
    }
    for (const sample of all) liveOn(sample, this.settledMin, settled, deeds);
    this.settledMin = Math.max(this.settledMin, settled);
    this.settledBy = pastOf(this.settledMin, pit, deeds, setPoints);
    this.nowMin = STEP_MIN * Math.floor(nowMin / STEP_MIN);
    this.toCome = deeds.filter((deed) => deed.atMin > this.nowMin - STEP_MIN).sort((a, b) => a.atMin - b.atMin);
    this.supposed = all.map((sample) => {
      const state = forkCook(sample.state);
      state.measuredC = sample.state.measuredC;
      const ahead = { ...sample, state };
      liveOn(ahead, this.settledMin, this.nowMin, deeds);
      return ahead;
    });
  }
  /** Samples as they are now, the middle one last. */
  private supposed: Sample[] = [];
  /** What hands did in this very step, or will do. */
  private toCome: LiveDeed[] = [];

  /** What each sample's probe would have read at such minutes, at one of PROBE_DEPTHS. */
  wouldRead(minutes: readonly number[], depth: number): Float64Array[] {
    // In a body warmed evenly what is nearer to the surface lags less: by 1 - x^2.
    const laterMin = this.laterMin * (1 - PROBE_DEPTHS[depth]! ** 2);
    return this.samples.map(({ atDepthC }) =>
      Float64Array.from(minutes, (minute) => at(atDepthC[depth]!, Math.max(0, minute - laterMin) / STEP_MIN)),
    );
  }

  /** How far each sample's collagen had let go at such minutes. */
  convertedAt(minutes: readonly number[]): Float64Array[] {
    return this.samples.map(({ converted }) => Float64Array.from(minutes, (minute) => at(converted, minute / STEP_MIN)));
  }

  /** Of nearly all samples. */
  hottestCoreC(minute: number): number {
    const cores = Float64Array.from(this.samples, ({ atDepthC }) => at(atDepthC[0]!, minute / STEP_MIN)).sort();
    return quantileSorted(cores, 0.99);
  }

  /** How fast the middle one's core rises. */
  riseCPerMin(minute: number): number {
    const row = this.middle.atDepthC[0]!;
    const index = minute / STEP_MIN;
    return (at(row, index + 2) - at(row, Math.max(0, index - 2))) / (4 * STEP_MIN);
  }

  airC(minute: number): number {
    return this.airAt[Math.round(minute / STEP_MIN)] ?? setPointC(this.setup.pit, minute);
  }

  /** What lies ahead of each sample, and of the middle one, if all goes on as planned. */
  ahead(): { samples: Ahead[]; middle: Ahead } {
    const all = this.supposed.map((sample, i) =>
      aheadOf(sample, this.nowMin, this.toCome, i < this.samples.length ? AHEAD_STEP_MIN : MIDDLE_STEP_MIN),
    );
    return { samples: all.slice(0, -1), middle: all.at(-1)! };
  }
}

/** Lets one sample live from one minute to another; it is marked done on the way, and lives on. */
function liveOn(sample: Sample, fromMin: number, toMin: number, deeds: readonly LiveDeed[]): void {
  const { state } = sample;
  for (let next = fromMin + STEP_MIN; next <= toMin; next += STEP_MIN) {
    for (const deed of deeds) if (deed.atMin > next - 2 * STEP_MIN && deed.atMin <= next - STEP_MIN) doTo(state, deed);
    const finish = stepCook(state, next);
    sample.doneAtMin ??= finish?.doneAtMin;
    cellAt.forEach((cell, d) => sample.atDepthC[d]!.push(state.body.cellsC[cell]!));
    sample.converted.push(state.converted);
  }
}

/** What hands do comes with the step that begins at its minute or next after it. */
function doTo(state: CookState, deed: LiveDeed): void {
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

function aheadOf(sample: Sample, nowMin: number, toCome: readonly LiveDeed[], stepMin: number): Ahead {
  if (sample.doneAtMin !== undefined) return { doneAtMin: sample.doneAtMin, wrapAtMin: sample.state.wrapAtMin, coreC: [] };
  const state = forkCook(sample.state);
  // Ahead, the wrap comes when its rule says so.
  state.byHand = false;
  state.stepMin = stepMin;
  state.stepS = (stepMin * 60) / state.setup.pace;
  const coreC: number[] = [];
  let wrapAtMin = state.wrapAtMin;
  if (wantsWrap(state)) {
    wrapNow(state, state.setup.wrap);
    wrapAtMin = nowMin;
  }
  let next = 0;
  for (let minute = nowMin + stepMin; minute <= nowMin + LONGEST_MIN; minute += stepMin) {
    while (next < toCome.length && toCome[next]!.atMin <= minute - STEP_MIN) doTo(state, toCome[next++]!);
    const finish = stepCook(state, minute);
    // It was wrapped somewhere in this step.
    if (wrapAtMin === undefined && state.wrapAtMin !== undefined) wrapAtMin = minute - stepMin * (1 - shareAtWrap(state));
    if ((minute - nowMin) % AHEAD_EVERY_MIN === 0) coreC.push(state.nowC);
    if (finish) return { doneAtMin: finish.doneAtMin, wrapAtMin, coreC };
  }
  return { doneAtMin: nowMin + LONGEST_MIN, wrapAtMin, coreC };
}

/** How far into its last step a core came to its wrap; the middle where no core decides. */
function shareAtWrap({ setup, beforeC, nowC }: CookState): number {
  const { coreC } = setup.wrapWhen;
  return coreC === undefined || nowC <= beforeC ? 0.5 : Math.min(1, Math.max(0, (coreC - beforeC) / (nowC - beforeC)));
}

/** All that decided what was lived through until a minute: when it is told differently later, all begins anew. */
function pastOf(untilMin: number, pit: readonly PitReading[], deeds: readonly LiveDeed[], setPoints: CookSetup['pit']['steps']): string {
  let count = 0;
  let sum = 0;
  for (const { atMin, pitC } of pit) {
    if (atMin > untilMin + STEP_MIN) break;
    count++;
    sum = (sum * 31 + atMin * 977 + pitC * 8191) % 1e9;
  }
  const before = <T extends { atMin?: number; fromMin?: number }>(list: readonly T[]) =>
    list.filter((each) => (each.atMin ?? each.fromMin ?? 0) <= untilMin - STEP_MIN);
  // While the pit was not measured, what it was set to is what was lived through.
  return JSON.stringify([untilMin, count, sum, before(deeds), count === 0 ? before(setPoints) : []]);
}

/**
 * The pit on the samples' minutes: as it was read, between two readings on a line; beyond the last as it is set, with what
 * it strays dying away, slowly what it did for an hour and soon what it did just now. Nothing where it was never read: then the samples' own programme holds, openings and all.
 */
function airOf(nowMin: number, pit: readonly PitReading[], programme: CookSetup['pit']): number[] {
  const air: number[] = [];
  const known = pit.filter((each) => each.atMin <= nowMin);
  const last = known.at(-1);
  if (!last) return air;
  const off = ({ atMin, pitC }: PitReading) => pitC - setPointC(programme, Math.max(0, atMin));
  const lately = known.filter((each) => each.atMin > last.atMin - LATELY_MIN).map(off);
  const straysC = quantile(lately, 0.5);
  const upsetC = off(last) - straysC;
  let next = 0;
  for (let minute = 0; minute <= nowMin + LONGEST_MIN + AHEAD_STEP_MIN; minute += STEP_MIN) {
    if (minute > last.atMin) {
      const agoMin = minute - last.atMin;
      air.push(setPointC(programme, minute) + straysC * Math.exp(-agoMin / STRAYS_FOR_MIN) + upsetC * Math.exp(-agoMin / UPSET_FOR_MIN));
      continue;
    }
    while (known[next]!.atMin < minute) next++;
    const after = known[next]!;
    const before = known[next - 1] ?? after;
    const share = after === before ? 1 : (minute - before.atMin) / (after.atMin - before.atMin);
    air.push(before.pitC + share * (after.pitC - before.pitC));
  }
  return air;
}

/** A row of samples between two of them. */
function at(row: readonly number[], index: number): number {
  const low = Math.min(Math.floor(index), row.length - 1);
  const high = Math.min(low + 1, row.length - 1);
  return row[low]! + Math.min(1, index - low) * (row[high]! - row[low]!);
}

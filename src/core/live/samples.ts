import { forkCook, setPointC, startCook, stepCook, wrapNow, type CookSetup, type CookState, type ParameterSet } from '../forecast';
import { quantileSorted } from '../numerics';
import { drawUnknowns } from './unknowns';

/** The pit's air as a probe in it said. */
export interface PitReading {
  atMin: number;
  pitC: number;
}

export interface LiveOptions {
  /** Same seed, same day: same forecast, to the digit. */
  seed: number;
  samples?: number;
  /** How wide the unknowns are against a stranger's, 0 to 1: an owner's finished cooks narrow them. */
  share?: number;
}

const SAMPLES = 300;
const STEP_MIN = 3;
const CELLS = 10;
/** Longest cook looked at, beyond now. */
const LONGEST_MIN = 40 * 60;
/** Where a probe may read: in the middle, or in fat and too shallow, so far from the middle to the surface. */
export const PROBE_DEPTHS = [0, 0.4, 0.55, 0.7] as const;
/** What the pit was off its set point lately goes away over so many minutes. */
const STRAYS_FOR_MIN = 120;

/** One possible truth: a cook with unknowns of its own, under way. */
interface Sample {
  state: CookState;
  /** Temperature at each of PROBE_DEPTHS, every STEP_MIN minutes from going on. */
  atDepthC: number[][];
  doneAtMin?: number;
}

const cellAt = PROBE_DEPTHS.map((depth) => Math.round(depth * CELLS));

/**
 * Possible truths of one piece, each running through the pit as it was measured. They are advanced with the clock and
 * kept: a new reading costs the minutes since the last one, and one look ahead.
 */
export class LiveSamples {
  readonly samples: Sample[];
  /** Minutes to done of the cook with nothing unknown, as the pit was and is set. */
  private readonly middle: Sample;
  private nowMin = 0;
  private pit: readonly PitReading[] = [];

  constructor(
    private readonly setup: CookSetup,
    private readonly parameters: ParameterSet,
    { seed, samples = SAMPLES, share = 1 }: LiveOptions,
  ) {
    const begin = (own: { setup: CookSetup; parameters: ParameterSet }): Sample => {
      const state = startCook(own.setup, own.parameters.global, { stepMin: STEP_MIN, cells: CELLS, bothEnds: false });
      state.byHand = true;
      state.measuredC = (minute) => this.measuredC(minute);
      return { state, atDepthC: PROBE_DEPTHS.map(() => [own.setup.body.startC]) };
    };
    this.middle = begin({ setup, parameters });
    this.samples = Array.from({ length: samples }, (_, i) => begin(drawUnknowns(setup, parameters, seed, i, share)));
  }

  /** Lets every sample live on to `minute` in the pit as measured. */
  advance(minute: number, pit: readonly PitReading[]): void {
    this.pit = pit;
    for (let next = this.nowMin + STEP_MIN; next <= minute; next += STEP_MIN) {
      for (const sample of [...this.samples, this.middle]) {
        const finish = stepCook(sample.state, next);
        sample.doneAtMin ??= finish?.doneAtMin;
        cellAt.forEach((cell, d) => sample.atDepthC[d]!.push(sample.state.body.cellsC[cell]!));
      }
      this.nowMin = next;
    }
  }

  /** It is wrapped now. */
  wrap(): void {
    for (const { state } of [...this.samples, this.middle]) wrapNow(state, this.setup.wrap);
  }

  /** What each sample's probe would have read at such minutes, at one of PROBE_DEPTHS. */
  wouldRead(minutes: readonly number[], depth: number): Float64Array[] {
    return this.samples.map(({ atDepthC }) => Float64Array.from(minutes, (minute) => at(atDepthC[depth]!, minute / STEP_MIN)));
  }

  /** Of nearly all samples. */
  hottestCoreC(minute: number): number {
    const cores = Float64Array.from(this.samples, ({ atDepthC }) => at(atDepthC[0]!, minute / STEP_MIN)).sort();
    return quantileSorted(cores, 0.99);
  }

  airC(minute: number): number {
    return this.measuredC(minute) ?? setPointC(this.setup.pit, minute);
  }

  /** Natural logs of the minutes to done of each sample, and of the middle one, if all goes on as planned. */
  finishes(): { logs: Float64Array; middleLog: number } {
    return { logs: Float64Array.from(this.samples, (sample) => this.finishLog(sample)), middleLog: this.finishLog(this.middle) };
  }

  private finishLog(sample: Sample): number {
    if (sample.doneAtMin !== undefined) return Math.log(sample.doneAtMin);
    const ahead = forkCook(sample.state);
    ahead.byHand = false;
    for (let minute = this.nowMin + STEP_MIN; minute <= this.nowMin + LONGEST_MIN; minute += STEP_MIN) {
      const finish = stepCook(ahead, minute);
      if (finish) return Math.log(finish.doneAtMin);
    }
    return Math.log(this.nowMin + LONGEST_MIN);
  }

  /** The pit as it was; ahead of the last reading as it is set, with what it strays dying away. */
  private measuredC(minute: number): number | undefined {
    const { pit } = this;
    const last = pit.at(-1);
    if (!last) return undefined;
    if (minute >= last.atMin) {
      const straysC = last.pitC - setPointC(this.setup.pit, last.atMin);
      return setPointC(this.setup.pit, minute) + straysC * Math.exp((last.atMin - minute) / STRAYS_FOR_MIN);
    }
    const next = pit.findIndex((each) => each.atMin >= minute);
    const after = pit[next]!;
    const before = pit[next - 1] ?? after;
    const share = after === before ? 1 : (minute - before.atMin) / (after.atMin - before.atMin);
    return before.pitC + share * (after.pitC - before.pitC);
  }
}

/** A row of samples between two of them. */
function at(row: readonly number[], index: number): number {
  const low = Math.min(Math.floor(index), row.length - 1);
  const high = Math.min(low + 1, row.length - 1);
  return row[low]! + Math.min(1, index - low) * (row[high]! - row[low]!);
}

import { forkCook, setPointC, startCook, stepCook, type CookSetup, type CookState, type Finish, type ParameterSet } from '../forecast';
import { quantileSorted } from '../numerics';
import { doTo, lookAhead, type Ahead, type LiveDeed } from './lookAhead';
import { airKnownAt, readThrough, readUntil, settledAt, type PitReading } from './pitAir';
import { drawUnknowns } from './unknowns';

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
/**
 * Ahead of now the clock goes in longer steps: the boundary changes slowly there. What samples err by for that they err
 * by together, and their middle is put where the one with nothing unknown, in short steps, has it.
 */
const AHEAD_STEP_MIN = 15;
/**
 * Each sample looks ahead anew every so many minutes, a part of them in every step, and at once when hands did something;
 * the middle one does in every step. What the pit does in between moves the middle, hardly the spread about it.
 */
const LOOK_EVERY_MIN = 15;
/** Where a probe may read: in the middle, or in fat and too shallow, so far from the middle to the surface. */
export const PROBE_DEPTHS = [0, 0.4, 0.55, 0.7] as const;

/** One possible truth: a cook with unknowns of its own, under way. */
interface Sample {
  state: CookState;
  /** Temperature at each of PROBE_DEPTHS, every STEP_MIN minutes from going on. */
  atDepthC: number[][];
  /** Share of the collagen that has let go, at the same minutes. */
  converted: number[];
  doneAtMin?: number;
  /** Where it stood when it last looked ahead, by what it knew, and what it saw. */
  looked?: { fromMin: number; from: CookState; knowing: string; ahead?: Ahead };
}

/** What is known at the minute of a look ahead; some samples look together. */
interface Outlook {
  atMin: number;
  /** Until when the pit is known for good by then. */
  settledMin: number;
  /** A name for all that decides what is seen. */
  knowing: string;
  airC: Air;
  /** What hands did in this very step, or will do. */
  toCome: LiveDeed[];
}
type Air = (minute: number) => number | undefined;

const cellAt = PROBE_DEPTHS.map((depth) => Math.round(depth * CELLS));

/**
 * Possible truths of one piece, each running through the pit as it was measured. They are advanced with the clock as far
 * as the pit is known and kept: a new reading costs the minutes since the last one, and a part of the looks ahead. Asked
 * once or on the way, they come to the same: what was lived through is only what no later reading changes, and a look ahead
 * knows what was read by its own minute; else all begin anew.
 */
export class LiveSamples {
  private samples: Sample[] = [];
  /** The cook with nothing unknown, as the pit was and is set. */
  private middle!: Sample;
  /** Until when all have lived for good. */
  private settledMin = 0;
  private settledBy = '';
  private air: Air = () => undefined;
  private nowMin = 0;
  private deeds: readonly LiveDeed[] = [];
  private outlooks: Outlook[] = [];
  /** The middle one as it is now, as far as can be supposed. */
  private middleNow!: Sample;

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
      state.measuredC = (minute) => this.air(minute);
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
    this.deeds = deeds;
    this.nowMin = STEP_MIN * Math.floor(nowMin / STEP_MIN);
    this.outlooks = this.outlooksAt(pit);
    if (this.settledBy !== this.pastUntil(this.settledMin, pit) || this.comesTooLate()) this.begin();
    this.air = airKnownAt(nowMin, pit, this.setup.pit, STEP_MIN);
    const settled = settledAt(nowMin, pit, STEP_MIN);
    for (const [i, sample] of this.samples.entries()) {
      this.dropSupposed(sample);
      const { settledMin: fromMin } = this.outlookOf(i);
      let livedMin = this.settledMin;
      // Where it will look ahead from it leaves a copy on its way.
      if (sample.looked?.fromMin !== fromMin) {
        this.liveOn(sample, livedMin, fromMin);
        sample.looked = { fromMin, from: forkCook(sample.state), knowing: '' };
        livedMin = fromMin;
      }
      this.liveOn(sample, livedMin, settled);
    }
    this.dropSupposed(this.middle);
    this.liveOn(this.middle, this.settledMin, settled);
    this.settledMin = Math.max(this.settledMin, settled);
    this.settledBy = this.pastUntil(this.settledMin, pit);
    for (const sample of this.samples) this.suppose(sample);
    this.middleNow = this.suppose(this.middle);
  }

  /** What each sample's probe would have read at such minutes, at one of PROBE_DEPTHS. */
  wouldRead(minutes: readonly number[], depth: number): Float64Array[] {
    // In a body warmed evenly what is nearer to the surface lags less: by 1 - x^2.
    const laterMin = this.laterMin * (1 - PROBE_DEPTHS[depth]! ** 2);
    const rows = Float64Array.from(minutes, (minute) => Math.max(0, minute - laterMin) / STEP_MIN);
    return this.samples.map(({ atDepthC }) => rowsAt(atDepthC[depth]!, rows));
  }

  /** How far each sample's collagen had let go at such minutes. */
  convertedAt(minutes: readonly number[]): Float64Array[] {
    const rows = Float64Array.from(minutes, (minute) => minute / STEP_MIN);
    return this.samples.map(({ converted }) => rowsAt(converted, rows));
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
    return this.air(minute) ?? setPointC(this.setup.pit, minute);
  }

  /** What lies ahead of each sample, and of the middle one, if all goes on as planned. */
  ahead(): { samples: Ahead[]; middle: Ahead } {
    const { doneAtMin, state } = this.middleNow;
    const toCome = this.toComeFrom(this.nowMin);
    return {
      samples: this.samples.map((sample, i) => this.aheadOf(sample, this.outlookOf(i))),
      middle:
        doneAtMin === undefined ? lookAhead(state, this.nowMin, { airC: this.air, toCome, stepMin: STEP_MIN }) : past(state, doneAtMin),
    };
  }

  private aheadOf(sample: Sample, { atMin, settledMin, knowing, airC, toCome }: Outlook): Ahead {
    if (sample.doneAtMin !== undefined) return past(sample.state, sample.doneAtMin);
    const looked = sample.looked!;
    if (looked.ahead && looked.knowing === knowing) return looked.ahead;
    let state = looked.from;
    let doneAtMin: number | undefined;
    if (settledMin < atMin) {
      state = forkCook(state);
      state.measuredC = airC;
      live(state, settledMin, atMin, this.deeds, (finish) => (doneAtMin ??= finish?.doneAtMin));
    }
    const ahead = doneAtMin === undefined ? lookAhead(state, atMin, { airC, toCome, stepMin: AHEAD_STEP_MIN }) : past(state, doneAtMin);
    sample.looked = { ...looked, knowing, ahead };
    return ahead;
  }

  private outlooksAt(pit: readonly PitReading[]): Outlook[] {
    const told = JSON.stringify([this.deeds, this.setup.pit.steps]);
    return Array.from({ length: LOOK_EVERY_MIN / STEP_MIN }, (_, i) => {
      const atMin = Math.max(0, LOOK_EVERY_MIN * Math.floor((this.nowMin - i * STEP_MIN) / LOOK_EVERY_MIN) + i * STEP_MIN);
      return {
        atMin,
        settledMin: settledAt(atMin, pit, STEP_MIN),
        knowing: `${atMin} ${readUntil(pit, atMin)} ${told}`,
        airC: airKnownAt(atMin, pit, this.setup.pit, STEP_MIN),
        toCome: this.toComeFrom(atMin),
      };
    });
  }
  private outlookOf = (index: number): Outlook => this.outlooks[index % this.outlooks.length]!;

  private toComeFrom(minute: number): LiveDeed[] {
    return this.deeds.filter((deed) => deed.atMin > minute - STEP_MIN).sort((a, b) => a.atMin - b.atMin);
  }

  /** Whether some have lived past the minute from which they should look ahead, and left no copy there. */
  private comesTooLate(): boolean {
    return this.samples.some(({ looked }, i) => {
      const { settledMin } = this.outlookOf(i);
      return settledMin < this.settledMin && looked?.fromMin !== settledMin;
    });
  }

  /** Lets one sample live on for good. */
  private liveOn(sample: Sample, fromMin: number, toMin: number): void {
    live(sample.state, fromMin, toMin, this.deeds, (finish) => {
      sample.doneAtMin ??= finish?.doneAtMin;
      note(sample, sample.state);
    });
  }

  /** The sample as it is now if the pit did since its last reading what is thought; what is noted of it goes with `dropSupposed`. */
  private suppose(sample: Sample): Sample {
    if (this.settledMin >= this.nowMin) return sample;
    const now = { ...sample, state: forkCook(sample.state) };
    live(now.state, this.settledMin, this.nowMin, this.deeds, (finish) => {
      now.doneAtMin ??= finish?.doneAtMin;
      note(sample, now.state);
    });
    return now;
  }

  private dropSupposed(sample: Sample): void {
    const kept = this.settledMin / STEP_MIN + 1;
    for (const row of [...sample.atDepthC, sample.converted]) row.length = kept;
  }

  /** All that decided what was lived through until a minute: when it is told differently later, all begins anew. */
  private pastUntil(untilMin: number, pit: readonly PitReading[]): string {
    const before = <T extends { atMin?: number; fromMin?: number }>(list: readonly T[]) =>
      list.filter((each) => (each.atMin ?? each.fromMin ?? 0) <= untilMin - STEP_MIN);
    const read = readThrough(pit, untilMin);
    // While the pit was not measured, what it was set to is what was lived through.
    return JSON.stringify([untilMin, read, before(this.deeds), read.startsWith('0 ') ? before(this.setup.pit.steps) : []]);
  }
}

/** Lets a cook live from one minute to another; it may be done on the way, and lives on. */
function live(state: CookState, fromMin: number, toMin: number, deeds: readonly LiveDeed[], then: (finish?: Finish) => void): void {
  for (let next = fromMin + STEP_MIN; next <= toMin; next += STEP_MIN) {
    for (const deed of deeds) if (deed.atMin > next - 2 * STEP_MIN && deed.atMin <= next - STEP_MIN) doTo(state, deed);
    then(stepCook(state, next));
  }
}

function note(sample: Sample, { body, converted }: CookState): void {
  cellAt.forEach((cell, d) => sample.atDepthC[d]!.push(body.cellsC[cell]!));
  sample.converted.push(converted);
}

const past = ({ wrapAtMin, minute, nowC }: CookState, doneAtMin: number): Ahead => ({
  doneAtMin,
  wrapAtMin,
  fromMin: minute,
  everyMin: STEP_MIN,
  coreC: [nowC],
});

/** A row of samples between two of them. */
function at(row: readonly number[], index: number): number {
  const low = Math.min(Math.floor(index), row.length - 1);
  const high = Math.min(low + 1, row.length - 1);
  return row[low]! + Math.min(1, index - low) * (row[high]! - row[low]!);
}

function rowsAt(row: readonly number[], indices: Float64Array): Float64Array {
  const found = new Float64Array(indices.length);
  for (let i = 0; i < indices.length; i++) found[i] = at(row, indices[i]!);
  return found;
}

import type { PredictiveLaw } from '../forecast';
import type { Run, ServingOdds } from '../model';
import { normalQuantile, seededRandom } from '../numerics';
import { MS_PER_MIN } from '../units';

/** Days a search tries each plan on: enough that a chance of one in ten is known to a fiftieth. */
const SEARCH_DAYS = 600;
/** Fresh days a plan is told by, once it is found: enough that its odds are known to half a point. */
const TOLD_DAYS = 6000;
/** Latenesses kept of runs already tried, over all their days: 13 MB. */
const MOST_KEPT = 1_600_000;
/** Where the approximation of a very wide day ends: eight times the usual width. */
const MOST_WIDTH = 0.25;
/** Rounding to whole minutes is nobody's lateness. */
const LATE_FROM_MIN = 0.5;
export const isLate = (minutes: number): boolean => minutes > LATE_FROM_MIN;
/** What a run's lateness depends on. */
export type TimedRun = Pick<Run, 'batchId' | 'pitId' | 'onAtMs'> & { pulls: readonly Pick<Run['pulls'][number], 'pieceId' | 'medianMs'>[] };

/** What the days of an event depend on beside chance. */
export interface DaysOf {
  law: PredictiveLaw;
  /** The cut of a batch, as the law knows it. */
  modelCutOf(batchId: string): string;
  /**
   * The name that the luck of a pit, a piece or a cut goes with: where it stands in the event, whatever id was drawn
   * for it.
   */
  nameOf?(key: string): string;
}

/**
 * The days a plan is tried on, drawn from the predictive law: what is unknown of the owner and of each cut, a weather
 * for all, a bias for each pit, and each piece's own luck. The same days for every plan, so that two plans differ by
 * what was planned alone.
 */
export class Days {
  /** What every sd is multiplied with that day: a t is a normal whose sd is itself unknown. */
  private readonly width: Float64Array;
  private readonly drawn = new Map<string, Float64Array>();
  /** Natural logs of the time of all of a cut in a pit, by the day. */
  private readonly shared = new Map<string, Float64Array>();
  private readonly runs = new Map<string, Float64Array>();
  /** The same by the run itself: what stays as it is from one plan to the next is asked for again and again. */
  private readonly lastOf = new WeakMap<TimedRun, { available: number; late: Float64Array }>();

  /** Days of another `seed` are other days. */
  constructor(
    private readonly of: DaysOf,
    readonly count = SEARCH_DAYS,
    private readonly seed = '',
  ) {
    const { freedom, scale } = of.law;
    // Wilson and Hilferty: a chi-square over its freedom is nearly the cube of a normal.
    const ninth = 2 / (9 * freedom);
    this.width = this.normals('width').map((z) => scale / Math.sqrt(Math.max(MOST_WIDTH, 1 - ninth + z * Math.sqrt(ninth)) ** 3));
  }

  /** The days a plan is told by: none of those it was picked on, and more of them. */
  static fresh(of: DaysOf): Days {
    return new Days(of, TOLD_DAYS, 'fresh');
  }

  /** A Latin hypercube: each luck takes every one of its equally likely values on one day, in an order of its own. */
  private normals(name: string): Float64Array {
    const random = seededRandom(hash(`${this.seed}${name}`));
    const values = Float64Array.from(evenNormals(this.count));
    for (let i = this.count - 1; i > 0; i--) {
      const j = Math.floor(random.uniform() * (i + 1));
      [values[i], values[j]] = [values[j]!, values[i]!];
    }
    return values;
  }

  private luckOf(key: string): Float64Array {
    let found = this.drawn.get(key);
    if (!found) this.drawn.set(key, (found = this.normals(this.of.nameOf?.(key) ?? key)));
    return found;
  }

  /** What all pieces of a cut in a pit have in common. */
  private sharedBy(modelCutId: string, pitId: string): Float64Array {
    const key = `${modelCutId}|${pitId}`;
    const known = this.shared.get(key);
    if (known) return known;
    const { owner, cook, cut } = this.of.law;
    const { ofOwner, sdLog } = cut(modelCutId);
    const parts: [number, Float64Array][] = [
      [ofOwner * owner.sdLog, this.luckOf('owner')],
      [sdLog, this.luckOf(`cut ${modelCutId}`)],
      [cook.weatherLogSd, this.luckOf('weather')],
      [cook.pitLogSd, this.luckOf(pitId)],
    ];
    const found = this.width.map((width, day) => width * parts.reduce((sum, [sd, luck]) => sum + sd * luck[day]!, 0));
    this.shared.set(key, found);
    return found;
  }

  /** Minutes by which a run's last piece is rested after its carving, by the day; 0 or less is in time. */
  lateness(run: TimedRun, available: number): Float64Array {
    const last = this.lastOf.get(run);
    if (last?.available === available) return last.late;
    const late = this.latenessOf(run, available);
    this.lastOf.set(run, { available, late });
    return late;
  }
  private latenessOf(run: TimedRun, available: number): Float64Array {
    const key = `${run.batchId}|${run.pitId}|${available}|${run.pulls.map((pull) => `${pull.pieceId}:${pull.medianMs - run.onAtMs}`).join()}`;
    const known = this.runs.get(key);
    if (known) return known;
    if (this.runs.size * this.count > MOST_KEPT) this.runs.clear();
    const late = new Float64Array(this.count).fill(-Infinity);
    const shared = this.sharedBy(this.of.modelCutOf(run.batchId), run.pitId);
    const { ownLogSd } = this.of.law.cook;
    for (const pull of run.pulls) {
      const own = this.luckOf(`${run.batchId}/${pull.pieceId}`);
      const medianMin = (pull.medianMs - run.onAtMs) / MS_PER_MIN;
      for (let day = 0; day < this.count; day++) {
        const minutes = medianMin * Math.exp(shared[day]! + ownLogSd * this.width[day]! * own[day]!) - available;
        if (minutes > late[day]!) late[day] = minutes;
      }
    }
    this.runs.set(key, late);
    return late;
  }

  /** On how many days in all a run is late. */
  lateShare(run: Run, deadlineMs: number): number {
    const available = (deadlineMs - run.onAtMs) / MS_PER_MIN;
    let late = 0;
    for (const minutes of this.lateness(run, available)) if (minutes > LATE_FROM_MIN) late++;
    return late / this.count;
  }

  /** The joint chance that everything of a serving is rested by its carving, and the mean minutes it is late. */
  oddsOf(servingId: string, runs: readonly Run[], deadlineOf: (run: Run) => number): ServingOdds {
    const available = (run: Run) => (deadlineOf(run) - run.onAtMs) / MS_PER_MIN;
    return { servingId, ...this.jointly(runs.map((run) => ({ late: this.lateness(run, available(run)), earlierMin: 0 }))) };
  }

  /** The same of latenesses, each were it so many minutes earlier. */
  jointly(each: readonly { late: Float64Array; earlierMin: number }[]): Omit<ServingOdds, 'servingId'> {
    const latest = new Float64Array(this.count).fill(-Infinity);
    for (const { late, earlierMin } of each)
      for (let day = 0; day < this.count; day++) {
        const minutes = late[day]! - earlierMin;
        if (minutes > latest[day]!) latest[day] = minutes;
      }
    let inTime = 0;
    let sum = 0;
    for (const minutes of latest) {
      if (minutes <= LATE_FROM_MIN) inTime++;
      else sum += minutes;
    }
    return { onTimeShare: inTime / this.count, expectedLateMin: sum / this.count };
  }
}

const drawnEvenly = new Map<number, Float64Array>();

/** Equally likely values of a standard normal, in order. */
function evenNormals(count: number): Float64Array {
  let found = drawnEvenly.get(count);
  if (!found) drawnEvenly.set(count, (found = Float64Array.from({ length: count }, (_, i) => normalQuantile((i + 0.5) / count))));
  return found;
}

/** FNV-1a. */
function hash(text: string): number {
  let value = 2166136261;
  for (let i = 0; i < text.length; i++) value = Math.imul(value ^ text.charCodeAt(i), 16777619);
  return value >>> 0;
}

import type { Run, ServingOdds } from '../model';
import { seededRandom } from '../numerics';
import { MS_PER_MIN } from '../units';

/** Days a search tries each plan on: enough that a chance of one in ten is known to a fiftieth. */
const SEARCH_DAYS = 400;
/** Fresh days a plan is told by, once it is found: enough that its odds are known to half a point. */
const TOLD_DAYS = 6000;
/** Latenesses kept of runs already tried, over all their days: 13 MB. */
const MOST_KEPT = 1_600_000;
/** Rounding to whole minutes is nobody's lateness. */
const LATE_FROM_MIN = 0.5;
/** Natural-log sd of the time to done that all on one pit share that day, and the part of it that is the weather of all pits. */
const SHARED_LOG_SD = 0.08;
const WEATHER_LOG_SD = 0.04;

/**
 * The days a plan is tried on: a weather for all, a bias for each pit, and each piece's own luck.
 * The same days for every plan, so that two plans differ by what was planned alone.
 */
export class Days {
  private readonly weather: Float64Array;
  private readonly pits = new Map<string, Float64Array>();
  private readonly pieces = new Map<string, Float64Array>();
  private readonly runs = new Map<string, Float64Array>();

  /**
   * `nameOf` gives each pit and piece the name its luck goes with: where it stands in the event, whatever id was drawn
   * for it. Days of another `seed` are other days.
   */
  constructor(
    private readonly nameOf: (key: string) => string = (key) => key,
    private readonly days = SEARCH_DAYS,
    private readonly seed = '',
  ) {
    this.weather = this.normals('weather');
  }

  /** The days a plan is told by: none of those it was picked on, and more of them. */
  static fresh(nameOf: (key: string) => string): Days {
    return new Days(nameOf, TOLD_DAYS, 'fresh');
  }

  private normals(name: string): Float64Array {
    const random = seededRandom(hash(`${this.seed}${name}`));
    return Float64Array.from({ length: this.days }, () => random.normal());
  }

  private of(map: Map<string, Float64Array>, key: string): Float64Array {
    let found = map.get(key);
    if (!found) {
      found = this.normals(this.nameOf(key));
      map.set(key, found);
    }
    return found;
  }

  /** Minutes by which a run's last piece is rested after its carving, by the day; 0 or less is in time. */
  private lateness(run: Run, available: number): Float64Array {
    const key = `${run.batchId}|${run.pitId}|${run.timeLogSd}|${available}|${run.pulls.map((pull) => `${pull.pieceId}:${pull.medianMs - run.onAtMs}`).join()}`;
    const known = this.runs.get(key);
    if (known) return known;
    if (this.runs.size * this.days > MOST_KEPT) this.runs.clear();
    const late = new Float64Array(this.days).fill(-Infinity);
    const shared = Math.min(SHARED_LOG_SD, run.timeLogSd * 0.5);
    const weatherSd = (shared * WEATHER_LOG_SD) / SHARED_LOG_SD;
    const pitSd = Math.sqrt(shared ** 2 - weatherSd ** 2);
    const ownSd = Math.sqrt(Math.max(0, run.timeLogSd ** 2 - shared ** 2));
    const pit = this.of(this.pits, run.pitId);
    for (const pull of run.pulls) {
      const own = this.of(this.pieces, `${run.batchId}/${pull.pieceId}`);
      const medianMin = (pull.medianMs - run.onAtMs) / MS_PER_MIN;
      for (let day = 0; day < this.days; day++) {
        const minutes = medianMin * Math.exp(weatherSd * this.weather[day]! + pitSd * pit[day]! + ownSd * own[day]!) - available;
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
    return late / this.days;
  }

  /** The joint chance that everything of a serving is rested by its carving, and the mean minutes it is late. */
  oddsOf(servingId: string, runs: readonly Run[], deadlineOf: (run: Run) => number): ServingOdds {
    const latest = new Float64Array(this.days).fill(-Infinity);
    for (const run of runs) {
      const available = (deadlineOf(run) - run.onAtMs) / MS_PER_MIN;
      const late = this.lateness(run, available);
      for (let day = 0; day < this.days; day++) if (late[day]! > latest[day]!) latest[day] = late[day]!;
    }
    let inTime = 0;
    let sum = 0;
    for (const minutes of latest) {
      if (minutes <= LATE_FROM_MIN) inTime++;
      else sum += minutes;
    }
    return { servingId, onTimeShare: inTime / this.days, expectedLateMin: sum / this.days };
  }
}

/** FNV-1a. */
function hash(text: string): number {
  let value = 2166136261;
  for (let i = 0; i < text.length; i++) value = Math.imul(value ^ text.charCodeAt(i), 16777619);
  return value >>> 0;
}

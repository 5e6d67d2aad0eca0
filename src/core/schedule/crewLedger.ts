import type { Duty } from '../model';
import { addMinutes } from '../units';

/** A task that wants one pair of hands: begun at `atMs`, or up to `laterMin` after it. */
export interface CrewTask {
  atMs: number;
  minutes: number;
  laterMin?: number;
}

interface Busy {
  fromMs: number;
  toMs: number;
}

/**
 * Who is busy when. People work inside their windows, on one thing at a time, and on nothing while
 * all are on the road. With no windows at all hands are not counted and nobody is named.
 */
export class CrewLedger {
  private readonly people: string[];
  private readonly busy = new Map<string, Busy[]>();
  private readonly log: string[] = [];

  constructor(
    private readonly windows: readonly Duty[] | undefined,
    private readonly onTheRoad: readonly Busy[],
  ) {
    const ends = new Map<string, number>();
    for (const { memberId, fromMs, toMs } of windows ?? []) ends.set(memberId, (ends.get(memberId) ?? 0) + toMs - fromMs);
    // Whoever is there for the shortest time is asked first, so that the others stay free; of two alike, the one listed first.
    this.people = [...ends].sort((a, b) => a[1] - b[1]).map(([memberId]) => memberId);
    for (const person of this.people) this.busy.set(person, []);
  }

  snapshot(): number {
    return this.log.length;
  }

  rollBack(snapshot: number): void {
    while (this.log.length > snapshot) this.busy.get(this.log.pop()!)!.pop();
  }

  private isOff(fromMs: number, toMs: number): boolean {
    return this.onTheRoad.some((drive) => drive.fromMs < toMs && drive.toMs > fromMs);
  }

  /** Everyone whose window covers a stretch. */
  onDuty(fromMs: number, toMs: number): string[] {
    return this.people.filter((person) =>
      this.windows!.some((duty) => duty.memberId === person && duty.fromMs <= fromMs && duty.toMs >= toMs),
    );
  }

  private freePerson(fromMs: number, toMs: number): string | undefined {
    return this.people.find(
      (person) =>
        this.windows!.some((duty) => duty.memberId === person && duty.fromMs <= fromMs && duty.toMs >= toMs) &&
        !this.busy.get(person)!.some((each) => each.fromMs < toMs && each.toMs > fromMs),
    );
  }

  /** Somebody for a task at one moment, taken; an empty list where hands are not counted. */
  claim(atMs: number, minutes: number): string[] | undefined {
    const toMs = addMinutes(atMs, minutes);
    if (this.isOff(atMs, toMs)) return undefined;
    if (!this.windows) return [];
    const person = this.freePerson(atMs, toMs);
    if (person === undefined) return undefined;
    this.take(person, atMs, toMs);
    return [person];
  }

  private take(person: string, fromMs: number, toMs: number): void {
    this.busy.get(person)!.push({ fromMs, toMs });
    this.log.push(person);
  }

  /** Takes hands that a placement had before. */
  retake(who: readonly string[], atMs: number, minutes: number): void {
    for (const person of who) this.take(person, atMs, addMinutes(atMs, minutes));
  }

  /** All tasks or none: when each is begun and by whom; otherwise the one that nobody is free for. */
  claimAll(tasks: readonly CrewTask[]): { done: { atMs: number; who: string[] }[] } | { short: CrewTask } {
    const before = this.snapshot();
    const done: { atMs: number; who: string[] }[] = [];
    for (const task of tasks) {
      let claimed: { atMs: number; who: string[] } | undefined;
      for (let later = 0; later <= (task.laterMin ?? 0) && !claimed; later++) {
        const atMs = addMinutes(task.atMs, later);
        const who = this.claim(atMs, task.minutes);
        if (who) claimed = { atMs, who };
      }
      if (!claimed) {
        this.rollBack(before);
        return { short: task };
      }
      done.push(claimed);
    }
    return { done };
  }

  /** The latest moment, not after `latestMs` nor before `earliestMs`, at which somebody is free. */
  latestFree(earliestMs: number, latestMs: number, minutes: number): number | undefined {
    for (let atMs = latestMs; atMs >= earliestMs;) {
      const toMs = addMinutes(atMs, minutes);
      const drive = this.onTheRoad.find((each) => each.fromMs < toMs && each.toMs > atMs);
      if (drive) {
        atMs = addMinutes(drive.fromMs, -minutes);
        continue;
      }
      if (!this.windows || this.freePerson(atMs, toMs) !== undefined) return atMs;
      atMs = this.nextTry(atMs, toMs, minutes);
    }
    return undefined;
  }

  /** Just before the next task or end of a window that could make somebody free. */
  private nextTry(atMs: number, toMs: number, minutes: number): number {
    let best = -Infinity;
    const consider = (endMs: number) => {
      const start = addMinutes(endMs, -minutes);
      if (start < atMs && start > best) best = start;
    };
    for (const each of this.windows!) {
      consider(each.toMs);
      if (each.fromMs < atMs) consider(each.toMs);
    }
    for (const list of this.busy.values()) for (const each of list) if (each.fromMs < toMs) consider(each.fromMs);
    return best;
  }
}

import { covers, type Stay } from '../travel';
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
 * Who is busy when. People work where they are, while they are on duty, on one thing at a time. With no crew
 * at all hands are not counted and nobody is named.
 */
export class CrewLedger {
  private readonly people: string[];
  private readonly busy = new Map<string, Busy[]>();
  private readonly log: string[] = [];

  constructor(private readonly crew: ReadonlyMap<string, readonly Stay[]> | undefined) {
    const lengthOf = (stays: readonly Stay[]) => stays.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0);
    // Whoever is there for the shortest time is asked first, so that the others stay free; of two alike, the one listed first.
    this.people = [...(crew ?? [])].sort((a, b) => lengthOf(a[1]) - lengthOf(b[1])).map(([memberId]) => memberId);
    for (const person of this.people) this.busy.set(person, []);
  }

  snapshot(): number {
    return this.log.length;
  }

  rollBack(snapshot: number): void {
    while (this.log.length > snapshot) this.busy.get(this.log.pop()!)!.pop();
  }

  private isFree(person: string, fromMs: number, toMs: number, placeId: string): boolean {
    return (
      this.crew!.get(person)!.some((stay) => stay.placeId === placeId && covers(stay, fromMs, toMs)) &&
      !this.busy.get(person)!.some((each) => each.fromMs < toMs && each.toMs > fromMs)
    );
  }

  private freePerson(fromMs: number, toMs: number, placeId: string): string | undefined {
    return this.people.find((person) => this.isFree(person, fromMs, toMs, placeId));
  }

  /** Somebody for a task at one moment, taken; an empty list where hands are not counted. */
  claim(atMs: number, minutes: number, placeId: string): string[] | undefined {
    if (!this.crew) return [];
    const toMs = addMinutes(atMs, minutes);
    const person = this.freePerson(atMs, toMs, placeId);
    if (person === undefined) return undefined;
    this.take(person, atMs, toMs);
    return [person];
  }

  /** Everyone who is free for a stretch of time at a place, in the order in which they are asked. */
  freeAt(atMs: number, minutes: number, placeId: string): string[] {
    return this.people.filter((person) => this.isFree(person, atMs, addMinutes(atMs, minutes), placeId));
  }

  private take(person: string, fromMs: number, toMs: number): void {
    this.busy.get(person)?.push({ fromMs, toMs });
    if (this.busy.has(person)) this.log.push(person);
  }

  /** Takes hands that a placement had before. */
  retake(who: readonly string[], atMs: number, minutes: number): void {
    for (const person of who) this.take(person, atMs, addMinutes(atMs, minutes));
  }

  /** All tasks or none: when each is begun and by whom; otherwise the one that nobody is free for. */
  claimAll(tasks: readonly CrewTask[], placeId: string): { done: { atMs: number; who: string[] }[] } | { short: CrewTask } {
    const before = this.snapshot();
    const done: { atMs: number; who: string[] }[] = [];
    for (const task of tasks) {
      let claimed: { atMs: number; who: string[] } | undefined;
      for (let later = 0; later <= (task.laterMin ?? 0) && !claimed; later++) {
        const atMs = addMinutes(task.atMs, later);
        const who = this.claim(atMs, task.minutes, placeId);
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
  latestFree(earliestMs: number, latestMs: number, minutes: number, placeId: string): number | undefined {
    for (let atMs = latestMs; atMs >= earliestMs;) {
      const toMs = addMinutes(atMs, minutes);
      if (!this.crew || this.freePerson(atMs, toMs, placeId) !== undefined) return atMs;
      atMs = this.nextTry(atMs, toMs, minutes, placeId);
    }
    return undefined;
  }

  /** Just before the next task or end of a stay that could make somebody free. */
  private nextTry(atMs: number, toMs: number, minutes: number, placeId: string): number {
    let best = -Infinity;
    const consider = (endMs: number) => {
      const start = addMinutes(endMs, -minutes);
      if (start < atMs && start > best) best = start;
    };
    for (const stays of this.crew!.values()) for (const stay of stays) if (stay.placeId === placeId) consider(stay.toMs);
    for (const list of this.busy.values()) for (const each of list) if (each.fromMs < toMs) consider(each.fromMs);
    return best;
  }
}

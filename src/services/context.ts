import type { Entry, MinuteReading } from '../core/day';
import type { NamedPlan, Plan, Scheme } from '../core/model';
import type { PlanInput } from '../core/planning';
import type { readEventFile, Reading } from '../formats/open';
import type { Database } from '../persistence';

/** Who works plans out: threads of their own where pages are served, the caller's own where nobody waits. */
export interface Planner {
  /** `signal` says that nobody waits for it any more. */
  plan(input: PlanInput, signal?: AbortSignal): Promise<Plan>;
  /** The scheme of the best plan that so many iterations find. */
  search(input: PlanInput, iterations: number): Promise<Scheme>;
  /** The event of a file, or where it is not one. */
  readEvent(text: string, nowMs: number): Promise<ReturnType<typeof readEventFile>>;
  /** The plan of a file, under an id, for the event of an input; or where it is not one. */
  readPlan(text: string, input: PlanInput, id: string): Promise<Reading<NamedPlan>>;
}

/** Days that are being lived: told what was kept of them, they show it to whoever watches. */
export interface DaysUnderWay {
  /** A day's own time, which is not the world's when it is simulated. */
  nowMs(eventId: string): Promise<number>;
  began(eventId: string): void;
  entriesKept(eventId: string, entries: readonly Entry[]): void;
  /** Minutes as they are kept now, after readings came. */
  readingsKept(minutes: readonly MinuteReading[]): void;
  clockChanged(eventId: string): void;
  settingsChanged(): void;
  /** The owner says that the machine's clock, which was set, is right. */
  takeMachineTime(): Promise<void>;
  /** Everything may be another now: a copy was put back. */
  allChanged(): void;
}

/** The door to the yard: told what was decided, it opens and closes. */
export interface YardDoor {
  changed(): Promise<void>;
  /** Cuts what a session has open. */
  putOut(sessionId: string): void;
}

/** What every use case is given: the database, the time, new identifiers, and who plans. */
export interface Context {
  db: Database;
  planner: Planner;
  /** Left out where nothing is under way: commands, tests. */
  days?: DaysUnderWay;
  /** Left out where nobody serves. */
  yard?: YardDoor;
  nowMs(): number;
  newId(): string;
}

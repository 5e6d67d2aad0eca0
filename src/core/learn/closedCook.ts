import type { LoggedCook } from '../forecast';

/** How it came into the log: from a day that was lived, from a file of cooks, or typed in from a notebook. */
export type CookSource = 'day' | 'file' | 'typed';

/** A verdict in the trade's terms; what nobody said is left out. */
export const VERDICTS = Object.freeze({
  bark: ['soft', 'right', 'hard'],
  moisture: ['dry', 'right', 'wet'],
  tenderness: ['tight', 'right', 'falling apart'],
  smoke: ['too little', 'right', 'too much'],
} as const);
export type Trait = keyof typeof VERDICTS;
export const TRAITS = Object.keys(VERDICTS) as Trait[];
export type Verdict = { [T in Trait]?: (typeof VERDICTS)[T][number] };

/** What the crew says of a cook afterwards. */
export interface CookWords {
  verdict: Verdict;
  notes: string;
  /** What to do differently: it comes up when the cut, method or pit is planned again. */
  nextTime: string;
}
export const NO_WORDS: CookWords = Object.freeze({ verdict: {}, notes: '', nextTime: '' });

/** When it was to happen and when it did, in instants; what was forecast when the day began. */
export interface CookTimes {
  plannedOnMs: number;
  plannedPullMs: number;
  /** The 10 %, 50 % and 90 % finish as the plan had them, minutes from going on. */
  toldMin: { p10: number; p50: number; p90: number };
  onMs: number;
  wrappedMs?: number;
  pulledMs: number;
  carvedMs?: number;
  /** When it was to be carved, and for whom. */
  plannedCarveMs?: number;
  serving?: { id: string; name: string };
}

/** One piece from going on to being carved, with all that is known of it: a row of the log. */
export interface ClosedCook {
  id: string;
  source: CookSource;
  /** Its event and piece, where it was lived here. */
  eventId?: string;
  eventName?: string;
  pieceKey?: string;
  /** As the model understands it: what it was, how it was cooked, how long it took. Its cut may be one of the owner's. */
  cook: LoggedCook;
  /** What the model takes an owner's own cut for. */
  modelCutId?: string;
  /** The day it went on; a notebook may not know. */
  onMs?: number;
  times?: CookTimes;
  wrapCoreC?: number;
  feel?: string;
  lidOpenings?: number;
  /** What the core read last before it was carved. */
  slicedCoreC?: number;
  windMPerS?: number;
  /** Of its batch, where that was weighed: cooked over trimmed raw, and what of it was left, kg. Of its pit: the fuel of that day, kg. */
  yieldShare?: number;
  leftKg?: number;
  fuelKg?: number;
  /** What a kilogram of it cost, trimmed. */
  costPerKg?: number;
  /** Its core over time by a logger's file, minutes from going on. */
  curve?: { minutes: number[]; coreC: number[] };
  words: CookWords;
}

import { seededRandom, seedOfName, shuffled } from '../numerics';
import { MS_PER_MIN } from '../units';
import { questionId, QUESTIONS, type DrillSetId } from './drill';

/** One answer of somebody to a question. */
export interface DrillMark {
  questionId: string;
  /** How often in a row it was right: 0 comes back at once. */
  box: number;
  right: number;
  wrong: number;
  dueAtMs: number;
}

/** Days until a question comes back, by how often in a row it was right. */
const RETURNS_DAYS = [0, 1, 3, 7, 16, 35] as const;
const DAY_MS = 24 * 60 * MS_PER_MIN;
/** A missed one comes back so soon. */
const MISSED_MS = 90_000;

/** The mark after an answer. */
export function marked(before: DrillMark | undefined, id: string, right: boolean, nowMs: number): DrillMark {
  const box = right ? Math.min(RETURNS_DAYS.length - 1, (before?.box ?? 0) + 1) : 0;
  return {
    questionId: id,
    box,
    right: (before?.right ?? 0) + Number(right),
    wrong: (before?.wrong ?? 0) + Number(!right),
    dueAtMs: nowMs + (right ? RETURNS_DAYS[box]! * DAY_MS : MISSED_MS),
  };
}

/**
 * The questions of a set in the order they should come: missed ones that are due, then those never seen, in an order of the
 * day's own, then what is due again. What is not due yet comes last: whoever wants may go on.
 */
export function drillOrder(set: DrillSetId, marks: readonly DrillMark[], nowMs: number): { ns: number[]; due: number } {
  const all = Array.from({ length: QUESTIONS }, (_, n) => n);
  const markOf = (n: number) => marks.find((mark) => mark.questionId === questionId(set, n));
  const rank = (n: number) => {
    const mark = markOf(n);
    if (!mark) return 1;
    if (mark.dueAtMs > nowMs) return 3;
    return mark.box === 0 ? 0 : 2;
  };
  const day = Math.floor(nowMs / DAY_MS);
  const mixed = shuffled(all, seededRandom(seedOfName(`${set} ${day}`)).uniform);
  const ns = [...mixed].sort((a, b) => rank(a) - rank(b) || (markOf(a)?.dueAtMs ?? 0) - (markOf(b)?.dueAtMs ?? 0));
  return { ns, due: all.filter((n) => rank(n) < 3).length };
}

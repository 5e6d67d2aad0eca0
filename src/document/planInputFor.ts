import type { ParameterSet } from '../core/forecast';
import type { NextTime, Trial } from '../core/learn';
import { DEFAULT_VENUE, kitchenOf, libraryWith, withHired, type CookEvent, type Equipment, type Library } from '../core/model';
import { equippedFor, type PlanInput } from '../core/planning';
import { withLearnedTrim, type LearnedTrim } from '../core/quantities';
import { MS_PER_MIN } from '../core/units';
import { quietBetween, shiftsBetween } from '../formats/clock';

/** A piece that was weighed before and after trimming, by its cut. */
export interface WeighedPiece {
  cutId: string;
  boughtKg: number;
  trimmedKg: number;
}

/** All that the product knows beside the event itself and that its plan rests on. */
export interface DocumentFacts {
  equipment: Equipment;
  /** The owner's own entries, without the shipped ones. */
  ownLibrary: Library;
  nowMs: number;
  /** Its cook day, once that has begun: the plan is then the one it began with, not one for whoever came now. */
  day?: { plannedFromMs: number; startedAtMs: number; endedAtMs?: number };
  /** The cook model with what was taken of the log; as shipped when left out. */
  parameters?: ParameterSet;
  /** What somebody wanted changed after a cook. */
  nextTime?: NextTime[];
  /** What is tried out on its meat. */
  trials?: Trial[];
}

/** Prep may begin this long before the first serving. */
const PREP_AHEAD_MS = 8 * 86_400_000;
/** Meat goes on this long before the first serving at the most. */
const QUIET_AHEAD_MS = 3 * 86_400_000;

/**
 * The days around servings, first to last; servings that lie further apart than an event may reach have days of
 * their own, so that what is planned from is bounded by what happens, not by the calendar.
 */
function spansOf(times: readonly number[]): [firstMs: number, lastMs: number][] {
  const spans: [number, number][] = [];
  for (const atMs of times.toSorted((a, b) => a - b)) {
    const last = spans.at(-1);
    if (last && atMs - last[1] <= PREP_AHEAD_MS) last[1] = atMs;
    else spans.push([atMs, atMs]);
  }
  return spans;
}

/** The pieces of an event that were weighed both ways, in their order. */
export const weighedIn = (event: CookEvent): WeighedPiece[] =>
  event.batches.flatMap(({ cutId, pieces }) =>
    pieces.flatMap(({ boughtKg, trimmedKg }) =>
      boughtKg === undefined || trimmedKg === undefined ? [] : [{ cutId, boughtKg, trimmedKg }],
    ),
  );

/**
 * The library as an event uses it: the owner's entries over the shipped ones, trim of this meat as the scale has it. What other events
 * weighed is taken in the log, or not (`kitchenFigures`).
 */
export const libraryFor = (event: CookEvent, facts: Pick<DocumentFacts, 'ownLibrary'>) =>
  withLearnedTrim(libraryWith(facts.ownLibrary), weighedIn(event));

/** What the plan of an event is made of: the same on the server and on the page. */
export function planInputFor(event: CookEvent, facts: DocumentFacts): { input: PlanInput; learned: LearnedTrim[] } {
  const { library, learned } = libraryFor(event, facts);
  const { nowMs } = facts;
  const equipment = withHired(event, facts.equipment);
  const spans = spansOf(event.servings.map((serving) => serving.atMs));
  const { fromHour, toHour } = kitchenOf(event);
  const { quietFrom, quietTo } = { ...DEFAULT_VENUE, ...event.venue };
  const input: PlanInput = {
    ...equippedFor(event, equipment),
    event,
    probes: equipment.probes.filter((probe) => event.probeIds?.includes(probe.id)),
    crew: equipment.crew.filter((member) => event.duty?.some((each) => each.memberId === member.id)),
    library,
    earliestMs: Math.floor((facts.day?.plannedFromMs ?? nowMs) / MS_PER_MIN) * MS_PER_MIN,
    quiet: spans.flatMap(([firstMs, lastMs]) => quietBetween(firstMs - QUIET_AHEAD_MS, lastMs, event.timeZone, quietFrom, quietTo)),
    ...(facts.parameters && { parameters: facts.parameters }),
    shifts: spans.flatMap(([firstMs, lastMs]) => shiftsBetween(firstMs - PREP_AHEAD_MS, lastMs, event.timeZone, fromHour, toHour)),
  };
  return { input, learned };
}

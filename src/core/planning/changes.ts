import { cutIn, prepOf, type CookEvent, type Baseline, type Library, type Plan } from '../model';
import { portionsOf } from '../quantities';
import { MS_PER_MIN } from '../units';
import type { PlanInput } from './planInput';

/** One thing that is other than when the plan was kept. */
export type Change =
  | { code: 'servingAdded' | 'servingGone'; name: string }
  | { code: 'servingMoved'; name: string; byMin: number }
  | { code: 'guestsChanged'; name: string; from: number; to: number }
  | { code: 'batchAdded' | 'batchGone'; batch: BatchName }
  | { code: 'piecesChanged'; batch: BatchName; from: number; to: number }
  | { code: 'weightChanged'; batch: BatchName; fromKg: number; toKg: number }
  | { code: 'methodChanged' | 'prepChanged'; batch: BatchName }
  | { code: 'startMoved'; batch: BatchName; fromMs: number; toMs: number }
  | { code: 'pitsChanged' };

/** Enough to name a batch, even one that is gone. */
export interface BatchName {
  id: string;
  cutId: string;
  label: string;
}

/** A weight that moved by less than this share, or a start by less than these minutes, changes nobody's day. */
const SAME_WEIGHT_SHARE = 0.01;
const SAME_START_MIN = 5;

const startOf = (plan: Plan, batchId: string): number | undefined => {
  const own = plan.runs.filter((run) => run.batchId === batchId).map((run) => run.onAtMs);
  return own.length > 0 ? Math.min(...own) : undefined;
};

function prepMessage(event: CookEvent, library: Library, batchId: string): string {
  const batch = event.batches.find((each) => each.id === batchId)!;
  const cut = cutIn(library, batch.cutId);
  return cut ? JSON.stringify({ ...prepOf(cut, batch), done: [] }) : '';
}

/** What a plan rests on, to be kept when the owner hands it to the crew. */
export function baselineOf({ event, library }: Pick<PlanInput, 'event' | 'library'>, plan: Plan, nowMs: number): Baseline {
  return {
    savedAtMs: nowMs,
    revision: event.revision,
    servings: event.servings.map(({ id, name, atMs, guests, buffet, marginShare }) => ({
      id,
      name,
      atMs,
      guests: guests.adults + guests.children,
      portions: portionsOf(guests, buffet, marginShare),
    })),
    batches: event.batches.map(({ id, cutId, methodId, label, pieces }) => ({
      id,
      cutId,
      methodId,
      label,
      pieces: pieces.length,
      kg: pieces.reduce((sum, piece) => sum + piece.kg, 0),
      onAtMs: startOf(plan, id),
      prep: prepMessage(event, library, id),
    })),
    pitIds: [...event.pitIds, ...event.boxIds].sort(),
  };
}

/** What has changed since the plan was kept, causes first, then the starts they moved. Empty: it still holds. */
export function changesSince(kept: Baseline, input: Pick<PlanInput, 'event' | 'library'>, plan: Plan): Change[] {
  const now = baselineOf(input, plan, kept.savedAtMs);
  const changes: Change[] = [];
  for (const before of kept.servings) {
    const after = now.servings.find((each) => each.id === before.id);
    if (!after) changes.push({ code: 'servingGone', name: before.name });
    else {
      if (after.atMs !== before.atMs)
        changes.push({ code: 'servingMoved', name: after.name, byMin: (after.atMs - before.atMs) / MS_PER_MIN });
      if (after.guests !== before.guests || Math.abs(after.portions - before.portions) > 0.05)
        changes.push({ code: 'guestsChanged', name: after.name, from: before.guests, to: after.guests });
    }
  }
  for (const after of now.servings)
    if (!kept.servings.some((each) => each.id === after.id)) changes.push({ code: 'servingAdded', name: after.name });
  if (kept.pitIds.join() !== now.pitIds.join()) changes.push({ code: 'pitsChanged' });
  const starts: Change[] = [];
  for (const before of kept.batches) {
    const after = now.batches.find((each) => each.id === before.id);
    if (!after) {
      changes.push({ code: 'batchGone', batch: before });
      continue;
    }
    const batch: BatchName = after;
    if (after.pieces !== before.pieces) changes.push({ code: 'piecesChanged', batch, from: before.pieces, to: after.pieces });
    else if (Math.abs(after.kg / before.kg - 1) > SAME_WEIGHT_SHARE)
      changes.push({ code: 'weightChanged', batch, fromKg: before.kg, toKg: after.kg });
    if (after.methodId !== before.methodId) changes.push({ code: 'methodChanged', batch });
    if (after.prep !== before.prep) changes.push({ code: 'prepChanged', batch });
    if (before.onAtMs !== undefined && after.onAtMs !== undefined && Math.abs(after.onAtMs - before.onAtMs) >= SAME_START_MIN * MS_PER_MIN)
      starts.push({ code: 'startMoved', batch, fromMs: before.onAtMs, toMs: after.onAtMs });
  }
  for (const after of now.batches)
    if (!kept.batches.some((each) => each.id === after.id)) changes.push({ code: 'batchAdded', batch: after });
  return [...changes, ...starts];
}

import type { Batch, CookEvent, Override, Scheme } from '../model';
import { addMinutes } from '../units';

/** Something the owner could change. */
export type Lever =
  | { code: 'hotter' | 'tighterWrap'; batchId: string; methodId: string }
  | { code: 'hotterInBand'; batchId: string; pitC: number }
  | { code: 'finishElsewhere'; batchId: string; pitId: string; pitC: number }
  | { code: 'otherPit'; batchId: string; pitId: string }
  | { code: 'split'; batchId: string; parts: number }
  | { code: 'earlier'; batchId: string; minutes: number }
  | { code: 'lighterPieces'; batchId: string; pieces: number }
  | { code: 'sparePit'; pitId: string }
  | { code: 'moreHolding'; gearId: string }
  | { code: 'moreCrew'; memberId: string; fromMs: number; toMs: number }
  | { code: 'moveServing'; servingId: string; byMin: number }
  | { code: 'cookDayBefore'; batchId: string };

const NO_SCHEME: Scheme = Object.freeze({ order: [], overrides: {}, seed: 1, iterations: 0 });

/** An event with a lever pulled. Cooking the day before is told, not done: its pans are another menu. */
export function pullLever(event: CookEvent, lever: Lever): CookEvent {
  const withBatch = (batchId: string, change: (batch: Batch) => Batch): CookEvent => ({
    ...event,
    batches: event.batches.map((batch) => (batch.id === batchId ? change(batch) : batch)),
  });
  const withChoice = (batchId: string, change: Override): CookEvent => {
    const scheme = event.scheme ?? NO_SCHEME;
    return {
      ...event,
      pins: event.pins?.filter((pin) => pin.batchId !== batchId),
      scheme: { ...scheme, overrides: { ...scheme.overrides, [batchId]: { ...scheme.overrides[batchId], ...change } } },
    };
  };
  switch (lever.code) {
    case 'hotter':
    case 'tighterWrap':
      // Another method wants another heat: a pin holds when and where, no longer how hot.
      return {
        ...withBatch(lever.batchId, (batch) => ({ ...batch, methodId: lever.methodId })),
        pins: event.pins?.map((pin) => (pin.batchId === lever.batchId ? { ...pin, pitC: undefined, finish: undefined } : pin)),
      };
    case 'hotterInBand':
      return withChoice(lever.batchId, { pitC: lever.pitC });
    case 'finishElsewhere':
      return withChoice(lever.batchId, { finish: { pitId: lever.pitId, pitC: lever.pitC } });
    case 'otherPit':
      return withChoice(lever.batchId, { pitId: lever.pitId });
    case 'split':
      return withChoice(lever.batchId, { parts: lever.parts });
    case 'earlier':
      return withChoice(lever.batchId, { earlierMin: (event.scheme?.overrides[lever.batchId]?.earlierMin ?? 0) + lever.minutes });
    case 'lighterPieces':
      return withBatch(lever.batchId, (batch) => ({
        ...batch,
        sizedBy: 'hand',
        pieces: batch.pieces.flatMap(({ id, kg, grade, startC }) =>
          ['a', 'b'].map((half) => ({
            id: `${id}${half}`,
            kg: Math.round(kg * 50) / 100,
            ...(grade && { grade }),
            ...(startC !== undefined && { startC }),
          })),
        ),
      }));
    case 'sparePit':
      return { ...event, pitIds: [...event.pitIds, lever.pitId] };
    case 'moreHolding':
      return { ...event, boxIds: [...event.boxIds, lever.gearId], warmerIds: [...(event.warmerIds ?? []), lever.gearId] };
    case 'moreCrew':
      return { ...event, duty: [...(event.duty ?? []), { memberId: lever.memberId, fromMs: lever.fromMs, toMs: lever.toMs }] };
    case 'moveServing':
      return {
        ...event,
        servings: event.servings.map((serving) =>
          serving.id === lever.servingId ? { ...serving, atMs: addMinutes(serving.atMs, lever.byMin) } : serving,
        ),
      };
    case 'cookDayBefore':
      return { ...event, batches: event.batches.filter((batch) => batch.id !== lever.batchId) };
  }
}

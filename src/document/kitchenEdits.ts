import { cutIn, prepOf, recipeIn } from '../core/model';
import { failure, success, type Problem } from '../core/outcome';
import { LOOSEST, STRICT_LIMITS } from '../core/safety';
import { instantOf } from '../formats/clock';
import type { KitchenInput, LeftoverInput, LoosenInput, PrepInput, SignCardsInput, StepDoneInput, TightenInput } from '../inputs';
import { withBatch, type Edit } from './edit';

/** When the meat comes, what is cold, who works when, and what prices are in. */
export const saveKitchen: Edit<KitchenInput> = (event, { currency, deliverDate, deliverTime, ...kitchen }) => {
  if (kitchen.toHour <= kitchen.fromHour) return failure({ code: 'hoursReversed', path: 'toHour' });
  let deliverAtMs: number | undefined;
  if (deliverDate !== undefined) {
    const at = instantOf(deliverDate, deliverTime ?? '09:00', event.timeZone);
    if ('problem' in at)
      return failure(
        at.problem === 'missing' ? { code: 'clockSkipsIt', path: 'deliverTime' } : { code: 'noSuchDate', path: 'deliverDate' },
      );
    if (at.ms > Math.max(...event.servings.map((serving) => serving.atMs)))
      return failure({ code: 'deliveryAfterServing', path: 'deliverDate' });
    deliverAtMs = at.ms;
  }
  return success({ ...event, currency, kitchen: { ...kitchen, deliverAtMs } });
};

/** How a batch is readied. Steps that are done stay done. */
export const savePrep: Edit<PrepInput> = (event, { batchId, ...choices }, { library }) => {
  const unknown = Object.entries(choices.recipes).flatMap(([kind, id]): Problem[] =>
    id === undefined || recipeIn(library, id as string)?.kind === kind ? [] : [{ code: 'recipeGone', path: `recipes.${kind}` }],
  );
  if (unknown.length > 0) return failure(...unknown);
  if (choices.brine !== 'none' && choices.recipes.brine === undefined)
    return failure({ code: 'brineWithoutRecipe', path: 'recipes.brine' });
  return withBatch(event, batchId, (batch) => success({ ...batch, prep: { ...choices, done: batch.prep?.done ?? [] } }));
};

/** Marks a prep step as done, or takes that back. */
export const markStep: Edit<StepDoneInput> = (event, { batchId, kind, done }, { library }) =>
  withBatch(event, batchId, (batch) => {
    const cut = cutIn(library, batch.cutId);
    if (!cut) return failure({ code: 'cutGone' });
    const prep = prepOf(cut, batch);
    const others = prep.done.filter((each) => each !== kind);
    return success({ ...batch, prep: { ...prep, done: done ? [...others, kind] : others } });
  });

/** What is left of a batch and how it is cooled; nothing left takes the note away. */
export const saveLeftover: Edit<LeftoverInput> = (event, { batchId, ...leftover }) =>
  withBatch(event, batchId, (batch) => {
    const onHandKg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
    if (leftover.kg > onHandKg) return failure({ code: 'moreLeftThanCooked', path: 'kg' });
    return success({ ...batch, leftover: leftover.kg > 0 ? leftover : undefined });
  });

/** Somebody answers for a serving's cards though a dish is not declared, or no longer does. */
export const signCards: Edit<SignCardsInput> = (event, { servingId, cardsSignedBy }) =>
  success({
    ...event,
    servings: event.servings.map((serving) =>
      serving.id === servingId ? { ...serving, cardsSignedBy: cardsSignedBy?.trim() || undefined } : serving,
    ),
  });

/** Loosens one hard value for one event, with the owner's written reason; never past the published figure. */
export const loosenRule: Edit<LoosenInput> = (event, { rule, limit, reason }) => {
  const [low, high] = [STRICT_LIMITS[rule], LOOSEST[rule].limit].sort((a, b) => a - b) as [number, number];
  if (limit < low || limit > high) return failure({ code: 'pastPublished', path: 'limit' });
  if (limit === STRICT_LIMITS[rule]) return failure({ code: 'notLoosened', path: 'limit' });
  const others = (event.loosened ?? []).filter((each) => each.rule !== rule);
  return success({ ...event, loosened: [...others, { rule, limit, reason: reason.trim() }] });
};

/** Puts a hard value back to the strict one. */
export const tightenRule: Edit<TightenInput> = (event, { rule }) =>
  success({ ...event, loosened: (event.loosened ?? []).filter((each) => each.rule !== rule) });

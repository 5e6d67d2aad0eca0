import { cutIn, prepOf, recipeIn, type CookEvent } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import type { KitchenInput, LeftoverInput, PrepInput, StepDoneInput } from '../inputs';
import { instantOf } from '../formats/clock';
import { changeEvent, changeSeen, withBatch } from './changeEvent';
import type { Context } from './context';
import { ownLibrary } from './ownLibrary';

/** When the meat comes, what is cold, who works when, and what prices are in. */
export const saveKitchen = (context: Context, input: KitchenInput): Promise<Outcome<CookEvent>> =>
  changeSeen(context, input, (event) => {
    const { currency, deliverDate, deliverTime, fridgeLitres, tubLitres, prepCrew, carvers, fromHour, toHour } = input;
    if (toHour <= fromHour) return failure({ code: 'hoursReversed', path: 'toHour' });
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
    return success({ ...event, currency, kitchen: { fridgeLitres, tubLitres, prepCrew, carvers, fromHour, toHour, deliverAtMs } });
  });

/** How a batch is readied. Steps that are done stay done. */
export async function savePrep(context: Context, input: PrepInput): Promise<Outcome<CookEvent>> {
  const { library } = await ownLibrary();
  const unknown = Object.entries(input.recipes).flatMap(([kind, id]): Problem[] =>
    id === undefined || recipeIn(library, id as string)?.kind === kind ? [] : [{ code: 'recipeGone', path: `recipes.${kind}` }],
  );
  if (unknown.length > 0) return failure(...unknown);
  return changeSeen(
    context,
    input,
    withBatch(input.batchId, (batch) => {
      const { thaw, salt, brine, temperMin, undersideLight, recipes } = input;
      if (brine !== 'none' && recipes.brine === undefined) return failure({ code: 'brineWithoutRecipe', path: 'recipes.brine' });
      return success({
        ...batch,
        prep: { thaw, salt, brine, temperMin, undersideLight, recipes: { ...recipes }, done: batch.prep?.done ?? [] },
      });
    }),
  );
}

/** Marks a prep step as done, or takes that back. */
export async function markStep(context: Context, { eventId, batchId, kind, done }: StepDoneInput): Promise<Outcome<CookEvent>> {
  const { library } = await ownLibrary();
  return changeEvent(
    context,
    eventId,
    withBatch(batchId, (batch) => {
      const cut = cutIn(library, batch.cutId);
      if (!cut) return failure({ code: 'cutGone' });
      const prep = prepOf(cut, batch);
      const others = prep.done.filter((each) => each !== kind);
      return success({ ...batch, prep: { ...prep, done: done ? [...others, kind] : others } });
    }),
  );
}

/** What is left of a batch and how it is cooled; nothing left takes the note away. */
export const saveLeftover = (context: Context, input: LeftoverInput): Promise<Outcome<CookEvent>> =>
  changeSeen(
    context,
    input,
    withBatch(input.batchId, (batch) => {
      const { kg, portionThicknessMm, way } = input;
      const onHand = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
      if (kg > onHand) return failure({ code: 'moreLeftThanCooked', path: 'kg' });
      return success({ ...batch, leftover: kg > 0 ? { kg, portionThicknessMm, way } : undefined });
    }),
  );

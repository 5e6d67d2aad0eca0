import { cutIn, type CookEvent, type Piece } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import { demandOf, sizeToDemand, workingKg } from '../core/quantities';
import { mealAt } from '../formats/clock';
import type { BuyingInput, PieceWeightsInput, ReceiptInput, TickInput, WeightsInput } from '../inputs';
import { changeEvent, changeSeen, withBatch } from './changeEvent';
import type { Context } from './context';
import { ownLibrary } from './ownLibrary';

/** A piece this many times as heavy as the heaviest of its cut was mistyped. */
const MISTYPED_TIMES = 3;

/** Puts the scale's figures on the pieces of a batch; what cooks follows them, and the number of pieces no longer follows the guests. */
export async function saveWeights(context: Context, input: WeightsInput): Promise<Outcome<CookEvent>> {
  const { library } = await ownLibrary();
  return changeSeen(
    context,
    input,
    withBatch(input.batchId, (batch) => {
      const cut = cutIn(library, batch.cutId);
      if (!cut) return failure({ code: 'cutGone' });
      const problems = input.pieces.flatMap((piece, i) => weightProblems(piece, i, cut.typicalBoughtKg[1] * MISTYPED_TIMES));
      if (problems.length > 0) return failure(...problems);
      const usualKg = Math.round(((cut.typicalBoughtKg[0] + cut.typicalBoughtKg[1]) / 2) * (1 - cut.trimShare) * 100) / 100;
      const pieces = batch.pieces.map((piece): Piece => {
        const typed = input.pieces.find((each) => each.id === piece.id);
        if (!typed) return piece;
        const { id, boughtKg, trimmedKg, thicknessMm, grade } = typed;
        const untouched = boughtKg === piece.boughtKg && trimmedKg === piece.trimmedKg;
        return { id, kg: untouched ? piece.kg : workingKg(typed, cut.trimShare, usualKg), boughtKg, trimmedKg, thicknessMm, grade };
      });
      const weighed = pieces.some((piece) => piece.boughtKg !== undefined || piece.trimmedKg !== undefined);
      return success({ ...batch, sizedBy: weighed ? 'hand' : batch.sizedBy, pieces });
    }),
  );
}

function weightProblems({ boughtKg, trimmedKg }: PieceWeightsInput, i: number, mostKg: number): Problem[] {
  const problems: Problem[] = [];
  if (boughtKg !== undefined && boughtKg > mostKg) problems.push({ code: 'pieceTooHeavy', path: `pieces.${i}.boughtKg` });
  if (trimmedKg !== undefined && trimmedKg > mostKg) problems.push({ code: 'pieceTooHeavy', path: `pieces.${i}.trimmedKg` });
  else if (boughtKg !== undefined && trimmedKg !== undefined && trimmedKg > boughtKg)
    problems.push({ code: 'trimmedOverBought', path: `pieces.${i}.trimmedKg` });
  return problems;
}

/** How a batch is bought: from whom, which grade, at what price, in which weights. Pieces that follow the guests follow the weights too. */
export async function saveBuying(context: Context, input: BuyingInput): Promise<Outcome<CookEvent>> {
  const { library } = await ownLibrary();
  return changeSeen(
    context,
    input,
    withBatch(input.batchId, (batch, event) => {
      const { source, grade, pricePerKg, shopLowKg, shopHighKg, usableTrimShare, usableTrimPerKg, wood } = input;
      if (shopHighKg < shopLowKg) return failure({ code: 'shopRangeReversed', path: 'shopHighKg' });
      const shopKg: [number, number] = [shopLowKg, shopHighKg];
      const bought = {
        ...batch,
        buying: { source: source.trim(), grade, pricePerKg, shopKg, usableTrimShare, usableTrimPerKg, wood: wood.trim() },
      };
      const menu = { ...event, batches: event.batches.map((each) => (each.id === batch.id ? bought : each)) };
      const demand = demandOf(menu, library, (serving) => mealAt(serving.atMs, event.timeZone)).get(batch.id);
      return success(sizeToDemand(bought, demand, context.newId));
    }),
  );
}

/** What was seen when a batch came in. */
export const saveReceipt = (context: Context, input: ReceiptInput): Promise<Outcome<CookEvent>> =>
  changeSeen(
    context,
    input,
    withBatch(input.batchId, (batch) => {
      const { coreC, packWhole, colourGood, fatEven, note } = input;
      return success({ ...batch, received: { coreC, packWhole, colourGood, fatEven, note: note.trim() } });
    }),
  );

/** Ticks a line of the shopping list, or unticks it. */
export const tickItem = (context: Context, { eventId, itemId, ticked }: TickInput): Promise<Outcome<CookEvent>> =>
  changeEvent(context, eventId, (event) => {
    const others = (event.ticked ?? []).filter((each) => each !== itemId);
    return success({ ...event, ticked: ticked ? [...others, itemId] : others });
  });

import { cutIn, type Piece } from '../core/model';
import { failure, success, type Problem } from '../core/outcome';
import { demandOf, sizeToDemand, workingKg } from '../core/quantities';
import { mealAt } from '../formats/clock';
import type { BuyingInput, PieceWeightsInput, ReceiptInput, TickInput, WeightsInput } from '../inputs';
import { withBatch, type Edit } from './edit';

/** A piece this many times as heavy as the heaviest of its cut was mistyped. */
const MISTYPED_TIMES = 3;

/** Puts the scale's figures on the pieces of a batch; what cooks follows them, and the number of pieces no longer follows the guests. */
export const saveWeights: Edit<WeightsInput> = (event, input, { library }) =>
  withBatch(event, input.batchId, (batch) => {
    const cut = cutIn(library, batch.cutId);
    if (!cut) return failure({ code: 'cutGone' });
    const problems = input.pieces.flatMap((piece, i) => weightProblems(piece, i, cut.typicalBoughtKg[1] * MISTYPED_TIMES));
    if (problems.length > 0) return failure(...problems);
    const usualKg = Math.round(((cut.typicalBoughtKg[0] + cut.typicalBoughtKg[1]) / 2) * (1 - cut.trimShare) * 100) / 100;
    const pieces = batch.pieces.map((piece): Piece => {
      const typed = input.pieces.find((each) => each.id === piece.id);
      if (!typed) return piece;
      const untouched = typed.boughtKg === piece.boughtKg && typed.trimmedKg === piece.trimmedKg;
      return { ...piece, ...typed, kg: untouched ? piece.kg : workingKg(typed, cut.trimShare, usualKg) };
    });
    const weighed = pieces.some((piece) => piece.boughtKg !== undefined || piece.trimmedKg !== undefined);
    return success({ ...batch, sizedBy: weighed ? 'hand' : batch.sizedBy, pieces });
  });

function weightProblems({ boughtKg, trimmedKg }: PieceWeightsInput, i: number, mostKg: number): Problem[] {
  const problems: Problem[] = [];
  if (boughtKg !== undefined && boughtKg > mostKg) problems.push({ code: 'pieceTooHeavy', path: `pieces.${i}.boughtKg` });
  if (trimmedKg !== undefined && trimmedKg > mostKg) problems.push({ code: 'pieceTooHeavy', path: `pieces.${i}.trimmedKg` });
  else if (boughtKg !== undefined && trimmedKg !== undefined && trimmedKg > boughtKg)
    problems.push({ code: 'trimmedOverBought', path: `pieces.${i}.trimmedKg` });
  return problems;
}

/** How a batch is bought: from whom, which grade, at what price, in which weights. Pieces that follow the guests follow the weights too. */
export const saveBuying: Edit<BuyingInput> = (event, { batchId, ...buying }, { library, newId }) =>
  withBatch(event, batchId, (batch) => {
    const bought = { ...batch, buying: { ...buying, source: buying.source.trim(), wood: buying.wood.trim() } };
    const menu = { ...event, batches: event.batches.map((each) => (each.id === batch.id ? bought : each)) };
    const demand = demandOf(menu, library, (serving) => mealAt(serving.atMs, event.timeZone)).get(batch.id);
    return success(sizeToDemand(bought, demand, newId));
  });

/** What was seen when a batch came in. */
export const saveReceipt: Edit<ReceiptInput> = (event, { batchId, ...receipt }) =>
  withBatch(event, batchId, (batch) => success({ ...batch, received: { ...receipt, note: receipt.note.trim() } }));

/** Ticks a line of the shopping list, or unticks it. */
export const tickItem: Edit<TickInput> = (event, { itemId, ticked }) => {
  const others = (event.ticked ?? []).filter((each) => each !== itemId);
  return success({ ...event, ticked: ticked ? [...others, itemId] : others });
};

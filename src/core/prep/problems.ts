import { kitchenOf, prepOf, type CookEvent, type PlanProblem, type PrepDrop, type PrepStep } from '../model';
import { coldMoments, overFull, waterThawMin, type ColdUse } from '../quantities';
import { MS_PER_MIN } from '../units';
import type { ColdUses } from './coldUses';
import type { PrepOrder } from './placeSteps';

/** What can still be done about a step that comes too late; `none` when only another day or other meat will do. */
function dropFor(order: PrepOrder, step: PrepStep): PrepDrop {
  const prep = prepOf(order.cut, order.batch);
  const heaviestKg = Math.max(0, ...order.batch.pieces.map((piece) => piece.boughtKg ?? piece.kg / (1 - order.cut.trimShare)));
  // A chain is shortened where it is longest: a thaw first, then the brine, then the salt.
  if (step.kind === 'thaw' && prep.thaw === 'cold' && waterThawMin(heaviestKg).allowed) return 'thawInWater';
  if (prep.brine !== 'none') return prep.salt === 'none' ? 'saltInsteadOfBrine' : 'skipBrine';
  if (prep.salt === 'night') return 'saltAnHour';
  if (prep.salt === 'hour') return 'saltAsItGoesOn';
  if (prep.temperMin > 0) return 'skipTempering';
  return 'none';
}

/** Whatever about prep is too late, too full, or against a rule. */
export function prepProblems(
  event: CookEvent,
  orders: readonly PrepOrder[],
  steps: readonly PrepStep[],
  uses: ColdUses,
  nowMs: number,
): PlanProblem[] {
  const problems: PlanProblem[] = [];
  const kitchen = kitchenOf(event);
  for (const order of orders) {
    const { batch, cut } = order;
    const common = { batchId: batch.id, pieces: batch.pieces.length };
    const open = steps.filter((step) => step.batchId === batch.id && !step.done);
    // The first step that is too late makes all after it late; it alone is told.
    const startMs = Math.max(nowMs, kitchen.deliverAtMs ?? 0);
    const late = open.find((step) => step.latestMs < startMs);
    if (late) {
      const drop = dropFor(order, late);
      problems.push({
        code: 'prepTooLate',
        severity: drop === 'none' ? 'broken' : 'warning',
        ...common,
        kind: late.kind,
        lateByMin: Math.ceil((startMs - late.latestMs) / MS_PER_MIN),
        waitsForDelivery: startMs > nowMs,
        drop,
      });
    }
    if (prepOf(cut, batch).thaw === 'water') {
      const heaviestKg = Math.max(0, ...batch.pieces.map((piece) => piece.boughtKg ?? piece.kg / (1 - cut.trimShare)));
      const { minutes, allowed } = waterThawMin(heaviestKg);
      if (!allowed) problems.push({ code: 'waterThawTooLong', severity: 'broken', ...common, minutes: Math.round(minutes) });
    }
  }
  problems.push(...full('fridgeFull', uses.fridge, kitchen.fridgeLitres), ...full('tubFull', uses.tubs, kitchen.tubLitres));
  return problems;
}

/** The fullest moment past what there is, over the whole stretch that is too full. */
function full(code: 'fridgeFull' | 'tubFull', uses: ColdUse[], litres: number): PlanProblem[] {
  const over = overFull(coldMoments(uses), litres);
  if (over.length === 0) return [];
  const worst = over.reduce((a, b) => (b.litres > a.litres ? b : a));
  return [
    {
      code,
      severity: 'warning',
      batchIds: [...new Set(worst.ids)],
      overLitres: worst.litres - litres,
      litres,
      fromMs: Math.min(...over.map((each) => each.fromMs)),
      toMs: Math.max(...over.map((each) => each.toMs)),
    },
  ];
}

import { loosely, type Override } from '../model';
import type { Decoded } from './decoded';
import { latestMost, wishingFor, soonerNeighbour } from './looks';
import type { BatchOrder } from './order';
import { pushed } from './pushed';
import type { Progress, SearchDesk } from './searchDesk';
import type { LateRun } from './servingOdds';
import { shiftOf, wishing, wishSooner, type Changeable } from './wishes';

/** So much work at the end for what is held too long, and by how much it is put later. */
const PLACEMENTS = 600;
const LATER_MIN = [120, 60, 60, 30, 15, 5] as const;

/** What is less sure as told goes on so much earlier, so many times. */
const SURER_BY_MIN = 5;
const SURER_ROUNDS = 12;

/** What is held longer than it need be goes on later, as long as that is better; what was split for nothing goes in one. */
export function* polish(desk: SearchDesk): Generator<Progress, void> {
  yield* shorterHolds(desk);
  unsplit(desk);
  yield* asSureAsTold(desk);
}

function* shorterHolds(desk: SearchDesk): Generator<Progress, void> {
  let looks = Math.floor(PLACEMENTS / Math.max(1, desk.orders.length));
  for (const { batchId } of desk.best.departing) {
    for (const laterMin of LATER_MIN) {
      const order = desk.free.find((each) => each.batch.id === batchId);
      const shiftMin = order ? shiftOf(desk.best, order) : 0;
      if (shiftMin <= 0 || looks-- <= 0) continue;
      const override = { ...loosely(desk.best.scheme.overrides[batchId]), earlierMin: Math.max(0, shiftMin - laterMin) };
      desk.take(wishing(desk.best, { [batchId]: override }));
    }
    yield desk.news('polish');
  }
}

/** A split that was of use on the way may be so no longer: a batch that is as well off in one goes in one. */
function unsplit(desk: SearchDesk): void {
  for (const { batch } of desk.free) {
    const { scheme } = desk.best;
    const { parts, ...override } = loosely(scheme.overrides[batch.id]);
    if (parts === undefined) continue;
    const next = desk.decode({ ...scheme, overrides: { ...scheme.overrides, [batch.id]: override } });
    if (!desk.isWorse(next)) desk.set(next);
  }
}

/**
 * Of many plans tried on the same days the best is a little luckier there than on those it is told by: a serving that falls
 * short of the wish there goes on a little earlier, as long as nothing else gets worse than longer holds; one that cannot be
 * made sure keeps no other from it.
 */
function* asSureAsTold(desk: SearchDesk): Generator<Progress, void> {
  const short = new Set(desk.decoder.judge.atRiskAsTold(desk.best).map(({ batchId }) => desk.servingOf(batchId)));
  for (const servingId of short) {
    const lateIn = (plan: Decoded) => desk.decoder.judge.atRiskAsTold(plan).filter(({ batchId }) => desk.servingOf(batchId) === servingId);
    let late = lateIn(desk.best);
    for (let round = 0; round < SURER_ROUNDS && late.length > 0; round++) {
      const { best } = desk;
      const shortNow = shortBy(desk.decoder.judge.atRiskAsTold(best));
      // What it gains is not another serving's.
      const surer = (changed: Changeable | undefined): Decoded | undefined => {
        const each = changed && desk.decode(changed);
        return each && !riskier(each, best) && shortBy(desk.decoder.judge.atRiskAsTold(each)) < shortNow ? each : undefined;
      };
      const soonerBy = (wish: typeof wishSooner) => soonerNeighbour(best, desk.free, late, (order) => wish(best, order, SURER_BY_MIN));
      const worst = latestMost(late);
      // As it lies, if that can be had so much earlier; with what stands in its way, all or one of it; else wherever it then fits.
      let next = surer(soonerBy(wishSooner));
      for (const ids of [worst, ...worst.map((id) => [id])]) next ??= surer(soonerTogether(desk, ids));
      next ??= surer(soonerBy(wishLooselySooner));
      if (!next) break;
      desk.set(next);
      late = lateIn(next);
      yield desk.news('surer');
    }
  }
}

/** Batches a little earlier, and what stands in their way then. */
function soonerTogether({ best, free, input }: SearchDesk, ids: readonly string[]): Changeable | undefined {
  const byMin = new Map(ids.map((id) => [id, SURER_BY_MIN]));
  const all = pushed(best, byMin, { movable: new Set(free.map(({ batch }) => batch.id)), airGapMm: input.airGapMm });
  return all && wishingFor(best, free, all.keys(), (order) => wishSooner(best, order, all.get(order.batch.id)!));
}

const wishLooselySooner = (current: Decoded, order: BatchOrder, byMin: number): Override => ({
  ...loosely(current.scheme.overrides[order.batch.id]),
  earlierMin: shiftOf(current, order) + byMin,
});

/** More that is broken, or more minutes late on the days plans are tried on. */
const riskier = (next: Decoded, than: Decoded): boolean =>
  next.objective[0] > than.objective[0] || next.objective[1] > than.objective[1] + 1e-9;

const shortBy = (late: readonly LateRun[]): number => late.reduce((sum, each) => sum + each.lateShare, 0);

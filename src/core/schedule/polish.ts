import { loosely } from '../model';
import { saferNeighbour } from './looks';
import { isSure, type Progress, type SearchDesk } from './searchDesk';
import type { LateRun } from './servingOdds';
import { shiftOf, wishing } from './wishes';

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
 * Of many plans tried on the same days the best is a little luckier there than on those it is told by: what falls short of
 * the wish there goes on a little earlier, as long as nothing else gets worse than longer holds.
 */
function* asSureAsTold(desk: SearchDesk): Generator<Progress, void> {
  if (!isSure(desk.best)) return;
  let late = desk.decoder.atRiskAsTold(desk.best);
  for (let round = 0; round < SURER_ROUNDS && late.length > 0; round++) {
    const next = desk.decode(saferNeighbour(desk.best, desk.free, late, SURER_BY_MIN));
    const then = desk.decoder.atRiskAsTold(next);
    if (!isSure(next) || shortBy(then) >= shortBy(late)) return;
    desk.set(next);
    late = then;
    yield desk.news('surer');
  }
}

const shortBy = (late: readonly LateRun[]): number => late.reduce((sum, each) => sum + each.lateShare, 0);

import type { Progress, SearchDesk } from './searchDesk';
import { loosely, shiftOf, wishing } from './wishes';

/** So much work at the end for what is held too long, and by how much it is put later. */
const PLACEMENTS = 600;
const LATER_MIN = [120, 60, 60, 30, 15, 5] as const;

/** What is held longer than it need be goes on later, as long as that is better; what was split for nothing goes in one. */
export function* polish(desk: SearchDesk): Generator<Progress, void> {
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
  // A split that was of use on the way may be so no longer: a batch that is as well off in one goes in one.
  for (const { batch } of desk.free) {
    const { scheme } = desk.best;
    const { parts, ...override } = loosely(scheme.overrides[batch.id]);
    if (parts === undefined) continue;
    const next = desk.decode({ ...scheme, overrides: { ...scheme.overrides, [batch.id]: override } });
    if (!desk.isWorse(next)) desk.set(next);
  }
}

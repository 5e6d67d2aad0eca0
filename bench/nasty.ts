import type { ExchangeBatch, ExchangeMethod } from '../src/core/model';
import type { EventFileV1 } from '../src/formats/open';
import { chance } from '../tests/fixtures/openEvents';
import { kitchen } from './kitchens';

const HEATS: [low: number, at: number, high: number][] = [
  [107, 113, 120],
  [113, 121, 127],
  [115, 121, 135],
  [127, 135, 143],
  [138, 150, 163],
];

/** A busy kitchen told by a number: 5 to 60 batches of many heats and finishes in 1 to 8 pits, gear and hands scarce. */
export function nastyKitchen(seed: number): EventFileV1 {
  const { whole, between, pick, maybe } = chance(seed);
  const batches = Math.round(5 * 12 ** between(0, 1));
  const pits = Math.max(1, Math.min(8, Math.round(batches / between(4, 8))));
  const base = kitchen(batches, batches * whole(2, 4), pits);
  const methodOf = (method: ExchangeMethod): ExchangeMethod => {
    if (maybe(0.35)) return method;
    const [low, pitC, high] = pick(HEATS);
    return { ...method, pitC, pitRangeC: [low, high] };
  };
  return {
    ...base,
    name: `Nasty ${seed}`,
    confidence: pick([0.8, 0.9, 0.95]),
    batches: base.batches.map((batch): ExchangeBatch => ({
      ...batch,
      serving: pick(base.servings).id,
      method: methodOf(batch.method),
      pieces: batch.pieces.map((piece) => ({ ...piece, kg: Math.round(piece.kg * between(0.8, 1.25) * 100) / 100 })),
    })),
    holding: base.holding.filter((gear) => gear.kind !== 'insulated-box' || maybe(0.8)),
  };
}

import { finishedCooks, SHIPPED_PARAMETERS } from '../../core/forecast';
import type { ClosedCook } from '../../core/learn';
import { findCut } from '../../core/model';
import type { StoredCook } from '../../persistence';

/** So many cooks are run at a time before others are let in: a cook takes a few milliseconds. */
const AT_ONCE = 8;

/** Cooks with what the model, as shipped, says of each; where it knows the cut and the hours are known. */
export async function heldAgainst(cooks: readonly ClosedCook[]): Promise<(StoredCook & { logOf: number })[]> {
  const held: (StoredCook & { logOf: number })[] = [];
  for (const [i, cook] of cooks.entries()) {
    const known = { ...cook.cook, cutId: cook.modelCutId ?? cook.cook.cutId };
    const log = findCut(known.cutId) ? finishedCooks([known], SHIPPED_PARAMETERS)[0]?.log : undefined;
    held.push({ cook, ...(log !== undefined && Number.isFinite(log) && { log }), logOf: SHIPPED_PARAMETERS.version });
    if (i % AT_ONCE === AT_ONCE - 1) await new Promise((resolve) => setImmediate(resolve));
  }
  return held;
}

import type { Cut } from '../model';
import { isPoultry } from '../model';
import { runCook } from './cook';
import { knownAs, type ParameterSet } from './parameters';
import { steadyPit } from './pit';
import { cookSetup } from './setup';

const lossCache = new Map<string, number>();

/** Mass that a cut's plain low cook loses: the one its listed yield belongs to. */
function usualLoss(cut: Cut, massKg: number, parameters: ParameterSet): number {
  const key = JSON.stringify([knownAs(parameters), { ...cut, name: '', signs: '', probe: '', carving: '' }, massKg]);
  const kept = lossCache.get(key);
  if (kept !== undefined) return kept;
  const cook = runCook(
    cookSetup(cut, { massKg, startC: 4 }, { wrap: 'none', wrapWhen: {} }, parameters, { pit: steadyPit(isPoultry(cut) ? 135 : 121) }),
    parameters,
  );
  const loss = cook.evaporatedShare + cook.drippedShare;
  if (lossCache.size > 200) lossCache.clear();
  lossCache.set(key, loss);
  return loss;
}

/**
 * Edible cooked weight / trimmed raw weight of a cook that loses `lossShare` of its mass. The
 * cut's listed yield is taken to belong to its plain low cook; bones and the like stay in proportion.
 */
export function predictedYield(cut: Cut, massKg: number, lossShare: number, parameters: ParameterSet): number {
  return (cut.yieldShare * (1 - lossShare)) / (1 - usualLoss(cut, massKg, parameters));
}

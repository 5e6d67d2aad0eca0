import { finishedCooks, ownerEffects, SHIPPED_PARAMETERS, type FinishedCook, type LoggedCook, type ParameterSet } from '../forecast';

/** A learned number is kept to so many digits: the same from the command, the product and a file. */
const DIGITS = 6;
const rounded = <T>(value: T): T =>
  JSON.parse(JSON.stringify(value), (_, each: unknown) => (typeof each === 'number' ? Number(each.toPrecision(DIGITS)) : each)) as T;

/**
 * The cook model with what an owner's finished cooks teach: the pace of their kitchen, of each cut in it, and what pits and methods differ
 * by. The physics stay as shipped: times alone do not tell a wetter pit from a later idea of tender, and on owners whose kitchens truly
 * differ in physics moving them foretold their next cooks worse (docs/learning.md).
 */
export const taughtBy = (finishes: readonly LoggedCook[], shipped: ParameterSet = SHIPPED_PARAMETERS): ParameterSet =>
  withEffects(finishedCooks(finishes, shipped), shipped);

/** The same from cooks that were held against the model before. */
export function withEffects(cooks: readonly FinishedCook[], shipped: ParameterSet = SHIPPED_PARAMETERS): ParameterSet {
  const { record, pits, methods } = rounded(ownerEffects(cooks));
  return { ...shipped, record, pits, methods };
}

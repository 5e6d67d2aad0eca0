import { bodySpec, runCook, type CookSetup, type ParameterSet } from '../forecast';
import { typicalTrimmedKg, type Cut } from '../model';

/** Minutes by weight, which people know: right for the piece they were found with, and for no other. */
export interface WeightRule {
  usualKg: number;
  minPerKg: number;
  /** What the rule says of the piece that is asked for. */
  minutes: number;
}

/** The weight rule of a cut, set by its usual piece cooked the same way; undefined where that is never done. */
export function weightRule(
  cut: Cut,
  setup: CookSetup,
  { kg, startC = setup.body.startC }: { kg: number; startC?: number },
  parameters: ParameterSet,
): WeightRule | undefined {
  const usualKg = typicalTrimmedKg(cut);
  if (usualKg <= 0) return undefined;
  const body = bodySpec(cut, { massKg: usualKg, startC }, parameters);
  const usual = runCook({ ...setup, body, thinEnd: undefined }, parameters, { stepMin: 2 });
  if (usual.status === 'never') return undefined;
  const minPerKg = usual.doneAtMin / usualKg;
  return { usualKg, minPerKg, minutes: minPerKg * kg };
}

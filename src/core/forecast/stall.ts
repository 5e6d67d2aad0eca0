import type { Trace } from './cook';

export interface Stall {
  fromMin: number;
  toMin: number;
}

const meanRate = (trace: Trace, fromC: number, toC: number): number | undefined => {
  const from = trace.coreC.findIndex((tempC) => tempC >= fromC);
  const to = trace.coreC.findIndex((tempC) => tempC >= toC);
  if (from < 0 || to <= from) return undefined;
  return (trace.coreC[to]! - trace.coreC[from]!) / ((to - from) * trace.stepMin);
};

/**
 * The stall: from when the core, between 60 and 80 C, rises slower than a third of its mean rate
 * between 30 and 55 C, until it does not. Undefined when there is none.
 */
export function findStall(trace: Trace): Stall | undefined {
  const early = meanRate(trace, 30, 55);
  if (early === undefined) return undefined;
  // A quarter of an hour either way keeps a single step from deciding.
  const reach = Math.max(1, Math.round(15 / trace.stepMin));
  let from: number | undefined;
  let to: number | undefined;
  for (let i = reach; i < trace.coreC.length - reach; i++) {
    const tempC = trace.coreC[i]!;
    if (tempC < 60) continue;
    if (tempC > 80) break;
    const rate = (trace.coreC[i + reach]! - trace.coreC[i - reach]!) / (2 * reach * trace.stepMin);
    if (rate < early / 3) {
      from ??= i;
      to = i;
    }
  }
  if (from === undefined || to === undefined || to === from) return undefined;
  return { fromMin: from * trace.stepMin, toMin: to * trace.stepMin };
}

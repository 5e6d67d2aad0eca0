import { runLoggedCook, SHIPPED_PARAMETERS, type LoggedCook } from '../forecast';
import { findCut } from '../model';

/** A core over time, minutes from going on: as it was read, or as the model has it where nobody read it. */
export interface CookCurve {
  id: string;
  minutes: number[];
  coreC: number[];
  modelled: boolean;
  wrappedMin?: number;
  pulledMin?: number;
}

const DRAWN_EVERY_MIN = 5;
/** A curve that is kept has at most so many points. */
const MOST_POINTS = 240;
/** Meat goes on colder than this. */
const WARMEST_START_C = 35;

/** What a logger read of one core, as a curve from going on: at a known instant, else with the first reading of cold meat. Undefined where it does not reach there. */
export function loggedCurve(
  readings: readonly { atMs: number; tempC: number }[],
  { onMs, observedH }: { onMs?: number; observedH?: number },
): Pick<CookCurve, 'minutes' | 'coreC'> | undefined {
  const inOrder = [...readings].sort((a, b) => a.atMs - b.atMs);
  const fromMs = onMs ?? inOrder.find(({ tempC }) => tempC < WARMEST_START_C)?.atMs ?? inOrder[0]?.atMs;
  if (fromMs === undefined) return undefined;
  const toMs = observedH === undefined ? Infinity : fromMs + observedH * 3_600_000;
  const within = inOrder.filter(({ atMs }) => atMs >= fromMs && atMs <= toMs);
  if (within.length < 2) return undefined;
  const every = Math.ceil(within.length / MOST_POINTS);
  const kept = within.filter((_, i) => i % every === 0 || i === within.length - 1);
  return {
    minutes: kept.map(({ atMs }) => Number(((atMs - fromMs) / 60_000).toFixed(1))),
    coreC: kept.map(({ tempC }) => Number(tempC.toFixed(1))),
  };
}

/** The model's core of a cook whose core nobody read, stretched to the hours it took. Undefined where the model does not know the cut. */
export function modelledCurve(cook: LoggedCook): Omit<CookCurve, 'id'> | undefined {
  if (!findCut(cook.cutId)) return undefined;
  const run = runLoggedCook(cook, SHIPPED_PARAMETERS);
  const { coreC, stepMin } = run.trace;
  const stretch = cook.observedH === undefined || run.doneAtMin <= 0 ? 1 : (cook.observedH * 60) / run.doneAtMin;
  const every = Math.max(1, Math.round(DRAWN_EVERY_MIN / stepMin));
  const steps = Array.from({ length: Math.ceil(Math.min(coreC.length, run.doneAtMin / stepMin + 1) / every) }, (_, i) => i * every);
  return {
    minutes: steps.map((step) => step * stepMin * stretch),
    coreC: steps.map((step) => coreC[step]!),
    modelled: true,
    wrappedMin: run.wrapAtMin === undefined ? undefined : run.wrapAtMin * stretch,
    pulledMin: run.doneAtMin * stretch,
  };
}

/** Cores between these are where cooks stall, C. */
const STALL_C = [62, 78] as const;

/** How long a core took from the one to the other, minutes; undefined where it never passed both. */
export function stallMin({ minutes, coreC }: Pick<CookCurve, 'minutes' | 'coreC'>): number | undefined {
  const passed = (tempC: number): number | undefined => {
    for (let i = 1; i < coreC.length; i++)
      if (coreC[i]! >= tempC && coreC[i - 1]! < tempC)
        return minutes[i - 1]! + ((minutes[i]! - minutes[i - 1]!) * (tempC - coreC[i - 1]!)) / (coreC[i]! - coreC[i - 1]!);
    return undefined;
  };
  const [from, to] = [passed(STALL_C[0]), passed(STALL_C[1])];
  return from === undefined || to === undefined ? undefined : to - from;
}

import { manyCooksGrid, runCook, type CookSetup } from '../forecast';
import { methodIn, type Plan, type Run } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { parametersOf, type PlanInput } from './planInput';
import { slowestOfRun } from './cookOfRun';
import { cookContext } from './searchInput';

/** What can still be done about a cook that lags, with the minutes it gains such a cook. */
export type DecisionLever = { code: 'raise'; pitC: number; gainMin: number } | { code: 'wrap'; gainMin: number };

/** A moment at which the core tells whether a run will be late, while something can still be done about it. */
export interface Decision {
  runId: string;
  pitId: string;
  atMs: number;
  /** Under this it is likelier late than in time. */
  underC: number;
  /** What gains most comes first; never empty. */
  levers: DecisionLever[];
}

/** When a run is looked at, and how much of what makes it slow shows in the core by then (docs/model.md, a cook under way). */
const LOOKS = [
  { share: 0.35, shows: 0.85 },
  { share: 0.6, shows: 0.93 },
  { share: 0.8, shows: 0.97 },
] as const;
/** Decisions a run asks for at most: the first that can be made, and the last. */
const MOST = 2;
/** A short run needs none, nor one that is late less often than this. */
const WORTH_MIN = 150;
const LATE_SHARE = 0.01;
/** A lever that gains less is none. */
const GAIN_MIN = 10;
/** The wrap comes anyway. */
const SOON_MIN = 20;

/**
 * Decision points of every long run that may be late. What is slower than expected by a factor f (like cooks differ by
 * a factor in time) lives through the model's time at that pace; f is the one that just meets the rest. Each lever is
 * tried on that slow cook.
 */
export function decisionsOf(input: PlanInput, plan: Plan): Decision[] {
  const { law, parameters } = cookContext(input, plan.confidence);
  return plan.runs
    .flatMap((run): Decision[] => {
      const medianMin = (run.pullMedianMs - run.onAtMs) / MS_PER_MIN;
      const availableMin = (run.carveAtMs - run.onAtMs) / MS_PER_MIN - run.ventMin - run.restMin;
      const slowest = medianMin < WORTH_MIN || availableMin <= medianMin ? undefined : slowestOfRun(input, run);
      if (!slowest) return [];
      const { setup } = slowest.planned;
      if (1 - law.chanceWithin(setup.modelCutId, medianMin, availableMin) < LATE_SHARE) return [];
      const looks = LOOKS.flatMap(({ share, shows }): Decision[] => {
        const minute = Math.round(share * medianMin);
        const atMs = addMinutes(run.onAtMs, minute);
        // Readings do not tell all: a cook that will just be late looks slower than that by now.
        const slow = { ...setup, pace: setup.pace * (availableMin / medianMin) ** (1 / shows) };
        const cook = runCook(slow, parameters, manyCooksGrid(slow));
        const levers = leversAt(input, plan, run, slow, minute, cook);
        const underC = cook.trace.coreC[Math.min(cook.trace.coreC.length - 1, Math.round(minute / cook.trace.stepMin))]!;
        return levers.length > 0 ? [{ runId: run.id, pitId: placeAt(run, atMs), atMs, underC, levers }] : [];
      });
      return looks.length > MOST ? [looks[0]!, looks.at(-1)!] : looks;
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** Levers that gain this slow cook something from this minute on. */
function leversAt(
  input: PlanInput,
  plan: Plan,
  run: Run,
  slow: CookSetup,
  minute: number,
  { doneAtMin, wrapAtMin, barkSetAtMin }: ReturnType<typeof runCook>,
): DecisionLever[] {
  const levers: DecisionLever[] = [];
  const gainOf = (change: Partial<CookSetup>) => {
    const changed = { ...slow, ...change };
    return Math.round(doneAtMin - runCook(changed, parametersOf(input), manyCooksGrid(changed)).doneAtMin);
  };
  const pitC = topFor(input, plan, run, addMinutes(run.onAtMs, minute));
  if (pitC !== undefined) {
    const steps = [...slow.pit.steps.filter((step) => step.fromMin < minute), { fromMin: minute, pitC }];
    levers.push({ code: 'raise', pitC, gainMin: gainOf({ pit: { ...slow.pit, steps } }) });
  }
  // Never before the bark is set, nor when it is due anyway.
  const bare = wrapAtMin !== undefined && wrapAtMin > minute + SOON_MIN;
  if (bare && barkSetAtMin !== undefined && barkSetAtMin <= minute)
    levers.push({ code: 'wrap', gainMin: gainOf({ wrapWhen: { afterMin: minute } }) });
  return levers.filter(({ gainMin }) => gainMin >= GAIN_MIN).sort((a, b) => b.gainMin - a.gainMin);
}

/** The hottest its pit may be set to from a moment on, by every method that cooks there; undefined where that is no hotter. */
function topFor({ event, library, pits }: PlanInput, plan: Plan, run: Run, atMs: number): number | undefined {
  const pitId = placeAt(run, atMs);
  const pit = pits.find((each) => each.id === pitId);
  const beside = plan.runs.filter((each) => each.legs.some((leg) => leg.pitId === pitId && leg.toMs > atMs && leg.fromMs < run.pullLateMs));
  const tops = beside.map((each) => {
    const method = methodIn(library, event.batches.find((batch) => batch.id === each.batchId)?.methodId ?? '');
    const wrapped = each.wrapAtMs !== undefined && each.wrapAtMs <= atMs;
    return (wrapped ? method?.finishRangeC : undefined)?.[1] ?? method?.pitRangeC[1] ?? each.pitC;
  });
  const topC = Math.min(pit?.rangeC[1] ?? -Infinity, ...tops);
  const nowC = run.finishAtMs !== undefined && run.finishAtMs <= atMs ? run.finishC! : run.pitC;
  return topC > nowC + WORTH_C ? topC : undefined;
}
/** A pit is not turned up for less. */
const WORTH_C = 2;

const placeAt = (run: Run, atMs: number): string => run.legs.find((leg) => leg.fromMs <= atMs && leg.toMs > atMs)?.pitId ?? run.pitId;

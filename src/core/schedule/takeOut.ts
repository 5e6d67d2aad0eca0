import type { Run } from '../model';
import { pickerOf, shuffled } from '../numerics';
import { MS_PER_MIN } from '../units';
import type { Decoded } from './decoded';
import { byPitSpace } from './decoder';
import { CHANGE_OVER_MIN } from './heatLedger';
import type { From } from './moveFrom';
import { sideBySide } from './pitMoves';
import type { WishedWay } from './ways';
import { bears } from './wishes';

/** What is taken out of a plan, in the order in which it goes in again, and the ways that some of it is to be cooked in. */
export interface TakenOut {
  ids: readonly string[];
  wished: ReadonlyMap<string, WishedWay>;
}

/** A way that a batch would rather be cooked in, and when it would be on. */
export interface Desired extends WishedWay {
  fromMs: number;
  toMs: number;
}

/** So many batches are taken out at once. */
const HOW_MANY = [1, 2, 2, 3, 3, 4, 5, 6, 8] as const;
const MOST_OF_A_PIT = 12;
const MOST_OF_TWO_PITS = 14;
const MOST_IN_THE_WAY = 8;
/** Beside what stands in the way of a desired way, so many more that are on there then. */
const MORE_THERE = [0, 0, 1, 2, 3] as const;
/** So often what is taken out shares a pit with the first, with two hours between them at most; or is on when it is; or is any. */
const SAME_PIT_SHARE = 0.5;
const SAME_TIME_SHARE = 0.8;
const NEAR_MS = 2 * 60 * 60_000;
/** So often what needs most of the pits goes in first. */
const LARGEST_FIRST_SHARE = 0.5;
const CHANGE_OVER_MS = CHANGE_OVER_MIN * MS_PER_MIN;

const overlap = (a: Run, b: Run, marginMs = 0): boolean => a.onAtMs < b.pullLateMs + marginMs && b.onAtMs < a.pullLateMs + marginMs;
const runsOf = ({ runs }: Decoded, id: string): Run[] => runs.filter(({ batchId }) => batchId === id);

function again({ byId, uniform }: From, ids: readonly string[]): string[] {
  if (uniform() >= LARGEST_FIRST_SHARE) return shuffled(ids, uniform);
  return [...ids].sort((a, b) => byPitSpace(byId.get(a)!, byId.get(b)!));
}

/** A batch and a few others, to be cooked however costs the least. */
export function besides(from: From, first: string): TakenOut {
  const { current, byId, uniform } = from;
  const own = runsOf(current, first);
  const kind = uniform();
  const isNear = (id: string) =>
    own.length === 0 ||
    kind >= SAME_TIME_SHARE ||
    runsOf(current, id).some((run) =>
      own.some((mine) => (kind < SAME_PIT_SHARE ? run.pitId === mine.pitId && overlap(run, mine, NEAR_MS) : overlap(run, mine))),
    );
  const others = [...byId.keys()].filter((id) => id !== first && isNear(id));
  const some = shuffled(others, uniform).slice(0, pickerOf(uniform)(HOW_MANY) - 1);
  return { ids: again(from, [first, ...some]), wished: new Map() };
}

/** A batch in a way that it would rather be cooked in, and what stands in its way there: what wants the pit at another heat then, and a few more. */
export function inItsWay(from: From, first: string, desired: Desired): TakenOut | undefined {
  const { current, byId, uniform } = from;
  const { pitId, pitC, fromMs, toMs } = desired;
  const others = current.steps.filter(({ id }) => id !== first && byId.has(id));
  const wantsOther = others.filter(({ placed }) =>
    placed.claims.some(({ heat }) =>
      heat.some(
        (use) => use.pitId === pitId && use.pitC !== pitC && use.fromMs < toMs + CHANGE_OVER_MS && use.toMs > fromMs - CHANGE_OVER_MS,
      ),
    ),
  );
  const out = new Set(wantsOther.map(({ id }) => id));
  if (out.size > MOST_IN_THE_WAY) return undefined;
  const there = others.filter(
    ({ id, placed }) => !out.has(id) && placed.runs.some((run) => run.pitId === pitId && run.onAtMs < toMs && run.pullLateMs > fromMs),
  );
  const more = shuffled(
    there.map(({ id }) => id),
    uniform,
  ).slice(0, pickerOf(uniform)(MORE_THERE));
  return { ids: [first, ...again(from, [...out, ...more])], wished: new Map([[first, desired]]) };
}

/** All that is side by side on one pit, at another heat where it bears it. */
export function atAnotherHeat(from: From, first: string): TakenOut | undefined {
  const { current, byId, input, uniform } = from;
  const pick = pickerOf(uniform);
  const own = runsOf(current, first);
  if (own.length === 0) return undefined;
  const run = pick(own);
  const out = sideBySide(current, run).filter((id) => byId.has(id));
  if (out.length > MOST_OF_A_PIT) return undefined;
  const bandOf = (id: string) => byId.get(id)!.method.pitRangeC;
  const { rangeC } = input.pits.find((pit) => pit.id === run.pitId)!;
  const heats = [...new Set(out.flatMap((id) => [byId.get(id)!.method.pitC, ...bandOf(id)]))];
  const others = heats.filter((heat) => heat !== run.pitC && bears(rangeC, heat) && bears(bandOf(first), heat));
  if (others.length === 0) return undefined;
  const pitC = pick(others);
  const bearing = out.filter((id) => bears(bandOf(id), pitC));
  return { ids: again(from, out), wished: new Map(bearing.map((id) => [id, { pitId: run.pitId, pitC }])) };
}

/** All that is side by side on one pit, and all that is on another while it is, each in the other's place. */
export function swapped(from: From, first: string): TakenOut | undefined {
  const { current, byId, input, uniform } = from;
  const pick = pickerOf(uniform);
  const own = runsOf(current, first);
  if (own.length === 0 || input.pits.length < 2) return undefined;
  const run = pick(own);
  const here = run.pitId;
  const there = pick(input.pits.filter((pit) => pit.id !== here)).id;
  const beside = new Set(sideBySide(current, run).filter((id) => byId.has(id)));
  const on = current.runs.filter(({ pitId, batchId }) => pitId === here && beside.has(batchId));
  const meanwhile = current.runs.filter(
    (other) => other.pitId === there && byId.has(other.batchId) && on.some((mine) => overlap(mine, other)),
  );
  const out = [...new Set([...beside, ...meanwhile.map(({ batchId }) => batchId)])];
  if (out.length > MOST_OF_TWO_PITS) return undefined;
  const other = (pitId: string) => (pitId === here ? there : pitId === there ? here : pitId);
  const wished = out.map((id): [string, WishedWay] => {
    const [{ pitId, pitC, finishC, moveAtMs, legs }] = runsOf(current, id) as [Run];
    const finishId = legs.find((leg) => leg.fromMs === moveAtMs)?.pitId ?? pitId;
    return [id, { pitId: other(pitId), pitC, finish: finishC === undefined ? 'none' : { pitId: other(finishId), pitC: finishC } }];
  });
  return { ids: again(from, out), wished: new Map(wished) };
}

import { loosely, type Override, type Run, type RunWish, type Scheme } from '../model';
import { MS_PER_MIN } from '../units';
import type { Decoded, SearchInput } from './decoded';
import type { BatchOrder } from './order';
import { firstCarveMs, pullDeadlineMs } from './window';

/** What a search may change of a scheme. */
export type Changeable = Pick<Scheme, 'order' | 'overrides' | 'travel'>;

/** Batches in the order in which they are placed; one that is pinned in part stands once. */
export const orderOf = (current: Decoded): string[] => [...new Set(current.steps.map((step) => step.id))];

/** The scheme of a plan with other wishes. */
export const wishing = (current: Decoded, overrides: Record<string, Override>): Changeable => ({
  order: orderOf(current),
  overrides: { ...current.scheme.overrides, ...overrides },
  travel: current.scheme.travel,
});

/**
 * The scheme that wishes for a plan as it lies: each batch where, when and as hot as it is. Decoded from nothing it comes
 * to that plan, or near it: a batch in several runs has one wish.
 */
export function asItLies(current: Decoded, orders: readonly BatchOrder[]): Changeable {
  const overrides: Record<string, Override> = {};
  for (const order of orders) {
    const wish = wishAsItLies(current, order);
    if (wish) overrides[order.batch.id] = wish;
  }
  return wishing(current, overrides);
}

/** The wish of one batch for what it has; nothing where some of it is nowhere. */
export function wishAsItLies(current: Decoded, order: BatchOrder): Override | undefined {
  const { id } = order.batch;
  const placed = current.steps.findLast((step) => step.id === id)?.placed;
  const [run] = placed?.runs ?? [];
  if (!run || placed!.left.length > 0) return undefined;
  const { parts } = current.scheme.overrides[id] ?? {};
  return { ...wishFor(run, order), ...(parts !== undefined && { parts }), runs: placed!.runs.map((each) => runWishOf(each, order)) };
}

/** The same so many minutes earlier, everything lying where it lies. */
export function wishSooner(current: Decoded, order: BatchOrder, byMin: number): Override | undefined {
  const wish = wishAsItLies(current, order);
  const sooner = <T extends { earlierMin?: number }>(each: T): T => ({ ...each, earlierMin: Math.max(0, (each.earlierMin ?? 0) + byMin) });
  return wish && { ...sooner(wish), runs: wish.runs!.map(sooner) };
}

/** A run just as it lies. */
function runWishOf(run: Run, order: BatchOrder): RunWish {
  const { pitId, pitC, finish } = wishFor(run, order);
  const carveLaterMin = (run.carveAtMs - firstCarveMs(order)) / MS_PER_MIN;
  return {
    pieceIds: run.pieceIds,
    pitId: pitId!,
    pitC,
    ...(finish && { finish }),
    earlierMin: earlierBy(run, order),
    ...(carveLaterMin > 0 && { carveLaterMin }),
    places: run.legs.flatMap((leg) =>
      leg.places.map(({ pieceId, xMm, yMm, turned }) => ({ pieceId, pitId: leg.pitId, rackId: leg.rackId, xMm, yMm, turned })),
    ),
  };
}

/** Where a run lies, as a wish. */
function wishFor(run: Run, order: BatchOrder): Override {
  const finishPit = run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId ?? run.pitId;
  return {
    pitId: run.pitId,
    pitC: run.pitC,
    ...(run.finishC !== undefined && { finish: { pitId: finishPit, pitC: run.finishC } }),
    earlierMin: earlierBy(run, order),
  };
}

/** How many minutes before its latest start a batch now goes on. */
export function shiftOf(current: Decoded, order: BatchOrder): number {
  const run = current.steps.findLast((step) => step.id === order.batch.id)?.placed.runs[0];
  return run ? earlierBy(run, order) : 0;
}
function earlierBy(run: Run, order: BatchOrder): number {
  const deadlineMs = pullDeadlineMs(order, run.leavesAtMs, run.carveAtMs);
  return Math.max(0, Math.round((deadlineMs - run.pullLateMs) / MS_PER_MIN));
}

/** How hot a pit is at some time in a plan, once what finishes at a heat of its own is counted. */
export const heatsIn = (current: Decoded, pitId: string): number[] =>
  current.runs.filter((run) => run.pitId === pitId).map((run) => run.finishC ?? run.pitC);

type Band = readonly [low: number, high: number];
export const bears = ([low, high]: Band, pitC: number): boolean => pitC >= low && pitC <= high;
/** Heats a batch may finish at once it is wrapped. */
export const finishBand = ({ method }: BatchOrder): Band => method.finishRangeC ?? method.pitRangeC;

/** A heat that is wished of a pit is one that it can be set to: a scheme is kept with its event. */
export function withinPits(override: Override, pits: SearchInput['pits']): Override {
  const inPit = (pitId: string, pitC: number) => {
    const [low, high] = pits.find((pit) => pit.id === pitId)?.rangeC ?? [pitC, pitC];
    return Math.min(high, Math.max(low, pitC));
  };
  const { pitId, pitC, finish } = override;
  return {
    ...override,
    ...(pitId !== undefined && pitC !== undefined && { pitC: inPit(pitId, pitC) }),
    ...(finish && { finish: { ...finish, pitC: inPit(finish.pitId, finish.pitC) } }),
  };
}

/** A scheme like another. Where batches were taken out of a plan and put in again last, those; all is placed anew otherwise. */
export interface Move extends Changeable {
  takenOut?: ReadonlySet<string>;
}

/** A move that takes batches out of a plan and puts them in again last, in this order, with these wishes. */
export function againLast(
  order: readonly string[],
  overrides: Record<string, Override>,
  travel: Move['travel'],
  again: readonly string[],
): Move {
  const takenOut = new Set(again);
  for (const id of again) if (overrides[id]) overrides[id] = loosely(overrides[id]);
  return { order: [...order.filter((id) => !takenOut.has(id)), ...again], overrides, travel, takenOut };
}

import type { ParameterSet } from '../forecast';
import type { Plan, PlanProblem } from '../model';
import {
  provedConflict,
  provedRoomShort,
  search,
  searchUntil,
  usualIterations,
  type BatchOrder,
  type ForecastCache,
  type RoomShort,
  type SearchInput,
  type SearchOptions,
} from '../schedule';
import type { PlanInput } from './planInput';
import { batchOrders, searchInputOf } from './searchInput';

/** Demands that cannot hold together: proved, or tried for so many schemes of theirs alone. */
export type Conflict =
  | { word: 'impossible'; ids: string[]; room?: RoomShort }
  /** `ids` is empty where no smaller set than all of it could be named. */
  | { word: 'noneFound'; ids: string[]; tries: number };

/** Schemes tried for each set of batches while the set is made smaller, from the plan as it stands. */
const mostIterations = (batches: number): number => Math.max(6, Math.min(30, Math.round(300 / batches)));
/** Placements in all while a set is made smaller: some seconds' work. */
const MOST_PLACEMENTS = 3000;
/** Searches of a named set are together as long as the main one, and each of these must fail. */
const SEEDS = [1, 2] as const;
/** A set that would take longer to be sure of is not named. */
const MOST_NAMED = 16;

/**
 * Why a plan came to nothing. Proved, where a batch could not stand alone in an empty kitchen or more must lie on the pits than there
 * is room for. Else the smallest set that quick searches cannot place is looked for, and named only if searches of that set
 * alone, together as long as the main one, find nothing either. Undefined where nothing is broken but what a pin breaks.
 */
export function conflictOf(
  input: PlanInput,
  { problems, scheme }: Pick<Plan, 'problems' | 'scheme'>,
  cache: ForecastCache,
  parameters: ParameterSet,
): Conflict | undefined {
  const broken = problems.filter((problem) => problem.severity === 'broken' && problem.code !== 'ruleBroken');
  if (broken.length === 0) return undefined;
  const orders = batchOrders(input);
  const searchInput = searchInputOf(input, cache, parameters);
  const stuck = [...new Set(broken.flatMap((problem) => ('batchId' in problem && problem.batchId ? [problem.batchId] : [])))];
  for (const id of stuck) {
    const order = orders.find((each) => each.batch.id === id);
    const ids = order && provedConflict(order, searchInput);
    if (ids) return { word: 'impossible', ids };
  }
  const room = provedRoomShort(orders, searchInput);
  if (room) return { word: 'impossible', ids: [...room.batchIds, ...room.pitIds], room };
  // As many as were spent on the plan that came to nothing.
  const tries = scheme.iterations;
  const set = smallestUnplaced(inOrderOfTrouble(orders, stuck, searchInput), searchInput, scheme);
  if (set.length > MOST_NAMED) return { word: 'noneFound', ids: [], tries };
  const iterations = Math.ceil(usualIterations(set.length) / SEEDS.length);
  for (const seed of SEEDS) if (isPlaced(set, searchInput, { seed, iterations })) return { word: 'noneFound', ids: [], tries };
  const short = broken.find((each) => 'batchId' in each && each.batchId !== undefined && stuck.includes(each.batchId));
  const ids = [...set.map((order) => order.batch.id), ...resourcesOf(short ?? broken[0]!, input)];
  return { word: 'noneFound', ids, tries: SEEDS.length * iterations };
}

const isPlaced = (orders: readonly BatchOrder[], input: SearchInput, options: SearchOptions): boolean =>
  searchUntil(search(orders, input, options), (objective) => objective[0] === 0).objective[0] === 0;

/** Those in trouble first, then those that want the same pits, the nearest in time first. */
function inOrderOfTrouble(orders: readonly BatchOrder[], stuck: readonly string[], { pits }: SearchInput): BatchOrder[] {
  const isStuck = ({ batch }: BatchOrder) => stuck.includes(batch.id);
  const [first] = orders.filter(isStuck);
  const sharesPit = (order: BatchOrder) =>
    pits.some(({ rangeC: [low, high] }) =>
      [order, first ?? order].every(({ method: { pitRangeC } }) => pitRangeC[0] <= high && pitRangeC[1] >= low),
    );
  const apart = (order: BatchOrder) => Math.abs(order.serving.atMs - (first ?? order).serving.atMs);
  return [...orders].sort(
    (a, b) => Number(isStuck(b)) - Number(isStuck(a)) || Number(sharesPit(b)) - Number(sharesPit(a)) || apart(a) - apart(b),
  );
}

/** The shortest beginning of a list that quick searches cannot place, less what can be left out of it. */
function smallestUnplaced(orders: readonly BatchOrder[], input: SearchInput, scheme: Plan['scheme']): readonly BatchOrder[] {
  let placements = 0;
  const fails = (some: readonly BatchOrder[]): boolean => {
    const iterations = mostIterations(some.length);
    placements += some.length * iterations;
    return !isPlaced(some, input, { seed: 1, iterations, start: scheme, onlyFromStart: true });
  };
  let [below, length] = [0, orders.length];
  while (length - below > 1) {
    const middle = Math.floor((below + length) / 2);
    if (fails(orders.slice(0, middle))) length = middle;
    else below = middle;
  }
  let left = orders.slice(0, length);
  for (const order of [...left].reverse()) {
    if (placements > MOST_PLACEMENTS) break;
    const without = left.filter((each) => each !== order);
    if (without.length > 0 && fails(without)) left = without;
  }
  return left;
}

function resourcesOf(problem: PlanProblem, { boxes, warmers = [], event }: PlanInput): string[] {
  switch (problem.code) {
    case 'rackFull':
    case 'rackNoSpot':
    case 'rackOverloaded':
      return [problem.pitId, problem.rackId];
    case 'heatConflict':
    case 'poultryAbove':
    case 'onTheRoad':
    case 'nobodyToLight':
      return [problem.pitId];
    case 'boxFull':
      return boxes.map((box) => box.id);
    case 'warmerFull':
      return warmers.map((warmer) => warmer.id);
    case 'noCrew':
      return [...new Set((event.duty ?? []).map((duty) => duty.memberId))];
    case 'nobodyToDrive':
      return [problem.servingId, ...new Set((event.duty ?? []).map((duty) => duty.memberId))];
    default:
      return [];
  }
}

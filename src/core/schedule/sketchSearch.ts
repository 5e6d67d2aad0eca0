import { NOWHERE, UNUSED, type Change, type Sketch, type SketchState, type Weights } from './sketch';
import { GRID_MIN } from './ways';
import { proposalFor } from './sketchMoves';

/** So many sketches are begun, each with a share of the moves; some go on with half of what is left each, the last with the rest. */
const BEGUN = 12;
const BEGUN_SHARE = 0.5;
const GO_ON = 3;
const GO_ON_SHARE = 0.25;
const LAST = 2;
/** By how much a change may cost more at first and at last, piece-hours: in what is begun, goes on, and ends. */
const HEATS_H = { begun: [6, 0.2], goOn: [0.7, 0.1], last: [0.3, 0.03] } as const;
/** What is wrong weighs little at first: the way to a better plan leads through ones that cannot be. */
const AT_FIRST: Weights = { nowhereH: 400, lateH: 30, clashH: 1 };
const AT_LAST: Weights = { nowhereH: 800, lateH: 120, clashH: 300 };
/** What sketches are compared by: nothing wrong is ever worth a better hold. */
const COMPARED: Weights = { nowhereH: 1000, lateH: 120, clashH: 1000 };
/** Where a sketch begins with every pit at one heat, what wants another is so much worse; and ways are made to look dearer by chance. */
const OFF_HEAT_H = 30;
const NOISE_H = 3;
const YIELD_EVERY = 4000;

interface Ended {
  costH: number;
  state: SketchState;
}

/**
 * Looks for the sketch that costs the least, from the one at hand and from some that begin with each pit at one heat: simulated annealing,
 * the best go on. Yields now and then. It ends at the best found.
 */
export function* betterSketch(sketch: Sketch, moves: number, uniform: () => number): Generator<void, void> {
  function* run(state: SketchState | undefined, count: number, heatsH: readonly [number, number]): Generator<void, Ended> {
    if (state) sketch.load(state);
    yield* anneal(sketch, Math.floor(count), heatsH, uniform);
    sketch.weights = COMPARED;
    return { costH: sketch.wholeH(), state: sketch.state() };
  }
  let ended: Ended[] = [];
  for (let i = 0; i < BEGUN; i++) {
    if (i > 0) beginAnew(sketch, uniform);
    ended.push(yield* run(undefined, (BEGUN_SHARE * moves) / BEGUN, HEATS_H.begun));
  }
  const rounds = [
    { count: GO_ON, share: GO_ON_SHARE, heatsH: HEATS_H.goOn },
    { count: LAST, share: 1 - BEGUN_SHARE - GO_ON_SHARE, heatsH: HEATS_H.last },
  ];
  for (const { count, share, heatsH } of rounds) {
    const best = cheapestFirst(ended).slice(0, count);
    ended = [...best];
    for (const { state } of best) ended.push(yield* run(state, (share * moves) / count, heatsH));
  }
  sketch.load(cheapestFirst(ended)[0]!.state);
}

const cheapestFirst = (ended: readonly Ended[]): Ended[] => [...ended].sort((a, b) => a.costH - b.costH);

const between = (first: number, last: number, share: number): number => first * Math.pow(last / first, share);

function* anneal(sketch: Sketch, moves: number, [firstH, lastH]: readonly [number, number], uniform: () => number): Generator<void, void> {
  for (let move = 0; move < moves; move++) {
    if (move % YIELD_EVERY === 0) yield;
    const share = move / moves;
    const heatH = between(firstH, lastH, share);
    sketch.weights = {
      nowhereH: between(AT_FIRST.nowhereH, AT_LAST.nowhereH, share),
      lateH: between(AT_FIRST.lateH, AT_LAST.lateH, share),
      clashH: between(AT_FIRST.clashH, AT_LAST.clashH, share),
    };
    const proposal = proposalFor(sketch, uniform);
    if (!proposal) continue;
    const { batch, changes, parts } = proposal;
    const touched = sketch.touchedBy(changes);
    const beforeH = sketch.costH(batch, touched);
    const before = touched.slots.map((i): Change => [i, sketch.way[i]!, sketch.earlierMin[i]!]);
    const partsBefore = sketch.parts[batch]!;
    for (const change of changes) sketch.set(change);
    if (parts !== undefined) sketch.parts[batch] = parts;
    const moreH = sketch.costH(batch, touched) - beforeH;
    if (moreH <= 0 || uniform() < Math.exp(-moreH / heatH)) continue;
    for (const change of before) sketch.set(change);
    sketch.parts[batch] = partsBefore;
  }
}

/** Each pit at one heat, every batch where it then would be best by itself. */
function beginAnew(sketch: Sketch, uniform: () => number): void {
  const { orders } = sketch;
  const pitC = sketch.onPit.map(() => {
    const { method } = orders[Math.floor(uniform() * orders.length)]!;
    const heats = [method.pitC, method.pitC, ...method.pitRangeC];
    return heats[Math.floor(uniform() * heats.length)]!;
  });
  orders.forEach((_, batch) => {
    for (const i of sketch.slotsOf(batch)) {
      const slot = sketch.slots[i]!;
      let to: Change = [i, NOWHERE, 0];
      let leastH = Infinity;
      slot.alternatives.forEach((__, at) => {
        const way = sketch.all.wayOf(slot, at);
        if (!way) return;
        const off = way.heats.filter((use) => use.pitC !== pitC[use.pit]).length;
        const costH = way.hours[Math.floor(way.cheapestMin / GRID_MIN)]! + OFF_HEAT_H * off + NOISE_H * uniform();
        if (costH < leastH) {
          leastH = costH;
          to = [i, at, way.cheapestMin];
        }
      });
      sketch.set([i, UNUSED, 0]);
      sketch.set(to);
    }
  });
}

import type { Override, Pit, PlanProblem, Run, RunWish } from '../model';
import { Shut, tryAlternative, type Trial, type Claims } from './trial';
import { slackMin } from './holding';
import { timingOf } from './timing';
import { idealShiftMin } from './holdQuality';
import { alternativesFor, coreRefused, suitablePits, unplaceable, type Alternative } from './alternatives';
import type { BatchOrder } from './order';
import { mark, rollBack, type PlacementContext } from './placement';
import { footprintOf, type Footprint } from './rackLedger';
import { movedReason, problemOf, tellsMore } from './refusals';

export interface Placed {
  runs: Run[];
  claims: Claims[];
  left: Footprint[];
  problems: PlanProblem[];
}

const SHIFT_STEP_MIN = 15;
/** Near its wish a batch goes one of so many ways or not. */
const NEAREST = 8;

/** The pieces of a batch, the heavy ones first. */
export const piecesOf = ({ batch, cut }: BatchOrder): Footprint[] =>
  batch.pieces.map((piece) => footprintOf(cut, batch.id, piece)).sort((a, b) => b.kg - a.kg);

/**
 * Places one batch where its choice says, moving as little from there as it must; whoever stays out is reported. Within
 * `reachMin`, it goes there whole or stays out.
 */
export function placeBatch(order: BatchOrder, context: PlacementContext, override: Override = {}, reachMin = Infinity): Placed {
  const { batch, cut, method } = order;
  const pieces = piecesOf(order);
  const suitable = suitablePits(cut, method, context.pits, pieces, context.limits.bareMeatPit);
  const nothing = (problem: PlanProblem): Placed => ({ runs: [], claims: [], left: pieces, problems: [problem] });
  if (suitable.problem) return nothing({ ...suitable.problem, batchId: batch.id, pieces: pieces.length });
  const asLeft = override.runs && placeAsLeft(order, context, override.runs, suitable.pits, pieces);
  if (asLeft) return asLeft;
  const alternatives = alternativesFor(order, suitable.pits, context, override);
  if (alternatives.length === 0 && alternativesFor(order, suitable.pits, context, override, true).length > 0) {
    const placeId = context.whereabouts.placeOfServing(order.serving.id);
    return nothing({ code: 'noRide', severity: 'broken', batchId: batch.id, pieces: pieces.length, placeId });
  }
  if (alternatives.length === 0)
    return nothing({ code: 'noSuitablePit', severity: 'broken', batchId: batch.id, pieces: pieces.length, need: 'heat' });
  const refused = coreRefused(order, context.limits);
  if (refused) return nothing(refused);
  const wished = placeAsWished(order, context, alternatives[0]!, override, pieces);
  if (wished) return wished;

  const parts = partsOf(pieces, Math.max(override.parts ?? 1, partsForHold(order, context, alternatives, pieces)));
  const whole: Placed = { runs: [], claims: [], left: [], problems: [] };
  for (const part of parts) {
    const every = shiftsFrom(order, context, alternatives, override, part);
    const shifts = every.filter((shift) => Math.abs(shift - every[0]!) <= reachMin);
    const nearest = reachMin < Infinity ? alternatives.slice(0, NEAREST) : alternatives;
    const together = placeTogether(order, context, nearest, part, shifts);
    if (reachMin < Infinity && !('runs' in together)) return { runs: [], claims: [], left: pieces, problems: [] };
    const placed =
      'runs' in together ? together : placePieceByPiece(order, context, alternatives, part, together.somewhere ? shifts : [], whole.claims);
    whole.runs.push(...placed.runs);
    whole.claims.push(...placed.claims);
    whole.left.push(...placed.left);
    for (const problem of placed.problems) addProblem(whole.problems, problem);
  }
  const blocked = whole.runs.length === 0 ? unplaceable(order, alternatives, context.limits) : undefined;
  return blocked ? nothing(blocked) : whole;
}

/** A wish for a whole batch that can be had just so: what looking for the nearest to it would come to as well. */
function placeAsWished(
  order: BatchOrder,
  context: PlacementContext,
  alternative: Alternative,
  { earlierMin, parts = 1 }: Override,
  pieces: Footprint[],
): Placed | undefined {
  if (earlierMin === undefined || earlierMin < 0 || parts > 1) return undefined;
  if (slackMin(order, alternative, context, pieces) < earlierMin) return undefined;
  const before = mark(context);
  const trial = tryAlternative(order, context, alternative, pieces, { shiftMin: earlierMin, carveLaterMin: 0 });
  if (trial.run && trial.taken.length === pieces.length) {
    if (earlierMin > 0) trial.run.why.push({ code: 'idealHold', minutes: earlierMin });
    return { runs: [trial.run], claims: [trial.claims!], left: [], problems: [] };
  }
  rollBack(context, before);
  return undefined;
}

/** Every run just where, when and as hot as a search left it; nothing when one of them cannot be had so any more. */
function placeAsLeft(
  order: BatchOrder,
  context: PlacementContext,
  wishes: readonly RunWish[],
  pits: Pit[],
  pieces: Footprint[],
): Placed | undefined {
  const wished = wishes.flatMap(({ pieceIds }) => pieceIds);
  if (wished.length !== pieces.length || pieces.some((piece) => !wished.includes(piece.pieceId))) return undefined;
  // What the owner laid by hand since goes there, in the same pit: the rest of its batch need not move for it.
  const byHand = context.manualPlacements.filter((each) => each.batchId === order.batch.id);
  const laidIn = (each: { pieceId: string; pitId: string }) => `${each.pieceId} ${each.pitId}`;
  const hand = new Map(byHand.map((each) => [laidIn(each), each]));
  const had = new Set(wishes.flatMap((wish) => wish.places.map(laidIn)));
  if ([...hand.keys()].some((key) => !had.has(key))) return undefined;
  const before = mark(context);
  const placed: Placed = { runs: [], claims: [], left: [], problems: [] };
  for (const { pieceIds, earlierMin, carveLaterMin = 0, places: left, ...wish } of wishes) {
    const places = left.map((place) => hand.get(laidIn(place)) ?? place);
    const own = pieces.filter((piece) => pieceIds.includes(piece.pieceId));
    const pit = pits.filter((each) => each.id === wish.pitId);
    const isSo = ({ pitC, finish }: Alternative) =>
      pitC === wish.pitC && finish?.pit.id === wish.finish?.pitId && finish?.pitC === wish.finish?.pitC;
    const alternative = alternativesFor(order, pit, context, wish).find(isSo);
    const trial = alternative && tryAlternative(order, context, alternative, own, { shiftMin: earlierMin, carveLaterMin, places });
    if (!trial?.run || trial.taken.length < own.length) {
      rollBack(context, before);
      return undefined;
    }
    if (earlierMin > 0) trial.run.why.push({ code: 'idealHold', minutes: earlierMin });
    placed.runs.push(trial.run);
    placed.claims.push(trial.claims!);
  }
  return placed;
}

/** The same trouble for two runs of a batch is one trouble for more pieces. */
function addProblem(problems: PlanProblem[], problem: PlanProblem): void {
  const pitOf = (each: PlanProblem) => ('pitId' in each ? each.pitId : undefined);
  const same = problems.findIndex((each) => each.code === problem.code && pitOf(each) === pitOf(problem));
  const before = problems[same];
  if (!before || !('pieces' in before) || !('pieces' in problem)) problems.push(problem);
  else problems[same] = { ...problem, pieces: before.pieces + problem.pieces };
}

/** As many runs as it takes for the hold to bear each one's spread, at the first option at which some number does. */
function partsForHold(order: BatchOrder, context: PlacementContext, alternatives: Alternative[], pieces: Footprint[]): number {
  for (const alternative of alternatives.slice(0, 3))
    for (let parts = 1; parts <= Math.min(pieces.length, MOST_PARTS); parts++)
      if (partsOf(pieces, parts).every((part) => slackMin(order, alternative, context, part) >= 0)) return parts;
  return 1;
}
const MOST_PARTS = 6;

/** Pieces in as many runs as are wished, the heavy ones together: they are done together. */
function partsOf(pieces: Footprint[], parts: number): Footprint[][] {
  const count = Math.max(1, Math.min(parts, pieces.length));
  const size = Math.ceil(pieces.length / count);
  return Array.from({ length: Math.ceil(pieces.length / size) }, (_, i) => pieces.slice(i * size, (i + 1) * size));
}

/** Moments to try, minutes before the latest start: the wished one, then ever further from it on both sides. */
function shiftsFrom(
  order: BatchOrder,
  context: PlacementContext,
  alternatives: Alternative[],
  override: Override,
  pieces: Footprint[],
): number[] {
  const [first] = alternatives;
  const longest = Math.max(0, ...alternatives.slice(0, 4).map((alternative) => slackMin(order, alternative, context, pieces)));
  const wished = Math.min(longest, Math.max(0, override.earlierMin ?? idealShiftMin(order, timingOf(order, first!, pieces), longest)));
  const shifts = [wished];
  for (let step = SHIFT_STEP_MIN; step <= longest + SHIFT_STEP_MIN; step += SHIFT_STEP_MIN) {
    for (const shift of [wished - step, wished + step]) {
      if (shift >= 0 && shift <= longest) shifts.push(shift);
      else if (shift < 0 && shift > -SHIFT_STEP_MIN) shifts.push(0);
      else if (shift > longest && shift < longest + SHIFT_STEP_MIN) shifts.push(longest);
    }
  }
  return [...new Set(shifts)];
}

/** All pieces at one moment: on one pit if it can be, else over several. The moment nearest to the wished one wins. */
function placeTogether(
  order: BatchOrder,
  context: PlacementContext,
  alternatives: Alternative[],
  pieces: Footprint[],
  shifts: readonly number[],
): Placed | { somewhere: boolean } {
  let firstRefusal: Trial | undefined;
  let somewhere = false;
  const shut = new Shut();
  for (const shiftMin of shifts) {
    let some = false;
    const mostOn = new Map<string, number>();
    for (const spread of [false, true]) {
      // What all pits together cannot take one by one, they cannot take at once.
      if (spread && sum([...mostOn.values()]) < pieces.length) continue;
      const marks = mark(context);
      const runs: Run[] = [];
      const claims: Claims[] = [];
      let left = pieces;
      for (const alternative of alternatives) {
        if (left === pieces && shut.has(alternative, shiftMin)) continue;
        const before = mark(context);
        const trial = tryAlternative(order, context, alternative, left, { shiftMin, carveLaterMin: 0 });
        if (trial.refusal) firstRefusal ??= trial;
        if (left === pieces) shut.note(alternative, trial);
        if (!trial.run) continue;
        some = true;
        mostOn.set(alternative.pit.id, Math.max(mostOn.get(alternative.pit.id) ?? 0, trial.taken.length));
        if (!spread && trial.taken.length < left.length) {
          rollBack(context, before);
          continue;
        }
        runs.push(trial.run);
        claims.push(trial.claims!);
        left = left.filter((piece) => !trial.taken.includes(piece));
        if (left.length === 0) {
          const wished = shiftMin === shifts[0];
          for (const run of runs)
            if (!wished && firstRefusal) run.why.push(movedReason(firstRefusal, shiftMin - (shifts[0] ?? 0)));
            else if (shiftMin > 0) run.why.push({ code: 'idealHold', minutes: shiftMin });
          return { runs, claims, left: [], problems: [] };
        }
      }
      rollBack(context, marks);
    }
    somewhere ||= some;
  }
  return { somewhere };
}

/**
 * The first refusal when pieces are tried at their latest start; whatever could be placed is taken back. That another part
 * of their batch holds the pit at its own heat is nobody's reason: they are tried as if it did not.
 */
function whyNot(
  order: BatchOrder,
  context: PlacementContext,
  alternatives: Alternative[],
  left: Footprint[],
  own: readonly Claims[],
): Trial | undefined {
  const heats = own.flatMap(({ heat }) => heat);
  context.heat.rollBack(context.heat.snapshot() - heats.length);
  let why: Trial | undefined;
  for (const alternative of alternatives) {
    const before = mark(context);
    why = tryAlternative(order, context, alternative, left, { shiftMin: 0, carveLaterMin: 0 });
    rollBack(context, before);
    if (why.refusal) break;
  }
  for (const use of heats) context.heat.add(use);
  return why?.refusal && why;
}

const sum = (counts: readonly number[]) => counts.reduce((all, each) => all + each, 0);

/** Later rounds of a serving are tried at fewer moments. */
const EVERY_SO_OFTEN_MIN = [0, 30, 60, 120, 240];

/** What fits at each moment; later rounds of a serving take what the first cannot. The rest is reported with what is short. */
function placePieceByPiece(
  order: BatchOrder,
  context: PlacementContext,
  alternatives: Alternative[],
  pieces: Footprint[],
  shifts: readonly number[],
  earlier: readonly Claims[],
): Placed {
  const placed: Placed = { runs: [], claims: [], left: pieces, problems: [] };
  let reported: Trial | undefined;
  // That another part of the batch holds the pit at its own heat is no reason of anybody's.
  const isOwn = ({ refusal }: Trial) =>
    refusal?.code === 'heat' &&
    [...earlier, ...placed.claims].some(({ heat }) =>
      heat.some((use) => use.pitC === refusal.setC && use.fromMs === refusal.fromMs && use.toMs === refusal.toMs),
    );
  const serveForMin = Math.floor(order.serving.serveForMin);
  const rounds = [...new Set([0, Math.floor(serveForMin / 2), serveForMin])].flatMap((carveLaterMin) =>
    (carveLaterMin > 0 ? EVERY_SO_OFTEN_MIN : shifts).map((shiftMin) => ({ shiftMin, carveLaterMin, mayCool: false })),
  );
  // Last of all: nothing keeps it hot if it should be done early. It is placed as late as can be, and said.
  for (const { shiftMin, carveLaterMin, mayCool } of [...rounds, { shiftMin: 0, carveLaterMin: 0, mayCool: true }]) {
    if (carveLaterMin > 0 && earlier.length === 0 && placed.runs.length === 0) continue;
    for (const alternative of alternatives) {
      if (placed.left.length === 0) break;
      const trial = tryAlternative(order, context, alternative, placed.left, { shiftMin, carveLaterMin, mayCool });
      if (trial.refusal && !isOwn(trial)) reported = tellsMore(reported, trial);
      if (!trial.run) continue;
      if (reported) trial.run.why.push(movedReason(reported, shiftMin - (shifts[0] ?? 0)));
      placed.runs.push(trial.run);
      placed.claims.push(trial.claims!);
      placed.left = placed.left.filter((piece) => !trial.taken.includes(piece));
    }
  }
  if (placed.left.length > 0 && !reported?.refusal)
    reported = whyNot(order, context, alternatives, placed.left, [...earlier, ...placed.claims]);
  if (placed.left.length > 0 && reported?.refusal) placed.problems.push(problemOf(order, placed.left.length, reported, alternatives[0]!));
  return placed;
}

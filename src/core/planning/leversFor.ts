import { cutIn, LIMITS, methodIn, methodsFor, typicalTrimmedKg, type Batch, type Method, type PlanProblem, type Wrap } from '../model';
import { addMinutes } from '../units';
import { splitPlate } from '../quantities';
import { inputFor } from './equipped';
import { thickestThatKeeps } from './leftovers';
import { pullLever, type Lever, type OneLever } from './levers';
import type { PlanInput } from './planInput';

/** What pulling a lever costs the owner before any figure of the plan: less is pulled sooner. */
const LEVER_PRICE: Record<OneLever['code'], number> = Object.freeze({
  earlier: 1,
  otherPit: 1,
  split: 2,
  warmerAt: 2,
  longerHold: 2,
  finishElsewhere: 2,
  hotterInBand: 2,
  hotter: 3,
  tighterWrap: 3,
  moreHolding: 3,
  moreCrew: 3,
  sparePit: 4,
  lighterPieces: 4,
  otherCut: 5,
  hireBoxes: 4,
  hireHand: 5,
  hirePits: 6,
  moveServing: 6,
  splitServing: 7,
  cookDayBefore: 7,
  fewerPieces: 8,
  fewerGuests: 9,
});

/** Each further thing to be hired costs its owner another call and another trip. */
const EACH_MORE_HIRED = 1;

export function priceOf(lever: Lever): number {
  if (lever.code === 'both') return priceOf(lever.first) + priceOf(lever.then);
  return LEVER_PRICE[lever.code] + ('count' in lever ? EACH_MORE_HIRED * (lever.count - 1) : 0);
}

const WRAP_ORDER: Wrap[] = ['none', 'paper', 'foil', 'pan'];
const HOTTER_BY_C = 14;

/** Hotter and tighter methods for a batch: the library's, or its own made so where it brings its method along. */
function otherMethods(input: PlanInput, batch: Batch): { code: 'hotter' | 'tighterWrap'; method: Method }[] {
  const own = methodIn(input.library, batch.methodId);
  const cut = cutIn(input.library, batch.cutId);
  if (!own || !cut) return [];
  const found: { code: 'hotter' | 'tighterWrap'; method: Method }[] = [];
  const tighter = (wrap: Wrap) => WRAP_ORDER.indexOf(wrap) - WRAP_ORDER.indexOf(own.wrap);
  if (own.id === batch.id) {
    const shift = ([low, high]: [number, number]): [number, number] => [low + HOTTER_BY_C, high + HOTTER_BY_C];
    found.push({
      code: 'hotter',
      method: { ...own, id: `${own.id}+hotter`, pitC: own.pitC + HOTTER_BY_C, pitRangeC: shift(own.pitRangeC) },
    });
    if (cut.done.by === 'tender' && own.wrap !== 'foil')
      found.push({
        code: 'tighterWrap',
        method: {
          ...own,
          id: `${own.id}+foil`,
          wrap: 'foil',
          wrapWhen: own.wrap === 'none' ? { coreC: 74 } : own.wrapWhen,
          finishOffSmoke: true,
        },
      });
    return found;
  }
  const others = methodsFor(input.library, cut).filter((method) => method.id !== own.id);
  const hotter = others
    .filter((method) => method.pitC > own.pitC + 5)
    .sort((a, b) => Math.abs(tighter(a.wrap)) - Math.abs(tighter(b.wrap)) || a.pitC - b.pitC)[0];
  const wrapped = others
    .filter((method) => tighter(method.wrap) > 0 && method.wrap !== 'pan')
    .sort((a, b) => Math.abs(a.pitC - own.pitC) - Math.abs(b.pitC - own.pitC) || tighter(a.wrap) - tighter(b.wrap))[0];
  if (hotter) found.push({ code: 'hotter', method: hotter });
  if (wrapped) found.push({ code: 'tighterWrap', method: wrapped });
  return found;
}

/** Every lever worth trying for the batches in trouble and the problems they have. */
export function leversFor(
  input: PlanInput,
  batchIds: readonly string[],
  problems: readonly PlanProblem[],
): { lever: OneLever; methods: Method[] }[] {
  const levers: { lever: OneLever; methods: Method[] }[] = [];
  const add = (lever: OneLever, methods: Method[] = []) => levers.push({ lever, methods });
  const codes = new Set(problems.filter((problem) => problem.severity === 'broken').map((problem) => problem.code));
  const risky = codes.size === 0;
  for (const batchId of batchIds) {
    const batch = input.event.batches.find((each) => each.id === batchId)!;
    const method = methodIn(input.library, batch.methodId);
    if (!method) continue;
    for (const other of otherMethods(input, batch)) add({ code: other.code, batchId, methodId: other.method.id }, [other.method]);
    if (method.pitRangeC[1] > method.pitC + 3) add({ code: 'hotterInBand', batchId, pitC: method.pitRangeC[1] });
    if (method.wrap !== 'none')
      for (const pit of input.pits)
        if (pit.smoke || method.finishOffSmoke)
          add({
            code: 'finishElsewhere',
            batchId,
            pitId: pit.id,
            pitC: Math.min(pit.rangeC[1], (method.finishRangeC ?? method.pitRangeC)[1]),
          });
    if (batch.pieces.length > 1) add({ code: 'split', batchId, parts: 2 });
    if (risky) for (const minutes of [30, 60]) add({ code: 'earlier', batchId, minutes });
    for (const pit of input.pits) if (pit.smoke) add({ code: 'otherPit', batchId, pitId: pit.id });
    if (cutIn(input.library, batch.cutId)?.species !== 'dish' && batch.pieces.length * 2 <= 60)
      add({ code: 'lighterPieces', batchId, pieces: batch.pieces.length * 2 });
    for (const other of otherCuts(input, batch)) add(other);
    const cut = cutIn(input.library, batch.cutId);
    const heldMin = batch.holdMaxMin ?? method.holdMaxMin;
    if (cut)
      for (const minutes of LONGER_HOLDS_MIN)
        if (minutes > heldMin && minutes <= cut.holdMaxMin) add({ code: 'longerHold', batchId, minutes });
    for (const ahead of dayBefore(input, batch)) add(ahead);
  }
  if (holdShort(codes))
    for (const { id, setC } of input.warmers ?? [])
      if (setC + WARMER_BY_C <= WARMER_MOST_C) add({ code: 'warmerAt', gearId: id, setC: setC + WARMER_BY_C });
  for (const pit of input.spare?.pits ?? []) add({ code: 'sparePit', pitId: pit.id });
  if (holdShort(codes))
    for (const kind of ['box', 'warmer'] as const)
      for (const gear of (kind === 'box' ? input.spare?.boxes : input.spare?.warmers) ?? [])
        add({ code: 'moreHolding', gearId: gear.id, kind });
  if (handsShort(codes)) {
    const { fromMs, toMs } = wholeDuty(input);
    for (const { id } of (input.spare?.crew ?? []).slice(0, 1)) add({ code: 'moreCrew', memberId: id, fromMs, toMs });
  }
  const servingIds = new Set([
    ...input.event.batches.filter((batch) => batchIds.includes(batch.id)).map((batch) => batch.servingId),
    ...problems.flatMap((problem) => (problem.severity === 'broken' && 'servingId' in problem ? [problem.servingId] : [])),
  ]);
  for (const servingId of servingIds) {
    for (const byMin of [30, 60, 120]) add({ code: 'moveServing', servingId, byMin });
    for (const laterMin of [60, 120]) add({ code: 'splitServing', servingId, laterMin });
  }
  return levers;
}

/** Levers that are a number of something: how much of it is needed is found by trying. */
export interface Amount {
  /** With nothing of it, with most of it. */
  most: number;
  lever(amount: number): OneLever;
}

const MOST_PITS = 16;
const MOST_BOXES = 4;
const GUEST_STEPS = 16;

/**
 * How many pits more, hands for how long, guests fewer or pieces fewer: what is short in the trade's words. Each is asked for the
 * least of it that lets everything fit.
 */
export function amountsFor(input: PlanInput, batchIds: readonly string[], problems: readonly PlanProblem[]): Amount[] {
  const { event, pits } = input;
  const broken = problems.filter((problem) => problem.severity === 'broken');
  if (broken.length === 0) return [];
  const codes = new Set(broken.map((problem) => problem.code));
  const amounts: Amount[] = [];
  const named = new Set(broken.flatMap((problem) => ('pitId' in problem && problem.pitId ? [problem.pitId] : [])));
  const short = pits.filter((pit) => pit.smoke && (named.size === 0 || named.has(pit.id)));
  // One of each kind: pits of one make are hired together.
  for (const pit of short.filter((each, i) => short.findIndex((other) => other.kind === each.kind) === i).slice(0, 2))
    amounts.push({ most: MOST_PITS, lever: (count) => ({ code: 'hirePits', pitId: pit.id, count }) });
  if (holdShort(codes)) amounts.push({ most: MOST_BOXES, lever: (count) => ({ code: 'hireBoxes', count }) });
  if (handsShort(codes)) {
    const { fromMs, toMs } = wholeDuty(input);
    const atMs = broken.flatMap((problem) => ('atMs' in problem && typeof problem.atMs === 'number' ? [problem.atMs] : []));
    const [firstMs, lastMs] = atMs.length > 0 ? [Math.min(...atMs), Math.max(...atMs)] : [fromMs, toMs];
    amounts.push({
      most: HAND_SPANS_MIN.length,
      lever: (amount) => {
        const byMin = HAND_SPANS_MIN[amount - 1]!;
        return { code: 'hireHand', fromMs: Math.max(fromMs, addMinutes(firstMs, -byMin)), toMs: Math.min(toMs, addMinutes(lastMs, byMin)) };
      },
    });
  }
  const own = event.batches.filter((batch) => batchIds.includes(batch.id));
  for (const servingId of new Set(own.map((batch) => batch.servingId))) {
    const serving = event.servings.find((each) => each.id === servingId)!;
    const heads = serving.guests.adults + serving.guests.children;
    if (heads < 2) continue;
    const guestsAt = (amount: number) => Math.max(1, Math.floor((heads * (GUEST_STEPS - amount)) / GUEST_STEPS));
    amounts.push({ most: GUEST_STEPS - 1, lever: (amount) => ({ code: 'fewerGuests', servingId, guests: guestsAt(amount) }) });
  }
  for (const batch of own.filter((each) => each.pieces.length > 1))
    amounts.push({
      most: batch.pieces.length - 1,
      lever: (amount) => ({ code: 'fewerPieces', batchId: batch.id, pieces: batch.pieces.length - amount }),
    });
  return amounts;
}

const HAND_SPANS_MIN = [45, 120, 300, 36 * 60] as const;
const LONGER_HOLDS_MIN = [120, 180, 240, 360] as const;
const WARMER_BY_C = 5;
const WARMER_MOST_C = 80;

type Codes = ReadonlySet<PlanProblem['code']>;
const holdShort = (codes: Codes): boolean => codes.has('boxFull') || codes.has('warmerFull') || codes.has('holdTooLong');
const handsShort = (codes: Codes): boolean =>
  codes.has('noCrew') || codes.has('nobodyToLight') || codes.has('nobodyToDrive') || codes.has('handsShort') || codes.has('unattended');

/** From a day and a half before the last of it is over. */
function wholeDuty({ event, earliestMs }: PlanInput): { fromMs: number; toMs: number } {
  const toMs = Math.max(
    ...event.servings.map((serving) => addMinutes(serving.atMs, serving.serveForMin + 60)),
    ...(event.duty ?? []).map((each) => each.toMs),
  );
  return { fromMs: Math.max(earliestMs, addMinutes(toMs, -36 * 60)), toMs };
}

/** What a full pan of meat weighs. */
const PAN_KG = 5;

/** Meat that pulls or slices well cold, cooked a day ahead and reheated in pans: only where there is time left, and for one table. */
function dayBefore(input: PlanInput, batch: Batch): OneLever[] {
  const { event, library } = input;
  const cut = cutIn(library, batch.cutId);
  const serving = event.servings.find((each) => each.id === batch.servingId);
  const dish = library.cuts.find((each) => each.species === 'dish');
  const reheat = dish && methodsFor(library, dish).find((method) => !method.needsSmoke);
  if (!cut || cut.species === 'dish' || cut.done.by !== 'tender' || batch.second || !serving || !dish || !reheat) return [];
  if (serving.guests.adults + serving.guests.children === 0) return [];
  if (addMinutes(serving.atMs, -DAY_MIN) < input.earliestMs || event.servings.length >= LIMITS.servings) return [];
  // In ice, as thick as the rule lets it be.
  const best = thickestThatKeeps().find(({ way }) => way === 'ice') ?? { way: 'ice' as const };
  if (best.thicknessMm === undefined) return [];
  const meats = event.batches.filter(
    (each) => each.servingId === batch.servingId && cutIn(library, each.cutId) && cutIn(library, each.cutId)!.species !== 'dish',
  );
  const plate = splitPlate(meats.map((each) => each.share));
  return [
    {
      code: 'cookDayBefore',
      batchId: batch.id,
      name: batch.label || cut.name.charAt(0).toUpperCase() + cut.name.slice(1),
      cookedKg: Math.round(batch.pieces.reduce((sum, piece) => sum + piece.kg, 0) * cut.yieldShare * 100) / 100,
      portionThicknessMm: best.thicknessMm,
      way: best.way,
      reheatBy: { cutId: dish.id, methodId: reheat.id, panKg: PAN_KG },
      shares: Object.fromEntries(meats.map((each, i) => [each.id, Math.round(plate[i]! * 1e4) / 1e4])),
    },
  ];
}
const DAY_MIN = 24 * 60;

const MOST_OTHER_CUTS = 2;
/** A cut is worth another's place where its pieces are so much lighter. */
const LIGHTER_SHARE = 0.6;

/** Lighter cuts of the same animal that come to the same meat on the plates. */
function otherCuts(input: PlanInput, batch: Batch): OneLever[] {
  const cut = cutIn(input.library, batch.cutId);
  if (!cut || cut.species === 'dish' || batch.second) return [];
  const cookedKg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0) * cut.yieldShare;
  const heaviestKg = Math.max(...batch.pieces.map((piece) => piece.kg));
  const lighter = input.library.cuts
    .filter((each) => each.species === cut.species && each.id !== cut.id && typicalTrimmedKg(each) < heaviestKg * LIGHTER_SHARE)
    // What is carved the same way first, then the heavier: it is the more like.
    .sort((a, b) => Number(a.done.by !== cut.done.by) - Number(b.done.by !== cut.done.by) || typicalTrimmedKg(b) - typicalTrimmedKg(a));
  return lighter.slice(0, MOST_OTHER_CUTS).flatMap((other): OneLever[] => {
    const hot = ({ pitRangeC: [low, high] }: Method) => input.pits.some(({ rangeC }) => rangeC[0] <= high && rangeC[1] >= low);
    const method = methodsFor(input.library, other).find(hot);
    const pieceKg = Math.round(typicalTrimmedKg(other) * 100) / 100;
    const pieces = Math.ceil(cookedKg / other.yieldShare / pieceKg - 1e-9);
    return method && pieces <= LIMITS.piecesInBatch
      ? [{ code: 'otherCut', batchId: batch.id, cutId: other.id, methodId: method.id, pieces, pieceKg }]
      : [];
  });
}

/** What the planner reads once a lever is pulled: equipment that stood by comes along. */
export function inputWith(input: PlanInput, { lever, methods }: { lever: Lever; methods: Method[] }): PlanInput {
  return {
    ...inputFor(input, pullLever(input.event, lever)),
    library:
      methods.length > 0
        ? { ...input.library, methods: [...input.library.methods.filter((each) => !methods.some((own) => own.id === each.id)), ...methods] }
        : input.library,
  };
}

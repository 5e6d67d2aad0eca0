import { cutIn, methodIn, methodsFor, type Batch, type Method, type PlanProblem, type Wrap } from '../model';
import { addMinutes } from '../units';
import { pullLever, type Lever } from './levers';
import type { PlanInput } from './planInput';

/** What pulling a lever costs the owner before any figure of the plan: less is pulled sooner. */
export const LEVER_PRICE: Record<Lever['code'], number> = Object.freeze({
  earlier: 1,
  otherPit: 1,
  split: 2,
  finishElsewhere: 2,
  hotterInBand: 2,
  hotter: 3,
  tighterWrap: 3,
  moreHolding: 3,
  moreCrew: 3,
  sparePit: 4,
  lighterPieces: 4,
  moveServing: 6,
  cookDayBefore: 7,
});

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
): { lever: Lever; methods: Method[] }[] {
  const levers: { lever: Lever; methods: Method[] }[] = [];
  const add = (lever: Lever, methods: Method[] = []) => levers.push({ lever, methods });
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
    add({ code: 'cookDayBefore', batchId });
  }
  for (const pit of input.spare?.pits ?? []) add({ code: 'sparePit', pitId: pit.id });
  if (['boxFull', 'warmerFull', 'holdTooLong'].some((code) => codes.has(code as PlanProblem['code'])))
    for (const gear of [...(input.spare?.boxes ?? []), ...(input.spare?.warmers ?? [])]) add({ code: 'moreHolding', gearId: gear.id });
  if (['noCrew', 'nobodyToLight', 'nobodyToDrive', 'handsShort', 'unattended'].some((code) => codes.has(code as PlanProblem['code']))) {
    const duty = input.event.duty ?? [];
    const toMs = Math.max(
      ...input.event.servings.map((serving) => addMinutes(serving.atMs, serving.serveForMin + 60)),
      ...duty.map((each) => each.toMs),
    );
    const fromMs = Math.max(input.earliestMs, addMinutes(toMs, -36 * 60));
    for (const { id } of (input.spare?.crew ?? []).slice(0, 1)) add({ code: 'moreCrew', memberId: id, fromMs, toMs });
  }
  const servingIds = new Set([
    ...input.event.batches.filter((batch) => batchIds.includes(batch.id)).map((batch) => batch.servingId),
    ...problems.flatMap((problem) => (problem.severity === 'broken' && 'servingId' in problem ? [problem.servingId] : [])),
  ]);
  for (const servingId of servingIds) for (const byMin of [30, 60]) add({ code: 'moveServing', servingId, byMin });
  return levers;
}

/** What the planner reads once a lever is pulled: equipment that stood by comes along. */
export function inputWith(input: PlanInput, { lever, methods }: { lever: Lever; methods: Method[] }): PlanInput {
  const event = pullLever(input.event, lever);
  const { spare } = input;
  return {
    ...input,
    event,
    library:
      methods.length > 0
        ? { ...input.library, methods: [...input.library.methods.filter((each) => !methods.some((own) => own.id === each.id)), ...methods] }
        : input.library,
    ...(lever.code === 'moreCrew' && {
      crew: [...(input.crew ?? []), ...spare!.crew.filter((member) => member.id === lever.memberId)],
    }),
    pits: [...input.pits, ...(lever.code === 'sparePit' ? spare!.pits.filter((pit) => pit.id === lever.pitId) : [])],
    boxes: [...input.boxes, ...(lever.code === 'moreHolding' ? spare!.boxes.filter((box) => box.id === lever.gearId) : [])],
    warmers: [
      ...(input.warmers ?? []),
      ...(lever.code === 'moreHolding' ? spare!.warmers.filter((warmer) => warmer.id === lever.gearId) : []),
    ],
  };
}

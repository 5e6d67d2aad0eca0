import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CUTS, findCut, isPoultry, methodIn, methodsFor, pieceSize, SHIPPED_LIBRARY, type Plan } from '../../src/core/model';
import { buildPlan, type PlanInput } from '../../src/core/planning';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../fixtures/events';

const MIN = 60_000;

/** Re-derives the rules a plan keeps from the plan alone; shares nothing with the search. */
function brokenRules({ event, pits, boxes, earliestMs }: PlanInput, plan: Plan): string[] {
  const broken: string[] = [];
  const legs = plan.runs.flatMap((run) => run.legs.map((leg) => ({ run, leg })));
  /** A method's steps move along with the heat it was given; elsewhere than on its first pit it stays at that heat. */
  const heatAt = (run: Plan['runs'][number], pitId: string, atMs: number) => {
    const method = methodIn(SHIPPED_LIBRARY, batchOfRun(run).methodId)!;
    const step = pitId === run.pitId ? (method.steps ?? []).filter((each) => run.onAtMs + each.fromMin * MIN <= atMs).at(-1) : undefined;
    return step ? run.pitC + step.pitC - method.pitC : run.pitC;
  };
  const batchOfRun = (run: Plan['runs'][number]) => event.batches.find((batch) => batch.id === run.batchId)!;
  const seen = new Set<string>();
  for (const run of plan.runs) {
    const batch = batchOfRun(run);
    const method = methodIn(SHIPPED_LIBRARY, batch.methodId)!;
    const serving = event.servings.find((each) => each.id === batch.servingId)!;
    for (const piece of run.pieceIds) {
      if (seen.has(piece)) broken.push(`${piece} is in two runs`);
      seen.add(piece);
      const own = run.legs.filter((leg) => leg.pieceIds.includes(piece)).sort((a, b) => a.fromMs - b.fromMs);
      if (own[0]?.fromMs !== run.onAtMs || own.at(-1)?.toMs !== run.pullLateMs) broken.push(`${piece} is not placed all through`);
      for (let i = 1; i < own.length; i++) {
        if (own[i]!.fromMs !== own[i - 1]!.toMs) broken.push(`${piece} is nowhere for a while`);
        if (run.wrapAtMs === undefined || own[i]!.fromMs < run.wrapAtMs) broken.push(`${piece} moves before its wrap`);
      }
      for (const leg of own) {
        const smoke = pits.find((pit) => pit.id === leg.pitId)!.smoke;
        if (!smoke && method.needsSmoke && (run.wrapAtMs === undefined || leg.fromMs < run.wrapAtMs || !method.finishOffSmoke))
          broken.push(`${piece} is out of the smoke`);
      }
    }
    if (!(run.onAtMs < run.pullEarlyMs && run.pullEarlyMs <= run.pullMedianMs && run.pullMedianMs <= run.pullLateMs))
      broken.push(`${run.id}: quantiles out of order`);
    if (run.pullLateMs + (run.ventMin + run.restMin) * MIN > run.carveAtMs + MIN) broken.push(`${run.id}: no time to rest`);
    if (run.carveAtMs !== serving.atMs - serving.carveLeadMin * MIN) broken.push(`${run.id}: carved at the wrong time`);
    if ((run.carveAtMs - run.pullEarlyMs) / MIN > run.ventMin + run.restMin + method.holdMaxMin + 1)
      broken.push(`${run.id}: held too long`);
    if (run.pitC < method.pitRangeC[0] - 0.5 || run.pitC > method.pitRangeC[1] + 0.5 || run.pitC < 107)
      broken.push(`${run.id}: at the wrong heat`);
    const cut = findCut(batch.cutId)!;
    const rare = cut.done.by === 'core' && cut.done.coreC < 60;
    if (!rare && run.hold.coolestAtCarveC < 59.5) broken.push(`${run.id}: ${run.hold.coolestAtCarveC} C at carving`);
  }
  for (const firing of plan.firings) if (firing.lightAtMs < earliestMs) broken.push(`${firing.pitId} is lit in the past`);

  const moments = [...new Set(legs.map(({ leg }) => leg.fromMs))];
  for (const pit of pits) {
    for (const atMs of moments) {
      const there = legs.filter(({ leg }) => leg.pitId === pit.id && leg.fromMs <= atMs && leg.toMs > atMs);
      if (new Set(there.map(({ run, leg }) => Math.round(heatAt(run, leg.pitId, atMs)))).size > 1) broken.push(`${pit.id} at two heats`);
      for (const rack of pit.racks) {
        const on = there.filter(({ leg }) => leg.rackId === rack.id);
        let areaMm2 = 0;
        let kg = 0;
        for (const { run, leg } of on) {
          const batch = batchOfRun(run);
          for (const pieceId of leg.pieceIds) {
            const piece = batch.pieces.find((each) => each.id === pieceId)!;
            const size = pieceSize(findCut(batch.cutId)!, piece.kg);
            areaMm2 += (size.lengthMm + 25) * (size.widthMm + 25);
            kg += piece.kg;
            if (size.thicknessMm > rack.clearanceMm) broken.push(`${pieceId} is too thick for ${rack.id}`);
          }
        }
        if (areaMm2 > (rack.widthMm + 25) * (rack.depthMm + 25)) broken.push(`${pit.id} ${rack.id} is overfull`);
        if (kg > rack.maxKg + 1e-9) broken.push(`${pit.id} ${rack.id} carries too much`);
      }
      const level = (rackId: string) => pit.racks.find((rack) => rack.id === rackId)!.level;
      const poultry = there.filter(({ run }) => isPoultry(findCut(batchOfRun(run).cutId)!));
      const other = there.filter((each) => !poultry.includes(each));
      if (poultry.some((bird) => other.some((food) => level(bird.leg.rackId) > level(food.leg.rackId))))
        broken.push(`poultry above other food on ${pit.id}`);
    }
  }
  for (const box of boxes) {
    for (const run of plan.runs) {
      const held = plan.runs.filter(
        (each) => each.hold.gearId === box.id && each.pullEarlyMs <= run.pullEarlyMs && each.carveAtMs > run.pullEarlyMs,
      );
      if (held.reduce((sum, each) => sum + each.kg * 1.8, 0) > box.litres + 1e-6) broken.push(`${box.id} is overfull`);
    }
  }
  const reported = plan.problems.reduce((sum, problem) => sum + ('pieces' in problem ? problem.pieces : 0), 0);
  const all = event.batches.reduce((sum, batch) => sum + batch.pieces.length, 0);
  if (seen.size + reported !== all) broken.push(`${all - seen.size - reported} pieces are neither placed nor reported`);
  return broken;
}

const anyBatch = fc.record({
  cut: fc.constantFrom(...CUTS),
  method: fc.nat(),
  count: fc.integer({ min: 1, max: 14 }),
  scale: fc.double({ min: 0.7, max: 1.35, noNaN: true }),
  lunch: fc.boolean(),
});
const anyEvent = fc.record({
  batches: fc.array(anyBatch, { minLength: 1, maxLength: 7 }),
  boxes: fc.boolean(),
  oven: fc.boolean(),
  confidence: fc.constantFrom(0.5, 0.8, 0.9, 0.95),
});

function build({ batches, boxes, oven, confidence }: typeof anyEvent extends fc.Arbitrary<infer T> ? T : never): PlanInput {
  const event = eventOf(
    batches.map(({ cut, method, count, scale, lunch }, i) => {
      const methods = methodsFor(SHIPPED_LIBRARY, cut);
      const batch = batchOf(cut.id, count, {
        id: `b${i}`,
        methodId: methods[method % methods.length]!.id,
        servingId: lunch ? 'lunch' : 'supper',
      });
      return { ...batch, pieces: batch.pieces.map((piece, k) => ({ ...piece, kg: piece.kg * scale * (1 + 0.02 * k) })) };
    }),
    { confidence },
  );
  event.servings.push({ ...event.servings[0]!, id: 'lunch', name: 'Lunch', atMs: SUPPER_MS - 6 * 3_600_000, carveLeadMin: 15 });
  return inputOf(event, oven ? [OFFSET, OVEN] : [OFFSET], boxes ? [BOX] : []);
}

describe('every plan', () => {
  it('keeps the rules or says who has no place, on random events', () => {
    const cache = new Map();
    fc.assert(
      fc.property(anyEvent, (each) => {
        const input = build(each);
        expect(brokenRules(input, buildPlan(input, cache))).toEqual([]);
      }),
      { numRuns: 150, seed: 150 },
    );
  });

  it('is the same for the same event, with or without a warm cache, whatever the order of its batches', () => {
    const cache = new Map();
    fc.assert(
      fc.property(anyEvent, (each) => {
        const input = build(each);
        const plan = buildPlan(input);
        expect(buildPlan(input, cache)).toEqual(plan);
        const turned = { ...input, event: { ...input.event, batches: [...input.event.batches].reverse() } };
        expect(buildPlan(turned).runs).toEqual(plan.runs);
      }),
      { numRuns: 25, seed: 7 },
    );
  });
});

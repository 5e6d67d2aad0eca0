import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  CUTS,
  findCut,
  isPoultry,
  methodIn,
  methodsFor,
  pieceSize,
  SHIPPED_LIBRARY,
  type Pit,
  type Plan,
  type Rack,
} from '../../src/core/model';
import { buildPlan, type PlanInput } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { batchOf, BOX, BULLET, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS, ZONED } from '../fixtures/events';

const MIN = 60_000;

type Box = { xMm: number; yMm: number; widthMm: number; depthMm: number };

/** How far apart two rectangles are, in x or in y; below 0 they overlap. */
const clearMm = (a: Box, b: Box) =>
  Math.max(a.xMm - (b.xMm + b.widthMm), b.xMm - (a.xMm + a.widthMm), a.yMm - (b.yMm + b.depthMm), b.yMm - (a.yMm + a.depthMm));

function insideRack(rack: Rack, { xMm, yMm, widthMm, depthMm }: Box): boolean {
  if (xMm < 0 || yMm < 0 || xMm + widthMm > rack.widthMm || yMm + depthMm > rack.depthMm) return false;
  if (!rack.round) return true;
  const radius = rack.widthMm / 2;
  const corners = [
    [xMm, yMm],
    [xMm + widthMm, yMm],
    [xMm, yMm + depthMm],
    [xMm + widthMm, yMm + depthMm],
  ] as const;
  return corners.every(([x, y]) => Math.hypot(x - radius, y - radius) <= radius + 1e-6);
}

/** Re-derives the rules a plan keeps from the plan alone; shares nothing with the search. */
function brokenRules({ event, pits, boxes, earliestMs }: PlanInput, plan: Plan): string[] {
  const broken: string[] = [];
  const legs = plan.runs.flatMap((run) => run.legs.map((leg) => ({ run, leg })));
  /** A method's steps move along with the heat it was given; from its finish on it has the finish's. */
  const heatAt = (run: Plan['runs'][number], pitId: string, atMs: number) => {
    if (run.finishAtMs !== undefined && atMs >= run.finishAtMs) return run.finishC!;
    const method = methodIn(SHIPPED_LIBRARY, batchOfRun(run).methodId)!;
    const step = pitId === run.pitId ? (method.steps ?? []).filter((each) => run.onAtMs + each.fromMin! * MIN <= atMs).at(-1) : undefined;
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
    // Some of every batch when carving begins; the rest within the serving's window.
    const beginsMs = serving.atMs - serving.carveLeadMin * MIN;
    const first = plan.runs.some((each) => each.batchId === run.batchId && each.carveAtMs === beginsMs);
    if (!first || run.carveAtMs < beginsMs || run.carveAtMs > beginsMs + serving.serveForMin * MIN)
      broken.push(`${run.id}: carved at the wrong time`);
    if ((run.carveAtMs - run.pullEarlyMs) / MIN > run.ventMin + run.restMin + method.holdMaxMin + 1)
      broken.push(`${run.id}: held too long`);
    if (run.pitC < method.pitRangeC[0] - 0.5 || run.pitC > method.pitRangeC[1] + 0.5 || run.pitC < 107)
      broken.push(`${run.id}: at the wrong heat`);
    const cut = findCut(batch.cutId)!;
    const rare = cut.done.by === 'core' && cut.done.coreC < 60;
    const said = plan.problems.some((problem) => problem.code === 'servedBelowHotHold' && problem.batchId === batch.id);
    if (!rare && !said && run.hold.coolestAtCarveC < 59.5) broken.push(`${run.id}: ${run.hold.coolestAtCarveC} C at carving`);
  }
  for (const firing of plan.firings) if (firing.lightAtMs < earliestMs) broken.push(`${firing.pitId} is lit in the past`);

  const moments = [...new Set(legs.map(({ leg }) => leg.fromMs))];
  for (const pit of pits) {
    for (const atMs of moments) {
      const there = legs.filter(({ leg }) => leg.pitId === pit.id && leg.fromMs <= atMs && leg.toMs > atMs);
      if (new Set(there.map(({ run, leg }) => Math.round(heatAt(run, leg.pitId, atMs)))).size > 1) broken.push(`${pit.id} at two heats`);
      for (const rack of pit.racks) {
        const on = there.filter(({ leg }) => leg.rackId === rack.id);
        const occupancies = on.flatMap(({ leg }) => leg.places);
        occupancies.forEach((a, i) => {
          if (!insideRack(rack, a)) broken.push(`${a.pieceId} hangs over ${rack.id}`);
          for (const part of rack.blocked ?? []) if (clearMm(a, part) < 0) broken.push(`${a.pieceId} lies on a blocked part`);
          for (const b of occupancies.slice(i + 1)) if (clearMm(a, b) < 25) broken.push(`${a.pieceId} and ${b.pieceId} lie too near`);
        });
        let kg = 0;
        for (const { run, leg } of on) {
          const batch = batchOfRun(run);
          for (const pieceId of leg.pieceIds) {
            const piece = batch.pieces.find((each) => each.id === pieceId)!;
            const size = pieceSize(findCut(batch.cutId)!, piece.kg);
            const sides = [Math.ceil(size.lengthMm - 1e-6), Math.ceil(size.widthMm - 1e-6)];
            const place = leg.places.find((each) => each.pieceId === pieceId)!;
            if (place.turned) sides.reverse();
            if (place.widthMm !== sides[0] || place.depthMm !== sides[1]) broken.push(`${pieceId} is not its own size`);
            if (!Number.isInteger(place.xMm) || !Number.isInteger(place.yMm)) broken.push(`${pieceId} lies between whole millimetres`);
            kg += piece.kg;
            if (size.thicknessMm > rack.clearanceMm) broken.push(`${pieceId} is too thick for ${rack.id}`);
          }
        }
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
  smoker: fc.constantFrom<Pit[]>([OFFSET], [ZONED], [OFFSET, BULLET]),
  confidence: fc.constantFrom(0.5, 0.8, 0.9, 0.95),
});

function build({ batches, boxes, oven, smoker, confidence }: typeof anyEvent extends fc.Arbitrary<infer T> ? T : never): PlanInput {
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
  return inputOf(event, oven ? [...smoker, OVEN] : smoker, boxes ? [BOX] : []);
}

describe('every plan', () => {
  it.each([150, 151])('keeps the rules or says who has no place, on random events (%i)', (seed) => {
    const cache = newForecastCache();
    fc.assert(
      fc.property(anyEvent, (each) => {
        const input = build(each);
        expect(brokenRules(input, buildPlan(input, cache))).toEqual([]);
      }),
      { numRuns: 20, seed },
    );
  });

  it('is the same for the same event, with or without a warm cache, whatever the order of its batches', () => {
    const cache = newForecastCache();
    fc.assert(
      fc.property(anyEvent, (each) => {
        const input = build(each);
        const plan = buildPlan(input);
        expect(buildPlan(input, cache)).toEqual(plan);
        const turned = { ...input, event: { ...input.event, batches: [...input.event.batches].reverse() } };
        expect(buildPlan(turned).runs).toEqual(plan.runs);
      }),
      { numRuns: 6, seed: 7 },
    );
  });
});

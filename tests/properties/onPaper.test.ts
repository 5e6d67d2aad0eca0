import { describe, expect, it } from 'vitest';
import { SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { AIR_GAP_MM } from '../../src/core/packing';
import { batchOrders, searchInputOf } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import { Decoder } from '../../src/core/schedule/decoder';
import { OnPaper } from '../../src/core/schedule/onPaper';
import { TimingMoves } from '../../src/core/schedule/timingMoves';
import { planInputOf } from '../../src/formats/open';
import { seededRandom } from '../../src/core/numerics';
import { randomOpenEvent } from '../fixtures/openEvents';

const EVENTS = Number(process.env.PLANNER_EVENTS ?? 24);
const MOVES = 20;
const EMPTY = { order: [], overrides: {}, seed: 1, iterations: 0 };
const cache = newForecastCache();

const deskOf = (seed: number) => {
  const input = planInputOf(randomOpenEvent(seed));
  const orders = batchOrders(input);
  const decoder = new Decoder(orders, searchInputOf(input, cache, SHIPPED_PARAMETERS));
  return { orders, decoder, paper: new OnPaper(decoder.judge), plan: decoder.decode(EMPTY) };
};

describe('batches of a random event at other moments', () => {
  it('come on paper to what the plan comes to when they are placed so', () => {
    let had = 0;
    for (let seed = 1; seed <= EVENTS; seed++) {
      const { orders, decoder, paper, plan } = deskOf(seed);
      const { uniform } = seededRandom(seed);
      const moves = new TimingMoves(paper, orders, uniform, AIR_GAP_MM);
      for (let i = 0; i < MOVES; i++) {
        const move = moves.from(plan);
        if (!move) continue;
        const { takenOut, ...changed } = move;
        const kept = new Map(plan.steps.filter(({ id }) => !takenOut!.has(id)).map(({ key, placed }) => [key, placed]));
        const next = decoder.decodeNear({ ...EMPTY, ...changed }, kept, 0);
        const facts = (of: typeof plan) =>
          new Map(
            of.runs.map((run) => {
              const pulled = [run.pullEarlyMs, run.pullMedianMs, run.pullLateMs, ...run.pulls.map((pull) => pull.medianMs)];
              const cooks = pulled.map((atMs) => atMs - run.onAtMs);
              return [
                [run.batchId, ...run.pieceIds].join(' '),
                {
                  ...run,
                  as: [run.pitId, run.pitC, run.finishC, run.hold.gearId, run.hold.first?.gearId, run.carveAtMs, ...cooks].join(' '),
                },
              ];
            }),
          );
        const [before, after] = [facts(plan), next ? facts(next) : undefined];
        const byMin = new Map([...before].map(([key, run]) => [run.batchId, (run.onAtMs - (after?.get(key)?.onAtMs ?? NaN)) / 60_000]));
        const isJustMoved = [...before].every(([key, run]) => {
          const then = after?.get(key);
          return then?.as === run.as && run.onAtMs - then.onAtMs === byMin.get(run.batchId)! * 60_000;
        });
        if (next && isJustMoved) {
          had++;
          const [, riskMin, qualityH] = next.objective;
          const told = paper.figures(plan, paper.earlier(plan, new Map([...byMin].filter(([, minutes]) => minutes !== 0))));
          expect(Math.abs(told.riskMin - riskMin), `event ${seed}, move ${i}`).toBeLessThanOrEqual(0.1 + 1e-9);
          expect(Math.abs(told.qualityH - qualityH), `event ${seed}, move ${i}`).toBeLessThanOrEqual(0.5 + 1e-9);
        }
        decoder.restore(plan);
      }
    }
    expect(had).toBeGreaterThan(3 * EVENTS);
  });

  it('are not tried where that would be worse, and nothing is moved by nought', () => {
    for (let seed = 1; seed <= EVENTS; seed++) {
      const { orders, paper, plan } = deskOf(seed);
      const [, riskMin, qualityH] = plan.objective;
      expect(paper.figures(plan, new Map())).toEqual({ riskMin, qualityH });
      const far = new Map(orders.map(({ batch }) => [batch.id, -600]));
      const then = paper.figures(plan, paper.earlier(plan, far));
      if (plan.runs.length > 0) expect(then.riskMin).toBeGreaterThanOrEqual(riskMin);
      expect(paper.isNoWorse(plan, paper.earlier(plan, far))).toBe(
        then.riskMin < riskMin || (then.riskMin === riskMin && then.qualityH <= qualityH),
      );
    }
  });
});

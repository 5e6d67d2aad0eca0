import { beforeAll, describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { checkPlan } from '../check';
import { findCut, SHIPPED_LIBRARY, type ExchangePlan, type Plan } from '../model';
import { MS_PER_MIN } from '../units';
import { checkedPlan } from './checkedPlan';
import { draggedPlan } from './drag';
import { buildPlan, exchangeData, exchangeEventOf, exchangePlanOf, rulesBroken } from './index';
import { newForecastCache } from '../schedule';

const HOUR = 60 * MS_PER_MIN;
const event = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 2), batchOf('chicken-half', 6)], {
  duty: [{ memberId: 'ann', fromMs: SUPPER_MS - 30 * HOUR, toMs: SUPPER_MS + 4 * HOUR }],
});
const input = { ...inputOf(event), crew: [{ id: 'ann', name: 'Ann' }] };
const cache = newForecastCache();
let plan: Plan;
let exchanged: ExchangePlan;
beforeAll(() => {
  plan = buildPlan(input, cache);
  exchanged = exchangePlanOf(input, plan);
});

describe('the exchange of an event', () => {
  it('holds every batch that can be planned with its method written out, and every piece once', () => {
    const out = exchangeEventOf(input);
    // Batches stand in the order of what they hold, whatever ids were drawn.
    expect(out.batches.map((batch) => batch.id).sort()).toEqual(['brisket-whole', 'chicken-half', 'pork-butt']);
    expect(out.batches.flatMap((batch) => batch.pieces.map((piece) => piece.id))).toHaveLength(10);
    expect(out.batches.find((batch) => batch.id === 'brisket-whole')).toMatchObject({
      serving: 'supper',
      cut: 'brisket-whole',
      pieces: [{ startC: 4 }, { startC: 4 }],
    });
    expect(out.batches.every(({ method }) => method.pitRangeC[0] <= method.pitC && method.pitC <= method.pitRangeC[1])).toBe(true);
    expect(out.workFromMs).toBe(input.earliestMs);
    expect(out.holding).toEqual([
      { id: BOX.id, place: 'base', travels: true, kind: 'insulated-box', litres: 110, lossWPerK: BOX.lossWPerK },
    ]);
    expect(out.crew).toEqual([{ id: 'ann', fromMs: SUPPER_MS - 30 * HOUR, toMs: SUPPER_MS + 4 * HOUR, place: 'base', drives: false }]);
  });

  it('brings along only cuts that differ from the shipped ones', () => {
    expect(exchangeEventOf(input).cuts).toBeUndefined();
    const own = { ...findCut('pork-butt')!, id: 'our-butt', name: 'our butt' };
    const library = { ...SHIPPED_LIBRARY, cuts: [...SHIPPED_LIBRARY.cuts, own] };
    const ours = { ...inputOf(eventOf([batchOf('pork-butt', 1), { ...batchOf('pork-butt', 1), id: 'ours', cutId: 'our-butt' }])), library };
    expect(exchangeEventOf(ours).cuts).toMatchObject([{ id: 'our-butt', safetyClass: 'whole', done: 'tender' }]);
    const trimmed = { ...SHIPPED_LIBRARY, cuts: SHIPPED_LIBRARY.cuts.map((cut) => ({ ...cut, trimShare: 0.1 })) };
    expect(exchangeEventOf({ ...inputOf(eventOf([batchOf('pork-butt', 1)])), library: trimmed }).cuts).toBeUndefined();
  });

  it('tells round racks by their diameter', () => {
    const round = { ...OFFSET, racks: [{ ...OFFSET.racks[0]!, round: true, widthMm: 560, depthMm: 560 }] };
    const [pit] = exchangeEventOf(inputOf(event, [round])).pits;
    expect(pit!.racks).toMatchObject([{ shape: 'round', diameterMm: 560 }]);
    expect(pit!.racks[0]).not.toHaveProperty('widthMm');
  });
});

describe('the exchange of a plan', () => {
  it('has one fire a pit, lit before it is ready, with no set point twice in a row', () => {
    for (const fire of exchanged.pits) {
      expect(fire.lightAtMs).toBeLessThan(fire.readyAtMs);
      expect(fire.readyAtMs).toBeLessThan(fire.offAtMs);
      fire.setPoints.forEach((point, i) => expect(point.c).not.toBe(fire.setPoints[i - 1]?.c));
    }
    expect(exchanged.pits.map((fire) => fire.id).sort()).toEqual([...new Set(plan.firings.map((firing) => firing.pitId))].sort());
  });

  it('tells tasks in the order of time, each piece loaded, pulled and carved', () => {
    const times = exchanged.tasks.map((task) => task.atMs);
    expect(times).toEqual(times.toSorted((a, b) => a - b));
    const pieces = event.batches.flatMap((batch) => batch.pieces.map((piece) => piece.id)).sort();
    for (const kind of ['load', 'pull', 'carve'] as const) {
      const done = exchanged.tasks.filter((task) => task.kind === kind).flatMap((task) => task.pieces ?? []);
      expect([...new Set(done)].sort(), kind).toEqual(pieces);
    }
  });

  it('covers every moment from vent to carving with a hold', () => {
    for (const run of exchanged.runs) {
      const own = plan.runs.find((each) => each.batchId === run.batch && each.pieceIds.join() === run.pieces.join())!;
      const [hold] = run.holds;
      if (!hold) continue;
      expect(hold.fromMs).toBe(run.pullLateMs + own.ventMin * MS_PER_MIN);
      expect(hold.toMs).toBe(run.carveAtMs);
    }
  });

  it('renames ids by what they name, rounds figures and leaves out what is not', () => {
    expect(
      exchangeData({ batchId: 'b', atMs: 5, untilMs: 0, share: 1.23456, none: undefined, deep: { pitId: 'p' }, list: [{ rackId: 'r' }] }),
    ).toEqual({ batch: 'b', atMs: 5, share: 1.235, deep: { pit: 'p' }, list: [{ rack: 'r' }] });
  });

  it('keeps every rule by the checker, which knows neither the search nor the product’s own shapes', () => {
    expect(exchanged.status).toBe('feasible');
    expect(checkPlan(exchangeEventOf(input), exchanged)).toEqual([]);
  });
});

describe('a run that is dragged', () => {
  const brisket = () => plan.runs.find((run) => run.batchId === 'brisket-whole')!;

  it('moves with all that belongs to it, and nothing else moves', () => {
    const moved = draggedPlan(plan, brisket().id, 45);
    const run = moved.runs.find((each) => each.id === brisket().id)!;
    expect(run.onAtMs - brisket().onAtMs).toBe(45 * MS_PER_MIN);
    expect(run.pulls[0]!.medianMs - brisket().pulls[0]!.medianMs).toBe(45 * MS_PER_MIN);
    expect(run.legs.map((leg) => leg.toMs - leg.fromMs)).toEqual(brisket().legs.map((leg) => leg.toMs - leg.fromMs));
    expect(run.carveAtMs).toBe(brisket().carveAtMs);
    expect(moved.runs.filter((each) => each.id !== run.id)).toEqual(plan.runs.filter((each) => each.id !== run.id));
    expect(draggedPlan(plan, 'nobody', 45)).toEqual(plan);
  });

  it('breaks no rule where it was, and says the worst first where it cannot be', () => {
    const without = { physics: false };
    expect(rulesBroken(input, draggedPlan(plan, brisket().id, 0), without)).toEqual([]);
    const late = rulesBroken(input, draggedPlan(plan, brisket().id, 6 * 60), without);
    expect(late[0]).toMatchObject({ rule: 9, code: 'noTimeToRest', batch: 'brisket-whole' });
    expect(late[0]!.by).toBeGreaterThan(60);
    const early = rulesBroken(input, draggedPlan(plan, brisket().id, -9 * 24 * 60), without);
    expect(early.map(({ code }) => code)).toContain('beforeWorkFrom');
    const away = rulesBroken(input, draggedPlan(plan, brisket().id, 0, OVEN), without);
    expect(away.map(({ code }) => code)).toContain('outOfSmoke');
  });

  it('reads the event once for all steps of a drag, with the same answer', () => {
    const once = exchangeEventOf(input);
    const moved = draggedPlan(plan, brisket().id, 90);
    expect(rulesBroken(input, moved, { physics: false, event: once })).toEqual(rulesBroken(input, moved, { physics: false }));
  });

  it('is checked only where the owner has pinned something: a plan of the search’s own is right by itself', () => {
    expect(checkedPlan(input, cache).problems).toEqual(plan.problems);
  });
});

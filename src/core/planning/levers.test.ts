import { describe, expect, it } from 'vitest';
import { batchOf, BOX, BULLET, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { SHIPPED_PARAMETERS } from '../forecast';
import { isReheatedLater, type Pit } from '../model';
import { newForecastCache, provedRoomShort } from '../schedule';
import {
  batchOrders,
  buildPlan,
  conflictOf,
  coolingOf,
  searchInputOf,
  decisionsOf,
  draggedPlan,
  inputFor,
  namedPlanOf,
  pinned,
  pinOf,
  planFigures,
  pullLever,
  rankRemedies,
  searchPlan,
  troubledBatches,
  tryRemedies,
  unpinned,
  withNamedPlan,
  type PlanInput,
} from './index';

const MIN = 60_000;
/** One small rack: two briskets lie on it, four do not. */
const SMALL: Pit = { ...OFFSET, racks: [{ ...OFFSET.racks[0]!, widthMm: 500, depthMm: 560 }] };
const crowded = (): PlanInput => ({
  ...inputOf(eventOf([batchOf('brisket-whole', 4, { methodId: 'low-bare' })], { pitIds: [SMALL.id], boxIds: [BOX.id] }), [SMALL], [BOX]),
  spare: {
    pits: [
      { ...BULLET, id: 'other' },
      { ...OFFSET, id: 'second', name: 'Second offset' },
    ],
    boxes: [],
    warmers: [],
    crew: [],
  },
});

describe('levers', () => {
  const cache = newForecastCache();

  it('are tried for real, and those that mend it come first, the cheapest before the dearer', () => {
    const input = crowded();
    const plan = buildPlan(input, cache);
    expect(troubledBatches(plan, input)).toEqual(['brisket-whole']);
    const tried = [...tryRemedies(input, plan, cache, SHIPPED_PARAMETERS)];
    const ranked = rankRemedies(tried, plan.objective);
    expect(tried.length).toBeGreaterThan(5);
    expect(ranked.length).toBeGreaterThan(0);
    const spare = ranked.find((remedy) => remedy.lever.code === 'sparePit' && remedy.lever.pitId === 'second');
    expect(spare?.solves).toBe(true);
    const firstThatDoesNot = ranked.findIndex((remedy) => !remedy.solves);
    if (firstThatDoesNot >= 0) expect(ranked.slice(firstThatDoesNot).every((remedy) => !remedy.solves)).toBe(true);
    // Pulled in earnest it does what the trial said.
    const pulled = inputFor(input, pullLever(input.event, spare!.lever));
    expect(pulled.pits.map((pit) => pit.id)).toEqual([SMALL.id, 'second']);
    expect(buildPlan(pulled, cache).problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
  });

  it('say what cannot hold together, proved where it is', () => {
    const input = crowded();
    const conflict = conflictOf(input, buildPlan(input, cache), cache, SHIPPED_PARAMETERS)!;
    expect(conflict.ids).toContain('brisket-whole');
    expect(conflict.ids).toContain(SMALL.id);
    const smokeless = inputOf(eventOf([batchOf('brisket-whole', 1), batchOf('pan-dish', 1)]), [OVEN]);
    expect(conflictOf(smokeless, buildPlan(smokeless, cache), cache, SHIPPED_PARAMETERS)).toEqual({
      word: 'impossible',
      ids: ['brisket-whole'],
    });
    const fine = inputOf(eventOf([batchOf('brisket-whole', 1)]));
    expect(conflictOf(fine, buildPlan(fine, cache), cache, SHIPPED_PARAMETERS)).toBeUndefined();
  });

  it('change just what they say', () => {
    const { event } = crowded();
    const after = (lever: Parameters<typeof pullLever>[1]) => pullLever(event, lever);
    const batchId = 'brisket-whole';
    expect(after({ code: 'hotter', batchId, methodId: 'hot-foil' }).batches[0]!.methodId).toBe('hot-foil');
    expect(after({ code: 'hotterInBand', batchId, pitC: 127 }).scheme!.overrides[batchId]).toEqual({ pitC: 127 });
    expect(after({ code: 'finishElsewhere', batchId, pitId: 'oven', pitC: 135 }).scheme!.overrides[batchId]!.finish).toEqual({
      pitId: 'oven',
      pitC: 135,
    });
    expect(after({ code: 'split', batchId, parts: 2 }).scheme!.overrides[batchId]!.parts).toBe(2);
    expect(after({ code: 'earlier', batchId, minutes: 30 }).scheme!.overrides[batchId]!.earlierMin).toBe(30);
    const lighter = after({ code: 'lighterPieces', batchId, pieces: 8 }).batches[0]!;
    expect(lighter.pieces).toHaveLength(8);
    expect(lighter.pieces.reduce((sum, piece) => sum + piece.kg, 0)).toBeCloseTo(
      event.batches[0]!.pieces.reduce((sum, piece) => sum + piece.kg, 0),
      1,
    );
    expect(after({ code: 'moveServing', servingId: 'supper', byMin: 30 }).servings[0]!.atMs).toBe(SUPPER_MS + 30 * MIN);
    expect(after({ code: 'moreCrew', memberId: 'ada', fromMs: 1, toMs: 2 }).duty).toEqual([{ memberId: 'ada', fromMs: 1, toMs: 2 }]);
  });
});

describe('levers that are had for one event', () => {
  const event = eventOf([batchOf('pork-butt', 5, { methodId: 'low-paper' }), batchOf('chicken-half', 8)], {
    pitIds: ['offset', 'oven'],
    boxIds: ['box'],
  });
  const before = inputOf(event);
  const after = (lever: Parameters<typeof pullLever>[1]) => inputFor(before, pullLever(before.event, lever));
  const [serving] = event.servings;
  const heads = ({ guests }: (typeof event.servings)[number]) => guests.adults + guests.children;

  it('bring pits like one there is, each with racks of its own, and boxes', () => {
    const {
      pits,
      boxes,
      event: hired,
    } = after({
      code: 'both',
      first: { code: 'hirePits', pitId: 'offset', count: 2 },
      then: { code: 'hireBoxes', count: 1 },
    });
    expect(pits.map((pit) => pit.name)).toEqual(['Offset', 'Oven', 'Offset, hired 1', 'Offset, hired 2']);
    const rackIds = pits.flatMap((pit) => pit.racks.map((rack) => rack.id));
    expect(new Set(rackIds).size).toBe(rackIds.length);
    expect(boxes).toHaveLength(2);
    expect(hired.pitIds).toHaveLength(4);
    // Once more, and none of them is another.
    const more = inputFor(before, pullLever(hired, { code: 'hirePits', pitId: hired.pitIds[2]!, count: 1 }));
    expect(new Set(more.event.pitIds).size).toBe(5);
    expect(more.pits.at(-1)).toMatchObject({ kind: 'offset', hired: true });
  });

  it('bring a hand who is on duty then, and set a warmer hotter', () => {
    const { crew, event: hired } = after({ code: 'hireHand', fromMs: SUPPER_MS - 60 * MIN, toMs: SUPPER_MS });
    expect(crew!.map((member) => member.name)).toContain('Hired hand');
    expect(hired.duty!.at(-1)).toEqual({ memberId: crew!.at(-1)!.id, fromMs: SUPPER_MS - 60 * MIN, toMs: SUPPER_MS });
    const warmer = { id: 'warmer', name: 'Warmer', kind: 'warmer' as const, slots: 6, setC: 65 };
    const warm = { ...before, event: { ...event, warmerIds: ['warmer'] }, warmers: [warmer] };
    const hotter = inputFor(warm, pullLever(warm.event, { code: 'warmerAt', gearId: 'warmer', setC: 70 }));
    expect(hotter.warmers).toEqual([{ ...warmer, setC: 70 }]);
  });

  it('take guests and meat away by the same share, or seat half of both later', () => {
    const fewer = after({ code: 'fewerGuests', servingId: 'supper', guests: Math.floor(heads(serving!) / 2) }).event;
    expect(heads(fewer.servings[0]!)).toBe(Math.floor(heads(serving!) / 2));
    expect(fewer.batches.map((batch) => batch.pieces.length)).toEqual([3, 4]);
    const split = after({ code: 'splitServing', servingId: 'supper', laterMin: 90 }).event;
    expect(split.servings.map((each) => each.atMs)).toEqual([SUPPER_MS, SUPPER_MS + 90 * MIN]);
    expect(split.servings.reduce((sum, each) => sum + heads(each), 0)).toBe(heads(serving!));
    const pieces = split.batches.flatMap((batch) => batch.pieces.map((piece) => piece.id));
    expect(pieces.sort()).toEqual(event.batches.flatMap((batch) => batch.pieces.map((piece) => piece.id)).sort());
  });

  it('cook the day before, chill in portions and heat up again, with as much on the table', () => {
    const crowdedDay = crowded();
    const tried = [...tryRemedies(crowdedDay, buildPlan(crowdedDay), newForecastCache(), SHIPPED_PARAMETERS)];
    const found = tried.find(({ lever }) => lever.code === 'cookDayBefore')!;
    const { event: ahead } = inputFor(crowdedDay, pullLever(crowdedDay.event, found.lever));
    const [cooked, reheated] = ahead.batches;
    const served = ahead.servings.find((each) => each.id === cooked!.servingId)!;
    expect(served.atMs).toBe(SUPPER_MS - 24 * 60 * MIN);
    expect(heads(served)).toBe(0);
    expect(reheated).toMatchObject({ servingId: 'supper', cutId: 'pan-dish', reheats: cooked!.id });
    const kg = reheated!.pieces.reduce((sum, piece) => sum + piece.kg, 0);
    expect(kg).toBeCloseTo(cooked!.leftover!.kg, 1);
    expect(coolingOf(cooked!.leftover!).keepsRule).toBe(true);
    expect(isReheatedLater(ahead, cooked!)).toBe(true);
    expect(isReheatedLater(ahead, reheated!)).toBe(false);
  });

  it('let a batch be held longer, and put a lighter cut in its place', () => {
    const held = after({ code: 'longerHold', batchId: 'chicken-half', minutes: 100 });
    expect(batchOrders(held).find((order) => order.batch.id === 'chicken-half')!.method.holdMaxMin).toBe(100);
    const other = after({ code: 'otherCut', batchId: 'pork-butt', cutId: 'pork-collar', methodId: 'low-paper', pieces: 7, pieceKg: 2 });
    expect(other.event.batches[0]).toMatchObject({ cutId: 'pork-collar', sizedBy: 'guests' });
    expect(other.event.batches[0]!.pieces).toHaveLength(7);
    const fewer = after({ code: 'fewerPieces', batchId: 'chicken-half', pieces: 6 });
    expect(fewer.event.batches[1]!.pieces).toHaveLength(6);
  });
});

describe('what is short', () => {
  const KETTLE: Pit = {
    ...BULLET,
    id: 'kettle',
    name: 'Kettle',
    kind: 'kettle',
    racks: [{ id: 'grate', name: 'grate', round: true, widthMm: 540, depthMm: 540, clearanceMm: 160, maxKg: 20, level: 1 }],
  };
  const kettle = (pieces: number): PlanInput =>
    inputOf(eventOf([batchOf('chicken-half', pieces)], { pitIds: ['kettle'], boxIds: [BOX.id] }), [KETTLE], [BOX]);
  const cache = newForecastCache();

  it('is told as the least of each thing that lets everything fit, tried for real', () => {
    const input = kettle(24);
    const plan = buildPlan(input, cache);
    expect(plan.objective[0]).toBeGreaterThan(0);
    const ranked = rankRemedies([...tryRemedies(input, plan, cache, SHIPPED_PARAMETERS)], plan.objective);
    const hired = ranked.find(({ lever, objective }) => lever.code === 'hirePits' && objective[0] === 0);
    const count = hired?.lever.code === 'hirePits' ? hired.lever.count : 0;
    expect(count).toBeGreaterThan(0);
    const withPits = (n: number) => {
      const found = inputFor(input, pullLever(input.event, { code: 'hirePits', pitId: 'kettle', count: n }));
      const searching = searchPlan(found, { seed: 1, iterations: 40 }, cache);
      let step = searching.next();
      while (!step.done) step = searching.next();
      return step.value.objective[0];
    };
    expect(withPits(count)).toBe(0);
    if (count > 1) expect(withPits(count - 1)).toBeGreaterThan(0);
  });

  it('is proved where more must lie on a pit than there is room for, and never of what a search can place', () => {
    const many = kettle(60);
    const conflict = conflictOf(many, buildPlan(many, cache), cache, SHIPPED_PARAMETERS)!;
    expect(conflict).toMatchObject({ word: 'impossible', ids: ['chicken-half', 'kettle'] });
    for (let pieces = 2; pieces <= 60; pieces += 6) {
      const input = kettle(pieces);
      const room = provedRoomShort(batchOrders(input), searchInputOf(input, cache, SHIPPED_PARAMETERS));
      if (room) expect(buildPlan(input, cache).objective[0]).toBeGreaterThan(0);
    }
  });
});

describe('a plan that is pulled about', () => {
  const cache = newForecastCache();
  const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('chicken-half', 6)], {
    pitIds: ['offset', 'oven'],
    boxIds: ['box'],
    // As its methods say: a search might take the brisket to another heat.
    scheme: { order: [], overrides: { 'brisket-whole': { pitC: 121, earlierMin: 60 } }, seed: 1, iterations: 0 },
  });
  const input = inputOf(event);
  const plan = buildPlan(input, cache);
  const brisket = plan.runs.find((run) => run.batchId === 'brisket-whole')!;

  it('keeps a pinned run where it was put, and places the others round it', () => {
    const onAtMs = brisket.onAtMs - 90 * MIN;
    const pinned = buildPlan({ ...input, event: { ...event, pins: [{ batchId: 'brisket-whole', pitId: 'offset', onAtMs }] } }, cache);
    const run = pinned.runs.find((each) => each.batchId === 'brisket-whole')!;
    expect(run).toMatchObject({ onAtMs, pinned: true, pitId: 'offset' });
    expect(run.why[0]).toEqual({ code: 'pinned', onAtMs });
    expect(pinned.runs.filter((each) => each.batchId === 'chicken-half').flatMap((each) => each.pieceIds)).toHaveLength(6);
  });

  it('pins one run of a batch, leaves its other pieces to the search, and lets go piece by piece', () => {
    const [one, two] = event.batches[0]!.pieces.map((piece) => piece.id);
    const part = { ...brisket, pieceIds: [two!], legs: [], finishC: undefined, onAtMs: brisket.onAtMs - 60 * MIN };
    const pin = { batchId: 'brisket-whole', pitId: 'offset', onAtMs: part.onAtMs, pitC: brisket.pitC, places: [] };
    const half = pinned(event, part);
    expect(half.pins).toEqual([{ ...pin, pieceIds: [two] }]);
    const runs = buildPlan({ ...input, event: half }, cache).runs.filter((run) => run.batchId === 'brisket-whole');
    expect(runs.map((run) => [run.id, run.pieceIds, run.pinned ?? false]).sort()).toEqual([
      ['brisket-whole', [one], false],
      ['brisket-whole.2', [two], true],
    ]);
    expect(runs.find((run) => run.pinned)!.onAtMs).toBe(part.onAtMs);
    expect(pinOf(half, { batchId: 'brisket-whole', pieceIds: [one!] })).toBeUndefined();
    expect(pinOf(half, part)).toEqual(half.pins![0]);
    // The whole batch pinned: one pin without a list; let go in part, the rest stays.
    const whole = pinned(half, { ...part, pieceIds: [one!, two!] });
    expect(whole.pins).toEqual([pin]);
    expect(unpinned(whole, { batchId: 'brisket-whole', pieceIds: [one!] }).pins).toEqual([{ ...whole.pins![0], pieceIds: [two] }]);
    expect(unpinned(half, part).pins).toEqual([]);
  });

  it('keeps a pin’s hour but not its heat when the method is another', () => {
    const held = pinned(event, brisket);
    const hot = pullLever(held, { code: 'hotter', batchId: 'brisket-whole', methodId: 'hot-foil' });
    expect(hot.pins![0]).toMatchObject({ onAtMs: brisket.onAtMs, pitId: 'offset', pitC: undefined, finish: undefined });
    const run = buildPlan({ ...input, event: hot }, cache).runs.find((each) => each.batchId === 'brisket-whole')!;
    expect(run.onAtMs).toBe(brisket.onAtMs);
    expect(run.pitC).toBeGreaterThan(brisket.pitC + 10);
  });

  it('searches round a pinned batch and leaves its own choices alone, so that it can be let go again', () => {
    const scheme = { order: ['chicken-half', 'brisket-whole'], overrides: { 'brisket-whole': { earlierMin: 90 } }, seed: 1, iterations: 1 };
    const pins = [{ batchId: 'brisket-whole', pitId: 'offset', onAtMs: brisket.onAtMs - 90 * MIN }];
    const searching = searchPlan({ ...input, event: { ...event, scheme, pins } }, { seed: 2, iterations: 40 }, cache);
    let step = searching.next();
    while (!step.done) step = searching.next();
    expect(step.value.scheme.overrides['brisket-whole']).toEqual({ earlierMin: 90 });
    expect(step.value.runs.find((run) => run.batchId === 'brisket-whole')!.onAtMs).toBe(pins[0]!.onAtMs);
  });

  it('holds what a pin’s pieces are, and nothing where they or their pit are gone', () => {
    const pins = [
      { batchId: 'brisket-whole', pieceIds: ['gone'], pitId: 'offset', onAtMs: 1 },
      { batchId: 'brisket-whole', pitId: 'scrapped', onAtMs: 1 },
    ];
    const same = buildPlan({ ...input, event: { ...event, pins } }, cache);
    expect(same.runs.map((run) => run.onAtMs)).toEqual(plan.runs.map((run) => run.onAtMs));
  });

  it('shifts all moments of a dragged run but its carving, and nothing else', () => {
    const dragged = draggedPlan(plan, brisket.id, -45);
    const after = dragged.runs.find((run) => run.id === brisket.id)!;
    expect(brisket.onAtMs - after.onAtMs).toBe(45 * MIN);
    expect(brisket.pullLateMs - after.pullLateMs).toBe(45 * MIN);
    expect(after.legs.map((leg) => leg.fromMs)).toEqual(brisket.legs.map((leg) => leg.fromMs - 45 * MIN));
    expect(after.carveAtMs).toBe(brisket.carveAtMs);
    expect(dragged.runs.filter((run) => run.id !== brisket.id)).toEqual(plan.runs.filter((run) => run.id !== brisket.id));
    expect(draggedPlan(plan, brisket.id, 0, OVEN).runs.find((run) => run.id === brisket.id)!.legs[0]).toMatchObject({
      pitId: 'oven',
      rackId: 'shelf',
    });
  });

  it('goes back to a plan kept under a name', () => {
    const named = namedPlanOf(event, plan.scheme, 'n', 'As it was');
    const hot = pullLever(event, { code: 'hotter', batchId: 'brisket-whole', methodId: 'hot-foil' });
    expect(withNamedPlan({ ...hot, confidence: 0.7 }, named)).toMatchObject({
      confidence: event.confidence,
      batches: event.batches,
      scheme: plan.scheme,
    });
  });

  it('has figures: odds, hold, fire, food and openings', () => {
    const figures = planFigures(input, plan, cache);
    expect(figures.onTimeShare).toEqual({ supper: plan.odds[0]!.onTimeShare });
    expect(figures.pitHours).toBeCloseTo(
      plan.firings.reduce((sum, firing) => sum + (firing.offAtMs - firing.lightAtMs) / 3.6e6, 0),
      9,
    );
    const raw = event.batches.flatMap((batch) => batch.pieces).reduce((sum, piece) => sum + piece.kg, 0);
    expect(figures.yieldKg / raw).toBeGreaterThan(0.5);
    expect(figures.yieldKg / raw).toBeLessThan(0.85);
    expect(figures).toMatchObject({ broken: 0, wakings: 0 });
  });

  it('has decision points while something can still be done: a core under which it comes too late', () => {
    const decisions = decisionsOf(input, plan).filter((decision) => decision.runId === brisket.id);
    expect(decisions.length).toBe(2);
    for (const decision of decisions) {
      expect(decision.atMs).toBeGreaterThan(brisket.onAtMs);
      expect(decision.atMs).toBeLessThan(brisket.pullMedianMs);
      expect(decision.underC).toBeGreaterThan(30);
      expect(decision.underC).toBeLessThan(95);
    }
    expect(decisions[0]!.underC).toBeLessThan(decisions[1]!.underC);
  });
});

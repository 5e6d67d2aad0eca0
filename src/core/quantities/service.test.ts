import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import { findCut } from '../model';
import { buildPlan } from '../planning';
import { carveManner, carvePlan, coldMoments, overFull, stagedCarving } from './index';

const MIN = 60_000;

describe('carving', () => {
  const event = eventOf([batchOf('brisket-whole', 3), batchOf('pork-butt', 2)]);
  const plan = buildPlan(inputOf(event));
  const serving = event.servings[0]!;
  const { library } = inputOf(event);
  const staged = (carvers: number, change = {}) => {
    const own = { ...serving, ...change };
    const changed = { ...event, servings: [own] };
    return carvePlan(changed, library, { runs: stagedCarving(changed, library, plan.runs, carvers) }, own);
  };

  it('opens each piece as late as the guests allow, where nobody is named', () => {
    const { turns, labourMin, lateMin } = staged(2);
    // Three briskets of 8 min and two butts of 6 over 45 min: a brisket is needed at 18:00, 18:15 and 18:30.
    expect(labourMin).toBe(36);
    const ends = (batchId: string) => turns.filter((turn) => turn.batchId === batchId).map((turn) => (turn.toMs - SUPPER_MS) / MIN);
    expect(ends('brisket-whole')).toEqual([0, 15, 30]);
    expect(ends('pork-butt')).toEqual([0, 22]);
    expect(lateMin).toBe(0);
  });

  it('gives nobody two knives at once, and tells the fewest hands that do', () => {
    for (const carvers of [1, 2, 3]) {
      const { turns } = staged(carvers);
      for (const turn of turns)
        for (const other of turns)
          if (turn !== other && turn.carver === other.carver) expect(turn.toMs <= other.fromMs || other.toMs <= turn.fromMs).toBe(true);
    }
    expect(staged(1).fewestCarvers).toBe(1);
    // With no time ahead and ten minutes to serve, one pair of hands is not enough.
    expect(staged(1, { carveLeadMin: 8, serveForMin: 10 }).fewestCarvers).toBeGreaterThan(1);
  });

  it('is the plan’s own where people are named: some as carving begins, the rest spread over the window', () => {
    const duty = ['ada', 'bo'].map((memberId) => ({ memberId, fromMs: SUPPER_MS - 40 * 60 * MIN, toMs: SUPPER_MS + 180 * MIN }));
    const named = { ...event, duty };
    const own = buildPlan(inputOf(named));
    const { turns, carvers } = carvePlan(named, library, own, serving);
    expect(carvers).toBe(2);
    const firsts = turns.filter((turn) => turn.batchId === 'brisket-whole');
    expect(firsts[0]!.fromMs).toBe(SUPPER_MS - serving.carveLeadMin * MIN);
    expect(firsts.at(-1)!.fromMs).toBeGreaterThan(SUPPER_MS);
    // The run sheet has the same pieces at the same time in the same hands.
    const tasks = own.tasks.filter((task) => task.kind === 'carve');
    for (const turn of turns)
      expect(
        tasks.some(
          (task) =>
            task.runId === turn.runId &&
            task.who?.[0] === turn.who[0] &&
            task.atMs <= turn.fromMs &&
            turn.pieceIds.every((id) => task.pieceIds!.includes(id)),
        ),
      ).toBe(true);
  });

  it('knows how a cut is opened, and at which core', () => {
    expect(carveManner(findCut('brisket-whole')!)).toEqual({ manner: 'slice', bandC: [60, 66] });
    expect(carveManner(findCut('pork-butt')!).manner).toBe('pull');
    expect(carveManner(findCut('spare-ribs')!).manner).toBe('joint');
    expect(carveManner(findCut('pan-dish')!).manner).toBe('dress');
    expect(carveManner(findCut('tri-tip')!)).toEqual({ manner: 'slice' });
  });
});

describe('cold space', () => {
  it('adds up what lies there between every two changes', () => {
    const moments = coldMoments([
      { id: 'a', litres: 10, fromMs: 0, toMs: 10 },
      { id: 'b', litres: 5, fromMs: 4, toMs: 6 },
      { id: 'empty', litres: 99, fromMs: 5, toMs: 5 },
    ]);
    expect(moments.map(({ fromMs, toMs, litres }) => [fromMs, toMs, litres])).toEqual([
      [0, 4, 10],
      [4, 6, 15],
      [6, 10, 10],
    ]);
    expect(overFull(moments, 12).map((moment) => moment.ids)).toEqual([['a', 'b']]);
    expect(overFull(moments, 15)).toEqual([]);
    expect(coldMoments([])).toEqual([]);
  });
});

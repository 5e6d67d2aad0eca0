import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import { findCut } from '../model';
import { buildPlan } from '../planning';
import { carveManner, carvePlan, coldMoments, overFull } from './index';

const MIN = 60_000;

describe('carving', () => {
  const event = eventOf([batchOf('brisket-whole', 3), batchOf('pork-butt', 2)]);
  const plan = buildPlan(inputOf(event));
  const serving = event.servings[0]!;
  const staged = (carvers: number, change = {}) => carvePlan(event, inputOf(event).library, plan, { ...serving, ...change }, carvers);

  it('opens each piece as late as the guests allow', () => {
    const { turns, labourMin } = staged(2);
    // Three briskets of 8 min and two butts of 6 over 45 min: a brisket is needed at 18:00, 18:15 and 18:30.
    expect(labourMin).toBe(36);
    const ends = (batchId: string) => turns.filter((turn) => turn.batchId === batchId).map((turn) => (turn.toMs - SUPPER_MS) / MIN);
    expect(ends('brisket-whole')).toEqual([0, 15, 30]);
    expect(ends('pork-butt')).toEqual([0, 22.5]);
    expect(turns.map((turn) => turn.fromMs)).toEqual([...turns.map((turn) => turn.fromMs)].sort((a, b) => a - b));
  });

  it('gives nobody two knives at once, and tells the fewest hands that do', () => {
    for (const carvers of [1, 2, 3]) {
      const { turns } = staged(carvers);
      for (const turn of turns)
        for (const other of turns)
          if (turn !== other && turn.carver === other.carver) expect(turn.toMs <= other.fromMs || other.toMs <= turn.fromMs).toBe(true);
    }
    expect(staged(1).fewestCarvers).toBe(1);
    expect(staged(1).shortMin).toBe(0);
    // With no time ahead and ten minutes to serve, one pair of hands is not enough.
    const hurried = staged(1, { carveLeadMin: 8, serveForMin: 10 });
    expect(hurried.shortMin).toBeGreaterThan(0);
    expect(hurried.fewestCarvers).toBeGreaterThan(1);
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

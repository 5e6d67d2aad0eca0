import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { buildPlan } from '../planning';
import { layoutTimeline, xAt } from './index';

const event = eventOf([
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('pork-butt', 3, { methodId: 'low-paper' }),
  batchOf('chicken-half', 6),
]);
const plan = buildPlan(inputOf(event));
const layout = (widthPx: number, drawn = plan) =>
  layoutTimeline({ plan: drawn, servings: event.servings, pits: [OFFSET, OVEN], gear: [BOX], widthPx, leftPx: 120, hourMs: SUPPER_MS });

describe('the timeline', () => {
  it('runs right to the serving line and holds every bar', () => {
    const drawn = layout(960);
    expect(drawn.servings[0]!.x).toBeCloseTo(drawn.scale.rightPx, 6);
    for (const row of drawn.pits.flatMap((pit) => pit.racks)) {
      for (const bar of row.bars) {
        expect(bar.x0).toBeGreaterThanOrEqual(drawn.scale.leftPx);
        expect(bar.x1).toBeLessThanOrEqual(drawn.scale.rightPx);
        expect(bar.y).toBeGreaterThanOrEqual(row.y);
        expect(bar.y + bar.height).toBeLessThanOrEqual(row.y + row.height);
        expect(bar.segments.reduce((sum, segment) => sum + segment.x1 - segment.x0, 0)).toBeCloseTo(bar.x1 - bar.x0, 6);
      }
    }
  });

  it('never draws two bars of a rack over each other', () => {
    for (const row of layout(960).pits.flatMap((pit) => pit.racks)) {
      for (const a of row.bars)
        for (const b of row.bars) if (a !== b && a.y === b.y) expect(a.x1 <= b.x0 + 0.5 || b.x1 <= a.x0 + 0.5).toBe(true);
    }
  });

  it('keeps labels of the ruler apart at any width', () => {
    for (const widthPx of [640, 960, 1600]) {
      const { ticks } = layout(widthPx);
      for (let i = 1; i < ticks.length; i++) expect(ticks[i]!.x - ticks[i - 1]!.x).toBeGreaterThanOrEqual(57);
    }
  });

  it('draws one flap for each lifting of a lid, whatever is done at it', () => {
    for (const row of layout(960).pits) {
      const lifted = plan.tasks.filter((task) => task.pitId === row.pitId && task.opening);
      expect(row.openings.flatMap((opening) => opening.tasks.map((task) => task.id)).sort()).toEqual(lifted.map((task) => task.id).sort());
      expect(new Set(row.openings.map((opening) => opening.atMs)).size).toBe(row.openings.length);
    }
    const tasks = plan.tasks.map((task) => (task.opening ? { ...task, opening: `${task.pitId}, once` } : task));
    const once = layout(960, { ...plan, tasks }).pits.map((row) => row.openings.length);
    expect(Math.max(...once)).toBe(1);
  });

  it('draws a hot finish at the end of its run, and its coals beside the pit’s own heat', () => {
    const roast = eventOf([batchOf('tri-tip', 3, { methodId: 'roast-seared' })]);
    const seared = buildPlan(inputOf(roast));
    const [run] = seared.runs;
    const drawn = layoutTimeline({
      plan: seared,
      servings: roast.servings,
      pits: [OFFSET, OVEN],
      gear: [BOX],
      widthPx: 960,
      leftPx: 120,
      hourMs: SUPPER_MS,
    });
    const row = drawn.pits.find((pit) => pit.pitId === run!.pitId)!;
    const [bar] = row.racks.flatMap((rack) => rack.bars);
    expect(bar!.hot!.x1).toBeCloseTo(xAt(drawn.scale, run!.pullMedianMs), 6);
    expect(bar!.hot!.x1 - bar!.hot!.x0).toBeGreaterThanOrEqual(5);
    expect(row.coals).toMatchObject([{ pitC: 260, x1: xAt(drawn.scale, run!.pullLateMs) }]);
    expect(row.setPoints.every((point) => point.pitC < 130)).toBe(true);
    expect(layout(960).pits.every((pit) => pit.coals.length === 0)).toBe(true);
  });

  it('places an instant in proportion', () => {
    expect(xAt({ fromMs: 0, toMs: 100, leftPx: 10, rightPx: 110 }, 50)).toBe(60);
  });
});

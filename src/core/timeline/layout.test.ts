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
const layout = (widthPx: number) =>
  layoutTimeline({ plan, servings: event.servings, pits: [OFFSET, OVEN], gear: [BOX], widthPx, leftPx: 120, hourMs: SUPPER_MS });

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

  it('places an instant in proportion', () => {
    expect(xAt({ fromMs: 0, toMs: 100, leftPx: 10, rightPx: 110 }, 50)).toBe(60);
  });
});

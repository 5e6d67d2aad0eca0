import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, servedAway, SUPPER_MS } from '../../../tests/fixtures/events';
import { buildPlan } from '../planning';
import { layoutTimeline, xAt } from './index';

const event = eventOf([
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('pork-butt', 3, { methodId: 'low-paper' }),
  batchOf('chicken-half', 6),
]);
const plan = buildPlan(inputOf(event));
const namesOf = (batchId: string, count: number) => [`${batchId} ${count}`, String(count)];
const layout = (widthPx: number, drawn = plan) =>
  layoutTimeline({
    plan: drawn,
    servings: event.servings,
    pits: [OFFSET, OVEN],
    gear: [BOX],
    widthPx,
    leftPx: 120,
    namesOf,
    hourMs: SUPPER_MS,
  });

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

  it('names bars where the name covers no serving line, no finish, no other bar and no other name', () => {
    for (const widthPx of [420, 640, 960, 1600]) {
      const drawn = layout(widthPx);
      const rows = [...drawn.pits.flatMap((pit) => pit.racks), ...drawn.holds];
      let named = 0;
      for (const { bars } of rows)
        for (const bar of bars) {
          if (!bar.label) continue;
          named++;
          const { x0, widthPx: wide, inside } = bar.label;
          const x1 = x0 + wide;
          expect(drawn.servings.every((serving) => serving.x <= x0 || serving.x >= x1)).toBe(true);
          if (inside) expect(x1).toBeLessThanOrEqual(Math.min(bar.x1, bar.fade?.x0 ?? Infinity));
          const beside = bars.filter((other) => other.y === bar.y && (other !== bar || !inside));
          for (const other of beside) expect(other.x1 <= x0 + 0.5 || other.x0 >= x1 - 0.5).toBe(true);
          for (const other of bars)
            if (other !== bar && other.y === bar.y && other.label)
              expect(other.label.x0 + other.label.widthPx <= x0 + 0.5 || other.label.x0 >= x1 - 0.5).toBe(true);
        }
      expect(named).toBeGreaterThan(rows.length / 2);
    }
  });

  it('draws racks that hold the same as one, with all their pieces', () => {
    const ribs = eventOf([batchOf('spare-ribs-squared', 12)]);
    const cabinet = {
      ...OFFSET,
      id: 'cabinet',
      racks: [1, 2, 3].map((level) => ({ ...OFFSET.racks[0]!, id: `shelf-${level}`, level, widthMm: 700 })),
    };
    const [row] = layoutTimeline({
      plan: buildPlan(inputOf(ribs, [cabinet])),
      servings: ribs.servings,
      pits: [cabinet],
      gear: [BOX],
      widthPx: 960,
      leftPx: 120,
      namesOf,
      hourMs: SUPPER_MS,
    }).pits;
    expect(row!.racks.flatMap((rack) => rack.bars).reduce((sum, bar) => sum + bar.count, 0)).toBe(12);
    expect(row!.racks.length).toBeLessThan(3);
  });

  it('has a row for everybody on duty, with the day’s work and drives', () => {
    const duty = ['ada', 'bo'].map((memberId, i) => ({
      memberId,
      fromMs: SUPPER_MS - (20 - i) * 3_600_000,
      toMs: SUPPER_MS + 3_600_000 * 3,
    }));
    const away = servedAway({ ...event, duty }, 20);
    const crew = duty.map(({ memberId }) => ({ id: memberId, name: memberId, drives: true }));
    const drawn = layoutTimeline({
      plan: buildPlan({ ...inputOf(away), crew }),
      servings: away.servings,
      pits: [OFFSET, OVEN],
      gear: [BOX],
      widthPx: 960,
      leftPx: 120,
      namesOf,
      hourMs: SUPPER_MS,
    });
    expect(drawn.people.map((person) => person.memberId)).toEqual(['ada', 'bo']);
    expect(drawn.hands).toBeUndefined();
    expect(drawn.road!.trips.length).toBeGreaterThan(1);
    expect(drawn.people.some((person) => person.trips.length > 0 && person.work.length > 3)).toBe(true);
    for (const { x0, x1 } of drawn.people.flatMap((person) => [...person.work, ...person.stays])) {
      expect(x0).toBeGreaterThanOrEqual(drawn.scale.leftPx - 0.5);
      expect(x1).toBeLessThanOrEqual(drawn.scale.rightPx + 0.5);
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
      namesOf,
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

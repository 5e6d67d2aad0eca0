import { describe, expect, it } from 'vitest';
import { eventOf, inputOf } from '../../../tests/fixtures/events';
import { EQUIPMENT_SETS, presetPit, READY_MENUS, SHIPPED_LIBRARY, methodsFor, cutIn } from '../model';
import { buildPlan } from '../planning';
import { readyMenu } from './index';

let next = 0;
const newId = () => `m${++next}`;
const event = eventOf([]);
const serving = { ...event.servings[0]!, guests: { adults: 24, children: 0, heartyShare: 0 } };
const menuOf = (id: string) => readyMenu(id, serving, SHIPPED_LIBRARY, () => 'supper', newId);

describe('ready-made menus', () => {
  it.each(READY_MENUS.map(({ id }) => id))('%s: known cuts by methods they are offered, in as many pieces as the guests need', (id) => {
    const { batches, sides } = menuOf(id);
    expect(batches.length).toBe(READY_MENUS.find((each) => each.id === id)!.batches.length);
    expect(sides.length).toBeGreaterThan(0);
    for (const batch of batches) {
      const cut = cutIn(SHIPPED_LIBRARY, batch.cutId)!;
      expect(methodsFor(SHIPPED_LIBRARY, cut).map((method) => method.id)).toContain(batch.methodId);
      expect(batch.pieces.length).toBeGreaterThan(0);
      expect(batch).toMatchObject({ sizedBy: 'guests', servingId: serving.id });
    }
    expect(new Set([...batches, ...sides].map((each) => each.id)).size).toBe(batches.length + sides.length);
  });

  it('plan at once: the sample on the first ready-made set, without a broken rule', () => {
    const [set] = EQUIPMENT_SETS;
    const { batches, sides } = menuOf(READY_MENUS[0]!.id);
    const pits = set!.pits.map(({ kind, name }) => ({ ...presetPit(kind, newId), name }));
    const boxes = set!.boxes.map((box) => ({ ...box, id: newId() }));
    const sample = {
      ...event,
      servings: [{ ...serving, sides }],
      batches,
      pitIds: pits.map((pit) => pit.id),
      boxIds: boxes.map((box) => box.id),
    };
    const { problems, runs } = buildPlan(inputOf(sample, pits, boxes));
    expect(problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
    expect(runs.flatMap((run) => run.pieceIds)).toHaveLength(batches.reduce((sum, batch) => sum + batch.pieces.length, 0));
  });

  it('is nothing for a menu that is not', () => {
    expect(menuOf('nowhere')).toEqual({ batches: [], sides: [] });
  });
});

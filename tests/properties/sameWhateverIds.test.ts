import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { buildPlan, planFrom, searchPlan, type PlanInput } from '../../src/core/planning';
import { shoppingList } from '../../src/core/quantities';
import { newForecastCache } from '../../src/core/schedule';
import { messageContextOf } from '../../src/formats/messages/names';
import { shoppingCsv } from '../../src/formats/shoppingCsv';
import { runSheetCsv } from '../../src/formats/runSheetCsv';
import type { Units } from '../../src/formats/units';
import { batchOf, BOX, BULLET, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS, ZONED } from '../fixtures/events';

const UNITS: Units = { temp: 'F', mass: 'lb', clock: '24' };
const HOUR = 3_600_000;
const menu = [
  batchOf('brisket-whole', 4, { prep: { salt: 'night', recipes: { rub: 'rub-pepper' } } }),
  batchOf('pork-butt', 5, { methodId: 'low-foil' }),
  batchOf('spare-ribs', 6),
  batchOf('pan-dish', 2, { label: 'Harbour beans', prep: { recipes: { dish: 'dish-beans' } } }),
  batchOf('chicken-half', 8),
];
const crew = [
  { id: 'ada', name: 'Ada' },
  { id: 'ben', name: 'Ben' },
];
const event = eventOf(menu, {
  pitIds: ['offset', 'zoned', 'bullet', 'oven'],
  boxIds: ['box'],
  duty: crew.map(({ id }) => ({ memberId: id, fromMs: SUPPER_MS - 30 * HOUR, toMs: SUPPER_MS + 3 * HOUR })),
});
const house: PlanInput = { ...inputOf(event, [OFFSET, ZONED, BULLET, OVEN], [BOX, { ...BOX, id: 'box-2', name: 'Second box' }]), crew };

/** Every id that was drawn: of servings, batches, pieces, pits, racks, boxes and people. */
const drawn = [
  'supper',
  ...menu.flatMap((batch) => [batch.id, ...batch.pieces.map((piece) => piece.id)]),
  ...house.pits.flatMap((pit) => [pit.id, ...pit.racks.map((rack) => rack.id)]),
  'box',
  'box-2',
  'ada',
  'ben',
];

/** The same event and equipment under other ids; cuts, methods and recipes keep theirs. */
function renamed(input: PlanInput, ids: Map<string, string>): PlanInput {
  const NAMES_OF_KINDS = new Set(['cutId', 'methodId', 'recipes', 'kind', 'carved', 'name', 'label']);
  const walk = (value: unknown, key = ''): unknown => {
    if (NAMES_OF_KINDS.has(key)) return value;
    if (typeof value === 'string') return ids.get(value) ?? value;
    if (Array.isArray(value)) return value.map((each) => walk(each));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, walk(each, name)]));
  };
  const { library, ...rest } = input;
  return { ...(walk(rest) as PlanInput), library };
}

/** All that a person reads of a plan. */
function asRead(input: PlanInput, plan: ReturnType<typeof buildPlan>): string {
  const context = messageContextOf(input, UNITS);
  const { event: own, library, pits } = input;
  return [
    // All columns but those that hold an id.
    ...Papa.parse<Record<string, string>>(runSheetCsv(context, plan), { header: true }).data.map(({ task_id: _, opening: __, ...row }) =>
      JSON.stringify(row),
    ),
    shoppingCsv(shoppingList({ event: own, library, pits, plan }), [], UNITS),
    JSON.stringify(plan.objective),
    JSON.stringify(plan.odds.map(({ onTimeShare, expectedLateMin }) => [onTimeShare, expectedLateMin])),
    JSON.stringify(plan.runs.map((run) => run.legs.map((leg) => leg.places.map(({ pieceId: _, ...place }) => place)))),
  ].join('\n');
}

const searched = (input: PlanInput): string => {
  const cache = newForecastCache();
  const searching = searchPlan(input, { seed: 1, iterations: 25 }, cache);
  let step = searching.next();
  while (!step.done) step = searching.next();
  return asRead(input, planFrom(input, step.value));
};

describe('the same brief under other ids', () => {
  const first = { plan: asRead(house, buildPlan(house)), search: searched(house) };

  it('gives the same plan and the same shopping list, to the byte, whatever ids were drawn', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(drawn, { minLength: drawn.length, maxLength: drawn.length }), fc.boolean(), (order, search) => {
        const ids = new Map(drawn.map((id) => [id, `${order.indexOf(id).toString(36)}-${id.length}`]));
        const other = renamed(house, ids);
        if (search) expect(searched(other)).toBe(first.search);
        else expect(asRead(other, buildPlan(other))).toBe(first.plan);
      }),
      { numRuns: 10, seed: 3 },
    );
  });
});

import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from '../../demo/fill';
import type { Plan } from '../../src/core/model';
import type { PlanInput } from '../../src/core/planning';
import { costBeside, shoppingList, type ShoppingItem } from '../../src/core/quantities';
import { openDatabase, type Database } from '../../src/persistence';
import * as services from '../../src/services';
import { editAs } from '../fixtures/edits';
import { ownPlanner } from '../fixtures/planner';

/**
 * The chain from the lightcontext supper's 114 guests to its shopping list, done a second time with the
 * constants of the trade written out here: nothing below calls the product's own arithmetic.
 */
const LB = 0.45359237;
let folder: string;
let db: Database;
let context: services.Context;
let input: PlanInput;
let plan: Plan;
let items: ShoppingItem[];

beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'anachron-demo-'));
  db = await openDatabase(path.join(folder, 'demo.sqlite'));
  let next = 0;
  context = { db, planner: ownPlanner, nowMs: () => Date.parse('2027-05-20T12:00:00Z'), newId: () => `id-${++next}` };
  await fillDemo(context);
  const event = (await services.listEvents(context)).find((each) => each.name.startsWith('Gannet Point'));
  const planned = await services.planEvent(context, event!.id);
  ({ input, plan } = planned!);
  items = shoppingList({ ...input, plan });
});
afterAll(async () => {
  await db.close();
  rmSync(folder, { recursive: true, force: true });
});

const item = (group: string, name: string) => {
  const found = items.find((each) => each.group === group && each.name === name);
  if (!found) throw new Error(`not on the list: ${group}, ${name}`);
  return found.amount;
};
const weight = (group: string, name: string) => {
  const amount = item(group, name);
  return amount.unit === 'pieces' ? amount.kg : amount.value;
};
const pieces = (batchId: string) => input.event.batches.find((batch) => batch.id === batchId)!.pieces;
const kgOn = (batchId: string) => pieces(batchId).reduce((sum, piece) => sum + piece.kg, 0);

// Supper: 96 adults and 18 children who eat half, a tenth on top for the buffet.
const SUPPER = (96 + 18 / 2) * 1.1;
// Lunch: 22 adults, a fifth of whom eat a fifth more, plated.
const LUNCH = 22 * (1 + 0.2 * 0.2);
// 110 and 130 g of sides and 150 g of beans a head are 140 g more than the usual 250: 4 % less meat for each 100 g.
const BESIDE = 1 - 1.4 * 0.04;
// Four meats at supper: 60 to 75 g of each a head; ribs are 16 % of the plate, so each other is 28 % of it. One at lunch: 140 to 170 g.
const EACH_OF_FOUR_KG = 0.0675 * (0.28 * 4) * BESIDE;
const RACKS = (SUPPER * 2 * (0.16 * 4) * BESIDE) / 12;
const ALONE_AT_LUNCH_KG = 0.155;

describe('from 114 guests to the butcher', () => {
  it('plans without a broken rule', () => {
    expect(SUPPER).toBeCloseTo(115.5, 9);
    expect(plan.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
  });

  it('buys brisket: yield 0.60, trim 0.22, three of the lightest sold', () => {
    const cookedKg = SUPPER * EACH_OF_FOUR_KG;
    const boughtLb = cookedKg / 0.6 / 0.78 / LB;
    expect(boughtLb).toBeCloseTo(38.8, 1);
    // 14 to 18 lb each: 2 x 18 = 36 is short, so 3 x 14 = 42.
    expect(item('Harbour Meats', 'brisket, whole, choice')).toMatchObject({ unit: 'pieces', value: 3 });
    expect(weight('Harbour Meats', 'brisket, whole, choice') / LB).toBeCloseTo(42, 1);
  });

  it('buys pork: yield 0.58, trim 0.06, four of about 8 lb', () => {
    const boughtLb = (SUPPER * EACH_OF_FOUR_KG) / 0.58 / 0.94 / LB;
    expect(item('Harbour Meats', 'pork butt, bone in')).toMatchObject({ value: 4 });
    expect(weight('Harbour Meats', 'pork butt, bone in') / LB).toBeCloseTo(boughtLb, 0);
  });

  it('buys a dozen racks of 2.75 lb: 2 bones a head, a sixth of the plate, rounded up', () => {
    expect(RACKS).toBeCloseTo(11.63, 2);
    expect(item('Harbour Meats', 'spare ribs, squared')).toMatchObject({ value: 12 });
    expect(weight('Harbour Meats', 'spare ribs, squared') / LB).toBeCloseTo(12 * 2.75, 0);
  });

  it('buys birds from the other butcher: halves at yield 0.62, breasts at 0.80', () => {
    const halvesLb = (SUPPER * EACH_OF_FOUR_KG) / 0.62 / 0.95 / LB;
    expect(weight('Saltmarsh Poultry', 'chicken half') / LB).toBeCloseTo(halvesLb, 0);
    const breastsLb = (LUNCH * ALONE_AT_LUNCH_KG) / 0.8 / 0.97 / LB;
    expect(weight('Saltmarsh Poultry', 'turkey breast, boneless') / LB).toBeCloseTo(breastsLb, 0);
    expect(item('Saltmarsh Poultry', 'turkey breast, boneless')).toMatchObject({ value: 3 });
  });
});

describe('from the pieces to the stores', () => {
  /** Surface of one piece, cm2, from its weight and the cut's reference shape in cm. */
  const surface = (kg: number, l: number, w: number, t: number, fill: number) => {
    const scale = Math.cbrt(kg / ((1.05 * l * w * t * fill) / 1000));
    return 2 * (l * w + l * t + w * t) * scale ** 2 * fill ** (2 / 3);
  };
  // A heavy hand on butts, 0.07 g/cm2; the usual one on ribs, 0.042.
  const rubKg = (batchId: string, gPerCm2: number, ...shape: [number, number, number, number]) =>
    pieces(batchId).reduce((sum, piece) => sum + (gPerCm2 / 1000) * surface(piece.kg, ...shape), 0);
  const harbourKg = () => rubKg('pork', 0.07, 21, 17, 12, 0.8) + rubKg('ribs', 0.042, 34, 13.5, 3.05, 0.85);

  it('mixes the rub of pork and ribs by their surface', () => {
    // Harbour rub: 4 salt, 4 sugar, 3 paprika, 2 pepper, 1 garlic, 1 mustard, half celery: 15.5 parts.
    expect(weight('Dry store', 'mustard powder')).toBeCloseTo(harbourKg() / 15.5 + (kgOn('beans') * 0.1) / 30.6, 3);
    expect(weight('Dry store', 'celery seed')).toBeCloseTo((harbourKg() * 0.5) / 15.5, 4);
  });

  it('weighs the salt: 9 g/kg on brisket, 55 g a litre in the brines, the rub’s own, the dressing’s', () => {
    const brined = (kgOn('turkey') + kgOn('chicken')) * 1.1 * 0.055;
    const dressing = (kgOn('pork') * 0.58 * 0.06 * 0.3) / 11.1;
    expect(weight('Dry store', 'coarse salt')).toBeCloseTo(kgOn('brisket') * 0.009 + brined + (harbourKg() * 4) / 15.5 + dressing, 3);
  });

  it('takes the thinned mustard at 4 g/kg, the fat in the paper at 30 g a piece, the glaze at 40 g a rack', () => {
    const glazeKg = 12 * 0.04;
    expect(weight('Dry store', 'yellow mustard')).toBeCloseTo((kgOn('brisket') + kgOn('pork')) * 0.004 * 0.8 + (glazeKg * 0.5) / 8.5, 4);
    expect(weight('Dairy and chilled', 'beef fat, rendered')).toBeCloseTo(3 * 0.03, 9);
  });

  it('brings the sides by the head, and counts what is bought by the piece', () => {
    expect(weight('Dairy and chilled', 'Potato salad')).toBeCloseTo(SUPPER * 0.13, 9);
    expect(item('Fresh and bakery', 'Cornbread')).toEqual({ unit: 'count', value: 116 });
    expect(item('Fresh and bakery', 'Soft rolls')).toEqual({ unit: 'count', value: 23 });
    // Buoy sauce: 6 mayonnaise, 1 horseradish, 2 vinegar.
    expect(weight('Dairy and chilled', 'mayonnaise')).toBeCloseTo((LUNCH * 0.035 * 6) / 9, 9);
  });
});

describe('from the plan to the fire', () => {
  const HOUR = 3_600_000;
  const hoursOf = (pitId: string) =>
    plan.firings
      .filter((firing) => firing.pitId === pitId)
      .map((firing) => ({ firing, hours: (firing.offAtMs - firing.lightAtMs) / HOUR }));

  /** The day is forecast at 12 C with 5 m/s of wind: 4 % more fuel for each m/s past 2. */
  const WINDY = 1 + 0.04 * 3;

  it('burns 2.5 kg of wood an hour at 121 C in the trailer, more as it runs hotter, a tenth in hand and 3 kg to light it', () => {
    const [{ firing, hours }] = hoursOf('trailer') as [ReturnType<typeof hoursOf>[number]];
    expect(hoursOf('trailer')).toHaveLength(1);
    const heats = firing.setPoints.map(({ atMs, pitC }, i) => ({
      pitC,
      hours: ((firing.setPoints[i + 1]?.atMs ?? firing.offAtMs) - (i === 0 ? firing.lightAtMs : atMs)) / HOUR,
    }));
    expect(hours).toBeGreaterThan(5);
    const woods = items.filter((each) => each.group === 'Fire and wrap' && each.name.endsWith(', split'));
    // Its recipe: oak with a quarter of apple.
    expect(woods.map((each) => each.name).sort()).toEqual(['apple, split', 'oak, split']);
    const burnt = heats.reduce((sum, each) => sum + each.hours * 2.5 * ((each.pitC - 12) / 106), 0);
    const bought = (name: string) => woods.find((each) => each.name === name)!.amount.value;
    expect(bought('oak, split') + bought('apple, split')).toBeCloseTo(burnt * WINDY * 1.1 + 3, 6);
    expect(bought('apple, split') / bought('oak, split')).toBeCloseTo(1 / 3, 6);
  });

  it('burns 0.3 kg of gas an hour in the cabinet, more the hotter it runs', () => {
    const gas = hoursOf('cabinet').reduce((sum, { firing }) => {
      const ends = [...firing.setPoints.slice(1).map((setPoint) => setPoint.atMs), firing.offAtMs];
      return (
        sum +
        firing.setPoints.reduce(
          (all, { atMs, pitC }, i) => all + (((ends[i]! - (i === 0 ? firing.lightAtMs : atMs)) / HOUR) * 0.3 * (pitC - 12)) / 106,
          0,
        )
      );
    }, 0);
    expect(weight('Fire and wrap', 'gas')).toBeCloseTo(gas * WINDY * 1.1, 6);
  });

  it('wraps seven large pieces in two metres of paper each', () => {
    expect(item('Fire and wrap', 'butcher paper')).toEqual({ unit: 'm', value: 14 });
  });

  it('tags every piece and pans every dish', () => {
    const all = input.event.batches.reduce((sum, batch) => sum + batch.pieces.length, 0);
    expect(item('Kit', 'piece tags')).toEqual({ unit: 'count', value: all });
    expect(item('Kit', 'foil pans, full')).toEqual({ unit: 'count', value: pieces('beans').length });
  });
});

describe('what a portion costs', () => {
  it('counts all that is bought and every minute of hands once, over all batches', () => {
    const beside = [...costBeside(input.event, plan, items).values()];
    const sum = (part: 'fire' | 'wrap' | 'hands') => beside.reduce((all, each) => all + each[part], 0);
    const lines = (names: RegExp) => items.filter((each) => each.group === 'Fire and wrap' && names.test(each.name));
    const spent = (names: RegExp, price: number) => lines(names).reduce((all, each) => all + each.amount.value * price, 0);
    // Wood 0.60 a kg, gas 2.80; paper and foil 0.70 a metre.
    expect(sum('fire')).toBeCloseTo(spent(/split|chunks/, 0.6) + spent(/^gas$/, 2.8), 6);
    expect(sum('wrap')).toBeCloseTo(spent(/paper|foil/, 0.7), 6);
    // 22 an hour; what hands do for the whole table, the van and the guests is nobody's meat.
    expect(sum('hands')).toBeGreaterThan(22 * 8);
    expect(sum('hands')).toBeLessThan(22 * 60);
  });
});

describe('the real pieces', () => {
  it('move the on-time of the brisket when they weigh more than was thought', async () => {
    const briskets = (runs: Plan['runs']) => runs.filter((run) => run.batchId === 'brisket');
    const firstOn = (runs: Plan['runs']) => Math.min(...briskets(runs).map((run) => run.onAtMs));
    const { event } = input;
    const saved = await editAs(context, event.id, 'saveWeights', {
      batchId: 'brisket',
      pieces: pieces('brisket').map((piece, i) => ({ id: piece.id, boughtKg: 6.8 + i * 0.2, trimmedKg: 5.6, thicknessMm: 80 })),
    });
    expect(saved.ok).toBe(true);
    const after = (await services.planEvent(context, event.id))!;
    expect(firstOn(plan.runs) - firstOn(after.plan.runs)).toBeGreaterThan(30 * 60_000);
    const pulled = briskets(after.plan.runs).flatMap((run) => run.pulls.map((pull) => pull.pieceId));
    expect(pulled.sort()).toEqual(pieces('brisket').map((piece) => piece.id));
    // Trim ran 0.19: it is learned, between that and the usual 0.22.
    const [learned] = after.learned;
    expect(learned).toMatchObject({ cutId: 'brisket-whole', pieces: 3, usualShare: 0.22 });
    expect(learned!.learnedShare).toBeLessThan(0.22);
    expect(learned!.learnedShare).toBeGreaterThan(learned!.measuredShare);
  });
});

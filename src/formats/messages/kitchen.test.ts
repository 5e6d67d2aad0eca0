import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { PREP_KINDS, SHIPPED_LIBRARY, type CookEvent, type PlanProblem } from '../../core/model';
import { buildPlan, changesSince, baselineOf, type Change } from '../../core/planning';
import { costOf, demandOf, shoppingList, supplyOf } from '../../core/quantities';
import { safetyReview } from '../../core/safety';
import { changeMessage } from './change';
import { mealAt, shiftsBetween } from '../clock';
import { costSteps, demandSteps, overMessage } from './demand';
import { batchName, pieceTag, type MessageContext } from './names';
import { prepTaskMessage } from './prep';
import { DROP_WORDS, planProblemMessage } from './problem';
import { limitMessage, safetyMessage } from './safety';
import { amountMessage } from './shopping';
import { shoppingCsv } from '../shoppingCsv';
import {
  DEFAULT_UNITS,
  formatHelping,
  formatMoney,
  formatRun,
  formatSmallMass,
  formatVolume,
  priceKept,
  pricePer,
  type Units,
} from '../units';

const METRIC: Units = { temp: 'C', mass: 'kg', clock: '24' };
const event = eventOf([
  batchOf('brisket-whole', 2, {
    prep: {
      thaw: 'cold',
      salt: 'night',
      temperMin: 30,
      recipes: { rub: 'rub-pepper', binder: 'binder-mustard', injection: 'injection-butter' },
    },
  }),
  batchOf('chicken-half', 6, { prep: { brine: 'timed', salt: 'none', recipes: { brine: 'brine-tide' } } }),
  batchOf('pan-dish', 1, { label: 'Harbour beans', prep: { recipes: { dish: 'dish-beans' } } }),
]);
const messageContextOf = (of: CookEvent = event, units: Units = DEFAULT_UNITS): MessageContext => ({
  event: of,
  pits: [OFFSET, OVEN],
  boxes: [BOX],
  library: SHIPPED_LIBRARY,
  units,
});
const holes = /undefined|NaN|null|\bInfinity\b|\[object/;

describe('the words of prep', () => {
  it('say something of every step, with the figures to weigh out', () => {
    for (const units of [DEFAULT_UNITS, METRIC])
      for (const kind of PREP_KINDS)
        for (const batch of event.batches) {
          const { title, detail } = prepTaskMessage(messageContextOf(event, units), { kind, batchId: batch.id });
          expect(`${title} ${detail}`, kind).not.toMatch(holes);
        }
    expect(prepTaskMessage(messageContextOf(event, METRIC), { kind: 'mixBrine', batchId: 'chicken-half' }).detail).toMatch(
      /^6\.4 l with 352 g of salt; \d/,
    );
    expect(prepTaskMessage(messageContextOf(event, METRIC), { kind: 'salt', batchId: 'brisket-whole' }).detail).toMatch(
      /^102 g of coarse salt/,
    );
  });

  it('carry the allergens of what is put on', () => {
    expect(prepTaskMessage(messageContextOf(), { kind: 'rub', batchId: 'brisket-whole' }).detail).toMatch(
      /Carries mustard and sulphites\.$/,
    );
    expect(prepTaskMessage(messageContextOf(), { kind: 'inject', batchId: 'brisket-whole' }).detail).toMatch(/Carries milk and celery\.$/);
  });
});

describe('the words of safety', () => {
  it('say something of every finding, in both systems', () => {
    const bird = { packWhole: true, colourGood: true, fatEven: true, note: '', coreC: 8 };
    const many = eventOf(
      [
        ...event.batches.map((batch) => ({ ...batch, received: bird })),
        batchOf('tri-tip', 1),
        batchOf('sausage-link', 8, { prep: { thaw: 'water' } }),
      ],
      { loosened: [{ rule: 'dangerZone', limit: 360, reason: 'Agreed with the department' }] },
    );
    const input = inputOf(many, [OFFSET, OVEN, { ...OFFSET, id: 'gas', kind: 'cabinet' }]);
    const findings = safetyReview({ ...input, plan: buildPlan(input) });
    expect(findings.length).toBeGreaterThan(15);
    for (const units of [DEFAULT_UNITS, METRIC])
      for (const finding of findings) {
        const words = safetyMessage(messageContextOf(many, units), finding);
        expect(Object.values(words).join(' '), finding.code).not.toMatch(holes);
        for (const part of Object.values(words)) expect(part.length, finding.code).toBeGreaterThan(2);
      }
    expect(limitMessage('hotHold', 60, DEFAULT_UNITS)).toBe('140 °F');
    expect(limitMessage('dangerZone', 240, METRIC)).toBe('4 h');
  });
});

describe('the words of what does not work', () => {
  it('name it, and say what would mend it', () => {
    const common = { batchId: 'brisket-whole', pieces: 2 } as const;
    const problems: PlanProblem[] = [
      { code: 'coreTooLow', severity: 'broken', ...common, coreC: 54, requiredC: 68, nonIntact: true },
      { code: 'coreTooLow', severity: 'broken', ...common, coreC: 60, requiredC: 74, nonIntact: false },
      { code: 'rareForSusceptible', severity: 'broken', ...common, coreC: 54, servingId: 'supper' },
      { code: 'prepTooLate', severity: 'warning', ...common, kind: 'salt', lateByMin: 90, waitsForDelivery: false, drop: 'saltAnHour' },
      { code: 'waterThawTooLong', severity: 'broken', ...common, minutes: 500 },
      {
        code: 'fridgeFull',
        severity: 'warning',
        batchIds: ['brisket-whole', 'pan-dish'],
        overLitres: 20.2,
        litres: 100,
        fromMs: SUPPER_MS,
        toMs: SUPPER_MS + 3_600_000,
      },
      {
        code: 'tubFull',
        severity: 'warning',
        batchIds: ['chicken-half'],
        overLitres: 3,
        litres: 10,
        fromMs: SUPPER_MS,
        toMs: SUPPER_MS + 3_600_000,
      },
      { code: 'tooSalty', severity: 'warning', batchId: 'brisket-whole', saltShare: 0.02 },
      {
        code: 'allergenServed',
        undeclaredIds: [],
        severity: 'warning',
        servingId: 'supper',
        carried: 'mustard',
        guests: 1,
        batchIds: ['brisket-whole'],
        free: 0,
      },
    ];
    for (const problem of problems) {
      const { what, remedy } = planProblemMessage(messageContextOf(), problem);
      expect(`${what} ${remedy}`, problem.code).not.toMatch(holes);
      expect(remedy.length).toBeGreaterThan(10);
    }
    expect(planProblemMessage(messageContextOf(), problems[3]!)).toEqual({
      what: '2 briskets: salting should have begun 1 h 30 ago.',
      remedy: DROP_WORDS.saltAnHour,
    });
    expect(planProblemMessage(messageContextOf(), problems[5]!).what).toMatch(
      /^The fridge would be 22 qt over \(106 qt there are\), Sat 18:00 to 19:00: briskets and harbour beans\.$/,
    );
    expect(planProblemMessage(messageContextOf(), problems[8]!).what).toBe('Supper: 1 guest does not eat mustard; it is in briskets.');
  });
});

describe('the words of changes', () => {
  it('say each in a line', () => {
    const input = inputOf(event);
    const plan = buildPlan(input);
    const kept = baselineOf(input, plan, 1);
    const next = {
      ...event,
      pitIds: ['offset'],
      servings: [
        { ...event.servings[0]!, atMs: SUPPER_MS - 1_800_000, guests: { adults: 70, children: 0, heartyShare: 0 } },
        { ...event.servings[0]!, id: 'late', name: 'Late' },
      ],
      batches: [{ ...event.batches[0]!, methodId: 'hot-foil', prep: {} }, batchOf('pork-butt', 1)],
    };
    const changes = changesSince(kept, inputOf(next), buildPlan(inputOf(next)));
    const lines = changes.map((change) => changeMessage(messageContextOf(next), change));
    for (const line of lines) expect(line).not.toMatch(holes);
    expect(lines).toContain('Supper is 30 min earlier');
    expect(lines).toContain('Supper: 60 guests, now 70');
    expect(lines).toContain('Harbour beans was taken off');
    const batch = { id: 'x', cutId: 'pork-butt', label: '' };
    const rest: Change[] = [
      { code: 'servingGone', name: 'Lunch' },
      { code: 'piecesChanged', batch, from: 2, to: 3 },
      { code: 'weightChanged', batch, fromKg: 4, toKg: 5 },
    ];
    expect(rest.map((change) => changeMessage(messageContextOf(event, METRIC), change))).toEqual([
      'Lunch was taken out',
      'Pork butt, bone in: 2 pieces, now 3',
      'Pork butt, bone in: 4 kg, now 5 kg',
    ]);
  });
});

describe('the words of buying', () => {
  it('follow the sum from guests to pieces, a step a line', () => {
    const own = eventOf([batchOf('pork-butt', 4, { buying: { pricePerKg: 5 } })]);
    const [batch] = own.batches;
    const demand = demandOf(own, SHIPPED_LIBRARY, () => 'supper').get('pork-butt')!;
    const cut = SHIPPED_LIBRARY.cuts.find((each) => each.id === 'pork-butt')!;
    const lines = demandSteps(demand, cut, own.servings, METRIC);
    expect(lines[0]).toBe('Supper: 60 adults × 1.1 buffet = 66 portions');
    expect(lines[1]).toBe('× 198 g a portion (the only meat, 170 g to 225 g at a supper) = 13.04 kg cooked');
    expect(lines.join(' ')).not.toMatch(holes);
    const supply = supplyOf(demand, batch!);
    expect(costSteps(costOf(demand, supply, cut, batch!)!, demand, supply, 'EUR', METRIC)).toMatch(
      /^15\.4 kg for €77\.\d\d, less €2\.\d\d for 0\.55 kg of kept trim = €74\.\d\d ÷ 66 portions$/,
    );
    expect([overMessage(0.04), overMessage(-0.06), overMessage(0.001)]).toEqual(['4 % over', '6 % short', 'just right']);
  });

  it('write the list as a table that reads back', () => {
    const input = inputOf(event);
    const items = shoppingList({ ...input, plan: buildPlan(input) });
    const text = shoppingCsv(items, [items[0]!.id], DEFAULT_UNITS);
    const { data, errors } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(items.length);
    expect(data[0]).toMatchObject({ source: 'Butcher', item: 'brisket, whole, choice', pieces: '2', have: 'yes' });
    expect(data.map((row) => row.amount).join(' ')).not.toMatch(holes);
    expect(amountMessage({ unit: 'pairs', value: 3.2 }, METRIC)).toBe('4 pairs');
  });

  it('tag each piece by a letter of its own', () => {
    const own = eventOf([
      batchOf('brisket-whole', 1),
      batchOf('pork-belly', 1),
      batchOf('pork-butt', 1),
      batchOf('pan-dish', 1, { label: 'Beans' }),
    ]);
    const tags = own.batches.map((batch) => pieceTag(messageContextOf(own), batch.id, 0));
    expect(tags[0]).toBe('B1');
    expect(new Set(tags).size).toBe(4);
    expect(batchName(messageContextOf(own), 'pan-dish')).toBe('Beans');
  });
});

describe('units of the kitchen', () => {
  it('weigh small things small', () => {
    expect(formatSmallMass(0.05, METRIC)).toBe('50 g');
    expect(formatSmallMass(1.25, METRIC)).toBe('1.25 kg');
    expect(formatSmallMass(0.05, DEFAULT_UNITS)).toBe('1.8 oz');
    expect(formatSmallMass(0.4, DEFAULT_UNITS)).toBe('14 oz');
    expect(formatVolume(10, METRIC)).toBe('10 l');
    expect(formatVolume(10, DEFAULT_UNITS)).toBe('10.6 qt');
    expect(formatRun(12, DEFAULT_UNITS)).toBe('40 ft');
    expect(formatRun(11.2, METRIC)).toBe('12 m');
    expect(formatHelping(85, DEFAULT_UNITS)).toBe('3 oz');
    expect(formatMoney(12.5, 'CAD')).toBe('$12.50');
    expect(priceKept(pricePer(11, DEFAULT_UNITS), DEFAULT_UNITS)).toBeCloseTo(11, 9);
    expect(pricePer(11, DEFAULT_UNITS)).toBeCloseTo(4.99, 2);
  });
});

describe('the kitchen’s clock', () => {
  it('opens and closes by the clock of the place, also on the day the clocks change', () => {
    const zone = 'America/Halifax';
    const fromMs = Date.parse('2028-03-11T12:00:00-04:00');
    const shifts = shiftsBetween(fromMs, fromMs + 2 * 86_400_000, zone, 8, 20);
    expect(shifts).toHaveLength(3);
    expect(new Date(shifts[1]!.fromMs).toISOString()).toBe('2028-03-12T11:00:00.000Z');
    expect(new Date(shifts[0]!.fromMs).toISOString()).toBe('2028-03-11T12:00:00.000Z');
    expect(shiftsBetween(fromMs, fromMs + 1, zone, 0, 24)[0]!.toMs - fromMs).toBe(12 * 3_600_000);
    expect(mealAt(Date.parse('2028-03-11T12:30:00-04:00'), zone)).toBe('lunch');
    expect(mealAt(Date.parse('2028-03-11T15:00:00-04:00'), zone)).toBe('supper');
  });
});

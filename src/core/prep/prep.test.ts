import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, SUPPER_MS } from '../../../tests/fixtures/events';
import { findCut, SHIPPED_LIBRARY, type Batch, type Prep, type Shift } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { prepChain } from './chain';
import { coldUses, placeSteps, prepProblems, type PrepOrder } from './index';

const H = 60;
const orderOf = (cutId: string, pieces: number, prep: Partial<Prep>, onAtMs = SUPPER_MS, extra: Partial<Batch> = {}): PrepOrder => ({
  batch: batchOf(cutId, pieces, { prep, ...extra }),
  cut: findCut(cutId)!,
  onAtMs,
});
const open = { library: SHIPPED_LIBRARY, prepCrew: 2, shifts: [] as Shift[] };
const kinds = (order: PrepOrder) => prepChain(order.batch, order.cut, SHIPPED_LIBRARY).map((link) => link.kind);
const BRINED: Partial<Prep> = { brine: 'timed', salt: 'none', recipes: { brine: 'brine-tide', rub: 'rub-thyme' } };
/** Eight to eight on each of the days before supper, which is served at 18:00. */
const SHIFTS: Shift[] = [-3, -2, -1, 0].map((day) => ({
  fromMs: SUPPER_MS + (day * 24 - 10) * H * MS_PER_MIN,
  toMs: SUPPER_MS + (day * 24 + 2) * H * MS_PER_MIN,
}));

describe('the chain of prep', () => {
  it('holds what was chosen, in the order it is done', () => {
    expect(kinds(orderOf('pork-butt', 2, {}))).toEqual(['trim', 'rub']);
    expect(
      kinds(
        orderOf('brisket-whole', 2, {
          thaw: 'cold',
          salt: 'night',
          temperMin: 30,
          recipes: { injection: 'injection-butter', rub: 'rub-pepper' },
        }),
      ),
    ).toEqual(['thaw', 'trim', 'inject', 'salt', 'rub', 'temper']);
    expect(kinds(orderOf('chicken-half', 4, BRINED))).toEqual(['trim', 'mixBrine', 'brine', 'rinse', 'rub']);
    expect(kinds(orderOf('pan-dish', 2, {}))).toEqual(['fill']);
  });

  it('takes the trade’s minutes: 15 a brisket, 4 a rack', () => {
    const trim = (cutId: string, pieces: number) => prepChain(batchOf(cutId, pieces), findCut(cutId)!, SHIPPED_LIBRARY)[0]!.minutes;
    expect(trim('brisket-whole', 3)).toBe(45);
    expect(trim('spare-ribs', 12)).toBe(48);
  });
});

describe('counted back from going on', () => {
  it('puts each step as late as the waits allow', () => {
    const [trim, salt, rub, temper] = placeSteps(
      [orderOf('brisket-whole', 1, { salt: 'night', temperMin: 60, recipes: { rub: 'rub-pepper' } })],
      open,
    );
    expect([trim!.kind, salt!.kind, rub!.kind, temper!.kind]).toEqual(['trim', 'salt', 'rub', 'temper']);
    // Out of the cold an hour before; rubbed just before that; salted at least 8 h before the rub.
    expect(temper!.atMs).toBe(addMinutes(SUPPER_MS, -60));
    expect(rub!.latestMs).toBe(addMinutes(SUPPER_MS, -60 - 4));
    expect(salt!.latestMs).toBe(addMinutes(rub!.latestMs, -8 * H - 3));
    expect(trim!.latestMs).toBe(addMinutes(salt!.latestMs, -15));
  });

  it('keeps to the kitchen’s hours where the windows allow, and says where they do not', () => {
    // On at two in the morning: seasoned the evening before, but topped up only as it goes on.
    const onAtMs = addMinutes(SUPPER_MS, -16 * H);
    const steps = placeSteps([orderOf('pork-butt', 3, { topUp: true }, onAtMs)], { ...open, shifts: SHIFTS });
    expect(steps.map((step) => [step.kind, step.outOfHours])).toEqual([
      ['trim', false],
      ['rub', false],
      ['topUp', true],
    ]);
    // Salted the night before it can: everything is done by eight in the evening.
    const salted = placeSteps([orderOf('pork-butt', 3, { salt: 'night', recipes: { rub: 'rub-pepper' } }, onAtMs)], {
      ...open,
      shifts: SHIFTS,
    });
    expect(salted.every((step) => !step.outOfHours)).toBe(true);
  });

  it('leaves an injection to spread, rubs in layers and chills the surface, each at its time', () => {
    const chain = prepChain(
      batchOf('pork-butt', 2, {
        prep: {
          recipes: { injection: 'injection-butter', rub: 'rub-harbour' },
          injectRestMin: 240,
          layerMin: 30,
          chillMin: 60,
          topUp: true,
        },
      }),
      findCut('pork-butt')!,
      SHIPPED_LIBRARY,
    );
    expect(chain.map(({ kind, waitMin }) => [kind, waitMin])).toEqual([
      ['trim', 0],
      ['inject', 240],
      ['rub', 30],
      ['layer', 0],
      ['chill', 58],
      ['topUp', 0],
    ]);
  });

  it('brines earlier rather than by night', () => {
    // On at half past nine: a brine of six hours would go in at night unless it is rinsed the evening before.
    const onAtMs = addMinutes(SUPPER_MS, -8.5 * H);
    const steps = placeSteps([orderOf('turkey-breast-boneless', 3, BRINED, onAtMs)], { ...open, shifts: SHIFTS });
    expect(steps.filter((step) => step.outOfHours)).toEqual([]);
  });

  it('starts nothing before the meat is there', () => {
    const deliverAtMs = addMinutes(SUPPER_MS, -5 * H);
    const steps = placeSteps([orderOf('pork-butt', 3, {})], { ...open, deliverAtMs });
    for (const step of steps) expect(step.earliestMs).toBeGreaterThanOrEqual(deliverAtMs);
  });

  it('never breaks a wait, crowds the hands or mixes raw poultry with other food', () => {
    const cut = fc.constantFrom('pork-butt', 'brisket-whole', 'spare-ribs', 'chicken-half', 'turkey-breast-boneless');
    const prep: fc.Arbitrary<Partial<Prep>> = fc.constantFrom(
      {},
      { salt: 'night' },
      { salt: 'hour', temperMin: 30 },
      { thaw: 'cold' },
      BRINED,
    );
    const order = fc.tuple(cut, prep, fc.integer({ min: 1, max: 8 }), fc.integer({ min: 0, max: 30 * H }));
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 5 }), fc.integer({ min: 1, max: 3 }), (list, prepCrew) => {
        const orders = list.map(([cutId, choice, pieces, before], i) =>
          orderOf(cutId, pieces, choice, addMinutes(SUPPER_MS, -before), { id: `b${i}` }),
        );
        const steps = placeSteps(orders, { ...open, prepCrew, shifts: SHIFTS });
        for (const { batch, cut: own, onAtMs } of orders) {
          const links = prepChain(batch, own, SHIPPED_LIBRARY);
          const mine = steps.filter((step) => step.batchId === batch.id);
          expect(mine.map((step) => step.kind)).toEqual(links.map((link) => link.kind));
          mine.forEach((step, i) => {
            const nextMs = mine[i + 1]?.atMs ?? onAtMs;
            const wait = (nextMs - addMinutes(step.atMs, step.minutes)) / MS_PER_MIN;
            expect(wait).toBeGreaterThanOrEqual(links[i]!.waitMin - 1e-6);
            expect(wait).toBeLessThanOrEqual(links[i]!.mostWaitMin + 1e-6);
            expect(step.atMs).toBeLessThanOrEqual(step.latestMs);
            expect(step.atMs).toBeGreaterThanOrEqual(step.earliestMs);
          });
        }
        const inHours = steps.filter((step) => !step.outOfHours);
        for (const step of inHours) {
          const beside = inHours.filter((other) => other.atMs <= step.atMs && addMinutes(other.atMs, other.minutes) > step.atMs);
          expect(beside.length).toBeLessThanOrEqual(prepCrew);
          const bird = (id: string) => ['chicken', 'turkey'].includes(orders.find((each) => each.batch.id === id)!.cut.species);
          expect(new Set(beside.map((other) => bird(other.batchId))).size).toBe(1);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('what is too late or too full', () => {
  const problemsOf = (order: PrepOrder, nowMs: number, kitchen = {}) => {
    const event = eventOf([order.batch], { kitchen });
    const steps = placeSteps([order], open);
    return prepProblems(event, [order], steps, coldUses(event, SHIPPED_LIBRARY, [order], steps), nowMs);
  };

  it('says what to drop: the brine, the night, the hour, the tempering', () => {
    const drop = (prep: Partial<Prep>, hoursBefore: number) => {
      const [problem] = problemsOf(orderOf('chicken-half', 4, prep), addMinutes(SUPPER_MS, -hoursBefore * H));
      return problem?.code === 'prepTooLate' ? problem.drop : undefined;
    };
    expect(drop(BRINED, 12)).toBeUndefined();
    expect(drop(BRINED, 4)).toBe('saltInsteadOfBrine');
    expect(drop({ salt: 'night' }, 4)).toBe('saltAnHour');
    expect(drop({ salt: 'hour' }, 1)).toBe('saltAsItGoesOn');
    expect(drop({ temperMin: 60 }, 1)).toBe('skipTempering');
    expect(drop({}, 0)).toBe('none');
    expect(drop({ thaw: 'cold' }, 10)).toBe('thawInWater');
  });

  it('is not late once it is done', () => {
    const late = { salt: 'night' as const, done: ['trim', 'salt'] };
    expect(problemsOf(orderOf('chicken-half', 4, late), addMinutes(SUPPER_MS, -4 * H))).toEqual([]);
  });

  it('knows when the delivery is what is too late', () => {
    const deliverAtMs = addMinutes(SUPPER_MS, -3 * H);
    const [problem] = problemsOf(orderOf('chicken-half', 4, { salt: 'night' }), addMinutes(SUPPER_MS, -30 * H), { deliverAtMs });
    expect(problem).toMatchObject({ code: 'prepTooLate', waitsForDelivery: true, drop: 'saltAnHour' });
  });

  it('refuses to thaw a heavy piece under water', () => {
    const codes = problemsOf(orderOf('brisket-whole', 1, { thaw: 'water' }), addMinutes(SUPPER_MS, -90 * H)).map((problem) => problem.code);
    expect(codes).toContain('waterThawTooLong');
  });

  it('counts litres in the fridge and the tubs, and tells by how much they are over', () => {
    const order = orderOf('turkey-breast-boneless', 8, BRINED);
    const kg = order.batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
    const tub = (1.1 * kg + kg / 1.05) * 1.15;
    const problems = problemsOf(order, addMinutes(SUPPER_MS, -90 * H), { fridgeLitres: 20, tubLitres: 10 });
    const tubs = problems.find((problem) => problem.code === 'tubFull');
    expect(tubs).toMatchObject({ severity: 'warning', batchIds: ['turkey-breast-boneless'] });
    expect(tubs && 'overLitres' in tubs && tubs.overLitres).toBeCloseTo(tub - 10, 6);
    const fridge = problems.find((problem) => problem.code === 'fridgeFull');
    expect(fridge && 'overLitres' in fridge && fridge.overLitres).toBeCloseTo(tub - 20, 6);
  });

  it('keeps cold sides in the fridge until they are served', () => {
    const event = eventOf([]);
    const side = { id: 's', kind: 'side' as const, name: 'Slaw', gPerHead: 100, chilled: true, carries: [] };
    const withSide = { ...event, servings: [{ ...event.servings[0]!, sides: [side, { ...side, id: 't', chilled: false }] }] };
    const { fridge } = coldUses(withSide, SHIPPED_LIBRARY, [], []);
    // 60 guests at a buffet, 66 portions of 100 g, 1.4 litres a kilogram.
    expect(fridge).toHaveLength(1);
    expect(fridge[0]!.litres).toBeCloseTo(66 * 0.1 * 1.4, 9);
    expect(fridge[0]!.toMs).toBe(SUPPER_MS);
  });
});

import { describe, expect, it } from 'vitest';
import { seededRandom, studentCumulative, studentQuantile } from '../numerics';
import { LAW, predictiveLaw, recordOf } from './law';

const CUTS = ['brisket-whole', 'pork-butt', 'spare-ribs-squared', 'chicken-half'];

describe("Student's t", () => {
  it('has the quantiles of the tables', () => {
    // NIST/SEMATECH e-Handbook, table 1.3.6.7.2.
    expect(studentQuantile(0.9, 8)).toBeCloseTo(1.397, 3);
    expect(studentQuantile(0.975, 3)).toBeCloseTo(3.182, 3);
    expect(studentQuantile(0.95, 30)).toBeCloseTo(1.697, 3);
    expect(studentQuantile(0.99, 100)).toBeCloseTo(2.364, 3);
    expect(studentQuantile(0.5, 8)).toBeCloseTo(0, 12);
  });

  it('goes back and forth', () => {
    for (const freedom of [3, 8, 38, 1000])
      for (const p of [0.001, 0.1, 0.4, 0.6, 0.95, 0.999])
        expect(studentCumulative(studentQuantile(p, freedom), freedom)).toBeCloseTo(p, 10);
  });
});

describe('the predictive law', () => {
  it('is wide for a stranger: 8 in 10 cooks between three quarters and four thirds of the median', () => {
    const law = predictiveLaw();
    const sd = Math.hypot(LAW.ownerLogSd, LAW.cutLogSd, LAW.ownerCutLogSd, LAW.cookLogSd);
    expect(law.pace('pork-butt')).toBe(1);
    expect(law.factor('pork-butt', 0.9)).toBeCloseTo(Math.exp(1.3968 * sd), 3);
    expect(law.factor('pork-butt', 0.1) * law.factor('pork-butt', 0.9)).toBeCloseTo(1, 9);
    for (const quantile of [0.05, 0.3, 0.9, 0.98])
      expect(law.chanceWithin('pork-butt', 600, 600 * law.factor('pork-butt', quantile))).toBeCloseTo(quantile, 8);
    expect(law.chanceWithin('pork-butt', 600, 0)).toBe(0);
  });

  it('narrows with cooks, most for their own cut, and moves toward what they say', () => {
    const cooks = (n: number) => recordOf(Array.from({ length: n }, (_, i) => ({ cutId: 'pork-butt', log: 0.2 + (i % 2 ? 0.1 : -0.1) })));
    const widthOf = (n: number, cutId: string) => Math.log(predictiveLaw(cooks(n)).factor(cutId, 0.9));
    const widths = [0, 2, 6, 20].map((n) => widthOf(n, 'pork-butt'));
    expect([...widths].sort((a, b) => b - a)).toEqual(widths);
    expect(widthOf(20, 'lamb-shoulder')).toBeLessThan(widthOf(0, 'lamb-shoulder'));
    expect(widthOf(20, 'lamb-shoulder')).toBeGreaterThan(widthOf(20, 'pork-butt'));
    const paces = [0, 2, 6, 20].map((n) => predictiveLaw(cooks(n)).pace('pork-butt'));
    expect([...paces].sort((a, b) => a - b)).toEqual(paces);
    expect(paces[3]!).toBeGreaterThan(Math.exp(0.18));
    expect(predictiveLaw(cooks(20)).pace('lamb-shoulder')).toBeGreaterThan(1.02);
    expect(predictiveLaw(cooks(20)).pace('lamb-shoulder')).toBeLessThan(predictiveLaw(cooks(20)).pace('pork-butt'));
  });

  it('is wider on a windy day, and with cooks that differ more than is usual', () => {
    expect(predictiveLaw({}, 8).factor('pork-butt', 0.9)).toBeGreaterThan(predictiveLaw().factor('pork-butt', 0.9));
    const wild = recordOf([-0.4, 0.4, -0.4, 0.4].map((log) => ({ cutId: 'pork-butt', log })));
    const calm = recordOf([-0.05, 0.05, -0.05, 0.05].map((log) => ({ cutId: 'pork-butt', log })));
    expect(predictiveLaw(wild).factor('pork-butt', 0.9)).toBeGreaterThan(predictiveLaw(calm).factor('pork-butt', 0.9));
  });

  it('is the mean and squares of a record, whatever order the cooks came in', () => {
    const logs = [0.3, -0.1, 0.05, 0.2].map((log) => ({ cutId: 'pork-butt', log }));
    const { cooks, meanLog, squaresLog } = recordOf(logs)['pork-butt']!;
    expect(cooks).toBe(4);
    expect(meanLog).toBeCloseTo(0.1125, 12);
    expect(squaresLog).toBeCloseTo(
      logs.reduce((sum, { log }) => sum + (log - 0.1125) ** 2, 0),
      12,
    );
    expect(recordOf([...logs].reverse())['pork-butt']!.squaresLog).toBeCloseTo(squaresLog, 12);
  });
});

/** Worlds whose owners are not drawn from the law's own sds: calmer, wilder, more alike, heavy-tailed. */
const WORLDS = {
  'as the law': { owner: 0.1, cut: 0.12, both: 0.06, cook: 0.11, tails: 0 },
  'kitchens alike, cooks wild': { owner: 0.05, cut: 0.12, both: 0.03, cook: 0.14, tails: 0 },
  'kitchens apart, cooks steady': { owner: 0.15, cut: 0.08, both: 0.09, cook: 0.1, tails: 0 },
  'a cook in ten goes astray': { owner: 0.09, cut: 0.1, both: 0.06, cook: 0.1, tails: 0.1 },
} as const;

describe.each(Object.entries(WORLDS))('owners the law was not made of: %s', (_, world) => {
  const random = seededRandom(77);
  const owners = Array.from({ length: 500 }, () => {
    const owner = world.owner * random.normal();
    // What the model misses of a cut is drawn anew for each owner as well: many models, one owner each.
    const cuts = CUTS.map(() => Math.hypot(world.cut, world.both) * random.normal());
    return () => {
      const at = Math.floor(CUTS.length * random.uniform());
      const sd = world.cook * (random.uniform() < world.tails ? 2.5 : 1);
      return { cutId: CUTS[at]!, log: owner + cuts[at]! + sd * random.normal() };
    };
  });
  const met = (count: number) => {
    let inside = 0;
    let squares = 0;
    let all = 0;
    for (const nextCook of owners) {
      const law = predictiveLaw(recordOf(Array.from({ length: count }, nextCook)));
      for (let i = 0; i < 8; i++) {
        const { cutId, log } = nextCook();
        const centre = Math.log(law.pace(cutId));
        if (log >= centre + Math.log(law.factor(cutId, 0.1)) && log <= centre + Math.log(law.factor(cutId, 0.9))) inside++;
        squares += (log - centre) ** 2;
        all++;
      }
    }
    return { share: inside / all, error: Math.sqrt(squares / all) };
  };

  it('keeps 75 to 90 % of their cooks inside its 10-90 range after 0, 3, 10 and 30 cooks, and errs ever less', () => {
    const told = [0, 3, 10, 30].map(met);
    for (const { share } of told) {
      expect(share).toBeGreaterThan(0.75);
      expect(share).toBeLessThan(0.9);
    }
    const errors = told.map(({ error }) => error);
    expect([...errors].sort((a, b) => b - a)).toEqual(errors);
    expect(errors[3]!).toBeLessThan(0.85 * errors[0]!);
  });
});

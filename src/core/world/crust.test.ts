import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics';
import { copyOf } from './copy';
import { Crust, type CrustAir } from './crust';
import type { Smoke } from './smoke';

const BLUE: Smoke = { thickness: 0.2, dirtyShare: 0, sootShare: 0 };
const WHITE: Smoke = { thickness: 0.9, dirtyShare: 0.9, sootShare: 0 };

function after(hours: number, air: Partial<CrustAir>, crust = new Crust(1)): Crust {
  for (let i = 0; i < hours * 360; i++) crust.step(10, { surfaceC: 78, lostShare: 0.1, wrap: 'none', smoke: BLUE, ...air });
  return crust;
}

describe('a crust', () => {
  it('does not brown while it is wet, and browns sooner the hotter it is', () => {
    expect(after(3, { lostShare: 0 }).bark).toBeLessThan(0.01);
    const [cool, hot] = [after(2, { surfaceC: 76 }), after(2, { surfaceC: 96 })];
    expect(cool.bark).toBeGreaterThan(0.4);
    expect(hot.bark).toBeGreaterThan(1.5 * cool.bark);
    expect(hot.colour).toBeGreaterThan(cool.colour);
  });

  it('hardens ever more slowly once it is set', () => {
    const crust = after(2, { surfaceC: 90 });
    const [first, soon] = [crust.bark, after(1, { surfaceC: 90 }, crust).bark];
    const later = after(1, { surfaceC: 90 }, crust).bark;
    expect(soon - first).toBeGreaterThan(later - soon);
  });

  it('is wet again for a while when it is sprayed', () => {
    const crust = after(2, {});
    expect(crust.damp).toBeLessThan(0.1);
    crust.spray();
    after(0.1, {}, crust);
    const sprayed = crust.damp;
    expect(sprayed).toBeGreaterThan(0.3);
    expect(after(1, {}, crust).damp).toBeLessThan(sprayed / 2);
  });

  it('keeps its bark in paper better than in foil, which steams it soft', () => {
    const in_ = (wrap: CrustAir['wrap']) => after(2, { wrap, smoke: undefined }, after(3, {}));
    const [paper, foil] = [in_('paper'), in_('foil')];
    expect(foil.soft).toBeGreaterThan(2 * paper.soft);
    expect(foil.damp).toBeGreaterThan(paper.damp);
    expect(foil.bark).toBeCloseTo(after(3, {}).bark, 9);
  });

  it('takes smoke while it is cool and bare, and turns bitter of dirty smoke alone', () => {
    const [clean, dirty, hot, wrapped] = [
      after(2, { lostShare: 0 }),
      after(2, { lostShare: 0, smoke: WHITE }),
      after(2, { surfaceC: 95 }),
      after(2, { wrap: 'foil' }),
    ];
    expect(clean.smokeH).toBeGreaterThan(1);
    expect(clean.bitterH).toBe(0);
    expect(dirty.bitterH).toBeGreaterThan(0.8);
    for (const none of [hot, wrapped]) expect(none.smokeH).toBe(0);
  });
});

describe('a copy', () => {
  it('goes its own way: numbers, lists, maps and chance; what was one thing stays one, what is frozen is shared', () => {
    const frozen = Object.freeze({ big: [1, 2, 3] });
    const list = [1, { x: 2 }];
    const one = {
      list,
      again: list,
      map: new Map([['a', { n: 1 }]]),
      temps: Float64Array.of(1, 2),
      luck: seededRandom(7),
      frozen,
      crust: new Crust(1),
    };
    one.luck.normal();
    const two = copyOf(one);
    expect(two.list).toBe(two.again);
    expect(two.list).not.toBe(one.list);
    expect(two.frozen).toBe(frozen);
    expect(two.crust).toBeInstanceOf(Crust);
    two.map.get('a')!.n = 9;
    two.temps[0] = 9;
    expect([one.map.get('a')!.n, one.temps[0]]).toEqual([1, 1]);
    const draw = (luck: typeof one.luck) => [luck.normal(), luck.uniform(), luck.normal()];
    expect(draw(two.luck)).toEqual(draw(one.luck));
  });
});

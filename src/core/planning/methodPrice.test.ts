import { describe, expect, it } from 'vitest';
import { CUTS, findCut, METHODS, methodsFor, SHIPPED_LIBRARY, type Method } from '../model';
import { methodPrices, type MethodPrice } from './methodPrice';

const prices = methodPrices(SHIPPED_LIBRARY);
const priceOf = (cutId: string, methodId: string): MethodPrice => prices[cutId]![methodId]!;
/** Held true of every cut that is offered both. */
const forAll = (a: string, b: string, holds: (a: MethodPrice, b: MethodPrice) => boolean) => {
  const cuts = CUTS.filter((cut) => prices[cut.id]![a] && prices[cut.id]![b]);
  expect(cuts.length, `${a} and ${b}`).toBeGreaterThan(0);
  for (const cut of cuts) expect(holds(priceOf(cut.id, a), priceOf(cut.id, b)), `${cut.id}: ${a} and ${b}`).toBe(true);
};

/** What a line may say of hours, bark, smoke and yield, each held against the model. */
const CLAIMS: Record<string, (methodId: string) => void> = {
  'Crunchy outside that softens in the foil': (id) => forAll(id, 'low-bare', (foil, bare) => foil.bareSetMin < bare.bareSetMin),
  'soft outside': (id) => forAll(id, 'low-bare', (foil, bare) => foil.bareSetMin < bare.bareSetMin),
  'Hard outside': (id) => forAll(id, 'middle-paper', (bare, paper) => bare.bareSetMin > paper.bareSetMin),
  'Takes smoke and a skin on top': (id) => expect(priceOf('pan-dish', id).smokeH).toBeGreaterThan(0.5),
  'Takes no smoke': (id) => expect(priceOf('pan-dish', id).smokeH).toBe(0),
  'goes past its number fast': (id) => forAll(id, 'poultry-middle', (hot, middle) => hot.cookMin < middle.cookMin),
};
const MEASURED = /hour|minute|half|quick|fast|slow|long(er|est)? (cook|night)|short(er|est)|saved|\bbark\b|smoke|yield|juic|outside/i;

describe('what a method costs and gives', () => {
  it('is told of every method a cut is offered, in whole sane figures', () => {
    for (const cut of CUTS) {
      expect(Object.keys(prices[cut.id]!).sort()).toEqual(
        methodsFor(SHIPPED_LIBRARY, cut)
          .map((method) => method.id)
          .sort(),
      );
      for (const [id, price] of Object.entries(prices[cut.id]!)) {
        expect(price.cookMin, `${cut.id} ${id}`).toBeGreaterThan(15);
        expect(price.cookMin, `${cut.id} ${id}`).toBeLessThan(30 * 60);
        expect(price.yieldShare).toBeGreaterThan(0.25);
        expect(price.bareSetMin).toBeGreaterThanOrEqual(0);
      }
    }
  });

  it('is never claimed by a line but where the model says so', () => {
    const used = new Set<string>();
    for (const { id, line } of METHODS)
      for (const clause of line.split(/[;.]/).map((each) => each.trim())) {
        const claim = Object.keys(CLAIMS).find((each) => clause.startsWith(each));
        if (claim) {
          CLAIMS[claim]!(id);
          used.add(claim);
        } else expect(clause.replace('danger zone', ''), `${id} claims what nothing checks`).not.toMatch(MEASURED);
      }
    expect([...used].sort()).toEqual(Object.keys(CLAIMS).sort());
  });

  it('has the order of the trade: a tighter wrap and a hotter pit are sooner done, a barer cook has more bark, a wrap more meat', () => {
    forAll('low-foil', 'low-paper', (foil, paper) => foil.cookMin < paper.cookMin && foil.yieldShare > paper.yieldShare);
    forAll('low-paper', 'low-bare', (paper, bare) => paper.cookMin < bare.cookMin && paper.yieldShare > bare.yieldShare);
    forAll('hot-bare', 'middle-bare', (hot, middle) => hot.cookMin < middle.cookMin && hot.smokeH < middle.smokeH);
    forAll('middle-bare', 'low-bare', (middle, low) => middle.cookMin < low.cookMin);
    forAll('hot-bare', 'hot-foil', (bare, foil) => bare.cookMin > foil.cookMin && bare.bareSetMin > foil.bareSetMin);
    forAll('dark-bark', 'light-bark', (dark, light) => dark.bareSetMin > light.bareSetMin && dark.smokeH > light.smokeH);
    forAll('colour-first', 'low-paper', (slow, usual) => slow.cookMin > usual.cookMin && slow.smokeH > usual.smokeH);
    forAll('stepped', 'low-bare', (stepped, bare) => stepped.cookMin < bare.cookMin);
    // What is wrapped once it is done is cooked like what is not.
    forAll('wrapped-to-rest', 'low-bare', (rested, bare) => rested.cookMin === bare.cookMin && rested.yieldShare === bare.yieldShare);
  });

  it('of a brisket in paper at the stall is what the model gives, and no hour or two', () => {
    const saved = priceOf('brisket-whole', 'low-bare').cookMin - priceOf('brisket-whole', 'low-paper').cookMin;
    expect(saved).toBeGreaterThan(15);
    expect(saved).toBeLessThan(50);
  });

  it('of an owner’s own method goes by what it does', () => {
    const own: Method = { ...METHODS.find((method) => method.id === 'low-bare')!, id: 'mine', pitC: 135, pitRangeC: [130, 140] };
    const mine = methodPrices({ ...SHIPPED_LIBRARY, cuts: [findCut('pork-butt')!], methods: [...METHODS, own] })['pork-butt']!;
    expect(mine.mine!.cookMin).toBeLessThan(mine['low-bare']!.cookMin);
  });
});

import { describe, expect, it } from 'vitest';
import { findCut, FIRM_MIN, methodIn, methodsFor, SHIPPED_LIBRARY, type Method } from '../model';
import { byTheClock } from './clockMethod';
import { cookSetup, runCook, SHIPPED_PARAMETERS, steadyPit } from './index';

const PIECE = { kg: 3.6, startC: 4, altitudeM: 20, airC: 15 };
const butt = findCut('pork-butt')!;
const bare = methodIn(SHIPPED_LIBRARY, 'low-bare')!;
const clocked = (method: Method, cutId = 'pork-butt', piece = PIECE) => byTheClock(findCut(cutId)!, method, piece, SHIPPED_PARAMETERS);

describe('a method by the clock', () => {
  it('is given back as it is when it says all in minutes', () => {
    const stepped: Method = { ...bare, steps: [{ fromMin: 180, pitC: 135 }] };
    expect(byTheClock(butt, stepped, PIECE, SHIPPED_PARAMETERS)).toBe(stepped);
  });

  it('takes a step at a core when that core is reached, later for a heavier piece, among steps by the clock', () => {
    const method: Method = {
      ...bare,
      steps: [
        { fromMin: 60, pitC: 115 },
        { fromCoreC: 60, pitC: 135 },
      ],
    };
    const { steps } = clocked(method);
    const plain = runCook(
      cookSetup(butt, { massKg: 3.6, startC: 4 }, bare, SHIPPED_PARAMETERS, { pit: steadyPit(121) }),
      SHIPPED_PARAMETERS,
    );
    const reached = plain.trace.coreC.findIndex((tempC) => tempC >= 60);
    expect(steps).toHaveLength(2);
    expect(steps![1]!.pitC).toBe(135);
    expect(Math.abs(steps![1]!.fromMin - reached)).toBeLessThan(0.15 * reached);
    expect(clocked(method, 'pork-butt', { ...PIECE, kg: 5 }).steps![1]!.fromMin).toBeGreaterThan(steps![1]!.fromMin);
    expect(clocked({ ...bare, steps: [{ fromCoreC: 99.9, pitC: 135 }] }).steps).toBeUndefined();
  });

  it('rests to a core for as long as it takes to fall there, longer for a lower one and a heavier piece', () => {
    const to = (restToC: number, kg = 3.6) => clocked({ ...bare, restToC }, 'pork-butt', { ...PIECE, kg }).restMin;
    expect(to(80)).toBeGreaterThanOrEqual(15);
    expect(to(66)).toBeGreaterThan(to(80));
    expect(to(66, 5)).toBeGreaterThan(to(66));
    expect(to(66)).toBeLessThan(240);
    expect(to(99.9)).toBe(0);
  });

  it('is offered to cheeks and short ribs with a rest that they bear, and to a butt with a long one', () => {
    const restOf = (cutId: string) => methodsFor(SHIPPED_LIBRARY, findCut(cutId)!)[0]!.restMin;
    expect(['beef-cheek', 'beef-chuck-ribs', 'pork-butt'].map(restOf)).toEqual([10, 10, 60]);
  });
});

describe('ribs in time blocks', () => {
  const blocks = methodIn(SHIPPED_LIBRARY, 'ribs-blocks')!;
  const ribs = findCut('spare-ribs-squared')!;
  const cook = (pitC: number, massKg = 1.25) =>
    runCook(cookSetup(ribs, { massKg, startC: 4 }, blocks, SHIPPED_PARAMETERS, { pit: steadyPit(pitC) }), SHIPPED_PARAMETERS);

  it('are always opened again and firm up before they are pulled', () => {
    for (const pitC of [107, 110, 121, 135, 150]) {
      const done = cook(pitC);
      expect(done.status).toBe('done');
      expect(done.unwrapAtMin).toBeDefined();
      expect(done.unwrapAtMin!).toBeGreaterThan(done.wrapAtMin!);
      expect(done.doneAtMin).toBeGreaterThanOrEqual(done.unwrapAtMin! + FIRM_MIN - 1e-9);
      expect(done.wrap).toBe('none');
    }
  });

  it('shorten the block in foil when they are tender in it', () => {
    expect(cook(110).unwrapAtMin).toBe(300);
    const hot = cook(150);
    expect(hot.unwrapAtMin!).toBeLessThan(300);
    expect(hot.doneAtMin).toBeCloseTo(hot.unwrapAtMin! + FIRM_MIN, 6);
  });
});

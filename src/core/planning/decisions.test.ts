import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY, type Method } from '../model';
import { buildPlan, decisionsOf } from './index';

/** A butt alone, with a band that leaves heat to spare, planned at so much sureness. */
const inputWith = (confidence: number, change: Partial<Method> = {}) => {
  const methods = SHIPPED_LIBRARY.methods.map((method) =>
    method.id === 'low-paper'
      ? { ...method, pitRangeC: [115, 150] as [number, number], finishRangeC: [115, 150] as [number, number], ...change }
      : method,
  );
  const event = eventOf([batchOf('pork-butt', 1, { methodId: 'low-paper' })], { confidence });
  return { ...inputOf(event, [OFFSET], [{ ...BOX, litres: 300 }]), library: { ...SHIPPED_LIBRARY, methods } };
};
const decided = (confidence: number, change: Partial<Method> = {}) => {
  const input = inputWith(confidence, change);
  // As the method asks for, so that there is heat in hand.
  const plan = buildPlan({ ...input, event: { ...input.event, scheme: undefined } });
  return { plan, decisions: decisionsOf(input, plan) };
};

describe('decision points', () => {
  it('come where a cook may be late and something still gains it minutes, and say how many', () => {
    const { plan, decisions } = decided(0.7);
    const [run] = plan.runs;
    expect(decisions.length).toBeGreaterThan(0);
    expect(decisions.length).toBeLessThanOrEqual(2);
    for (const { levers, atMs, underC } of decisions) {
      expect(levers.length).toBeGreaterThan(0);
      for (const { gainMin } of levers) expect(gainMin).toBeGreaterThanOrEqual(10);
      expect(levers.map(({ gainMin }) => gainMin)).toEqual(levers.map(({ gainMin }) => gainMin).sort((a, b) => b - a));
      expect(atMs).toBeLessThan(run!.pullMedianMs);
      expect(underC).toBeLessThan(97);
    }
  });

  it('never ask for a wrap before the bark is set, nor of what is never wrapped', () => {
    const bare = decided(0.7, { wrap: 'none', wrapWhen: {} }).decisions;
    expect(bare.flatMap(({ levers }) => levers).filter(({ code }) => code === 'wrap')).toEqual([]);
    const { plan, decisions } = decided(0.7, { wrapWhen: { coreC: 85 } });
    const wraps = decisions.filter(({ levers }) => levers.some(({ code }) => code === 'wrap'));
    expect(wraps.length).toBeGreaterThan(0);
    for (const { atMs } of wraps) expect(atMs - plan.runs[0]!.onAtMs).toBeGreaterThan(3 * 3_600_000);
  });

  it('are none where the pit is as hot as it may be and the wrap is on, nor with hours in hand', () => {
    expect(decided(0.7, { pitRangeC: [121, 121], finishRangeC: [121, 121], wrap: 'none', wrapWhen: {} }).decisions).toEqual([]);
    expect(decided(0.995).decisions).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { OFFSET } from '../../../tests/fixtures/events';
import { findCut, FIRM_MIN, methodIn, methodsFor, MILD_DAY, SHIPPED_LIBRARY, typicalTrimmedKg, type Method } from '../model';
import { byTheClock } from './clockMethod';
import { blocksAtHeat, cookSetup, plannedCook, runCook, SHIPPED_PARAMETERS, steadyPit } from './index';

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

  it('takes a step when the colour is right: later for a darker one, never where it is wrapped or done before', () => {
    const at = (atColour: 'light' | 'usual' | 'dark', method: Method = bare) =>
      clocked({ ...method, steps: [{ atColour, pitC: 135 }] }).steps?.[0]?.fromMin;
    const [light, usual, dark] = (['light', 'usual', 'dark'] as const).map((colour) => at(colour)!);
    expect(light).toBeLessThan(usual!);
    expect(usual).toBeLessThan(dark!);
    const plain = runCook(
      cookSetup(butt, { massKg: 3.6, startC: 4 }, bare, SHIPPED_PARAMETERS, { pit: steadyPit(121) }),
      SHIPPED_PARAMETERS,
    );
    expect(Math.abs(usual! - plain.barkSetAtMin!)).toBeLessThan(12);
    expect(at('dark', { ...bare, wrap: 'foil', wrapWhen: { afterMin: 120 } })).toBeUndefined();
  });

  it('wraps by the bark at the colour that is wanted', () => {
    const wrapped = (colour?: 'light' | 'usual' | 'dark') =>
      runCook(
        cookSetup(butt, { massKg: 3.6, startC: 4 }, { wrap: 'paper', wrapWhen: { bark: true, colour } }, SHIPPED_PARAMETERS, {
          pit: steadyPit(121),
        }),
        SHIPPED_PARAMETERS,
      ).wrapAtMin!;
    expect(wrapped('light')).toBeLessThan(wrapped('usual') - 20);
    expect(wrapped('dark')).toBeGreaterThan(wrapped('usual') + 40);
    expect(wrapped()).toBe(wrapped('usual'));
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

describe('time blocks by rack and heat', () => {
  const blocks = methodIn(SHIPPED_LIBRARY, 'ribs-blocks')!;
  const usual = (cutId: string) => typicalTrimmedKg(findCut(cutId)!);
  const forRack = (cutId: string, kg = usual(cutId), method: Method = blocks) => {
    const { wrapWhen, unwrapAfterMin } = clocked(method, cutId, { ...PIECE, kg });
    return [wrapWhen.afterMin!, unwrapAfterMin!] as const;
  };
  const atHeat = (pitC: number, cutId = 'spare-ribs') => {
    const kg = usual(cutId);
    const cut = findCut(cutId)!;
    const { wrapWhen, unwrapAfterMin } = blocksAtHeat(cut, { kg }, clocked(blocks, cutId, { ...PIECE, kg }), pitC, SHIPPED_PARAMETERS);
    return [wrapWhen.afterMin!, unwrapAfterMin!] as const;
  };

  it('are as written for spare ribs of the usual weight at the method’s own heat', () => {
    expect(forRack('spare-ribs')).toEqual([180, 300]);
    expect(atHeat(blocks.pitC)).toEqual([180, 300]);
  });

  it('are shorter for lighter racks and longer for plates of beef, in step', () => {
    const racks = ['loin-back-ribs', 'spare-ribs-squared', 'spare-ribs', 'beef-back-ribs', 'beef-chuck-ribs', 'beef-plate-ribs'];
    const wraps = racks.map((id) => forRack(id)[0]);
    expect(wraps).toEqual([...wraps].sort((a, b) => a - b));
    expect(new Set(wraps).size).toBe(racks.length);
    // The trade gives loin backs about two and a half hours before the foil.
    expect(forRack('loin-back-ribs')[0]).toBeGreaterThanOrEqual(130);
    expect(forRack('loin-back-ribs')[0]).toBeLessThanOrEqual(155);
    for (const id of racks) expect(Math.abs(forRack(id)[1] / forRack(id)[0] - 300 / 180)).toBeLessThan(0.1);
    expect(forRack('spare-ribs', usual('spare-ribs') * 1.4)[0]).toBeGreaterThan(180);
  });

  it('are shorter in a hotter pit and longer in a cooler one, as bare cooks there are', () => {
    const [cooler, own, hotter] = [107, 110, 121].map((pitC) => atHeat(pitC)[0]);
    expect(cooler).toBeGreaterThan(own!);
    expect(hotter).toBeLessThan(own!);
    const bareAt = (pitC: number) =>
      runCook(
        cookSetup(findCut('spare-ribs')!, { massKg: usual('spare-ribs'), startC: 4 }, { wrap: 'none', wrapWhen: {} }, SHIPPED_PARAMETERS, {
          pit: steadyPit(pitC),
        }),
        SHIPPED_PARAMETERS,
      ).doneAtMin;
    expect(Math.abs(hotter! / own! - bareAt(121) / bareAt(110))).toBeLessThan(0.03);
  });

  it('stand as they are written where an owner wants them so', () => {
    const { blocksScale: _, ...asWritten } = blocks;
    expect(forRack('loin-back-ribs', 1, asWritten)).toEqual([180, 300]);
    expect(blocksAtHeat(findCut('loin-back-ribs')!, { kg: 1 }, asWritten, 121, SHIPPED_PARAMETERS)).toBe(asWritten);
  });

  it('are one clock for a batch, and leave each rack open at last in a plan', () => {
    const kg = usual('loin-back-ribs');
    const cut = findCut('loin-back-ribs')!;
    const method = clocked(blocks, cut.id, { ...PIECE, kg });
    for (const pitC of [107, 114, 121]) {
      const { setup } = plannedCook(
        { cut, method, temperMin: 0, kg },
        { pit: OFFSET, pitC, altitudeM: 0, weather: MILD_DAY, loadKg: 4 },
        SHIPPED_PARAMETERS,
      );
      expect([setup.wrapWhen.afterMin, setup.unwrapAfterMin]).toEqual([...atHeat(pitC, cut.id)]);
      const done = runCook(setup, SHIPPED_PARAMETERS);
      expect(done.unwrapAtMin).toBeLessThanOrEqual(setup.unwrapAfterMin!);
      expect(done.doneAtMin).toBeGreaterThanOrEqual(done.unwrapAtMin! + FIRM_MIN - 1e-9);
    }
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

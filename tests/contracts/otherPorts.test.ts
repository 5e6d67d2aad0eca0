import { describe, expect, it } from 'vitest';
import type { LabelPrinter, PitController, WeatherSource } from '../../src/devices/ports';
import { SimulatedController, SimulatedPrinter } from '../../src/devices/simulated/controller';
import { SimulatedWeather } from '../../src/devices/simulated/weather';
import { SimulatedWorld } from '../../src/core/world';

const NOW = Date.parse('2027-06-19T08:00:00Z');
const pellets = () =>
  new SimulatedWorld({
    seed: 3,
    startMs: NOW,
    altitudeM: 0,
    weather: { airC: 15, windMPerS: 2 },
    meats: [],
    fires: [{ pitId: 'pit', feedsItself: true, blower: true, openingDropC: 10, lastsMin: 100, wanderC: 1 }],
    deviceId: 'sim',
    everyS: 10,
  });

describe('a pit controller', () => {
  it('brings its pit to the heat it was told, and says how far it is open', async () => {
    const world = pellets();
    const controller: PitController = new SimulatedController(world, 'pit');
    world.act(NOW, { did: 'lit', pitId: 'pit', pitC: 100 });
    await controller.setTo(121);
    world.advanceTo(NOW + 2 * 3_600_000);
    const { setC, fanShare } = await controller.now();
    expect(setC).toBe(121);
    expect(fanShare).toBeGreaterThan(0);
    expect(fanShare).toBeLessThan(1);
    expect(world.pitC('pit')).toBeGreaterThan(113);
    expect(world.pitC('pit')).toBeLessThan(129);
  });
});

describe('a weather source', () => {
  it('says the same for the same instant, near what the day was thought to be', async () => {
    const source: WeatherSource = new SimulatedWeather({ airC: 12, windMPerS: 4 }, 3);
    const first = await source.at(NOW);
    expect(await source.at(NOW)).toEqual(first);
    expect(Math.abs(first.airC - 12)).toBeLessThan(6);
    expect(first.windMPerS).toBeGreaterThanOrEqual(0);
  });
});

describe('a label printer', () => {
  it('prints what it is given, in order', async () => {
    const printer = new SimulatedPrinter();
    const port: LabelPrinter = printer;
    await port.print({ lines: ['B1', 'Brisket'] });
    await port.print({ lines: ['B2'] });
    expect(printer.printed.map((label) => label.lines[0])).toEqual(['B1', 'B2']);
  });
});

describe('the simulated world', () => {
  it('comes to the same however it is asked to advance, and from its seed', () => {
    const whole = pellets();
    const parts = pellets();
    for (const world of [whole, parts]) {
      world.act(NOW, { did: 'channel', channel: '1', pitId: 'pit' });
      world.act(NOW + 60_000, { did: 'lit', pitId: 'pit', pitC: 121 });
    }
    const once = whole.advanceTo(NOW + 3_600_000);
    const bits = [];
    for (let minute = 1; minute <= 60; minute++) bits.push(...parts.advanceTo(NOW + minute * 60_000));
    expect(bits).toEqual(once);
  });

  it('lets a fire that nobody feeds die', () => {
    const world = new SimulatedWorld({
      seed: 3,
      startMs: NOW,
      altitudeM: 0,
      weather: { airC: 15, windMPerS: 2 },
      meats: [],
      fires: [{ pitId: 'pit', feedsItself: false, blower: false, openingDropC: 10, lastsMin: 60, wanderC: 1 }],
      deviceId: 'sim',
      everyS: 10,
    });
    world.act(NOW, { did: 'lit', pitId: 'pit', pitC: 121 });
    world.advanceTo(NOW + 90 * 60_000);
    const warmC = world.pitC('pit')!;
    world.advanceTo(NOW + 8 * 3_600_000);
    expect(warmC).toBeGreaterThan(95);
    expect(world.pitC('pit')).toBeLessThan(50);
  });
});

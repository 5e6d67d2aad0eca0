import { describe, expect, it } from 'vitest';
import type { Units } from '../../formats/units';
import { conversions } from './conversions';

const HOUSES: Units[] = [
  { temp: 'F', mass: 'lb', clock: '12' },
  { temp: 'C', mass: 'kg', clock: '24' },
];

describe('figures of forms', () => {
  it('are shown and typed both ways without a drift', () => {
    for (const units of HOUSES)
      for (const [name, { shown = (x: number) => x, kept = (x: number) => x }] of Object.entries(conversions(units)))
        for (const value of [0.7, 12, 121]) expect(kept(shown(value)), name).toBeCloseTo(value, 9);
  });

  it('have their unit beside them, of one house and not the other', () => {
    const units = HOUSES.map((house) => Object.fromEntries(Object.entries(conversions(house)).map(([name, { unit }]) => [name, unit])));
    expect(units[0]).toMatchObject({
      litres: 'qt',
      heatLoss: 'BTU/h °F',
      heat: '°F',
      size: 'in',
      weight: 'lb',
      wind: 'mph',
      altitude: 'ft',
    });
    expect(units[1]).toMatchObject({ litres: 'l', heatLoss: 'W/K', heat: '°C', size: 'mm', weight: 'kg', wind: 'm/s', altitude: 'm' });
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readFigure } from './figures';

describe('figures as they are typed or pasted', () => {
  it.each<[string, string | undefined, number]>([
    ['16.4', 'lb', 16.4],
    [' 7,3 ', 'kg', 7.3],
    ['1,250.5', undefined, 1250.5],
    ['1.234,5', 'mm', 1234.5],
    ['1,234', 'mm', 1234],
    ['12 345', 'mm', 12345],
    ["1'250", 'mm', 1250],
    ['7.3 kg', 'lb', 16.0938],
    ['7,3kg', 'kg', 7.3],
    ['16 oz', 'lb', 1],
    ['500 g', 'kg', 0.5],
    ['16 lbs.', 'lb', 16],
    ['3"', 'mm', 76.2],
    ['3"', 'in', 3],
    ['5 cm', 'mm', 50],
    ['2 h', 'min', 120],
    ['20 %', '%', 20],
    ['225 F', '°F', 225],
    ['-2', undefined, -2],
  ])('%j in %s is %d', (text, unit, value) => {
    expect(readFigure(text, unit)).toBeCloseTo(value, 3);
  });

  it.each(['', 'heavy', '7.3 stone', '107 C', '1.2.3,4,5', '--3', '1e5', '0x10', 'Infinity', '7 kg 3', 'kg', '9'.repeat(60)])(
    '%j is no figure of a field in °F',
    (text) => {
      expect(readFigure(text, '°F')).toBeNaN();
    },
  );

  it('takes a unit of another kind for no figure', () => {
    expect(readFigure('7 kg', 'mm')).toBeNaN();
    expect(readFigure('7 in', 'kg')).toBeNaN();
    expect(readFigure('7 kg')).toBeNaN();
  });

  it('reads back what a field writes, in either unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500_000 }), (grams) => {
        const kg = grams / 1000;
        expect(readFigure(`${kg} kg`, 'kg')).toBeCloseTo(kg, 9);
        expect(readFigure(`${kg} kg`, 'lb') * 0.45359237).toBeCloseTo(kg, 6);
        expect(readFigure(String(kg).replace('.', ','), 'kg')).toBeCloseTo(
          /^\d+,\d{3}$/.test(String(kg).replace('.', ',')) ? grams : kg,
          6,
        );
      }),
    );
  });

  it('is done with a text of a million signs at once', () => {
    for (const text of ['a'.repeat(1e6), ' '.repeat(1e6), '1 '.repeat(5e5), `${'"'.repeat(1e6)}1`])
      expect(readFigure(text, 'kg')).toBeNaN();
  });
});

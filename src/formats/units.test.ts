import { describe, expect, it } from 'vitest';
import { CUTS, METHODS } from '../core/model';
import { SAFETY_RULES } from '../core/safety';
import {
  formatHeatLoss,
  formatLayer,
  formatRoom,
  formatSetPoint,
  formatTemp,
  formatVolume,
  readUnits,
  withFigures,
  writeUnits,
  type Units,
} from './units';

const US: Units = { temp: 'F', mass: 'lb', clock: '12' };
const SI: Units = { temp: 'C', mass: 'kg', clock: '24' };

describe('figures in the reader’s units', () => {
  it('give a set point as a dial shows it: the nearest five of its degrees', () => {
    expect([107, 121, 121.1, 135, 163].map((c) => formatSetPoint(c, US))).toEqual(['225 °F', '250 °F', '250 °F', '275 °F', '325 °F']);
    expect([107, 121, 135, 163].map((c) => formatSetPoint(c, SI))).toEqual(['105 °C', '120 °C', '135 °C', '165 °C']);
    // A core is read to the degree.
    expect(formatTemp(74, US)).toBe('165 °F');
    expect(formatTemp(63, SI)).toBe('63 °C');
  });

  it('give a layer to the millimetre or the eighth of an inch', () => {
    expect([0, 1, 3, 6, 13, 25.4, 32].map((mm) => formatLayer(mm, US))).toEqual([
      '0 in',
      '0 in',
      '1/8 in',
      '1/4 in',
      '1/2 in',
      '1 in',
      '1 1/4 in',
    ]);
    expect(formatLayer(6.4, SI)).toBe('6 mm');
  });

  it('give room, water and what a box loses', () => {
    expect([formatRoom(100, US), formatRoom(100, SI)]).toEqual(['106 qt', '100 l']);
    expect([formatVolume(0.946352946, US), formatVolume(2.5, SI)]).toEqual(['1 qt', '2.5 l']);
    expect([formatHeatLoss(1, US), formatHeatLoss(0.6, SI)]).toEqual(['1.9 BTU/h °F', '0.6 W/K']);
  });

  it('put figures into fixed sentences', () => {
    expect(withFigures('{6 mm} of fat; from {10 to 54 C}, {1.8 to 2.3 kg}', US)).toBe('1/4 in of fat; from 50 to 129 °F, 4 to 5.1 lb');
    expect(withFigures('{6 mm} of fat; from {10 to 54 C}, {1.8 to 2.3 kg}', SI)).toBe('6 mm of fat; from 10 to 54 °C, 1.8 to 2.3 kg');
    expect(withFigures('No figure here, but {words}.', US)).toBe('No figure here, but {words}.');
  });

  it('leave no fixed sentence with a figure in one house’s units', () => {
    const sentences = [
      ...METHODS.flatMap(({ line, practice }) => [line, practice]),
      ...CUTS.flatMap(({ signs, probe, carving = '' }) => [signs, probe, carving]),
      ...Object.values(SAFETY_RULES).flatMap(({ value, source }) => [value, source]),
    ];
    for (const units of [US, SI]) {
      const foreign = units === US ? /\d (mm|cm|C|°C|kg|g|l)\b/ : /\d (in|F|°F|lb|oz|qt)\b/;
      for (const sentence of sentences) {
        expect(withFigures(sentence, units)).not.toMatch(foreign);
        expect(withFigures(sentence, units)).not.toMatch(/[{}]/);
      }
    }
  });

  it('are remembered in a word, and a broken word is the default', () => {
    for (const units of [US, SI]) expect(readUnits(writeUnits(units))).toEqual(units);
    expect(readUnits('K,stone,13')).toEqual(readUnits(undefined));
  });
});

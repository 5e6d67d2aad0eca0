import { fahrenheitFromCelsius, fahrenheitDifference, inFromMm, lbFromKg } from '../core/units';
import type { ClockHours } from './clock';

/** What the reader wants figures in. Lengths go with weights: inches with pounds, millimetres with kilograms. */
export interface Units {
  temp: 'F' | 'C';
  mass: 'lb' | 'kg';
  clock: ClockHours;
}

export const DEFAULT_UNITS: Units = Object.freeze({ temp: 'F', mass: 'lb', clock: '24' });

/** Reads units from a stored word such as `F,lb,24`; anything broken falls back to the default. */
export function readUnits(stored: string | undefined): Units {
  const [temp, mass, clock] = (stored ?? '').split(',');
  return {
    temp: temp === 'C' || temp === 'F' ? temp : DEFAULT_UNITS.temp,
    mass: mass === 'kg' || mass === 'lb' ? mass : DEFAULT_UNITS.mass,
    clock: clock === '12' || clock === '24' ? clock : DEFAULT_UNITS.clock,
  };
}
export const writeUnits = (units: Units): string => `${units.temp},${units.mass},${units.clock}`;

export const tempIn = (tempC: number, units: Units): number => (units.temp === 'F' ? fahrenheitFromCelsius(tempC) : tempC);
export const formatTemp = (tempC: number, units: Units): string => `${Math.round(tempIn(tempC, units))} °${units.temp}`;
export const formatTempDifference = (differenceC: number, units: Units): string =>
  `${Math.round(units.temp === 'F' ? fahrenheitDifference(differenceC) : differenceC)} °${units.temp}`;

export const formatMass = (kg: number, units: Units): string => (units.mass === 'lb' ? `${trim(lbFromKg(kg))} lb` : `${trim(kg, 2)} kg`);
export const formatLength = (mm: number, units: Units): string =>
  units.mass === 'lb' ? `${trim(inFromMm(mm))} in` : `${Math.round(mm)} mm`;
export const formatArea = (mm2: number, units: Units): string =>
  units.mass === 'lb' ? `${Math.round(mm2 / 645.16)} sq in` : `${Math.round(mm2 / 100)} cm²`;
export const formatShare = (share: number): string => `${Math.round(share * 100)} %`;

/** `5 h 20`, `45 min`. */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (Math.abs(whole) < 60) return `${whole} min`;
  const rest = Math.abs(whole) % 60;
  return `${Math.trunc(whole / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}

const trim = (value: number, digits = 1) => String(Number(value.toFixed(digits)));

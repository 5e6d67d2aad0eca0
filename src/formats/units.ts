import { KG_PER_LB, M_PER_FT, fahrenheitDifference, fahrenheitFromCelsius, inFromMm, lbFromKg, mphFromMPerS } from '../core/units';
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
/** What a dial can be set to: the nearest five of its degrees. */
export const formatSetPoint = (tempC: number, units: Units): string => `${Math.round(tempIn(tempC, units) / 5) * 5} °${units.temp}`;
export const formatTempDifference = (differenceC: number, units: Units): string =>
  `${Math.round(units.temp === 'F' ? fahrenheitDifference(differenceC) : differenceC)} °${units.temp}`;

export const formatMass = (kg: number, units: Units): string => (units.mass === 'lb' ? `${trim(lbFromKg(kg))} lb` : `${trim(kg, 2)} kg`);
export const formatLength = (mm: number, units: Units): string =>
  units.mass === 'lb' ? `${trim(inFromMm(mm))} in` : `${Math.round(mm)} mm`;
export const formatArea = (mm2: number, units: Units): string =>
  units.mass === 'lb' ? `${Math.round(mm2 / 645.16)} sq in` : `${Math.round(mm2 / 100)} cm²`;
export const formatShare = (share: number): string => `${Math.round(share * 100)} %`;
/** Odds in whole percent, rounded down: what is short of 90 never reads 90. */
export const wholePercent = (share: number): number => Math.floor(share * 100 + 1e-6);
export const formatOdds = (share: number): string => `${wholePercent(share)} %`;

/** `5 h 20`, `45 min`. */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (Math.abs(whole) < 60) return `${whole} min`;
  const rest = Math.abs(whole) % 60;
  return `${Math.trunc(whole / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}

const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];
/** A layer, such as fat or a smoke ring: to the millimetre, or the eighth of an inch. */
export function formatLayer(mm: number, units: Units): string {
  if (units.mass === 'kg') return `${Math.round(mm)} mm`;
  const eighths = Math.round(inFromMm(mm) * 8);
  const [whole, rest] = [Math.trunc(eighths / 8), EIGHTHS[eighths % 8]!];
  return `${[...(whole > 0 || rest === '' ? [String(whole)] : []), ...(rest ? [rest] : [])].join(' ')} in`;
}

const FIGURE = /\{(\d+(?:\.\d+)?)(?: to (\d+(?:\.\d+)?))? (C|mm|kg|l)\}/g;
/** A sentence that carries figures, such as `{6 mm} of fat` or `from {10 to 54 C}`, in the reader's units. */
export const withFigures = (text: string, units: Units): string =>
  text.replaceAll(FIGURE, (_, from: string, to: string | undefined, unit: string) => {
    const one = { C: formatTemp, mm: formatLayer, kg: formatMass, l: formatVolume }[unit as 'C' | 'mm' | 'kg' | 'l'];
    const low = one(Number(from), units);
    return to === undefined ? low : `${low.split(' ')[0]} to ${one(Number(to), units)}`;
  });

const trim = (value: number, digits = 1) => String(Number(value.toFixed(digits)));

/** Small weights in the unit they are weighed out in: grams below a kilogram, ounces below a pound. */
export function formatSmallMass(kg: number, units: Units): string {
  if (units.mass === 'kg') return kg < 1 ? `${Math.round(kg * 1000)} g` : `${trim(kg, 2)} kg`;
  const lb = lbFromKg(kg);
  return lb < 1 ? `${trim(lb * 16, lb * 16 < 10 ? 1 : 0)} oz` : `${trim(lb)} lb`;
}

export const LITRES_PER_QT = 0.946352946;
/** Watts per kelvin in BTU an hour for each degree Fahrenheit. */
export const BTU_PER_H_F = 1.8956;
export const formatHeatLoss = (wPerK: number, units: Units): string =>
  units.temp === 'F' ? `${trim(wPerK * BTU_PER_H_F, 2)} BTU/h °F` : `${trim(wPerK, 2)} W/K`;
/** Room in a fridge, a tub or a box. */
export const formatRoom = (litres: number, units: Units): string =>
  units.mass === 'lb' ? `${Math.ceil(litres / LITRES_PER_QT)} qt` : `${Math.ceil(litres)} l`;
export const formatVolume = (litres: number, units: Units): string =>
  units.mass === 'lb' ? `${trim(litres / LITRES_PER_QT)} qt` : `${trim(litres)} l`;
/** Wrap is bought by the foot or the metre. */
export const formatRun = (metres: number, units: Units): string =>
  units.mass === 'lb' ? `${Math.ceil(metres / M_PER_FT)} ft` : `${Math.ceil(metres)} m`;
/** Cooked meat a head. */
/** Avoirdupois. */
export const G_PER_OZ = 28.349523125;
export const formatHelping = (grams: number, units: Units): string =>
  units.mass === 'lb' ? `${trim(grams / G_PER_OZ)} oz` : `${Math.round(grams)} g`;
export const formatMoney = (amount: number, currency: string): string =>
  new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }).format(amount);
/** A price of a kilogram, per pound or kilogram. */
export const pricePer = (perKg: number, units: Units): number => (units.mass === 'lb' ? perKg * KG_PER_LB : perKg);
export const priceKept = (shown: number, units: Units): number => (units.mass === 'lb' ? shown / KG_PER_LB : shown);

export const formatWind = (mPerS: number, units: Units): string =>
  units.mass === 'lb' ? `${Math.round(mphFromMPerS(mPerS))} mph` : `${Number(mPerS.toFixed(1))} m/s`;

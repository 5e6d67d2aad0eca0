import {
  celsiusFromFahrenheit,
  fahrenheitDifference,
  fahrenheitFromCelsius,
  inFromMm,
  kgFromLb,
  lbFromKg,
  M_PER_FT,
  mmFromIn,
  mphFromMPerS,
} from '../../core/units';
import { BTU_PER_H_F, G_PER_OZ, LITRES_PER_QT, priceKept, pricePer, type Units } from '../../formats/units';
import type { NumberFieldProps } from './NumberField';

export type Conversion = { [K in 'shown' | 'kept' | 'unit' | 'decimals']?: NumberFieldProps[K] };

/** How each kind of figure is shown in the reader's units. */
export const conversions = (units: Units) => ({
  drop: (units.temp === 'F'
    ? { unit: '°F', shown: fahrenheitDifference, kept: (shown: number) => (shown * 5) / 9 }
    : { unit: '°C' }) as Conversion,
  heat: (units.temp === 'F' ? { unit: '°F', shown: fahrenheitFromCelsius, kept: celsiusFromFahrenheit } : { unit: '°C' }) as Conversion,
  size: (units.mass === 'lb' ? { unit: 'in', shown: inFromMm, kept: mmFromIn, decimals: 1 } : { unit: 'mm' }) as Conversion,
  weight: (units.mass === 'lb' ? { unit: 'lb', shown: lbFromKg, kept: kgFromLb, decimals: 1 } : { unit: 'kg', decimals: 2 }) as Conversion,
  minutes: { unit: 'min', decimals: 1 } as Conversion,
  percent: { unit: '%', shown: (share: number) => share * 100, kept: (percent: number) => percent / 100 } as Conversion,
  price: (units.mass === 'lb'
    ? { unit: 'a lb', shown: (perKg: number) => pricePer(perKg, units), kept: (perLb: number) => priceKept(perLb, units), decimals: 2 }
    : { unit: 'a kg', decimals: 2 }) as Conversion,
  runPrice: (units.mass === 'lb'
    ? { unit: 'a ft', shown: (perM: number) => perM * M_PER_FT, kept: (perFt: number) => perFt / M_PER_FT, decimals: 2 }
    : { unit: 'a m', decimals: 2 }) as Conversion,
  litres: (units.mass === 'lb'
    ? { unit: 'qt', shown: (litres: number) => litres / LITRES_PER_QT, kept: (qt: number) => qt * LITRES_PER_QT, decimals: 0 }
    : { unit: 'l', decimals: 0 }) as Conversion,
  heatLoss: (units.temp === 'F'
    ? { unit: 'BTU/h °F', shown: (wPerK: number) => wPerK * BTU_PER_H_F, kept: (btu: number) => btu / BTU_PER_H_F, decimals: 2 }
    : { unit: 'W/K', decimals: 2 }) as Conversion,
  factor: { decimals: 2 } as Conversion,
  fuelMass: (units.mass === 'lb'
    ? { unit: 'lb/h', shown: lbFromKg, kept: kgFromLb, decimals: 2 }
    : { unit: 'kg/h', decimals: 2 }) as Conversion,
  altitude: (units.mass === 'lb'
    ? { unit: 'ft', shown: (m: number) => m / M_PER_FT, kept: (ft: number) => ft * M_PER_FT }
    : { unit: 'm' }) as Conversion,
  wind: (units.mass === 'lb'
    ? { unit: 'mph', shown: mphFromMPerS, kept: (mph: number) => mph / mphFromMPerS(1) }
    : { unit: 'm/s', decimals: 1 }) as Conversion,
  helping: (units.mass === 'lb'
    ? { unit: 'oz', shown: (g: number) => g / G_PER_OZ, kept: (oz: number) => oz * G_PER_OZ, decimals: 1 }
    : { unit: 'g', decimals: 0 }) as Conversion,
  plain: {} as Conversion,
});

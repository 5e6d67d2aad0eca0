import type { Amount } from '../../core/quantities';
import { formatMass, formatRun, formatSmallMass, type Units } from '../units';

/** `3 · 47 lb`, `12 ft`, `8 pairs`. */
export function amountMessage(amount: Amount, units: Units): string {
  switch (amount.unit) {
    case 'pieces':
      return `${amount.value} · ${formatMass(amount.kg, units)}`;
    case 'kg':
      return formatSmallMass(amount.value, units);
    case 'm':
      return formatRun(amount.value, units);
    case 'pairs':
      return `${Math.ceil(amount.value)} pairs`;
    case 'count':
      return String(Math.ceil(amount.value));
  }
}

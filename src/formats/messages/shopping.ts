import Papa from 'papaparse';
import type { Amount, ShoppingItem } from '../../core/quantities';
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

/** The shopping list as CSV (RFC 4180, UTF-8): one line a thing, grouped by source, metric figures beside the reader's. */
export function shoppingCsv(items: readonly ShoppingItem[], ticked: readonly string[], units: Units): string {
  const rows = items.map((item) => ({
    source: item.group,
    item: item.name,
    amount: amountMessage(item.amount, units),
    pieces: item.amount.unit === 'pieces' ? item.amount.value : '',
    kg: item.amount.unit === 'pieces' ? item.amount.kg.toFixed(2) : item.amount.unit === 'kg' ? item.amount.value.toFixed(3) : '',
    have: ticked.includes(item.id) ? 'yes' : '',
  }));
  return `${Papa.unparse(rows, { columns: ['source', 'item', 'amount', 'pieces', 'kg', 'have'], escapeFormulae: true })}\r\n`;
}

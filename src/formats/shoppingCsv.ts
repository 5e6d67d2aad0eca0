import Papa from 'papaparse';
import type { ShoppingItem } from '../core/quantities';
import { amountMessage } from './messages/shopping';
import type { Units } from './units';

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

import Papa from 'papaparse';
import { judgeLine, type KeptDay, type SafetyEntry } from '../core/day';
import { rfc3339 } from './clock';
import { SAFETY_WORDS } from './messages/day/entry';
import { tagOfPiece } from './messages/day/names';
import { batchName, type MessageContext } from './messages/names';

/** What a spreadsheet would run when it opens the file. */
const FORMULA = /^[=+\-@\t\r]/;

/** The safety log as a table, every line that was ever written, corrected ones marked. */
export function safetyLogCsv(kept: KeptDay, entries: readonly SafetyEntry[], messageContext: MessageContext): string {
  const zone = kept.input.event.timeZone;
  const rows = entries.map((entry) => {
    const { verdict, limitC, source } = judgeLine(kept, entry);
    return {
      time: rfc3339(entry.atMs, zone),
      line: SAFETY_WORDS[entry.line],
      food: entry.batchId ? batchName(messageContext, entry.batchId) : '',
      piece: entry.piece ? tagOfPiece(messageContext, entry.piece) : '',
      temp_c: entry.tempC?.toFixed(1) ?? '',
      ppm: entry.ppm ?? '',
      limit_c: limitC ?? '',
      verdict: verdict === 'noted' ? '' : verdict,
      rule: source ?? '',
      action: entry.action ?? '',
      food_became: entry.food ?? '',
      note: entry.note ?? '',
      by: entry.by,
      corrected: entry.correctedBy ? 'yes' : '',
    };
  });
  const columns = [
    'time',
    'line',
    'food',
    'piece',
    'temp_c',
    'ppm',
    'limit_c',
    'verdict',
    'rule',
    'action',
    'food_became',
    'note',
    'by',
    'corrected',
  ];
  return `${Papa.unparse(rows, { columns, escapeFormulae: FORMULA })}\r\n`;
}

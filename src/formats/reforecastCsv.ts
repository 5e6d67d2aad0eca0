import Papa from 'papaparse';
import type { LoggedReading, LoggedReforecast } from '../core/live';
import { refuse, readRows, tempC, number, type RefusedRow } from './csvRows';

const LONGEST_MIN = 60 * 60;
const COLDEST_C = -30;
const HOTTEST_CORE_C = 130;
const HOTTEST_PIT_C = 480;

/** Reads readings of one cook: `at_min`, `pit_f` or `pit_c`, `core_f` or `core_c`, either of which may be blank. Rows it cannot use are named and left out. */
export function readReadingsCsv(text: string): { readings: { line: number; reading: LoggedReading }[]; refused: RefusedRow[] } {
  let row = 0;
  const { rows, refused } = readRows(text, 'at_min', (cells) => {
    const atMin = number(cells, 'at_min') ?? refuse('at_min is missing');
    if (atMin < 0 || atMin > LONGEST_MIN) refuse(`at_min ${atMin} is outside 0 to ${LONGEST_MIN}`);
    const pitC = tempC(cells, 'pit');
    const coreC = tempC(cells, 'core');
    if (pitC === undefined && coreC === undefined) refuse('neither a pit nor a core was read');
    if (coreC !== undefined && (coreC < COLDEST_C || coreC > HOTTEST_CORE_C)) refuse(`a core of ${coreC.toFixed(0)} C cannot be`);
    if (pitC !== undefined && (pitC < COLDEST_C || pitC > HOTTEST_PIT_C)) refuse(`a pit of ${pitC.toFixed(0)} C cannot be`);
    return { id: `${++row}`, reading: { atMin, pitC, coreC } };
  });
  return { readings: rows.map(({ line, value }) => ({ line, reading: value.reading })), refused };
}

const PROBES = { good: '', offset: 'the probe reads some degrees off', shallow: 'the probe sits too shallow, or in fat' } as const;
const FAULTS = { jump: 'jumps as no core can', readsAir: 'reads the air of the pit' } as const;

/** What is foreseen at each reading, hours from going on, with what was made of the probe. */
export function reforecastsCsv(rows: readonly LoggedReforecast[]): string {
  let told = 0;
  const data = rows.map(({ atMin, forecast: { done, probe, ignored }, wrappedAtMin }) => {
    const notes = [
      PROBES[probe.state],
      ...ignored.slice(told).map(({ reading, fault }) => `reading at ${reading.atMin} left out: ${FAULTS[fault]}`),
    ];
    told = Math.max(told, ignored.length);
    if (done.p90 - atMin < 1) notes.push('done by this');
    if (wrappedAtMin !== undefined && wrappedAtMin > atMin - 30) notes.push(`wrapped about ${(wrappedAtMin / 60).toFixed(2)} h`);
    const hours = (minutes: number) => (minutes / 60).toFixed(3);
    return {
      at_min: atMin,
      pred_p10_h: hours(done.p10),
      pred_p50_h: hours(done.p50),
      pred_p90_h: hours(done.p90),
      note: notes.filter(Boolean).join('; '),
    };
  });
  return `${Papa.unparse(data, { columns: ['at_min', 'pred_p10_h', 'pred_p50_h', 'pred_p90_h', 'note'] })}\r\n`;
}

import Papa from 'papaparse';
import { TRAITS, VERDICTS, type CookWords, type Verdict } from '../core/learn';
import { findCut, PIT_KINDS, type PitKind, type Wrap } from '../core/model';
import type { LoggedCook, Prediction, RestHow } from '../core/forecast';
import { celsiusFromFahrenheit, fahrenheitFromCelsius } from '../core/units';
import { elapsedMin, massKg, number, readRows, refuse, suffixedTempC, tempC, type Cells, type RefusedRow } from './csvRows';

/** What a spreadsheet would run when it opens the file; a plain number is none of that. */
const FORMULA = /^[=@\t\r]|^[+-](?!\d*[.,]?\d*$)/;

export interface CookRow {
  line: number;
  cells: Cells;
  cook: LoggedCook;
}

export interface CooksFile {
  columns: string[];
  rows: CookRow[];
  refused: RefusedRow[];
}

/** Reads a cooks file (docs/formats/cooks.md). Rows it cannot use are reported; the others go on. */
export function readCooksCsv(text: string): CooksFile {
  const { columns, rows, refused } = readRows(text, 'cook_id', cookFromCells);
  return { columns, rows: rows.map(({ line, cells, value }) => ({ line, cells, cook: value })), refused };
}

function pitSteps(cells: Cells): LoggedCook['pitSteps'] {
  const inCelsius = Boolean(cells['pit_c']);
  const text = cells['pit_c'] || cells['pit_f'] || refuse('pit_f or pit_c is missing');
  const steps = text.split(';').map((part) => {
    const [temp, at] = part.split('@').map((each) => each.trim());
    const value = Number(temp);
    if (!temp || !Number.isFinite(value)) refuse(`pit temperature "${part}" is not a number`);
    const fromMin = at === undefined ? 0 : elapsedMin(at);
    if (fromMin === undefined) refuse(`pit step "${part}" has no time such as 3h`);
    const pitC = inCelsius ? value : celsiusFromFahrenheit(value);
    if (pitC < 40 || pitC > 400) refuse(`pit temperature "${part}" is outside 40 to 400 C`);
    return { fromMin: fromMin!, pitC };
  });
  for (let i = 1; i < steps.length; i++) if (steps[i]!.fromMin <= steps[i - 1]!.fromMin) refuse('pit steps are not in order of time');
  if (steps[0]!.fromMin !== 0) refuse('the first pit step does not start at 0h');
  return steps;
}

function cookFromCells(cells: Cells): LoggedCook {
  const id = cells['cook_id'] || refuse('cook_id is missing');
  const cut = findCut(cells['cut'] ?? '') ?? refuse(`cut "${cells['cut'] ?? ''}" is not known`);
  const thicknessMm = number(cells, 'thickness_mm');
  if (thicknessMm !== undefined && (thicknessMm < 5 || thicknessMm > 400)) refuse(`thickness_mm ${thicknessMm} is outside 5 to 400`);
  const startC = tempC(cells, 'start') ?? celsiusFromFahrenheit(40);
  if (startC < -5 || startC > 60) refuse(`a start at ${startC.toFixed(0)} C is outside -5 to 60`);
  const kind = cells['pit_kind'];
  if (kind && !(PIT_KINDS as readonly string[]).includes(kind)) refuse(`pit_kind "${kind}" is not known`);
  const wrap = (cells['wrap'] || 'none') as Wrap;
  if (!['none', 'paper', 'foil', 'pan'].includes(wrap)) refuse(`wrap "${wrap}" is not paper, foil or pan`);
  const wrapWhen: LoggedCook['wrapWhen'] = {};
  if (wrap !== 'none') {
    const at = cells['wrap_at'] || refuse('wrap_at is missing');
    wrapWhen.coreC = suffixedTempC(at);
    wrapWhen.afterMin = elapsedMin(at);
    if (wrapWhen.coreC === undefined && wrapWhen.afterMin === undefined)
      refuse(`wrap_at "${at}" is neither a core such as 165F nor a time such as 4h`);
  } else if (cells['wrap_at']) refuse('wrap_at is given but wrap is blank');
  const unwrapAfterMin = cells['unwrap_at']
    ? (elapsedMin(cells['unwrap_at']) ?? refuse(`unwrap_at "${cells['unwrap_at']}" is not a time such as 5h`))
    : undefined;
  const doneText = cells['done'] || refuse('done is missing');
  const doneC =
    doneText === 'tender' ? undefined : (suffixedTempC(doneText) ?? refuse(`done "${doneText}" is neither tender nor a core such as 195F`));
  const observedH = number(cells, 'hours');
  if (observedH !== undefined && (observedH <= 0 || observedH > 60)) refuse(`hours ${observedH} is outside 0 to 60`);
  return {
    id,
    cutId: cut.id,
    pitId: cells['pit'] || undefined,
    methodId: cells['method'] || undefined,
    massKg: massKg(cells),
    thicknessMm,
    startC,
    pitSteps: pitSteps(cells),
    pitKind: kind ? (kind as PitKind) : undefined,
    altitudeM: number(cells, 'altitude_m') ?? 0,
    airC: number(cells, 'air_c') ?? 20,
    wrap,
    wrapWhen,
    unwrapAfterMin,
    done: doneC === undefined ? { by: 'tender' } : { by: 'probe', coreC: doneC },
    observedH,
    observedFinalC: tempC(cells, 'final'),
    rest: restFromCells(cells),
  };
}

/** `board`, `tent`, `vent`, `box`, or `warmer@145F`. */
export function restHow(text: string): RestHow {
  const [kind, at] = text.split('@').map((each) => each.trim().toLowerCase());
  if (kind === 'board' || kind === 'tent' || kind === 'vent' || kind === 'box') return { kind };
  if (kind !== 'warmer') refuse(`rest "${text}" is not board, tent, vent, box or warmer@145F`);
  const airC = suffixedTempC(at ?? '') ?? refuse(`rest "${text}" says no heat such as warmer@145F`);
  return { kind: 'warmer', airC };
}

function restFromCells(cells: Cells): LoggedCook['rest'] {
  const text = cells['rest'];
  const toC = tempC(cells, 'rest_to');
  const observedH = number(cells, 'rest_hours');
  if (!text) return toC === undefined && observedH === undefined ? undefined : refuse('rest is missing, but it says how long or to what');
  if (toC === undefined) refuse('rest_to_f or rest_to_c is missing');
  if (toC! < 5 || toC! > 100) refuse(`a rest to ${toC!.toFixed(0)} C is outside 5 to 100`);
  if (observedH !== undefined && (observedH <= 0 || observedH > 48)) refuse(`rest_hours ${observedH} is outside 0 to 48`);
  return { how: restHow(text), toC: toC!, observedH };
}

export interface PredictedRow {
  row: CookRow;
  prediction: Prediction;
}

/** The rows as they came, in order, with the forecast added; the finish in F. */
export function predictionsCsv(columns: string[], rows: PredictedRow[]): string {
  const rests = rows.some(({ row }) => row.cook.rest);
  const added = ['pred_p10_h', 'pred_p50_h', 'pred_p90_h', 'pred_final_f', ...(rests ? ['pred_rest_h'] : [])];
  const data = rows.map(({ row, prediction }) => ({
    ...row.cells,
    pred_p10_h: prediction.hours.p10.toFixed(3),
    pred_p50_h: prediction.hours.p50.toFixed(3),
    pred_p90_h: prediction.hours.p90.toFixed(3),
    pred_final_f: fahrenheitFromCelsius(prediction.finalC).toFixed(1),
    ...(rests && { pred_rest_h: prediction.restH?.toFixed(3) ?? '' }),
  }));
  return `${Papa.unparse(data, { columns: [...columns, ...added], escapeFormulae: FORMULA })}\r\n`;
}

const elapsed = (minutes: number): string => `${minutes}min`;

const restWord = ({ kind, ...how }: RestHow): string => ('airC' in how && typeof how.airC === 'number' ? `${kind}@${how.airC}C` : kind);

const COLUMNS = [
  'cook_id',
  'cut',
  'pit',
  'method',
  'piece_kg',
  'thickness_mm',
  'start_c',
  'pit_c',
  'pit_kind',
  'altitude_m',
  'air_c',
  'wrap',
  'wrap_at',
  'unwrap_at',
  'done',
  'hours',
  'final_c',
  'rest',
  'rest_to_c',
  'rest_hours',
] as const;

const cellsOf = (cook: LoggedCook): Record<(typeof COLUMNS)[number], string | number | undefined> => ({
  cook_id: cook.id,
  cut: cook.cutId,
  pit: cook.pitId,
  method: cook.methodId,
  piece_kg: cook.massKg,
  thickness_mm: cook.thicknessMm,
  start_c: cook.startC,
  pit_c: cook.pitSteps.map(({ fromMin, pitC }) => (fromMin === 0 ? `${pitC}@0h` : `${pitC}@${elapsed(fromMin)}`)).join(';'),
  pit_kind: cook.pitKind,
  altitude_m: cook.altitudeM,
  air_c: cook.airC,
  wrap: cook.wrap === 'none' ? '' : cook.wrap,
  wrap_at:
    cook.wrapWhen.coreC !== undefined
      ? `${cook.wrapWhen.coreC}C`
      : cook.wrapWhen.afterMin !== undefined
        ? elapsed(cook.wrapWhen.afterMin)
        : '',
  unwrap_at: cook.unwrapAfterMin === undefined ? '' : elapsed(cook.unwrapAfterMin),
  done: cook.done.by === 'tender' ? 'tender' : `${cook.done.coreC}C`,
  hours: cook.observedH,
  final_c: cook.observedFinalC,
  rest: cook.rest && restWord(cook.rest.how),
  rest_to_c: cook.rest?.toC,
  rest_hours: cook.rest?.observedH,
});

/** A cook with what a log has beyond what the model asks: the day, and what was said of it. */
export interface CookOfLog {
  cook: LoggedCook;
  onMs?: number;
  words: CookWords;
}

/** Cooks as a file of theirs (docs/formats/cooks.md): read back, they are the same. */
export function cooksCsv(cooks: readonly CookOfLog[]): string {
  const data = cooks.map(({ cook, onMs, words }) => ({
    ...cellsOf(cook),
    on: onMs === undefined ? '' : new Date(onMs).toISOString(),
    ...Object.fromEntries(TRAITS.map((trait) => [trait, words.verdict[trait] ?? ''])),
    next_time: words.nextTime,
    notes: words.notes,
  }));
  const columns = [...COLUMNS, 'on', ...TRAITS, 'next_time', 'notes'];
  return `${Papa.unparse(data, { columns, escapeFormulae: FORMULA })}\r\n`;
}

const LONGEST_WORDS = { notes: 1000, nextTime: 300 };

/** The same from a row; refused where a day or a word of the verdict is none. */
export function cookOfLog({ cook, cells }: CookRow): CookOfLog | { reason: string } {
  const onMs = cells['on'] ? Date.parse(cells['on']) : undefined;
  if (onMs !== undefined && Number.isNaN(onMs)) return { reason: `on "${cells['on']}" is no instant such as 2027-06-19T05:30:00-03:00` };
  const verdict: Verdict = {};
  for (const trait of TRAITS) {
    const said = cells[trait];
    if (!said) continue;
    const word = VERDICTS[trait].find((each) => each === said);
    if (!word) return { reason: `${trait} "${said}" is not ${VERDICTS[trait].join(', ')}` };
    Object.assign(verdict, { [trait]: word });
  }
  const nextTime = (cells['next_time'] ?? '').slice(0, LONGEST_WORDS.nextTime);
  const notes = (cells['notes'] ?? '').slice(0, LONGEST_WORDS.notes);
  return { cook, ...(onMs !== undefined && { onMs }), words: { verdict, notes, nextTime } };
}

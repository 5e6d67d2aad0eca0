import Papa from 'papaparse';
import { findCut, PIT_KINDS, type PitKind, type Wrap } from '../core/model';
import type { LoggedCook, Prediction } from '../core/forecast';
import { celsiusFromFahrenheit, fahrenheitFromCelsius, kgFromLb } from '../core/units';

/** A row that could not be used: its line in the file (the header is line 1) and why, in words. */
export interface RefusedRow {
  line: number;
  reason: string;
}

export interface CookRow {
  line: number;
  cells: Record<string, string>;
  cook: LoggedCook;
}

export interface CooksFile {
  columns: string[];
  rows: CookRow[];
  refused: RefusedRow[];
}

/** What a spreadsheet would run when it opens the file; a plain number is none of that. */
const FORMULA = /^[=@\t\r]|^[+-](?!\d*[.,]?\d*$)/;

class RowProblem extends Error {}
const refuse = (reason: string): never => {
  throw new RowProblem(reason);
};

/** Reads a cooks file (docs/formats/cooks.md). Rows it cannot use are reported; the others go on. */
export function readCooksCsv(text: string): CooksFile {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const [header, ...body] = parsed.data;
  const columns = (header ?? []).map((column) => column.trim().toLowerCase());
  const rows: CookRow[] = [];
  const refused: RefusedRow[] = [];
  const seen = new Set<string>();
  body.forEach((values, i) => {
    const line = i + 2;
    if (values.every((value) => value.trim() === '')) return;
    const cells = Object.fromEntries(columns.map((column, at) => [column, (values[at] ?? '').trim()]));
    try {
      const cook = cookFromCells(cells);
      if (seen.has(cook.id)) refuse(`cook_id "${cook.id}" is used twice`);
      seen.add(cook.id);
      rows.push({ line, cells, cook });
    } catch (error) {
      if (!(error instanceof RowProblem)) throw error;
      refused.push({ line, reason: error.message });
    }
  });
  return { columns, rows, refused };
}

function number(cells: Record<string, string>, column: string): number | undefined {
  const text = cells[column];
  if (!text) return undefined;
  const value = Number(text);
  return Number.isFinite(value) ? value : refuse(`${column} "${text}" is not a number`);
}

/** A temperature from `name_c` or `name_f`. */
function tempC(cells: Record<string, string>, name: string): number | undefined {
  const fahrenheit = number(cells, `${name}_f`);
  return number(cells, `${name}_c`) ?? (fahrenheit === undefined ? undefined : celsiusFromFahrenheit(fahrenheit));
}

/** `165F` or `74C`. */
function suffixedTempC(text: string): number | undefined {
  const match = /^(-?\d+(?:\.\d+)?)\s*([CF])$/i.exec(text);
  if (!match) return undefined;
  return match[2]!.toUpperCase() === 'F' ? celsiusFromFahrenheit(Number(match[1])) : Number(match[1]);
}

/** `4h` or `90min`. */
function elapsedMin(text: string): number | undefined {
  const match = /^(\d+(?:\.\d+)?)\s*(h|min)$/i.exec(text);
  if (!match) return undefined;
  return Number(match[1]) * (match[2]!.toLowerCase() === 'h' ? 60 : 1);
}

function pitSteps(cells: Record<string, string>): LoggedCook['pitSteps'] {
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

function cookFromCells(cells: Record<string, string>): LoggedCook {
  const id = cells['cook_id'] || refuse('cook_id is missing');
  const cut = findCut(cells['cut'] ?? '') ?? refuse(`cut "${cells['cut'] ?? ''}" is not known`);
  const lb = number(cells, 'piece_lb');
  const massKg = number(cells, 'piece_kg') ?? (lb === undefined ? refuse('piece_lb or piece_kg is missing') : kgFromLb(lb));
  if (massKg <= 0 || massKg > 100) refuse(`a piece of ${massKg.toFixed(2)} kg cannot be cooked`);
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
    massKg,
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
  };
}

export interface PredictedRow {
  row: CookRow;
  prediction: Prediction;
}

/** The rows as they came, in order, with the forecast added; the finish in F. */
export function predictionsCsv(columns: string[], rows: PredictedRow[]): string {
  const added = ['pred_p10_h', 'pred_p50_h', 'pred_p90_h', 'pred_final_f'];
  const data = rows.map(({ row, prediction }) => ({
    ...row.cells,
    pred_p10_h: prediction.hours.p10.toFixed(3),
    pred_p50_h: prediction.hours.p50.toFixed(3),
    pred_p90_h: prediction.hours.p90.toFixed(3),
    pred_final_f: fahrenheitFromCelsius(prediction.finalC).toFixed(1),
  }));
  return `${Papa.unparse(data, { columns: [...columns, ...added], escapeFormulae: FORMULA })}\r\n`;
}

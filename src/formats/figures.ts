/** Figures as people type and paste them: `7.3 kg`, `1.234,5`, `16 oz`. */

/** Longer texts are no figure; reading them would be work for nothing. */
const LONGEST = 40;

/** In the base of its kind: kg, mm, minutes. */
const UNITS: Record<string, { kind: 'mass' | 'length' | 'time' | 'share' | 'heat'; base: number }> = {
  kg: { kind: 'mass', base: 1 },
  g: { kind: 'mass', base: 0.001 },
  lb: { kind: 'mass', base: 0.45359237 },
  lbs: { kind: 'mass', base: 0.45359237 },
  oz: { kind: 'mass', base: 0.028349523125 },
  mm: { kind: 'length', base: 1 },
  cm: { kind: 'length', base: 10 },
  m: { kind: 'length', base: 1000 },
  in: { kind: 'length', base: 25.4 },
  '"': { kind: 'length', base: 25.4 },
  '″': { kind: 'length', base: 25.4 },
  ft: { kind: 'length', base: 304.8 },
  min: { kind: 'time', base: 1 },
  h: { kind: 'time', base: 60 },
  '%': { kind: 'share', base: 1 },
  '°c': { kind: 'heat', base: 1 },
  c: { kind: 'heat', base: 1 },
  '°f': { kind: 'heat', base: 2 },
  f: { kind: 'heat', base: 2 },
};

/** The number of a text without its unit; NaN for anything else. Where both signs stand, the last is the decimal one. */
function numberOf(text: string): number {
  if (!/^[+-]?[\d.,' ]+$/.test(text) || !/\d/.test(text)) return Number.NaN;
  const bare = text.replaceAll(/[' ]/g, '');
  const [point, comma] = [bare.lastIndexOf('.'), bare.lastIndexOf(',')];
  if (point >= 0 && comma >= 0) {
    const [decimal, thousands] = point > comma ? ['.', ','] : [',', '.'];
    if (bare.indexOf(decimal) !== bare.lastIndexOf(decimal)) return Number.NaN;
    return Number(bare.replaceAll(thousands, '').replace(decimal, '.'));
  }
  // A comma alone is a decimal sign, unless three digits follow it: then it parts thousands.
  if (comma >= 0)
    return /^[+-]?\d*,\d{1,2}$|^[+-]?\d*,\d{4,}$/.test(bare) ? Number(bare.replace(',', '.')) : Number(bare.replaceAll(',', ''));
  return Number(bare);
}

/**
 * A typed figure in the unit that is shown. A unit that was typed with it is converted; NaN where that cannot be, or
 * where it is no figure. Takes time in proportion to the text, which is cut off early.
 */
export function readFigure(typed: string, shownUnit?: string): number {
  if (typed.length > 4 * LONGEST) return Number.NaN;
  const text = typed.trim().replace(/([a-z])\.$/i, '$1');
  if (text.length === 0 || text.length > LONGEST) return Number.NaN;
  let end = text.length;
  while (end > 0 && !/[\d.,]/.test(text[end - 1]!)) end--;
  const value = numberOf(text.slice(0, end).trim());
  const unit = text.slice(end).trim().toLowerCase();
  if (unit === '' || Number.isNaN(value)) return value;
  const [from, to] = [UNITS[unit], UNITS[(shownUnit ?? '').toLowerCase()]];
  if (unit === shownUnit?.toLowerCase()) return value;
  if (!from || !to || from.kind !== to.kind) return Number.NaN;
  // Degrees and differences of degrees look alike: what is not in the field's own scale is not guessed at.
  if (from.kind === 'heat') return from.base === to.base ? value : Number.NaN;
  return (value * from.base) / to.base;
}

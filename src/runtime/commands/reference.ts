import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { carryOver, restHours, runLoggedCook, SHIPPED_PARAMETERS } from '../../core/forecast';
import { readCooksCsv } from '../../formats/cooksCsv';
import { readCarryOverCsv, readRestsCsv } from '../../formats/restsCsv';

/** `npm run reference`: writes docs/reference.md, every reference row told against forecast, and its plots beside it. */
const text = (name: string) => readFileSync(`data/cooks/reference-${name}.csv`, 'utf8');
const PLOTS = 'docs/reference';

interface Told {
  id: string;
  cut: string;
  how: string;
  toldH: number;
  saysH: number;
  offC?: number;
  leftOut: string;
}

const toldOf = (name: string): Told[] =>
  readCooksCsv(text(name)).rows.flatMap(({ cells, cook: row }) => {
    if (row.observedH === undefined) return [];
    const cook = runLoggedCook(row, SHIPPED_PARAMETERS);
    const wrap =
      row.wrap === 'none' ? 'bare' : `${row.wrap} at ${cells['wrap_at']}${cells['unwrap_at'] ? ` to ${cells['unwrap_at']}` : ''}`;
    return {
      id: row.id,
      cut: `${row.cutId}, ${row.massKg.toFixed(1)} kg`,
      how: `${row.pitSteps.map((step) => step.pitC.toFixed(0)).join(' to ')} C, ${wrap}, to ${cells['done']}`,
      toldH: row.observedH,
      saysH: cook.doneAtMin / 60,
      offC: row.done.by === 'tender' && row.observedFinalC !== undefined ? cook.doneCoreC - row.observedFinalC : undefined,
      leftOut: cells['left_out'] ?? '',
    };
  });

const finishes = toldOf('cooks');
const milestones = toldOf('milestones');
const rests = readRestsCsv(text('rests')).rows.map((rest) => ({ ...rest, saysH: restHours(rest.cook, SHIPPED_PARAMETERS) }));
const carried = readCarryOverCsv(text('carryover')).rows.map((each) => ({ ...each, says: carryOver(each, SHIPPED_PARAMETERS) }));

const table = (head: string[], rows: string[][]): string => {
  const widths = head.map((title, i) => Math.max(title.length, ...rows.map((row) => row[i]!.length)));
  const line = (cells: string[]) => `| ${cells.map((cell, i) => cell.padEnd(widths[i]!)).join(' | ')} |`;
  return [line(head), `| ${widths.map((width) => '-'.repeat(width)).join(' | ')} |`, ...rows.map(line)].join('\n');
};
const logMiss = ({ toldH, saysH }: Told) => Math.log(saysH / toldH);
const rmse = (rows: Told[]) => Math.sqrt(rows.reduce((sum, row) => sum + logMiss(row) ** 2, 0) / rows.length).toFixed(3);
const cooksTable = (rows: Told[]) =>
  table(
    ['row', 'cut', 'cooked', 'told h', 'forecast h', 'ln', 'finish C', 'fitted to'],
    rows.map((row) => [
      row.id,
      row.cut,
      row.how,
      row.toldH.toFixed(2),
      row.saysH.toFixed(2),
      logMiss(row).toFixed(2),
      row.offC === undefined ? '' : `${row.offC >= 0 ? '+' : ''}${row.offC.toFixed(1)}`,
      row.leftOut ? `no: ${row.leftOut}` : 'yes',
    ]),
  );
const inside = (value: number, [low, high]: readonly [number, number]) => (value >= low && value <= high ? 'yes' : 'no');

const page = `# Told and forecast

Written by \`npm run reference\` from \`data/cooks\` and the shipped parameters. The rows are rules of thumb; times are from
going on (rests: from pulling), \`ln\` is the natural log of forecast over told, \`finish C\` how far the forecast's tender
core lies from the one told.

## Finishes

Log-RMSE ${rmse(finishes)} over all ${finishes.length} rows.

![Finishes, told against forecast](reference/finishes.svg)

${cooksTable(finishes)}

## On the way

Log-RMSE ${rmse(milestones)} over all ${milestones.length} rows.

![Cores on the way, told against forecast](reference/milestones.svg)

${cooksTable(milestones)}

## Rests

![Rests, in their ranges](reference/rests.svg)

${table(
  ['row', 'cut', 'rests', 'from, to', 'believed h', 'forecast h', 'inside'],
  rests.map(({ cook, range, saysH }) => [
    cook.id,
    `${cook.cutId}, ${cook.massKg.toFixed(1)} kg`,
    `${cook.rest.how.kind}, ${cook.wrap === 'none' ? 'bare' : cook.wrap}`,
    `${cook.done.by === 'probe' ? cook.done.coreC.toFixed(0) : ''} to ${cook.rest.toC.toFixed(0)} C`,
    `${range[0]} to ${range[1]}`,
    saysH.toFixed(2),
    inside(saysH, range),
  ]),
)}

## Carry-over

${table(
  ['row', 'cut', 'pit, pulled at', 'believed rise C', 'forecast', 'peak min', 'forecast', 'inside'],
  carried.map(({ cook, riseC, peakMin, says }) => [
    cook.id,
    `${cook.cutId}, ${cook.massKg.toFixed(1)} kg`,
    `${cook.pitSteps[0]!.pitC.toFixed(0)} C, ${cook.done.by === 'probe' ? cook.done.coreC.toFixed(0) : ''} C`,
    `${riseC[0].toFixed(1)} to ${riseC[1].toFixed(1)}`,
    says.riseC.toFixed(1),
    `${peakMin[0]} to ${peakMin[1]}`,
    says.peakMin.toFixed(0),
    inside(says.riseC, riseC) === 'yes' && inside(says.peakMin, peakMin) === 'yes' ? 'yes' : 'no',
  ]),
)}
`;

/** Told against forecast on two log axes, with the line where they agree and a fifth either way. */
function scatter(rows: Told[], fromH: number, toH: number): string {
  const SIZE = 420;
  const EDGE = 46;
  const at = (hours: number) => EDGE + (Math.log(hours / fromH) / Math.log(toH / fromH)) * (SIZE - 2 * EDGE);
  const x = (hours: number) => at(hours).toFixed(1);
  const y = (hours: number) => (SIZE - at(hours)).toFixed(1);
  const line = (factor: number, dash: string) =>
    `<line x1="${x(fromH)}" y1="${y(fromH * factor)}" x2="${x(toH)}" y2="${y(toH * factor)}" stroke="#8a7f72" stroke-dasharray="${dash}"/>`;
  const ticks = [1, 2, 4, 8, 16].filter((hours) => hours >= fromH && hours <= toH);
  const marks = rows.map(
    (row) =>
      `<circle cx="${x(row.toldH)}" cy="${y(row.saysH)}" r="4" fill="${row.leftOut ? 'none' : '#c2491d'}" stroke="#c2491d" fill-opacity="0.7"><title>${row.id} ${row.cut}</title></circle>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIZE} ${SIZE}" width="${SIZE}" height="${SIZE}" font-family="sans-serif" font-size="12" fill="#2b2622">
<rect width="${SIZE}" height="${SIZE}" fill="#fbf9f4"/>
${line(1, '')}
${line(1.2, '4 4')}
${line(1 / 1.2, '4 4')}
${ticks.map((hours) => `<text x="${x(hours)}" y="${SIZE - EDGE + 18}" text-anchor="middle">${hours} h</text><text x="${EDGE - 10}" y="${y(hours)}" text-anchor="end" dominant-baseline="middle">${hours} h</text>`).join('\n')}
<text x="${SIZE / 2}" y="${SIZE - 8}" text-anchor="middle">told</text>
<text x="14" y="${SIZE / 2}" text-anchor="middle" transform="rotate(-90 14 ${SIZE / 2})">forecast</text>
${marks.join('\n')}
</svg>
`;
}

/** Each rest's believed range as a bar, what is told as a tick, and the forecast as a dot. */
function restBars(): string {
  const WIDTH = 620;
  const ROW = 26;
  const LEFT = 250;
  const HOURS = 9;
  const x = (hours: number) => (LEFT + (hours / HOURS) * (WIDTH - LEFT - 20)).toFixed(1);
  const height = (rests.length + 1) * ROW + 14;
  const bars = rests.map(({ cook, range, saysH }, i) => {
    const y = (i + 0.5) * ROW + 8;
    const name = `${cook.cutId}, ${cook.wrap === 'none' ? 'bare' : cook.wrap}, ${cook.rest.how.kind}, to ${cook.rest.toC.toFixed(0)} C`;
    return `<text x="${LEFT - 10}" y="${y}" text-anchor="end" dominant-baseline="middle">${name}</text>
<line x1="${x(range[0])}" y1="${y}" x2="${x(range[1])}" y2="${y}" stroke="#c9bfb0" stroke-width="8"/>
<circle cx="${x(saysH)}" cy="${y}" r="4" fill="#c2491d"/>`;
  });
  const ticks = [0, 2, 4, 6, 8].map((hours) => `<text x="${x(hours)}" y="${height - 8}" text-anchor="middle">${hours} h</text>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}" font-family="sans-serif" font-size="12" fill="#2b2622">
<rect width="${WIDTH}" height="${height}" fill="#fbf9f4"/>
${bars.join('\n')}
${ticks.join('\n')}
</svg>
`;
}

mkdirSync(PLOTS, { recursive: true });
writeFileSync('docs/reference.md', page);
writeFileSync(`${PLOTS}/finishes.svg`, scatter(finishes, 0.9, 18));
writeFileSync(`${PLOTS}/milestones.svg`, scatter(milestones, 0.9, 10));
writeFileSync(`${PLOTS}/rests.svg`, restBars());
console.log(
  `wrote docs/reference.md: finishes ${rmse(finishes)}, on the way ${rmse(milestones)}, ${rests.length} rests, ${carried.length} carry-overs`,
);

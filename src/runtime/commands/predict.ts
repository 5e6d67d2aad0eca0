import { existsSync, readFileSync, statSync } from 'node:fs';
import { predictLogged, SHIPPED_PARAMETERS } from '../../core/forecast';
import { predictionsCsv, readCooksCsv, type PredictedRow } from '../../formats/cooksCsv';

/** `npm run --silent predict -- cooks.csv`: the model's forecast for every usable row, and how it compares with what was observed. */
const source = process.argv[2];
if (!source || !existsSync(source) || !statSync(source).isFile()) {
  const what = source && existsSync(source) ? 'is a folder, not a cooks file' : 'is not there';
  console.error(source ? `${source} ${what}.` : 'Name the cooks file: npm run --silent predict -- cooks.csv');
  process.exit(2);
}
const { columns, rows, refused } = readCooksCsv(readFileSync(source, 'utf8'));
const problems = [...refused];
const predicted: PredictedRow[] = [];
for (const row of rows) {
  const prediction = predictLogged(row.cook, SHIPPED_PARAMETERS);
  if (prediction) predicted.push({ row, prediction });
  if (prediction && row.cook.rest && prediction.restH === undefined)
    problems.push({ line: row.line, reason: 'at rest it never falls to that core in 48 h; its cook is forecast all the same' });
  if (!prediction) problems.push({ line: row.line, reason: 'the model never reaches this finish in 40 h' });
}
for (const { line, reason } of problems.sort((a, b) => a.line - b.line)) console.error(`line ${line}: ${reason}`);
if (predicted.length === 0) {
  console.error('No row could be used.');
  process.exit(2);
}
process.stdout.write(predictionsCsv(columns, predicted));

const observed = predicted.filter(({ row }) => row.cook.observedH !== undefined);
if (observed.length > 0) {
  const squares = observed.map(({ row, prediction }) => Math.log(prediction.hours.p50 / row.cook.observedH!) ** 2);
  const inside = observed.filter(
    ({ row, prediction }) => row.cook.observedH! >= prediction.hours.p10 && row.cook.observedH! <= prediction.hours.p90,
  );
  console.error(`log-RMSE ${Math.sqrt(squares.reduce((sum, each) => sum + each, 0) / squares.length).toFixed(4)}`);
  console.error(`inside p10-p90 ${(inside.length / observed.length).toFixed(3)} of ${observed.length} rows`);
}

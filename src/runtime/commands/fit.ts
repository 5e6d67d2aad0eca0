import { readFileSync, writeFileSync } from 'node:fs';
import { fitErrors, fitParameters, SHIPPED_PARAMETERS, type ParameterSet } from '../../core/forecast';
import { readCooksCsv } from '../../formats/cooksCsv';

/** `npm run fit [-- cooks.csv]`: fits the cook model to a log and writes the parameter file. */
const PARAMETER_FILE = new URL('../../core/forecast/parameters.json', import.meta.url);
const source = process.argv[2] ?? 'data/cooks/reference-cooks.csv';
const { rows, refused } = readCooksCsv(readFileSync(source, 'utf8'));
for (const { line, reason } of refused) console.error(`line ${line}: ${reason}`);
const cooks = rows.map((row) => row.cook);
const describe = (label: string, parameters: ParameterSet) => {
  const { rows: count, logRmse, worstFinalC } = fitErrors(cooks, parameters);
  console.log(`${label}: ${count} cooks, log-RMSE ${logRmse.toFixed(4)}, worst tender finish ${worstFinalC.toFixed(1)} C`);
};
describe('as shipped', SHIPPED_PARAMETERS);
const globalOnly = fitParameters(cooks, SHIPPED_PARAMETERS, { perCut: false, rounds: 60 });
describe('global parameters only', globalOnly);
const fitted = fitParameters(cooks, SHIPPED_PARAMETERS, { perCut: true, rounds: 60 });
describe('with shrunken cut corrections', fitted);
const round = (value: number) => Number(value.toPrecision(6));
const rounded = JSON.parse(
  JSON.stringify(fitted, (_, value: unknown) => (typeof value === 'number' ? round(value) : value)),
) as ParameterSet;
writeFileSync(PARAMETER_FILE, `${JSON.stringify(rounded, null, 2)}\n`);
console.log('wrote src/core/forecast/parameters.json');

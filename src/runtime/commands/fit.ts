import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { crossValidate, fitErrors, fitParameters, SHIPPED_PARAMETERS, type FitErrors, type ParameterSet } from '../../core/forecast';
import { readCooksCsv } from '../../formats/cooksCsv';

/** `npm run fit [-- cooks.csv]`: fits the cook model to a log and writes the parameter file with its errors. */
const PARAMETER_FILE = new URL('../../core/forecast/parameters.json', import.meta.url);
const ROUNDS = 40;
const ROUNDS_UNSEEN = 6;

const source = process.argv[2] ?? 'data/cooks/reference-cooks.csv';
if (!existsSync(source) || !statSync(source).isFile()) {
  console.error(`${source} is ${existsSync(source) ? 'a folder, not a cooks file' : 'not there'}. The parameters were left as they are.`);
  process.exit(2);
}
const { rows, refused } = readCooksCsv(readFileSync(source, 'utf8'));
for (const { line, reason } of refused) console.error(`line ${line}: ${reason}`);
const cooks = rows.map((row) => row.cook).filter((cook) => cook.observedH !== undefined);
if (cooks.length === 0) {
  console.error(`${source} holds no cook with hours to fit to. The parameters were left as they are.`);
  process.exit(2);
}
const say = (label: string, parameters: ParameterSet): FitErrors => {
  const errors = fitErrors(cooks, parameters);
  console.log(
    `${label}: ${errors.rows} cooks, log-RMSE ${errors.logRmse.toFixed(4)}, worst tender finish ${errors.worstFinalC.toFixed(1)} C`,
  );
  return errors;
};
say('as shipped', SHIPPED_PARAMETERS);
const begin = SHIPPED_PARAMETERS.global;
const globalOnly = say('global parameters only', fitParameters(cooks, SHIPPED_PARAMETERS, { perCut: false, rounds: ROUNDS, begin }));
const fitted = fitParameters(cooks, SHIPPED_PARAMETERS, { perCut: true, rounds: ROUNDS, begin });
const errors = say('with shrunken cut corrections', fitted);
const unseen = crossValidate(cooks, fitted, ROUNDS_UNSEEN);
console.log(`cuts left out one by one: log-RMSE ${unseen.toFixed(4)}`);
const written: ParameterSet = {
  ...fitted,
  fit: {
    cooks: errors.rows,
    logRmse: errors.logRmse,
    globalLogRmse: globalOnly.logRmse,
    unseenCutLogRmse: unseen,
    worstFinalC: errors.worstFinalC,
  },
};
const rounded = JSON.stringify(written, (_, value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(6)) : value), 2);
writeFileSync(PARAMETER_FILE, `${rounded}\n`);
console.log('wrote src/core/forecast/parameters.json');

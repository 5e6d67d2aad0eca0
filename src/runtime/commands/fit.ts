import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import {
  carryOver,
  crossValidate,
  fitErrors,
  fitParameters,
  NO_DATA,
  predictiveLaw,
  restHours,
  SHIPPED_PARAMETERS,
  unlearned,
  type FitData,
  type ParameterSet,
} from '../../core/forecast';
import { taughtBy } from '../../core/learn';
import { readCooksCsv } from '../../formats/cooksCsv';
import { columnsOf, type RefusedRow } from '../../formats/csvRows';
import { readCarryOverCsv, readRestsCsv } from '../../formats/restsCsv';

/**
 * `npm run fit [-- cooks.csv [milestones.csv] [rests.csv] [carryover.csv]]`: fits the cook model to logs and writes
 * the parameter file with its errors. What a file is, its header says; of two cooks files the second holds cores on
 * the way. Without files, all four reference files.
 */
const PARAMETER_FILE = new URL('../../core/forecast/parameters.json', import.meta.url);
const REFERENCE = ['cooks', 'milestones', 'rests', 'carryover'].map((each) => `data/cooks/reference-${each}.csv`);
const ROUNDS = 60;
const ROUNDS_UNSEEN = 12;

function stop(line: string): never {
  console.error(`${line} The parameters were left as they are.`);
  process.exit(2);
}

/** All that the files hold; rows that cannot be used are told by line and left out. */
function readAll(files: string[]): FitData {
  const data = { ...NO_DATA, leftOut: new Set<string>() };
  for (const file of files) {
    if (!existsSync(file) || !statSync(file).isFile()) stop(`${file} is ${existsSync(file) ? 'a folder, not a log' : 'not there'}.`);
    const text = readFileSync(file, 'utf8');
    const tell = (refused: RefusedRow[]) => refused.forEach(({ line, reason }) => console.error(`${file} line ${line}: ${reason}`));
    const columns = columnsOf(text);
    if (columns.includes('rest_id')) {
      const { rows, refused } = readRestsCsv(text);
      tell(refused);
      data.rests = [...data.rests, ...rows];
    } else if (columns.includes('carry_id')) {
      const { rows, refused } = readCarryOverCsv(text);
      tell(refused);
      data.carryOvers = [...data.carryOvers, ...rows];
    } else if (columns.includes('cook_id')) {
      const { rows, refused } = readCooksCsv(text);
      tell(refused);
      for (const { cells, cook } of rows) if (cells['left_out']) data.leftOut.add(cook.id);
      const cooks = rows.map(({ cook }) => cook).filter(({ observedH }) => observedH !== undefined);
      if (data.finishes.length === 0) data.finishes = cooks;
      else data.milestones = [...data.milestones, ...cooks];
    } else stop(`${file} has no cook_id, rest_id or carry_id in its first line, so it is no log.`);
  }
  return data;
}

const data = readAll(process.argv.length > 2 ? process.argv.slice(2) : REFERENCE);
if (data.finishes.length === 0) stop('There is no cook with hours to fit to.');

const within = (value: number, [low, high]: [number, number]) => value >= low && value <= high;

/** Tells how a set meets each file, and gives the figures that are kept with it. */
function say(label: string, parameters: ParameterSet) {
  const finishes = fitErrors(data.finishes, parameters, data.leftOut);
  const milestones = fitErrors(data.milestones, parameters, data.leftOut);
  const inside = data.rests.filter(({ cook, range }) => within(restHours(cook, parameters), range)).length;
  const carried = data.carryOvers.filter((each) => {
    const { riseC, peakMin } = carryOver(each, parameters);
    return within(riseC, each.riseC) && within(peakMin, each.peakMin);
  }).length;
  const worst = ({ worstCut }: typeof finishes) => (worstCut ? `, worst cut ${worstCut.cutId} ${worstCut.meanLog.toFixed(3)}` : '');
  console.log(label);
  console.log(
    `  finishes   ${finishes.rows} cooks, log-RMSE ${finishes.logRmse.toFixed(4)}${worst(finishes)}, worst tender finish ${finishes.worstFinalC.toFixed(1)} C`,
  );
  if (milestones.rows > 0)
    console.log(`  on the way ${milestones.rows} cores, log-RMSE ${milestones.logRmse.toFixed(4)}${worst(milestones)}`);
  if (data.rests.length > 0) console.log(`  rests      ${inside} of ${data.rests.length} inside their range`);
  if (data.carryOvers.length > 0) console.log(`  carry-over ${carried} of ${data.carryOvers.length} inside both ranges`);
  return {
    cooks: finishes.rows,
    logRmse: finishes.logRmse,
    milestoneLogRmse: milestones.rows > 0 ? milestones.logRmse : undefined,
    worstFinalC: finishes.worstFinalC,
  };
}

// Cooks alone say how an owner's kitchen differs from the model; cores on the way, rests and carry-over tell its physics.
const isOwners = process.argv.length > 2;
const physics = !isOwners || data.milestones.length + data.rests.length + data.carryOvers.length > 0;
// An owner's log is fitted from the shipped set; all of the reference from the centres of the priors.
const begin = isOwners ? SHIPPED_PARAMETERS.global : undefined;
const shipped = unlearned(SHIPPED_PARAMETERS);
say('as shipped', SHIPPED_PARAMETERS);
const base = physics ? fittedPhysics() : shipped;
const written = isOwners ? taughtBy(data.finishes, base) : base;
if (isOwners) say('with what the owner’s cooks teach', written);
const law = predictiveLaw(written.record);
console.log(
  `the law for a cut of ${isOwners ? 'this log' : 'a new owner'}: 8 in 10 cooks within x${law.factor(data.finishes[0]!.cutId, 0.1).toFixed(3)} to x${law.factor(data.finishes[0]!.cutId, 0.9).toFixed(3)} of the median`,
);
const rounded = JSON.stringify(written, (_, value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(6)) : value), 2);
writeFileSync(PARAMETER_FILE, `${rounded}\n`);
console.log('wrote src/core/forecast/parameters.json');

function fittedPhysics(): ParameterSet {
  const globalOnly = say('global parameters only', fitParameters(data, { ...shipped, cuts: {} }, { perCut: false, rounds: ROUNDS, begin }));
  const fitted = fitParameters(data, shipped, { perCut: true, rounds: ROUNDS, begin });
  const errors = say('with shrunken cut corrections', fitted);
  const unseen = crossValidate(data, shipped, ROUNDS_UNSEEN);
  const onTheWay = Number.isNaN(unseen.milestones) ? '' : `, on the way ${unseen.milestones.toFixed(4)}`;
  console.log(`cuts left out one by one: finishes log-RMSE ${unseen.finishes.toFixed(4)}${onTheWay}`);
  return {
    ...fitted,
    fit: {
      ...errors,
      globalLogRmse: globalOnly.logRmse,
      unseenCutLogRmse: unseen.finishes,
      unseenCutMilestoneLogRmse: Number.isNaN(unseen.milestones) ? undefined : unseen.milestones,
    },
  };
}

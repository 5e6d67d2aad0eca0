import { existsSync, readFileSync, statSync } from 'node:fs';
import { reforecastLogged } from '../../core/live';
import { readCooksCsv } from '../../formats/cooksCsv';
import { readReadingsCsv, reforecastsCsv } from '../../formats/reforecastCsv';

/** `npm run --silent reforecast -- cook.csv readings.csv`: one cook's finish, forecast anew at each of its readings. */
const [cookFile, readingsFile] = process.argv.slice(2);
for (const file of [cookFile, readingsFile])
  if (!file || !existsSync(file) || !statSync(file).isFile()) {
    console.error(file ? `${file} is not there, or is no file.` : 'Name both files: npm run --silent reforecast -- cook.csv readings.csv');
    process.exit(2);
  }
const cooks = readCooksCsv(readFileSync(cookFile!, 'utf8'));
for (const { line, reason } of cooks.refused) console.error(`${cookFile} line ${line}: ${reason}`);
if (cooks.rows.length !== 1) {
  console.error(
    cooks.rows.length === 0
      ? 'There is no cook to be used in the first file.'
      : 'The first file holds more than one cook: leave one row in it.',
  );
  process.exit(2);
}
const { readings, refused } = readReadingsCsv(readFileSync(readingsFile!, 'utf8'));
for (const { line, reason } of refused) console.error(`line ${line}: ${reason}`);
if (readings.length === 0) {
  console.error('No reading could be used.');
  process.exit(2);
}
process.stdout.write(
  reforecastsCsv(
    reforecastLogged(
      cooks.rows[0]!.cook,
      readings.map((each) => each.reading),
    ),
  ),
);

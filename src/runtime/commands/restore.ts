import { OpenRefused } from '../../persistence';
import { copiesFolder, listCopies, restoreFile } from '../../services';
import { databaseFile } from '../context';

/** `npm run --silent restore [-- NAME]`: lists the copies, or puts one in the place of a damaged database while no program serves it: exit 0, or 2 with a line. */
const [name] = process.argv.slice(2);
const file = databaseFile();
try {
  if (name === undefined) {
    const copies = listCopies(copiesFolder(file));
    if (copies.length === 0) console.log(`There is no copy in ${copiesFolder(file)}.`);
    for (const copy of copies) console.log(`${copy.name}  ${(copy.bytes / 1e6).toFixed(1)} MB`);
  } else {
    const { events, days, aside } = await restoreFile(file, name, Date.now());
    const words = `${file} is ${name} now: ${events.length} events, ${days} cook days.`;
    console.log(aside ? `${words} What was there lies in ${aside}.` : words);
  }
  process.exit(0);
} catch (error) {
  console.error(error instanceof OpenRefused ? error.message : error);
  process.exit(2);
}

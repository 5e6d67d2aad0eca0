import { databaseFile, context } from '../context';
import { copiesFolder, makeCopy } from '../../services';
import { OpenRefused } from '../../persistence';
import path from 'node:path';

/** `npm run --silent backup`: a checked copy of the database beside it, while the program runs or not: exit 0, or 2 with a line. */
try {
  const opened = await context();
  const made = await makeCopy(opened, databaseFile());
  if (made.ok) {
    const { name, bytes, events, days } = made.value;
    console.log(
      `${path.join(copiesFolder(databaseFile()), name)}: ${(bytes / 1e6).toFixed(1)} MB, ${events.length} events, ${days} cook days, whole.`,
    );
  } else console.error(made.problems[0]?.message);
  await opened.db.close();
  process.exit(made.ok ? 0 : 2);
} catch (error) {
  console.error(error instanceof OpenRefused ? error.message : error);
  process.exit(2);
}

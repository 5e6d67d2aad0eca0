import { holdForServing, OpenRefused } from '../persistence';
import { copiesFolder, keepDailyCopy, listCopies, type Context } from '../services';
import { context, databaseFile } from './context';
import { dayHouse } from './dayHouse';
import { startYard } from './yard';

/** How the program leaves when its database cannot be opened: whoever started it need not look further. */
const NO_DATABASE = 3;

// Held as long as the program runs: what nobody refers to any more may be let go of.
const shared = globalThis as typeof globalThis & { anachronServing?: Awaited<ReturnType<typeof holdForServing>> };

/** Opens the database, or says why not in one line and stops the program before it can do harm. */
export async function openOrStop(): Promise<void> {
  try {
    shared.anachronServing ??= await holdForServing(databaseFile(), `http://127.0.0.1:${process.env.PORT ?? '3000'}`);
    await context();
  } catch (error) {
    console.error(error instanceof OpenRefused ? error.message : error);
    const [newest] = listCopies(copiesFolder(databaseFile()));
    if (newest && String(error).includes('is damaged'))
      console.error(`Its newest copy is ${newest.name}; to put it back: npm run restore -- ${newest.name}`);
    process.exit(NO_DATABASE);
  }
}

/** Goes on with the days under way, and opens the yard if it was left open: only the program that serves does. */
export async function goOn(): Promise<void> {
  const opened = await context();
  await dayHouse(opened).start();
  await startYard(opened);
  copyDaily(opened);
}

const LOOK_EVERY_MS = 3_600_000;

/** A copy of everything once a day, as long as the program runs; why there is none is said where it was started. */
function copyDaily(opened: Context): void {
  const keep = async () => {
    const kept = await keepDailyCopy(opened, databaseFile());
    if (!kept.ok) console.error(`No copy was made today: ${kept.problems[0]?.message}`);
  };
  const safely = () => void keep().catch((error: unknown) => console.error('no copy was made today:', error));
  setTimeout(safely, FIRST_COPY_MS).unref();
  setInterval(safely, LOOK_EVERY_MS).unref();
}
/** Whoever starts it sees pages first. */
const FIRST_COPY_MS = 120_000;

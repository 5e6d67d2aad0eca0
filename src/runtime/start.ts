import { holdForServing, OpenRefused } from '../persistence';
import { copiesFolder, listCopies } from '../services';
import { context, databaseFile } from './context';
import { copyDaily } from './dailyCopy';
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

import { MigrationRefused, OpenRefused } from '../persistence';
import { context } from './context';
import { dayHouse } from './dayHouse';
import { startYard } from './yard';

/** How the program leaves when its database cannot be opened: whoever started it need not look further. */
const NO_DATABASE = 3;

/** Opens the database, or says why not in one line and stops the program before it can do harm. */
export async function openOrStop(): Promise<void> {
  try {
    await context();
  } catch (error) {
    console.error(error instanceof MigrationRefused || error instanceof OpenRefused ? error.message : error);
    process.exit(NO_DATABASE);
  }
}

/** Goes on with the days under way, and opens the yard if it was left open: only the program that serves does. */
export async function goOn(): Promise<void> {
  const opened = await context();
  await dayHouse(opened).start();
  await startYard(opened);
}

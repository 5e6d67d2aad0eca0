import { MigrationRefused, OpenRefused } from '../persistence';
import { context } from './context';
import { dayHouse } from './dayHouse';

/** How the program leaves when its database cannot be opened: whoever started it need not look further. */
const NO_DATABASE = 3;

/** Opens the database and goes on with the days under way, or says why not in one line and stops the program before it can do harm. */
export async function openOrStop(): Promise<void> {
  try {
    await dayHouse(await context()).start();
  } catch (error) {
    console.error(error instanceof MigrationRefused || error instanceof OpenRefused ? error.message : error);
    process.exit(NO_DATABASE);
  }
}

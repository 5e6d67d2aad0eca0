import { MigrationRefused } from '../persistence';
import { context } from './context';

/** Opens the database, or says why not and stops the program before it can do harm. */
export async function openOrStop(): Promise<void> {
  try {
    await context();
  } catch (error) {
    console.error(error instanceof MigrationRefused ? error.message : error);
    process.exit(1);
  }
}

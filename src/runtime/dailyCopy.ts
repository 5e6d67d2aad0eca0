import { keepDailyCopy, type Context } from '../services';
import { databaseFile } from './context';

const LOOK_EVERY_MS = 3_600_000;
/** Whoever starts it sees pages first. */
const FIRST_COPY_MS = 120_000;

const shared = globalThis as typeof globalThis & { anachronNoCopy?: string };

/** Why there is no copy of today; undefined when there is one, or it is not time yet. */
export const noCopyToday = (): string | undefined => shared.anachronNoCopy;

/** A copy of everything once a day, as long as the program runs; why there is none stands in the settings, and where it was started. */
export function copyDaily(opened: Context): void {
  const keep = async () => {
    try {
      const kept = await keepDailyCopy(opened, databaseFile());
      shared.anachronNoCopy = kept.ok ? undefined : kept.problems[0]?.message;
    } catch (error) {
      opened.db.noticed(error);
      shared.anachronNoCopy = String(error);
    }
    if (shared.anachronNoCopy !== undefined) console.error(`No copy was made today: ${shared.anachronNoCopy}`);
  };
  setTimeout(() => void keep(), FIRST_COPY_MS).unref();
  setInterval(() => void keep(), LOOK_EVERY_MS).unref();
}

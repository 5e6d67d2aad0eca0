import { failure, type Outcome } from '../core/outcome';
import type { Misread } from '../formats/open';

const MOST_TOLD = 5;

/** A file that was refused: where it is wrong and why, the first few places of many. */
export function unreadable(problems: readonly Misread[]): Outcome<never> {
  const told = problems.slice(0, MOST_TOLD).map(({ path, reason }) => `${path} ${reason}`);
  const more = problems.length > MOST_TOLD ? `; and ${problems.length - MOST_TOLD} more` : '';
  return failure({
    code: 'unreadableFile',
    path: 'text',
    message: `This file cannot be read, and nothing of it was taken: ${told.join('; ')}${more}.`,
  });
}

/**
 * How much one event may hold and how far it may reach: written once, for every door (form, edit, file, command,
 * what is stored). A house that needs more plans two events.
 */
export const LIMITS = Object.freeze({
  yearsBack: 5,
  yearsAhead: 10,
  /** Work on an event begins at most so long before its first serving. */
  workDaysAhead: 366,
  /** From the first serving to the last. */
  servingsSpanDays: 7,
  /** How long before the first serving anything of the event may lie, and how long after the last. */
  daysBefore: 14,
  daysAfter: 3,
  places: 8,
  servings: 12,
  batches: 80,
  pieces: 400,
  piecesInBatch: 200,
  guests: 5000,
  nameLength: 80,
  fileBytes: 8_000_000,
});

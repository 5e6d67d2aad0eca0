import { LIMITS } from '../../core/model';
import type { Outcome, Problem } from '../../core/outcome';
import { NOT_YOURS } from './notYours';

/** Problem codes of the services in words: what happened, what was kept, what to do. */
const WORDS: Record<string, string> = {
  eventGone: 'This event has been deleted, perhaps in another window. Nothing was changed.',
  changedElsewhere: 'Somebody else changed the same in this event, in another window or on another machine. What you did is still here.',
  entryChangedElsewhere:
    'The same was changed in another window since you opened this. What you typed is still here: say which of the two holds.',
  tooBusy: 'The program has too much to do just now, or this took too long. Nothing was changed; try again in a moment.',
  servingGone: 'This serving is no longer on the event. Load the page again.',
  servingInPast: 'This time has passed. Choose a later one.',
  tooFarBack: `This lies more than ${LIMITS.yearsBack} years back. Check the year.`,
  tooFarAhead: `This lies more than ${LIMITS.yearsAhead} years ahead. Check the year.`,
  servingsTooFarApart: `All servings of an event lie within ${LIMITS.servingsSpanDays} days. Check the day, or split the event.`,
  tooManyPieces: `More than ${LIMITS.pieces} pieces cannot be planned at once. Split the event.`,
  outsideEventDays: `This lies outside the days of the event: at most ${LIMITS.daysBefore} days before the first serving and ${LIMITS.daysAfter} after the last. Check the date.`,
  heatOutOfPit: 'This pit cannot be set to that heat. Choose one within its span.',
  noSuchDate: 'There is no such date. Choose another.',
  clockSkipsIt: 'The clocks go forward over this time that night; it does not exist. Choose another.',
  noGuests: 'Nobody eats at this serving. Give at least one guest.',
  idUsedTwice: 'This line stands twice. Remove one of the two.',
  equipmentGone: 'This equipment is no longer there. Nothing was changed; load the page again.',
  rackNameTwice: 'Two racks have this name. Give each its own.',
  beyondRack: 'This reaches beyond the rack. Make it smaller, or the rack larger.',
  dutyReversed: 'It must end after it begins.',
  placeTwice: 'Two places have this name. Give each its own.',
  placedTwice: 'One piece lies in two places. Load the page again.',
  batchGone: 'This dish is no longer on the menu. Nothing was changed; load the page again.',
  pieceTooHeavy: 'No piece of this cut is that heavy. Check the figure and its unit.',
  trimmedOverBought: 'It cannot weigh more after trimming than before. Check both figures.',
  shopRangeReversed: 'The heaviest piece must not be lighter than the lightest.',
  hoursReversed: 'The kitchen must close after it opens.',
  deliveryAfterServing: 'The meat would come after it is eaten. Choose an earlier day.',
  recipeGone: 'This recipe is no longer in the library. Choose another.',
  brineWithoutRecipe: 'Choose which brine.',
  ingredientTwice: 'This ingredient stands twice. Put the parts together.',
  moreLeftThanCooked: 'That is more than went on the pit. Check the figure and its unit.',
  pastPublished: 'That is past the published figure; the product does not go there.',
  notLoosened: 'That is the strict value already.',
  nothingPlanned: 'There is no plan to keep yet. Give the event a menu and a pit first.',
  sharesOverWhole: 'The shares of this plate add up to more than the whole. Lower one, or let it split.',
  cutGone: 'This cut is no longer in the library. Choose another.',
  methodGone: 'This method is no longer in the library. Choose another.',
  libraryInUse: 'Events still use it, so it was kept. Change those events first.',
  nothingToRestore: 'It is already as shipped.',
  wrongCode: 'This is not the code that is shown now. Ask for it; nobody has joined.',
  tooManyCodes: 'Too many wrong codes came from here. Wait a few minutes, then try again with the right one.',
  memberGone: 'They are out already.',
  notAllowed: NOT_YOURS,
  copyGone: 'This copy is no longer there. Load the page again.',
  diskFull: 'The house’s disk is full, so this was not kept; all that was confirmed before is. Make room on it, then try again.',
  databaseBusy: 'Another program holds the house’s data, so this was not kept. Stop that program, or try again in a moment.',
  databaseReadOnly: 'The house’s data cannot be written to, so this was not kept. Allow writing to its file and folder, then try again.',
  databaseDamaged:
    'The house’s data cannot be written: its file or disk fails. This was not kept. Stop the program, and put the last copy back: npm run restore.',
  databaseGone:
    'The house’s data file was moved or deleted while the program uses it, so this was not kept. Put it back where it was; or make a copy in Settings before you stop the program.',
  cookGone: 'This cook is no longer in the log. Load the page again.',
  noCooks: 'There is no cook in this file. It must have a first line with cook_id, cut and the rest (docs/formats/cooks.md).',
  dayBegun: 'This day has begun already, perhaps on another screen. Nothing was changed; load the page again.',
  dayNotBegun: 'This day has not begun. Start it first; nothing was kept.',
  dayTooEarly: 'The first fire is more than a day and a half away. Start the day when it comes; nothing was changed.',
  dayOver: 'This event is over: its last serving is more than twelve hours ago.',
  planBroken: 'The plan breaks a rule, so it cannot be started. Mend what stands in red on the plan first.',
  inFuture: 'This lies in the future. Check the clock of the phone; nothing was kept.',
  beforeDay: 'This lies days before the start. Check the clock of the phone; nothing was kept.',
  tokenUnknown: 'This token is not known here, or has been ended. Make a new one in the settings of the cook day.',
  tokenGone: 'This token has been ended already.',
  tooManyReadings: 'Too many readings at once. None of these were kept; send them again in a minute.',
  logTooLong: 'This file is too large to be a log: 20 MB is the most.',
  logUnreadable: 'Nothing of this file could be used.',
  clockIsReal: 'This day runs on the real clock, which cannot be hurried.',
  notAnObject: 'Nothing usable was sent. Nothing was changed.',
};

const inMessage = (problem: Problem): Problem => ({
  ...problem,
  message: problem.message ?? WORDS[problem.code] ?? 'Something went wrong. Nothing was changed; try again.',
});

export const worded = <T>(outcome: Outcome<T>): Outcome<T> =>
  outcome.ok ? outcome : { ok: false, problems: outcome.problems.map(inMessage) };

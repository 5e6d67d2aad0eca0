/** Food labelled and kept at 5 C is used within this many days, the day it was made being the first (Food Code 2022 3-501.17). */
export const KEEPS_DAYS = 7;
/** Two-stage cooling (Food Code 2022 3-501.14): 57 to 21 C within 2 h, to 5 C within 4 h more. */
export const COOLING_RULE = Object.freeze({
  fromC: 57,
  middleC: 21,
  endC: 5,
  firstMin: 120,
  secondMin: 240,
  source: 'Food Code 2022 3-501.14',
});

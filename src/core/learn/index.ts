export { calibrate, FEWEST_COOKS, learnedPaces } from './calibration';
export type { Calibration, LearnedPace } from './calibration';
export { closeDay } from './closeDay';
export { NO_WORDS, TRAITS, VERDICTS } from './closedCook';
export type { ClosedCook, CookWords, Trait, Verdict } from './closedCook';
export { comesUpFor } from './nextTime';
export type { NextTime } from './nextTime';
export { taughtBy, withEffects } from './kitchen';

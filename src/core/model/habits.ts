/** Work on meat whose minutes a crew has its own pace at. */
export const HANDLED = ['load', 'wrap', 'move', 'pull'] as const;
export type HandledKind = (typeof HANDLED)[number];
/** What a portion is for: a taste among much else, a lunch, or a supper. */
export const MEALS = ['tasting', 'lunch', 'supper'] as const;
export type Meal = (typeof MEALS)[number];

/** What a house knows of its guests and its crew, in times of the usual: portions a head by the meal, minutes by the work. */
export interface Habits {
  eats?: Partial<Record<Meal, number>>;
  handPace?: Partial<Record<HandledKind, number>>;
}

import type { DrillQuestion, DrillSetId } from './drill';
import { fourAmQuestion, smokeQuestion } from './drillsOfFire';
import { barkQuestion, firstQuestion, tenderQuestion, wrapQuestion } from './drillsOfMeat';

/** The nth question of a set, 0 to QUESTIONS - 1: the same each time, made by the simulated world. */
export function drillQuestion(set: DrillSetId, n: number): DrillQuestion {
  return MAKERS[set](n);
}

const MAKERS: Record<DrillSetId, (n: number) => DrillQuestion> = {
  smoke: smokeQuestion,
  bark: barkQuestion,
  wrap: wrapQuestion,
  tender: tenderQuestion,
  first: firstQuestion,
  fourAm: fourAmQuestion,
};

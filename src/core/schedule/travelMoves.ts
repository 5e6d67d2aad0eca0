import { AFTERWARDS, COOKED_AT, type Scheme, type TravelChoice } from '../model';
import type { AwayServing } from './decoder';

type Travel = NonNullable<Scheme['travel']>;

/** Ways to get to all servings that are worth a look before the search: cooked here or there, few or many go, who comes back. */
export function travelStarts(away: readonly AwayServing[]): Travel[] {
  if (away.length === 0) return [];
  const all = (choice: (serving: AwayServing) => TravelChoice | undefined): Travel =>
    Object.fromEntries(away.flatMap((serving) => [choice(serving)].flatMap((each) => (each ? [[serving.id, each]] : []))));
  const most = Math.max(...away.map((serving) => serving.people.length));
  return [
    ...COOKED_AT.map((cookedAt) => all(() => ({ cookedAt }))),
    ...(most > 2 ? [all(() => ({ hands: 2 }))] : []),
    ...(most > 3 ? [all(() => ({ hands: most - 1 }))] : []),
    ...(away.length > 1 ? AFTERWARDS.map((afterwards) => all(() => ({ afterwards }))) : []),
    ...(away.length > 1 ? [all(({ gearIds }) => ({ gearIds: [...gearIds] }))] : []),
  ];
}

/** The same ways but for one thing about one serving. */
export function otherTravel(travel: Travel, away: readonly AwayServing[], uniform: () => number): Travel {
  const pick = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(uniform() * list.length))]!;
  const serving = pick(away);
  const choice: TravelChoice = { ...travel[serving.id] };
  const some = (ids: readonly string[]) => ids.filter(() => uniform() < 0.5);
  const kind = uniform();
  if (kind < 0.2) choice.cookedAt = pick(COOKED_AT);
  else if (kind < 0.4) choice.hands = 1 + Math.floor(uniform() * Math.max(1, serving.people.length));
  else if (kind < 0.55) choice.who = shuffled(serving.people, uniform).slice(0, 2);
  else if (kind < 0.75) choice.gearIds = some(serving.gearIds);
  else if (kind < 0.85) choice.afterwards = pick(AFTERWARDS);
  else if (kind < 0.95) choice.aheadMin = Math.max(60, (choice.aheadMin ?? 480) + pick([-120, -60, -30, 30, 60, 120, 240]));
  else choice.pitIds = some(serving.pitIds);
  // Now and then back to what follows by itself.
  if (uniform() < 0.2) return Object.fromEntries(Object.entries(travel).filter(([id]) => id !== serving.id));
  return { ...travel, [serving.id]: choice };
}

function shuffled<T>(list: readonly T[], uniform: () => number): T[] {
  const left = [...list];
  return list.map(() => left.splice(Math.min(left.length - 1, Math.floor(uniform() * left.length)), 1)[0]!);
}

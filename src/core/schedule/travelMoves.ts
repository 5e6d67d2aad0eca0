import { AFTERWARDS, COOKED_AT, type Scheme, type TravelChoice } from '../model';
import { pickerOf, shuffled } from '../numerics';
import type { AwayServing } from './decoded';

type Travel = NonNullable<Scheme['travel']>;

/** Ways to get to one serving that are worth a look before the search: cooked here or there, few or many go, with this or that, who comes back. */
export function travelLooks({ people, gearIds, pitIds, aheadMins }: AwayServing, away: number): TravelChoice[] {
  const cooked: TravelChoice[] = COOKED_AT.map((cookedAt) => ({ cookedAt }));
  return [
    ...(pitIds.length > 0 ? cooked : []),
    ...pitIds.map((pitId): TravelChoice => ({ cookedAt: 'both', pitIds: [pitId] })),
    // Only the shorter cooks there, so that they leave later.
    ...(pitIds.length > 0 ? aheadMins() : []).slice(1, 4).map((aheadMin): TravelChoice => ({ cookedAt: 'both', aheadMin })),
    ...[2, people.length - 1]
      .filter((hands, k, all) => hands > 1 && hands < people.length && all.indexOf(hands) === k)
      .map((hands) => ({ hands })),
    ...(away > 1 ? AFTERWARDS.map((afterwards) => ({ afterwards })) : []),
    ...(gearIds.length > 1 ? [{ gearIds: [...gearIds] }, ...gearIds.map((gearId) => ({ gearIds: [gearId] }))] : []),
  ];
}

/** The same ways but for one thing about one serving. */
export function otherTravel(travel: Travel, away: readonly AwayServing[], uniform: () => number): Travel {
  const pick = pickerOf(uniform);
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

import { DEFAULT_VENUE, homeIdOf, servingPlaceId, type CookEvent, type Serving } from '../model';
import { minutesOf, wayBetween } from './roads';

/** Setting up before a serving, its own or the event's. */
export const setUpMinOf = (event: Pick<CookEvent, 'venue'>, { setUpMin }: Pick<Serving, 'setUpMin'>): number =>
  setUpMin ?? event.venue?.setUpMin ?? DEFAULT_VENUE.setUpMin;

/** The shortest drive from where things begin to a serving; nothing where it is served there, or no road leads there. */
export function driveMinOf(event: Pick<CookEvent, 'places' | 'roads'>, serving: Pick<Serving, 'placeId'>): number {
  return minutesOf(wayBetween(event.roads ?? [], homeIdOf(event), servingPlaceId(event, serving)) ?? []);
}

import type { CookEvent, EventPlace, Serving, Standing } from './event';

/** Where all is while no place is named. */
export const BASE: EventPlace = Object.freeze({ id: 'base', name: 'Base' });

type Placed = Pick<CookEvent, 'places'>;

/** An event's places; the first is where meat, gear and crew begin. */
export const placesOf = ({ places }: Placed): readonly EventPlace[] => (places && places.length > 0 ? places : [BASE]);
export const homeIdOf = (event: Placed): string => placesOf(event)[0]!.id;

/** Where a serving is; at the first place while its own is not among the places. */
export const servingPlaceId = (event: Placed, { placeId }: Pick<Serving, 'placeId'>): string =>
  placesOf(event).some(({ id }) => id === placeId) ? placeId! : homeIdOf(event);

/** Where something or somebody begins. */
export function standsAt(event: Pick<CookEvent, 'places' | 'standing'>, kind: Standing['kind'], thingId: string): string {
  const placeId = event.standing?.find((each) => each.kind === kind && each.thingId === thingId)?.placeId;
  return servingPlaceId(event, { placeId });
}

export const placeName = (event: Placed, placeId: string): string => placesOf(event).find(({ id }) => id === placeId)?.name ?? placeId;

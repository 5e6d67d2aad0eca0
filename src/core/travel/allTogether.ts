import type { Duty } from '../model';
import { addMinutes } from '../units';
import { between, covers, joined, within, type Stay } from './stays';
import { Whereabouts, type Ride } from './whereabouts';

/** A drive as version 1 of the event file has it. */
export interface Drive {
  servingId: string;
  travelMin: number;
  /** When it must have arrived. */
  arriveMs: number;
}

const PLACE = 'anywhere';
const crosses = (a: Ride, b: Ride): boolean =>
  a.leaveMs < b.arriveMs && a.arriveMs > b.leaveMs && !(a.leaveMs === b.leaveMs && a.arriveMs === b.arriveMs);

/**
 * Version 1 of the event file: all of the crew make every drive, nobody works meanwhile, and who is where is not
 * asked. A pit that travels is not used on the road, and what stays is left before each drive.
 */
export function allTogether(
  drives: readonly Drive[],
  { crew, pits, servingIds }: { crew?: readonly Duty[]; pits: readonly { id: string; travels?: boolean }[]; servingIds: readonly string[] },
): Whereabouts {
  const roads = drives.map(({ servingId, travelMin, arriveMs }) => ({
    servingId,
    leaveMs: addMinutes(arriveMs, -travelMin),
    arriveMs,
    gearIds: [],
  }));
  const open = between(joined(roads.map(({ leaveMs, arriveMs }) => ({ fromMs: leaveMs, toMs: arriveMs }))));
  const places: Stay[] = open.map((span) => ({ placeId: PLACE, ...span }));
  const who = (road: Ride) => [
    ...new Set((crew ?? []).filter((duty) => covers(duty, road.leaveMs, road.arriveMs)).map((duty) => duty.memberId)),
  ];
  const work = roads.map((road, i) => ({
    kind: 'drive' as const,
    atMs: road.leaveMs,
    minutes: (road.arriveMs - road.leaveMs) / 60_000,
    placeId: PLACE,
    servingId: road.servingId,
    // Nobody makes two drives at once, unless they are one.
    who: roads.slice(0, i).some((other) => crosses(other, road)) ? [] : who(road),
  }));
  return new Whereabouts({
    homeId: PLACE,
    trips: [],
    work: work.filter(({ atMs, minutes }, i) => work.findIndex((other) => other.atMs === atMs && other.minutes === minutes) === i),
    troubles: work
      .filter((each) => crew && each.who.length === 0)
      .map(({ servingId, atMs }) => ({ code: 'nobodyToDrive', servingId, atMs })),
    servingPlace: new Map(servingIds.map((id) => [id, PLACE])),
    ...(crew && {
      crew: new Map(
        [...new Set(crew.map((duty) => duty.memberId))].map((id) => [
          id,
          within(
            places,
            crew.filter((duty) => duty.memberId === id),
          ),
        ]),
      ),
    }),
    pits: new Map(pits.map((pit) => [pit.id, pit.travels ? places : [{ placeId: PLACE, fromMs: -Infinity, toMs: Infinity }]])),
    gear: new Map(),
    rides: new Map(roads.map((road) => [`${road.servingId} ${PLACE}`, road])),
    pitsRide: true,
    tended: false,
  });
}

import { addMinutes } from '../units';
import type { PersonRow, RoadRow, TimelineInput } from './drawing';
import { lanesOf } from './lanes';
import { xAt, type Scale } from './scale';

const PERSON_PX = 13;
const ROAD_LANE_PX = 15;

/** What does itself, or is everybody's. */
const NO_WORK = new Set(['rest', 'vent', 'hold', 'serve', 'drive']);

/** Whoever is on duty, one row each, in the order of who comes first. */
export function personRows({ plan }: TimelineInput, scale: Scale, y: number): PersonRow[] {
  const stays = plan.stays ?? [];
  const people = [...new Set([...stays].sort((a, b) => a.fromMs - b.fromMs).map((stay) => stay.memberId))];
  const clip = (fromMs: number, toMs: number) => ({
    x0: xAt(scale, Math.max(scale.fromMs, fromMs)),
    x1: xAt(scale, Math.min(scale.toMs, toMs)),
  });
  const shown = ({ x0, x1 }: { x0: number; x1: number }) => x1 > x0;
  return people.map((memberId, i) => ({
    memberId,
    y: y + i * PERSON_PX,
    height: PERSON_PX,
    stays: stays
      .filter((stay) => stay.memberId === memberId)
      .map((stay) => ({ ...clip(stay.fromMs, stay.toMs), placeId: stay.placeId }))
      .filter(shown),
    trips: plan.trips
      .filter((trip) => trip.who.includes(memberId))
      .map((trip) => ({ ...clip(trip.leaveMs, trip.arriveMs), tripId: trip.id }))
      .filter(shown),
    work: plan.tasks
      .filter((task) => task.who?.includes(memberId) && !NO_WORK.has(task.kind))
      .map((task) => ({ ...clip(task.atMs, addMinutes(task.atMs, task.minutes)), task }))
      .filter(shown),
  }));
}

/** The drives of the day; nothing where nobody drives. */
export function roadRow({ plan }: TimelineInput, scale: Scale, y: number): RoadRow | undefined {
  const trips = [...plan.trips].sort((a, b) => a.leaveMs - b.leaveMs);
  if (trips.length === 0) return undefined;
  const spans = trips.map((trip) => ({ x0: xAt(scale, trip.leaveMs), x1: xAt(scale, trip.arriveMs) }));
  const lanes = lanesOf(spans);
  return {
    y,
    height: (Math.max(...lanes) + 1) * ROAD_LANE_PX,
    trips: trips.map((trip, i) => ({ ...spans[i]!, y: y + lanes[i]! * ROAD_LANE_PX, tripId: trip.id })),
  };
}

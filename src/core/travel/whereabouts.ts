import type { TravelWork, Trip } from '../model';
import { MS_PER_MIN } from '../units';
import { between, joined, type Span, type Stay } from './stays';

/** What keeps people or things from being where they must be. */
export type TravelTrouble =
  | { code: 'noRoad'; servingId: string; placeId: string }
  | { code: 'nobodyToDrive'; servingId: string; atMs: number }
  | { code: 'tooFar'; servingId: string; placeId: string; leaveMs: number; minutes: number; lateByMin: number }
  | { code: 'handsShort'; servingId: string; placeId: string; hands: number; wanted: number; fromMs: number; toMs: number };

/** How meat gets from where it is cooked to its serving. */
export interface Ride {
  leaveMs: number;
  arriveMs: number;
  gearIds: readonly string[];
}

/** What follows from the trips: who and what is where, and when. */
export interface Journeys {
  homeId: string;
  trips: Trip[];
  work: TravelWork[];
  troubles: TravelTrouble[];
  servingPlace: ReadonlyMap<string, string>;
  /** On duty at a place, a person at a time; undefined where hands are not counted. */
  crew?: ReadonlyMap<string, readonly Stay[]>;
  /** Where a pit may burn: from when it has come until it must be cold to leave. */
  pits: ReadonlyMap<string, readonly Stay[]>;
  gear: ReadonlyMap<string, readonly Stay[]>;
  /** By serving and the place it is cooked at. */
  rides: ReadonlyMap<string, Ride>;
  /** A travelling pit takes no ride: it goes there itself, and cooks on (version 1 of the file). */
  pitsRide?: boolean;
  /** Whether a fire wants somebody by. */
  tended: boolean;
}

/** So long meat may ride outside of a box or a warmer (docs/formats/rules.md, 16). */
export const BOARD_RIDE_MIN = 30;

/** Asks where people and things are. */
export class Whereabouts {
  private readonly alone = new Map<string, Span[]>();
  private readonly always: readonly Stay[];

  constructor(private readonly journeys: Journeys) {
    this.always = [{ placeId: journeys.homeId, fromMs: -Infinity, toMs: Infinity }];
  }

  get homeId(): string {
    return this.journeys.homeId;
  }
  get trips(): Trip[] {
    return this.journeys.trips;
  }
  get work(): TravelWork[] {
    return this.journeys.work;
  }
  get troubles(): TravelTrouble[] {
    return this.journeys.troubles;
  }
  get crew(): Journeys['crew'] {
    return this.journeys.crew;
  }

  placeOfServing(servingId: string): string {
    return this.journeys.servingPlace.get(servingId) ?? this.homeId;
  }

  /** The places a pit may burn at, each with its time. */
  standsOf(pitId: string): readonly Stay[] {
    return this.journeys.pits.get(pitId) ?? this.always;
  }

  rideFor(servingId: string, fromId: string): Ride | undefined {
    return this.journeys.rides.get(`${servingId} ${fromId}`);
  }

  /** When what is cooked there must be on the road; nothing where it is served there; `false` where nothing goes. */
  leavesAt(servingId: string, stand: Stay, travels: boolean): number | undefined | false {
    if (this.journeys.pitsRide && travels) return undefined;
    if (!this.journeys.pitsRide && stand.placeId === this.placeOfServing(servingId)) return undefined;
    const ride = this.rideFor(servingId, stand.placeId);
    return ride ? ride.leaveMs : this.journeys.pitsRide ? undefined : false;
  }

  /** The trip that brings a serving's raw meat to where it is cooked by a moment; nothing is needed at home. */
  rawTrip(servingId: string, placeId: string, byMs: number): Trip | 'home' | undefined {
    if (placeId === this.homeId) return 'home';
    const own = this.trips.filter((trip) => trip.purpose === 'ahead' && trip.servingId === servingId);
    const last = own.at(-1);
    if (!last || last.toId !== placeId || last.arriveMs > byMs) return undefined;
    return last.coldGearId !== undefined || (last.arriveMs - own[0]!.leaveMs) / MS_PER_MIN <= BOARD_RIDE_MIN ? last : undefined;
  }

  /** Whether gear stays at a place for a stretch of time. */
  stays(gearId: string, placeId: string, fromMs: number, toMs: number): boolean {
    const stays = this.journeys.gear.get(gearId);
    return !stays || stays.some((stay) => stay.placeId === placeId && stay.fromMs <= fromMs && stay.toMs >= toMs);
  }

  /** Whether gear is where the meat is from being pulled until it is carved: at one place, or on the ride itself. */
  holds(gearId: string, servingId: string, placeId: string, fromMs: number, carveAtMs: number): boolean {
    const stays = this.journeys.gear.get(gearId);
    if (!stays) return true;
    const ride = this.journeys.pitsRide ? undefined : this.rideFor(servingId, placeId);
    const isThere = (at: string, from: number, to: number) =>
      stays.some((stay) => stay.placeId === at && stay.fromMs <= from && stay.toMs >= to);
    if (!ride || placeId === this.placeOfServing(servingId)) return isThere(placeId, fromMs, carveAtMs);
    return (
      ride.gearIds.includes(gearId) &&
      isThere(placeId, Math.min(fromMs, ride.leaveMs), ride.leaveMs) &&
      isThere(this.placeOfServing(servingId), ride.arriveMs, carveAtMs)
    );
  }

  /** Stretches in which nobody on duty is at a place. */
  private aloneAt(placeId: string): Span[] {
    const known = this.alone.get(placeId);
    if (known) return known;
    const present = [...(this.crew?.values() ?? [])].flat().filter((stay) => stay.placeId === placeId);
    const spans = between(joined(present));
    this.alone.set(placeId, spans);
    return spans;
  }

  /** The longest stretch of a fire without anybody by; nothing where hands are not counted. */
  unattended(placeId: string, fromMs: number, toMs: number): Span | undefined {
    if (!this.crew || !this.journeys.tended) return undefined;
    let longest: Span | undefined;
    for (const span of this.aloneAt(placeId)) {
      const cut = { fromMs: Math.max(span.fromMs, fromMs), toMs: Math.min(span.toMs, toMs) };
      if (cut.toMs > cut.fromMs && (!longest || cut.toMs - cut.fromMs > longest.toMs - longest.fromMs)) longest = cut;
    }
    return longest;
  }
}

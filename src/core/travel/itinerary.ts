import type { Afterwards, CookedAt, Duty, Road, TravelChoice, TravelWork, Trip } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { minutesOf, wayBetween, type Leg } from './roads';
import { covers, joined, within, type Span, type Stay } from './stays';
import { BOARD_RIDE_MIN, Whereabouts, type Ride, type TravelTrouble } from './whereabouts';

/** Getting everything into the van, and out of it again; packing up after serving. */
const LOAD_VAN_MIN = 10;
const UNLOAD_MIN = 10;
const PACK_UP_MIN = 15;
/** A pit is cold enough to be moved so long after its fire is out. */
export const COLD_AFTER_MIN = 45;
/** Not worth going back for: what is left between two servings beside both drives. */
const WORTH_RETURNING_MIN = 60;
/** A box is not packed to the last litre. */
const ROOM_TO_SPARE = 1.15;

export interface Thing {
  id: string;
  placeId: string;
  travels: boolean;
}

export interface TravelServing {
  id: string;
  placeId: string;
  carveMs: number;
  endMs: number;
  setUpMin: number;
  /** Who stays there at the least. */
  hands: number;
  /** Litres that its meat takes in boxes. */
  litres: number;
  /** How long each of its cooks takes from lighting until it may be carved, the longest first. */
  cookMins: readonly number[];
}

export interface TravelProblem {
  homeId: string;
  roads: readonly Road[];
  servings: readonly TravelServing[];
  /** Nobody is named and nobody counted when left out. */
  crew?: readonly { id: string; placeId: string; drives: boolean; windows: readonly Duty[] }[];
  /** `litres` are those that meat may take of it. */
  gear: readonly (Thing & { litres: number; box: boolean })[];
  pits: readonly (Thing & { areaMm2: number })[];
  earliestMs: number;
}

interface Mover {
  id: string;
  /** Where it belongs. */
  beganAt: string;
  placeId: string;
  sinceMs: number;
  stays: Stay[];
  /** Wanted here until then. */
  untilMs: number;
}
interface Person extends Mover {
  drives: boolean;
  windows: readonly Span[];
}

type Choices = Readonly<Record<string, TravelChoice>>;

/**
 * Who drives where with what, serving by serving in order of time: those who cook there leave ahead of it with raw
 * meat, those who serve leave with what was cooked at home, and afterwards they come back. Whoever is not on a trip
 * stays where he is. The trips follow from the choices alone; batches are placed by what is where.
 */
export function itinerary(problem: TravelProblem, choices: Choices = {}): Whereabouts {
  return new Itinerary(problem, choices).made();
}

class Itinerary {
  private readonly people: Person[] | undefined;
  private readonly gear: (Mover & TravelProblem['gear'][number])[];
  private readonly pits: (Mover & TravelProblem['pits'][number])[];
  private readonly trips: Trip[] = [];
  private readonly work: TravelWork[] = [];
  private readonly troubles: TravelTrouble[] = [];
  private readonly rides = new Map<string, Ride>();

  constructor(
    private readonly problem: TravelProblem,
    private readonly choices: Choices,
  ) {
    const begin = <T extends { placeId: string }>(thing: T) => ({
      ...thing,
      beganAt: thing.placeId,
      sinceMs: -Infinity,
      stays: [],
      untilMs: -Infinity,
    });
    this.people = problem.crew?.map((person) => ({ ...begin(person), windows: joined(person.windows) }));
    this.gear = problem.gear.map(begin);
    this.pits = problem.pits.map(begin);
  }

  made(): Whereabouts {
    const { homeId, servings, earliestMs } = this.problem;
    const away = servings.filter((serving) => serving.placeId !== homeId);
    const events = away.flatMap((serving, i) => {
      const way = wayBetween(this.problem.roads, homeId, serving.placeId);
      if (!way) {
        this.troubles.push({ code: 'noRoad', servingId: serving.id, placeId: serving.placeId });
        return [];
      }
      const arriveMs = addMinutes(serving.carveMs, -serving.setUpMin - UNLOAD_MIN);
      const leaveMs = addMinutes(arriveMs, -minutesOf(way));
      const cookedAt = this.cookedAt(serving);
      const choice = this.choices[serving.id] ?? {};
      const aheadMin = choice.aheadMin ?? (serving.cookMins[0] ?? 0) + UNLOAD_MIN + minutesOf(way) + LOAD_VAN_MIN;
      const aheadMs = Math.max(addMinutes(earliestMs, LOAD_VAN_MIN), addMinutes(serving.carveMs, -aheadMin));
      return [
        ...(cookedAt === 'home' || aheadMs > leaveMs
          ? []
          : [{ atMs: aheadMs, rank: 2, i, run: () => this.goAhead(serving, way, aheadMs, cookedAt) }]),
        ...(cookedAt === 'there' ? [] : [{ atMs: leaveMs, rank: 3, i, run: () => this.goOut(serving, way, leaveMs) }]),
        { atMs: serving.endMs, rank: 1, i, run: () => this.comeBack(serving, way) },
      ];
    });
    events.sort((a, b) => a.atMs - b.atMs || a.rank - b.rank || a.i - b.i);
    for (const event of events) event.run();
    for (const mover of [...(this.people ?? []), ...this.gear, ...this.pits])
      mover.stays.push({ placeId: mover.placeId, fromMs: mover.sinceMs, toMs: Infinity });
    const crew =
      this.people &&
      new Map(this.people.map(({ id, stays }) => [id, within(stays, this.problem.crew!.find((each) => each.id === id)!.windows)] as const));
    for (const serving of servings) this.setUp(serving, crew);
    this.work.sort((a, b) => a.atMs - b.atMs);
    return new Whereabouts({
      homeId,
      trips: this.trips,
      work: this.work,
      troubles: this.troubles,
      servingPlace: new Map(servings.map((serving) => [serving.id, serving.placeId])),
      ...(crew && { crew }),
      pits: new Map(this.pits.map((pit) => [pit.id, pit.stays.map((stay) => ({ ...stay, toMs: addMinutes(stay.toMs, -COLD_AFTER_MIN) }))])),
      gear: new Map(this.gear.map((gear) => [gear.id, gear.stays])),
      rides: this.rides,
      tended: true,
    });
  }

  /** As chosen; otherwise at home where there are pits, else there. */
  private cookedAt(serving: TravelServing): CookedAt {
    const { homeId, pits } = this.problem;
    const chosen = this.choices[serving.id]?.cookedAt;
    const there = pits.some((pit) => pit.placeId === serving.placeId);
    const home = pits.some((pit) => pit.placeId === homeId);
    const canGo = there || pits.some((pit) => pit.placeId === homeId && pit.travels);
    return chosen !== undefined && (chosen === 'home' || canGo) ? chosen : there ? (home ? 'both' : 'there') : 'home';
  }

  /** Those at a place from some moment on who are on duty all the while, whoever is there for the shortest time first. */
  private free(placeId: string, fromMs: number, toMs: number, preferred: readonly string[]): Person[] {
    const rank = (person: Person) => (preferred.includes(person.id) ? preferred.indexOf(person.id) : preferred.length);
    return (this.people ?? [])
      .filter((person) => person.placeId === placeId && person.sinceMs <= fromMs && person.untilMs <= fromMs)
      .filter((person) => person.windows.some((window) => covers(window, fromMs, toMs)))
      .sort((a, b) => rank(a) - rank(b) || lengthOf(a.windows) - lengthOf(b.windows));
  }

  /** So many who go together, one of whom drives and stands first; as many of those who drive as can be stay behind. */
  private party(candidates: readonly Person[], count: number): Person[] | undefined {
    const driver = candidates.find((person) => person.drives);
    if (!driver) return undefined;
    const others = candidates.filter((person) => person !== driver);
    return [
      driver,
      ...[...others.filter((each) => !each.drives), ...others.filter((each) => each.drives)].slice(0, Math.max(0, count - 1)),
    ];
  }

  private goAhead(serving: TravelServing, way: Leg[], leaveMs: number, cookedAt: CookedAt): void {
    const choice = this.choices[serving.id] ?? {};
    const readyMs = addMinutes(leaveMs, -LOAD_VAN_MIN);
    const from = this.problem.homeId;
    const until = [serving.endMs, serving.carveMs, addMinutes(leaveMs, minutesOf(way) + UNLOAD_MIN)];
    const wanted = cookedAt === 'there' ? Math.max(serving.hands, choice.hands ?? 2) : 1;
    const found = this.people && this.firstParty(from, readyMs, until, wanted, choice.who ?? []);
    if (this.people && !found) {
      this.troubles.push({ code: 'nobodyToDrive', servingId: serving.id, atMs: leaveMs });
      return;
    }
    const pits = this.pits.filter((pit) => pit.placeId === from && pit.travels && pit.sinceMs <= readyMs);
    const standing = this.pits.some((pit) => pit.placeId === serving.placeId);
    const taken = choice.pitIds
      ? pits.filter((pit) => choice.pitIds!.includes(pit.id))
      : standing
        ? []
        : [...pits].sort((a, b) => b.areaMm2 - a.areaMm2).slice(0, 1);
    const gear = this.gearFor(serving, readyMs, cookedAt === 'there');
    // Raw meat rides cold: in a box that takes all of it, or a short way on a tray.
    const cold = minutesOf(way) <= BOARD_RIDE_MIN ? undefined : gear.find((each) => each.box && each.litres >= serving.litres);
    this.go('ahead', serving, way, leaveMs, { who: found ?? [], gear, pits: taken, untilMs: serving.endMs }, cold?.id);
  }

  private goOut(serving: TravelServing, way: Leg[], leaveMs: number): void {
    const { homeId, earliestMs } = this.problem;
    const choice = this.choices[serving.id] ?? {};
    const readyMs = addMinutes(leaveMs, -LOAD_VAN_MIN);
    if (readyMs < earliestMs) {
      const lateByMin = Math.ceil((earliestMs - readyMs) / MS_PER_MIN);
      this.troubles.push({ code: 'tooFar', servingId: serving.id, placeId: serving.placeId, leaveMs, minutes: minutesOf(way), lateByMin });
      return;
    }
    const there = this.free(serving.placeId, serving.carveMs, serving.endMs, []).length;
    const until = [serving.endMs, serving.carveMs, addMinutes(serving.carveMs, -serving.setUpMin)];
    const found =
      this.people && this.firstParty(homeId, readyMs, until, choice.hands ?? this.handsFor(serving, leaveMs, there), choice.who ?? []);
    if (this.people && !found) {
      this.troubles.push({ code: 'nobodyToDrive', servingId: serving.id, atMs: leaveMs });
      return;
    }
    const gear = this.gearFor(serving, readyMs, true);
    const arriveMs = this.go('out', serving, way, leaveMs, { who: found ?? [], gear, pits: [], untilMs: serving.endMs });
    this.rides.set(`${serving.id} ${homeId}`, { leaveMs, arriveMs, gearIds: gear.map((each) => each.id) });
  }

  /** A party on duty until the end, or at least until carving, or at least until they have arrived. */
  private firstParty(placeId: string, readyMs: number, until: readonly number[], count: number, preferred: readonly string[]) {
    for (const toMs of until) {
      const found = this.party(this.free(placeId, readyMs, toMs, preferred), count);
      if (found) return found;
    }
    return undefined;
  }

  /** All that are wanted there; all there are, when nothing is left to do at home. */
  private handsFor(serving: TravelServing, leaveMs: number, there: number): number {
    const { servings, homeId } = this.problem;
    const later = servings.some(
      (each) => each.id !== serving.id && each.carveMs > leaveMs && (each.placeId === homeId || each.carveMs > serving.carveMs),
    );
    const wanted = Math.max(1, serving.hands - there);
    return later ? wanted : Math.max(wanted, this.people?.length ?? 1);
  }

  /** Gear at home that goes along: as chosen, else the fewest that take its meat; `all` of it when nothing else is served any more. */
  private gearFor(serving: TravelServing, readyMs: number, all: boolean) {
    const { homeId, servings } = this.problem;
    const { litres } = serving;
    const chosen = this.choices[serving.id]?.gearIds;
    const free = this.gear.filter((gear) => gear.placeId === homeId && gear.travels && gear.sinceMs <= readyMs && gear.untilMs <= readyMs);
    if (chosen) return free.filter((gear) => chosen.includes(gear.id));
    if (all && !servings.some((each) => each.id !== serving.id && each.endMs > readyMs)) return free;
    const taken: typeof free = [];
    let room = 0;
    for (const gear of [...free].sort((a, b) => b.litres - a.litres)) {
      if (room >= litres * ROOM_TO_SPARE) break;
      taken.push(gear);
      room += gear.litres;
    }
    return taken;
  }

  private comeBack(serving: TravelServing, way: Leg[]): void {
    const { homeId, servings } = this.problem;
    const back = [...way].reverse().map((leg) => ({ ...leg, fromId: leg.toId, toId: leg.fromId }));
    const next = servings.filter(
      (each) => each.placeId === serving.placeId && each.id !== serving.id && each.carveMs >= serving.carveMs && each.endMs > serving.endMs,
    );
    const nextLeaveMs = Math.min(...next.map((each) => addMinutes(each.carveMs, -each.setUpMin - UNLOAD_MIN - minutesOf(way))));
    const soon = nextLeaveMs < addMinutes(serving.endMs, minutesOf(way) + WORTH_RETURNING_MIN);
    const afterwards: Afterwards = this.choices[serving.id]?.afterwards ?? (soon ? 'stay' : 'back');
    if (afterwards === 'stay' && next.length > 0) return;
    const leaveMs = addMinutes(serving.endMs, PACK_UP_MIN);
    const here = <T extends Mover>(all: readonly T[]) =>
      all.filter((each) => each.placeId === serving.placeId && each.untilMs <= serving.endMs && each.sinceMs <= serving.endMs);
    const guests = here(this.people ?? []).filter((person) => person.beganAt === homeId);
    const onDuty = guests.filter((person) =>
      person.windows.some((window) => covers(window, serving.endMs, addMinutes(leaveMs, minutesOf(way)))),
    );
    const party = this.people && this.party(onDuty, afterwards === 'gear' && next.length > 0 ? 1 : onDuty.length);
    if (this.people && !party) return;
    const gear = here(this.gear).filter((each) => each.travels && each.beganAt === homeId);
    const pits = next.length > 0 ? [] : here(this.pits).filter((each) => each.travels && each.beganAt === homeId);
    if (!this.people && gear.length + pits.length === 0) return;
    this.go('back', serving, back, leaveMs, { who: party ?? [], gear, pits, untilMs: -Infinity });
  }

  /** Puts a party on the road, road after road; tells when it has arrived. */
  private go(
    purpose: Trip['purpose'],
    serving: TravelServing,
    way: readonly Leg[],
    leaveMs: number,
    { who, gear, pits, untilMs }: { who: Person[]; gear: Mover[]; pits: Mover[]; untilMs: number },
    coldGearId?: string,
  ): number {
    let atMs = leaveMs;
    const id = `${serving.id}/${purpose}`;
    way.forEach((leg, i) => {
      const arriveMs = addMinutes(atMs, leg.minutes);
      this.trips.push({
        id: i === 0 ? id : `${id}${i + 1}`,
        servingId: serving.id,
        purpose,
        fromId: leg.fromId,
        toId: leg.toId,
        leaveMs: atMs,
        arriveMs,
        who: who.map((each) => each.id),
        gearIds: gear.map((each) => each.id),
        pitIds: pits.map((each) => each.id),
        pieces: [],
        ...(coldGearId !== undefined && { coldGearId }),
      });
      for (const mover of [...who, ...gear, ...pits]) {
        mover.stays.push({ placeId: mover.placeId, fromMs: mover.sinceMs, toMs: atMs });
        mover.placeId = leg.toId;
        mover.sinceMs = arriveMs;
        mover.untilMs = untilMs;
      }
      atMs = arriveMs;
    });
    const driver = who.slice(0, 1).map((each) => each.id);
    const task = (kind: TravelWork['kind'], fromMs: number, minutes: number, placeId: string) =>
      this.work.push({ kind, atMs: fromMs, minutes, placeId, servingId: serving.id, tripId: id, who: driver });
    if (purpose === 'back') task('packUp', addMinutes(leaveMs, -PACK_UP_MIN), PACK_UP_MIN, way[0]!.fromId);
    else {
      task('loadVan', addMinutes(leaveMs, -LOAD_VAN_MIN), LOAD_VAN_MIN, way[0]!.fromId);
      const driverOn = who[0]?.windows.some((window) => covers(window, atMs, addMinutes(atMs, UNLOAD_MIN))) ?? true;
      if (driverOn) task('unload', atMs, UNLOAD_MIN, way.at(-1)!.toId);
    }
    return atMs;
  }

  /** Somebody sets up before carving, and enough stay until serving is over. */
  private setUp(serving: TravelServing, crew: ReadonlyMap<string, readonly Stay[]> | undefined): void {
    const { placeId, carveMs, endMs, setUpMin, hands } = serving;
    const fromMs = addMinutes(carveMs, -setUpMin);
    const busy = (id: string) =>
      this.work.some((work) => work.who.includes(id) && work.atMs < carveMs && addMinutes(work.atMs, work.minutes) > fromMs);
    const able = [...(crew ?? [])].filter(
      ([id, stays]) => stays.some((stay) => stay.placeId === placeId && covers(stay, fromMs, carveMs)) && !busy(id),
    );
    if (setUpMin > 0 && (!crew || able.length > 0))
      this.work.push({
        kind: 'setUp',
        atMs: fromMs,
        minutes: setUpMin,
        placeId,
        servingId: serving.id,
        who: able.slice(0, 1).map(([id]) => id),
      });
    if (!crew) return;
    const there = [...crew.values()].filter((stays) =>
      stays.some((stay) => stay.placeId === placeId && covers(stay, carveMs, endMs)),
    ).length;
    const known = this.troubles.some((trouble) => trouble.servingId === serving.id);
    if (known) return;
    const short = (found: number, wanted: number, from: number, to: number) =>
      this.troubles.push({ code: 'handsShort', servingId: serving.id, placeId, hands: found, wanted, fromMs: from, toMs: to });
    if (there < hands) short(there, hands, carveMs, endMs);
    else if (setUpMin > 0 && able.length === 0) short(0, 1, fromMs, carveMs);
  }
}

const lengthOf = (windows: readonly Span[]): number => windows.reduce((sum, window) => sum + window.toMs - window.fromMs, 0);

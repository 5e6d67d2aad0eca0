import { PIT_KIND, type Broken, type ExchangeTrip } from '../model';
import { minutes, type Facts } from './facts';

interface Stand {
  place: string;
  from: number;
  to: number;
}

/** A pit is cold so long after its fire is out; meat rides so long on a board. */
const COLD_AFTER = minutes(45);
const BOARD_RIDE_MIN = 30;

const endOf = (trip: ExchangeTrip) => trip.atMs + minutes(trip.minutes);

/** Where something stands between the trips that name it; on the road it stands nowhere. */
function standsOf(home: string, trips: readonly ExchangeTrip[]): Stand[] {
  const stands: Stand[] = [];
  let place = home;
  let from = -Infinity;
  for (const trip of trips.toSorted((a, b) => a.atMs - b.atMs)) {
    stands.push({ place, from, to: trip.atMs });
    place = trip.to;
    from = endOf(trip);
  }
  stands.push({ place, from, to: Infinity });
  return stands;
}

const isAt = (stands: readonly Stand[], place: string, from: number, to: number): boolean =>
  stands.some((stand) => stand.place === place && stand.from <= from && stand.to >= to);

/** Rules 15 to 18 of version 2: who and what is where, and what burns alone. */
export function whereaboutsRules(facts: Facts): Broken[] {
  const { event, plan, runs } = facts;
  const trips = plan.trips ?? [];
  const home = event.places![0]!.id;
  const at = (thing: { place?: string }) => thing.place ?? home;
  const broken: Broken[] = [];
  const person = new Map(event.crew.map((each) => [each.id, each] as const));
  const stands = {
    crew: new Map(
      [...person.values()].map((each) => [
        each.id,
        standsOf(
          at(each),
          trips.filter((trip) => trip.who.includes(each.id)),
        ),
      ]),
    ),
    pits: new Map(
      event.pits.map((pit) => [
        pit.id,
        standsOf(
          at(pit),
          trips.filter((trip) => trip.pits.includes(pit.id)),
        ),
      ]),
    ),
    gear: new Map(
      event.holding.map((gear) => [
        gear.id,
        standsOf(
          at(gear),
          trips.filter((trip) => trip.gear.includes(gear.id)),
        ),
      ]),
    ),
  };

  for (const trip of trips) {
    const road = event.roads!.find(({ from, to }) => (from === trip.from && to === trip.to) || (from === trip.to && to === trip.from));
    const where = { atMs: trip.atMs, place: trip.to };
    if (!road) broken.push({ rule: 15, code: 'noRoad', ...where });
    else if (trip.minutes !== road.min) broken.push({ rule: 15, code: 'tripTooShort', ...where, by: road.min - trip.minutes });
    if (!trip.who.some((id) => event.crew.some((each) => each.id === id && each.drives)))
      broken.push({ rule: 15, code: 'nobodyDrives', ...where });
    const leaves = (list: Map<string, Stand[]>, id: string) =>
      list.get(id)?.some((stand) => stand.place === trip.from && stand.to === trip.atMs);
    for (const id of trip.who) {
      if (!leaves(stands.crew, id)) broken.push({ rule: 15, code: 'notThere', person: id, ...where });
      if (!event.crew.some((each) => each.id === id && each.fromMs <= trip.atMs && each.toMs >= endOf(trip)))
        broken.push({ rule: 15, code: 'notOnDuty', person: id, task: 'trip', atMs: trip.atMs });
    }
    for (const id of trip.gear) {
      if (!leaves(stands.gear, id)) broken.push({ rule: 16, code: 'notThere', gear: id, ...where });
      if (!event.holding.find((gear) => gear.id === id)?.travels) broken.push({ rule: 16, code: 'staysPut', gear: id, ...where });
    }
    for (const id of trip.pits) {
      if (!leaves(stands.pits, id)) broken.push({ rule: 16, code: 'notThere', pit: id, ...where });
      if (!event.pits.find((pit) => pit.id === id)?.travels) broken.push({ rule: 16, code: 'staysPut', pit: id, ...where });
    }
  }
  for (const task of plan.tasks)
    for (const id of task.who)
      if (!isAt(stands.crew.get(id) ?? [], task.place ?? '', task.atMs, task.atMs + minutes(task.minutes)))
        broken.push({ rule: 15, code: 'taskElsewhere', person: id, task: task.kind, place: task.place, atMs: task.atMs });
  broken.push(...fires(facts, stands), ...meat(facts, stands), ...servings(facts, stands));
  for (const task of plan.tasks.filter((each) => each.kind === 'carve')) {
    const run = runs.find((each) => task.pieces?.some((piece) => each.run.pieces.includes(piece)));
    if (run && task.place !== at(run.serving))
      broken.push({ rule: 18, code: 'carvedElsewhere', batch: run.batch, place: task.place, atMs: task.atMs });
  }
  return broken;
}

type Stands = Record<'crew' | 'pits' | 'gear', Map<string, Stand[]>>;

/** Rules 16 and 17: a pit travels cold, and a fire is not left alone for longer than its pit may be. */
function fires({ event, plan }: Facts, stands: Stands): Broken[] {
  const broken: Broken[] = [];
  for (const fire of plan.pits) {
    const pit = event.pits.find((each) => each.id === fire.id);
    if (!pit) continue;
    const stand = stands.pits.get(pit.id)!.find((each) => each.from <= fire.lightAtMs && each.to > fire.lightAtMs);
    if (!stand || fire.offAtMs + COLD_AFTER > stand.to) {
      broken.push({ rule: 16, code: 'pitNotCold', pit: pit.id, atMs: fire.lightAtMs });
      continue;
    }
    const allowed = pit.untendedMaxMin ?? PIT_KIND[pit.kind].untendedMaxMin;
    if (allowed === undefined) continue;
    // On duty and there: whoever sleeps elsewhere looks after nothing.
    const there = event.crew
      .flatMap((shift) =>
        stands.crew
          .get(shift.id)!
          .filter((each) => each.place === stand.place)
          .map((each) => ({ from: Math.max(each.from, shift.fromMs), to: Math.min(each.to, shift.toMs) })),
      )
      .filter(({ from, to }) => from < to)
      .sort((a, b) => a.from - b.from);
    let reached = fire.lightAtMs;
    let longest = 0;
    for (const { from, to } of there) {
      if (from >= fire.offAtMs) break;
      longest = Math.max(longest, from - reached);
      reached = Math.max(reached, to);
    }
    longest = Math.max(longest, fire.offAtMs - reached);
    if (longest > minutes(allowed))
      broken.push({ rule: 17, code: 'fireAlone', pit: pit.id, place: stand.place, by: longest / minutes(1) - allowed });
  }
  return broken;
}

/** Rule 16: meat is carried on trips, and lies nowhere where it is not. */
function meat({ event, plan, runs, places }: Facts, stands: Stands): Broken[] {
  const broken: Broken[] = [];
  const home = event.places![0]!.id;
  for (const run of runs) {
    for (const piece of run.run.pieces) {
      const own = (plan.trips ?? []).filter((trip) => trip.pieces.includes(piece));
      const stays = standsOf(home, own);
      const where = { batch: run.batch, piece };
      let at = home;
      for (const trip of own.toSorted((a, b) => a.atMs - b.atMs)) {
        if (trip.from !== at) broken.push({ rule: 16, code: 'pieceElsewhere', ...where, place: trip.from, atMs: trip.atMs });
        at = trip.to;
        const ridesIn = run.run.holds.find((hold) => hold.gear !== 'board' && hold.fromMs <= trip.atMs && hold.toMs >= endOf(trip));
        if (ridesIn && !trip.gear.includes(ridesIn.gear))
          broken.push({ rule: 16, code: 'gearElsewhere', ...where, gear: ridesIn.gear, atMs: trip.atMs });
        if (!ridesIn && trip.minutes > BOARD_RIDE_MIN)
          broken.push({ rule: 16, code: 'boardRideTooLong', ...where, atMs: trip.atMs, by: trip.minutes - BOARD_RIDE_MIN });
      }
      for (const place of places.filter((each) => each.of === run && each.piece === piece)) {
        const pit = stands.pits.get(place.pit)?.find((stand) => stand.from <= place.from && stand.to >= place.to);
        if (!pit || !isAt(stays, pit.place, place.from, place.to))
          broken.push({ rule: 16, code: 'pieceElsewhere', ...where, pit: place.pit, atMs: place.from });
      }
      for (const hold of run.run.holds) {
        if (hold.gear === 'board') continue;
        // From the earliest finish on it is kept for this meat.
        const isFirst = hold === run.run.holds.find((each) => each.fromMs > run.on);
        const fromMs = isFirst ? Math.min(run.early, hold.fromMs) : hold.fromMs;
        const gear = stands.gear.get(hold.gear) ?? [];
        const together = [fromMs, hold.fromMs, hold.toMs - 1, ...own.flatMap((trip) => [trip.atMs - 1, endOf(trip)])]
          .filter((moment) => moment >= fromMs && moment < hold.toMs)
          .every((moment) => {
            const mine = stays.find((stand) => stand.from <= moment && stand.to > moment)?.place;
            const its = gear.find((stand) => stand.from <= moment && stand.to > moment)?.place;
            return mine === its;
          });
        const rides = (plan.trips ?? []).filter((trip) => trip.gear.includes(hold.gear) && trip.atMs < hold.toMs && endOf(trip) > fromMs);
        if (!together || rides.some((trip) => !trip.pieces.includes(piece)))
          broken.push({ rule: 16, code: 'gearElsewhere', ...where, gear: hold.gear, atMs: hold.fromMs });
      }
      const served = run.serving.place ?? home;
      if (!isAt(stays, served, run.carve, run.carve)) broken.push({ rule: 18, code: 'notBrought', ...where, serving: run.serving.id });
    }
    const leaves = (plan.trips ?? []).filter((trip) => trip.pieces.some((piece) => run.run.pieces.includes(piece)) && trip.atMs >= run.on);
    for (const trip of leaves)
      if (run.late + minutes(run.method.ventMin) > trip.atMs)
        broken.push({
          rule: 18,
          code: 'notPulledBeforeDrive',
          batch: run.batch,
          by: (run.late + minutes(run.method.ventMin) - trip.atMs) / minutes(1),
        });
  }
  return broken;
}

/** Rule 18: set up by carving, and enough people from carving until serving is over. */
function servings({ event, plan, runs }: Facts, stands: Stands): Broken[] {
  const broken: Broken[] = [];
  const home = event.places![0]!.id;
  for (const serving of event.servings) {
    if (!runs.some((run) => run.serving === serving)) continue;
    const place = serving.place ?? home;
    const carve = serving.atMs - minutes(serving.carveLeadMin);
    const end = serving.atMs + minutes(serving.serveForMin);
    const setUpMin = serving.setUpMin ?? 0;
    const done = plan.tasks.some(
      (task) =>
        task.kind === 'setUp' &&
        task.place === place &&
        task.minutes >= setUpMin &&
        task.who.length > 0 &&
        task.atMs + minutes(task.minutes) <= carve,
    );
    if (setUpMin > 0 && !done) broken.push({ rule: 18, code: 'notSetUp', serving: serving.id, place });
    const there = [...stands.crew].filter(
      ([id, stays]) =>
        isAt(stays, place, carve, end) && event.crew.some((shift) => shift.id === id && shift.fromMs <= carve && shift.toMs >= end),
    ).length;
    if (there < (serving.handsThere ?? 0))
      broken.push({ rule: 18, code: 'tooFewThere', serving: serving.id, place, by: serving.handsThere! - there });
  }
  return broken;
}

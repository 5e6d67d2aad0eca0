import { describe, expect, it } from 'vitest';
import { addMinutes } from '../units';
import { allTogether, itinerary, type TravelProblem, type TravelServing } from './index';
import { wayBetween } from './roads';

const H = 60;
const AT = Date.parse('2027-06-19T18:00:00-03:00');
const at = (hours: number) => addMinutes(AT, hours * H);
const supper: TravelServing = {
  id: 'supper',
  placeId: 'fair',
  carveMs: at(-0.5),
  endMs: at(1),
  setUpMin: 30,
  hands: 1,
  litres: 40,
  cookMins: [10 * H],
};
const lunch: TravelServing = { ...supper, id: 'lunch', carveMs: at(-5.5), endMs: at(-4), litres: 30 };
const person = (id: string, drives: boolean, fromH = -30, toH = 5) => ({
  id,
  placeId: 'yard',
  drives,
  windows: [{ memberId: id, fromMs: at(fromH), toMs: at(toH) }],
});
const problem = (change: Partial<TravelProblem> = {}): TravelProblem => ({
  homeId: 'yard',
  roads: [{ fromId: 'yard', toId: 'fair', minutes: 40 }],
  servings: [lunch, supper],
  crew: [person('ada', true), person('bo', true), person('cy', false)],
  gear: [
    { id: 'cooler', placeId: 'yard', travels: true, litres: 100, box: true },
    { id: 'cooler-2', placeId: 'yard', travels: true, litres: 60, box: true },
  ],
  pits: [{ id: 'offset', placeId: 'yard', travels: false, areaMm2: 1e6 }],
  earliestMs: at(-48),
  ...change,
});
const codes = (of: TravelProblem, choices = {}) => itinerary(of, choices).troubles.map((trouble) => trouble.code);

describe('the way between two places', () => {
  it('is the shortest, by way of others, both ways, or none', () => {
    const roads = [
      { fromId: 'a', toId: 'b', minutes: 40 },
      { fromId: 'c', toId: 'b', minutes: 15 },
      { fromId: 'a', toId: 'c', minutes: 90 },
    ];
    expect(wayBetween(roads, 'a', 'c')!.map((leg) => [leg.fromId, leg.toId, leg.minutes])).toEqual([
      ['a', 'b', 40],
      ['b', 'c', 15],
    ]);
    expect(wayBetween(roads, 'c', 'a')).toHaveLength(2);
    expect(wayBetween(roads, 'a', 'a')).toEqual([]);
    expect(wayBetween(roads, 'a', 'd')).toBeUndefined();
  });
});

describe('an itinerary', () => {
  it('arrives unloaded and set up by carving, leaves enough at home, and comes back for the next', () => {
    const made = itinerary(problem());
    expect(made.troubles).toEqual([]);
    const out = made.trips.filter((trip) => trip.purpose === 'out');
    expect(out.map((trip) => trip.leaveMs)).toEqual([lunch, supper].map((serving) => addMinutes(serving.carveMs, -30 - 10 - 40)));
    // One goes to lunch and brings the cooler back; all go to supper.
    expect(out.map((trip) => trip.who.length)).toEqual([1, 3]);
    expect(out[0]!.gearIds).toEqual(['cooler']);
    expect(out[1]!.gearIds.toSorted()).toEqual(['cooler', 'cooler-2']);
    expect(made.trips.filter((trip) => trip.purpose === 'back')).toHaveLength(2);
  });

  it('has everybody and everything in one place or on one trip at any minute', () => {
    for (const choices of [
      {},
      { lunch: { hands: 2, afterwards: 'stay' } },
      { lunch: { afterwards: 'gear' }, supper: { gearIds: ['cooler-2'] } },
    ]) {
      const made = itinerary(problem(), choices as Parameters<typeof itinerary>[1]);
      for (const stays of made.crew!.values())
        stays.forEach((stay, i) => {
          if (i > 0) expect(stay.fromMs).toBeGreaterThanOrEqual(stays[i - 1]!.toMs);
        });
      for (const id of ['ada', 'bo', 'cy']) {
        const trips = made.trips.filter((trip) => trip.who.includes(id)).sort((a, b) => a.leaveMs - b.leaveMs);
        trips.forEach((trip, i) => i > 0 && expect(trip.fromId).toBe(trips[i - 1]!.toId));
      }
      for (const { who, atMs, minutes, placeId } of made.work)
        for (const id of who)
          expect(
            made.crew!.get(id)!.some((stay) => stay.placeId === placeId && stay.fromMs <= atMs && stay.toMs >= addMinutes(atMs, minutes)),
          ).toBe(true);
    }
  });

  it('never drives without somebody who does, on duty, and says so', () => {
    expect(codes(problem({ crew: [person('cy', false)] }))).toContain('nobodyToDrive');
    expect(codes(problem({ crew: [person('ada', true, -1)] }))).toContain('nobodyToDrive');
    const alone = itinerary(problem({ crew: [person('ada', true)] }));
    expect(alone.trips.every((trip) => trip.who[0] === 'ada')).toBe(true);
  });

  it('says when no road leads there, when it is too far to be in time, and when too few stay', () => {
    expect(codes(problem({ roads: [] }))).toEqual(['noRoad', 'noRoad']);
    const late = itinerary(problem({ servings: [supper], earliestMs: at(-1.25) }));
    expect(late.troubles).toMatchObject([{ code: 'tooFar', servingId: 'supper', minutes: 40, lateByMin: 45 }]);
    expect(codes(problem({ servings: [{ ...supper, hands: 4 }] }))).toEqual(['handsShort']);
  });

  it('goes ahead with raw meat and a cold pit to cook there, and knows what burns alone', () => {
    const pits = [{ id: 'trailer', placeId: 'yard', travels: true, areaMm2: 1e6 }];
    const made = itinerary(problem({ servings: [supper], pits }), { supper: { cookedAt: 'there' } });
    const [ahead] = made.trips;
    expect(ahead).toMatchObject({ purpose: 'ahead', pitIds: ['trailer'], coldGearId: 'cooler' });
    const stands = made.standsOf('trailer');
    expect(stands.map((stand) => stand.placeId)).toEqual(['yard', 'fair', 'yard']);
    // Cold for three quarters of an hour before it is moved.
    expect(stands[0]!.toMs).toBe(addMinutes(ahead!.leaveMs, -45));
    expect(made.rawTrip('supper', 'fair', at(-3))).toMatchObject({ id: 'supper/ahead' });
    expect(made.rawTrip('supper', 'fair', at(-30))).toBeUndefined();
    const away = made.unattended('fair', addMinutes(ahead!.leaveMs, -120), ahead!.arriveMs)!;
    expect(away.toMs - away.fromMs).toBe(160 * 60_000);
  });

  it('lets gear hold only what it travels with', () => {
    const made = itinerary(problem(), { lunch: { gearIds: ['cooler'] } });
    const [out] = made.trips.filter((trip) => trip.servingId === 'lunch');
    expect(made.holds('cooler', 'lunch', 'yard', addMinutes(out!.leaveMs, -60), lunch.carveMs)).toBe(true);
    expect(made.holds('cooler', 'supper', 'yard', addMinutes(out!.leaveMs, -60), supper.carveMs)).toBe(false);
    expect(made.holds('cooler-2', 'lunch', 'yard', addMinutes(out!.leaveMs, -60), lunch.carveMs)).toBe(false);
  });
});

describe('a drive of version 1', () => {
  const drive = { servingId: 'supper', travelMin: 40, arriveMs: at(-1) };
  const crew = [{ memberId: 'ada', fromMs: at(-20), toMs: at(4) }];
  const together = (own = crew, drives = [drive]) =>
    allTogether(drives, { crew: own, pits: [{ id: 'towed', travels: true }, { id: 'built' }], servingIds: ['supper'] });

  it('takes all along: nobody works meanwhile, a towed pit is not used, what stays is left', () => {
    const made = together();
    expect(made.work).toMatchObject([{ kind: 'drive', minutes: 40, who: ['ada'] }]);
    expect(made.crew!.get('ada')!.map(({ fromMs, toMs }) => [fromMs, toMs])).toEqual([
      [at(-20), addMinutes(at(-1), -40)],
      [at(-1), at(4)],
    ]);
    expect(made.standsOf('towed')).toHaveLength(2);
    const [stand] = made.standsOf('built');
    expect(made.leavesAt('supper', stand!, false)).toBe(addMinutes(at(-1), -40));
    expect(made.leavesAt('supper', stand!, true)).toBeUndefined();
    expect(made.unattended('anywhere', at(-30), at(9))).toBeUndefined();
  });

  it('is nobody’s when nobody is on duty for all of it, and two at once are not made', () => {
    expect(together([{ ...crew[0]!, toMs: at(-1.2) }]).troubles).toMatchObject([{ code: 'nobodyToDrive' }]);
    const crossing = { servingId: 'lunch', travelMin: 60, arriveMs: at(-1.2) };
    expect(together(crew, [drive, crossing]).troubles).toMatchObject([{ servingId: 'lunch' }]);
  });
});

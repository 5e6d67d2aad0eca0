import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET } from '../../../tests/fixtures/events';
import { SHIPPED_PARAMETERS } from '../forecast';
import { loosely } from '../model';
import { batchOrders, searchInputOf, type PlanInput } from '../planning';
import { newForecastCache } from './batchForecast';
import { Decoder } from './decoder';
import { asItLies } from './wishes';

const cache = newForecastCache();
const EMPTY = { order: [], overrides: {}, seed: 1, iterations: 0 };
const deskOf = (input: PlanInput) => {
  const orders = batchOrders(input);
  const searchInput = searchInputOf(input, cache, SHIPPED_PARAMETERS);
  return { orders, searchInput, decoder: new Decoder(orders, searchInput) };
};
describe('a plan written down just as it lies', () => {
  const event = eventOf([batchOf('pork-butt', 4, { methodId: 'low-paper' })], { pitIds: ['offset'], boxIds: ['box'] });
  const lying = () => {
    const { orders, decoder } = deskOf(inputOf(event, [OFFSET], [BOX]));
    const plan = decoder.decode(EMPTY);
    return { plan, scheme: { ...EMPTY, ...asItLies(plan, orders) } };
  };

  it('says of each piece where it lies, and of each run when and how hot', () => {
    const { plan, scheme } = lying();
    const { runs, ...loose } = scheme.overrides['pork-butt']!;
    expect(runs!.flatMap((run) => run.pieceIds).sort()).toEqual(event.batches[0]!.pieces.map((piece) => piece.id).sort());
    const places = plan.schedule.runs.flatMap((run) => run.legs.flatMap((leg) => leg.places));
    expect(runs!.flatMap((run) => run.places)).toHaveLength(places.length);
    expect(loosely(scheme.overrides['pork-butt'])).toEqual(loose);
    expect(runs![0]).toMatchObject({ pitId: 'offset', pitC: loose.pitC, earlierMin: loose.earlierMin });
  });

  it('goes elsewhere on racks that have changed since, and is whole all the same', () => {
    const { scheme } = lying();
    const narrower = { ...OFFSET, racks: OFFSET.racks.map((rack) => ({ ...rack, widthMm: rack.widthMm - 60 })) };
    const other = { ...OFFSET, racks: OFFSET.racks.map((rack) => ({ ...rack, id: `${rack.id}-new` })) };
    const blocked = {
      ...OFFSET,
      racks: OFFSET.racks.map((rack) => ({ ...rack, blocked: [{ xMm: 0, yMm: 0, widthMm: 120, depthMm: 120, by: 'water pan' as const }] })),
    };
    for (const pit of [narrower, other, blocked]) {
      const { decoder } = deskOf(inputOf(event, [pit], [BOX]));
      const plan = decoder.decode(scheme);
      expect(plan.objective[0]).toBe(0);
      const racks = new Map(pit.racks.map((rack) => [rack.id, rack]));
      for (const leg of plan.schedule.runs.flatMap((run) => run.legs))
        for (const place of leg.places) {
          expect(place.xMm + place.widthMm).toBeLessThanOrEqual(racks.get(leg.rackId)!.widthMm + 1e-6);
          for (const part of racks.get(leg.rackId)!.blocked ?? [])
            expect(place.xMm >= part.widthMm || place.yMm >= part.depthMm).toBe(true);
        }
    }
  });

  it('is had as far as it is said when a piece came or went', () => {
    const { scheme } = lying();
    for (const pieces of [3, 5]) {
      const changed = eventOf([batchOf('pork-butt', pieces, { methodId: 'low-paper' })], { pitIds: ['offset'], boxIds: ['box'] });
      const { decoder } = deskOf(inputOf(changed, [OFFSET], [BOX]));
      const { schedule, objective } = decoder.decode(scheme);
      expect(objective[0]).toBe(0);
      expect(schedule.runs.flatMap((run) => run.pieceIds)).toHaveLength(pieces);
    }
  });

  it('gives way to where the owner laid a piece by hand since', () => {
    const { plan, scheme } = lying();
    const leg = plan.schedule.runs[0]!.legs[0]!;
    const place = leg.places[0]!;
    const manual = {
      batchId: 'pork-butt',
      pieceId: place.pieceId,
      pitId: 'offset',
      rackId: leg.rackId,
      xMm: 200,
      yMm: place.yMm,
      turned: place.turned,
    };
    const { decoder } = deskOf(inputOf({ ...event, manualPlacements: [manual] }, [OFFSET], [BOX]));
    const again = decoder
      .decode(scheme)
      .schedule.runs.flatMap((run) => run.legs)
      .flatMap((each) => each.places);
    expect(again.find((each) => each.pieceId === place.pieceId)).toMatchObject({ xMm: 200, yMm: place.yMm });
  });
});

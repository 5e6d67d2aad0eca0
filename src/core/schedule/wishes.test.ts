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
    const places = plan.runs.flatMap((run) => run.legs.flatMap((leg) => leg.places));
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
      for (const leg of plan.runs.flatMap((run) => run.legs))
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
      const { runs, objective } = decoder.decode(scheme);
      expect(objective[0]).toBe(0);
      expect(runs.flatMap((run) => run.pieceIds)).toHaveLength(pieces);
    }
  });

  describe('with a piece that the owner laid by hand since', () => {
    const { plan, scheme } = lying();
    const leg = plan.runs[0]!.legs[0]!;
    const place = leg.places.at(-1)!;
    const laidAt = (xMm: number) => {
      const { pieceId, yMm, turned } = place;
      const manual = { batchId: 'pork-butt', pieceId, pitId: 'offset', rackId: leg.rackId, xMm, yMm, turned };
      const { decoder } = deskOf(inputOf({ ...event, manualPlacements: [manual] }, [OFFSET], [BOX]));
      return decoder.decode(scheme);
    };
    const placesOf = ({ runs }: Pick<typeof plan, 'runs'>) =>
      new Map(runs.flatMap((run) => run.legs.flatMap((each) => each.places)).map((each) => [each.pieceId, [each.xMm, each.yMm]]));

    it('leaves the others and its start as they were where it fits among them', () => {
      const nudged = laidAt(place.xMm + 5);
      expect(placesOf(nudged)).toEqual(placesOf(plan).set(place.pieceId, [place.xMm + 5, place.yMm]));
      expect(nudged.runs.map((run) => run.onAtMs)).toEqual(plan.runs.map((run) => run.onAtMs));
    });

    it('lays the others anew where it does not, and it lies where it was laid', () => {
      const other = leg.places[0]!;
      const onto = laidAt(other.xMm + 10);
      expect(placesOf(onto).get(place.pieceId)).toEqual([other.xMm + 10, place.yMm]);
      expect(placesOf(onto).size).toBe(4);
    });
  });
});

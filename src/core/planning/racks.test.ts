import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, ZONED } from '../../../tests/fixtures/events';
import type { CookEvent, ManualPlacement, Warmer } from '../model';
import { buildPlan, finishByOffset, placementsAfter, mapPieces, medianMinAt, movedPiece } from './index';

const MIN = 60_000;
const codes = (event: CookEvent, pits = [OFFSET]) => buildPlan(inputOf(event, pits)).problems.map((problem) => problem.code);

describe('places given by hand', () => {
  const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('pork-butt', 2, { methodId: 'low-paper' })]);
  const lay = (piece: string, xMm: number, extra: Partial<ManualPlacement> = {}): ManualPlacement => ({
    batchId: 'brisket-whole',
    pieceId: piece,
    pitId: 'offset',
    rackId: 'low',
    xMm,
    yMm: 40,
    turned: false,
    ...extra,
  });
  const placesOf = (manualPlacements: ManualPlacement[]) => {
    const plan = buildPlan(inputOf({ ...event, manualPlacements }, [OFFSET]));
    return plan.runs.flatMap((run) => run.legs.flatMap((leg) => leg.places.map((place) => ({ ...place, rackId: leg.rackId, run }))));
  };

  it('are where the plan puts the piece, and the others lie around it', () => {
    const places = placesOf([lay('brisket-whole-1', 500), lay('brisket-whole-2', 1000, { turned: true })]);
    expect(places.find((each) => each.pieceId === 'brisket-whole-1')).toMatchObject({ rackId: 'low', xMm: 500, yMm: 40 });
    const second = places.find((each) => each.pieceId === 'brisket-whole-2')!;
    expect(second).toMatchObject({ xMm: 1000, turned: true });
    expect(second.widthMm).toBeLessThan(second.depthMm);
    expect(places).toHaveLength(4);
    expect(codes({ ...event, manualPlacements: [lay('brisket-whole-1', 500)] })).toEqual([]);
  });

  it('stand even where they break a rule, and the plan says so', () => {
    expect(codes({ ...event, manualPlacements: [lay('brisket-whole-1', 500), lay('brisket-whole-2', 930)] })).toEqual(['placedWrong']);
    expect(codes({ ...event, manualPlacements: [lay('brisket-whole-1', 1400)] })).toEqual(['placedWrong']);
    const problem = buildPlan(inputOf({ ...event, manualPlacements: [lay('brisket-whole-1', 500), lay('brisket-whole-2', 930)] }, [OFFSET]))
      .problems[0]!;
    expect(problem).toMatchObject({ code: 'placedWrong', rackId: 'low', fault: { code: 'tooNear', gapMm: 25 } });
  });

  it('in a pit the event does not use are left aside', () => {
    const plan = buildPlan(inputOf({ ...event, manualPlacements: [lay('brisket-whole-1', 0, { pitId: 'gone' })] }, [OFFSET]));
    expect(plan.problems.filter((each) => 'pieces' in each && each.pieces > 0).length).toBe(0);
  });
});

describe('where a piece lies', () => {
  it('moves its finish: on the hot end sooner, on the cool end later, and the plan reserves for the last', () => {
    const event = eventOf([batchOf('pork-butt', 1, { methodId: 'low-paper' })]);
    const at = (xMm: number) =>
      buildPlan(
        inputOf(
          {
            ...event,
            manualPlacements: [
              { batchId: 'pork-butt', pieceId: 'pork-butt-1', pitId: 'zoned', rackId: 'zoned-low', xMm, yMm: 405, turned: false },
            ],
          },
          [ZONED],
        ),
      ).runs[0]!;
    const minutes = (run: ReturnType<typeof at>) => (run.pulls[0]!.medianMs - run.onAtMs) / MIN;
    const [hot, even, cool] = [at(100), at(600), at(1200)];
    expect([hot, even, cool].map((run) => Math.round(run.legs[0]!.places[0]!.offsetC))).toEqual([12, 0, -6]);
    expect(minutes(hot)).toBeLessThan(minutes(even) - 20);
    expect(minutes(cool)).toBeGreaterThan(minutes(even) + 20);
    expect(cool.onAtMs).toBeLessThan(even.onAtMs);
    for (const run of [hot, even, cool]) expect(run.pulls[0]!.lateMs).toBeLessThanOrEqual(run.pullLateMs + MIN);
  });
});

describe('a warmer', () => {
  const warmer: Warmer = { id: 'warmer', name: 'Warmer', kind: 'warmer', slots: 2, setC: 63 };
  const event = eventOf([batchOf('brisket-whole', 3, { methodId: 'low-paper' })]);

  it('holds what no box can, nine kilograms a slot', () => {
    const held = buildPlan({ ...inputOf(event, [OFFSET], []), warmers: [warmer] });
    expect(held.runs.map((run) => run.hold.gearId)).toEqual(['warmer']);
    expect(held.runs[0]!.hold.coolestAtCarveC).toBeGreaterThan(60);
    const tight = buildPlan({ ...inputOf(event, [OFFSET], []), warmers: [{ ...warmer, slots: 1 }] });
    expect(tight.problems).toContainEqual(expect.objectContaining({ code: 'warmerFull', shortSlots: 1 }));
    expect(buildPlan(inputOf(event, [OFFSET], [])).problems.map((each) => each.code)).toEqual(['holdTooLong']);
  });

  it('comes after a box that keeps long enough', () => {
    const both = buildPlan({ ...inputOf(event, [OFFSET], [BOX]), warmers: [warmer] });
    expect(both.runs[0]!.hold.gearId).toBe('box');
  });
});

describe('the rack map', () => {
  const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('pork-butt', 2, { methodId: 'low-paper' })]);
  const input = inputOf(event, [ZONED]);
  const plan = buildPlan(input);
  const pieces = mapPieces(input, plan, 'zoned');
  const of = (key: string) => pieces.find((piece) => piece.key === key)!;

  it('shows every piece of the pit with its place, weight and times, its thick end where it has one', () => {
    expect(pieces.map((piece) => piece.key).sort()).toEqual(
      event.batches.flatMap((batch) => batch.pieces.map((piece) => `${batch.id}/${piece.id}`)).sort(),
    );
    const brisket = of('brisket-whole/brisket-whole-1');
    expect(brisket.kg).toBe(event.batches[0]!.pieces[0]!.kg);
    expect(brisket.thickEnd).toBeDefined();
    expect(of('pork-butt/pork-butt-1').thickEnd).toBeUndefined();
    expect(brisket.byHand).toBe(false);
  });

  it('moves a piece: turned sides, another zone, and its neighbours pinned where they lie', () => {
    const from = of('brisket-whole/brisket-whole-1');
    const rack = ZONED.racks.find((each) => each.id === from.rackId)!;
    const to = movedPiece(from, rack, { xMm: 0, yMm: 410, turned: !from.turned });
    expect([to.widthMm, to.depthMm]).toEqual([from.depthMm, from.widthMm]);
    expect(to.offsetC).toBeGreaterThan(10);
    const manualPlacements = placementsAfter([], pieces, from, to);
    const same = pieces.filter((piece) => piece.rackId === from.rackId && piece.fromMs < from.toMs && piece.toMs > from.fromMs);
    expect(manualPlacements).toHaveLength(same.length);
    expect(manualPlacements[0]).toEqual({
      batchId: 'brisket-whole',
      pieceId: 'brisket-whole-1',
      pitId: 'zoned',
      rackId: from.rackId,
      xMm: 0,
      yMm: 410,
      turned: !from.turned,
    });
    // Its place in another pit, where it finishes, stays; moved to another pit, it leaves this one's.
    const oven: ManualPlacement = {
      batchId: 'brisket-whole',
      pieceId: 'brisket-whole-1',
      pitId: 'oven',
      rackId: 'shelf',
      xMm: 0,
      yMm: 0,
      turned: false,
    };
    expect(placementsAfter([oven], pieces, from, to)).toContainEqual(oven);
    const away = placementsAfter(manualPlacements, pieces, from, { ...to, pitId: 'oven', rackId: 'shelf' });
    expect(away.filter((each) => each.pieceId === 'brisket-whole-1').map((each) => each.pitId)).toEqual(['oven']);
    // Moved again, it stands once.
    expect(placementsAfter(manualPlacements, pieces, from, { ...to, xMm: 5 })).toHaveLength(same.length);
  });

  it('knows when a piece would be done elsewhere: sooner where it is hotter, in a straight line between', () => {
    const { run } = of('pork-butt/pork-butt-1');
    const finishes = finishByOffset(input, run, 'pork-butt-1')!;
    const minutes = finishes.points.map((point) => point.medianMin);
    for (let i = 1; i < minutes.length; i++) if (Number.isFinite(minutes[i - 1]!)) expect(minutes[i]).toBeLessThan(minutes[i - 1]!);
    const here = run.legs[0]!.places.find((place) => place.pieceId === 'pork-butt-1')!.offsetC;
    expect(medianMinAt(finishes, Math.round(here))).toBeCloseTo((run.pulls[0]!.medianMs - run.onAtMs) / MIN, -1);
    expect(medianMinAt(finishes, 2)).toBeCloseTo((medianMinAt(finishes, 0) + medianMinAt(finishes, 4)) / 2, 6);
    expect(medianMinAt(finishes, 99)).toBe(minutes.at(-1));
    expect(finishByOffset(input, run, 'nobody')).toBeUndefined();
  });

  it('says so when a piece was laid in a pit that cannot cook it', () => {
    const manualPlacements: ManualPlacement[] = [
      { batchId: 'brisket-whole', pieceId: 'brisket-whole-1', pitId: 'oven', rackId: 'shelf', xMm: 0, yMm: 0, turned: false },
    ];
    const bare = eventOf([batchOf('brisket-whole', 1, { methodId: 'low-bare' })], { manualPlacements });
    expect(buildPlan(inputOf(bare, [OFFSET, OVEN])).problems).toContainEqual(
      expect.objectContaining({ code: 'placedUnsuitable', pitId: 'oven', pieces: 1 }),
    );
  });
});

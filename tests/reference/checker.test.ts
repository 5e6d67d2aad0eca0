import { beforeAll, describe, expect, it } from 'vitest';
import { solveEvent } from '../../src/services/solveEvent';
import { exchangeEventFrom } from '../../src/formats/open';
import { supperFile } from '../fixtures/supper';
import type { ExchangeEvent, ExchangePlan, ExchangeRun } from '../../src/core/model';
import { checkPlan } from '../../src/core/check';
import { addMinutes } from '../../src/core/units';
import type { BrokenCode } from '../../src/core/model';

/** A good plan, spoilt in one way each time: the checker must say just what was spoilt. */
describe('the checker', () => {
  const event: ExchangeEvent = exchangeEventFrom(supperFile());
  let plan: ExchangePlan;
  beforeAll(() => {
    plan = solveEvent(supperFile(), { iterations: 30 }, () => {});
  });

  const later = addMinutes;
  const runOf = (spoilt: ExchangePlan, batch: string): ExchangeRun => spoilt.runs.find((run) => run.batch === batch)!;
  const codesOf = (spoil: (plan: ExchangePlan, event: ExchangeEvent) => void): BrokenCode[] => {
    const own = structuredClone(plan);
    const spoiltEvent = structuredClone(event);
    spoil(own, spoiltEvent);
    return checkPlan(spoiltEvent, own, { physics: false }).map((broken) => broken.code);
  };

  it('finds nothing wrong with a good plan', () => {
    expect(plan.status).toBe('feasible');
    expect(checkPlan(event, plan)).toEqual([]);
  });

  const cases: [rule: number, what: string, code: BrokenCode, spoil: (plan: ExchangePlan, event: ExchangeEvent) => void][] = [
    [1, 'a run left out', 'pieceMissing', (spoilt) => spoilt.runs.pop()],
    [1, 'a piece in two runs', 'pieceTwice', (spoilt) => spoilt.runs.push(structuredClone(spoilt.runs[0]!))],
    [1, 'a fire before work begins', 'beforeWorkFrom', (_, own) => (own.workFromMs = Date.parse('2027-06-19T10:00:00-03:00'))],
    [2, 'a wrap before going on', 'timesOutOfOrder', (spoilt) => (runOf(spoilt, 'brisket').wrapAtMs = runOf(spoilt, 'brisket').onAtMs)],
    [2, 'a wrap left out', 'wrapMissing', (spoilt) => delete runOf(spoilt, 'brisket').wrapAtMs],
    [
      2,
      'a wrap nobody asked for',
      'wrapUncalledFor',
      (spoilt) => (runOf(spoilt, 'chicken').wrapAtMs = later(runOf(spoilt, 'chicken').onAtMs, 5)),
    ],
    [
      3,
      'a place that ends early',
      'placesDoNotCover',
      (spoilt) => runOf(spoilt, 'brisket').places.forEach((place) => (place.toMs = later(place.fromMs, 60))),
    ],
    [4, 'a place off the rack', 'offRack', (spoilt) => (runOf(spoilt, 'brisket').places[0]!.xMm = 5000)],
    [4, 'a place of another size', 'wrongFootprint', (spoilt) => (runOf(spoilt, 'brisket').places[0]!.widthMm += 1)],
    [4, 'two pieces too near', 'tooNear', (_, own) => (own.rules.airGapMm = 400)],
    [
      4,
      'a place on a blocked part',
      'onBlocked',
      (_, own) =>
        own.pits.forEach((pit) => pit.racks.forEach((rack) => (rack.blocked = [{ xMm: 0, yMm: 0, widthMm: 3000, depthMm: 3000 }]))),
    ],
    [5, 'a rack too low', 'tooTall', (_, own) => own.pits.forEach((pit) => pit.racks.forEach((rack) => (rack.clearanceMm = 40)))],
    [5, 'a rack too weak', 'tooHeavy', (_, own) => own.pits.forEach((pit) => pit.racks.forEach((rack) => (rack.maxKg = 1)))],
    [7, 'a pit lit too late', 'litTooLate', (spoilt) => (spoilt.pits[0]!.lightAtMs = spoilt.pits[0]!.readyAtMs)],
    [7, 'a set point the pit cannot hold', 'setPointOutOfRange', (spoilt) => (spoilt.pits[0]!.setPoints[0]!.c = 400)],
    [
      7,
      'a heat the method does not allow',
      'heatWrongForMeat',
      (spoilt) => spoilt.pits.forEach((pit) => pit.setPoints.forEach((point) => (point.c = 100))),
    ],
    [7, 'bare meat too cool', 'bareTooCool', (spoilt) => spoilt.pits.forEach((pit) => pit.setPoints.forEach((point) => (point.c = 100)))],
    [7, 'meat on before the pit is ready', 'onBeforeReady', (spoilt) => spoilt.pits.forEach((pit) => (pit.readyAtMs = pit.offAtMs))],
    [8, 'bare meat out of the smoke', 'outOfSmoke', (_, own) => own.pits.forEach((pit) => (pit.smoke = false))],
    [9, 'no time to rest', 'noTimeToRest', (spoilt) => (runOf(spoilt, 'brisket').pullLateMs = runOf(spoilt, 'brisket').carveAtMs)],
    [9, 'a hold beyond the method', 'heldTooLong', (_, own) => own.batches.forEach((batch) => (batch.method.holdMaxMin = 1))],
    [10, 'a hold with a hole', 'holdDoesNotCover', (spoilt) => (runOf(spoilt, 'brisket').holds = [])],
    [10, 'the board for too long', 'boardTooLong', (spoilt) => runOf(spoilt, 'brisket').holds.forEach((hold) => (hold.gear = 'board'))],
    [
      10,
      'a box too small',
      'gearFull',
      (_, own) => own.holding.forEach((gear) => (gear.kind === 'insulated-box' ? (gear.litres = 1) : (gear.slots = 0))),
    ],
    [
      11,
      'carving outside the window',
      'carvedOutsideServing',
      (spoilt) => (runOf(spoilt, 'brisket').carveAtMs = later(runOf(spoilt, 'brisket').carveAtMs, 300)),
    ],
    [
      11,
      'nothing ready at the start',
      'noneAtFirst',
      (spoilt) => spoilt.runs.filter((run) => run.batch === 'brisket').forEach((run) => (run.carveAtMs = later(run.carveAtMs, 10))),
    ],
    [12, 'a drive nobody planned', 'notPulledBeforeDrive', (_, own) => own.servings.forEach((serving) => (serving.travelMin = 600))],
    [13, 'a task left out', 'taskMissing', (spoilt) => (spoilt.tasks = spoilt.tasks.filter((task) => task.kind !== 'load'))],
    [
      13,
      'a task at another time',
      'taskAtWrongTime',
      (spoilt) => spoilt.tasks.filter((task) => task.kind === 'load').forEach((task) => (task.atMs = later(task.atMs, 60))),
    ],
    [
      13,
      'a task too short',
      'taskTooShort',
      (spoilt) => spoilt.tasks.filter((task) => task.kind === 'wrap').forEach((task) => (task.minutes = 1)),
    ],
    [13, 'nobody named', 'nobodyNamed', (spoilt) => (spoilt.tasks[0]!.who = [])],
    [13, 'someone off duty', 'notOnDuty', (_, own) => own.crew.forEach((each) => (each.fromMs = later(each.toMs, -1)))],
    [13, 'two things at once', 'twoThingsAtOnce', (spoilt) => spoilt.tasks.push({ ...spoilt.tasks[0]! })],
    [
      13,
      'carving after the window',
      'carvedTooLate',
      (spoilt) => spoilt.tasks.filter((task) => task.kind === 'carve').forEach((task) => (task.atMs = later(task.atMs, 600))),
    ],
  ];
  it.each(cases)('rule %i: says %s', (_, __, code, spoil) => {
    expect(codesOf(spoil)).toContain(code);
  });

  it('rule 6: never lets poultry lie above other food', () => {
    const codes = codesOf((spoilt, own) => {
      const [chicken, brisket] = [runOf(spoilt, 'chicken'), runOf(spoilt, 'brisket')];
      own.pits.push({
        ...own.pits[0]!,
        id: 'tower',
        racks: [1, 2].map((level) => ({ ...own.pits[0]!.racks[0]!, id: `t${level}`, level })),
      });
      for (const place of brisket.places) Object.assign(place, { pit: 'tower', rack: 't1' });
      for (const place of chicken.places) Object.assign(place, { pit: 'tower', rack: 't2', fromMs: brisket.onAtMs });
    });
    expect(codes).toContain('poultryAbove');
  });

  it('rules 10 and 14: runs the cook again, and sees meat that cools and birds that warm too slowly', () => {
    const cold = structuredClone(event);
    cold.rules.hotHoldC = 95;
    expect(checkPlan(cold, plan).map((broken) => broken.code)).toContain('tooCool');
    const slow = structuredClone(event);
    slow.rules.dangerZoneMaxMin = 5;
    expect(checkPlan(slow, plan).map((broken) => broken.code)).toContain('tooSlowThroughDanger');
  });
});

import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY, type Broken, type BrokenCode } from '../../core/model';
import { buildPlan, decisionsOf, pinned, type Decision, type Lever } from '../../core/planning';
import { brokenMessage } from './broken';
import { decisionMessage } from './decision';
import { leverMessage, remedyMessage } from './lever';
import type { MessageContext } from './names';
import { planProblemMessage } from './problem';
import { DEFAULT_UNITS, type Units } from '../units';

const METRIC: Units = { temp: 'C', mass: 'kg', clock: '24' };
const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('spare-ribs', 6), batchOf('chicken-half', 6)]);
const messageContext = (units: Units = DEFAULT_UNITS): MessageContext => ({
  event,
  pits: [OFFSET, OVEN],
  boxes: [BOX],
  library: SHIPPED_LIBRARY,
  units,
});
const HOLE = /undefined|NaN|null|\[object|\bInfinity\b/;

/** Every rule's codes; a new code without words here does not compile. */
const CODES: Record<BrokenCode, Broken['rule']> = {
  pieceMissing: 1,
  pieceTwice: 1,
  unknownId: 1,
  beforeWorkFrom: 1,
  timesOutOfOrder: 2,
  wrapMissing: 2,
  wrapUncalledFor: 2,
  placesDoNotCover: 3,
  movesTooEarly: 3,
  inTwoPlaces: 3,
  wrongFootprint: 4,
  offRack: 4,
  onBlocked: 4,
  tooNear: 4,
  tooTall: 5,
  tooHeavy: 5,
  poultryAbove: 6,
  setPointOutOfRange: 7,
  bareTooCool: 7,
  heatWrongForMeat: 7,
  litTooLate: 7,
  onBeforeReady: 7,
  noFire: 7,
  outOfSmoke: 8,
  noTimeToRest: 9,
  heldTooLong: 9,
  holdDoesNotCover: 10,
  boardTooLong: 10,
  gearFull: 10,
  tooCool: 10,
  carvedOutsideServing: 11,
  noneAtFirst: 11,
  notPulledBeforeDrive: 12,
  taskOnTheRoad: 12,
  pitOnTheRoad: 12,
  taskMissing: 13,
  taskAtWrongTime: 13,
  taskTooShort: 13,
  nobodyNamed: 13,
  notOnDuty: 13,
  twoThingsAtOnce: 13,
  carvedTooLate: 13,
  tooSlowThroughDanger: 14,
  noRoad: 15,
  tripTooShort: 15,
  notThere: 15,
  nobodyDrives: 15,
  taskElsewhere: 15,
  staysPut: 16,
  pitNotCold: 16,
  gearElsewhere: 16,
  pieceElsewhere: 16,
  boardRideTooLong: 16,
  fireAlone: 17,
  notBrought: 18,
  tooFewThere: 18,
  notSetUp: 18,
  carvedElsewhere: 18,
};
const FULL = {
  batch: 'brisket-whole',
  piece: 'brisket-whole-1',
  other: 'chicken-half-1',
  pit: 'offset',
  rack: 'low',
  gear: 'box',
  person: 'ada',
  serving: 'supper',
  task: 'pull',
  atMs: Date.parse('2027-06-19T16:26:00-03:00'),
  by: 12,
};

describe('the words of a broken rule', () => {
  it('are a sentence for every code, with all that is known and with nothing', () => {
    const said = new Set<string>();
    for (const [code, rule] of Object.entries(CODES) as [BrokenCode, Broken['rule']][])
      for (const units of [DEFAULT_UNITS, METRIC])
        for (const facts of [FULL, {}]) {
          const words = brokenMessage(messageContext(units), { rule, code, ...facts });
          expect(words, code).toMatch(/^[A-Z].*\.$/);
          expect(words, code).not.toMatch(HOLE);
          if (facts === FULL && units === METRIC) said.add(words);
        }
    // No two rules are told in the same words.
    expect(said.size).toBe(Object.keys(CODES).length);
  });

  it('say what, where, when and by how much', () => {
    const words = (code: BrokenCode, more: Partial<Broken> = {}) =>
      brokenMessage(messageContext(METRIC), { rule: 4, code, ...FULL, ...more });
    expect(words('noTimeToRest', { by: 61 })).toBe('Briskets may be done too late: 1 h 01 short of its vent and rest before carving.');
    expect(words('tooNear', { by: 12 })).toContain('two pieces are only 12 mm apart (briskets)');
    expect(words('tooNear', { by: -40 })).toContain('two pieces lie on one another');
    expect(words('gearFull')).toBe('Box is too full at 16:26.');
    expect(words('heatWrongForMeat', { by: 150 })).toContain('Briskets would be at 150 °C in the offset at 16:26');
  });

  it('stand among a plan’s problems with what mends them', () => {
    const told = planProblemMessage(messageContext(), {
      code: 'ruleBroken',
      severity: 'broken',
      broken: { rule: 9, code: 'noTimeToRest', batch: 'brisket-whole', by: 30 },
    });
    expect(told.what).toContain('Briskets may be done too late: 30 min');
    expect(told.remedy).toMatch(/let go of its pin/);
  });
});

describe('the words of levers', () => {
  const batchId = 'brisket-whole';
  const levers: Lever[] = [
    { code: 'hotter', batchId, methodId: 'hot-foil' },
    { code: 'tighterWrap', batchId, methodId: 'low-foil' },
    { code: 'hotterInBand', batchId, pitC: 135 },
    { code: 'finishElsewhere', batchId, pitId: 'oven', pitC: 135 },
    { code: 'otherPit', batchId, pitId: 'offset' },
    { code: 'split', batchId, parts: 2 },
    { code: 'earlier', batchId, minutes: 60 },
    { code: 'lighterPieces', batchId, pieces: 4 },
    { code: 'sparePit', pitId: 'spare' },
    { code: 'moreHolding', gearId: 'second', kind: 'box' },
    { code: 'moreCrew', memberId: 'ben', fromMs: 0, toMs: 1 },
    { code: 'moveServing', servingId: 'supper', byMin: 30 },
    { code: 'splitServing', servingId: 'supper', laterMin: 60 },
    { code: 'fewerGuests', servingId: 'supper', guests: 20 },
    { code: 'fewerPieces', batchId, pieces: 1 },
    { code: 'longerHold', batchId, minutes: 240 },
    { code: 'otherCut', batchId, cutId: 'beef-chuck-roast', methodId: 'low-paper', pieces: 3, pieceKg: 1.6 },
    { code: 'hirePits', pitId: 'offset', count: 2 },
    { code: 'hireBoxes', count: 1 },
    { code: 'hireHand', fromMs: 7_200_000, toMs: 14_400_000 },
    { code: 'warmerAt', gearId: 'box', setC: 70 },
    {
      code: 'cookDayBefore',
      batchId,
      name: 'Brisket',
      cookedKg: 6,
      portionThicknessMm: 40,
      way: 'ice',
      reheatBy: { cutId: 'pan-dish', methodId: 'dish-oven', panKg: 5 },
      shares: {},
    },
    { code: 'both', first: { code: 'hireBoxes', count: 2 }, then: { code: 'fewerPieces', batchId, pieces: 1 } },
  ];
  const spare = new Map([
    ['spare', 'Second smoker'],
    ['second', 'Second box'],
    ['ben', 'Ben'],
  ]);

  it('say what to do, each otherwise, in the reader’s units', () => {
    for (const units of [DEFAULT_UNITS, METRIC]) {
      const said = levers.map((lever) => leverMessage(messageContext(units), lever, spare));
      for (const words of said) expect(words).not.toMatch(HOLE);
      expect(new Set(said).size).toBe(levers.length);
    }
    const words = (code: Lever['code']) =>
      leverMessage(
        messageContext(METRIC),
        levers.find((lever) => lever.code === code)!,
        spare,
      );
    expect(words('finishElsewhere')).toBe('Briskets: once wrapped, finish in the oven at 135 °C');
    expect(words('sparePit')).toBe('Bring the second smoker');
    expect(words('moreCrew')).toBe('Put Ben on duty');
    expect(words('moveServing')).toBe('Serve supper 30 min later');
    expect(words('cookDayBefore')).toContain('reheat to 74 °C');
    expect(words('hirePits')).toBe('Hire two more pits like the offset');
    expect(words('hireHand')).toMatch(/^One more person, .* to .*/);
    expect(words('otherCut')).toMatch(/^In place of briskets, 3 .* of 1[.]6\d* kg/);
    expect(words('both')).toMatch(/^Hire two insulated boxes of \d+ l for holding, and briskets: 1 in place of 2, smaller helpings of it$/);
  });

  it('say what came of it', () => {
    const tried = (solves: boolean, broken: number) => ({
      lever: levers[0]!,
      solves,
      objective: [broken, 0, 0, 0, 0] as [number, number, number, number, number],
      onTimeShare: 0.934,
    });
    expect(remedyMessage(tried(true, 0))).toBe('everything fits, 93 % sure');
    expect(remedyMessage(tried(false, 0))).toBe('fits, 93 % sure');
    expect(remedyMessage(tried(false, 3))).toBe('3 pieces still without a place');
  });
});

describe('the words of decision points', () => {
  // As late as can be: then there is something to decide.
  const tight = { ...event, scheme: { order: [], overrides: { 'brisket-whole': { earlierMin: 0 } }, seed: 1, iterations: 0 } };
  const input = inputOf(tight);
  const plan = buildPlan(input);

  it('say when, under which core, and what can still be done', () => {
    const decisions = decisionsOf(input, plan);
    expect(decisions.length).toBeGreaterThan(0);
    for (const decision of decisions) {
      const { time, words } = decisionMessage(messageContext(METRIC), plan.runs, decision);
      expect(time).toMatch(/^\d\d:\d\d$/);
      expect(words).toMatch(/^If the core of the .* is under \d+ °C, it is likely to be late: .*\.$/);
      expect(words).not.toMatch(HOLE);
    }
  });

  it('say which of several runs of a batch is meant, and only then', () => {
    const brisket = plan.runs.find((run) => run.batchId === 'brisket-whole')!;
    const part = { ...brisket, pieceIds: ['brisket-whole-2'], onAtMs: brisket.onAtMs - 3_600_000, legs: [] };
    const split = buildPlan({ ...input, event: pinned(tight, part) });
    const at = (runs: typeof plan.runs, runId: string): string => {
      const run = runs.find((each) => each.id === runId)!;
      const decision: Decision = {
        runId,
        pitId: run.pitId,
        atMs: run.onAtMs + 3_600_000,
        underC: 60,
        levers: [{ code: 'wrap', gainMin: 40 }],
      };
      return decisionMessage(messageContext(), runs, decision).words;
    };
    expect(at(plan.runs, 'brisket-whole')).toContain('the core of the 2 briskets is under');
    expect(at(split.runs, 'brisket-whole.2')).toMatch(/the core of the 1 brisket on the (low|high) rack of the offset is under/);
  });
});

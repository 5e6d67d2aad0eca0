import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, servedAway } from '../../../tests/fixtures/events';
import { CUTS, SHIPPED_LIBRARY, type PlanProblem, type Reason, type TaskKind } from '../../core/model';
import { buildPlan } from '../../core/planning';
import {
  DEFAULT_UNITS,
  formatArea,
  formatMinutes,
  formatOdds,
  formatShare,
  formatTempDifference,
  writeUnits,
  readUnits,
  type Units,
} from '../units';
import { batchName, capital, piecesMessage, type MessageContext } from './names';
import { planProblemMessage } from './problem';
import { reasonMessage } from './reason';
import { taskMessage } from './task';

const METRIC: Units = { temp: 'C', mass: 'kg', clock: '12' };
const event = eventOf([
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('chicken-half', 6),
  batchOf('pan-dish', 1, { label: 'Harbour beans', methodId: 'dish-oven' }),
]);
const messageContext = (units: Units = DEFAULT_UNITS): MessageContext => ({
  event,
  pits: [OFFSET, OVEN],
  boxes: [BOX],
  library: SHIPPED_LIBRARY,
  units,
});
const plan = buildPlan(inputOf(event));
/** Without a box what is cooked rests on the board. */
const boardPlan = buildPlan(inputOf(event, undefined, []));
const said = [plan, boardPlan].flatMap(({ tasks, runs }) => tasks.map((task) => ({ task, runs })));
const AT = plan.runs[0]!.onAtMs;
const span = { fromMs: AT, toMs: AT + 5_400_000 };

describe('the words of a task', () => {
  it('say something of every kind, in both systems, without a hole', () => {
    const kinds = new Set<TaskKind>();
    for (const units of [DEFAULT_UNITS, METRIC]) {
      for (const { task, runs } of said) {
        const { title, detail } = taskMessage(messageContext(units), task, runs);
        expect(`${title} ${detail}`).not.toMatch(/undefined|NaN|null|\bInfinity\b/);
        expect(title.length).toBeGreaterThan(5);
        kinds.add(task.kind);
      }
    }
    for (const kind of ['carve', 'check', 'hold', 'light', 'load', 'pull', 'rest', 'serve', 'vent', 'wrap'] as const)
      expect(kinds).toContain(kind);
  });

  it('say where to drive, and with what loaded', () => {
    const away = servedAway(event, 40);
    const there = buildPlan(inputOf(away));
    const drive = there.tasks.find((task) => task.kind === 'drive')!;
    const words = taskMessage({ ...messageContext(), event: away }, drive, there.runs);
    expect(words.title).toBe('Drive to Lighthouse green for supper');
    expect(words.detail).toMatch(/^40 min on the road/);
    for (const task of there.tasks)
      expect(taskMessage({ ...messageContext(), event: away }, task, there.runs).title.length).toBeGreaterThan(5);
  });

  it('heat an oven and light a pit', () => {
    const titles = plan.tasks.filter((task) => task.kind === 'light').map((task) => taskMessage(messageContext(), task, plan.runs).title);
    expect(titles).toContain('Light the offset');
    expect(titles.some((title) => /^Heat the oven to \d+ °F$/.test(title))).toBe(true);
  });

  it('tell a bird by its number and a brisket by its feel', () => {
    const check = (batchId: string) => {
      const run = plan.runs.find((each) => each.batchId === batchId)!;
      return taskMessage(
        messageContext(),
        plan.tasks.find((task) => task.runId === run.id && task.kind === 'check')!,
        plan.runs,
      ).detail;
    };
    expect(check('chicken-half')).toMatch(/must reach 165 °F while resting\. Measure and write down the peak/);
    expect(check('brisket-whole')).toMatch(/flat in three places: no push needed/);
  });

  it('set another heat, move to the oven, and name what is moved', () => {
    const run = plan.runs.find((each) => each.batchId === 'brisket-whole')!;
    const set = taskMessage(
      messageContext(METRIC),
      { id: 's', kind: 'setPoint', atMs: AT, minutes: 2, pitId: 'offset', pitC: 135 },
      plan.runs,
    );
    expect(set.title).toBe('Set the offset to 135 °C');
    const move = taskMessage(messageContext(), { id: 'm', kind: 'move', atMs: AT, minutes: 6, pitId: 'offset', runId: run.id }, [
      { ...run, moveAtMs: AT, legs: [{ ...run.legs[0]!, pitId: 'oven', fromMs: AT }] },
    ]);
    expect(move.title).toBe('Move 2 briskets to the oven');
  });
});

describe('names', () => {
  it('are right for one and for many of every cut', () => {
    for (const cut of CUTS) {
      const one = eventOf([batchOf(cut.id, 1)]);
      const several = eventOf([batchOf(cut.id, 3)]);
      expect(piecesMessage({ ...messageContext(), event: one }, cut.id, 1)).toContain(cut.noun[0]);
      expect(piecesMessage({ ...messageContext(), event: several }, cut.id, 3)).toContain(cut.noun[1]);
      expect(batchName({ ...messageContext(), event: several }, cut.id)).toMatch(/^[A-Z]/);
    }
    expect(piecesMessage(messageContext(), 'pan-dish', 1)).toBe('1 pan of harbour beans');
    expect(batchName(messageContext(), 'pan-dish')).toBe('Harbour beans');
    expect(piecesMessage(messageContext(), 'lost', 2)).toBe('2 pieces');
    expect(capital('ash')).toBe('Ash');
  });
});

describe('reasons and problems', () => {
  it('are whole sentences for every code', () => {
    const reasons: Reason[] = [
      { code: 'servingNeeds', servingId: 'supper', carveAtMs: AT },
      { code: 'restNeeds', ventMin: 15, restMin: 60 },
      { code: 'restNeeds', ventMin: 0, restMin: 20 },
      { code: 'cookTakes', medianMin: 600, lateMin: 745, confidence: 0.9 },
      { code: 'movedEarlier', minutes: 45, pitId: 'offset', rackId: 'low', blockedUntilMs: AT },
      { code: 'movedEarlier', minutes: 45, pitId: 'offset', rackId: 'low', blockedUntilMs: 0 },
      { code: 'sharesHeat', pitId: 'offset', pitC: 127, wantedC: 121 },
      { code: 'finishesElsewhere', pitId: 'oven', atMs: AT },
    ];
    const said = reasons.map((reason) => reasonMessage(messageContext(), reason));
    expect(new Set(said).size).toBe(reasons.length);
    for (const words of said) expect(words).not.toMatch(/undefined|NaN/);
    expect(said[3]).toBe('Half of such cooks are done within 10 h, 90 % within 12 h 25');
  });

  it('say what, where, when and what would mend it', () => {
    const common = { severity: 'broken', batchId: 'chicken-half', pieces: 2 } as const;
    const problems: PlanProblem[] = [
      { code: 'noSuitablePit', ...common, need: 'smoke' },
      { code: 'noSuitablePit', ...common, need: 'heat' },
      { code: 'noSuitablePit', ...common, need: 'size' },
      { code: 'rackFull', ...common, pitId: 'offset', rackId: 'low', shortMm2: 50_000, ...span },
      { code: 'rackOverloaded', ...common, pitId: 'offset', rackId: 'low', shortKg: 3, ...span },
      { code: 'heatConflict', ...common, pitId: 'offset', wantedC: 149, setC: 121, ...span },
      { code: 'poultryAbove', ...common, pitId: 'offset', ...span },
      { code: 'boxFull', ...common, shortLitres: 12.2, ...span },
      { code: 'holdTooLong', ...common, holdMin: 200, allowedMin: 60 },
      { code: 'neverDone', ...common, pitC: 107 },
      { code: 'dangerZone', ...common, minutes: 260, allowedMin: 240 },
      { code: 'alreadyPast', ...common, lateByMin: 95 },
      { code: 'servedBelowHotHold', severity: 'warning', batchId: 'chicken-half', coreC: 52 },
    ];
    for (const units of [DEFAULT_UNITS, METRIC]) {
      for (const problem of problems) {
        const { what, remedy } = planProblemMessage(messageContext(units), problem);
        expect(`${what} ${remedy}`).not.toMatch(/undefined|NaN/);
        expect(what.endsWith('.')).toBe(true);
        expect(remedy.endsWith('.')).toBe(true);
      }
    }
    expect(planProblemMessage(messageContext(), problems[7]!).what).toContain('short of 13 qt');
    expect(planProblemMessage(messageContext(), { ...problems[3]!, pieces: 1 } as PlanProblem).what).toMatch(
      /^1 chicken half has no place/,
    );
  });
});

describe('figures', () => {
  it('are written as the trade says them', () => {
    expect(formatTempDifference(10, DEFAULT_UNITS)).toBe('18 °F');
    expect(formatTempDifference(10, METRIC)).toBe('10 °C');
    expect(formatArea(64_516, METRIC)).toBe('645 cm²');
    expect(formatShare(0.904)).toBe('90 %');
    expect([0.904, 0.8996, 0.9, 0.9999, 1].map(formatOdds)).toEqual(['90 %', '89 %', '90 %', '99 %', '100 %']);
    expect(formatMinutes(-75)).toBe('-1 h 15');
    expect(readUnits(writeUnits(METRIC))).toEqual(METRIC);
  });
});

describe('what keeps people and things from being in their places', () => {
  const away = servedAway(event, 40);
  const said = (problem: PlanProblem) => planProblemMessage({ ...messageContext(), event: away }, problem);

  it('is told in words, each with what would mend it', () => {
    const common = { severity: 'broken' as const };
    const servingId = 'supper';
    const placeId = 'green';
    expect(said({ code: 'noRoad', ...common, servingId, placeId }).what).toBe('No road leads to Lighthouse green, where Supper is served.');
    const far = said({ code: 'tooFar', ...common, servingId, placeId, leaveMs: AT, minutes: 90, lateByMin: 25 });
    expect(far.what).toMatch(
      /^Supper cannot be reached in time: the drive to Lighthouse green takes 1 h 30, .*25 min before there is time for it\.$/,
    );
    expect(far.remedy).toMatch(/^Serve later/);
    const short = said({ code: 'handsShort', ...common, servingId, placeId, hands: 1, wanted: 2, fromMs: AT, toMs: AT + 3_600_000 });
    expect(short.what).toMatch(/needs 2 at Lighthouse green .*only 1 of them/);
    for (const raw of [true, false])
      expect(said({ code: 'noRide', ...common, batchId: 'brisket-whole', pieces: 2, placeId, ...(raw && { raw }) }).what).toMatch(
        /^2 briskets have no way.* Lighthouse green/,
      );
    const alone = { code: 'unattended' as const, ...common, pitId: 'offset', fromMs: AT, toMs: AT + 7_200_000, allowedMin: 30 };
    expect(said({ ...alone, batchId: 'brisket-whole', pieces: 2 }).what).toMatch(/nobody on duty beside it.*alone for 30 min/);
    expect(said({ ...alone, pieces: 0 }).what).toMatch(/^What is on it/);
    expect(
      said({ code: 'holdTooLong', ...common, batchId: 'brisket-whole', pieces: 2, holdMin: 90, allowedMin: 0, nothingRides: true }).what,
    ).toMatch(/goes along\.$/);
    const idle = said({ code: 'unstaffed', severity: 'warning', kind: 'reload', pitId: 'offset', placeId, atMs: AT, times: 3 });
    expect(idle.what).toMatch(/^Nobody is free to feed the offset at .* and 2 more times\.$/);
  });

  it('is a drive that would have to begin in the past; serving later mends it', () => {
    const duty = [{ memberId: 'ada', fromMs: AT - 48 * 3_600_000, toMs: AT + 48 * 3_600_000 }];
    const crew = [{ id: 'ada', name: 'Ada', drives: true }];
    const chicken = servedAway(eventOf([batchOf('chicken-half', 4)], { duty }), 90);
    const [supper] = chicken.servings;
    const leaveMs = supper!.atMs - (supper!.carveLeadMin + 15 + 10 + 90 + 10) * 60_000;
    const late = buildPlan({ ...inputOf(chicken), crew, earliestMs: leaveMs + 20 * 60_000 });
    const far = late.problems.find((problem) => problem.code === 'tooFar')!;
    expect(far).toMatchObject({ servingId: 'supper', minutes: 90, lateByMin: 20 });
    expect(planProblemMessage({ ...messageContext(), event: chicken }, far).what).toMatch(/cannot be reached in time/);
    const later = { ...chicken, servings: chicken.servings.map((serving) => ({ ...serving, atMs: serving.atMs + 30 * 60_000 })) };
    const mended = buildPlan({ ...inputOf(later), crew, earliestMs: leaveMs + 20 * 60_000 });
    expect(mended.problems.some((problem) => problem.code === 'tooFar')).toBe(false);
  });
});

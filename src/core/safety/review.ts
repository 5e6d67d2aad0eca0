import {
  cutIn,
  isNonIntact,
  isPoultry,
  isRoast,
  methodIn,
  prepOf,
  type Batch,
  type CookEvent,
  type Cut,
  type Library,
  type LoosenableRule,
  type Pit,
  type Plan,
} from '../model';
import { MS_PER_MIN } from '../units';
import { limitsOf, STRICT_LIMITS } from './limits';
import { coreRuleOf, SAFETY_RULES } from './rules';

export const SAFETY_STAGES = ['receive', 'thaw', 'season', 'trim', 'fire', 'cook', 'hold', 'serve', 'after'] as const;
export type SafetyStage = (typeof SAFETY_STAGES)[number];

/** Kept by the plan, to be measured on the day, to be watched, or broken. */
export type SafetyState = 'keeps' | 'measure' | 'watch' | 'breaks';

/** One value of the guidance beside what this plan does. Words come later; `figures` are in C, minutes or instants. */
export interface SafetyFinding {
  code:
    | 'coldOnArrival'
    | 'arrivedWarm'
    | 'thawCold'
    | 'thawWater'
    | 'brineCold'
    | 'injected'
    | 'rawPoultry'
    | 'tempering'
    | 'knives'
    | 'carbonMonoxide'
    | 'gasLeak'
    | 'pitHot'
    | 'dangerClock'
    | 'poultryAbove'
    | 'greaseFire'
    | 'burns'
    | 'core'
    | 'poultryPeak'
    | 'hotHold'
    | 'rare'
    | 'tiredDriver'
    | 'timeAlone'
    | 'cooling'
    | 'ash'
    | 'towing';
  stage: SafetyStage;
  state: SafetyState;
  batchIds: string[];
  limit?: number;
  source: string;
  figures: Record<string, number>;
  /** The hard value behind it, when an owner may loosen that, and whether this event has. */
  rule?: LoosenableRule;
  loosened?: boolean;
}

export interface SafetyInput {
  event: CookEvent;
  library: Library;
  pits: readonly Pit[];
  plan: Plan;
}

interface Item {
  batch: Batch;
  cut: Cut;
}

/** The usual guidance, stage by stage, beside what the plan does. Nothing here replaces local code, the permit or licensed practice. */
export function safetyReview(input: SafetyInput): SafetyFinding[] {
  const items = input.event.batches.flatMap((batch): Item[] => {
    const cut = cutIn(input.library, batch.cutId);
    return cut ? [{ batch, cut }] : [];
  });
  const findings = [...before(items, input), ...fire(input), ...cooking(items, input), ...after(items, input)];
  const limits = limitsOf(input.event);
  for (const finding of findings) {
    if (!finding.rule) continue;
    finding.limit = limits[finding.rule];
    finding.loosened = limits[finding.rule] !== STRICT_LIMITS[finding.rule];
  }
  return findings.sort((a, b) => SAFETY_STAGES.indexOf(a.stage) - SAFETY_STAGES.indexOf(b.stage));
}

const idsOf = (items: Item[]) => items.map(({ batch }) => batch.id);

function before(items: Item[], { plan }: SafetyInput): SafetyFinding[] {
  const findings: SafetyFinding[] = [];
  const meats = items.filter(({ cut }) => cut.species !== 'dish');
  const cold = SAFETY_RULES.coldHold;
  const unread = meats.filter(({ batch }) => batch.received?.coreC === undefined);
  const warm = meats.filter(({ batch }) => (batch.received?.coreC ?? 0) > cold.limit);
  if (meats.length > 0)
    findings.push({
      code: 'coldOnArrival',
      stage: 'receive',
      state: unread.length > 0 ? 'measure' : 'keeps',
      batchIds: idsOf(unread.length > 0 ? unread : meats.filter((each) => !warm.includes(each))),
      limit: cold.limit,
      source: cold.source,
      figures: {},
    });
  for (const each of warm)
    findings.push({
      code: 'arrivedWarm',
      stage: 'receive',
      state: 'breaks',
      batchIds: [each.batch.id],
      limit: cold.limit,
      source: cold.source,
      figures: { coreC: each.batch.received!.coreC! },
    });
  for (const way of ['cold', 'water'] as const) {
    const thawed = meats.filter(({ batch, cut }) => prepOf(cut, batch).thaw === way);
    if (thawed.length === 0) continue;
    const broken = plan.problems.some((problem) => problem.code === 'waterThawTooLong');
    findings.push({
      code: way === 'cold' ? 'thawCold' : 'thawWater',
      stage: 'thaw',
      state: way === 'water' && broken ? 'breaks' : 'keeps',
      batchIds: idsOf(thawed),
      limit: way === 'cold' ? cold.limit : SAFETY_RULES.thawWaterMin.limit,
      source: SAFETY_RULES.thawWaterMin.source,
      figures: {},
    });
  }
  const brined = meats.filter(({ batch, cut }) => prepOf(cut, batch).brine !== 'none');
  if (brined.length > 0)
    findings.push({
      code: 'brineCold',
      stage: 'season',
      state: 'measure',
      batchIds: idsOf(brined),
      limit: cold.limit,
      source: cold.source,
      figures: {},
    });
  const injected = meats.filter(({ batch, cut }) => isNonIntact(cut, batch));
  if (injected.length > 0)
    findings.push({
      code: 'injected',
      stage: 'season',
      state: plan.problems.some((problem) => problem.code === 'coreTooLow' && problem.nonIntact) ? 'breaks' : 'watch',
      batchIds: idsOf(injected),
      source: SAFETY_RULES.nonIntactCore.source,
      figures: {},
      rule: 'nonIntactCore',
    });
  const birds = meats.filter(({ cut }) => isPoultry(cut));
  const rawSteps = plan.prep.filter((step) => birds.some(({ batch }) => batch.id === step.batchId));
  if (birds.length > 0)
    findings.push({
      code: 'rawPoultry',
      stage: 'season',
      state: 'watch',
      batchIds: idsOf(birds),
      source: 'Food Code 2022 3-302.11',
      figures:
        rawSteps.length > 0
          ? {
              fromMs: Math.min(...rawSteps.map((step) => step.atMs)),
              toMs: Math.max(...rawSteps.map((step) => step.atMs + step.minutes * MS_PER_MIN)),
              hands: Math.max(...rawSteps.map((step) => step.hands)),
            }
          : {},
    });
  const tempered = meats.filter(({ batch, cut }) => prepOf(cut, batch).temperMin > 0);
  for (const { batch, cut } of tempered) {
    const { temperMin } = prepOf(cut, batch);
    findings.push({
      code: 'tempering',
      stage: 'season',
      state: temperMin > SAFETY_RULES.temperMin.limit ? 'breaks' : 'watch',
      batchIds: [batch.id],
      limit: SAFETY_RULES.temperMin.limit,
      source: SAFETY_RULES.temperMin.source,
      figures: { minutes: temperMin },
    });
  }
  const trimMin = plan.prep.filter((step) => step.kind === 'trim').reduce((sum, step) => sum + step.minutes, 0);
  if (trimMin > 0)
    findings.push({
      code: 'knives',
      stage: 'trim',
      state: 'watch',
      batchIds: [],
      source: 'workplace practice',
      figures: { minutes: trimMin },
    });
  return findings;
}

function fire({ pits, plan, event }: SafetyInput): SafetyFinding[] {
  const findings: SafetyFinding[] = [];
  const lit = pits.filter((pit) => plan.firings.some((firing) => firing.pitId === pit.id));
  const burning = lit.filter((pit) => !['cabinet', 'oven'].includes(pit.kind));
  const common = { batchIds: [], figures: {} };
  if (burning.length > 0)
    findings.push({ code: 'carbonMonoxide', stage: 'fire', state: 'watch', source: 'CPSC and fire-service advice', ...common });
  if (lit.some((pit) => pit.kind === 'cabinet'))
    findings.push({ code: 'gasLeak', stage: 'fire', state: 'watch', source: 'NFPA 58; the supplier’s leak test', ...common });
  if (lit.length > 0) findings.push({ code: 'greaseFire', stage: 'cook', state: 'watch', source: 'NFPA 10 and 96', ...common });
  const limits = limitsOf(event);
  const bareC = plan.runs.map((run) => run.pitC);
  if (bareC.length > 0)
    findings.push({
      code: 'pitHot',
      stage: 'cook',
      state: Math.min(...bareC) >= limits.bareMeatPit ? 'keeps' : 'breaks',
      batchIds: [],
      source: SAFETY_RULES.bareMeatPitC.source,
      figures: { lowestC: Math.min(...bareC) },
      rule: 'bareMeatPit',
    });
  return findings;
}

function cooking(items: Item[], { plan, library, event }: SafetyInput): SafetyFinding[] {
  const findings: SafetyFinding[] = [];
  const limits = limitsOf(event);
  for (const { batch, cut } of items) {
    const runs = plan.runs.filter((run) => run.batchId === batch.id);
    const refused = plan.problems.find((problem) => problem.code === 'dangerZone' && problem.batchId === batch.id);
    const strict = isPoultry(cut) || isNonIntact(cut, batch);
    const minutes = refused?.code === 'dangerZone' ? refused.minutes : Math.max(0, ...runs.map((run) => run.dangerLateMin));
    if (strict && minutes > 0)
      findings.push({
        code: 'dangerClock',
        stage: 'cook',
        state: minutes > limits.dangerZone ? 'breaks' : 'keeps',
        batchIds: [batch.id],
        source: SAFETY_RULES.dangerZoneMin.source,
        figures: { minutes, temperMin: prepOf(cut, batch).temperMin },
        rule: 'dangerZone',
      });
    if (cut.done.by === 'core' && runs.length > 0) {
      const rule = coreRuleOf(cut, isNonIntact(cut, batch));
      const rare = isRoast(cut) && cut.done.coreC < rule.limit;
      findings.push({
        code: isPoultry(cut) ? 'poultryPeak' : rare ? 'rare' : 'core',
        stage: rare ? 'serve' : 'cook',
        state: isPoultry(cut) ? 'measure' : rare ? 'watch' : 'measure',
        batchIds: [batch.id],
        limit: rule.limit,
        source: rare ? 'Food Code 2022 3-603.11 and 3-801.11' : rule.source,
        figures: { pullC: Math.min(...runs.map((run) => run.pullCoreC)), doneC: cut.done.coreC },
      });
    }
    for (const run of runs.filter((each) => each.hold.gearId !== 'board'))
      findings.push({
        code: 'hotHold',
        stage: 'hold',
        state: run.hold.coolestAtCarveC >= limits.hotHold ? 'keeps' : 'breaks',
        batchIds: [batch.id],
        source: SAFETY_RULES.hotHold.source,
        figures: { coolestC: run.hold.coolestAtCarveC, holdMin: (run.hold.toMs - run.hold.fromEarlyMs) / MS_PER_MIN },
        rule: 'hotHold',
      });
  }
  const birdRuns = plan.runs.filter((run) => items.some(({ batch, cut }) => batch.id === run.batchId && isPoultry(cut)));
  if (birdRuns.length > 0)
    findings.push({
      code: 'poultryAbove',
      stage: 'cook',
      state: plan.problems.some((problem) => problem.code === 'poultryAbove') ? 'breaks' : 'keeps',
      batchIds: [...new Set(birdRuns.map((run) => run.batchId))],
      source: 'Food Code 2022 3-302.11',
      figures: {},
    });
  const wrapped = items.filter(({ batch }) => (methodIn(library, batch.methodId)?.wrap ?? 'none') !== 'none');
  if (wrapped.length > 0)
    findings.push({ code: 'burns', stage: 'cook', state: 'watch', batchIds: idsOf(wrapped), source: 'workplace practice', figures: {} });
  return findings;
}

/** Awake this long, a driver is as slow as one who has drunk. */
const TIRED_AFTER_MIN = 16 * 60;

function after(items: Item[], { event, plan }: SafetyInput): SafetyFinding[] {
  const findings: SafetyFinding[] = [];
  const last = event.servings.toSorted((a, b) => b.atMs - a.atMs)[0];
  const firstOn = Math.min(...plan.firings.map((firing) => firing.lightAtMs));
  if (last && Number.isFinite(firstOn)) {
    const minutes = (last.atMs + last.serveForMin * MS_PER_MIN - firstOn) / MS_PER_MIN;
    findings.push({
      code: 'tiredDriver',
      stage: 'after',
      state: minutes > TIRED_AFTER_MIN ? 'watch' : 'keeps',
      batchIds: [],
      limit: TIRED_AFTER_MIN,
      source: 'road-safety advice on fatigue',
      figures: { minutes },
    });
    findings.push({
      code: 'timeAlone',
      stage: 'serve',
      state: 'watch',
      batchIds: [],
      limit: SAFETY_RULES.timeAloneMin.limit,
      source: SAFETY_RULES.timeAloneMin.source,
      figures: { minutes: last.serveForMin + last.carveLeadMin },
    });
  }
  if (items.length > 0)
    findings.push({ code: 'cooling', stage: 'after', state: 'watch', batchIds: [], source: 'Food Code 2022 3-501.14', figures: {} });
  if (plan.firings.length > 0)
    for (const code of ['ash', 'towing'] as const)
      findings.push({
        code,
        stage: 'after',
        state: 'watch',
        batchIds: [],
        source: code === 'ash' ? 'fire-service advice' : 'workplace practice',
        figures: {},
      });
  return findings;
}

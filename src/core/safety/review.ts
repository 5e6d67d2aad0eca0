import { cutIn, FUEL_HAZARDS, fuelOf, isGround, isNonIntact, isPoultry, isRoast, methodIn, prepOf } from '../model';
import { MS_PER_MIN } from '../units';
import { idsOf, SAFETY_STAGES, type Item, type SafetyFinding, type SafetyInput } from './finding';
import { limitsOf, STRICT_LIMITS } from './limits';
import { reviewBefore } from './reviewBefore';
import { coreRuleOf, SAFETY_RULES } from './rules';

/** The usual guidance, stage by stage, beside what the plan does. Nothing here replaces local code, the permit or licensed practice. */
export function safetyReview(input: SafetyInput): SafetyFinding[] {
  const items = input.event.batches.flatMap((batch): Item[] => {
    const cut = cutIn(input.library, batch.cutId);
    return cut ? [{ batch, cut }] : [];
  });
  const findings = [...reviewBefore(items, input), ...fire(input), ...cooking(items, input), ...after(items, input)];
  const limits = limitsOf(input.event);
  for (const finding of findings) {
    if (!finding.rule) continue;
    finding.limit = limits[finding.rule];
    finding.loosened = limits[finding.rule] !== STRICT_LIMITS[finding.rule];
  }
  return findings.sort((a, b) => SAFETY_STAGES.indexOf(a.stage) - SAFETY_STAGES.indexOf(b.stage));
}

function fire({ pits, plan, event }: SafetyInput): SafetyFinding[] {
  const findings: SafetyFinding[] = [];
  const lit = pits.filter((pit) => plan.firings.some((firing) => firing.pitId === pit.id));
  const danger = (hazard: keyof (typeof FUEL_HAZARDS)['gas']) => lit.some((pit) => FUEL_HAZARDS[fuelOf(pit).kind][hazard]);
  const common = { batchIds: [], figures: {} };
  if (danger('carbonMonoxide'))
    findings.push({ code: 'carbonMonoxide', stage: 'fire', state: 'watch', source: 'CPSC and fire-service advice', ...common });
  if (danger('gasLeak'))
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
    const strict = isPoultry(cut) || isGround(cut) || isNonIntact(cut, batch);
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
    // A roast served rare is below hot holding by choice; it has its own line.
    const rareRoast = isRoast(cut) && cut.done.by === 'core' && cut.done.coreC < limits.hotHold;
    for (const run of runs.filter((each) => each.hold.gearId !== 'board' && !rareRoast))
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

function after(items: Item[], { event, plan, pits }: SafetyInput): SafetyFinding[] {
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
  const ashes = pits.some((pit) => FUEL_HAZARDS[fuelOf(pit).kind].ash && plan.firings.some((firing) => firing.pitId === pit.id));
  if (plan.firings.length > 0)
    for (const code of ashes ? (['ash', 'towing'] as const) : (['towing'] as const))
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

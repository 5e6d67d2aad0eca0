import { isNonIntact, isPoultry, prepOf } from '../model';
import { MS_PER_MIN } from '../units';
import { idsOf, type Item, type SafetyFinding, type SafetyInput } from './finding';
import { SAFETY_RULES } from './rules';

/** From the delivery to the knife: what is cold, thawed, brined, injected, tempered and trimmed. */
export function reviewBefore(items: Item[], { plan }: SafetyInput): SafetyFinding[] {
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
              prepCrew: Math.max(...rawSteps.map((step) => step.prepCrew)),
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

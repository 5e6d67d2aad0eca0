import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../src/core/check';
import { CUTS, isGround, isPoultry, isRoast, libraryWith, type Cut } from '../../src/core/model';
import { buildPlan, exchangeEventOf, exchangePlanOf, runCurve, type PlanInput } from '../../src/core/planning';
import { coreRuleOf, safetyReview } from '../../src/core/safety';
import { eventFileOf, planInputOf, readEventFile, writeEventFile } from '../../src/formats/open';
import { copyOf } from '../../src/ui/library/entries';
import { batchOf, eventOf, inputOf, OFFSET } from '../fixtures/events';

/** Every shipped cut copied as the library page copies it: another id, another name, the same meat. */
const copies = new Map(CUTS.map((cut) => [cut.id, { ...copyOf(cut), id: `own-${cut.id.length}${cut.id}`, name: 'Something else' }]));

const withCopies = (input: PlanInput): PlanInput => ({
  ...input,
  library: libraryWith({ cuts: [...copies.values()], methods: [], recipes: [] }),
  event: { ...input.event, batches: input.event.batches.map((batch) => ({ ...batch, cutId: copies.get(batch.cutId)!.id })) },
});
const timesOf = (input: PlanInput) =>
  buildPlan(input).runs.map(({ onAtMs, pullEarlyMs, pullLateMs, pullCoreC, carveAtMs }) => [
    onAtMs,
    pullEarlyMs,
    pullLateMs,
    pullCoreC,
    carveAtMs,
  ]);

const NOW_MS = Date.parse('2027-06-18T12:00:00-03:00');

describe('a copied cut', () => {
  it('is of the same safety class, under the same core rule', () => {
    for (const cut of CUTS) {
      const copy: Cut = copies.get(cut.id)!;
      expect([isPoultry(copy), isGround(copy), isRoast(copy), coreRuleOf(copy)]).toEqual([
        isPoultry(cut),
        isGround(cut),
        isRoast(cut),
        coreRuleOf(cut),
      ]);
    }
  });

  it('is planned to the minute as what it was copied from', () => {
    for (const id of ['sausage-link', 'chicken-half', 'tri-tip', 'pork-butt', 'lamb-leg-boneless', 'turkey-breast-bone-in']) {
      const input = inputOf(eventOf([batchOf(id, 2)]));
      expect([id, timesOf(withCopies(input))]).toEqual([id, timesOf(input)]);
    }
  });

  it('of a sausage is no rare roast: it is refused when it is pulled too cool, and its clock runs', () => {
    const cool = { ...copies.get('sausage-link')!, done: { by: 'core', coreC: 58 } as const };
    const input = withCopies(inputOf(eventOf([batchOf('sausage-link', 6)])));
    const library = libraryWith({ cuts: [cool], methods: [], recipes: [] });
    expect(buildPlan({ ...input, library }).problems).toContainEqual(expect.objectContaining({ code: 'coreTooLow', requiredC: 71 }));
    const plan = buildPlan(input);
    expect(safetyReview({ ...input, plan }).map((finding) => finding.code)).toContain('dangerClock');
  });

  it('of a bird lies below other food, and its lethality is a bird’s', () => {
    const input = withCopies(
      inputOf(eventOf([batchOf('chicken-half', 4), batchOf('spare-ribs', 4)]), [OFFSET, { ...OFFSET, id: 'second' }]),
    );
    const plan = buildPlan(input);
    expect(plan.runs.length).toBeGreaterThan(0);
    const bird = plan.runs.find((run) => run.batchId === 'chicken-half')!;
    expect(runCurve(input, bird)!.safety.lethalitySource).toContain('chicken');
    // Laid above, the checker says so: it reads the class that the file carries, not the id.
    const open = exchangeEventOf(input);
    expect(new Set(open.cuts!.map((cut) => cut.safetyClass))).toEqual(new Set(['poultry', 'whole']));
    const file = exchangePlanOf(input, plan);
    const [chicken, ribs] = ['chicken-half', 'spare-ribs'].map((batch) => file.runs.find((run) => run.batch === batch)!);
    for (const run of [chicken!, ribs!])
      for (const place of run.places) Object.assign(place, { pit: 'offset', fromMs: chicken!.onAtMs, toMs: chicken!.pullLateMs });
    for (const place of chicken!.places) place.rack = 'high';
    for (const place of ribs!.places) place.rack = 'low';
    expect(checkPlan(open, file, { physics: false }).map((broken) => broken.code)).toContain('poultryAbove');
  });

  it('comes out of a file with the class it went in with', () => {
    const { event, library, pits } = withCopies(inputOf(eventOf([batchOf('sausage-link', 6), batchOf('chicken-half', 2)])));
    const equipment = { pits, boxes: [], warmers: [], probes: [], crew: [] };
    const reading = readEventFile(writeEventFile(eventFileOf(event, { equipment, library }, NOW_MS)));
    const read = planInputOf((reading as Extract<typeof reading, { ok: true }>).value);
    const classes = read.event.batches.map((batch) => read.library.cuts.find((cut) => cut.id === batch.cutId)!.safetyClass);
    expect(classes).toEqual(['ground', 'poultry']);
  });
});

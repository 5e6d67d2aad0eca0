import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { CookEvent } from '../../src/core/model';
import type { Outcome } from '../../src/core/outcome';
import { diffOf } from '../../src/core/edits';
import { exchangePlanOf, pinned, stageStates } from '../../src/core/planning';
import { writeEventFileV1, writeOpenPlan } from '../../src/formats/open';
import { loadEvent } from '../../src/persistence';
import * as services from '../../src/services';
import type { Context } from '../../src/services';
import { must, openContext } from '../fixtures/context';
import { supperFile } from '../fixtures/supper';

const NOW_MS = Date.parse('2027-06-18T15:00:00Z');
let context: Context;
let close: () => Promise<void>;
let event: CookEvent;

beforeEach(async () => {
  ({ context, close } = await openContext(NOW_MS));
  event = must(await services.importEvent(context, { text: writeEventFileV1(supperFile()) }));
});
afterEach(() => close());

const planned = async () => (await services.planEvent(context, event.id))!;
const messageOf = (outcome: Outcome<unknown>) => (outcome.ok ? '' : (outcome.problems[0]!.message ?? outcome.problems[0]!.code));
/** As the page sends it: what leads from the event it saw to the one it made of it. */
const save = (changed: CookEvent) =>
  services.saveEdits(context, { eventId: event.id, revision: event.revision, changes: diffOf(event, JSON.parse(JSON.stringify(changed))) });

describe('a plan that is settled on the server', () => {
  it('keeps the scheme it follows from, and is the same plan when it is made again', async () => {
    const settled = must(await services.settlePlan(context, { eventId: event.id, iterations: 20 }));
    expect(settled.scheme).toMatchObject({ seed: 1, iterations: 20 });
    expect((await loadEvent(event.id))!.scheme).toEqual(settled.scheme);
    const [one, two] = [await planned(), await planned()];
    expect(two.plan).toEqual(one.plan);
    expect(one.plan.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
    expect(messageOf(await services.settlePlan(context, { eventId: 'nobody', iterations: 1 }))).toBe('eventGone');
  });
});

describe('runs pinned on the plan screen', () => {
  it('come through the door with their places, finish and heat, and stay where they are', async () => {
    const { plan } = await planned();
    const all = plan.runs.reduce((kept: CookEvent, run) => pinned(kept, run), { ...event, scheme: plan.scheme });
    event = must(await save(all));
    expect(event.pins).toHaveLength(plan.runs.length);
    const kept = (await loadEvent(event.id))!;
    expect(kept.pins).toEqual(JSON.parse(JSON.stringify(all.pins)));
    const again = (await planned()).plan;
    const facts = (runs: typeof plan.runs) => runs.map((run) => [run.id, run.onAtMs, run.pullLateMs, run.pitC]).sort();
    expect(facts(again.runs)).toEqual(facts(plan.runs));
    expect(again.problems.filter((problem) => problem.severity === 'broken')).toEqual([]);
  });

  it('where they break a rule are told to every reader of the plan: its problems, the stages, the file', async () => {
    const { plan } = await planned();
    const brisket = plan.runs.find((run) => run.batchId === 'brisket')!;
    event = must(await save(pinned(event, { ...brisket, onAtMs: brisket.onAtMs + 6 * 3_600_000 })));
    const late = await planned();
    expect(late.plan.problems[0]).toMatchObject({ code: 'ruleBroken', broken: { rule: 9, batch: 'brisket' } });
    expect(stageStates(late.input, late.plan)).toMatchObject({ plan: 'decide', 'run-sheet': 'decide' });
    expect(exchangePlanOf(late.input, late.plan).status).toBe('infeasible');
    event = must(await save({ ...event, pins: undefined }));
    expect(exchangePlanOf(late.input, (await planned()).plan).status).toBe('feasible');
  });

  it('are refused where no pin could be', async () => {
    const pin = { batchId: 'brisket', pitId: 'trailer', onAtMs: NOW_MS };
    const refused = async (wrong: object) => {
      const outcome = await save({ ...event, pins: [{ ...pin, ...wrong } as never] });
      if (outcome.ok) event = outcome.value;
      return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
    };
    expect(await refused({})).toEqual([]);
    expect(await refused({ pitC: 900 })).toEqual(['pins.0.pitC']);
    expect(await refused({ onAtMs: 'noon' })).toEqual(['pins.0.onAtMs']);
    expect(await refused({ finish: { pitId: 'oven', pitC: -4 } })).toEqual(['pins.0.finish.pitC']);
    expect(await refused({ places: [{ pieceId: 'a', pitId: 'b', rackId: 'c', xMm: -9000, yMm: 0, turned: 'yes' }] })).toEqual([
      'pins.0.places.0.xMm',
      'pins.0.places.0.turned',
    ]);
    expect((await loadEvent(event.id))!.pins).toEqual([pin]);
  });
});

describe('a plan file', () => {
  it('is read into a plan under a name, saved by nothing but the plan screen', async () => {
    const { input, plan } = await planned();
    const text = writeOpenPlan(exchangePlanOf(input, plan), input.event.timeZone);
    const named = must(await services.readPlanFile(context, { eventId: event.id, text }));
    expect(named.pins).toHaveLength(plan.runs.length);
    expect((await loadEvent(event.id))!.namedPlans).toBeUndefined();
    event = must(await save({ ...event, namedPlans: [named] }));
    expect((await loadEvent(event.id))!.namedPlans).toMatchObject([{ name: 'Gannet Point supper, from a file' }]);
  });

  it('is refused with the place and the reason, a few of many', async () => {
    const { input, plan } = await planned();
    const text = writeOpenPlan(exchangePlanOf(input, plan), input.event.timeZone);
    const read = async (spoilt: string) => messageOf(await services.readPlanFile(context, { eventId: event.id, text: spoilt }));
    expect(await read('{')).toContain('$ is not JSON');
    expect(await read(writeEventFileV1(supperFile()))).toContain('$.format must be "anachron-plan"');
    expect(await read(text.replace('"version": 2', '"version": 7'))).toContain('$.version must be 1 or 2');
    expect(await read(text.replaceAll('"brisket-1"', '"brisket-9"'))).toContain('"brisket-9" is no piece of that batch');
    const many = await read(text.replaceAll('"carveAt"', '"carvedAt"'));
    expect(many).toMatch(/nothing of it was taken: \$\.runs\[0\].*; and \d+ more\.$/);
    expect(messageOf(await services.readPlanFile(context, { eventId: 'nobody', text }))).toBe('eventGone');
  });
});

import { describe, expect, it } from 'vitest';
import { searchPlan } from '../../src/core/planning';
import { planInputOf } from '../../src/formats/open';
import { planningPool } from '../../src/runtime/planningPool';
import { plan, search } from '../../src/workers/planning.worker';
import { randomOpenEvent } from '../fixtures/openEvents';
import { supperFile } from '../fixtures/supper';

describe('the pool that plans', () => {
  it('makes the plan that the page’s own worker makes, to the last field', async () => {
    const inputs = [supperFile(), randomOpenEvent(3), randomOpenEvent(7)].map(planInputOf);
    const made = await Promise.all(inputs.map((input) => planningPool.plan(input)));
    made.forEach((each, i) => expect(each).toEqual(plan({ input: inputs[i]! })));
  });

  it('leaves the caller’s thread free while it plans', async () => {
    const input = planInputOf(supperFile());
    let ticks = 0;
    const ticking = setInterval(() => ticks++, 1);
    await planningPool.search(input, 40);
    clearInterval(ticking);
    expect(ticks).toBeGreaterThan(0);
  });

  it('searches as the search itself does', async () => {
    const input = planInputOf(supperFile());
    const searching = searchPlan(input, { seed: 1, iterations: 10 });
    let step = searching.next();
    while (!step.done) step = searching.next();
    expect(await planningPool.search(input, 10)).toEqual(step.value.scheme);
    expect(search({ input, iterations: 10 })).toEqual(step.value.scheme);
  });

  it('passes a failure on to who asked, and goes on', async () => {
    await expect(planningPool.plan({} as never)).rejects.toThrow();
    expect((await planningPool.plan(planInputOf(supperFile()))).runs.length).toBeGreaterThan(0);
  });
});

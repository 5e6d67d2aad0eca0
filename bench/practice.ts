import { debrief, resumed, saveOf, scenarioIn } from '../src/core/practice';

const HOUR_MS = 3_600_000;

/** Days in practice: how much faster than life they can go, what a fork costs beside living on, and a whole debrief. */
export function benchPractice(): void {
  console.log('\npractice');
  for (const id of ['two-hours-of-ribs', 'the-long-stall']) {
    const scenario = scenarioIn(id)!;
    const startMs = scenario.serveAtMs - scenario.takeOverMin * 60_000;
    const began = performance.now();
    const day = resumed(scenario, { seed: 1, nowMs: startMs, deeds: [] });
    const beginMs = performance.now() - began;
    const lived = performance.now();
    const on = day.fork();
    on.advanceTo(startMs + 2 * HOUR_MS);
    const livedMs = performance.now() - lived;
    const forked = performance.now();
    for (let i = 0; i < 20; i++) day.fork();
    const forkMs = (performance.now() - forked) / 20;
    on.do({ kind: 'wrap', key: scenario.pieces[0]!.key, wrap: 'paper' });
    on.advanceTo(Infinity);
    const weighed = performance.now();
    const { decisions } = debrief(scenario, saveOf(on));
    const debriefMs = performance.now() - weighed;
    console.log(
      `${id.padEnd(20)} begun in ${beginMs.toFixed(0)} ms; ${((2 * HOUR_MS) / livedMs).toFixed(0)} times life; a fork is worth ${((forkMs * 2 * HOUR_MS) / livedMs / 1000).toFixed(0)} s of it; ${decisions.length} decisions weighed in ${(debriefMs / 1000).toFixed(1)} s`,
    );
  }
}

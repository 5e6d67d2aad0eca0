import { runCook, SHIPPED_PARAMETERS } from '../src/core/forecast';
import { LiveForecast } from '../src/core/live';
import type { ProbeFault } from '../src/core/world';
import type { WorldFault } from '../src/core/world';
import { cookInWorld, foreseenOf, WORLD_KINDS } from '../tests/fixtures/cooksInWorld';
import type { CookInLife } from '../tests/fixtures/cooksInLife';
import { smallSupper } from '../tests/fixtures/day';
import { keptDayOf, liveDay } from '../tests/fixtures/livedDay';

const STAGES = ['2 h', 0.4, 0.55, 'wrap', 0.7, 0.85] as const;
const SEED = 5;

const minuteOf = (stage: (typeof STAGES)[number], life: CookInLife): number =>
  stage === '2 h' ? 120 : stage === 'wrap' ? (life.wrappedAtMin ?? NaN) + 10 : stage * life.doneAtMin;

/** The filter on cooks of the simulated world, whose physics is none of its own: error and share inside 10-90, by how far the cook is. */
export function benchWorldCooks(cooksEach: number): void {
  const kinds = Object.values(WORLD_KINDS);
  console.log(`\nRe-forecast of ${cooksEach * kinds.length} cooks of the simulated world: log error (over the plan's), share inside 10-90`);
  for (const [name, everyMin, two] of [
    ['every 5 min', 5, false],
    ['every 15 min', 15, false],
    ['every 60 min', 60, false],
    ['two by hand', 5, true],
  ] as const) {
    let plan = 0;
    let cooks = 0;
    const met = STAGES.map(() => ({ squares: 0, plan: 0, inside: 0, count: 0 }));
    let ms = 0;
    let updates = 0;
    for (const kind of kinds) {
      const foreseen = foreseenOf(kind);
      const plannedMin = runCook(foreseen, SHIPPED_PARAMETERS).doneAtMin;
      for (let seed = 0; seed < cooksEach; seed++) {
        const life = cookInWorld(kind, seed, everyMin);
        const off = Math.log(plannedMin / life.doneAtMin) ** 2;
        plan += off;
        cooks++;
        const byHand = [0.25, 0.5].map((share) => share * life.doneAtMin);
        const core = two
          ? byHand.map((minute) =>
              life.core.reduce((best, each) => (Math.abs(each.atMin - minute) < Math.abs(best.atMin - minute) ? each : best)),
            )
          : life.core;
        const live = new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: SEED });
        STAGES.forEach((stage, i) => {
          const nowMin = minuteOf(stage, life);
          if (!(nowMin < 0.95 * life.doneAtMin)) return;
          const until = <T extends { atMin: number }>(list: T[]) => list.filter((each) => each.atMin <= nowMin);
          const begun = performance.now();
          const { done } = live.at({
            nowMin,
            core: until(core),
            pit: two ? [] : until(life.pit),
            deeds: life.wrappedAtMin !== undefined && life.wrappedAtMin <= nowMin ? [{ kind: 'wrapped', atMin: life.wrappedAtMin }] : [],
          });
          ms += performance.now() - begun;
          updates++;
          const own = met[i]!;
          own.count++;
          own.plan += off;
          own.squares += Math.log(done.p50 / life.doneAtMin) ** 2;
          if (life.doneAtMin >= done.p10 && life.doneAtMin <= done.p90) own.inside++;
        });
      }
    }
    const told = STAGES.map((stage, i) => {
      const { squares, plan: planned, inside, count } = met[i]!;
      return `${stage}: ${Math.sqrt(squares / count).toFixed(3)} (x${Math.sqrt(squares / planned).toFixed(2)}) ${(inside / count).toFixed(2)}`;
    });
    console.log(
      name.padEnd(14),
      `plan ${Math.sqrt(plan / cooks).toFixed(3)}`,
      told.join('   '),
      `${(ms / updates).toFixed(0)} ms an update`,
    );
  }
  console.log('Probes that fail from 90 min on, noticed (or left out) within two hours, and good ones suspected');
  for (const fault of [undefined, 'slipsOut', 'inFat', 'touchesRack'] satisfies (ProbeFault | undefined)[]) {
    let noticed = 0;
    let cooks = 0;
    for (const kind of kinds.slice(0, 5))
      for (let seed = 0; seed < Math.min(5, cooksEach); seed++) {
        const life = cookInWorld(kind, seed, 5, fault);
        const nowMin = Math.min(210, 0.9 * life.doneAtMin);
        const { probe, ignored } = new LiveForecast(foreseenOf(kind), SHIPPED_PARAMETERS, { seed: SEED }).at({
          nowMin,
          core: life.core.filter((each) => each.atMin <= nowMin),
          pit: life.pit.filter((each) => each.atMin <= nowMin),
        });
        cooks++;
        if (probe.state !== 'good' || ignored.length >= 3) noticed++;
      }
    console.log((fault ?? 'good').padEnd(14), `${noticed} of ${cooks}`);
  }
}

/** What a reading costs on a day: twelve pieces forecast every three minutes, beside asking each of them once and anew. */
export function benchUpdates(): void {
  const kinds = Object.values(WORLD_KINDS).slice(0, 6);
  const cooks = Array.from({ length: 12 }, (_, i) => {
    const kind = kinds[i % kinds.length]!;
    return { life: cookInWorld(kind, i, 1), foreseen: foreseenOf(kind) };
  });
  const made = () => cooks.map(({ foreseen }, i) => new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: SEED + i }));
  const ask = (forecasts: readonly LiveForecast[], nowMin: number) =>
    cooks.forEach(({ life }, i) => {
      const until = <T extends { atMin: number }>(list: T[]) => list.filter((each) => each.atMin <= nowMin);
      forecasts[i]!.at({ nowMin, core: until(life.core), pit: until(life.pit) });
    });
  const timed = (work: () => void) => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  };
  const kept = made();
  ask(kept, 120);
  const updates = Array.from({ length: 20 }, (_, i) => timed(() => ask(kept, 123 + 3 * i))).sort((a, b) => a - b);
  const anew = timed(() => ask(made(), 183));
  const middle = updates[10]!;
  console.log(
    `\nTwelve pieces forecast anew, read every minute: ${middle.toFixed(0)} ms in the middle, ${updates[18]!.toFixed(0)} ms at most but one; asked once and anew ${(anew / middle).toFixed(1)} times as long`,
  );
}

const MIN = 60_000;
const PROMPTS = new Set(['coreWrap', 'coreCheck', 'corePull', 'hotHoldCheck', 'holdFloor']);

/** Whole days lived: false alarms on quiet ones, faults missed on others. */
export function benchAlarms(days: number): void {
  const kept = keptDayOf(smallSupper());
  const run = kept.plan.runs.find((each) => each.batchId.startsWith('butt'))!;
  const at = (minutes: number) => run.onAtMs + minutes * MIN;
  let falseOnes = 0;
  let worst = 0;
  let hours = 0;
  for (let seed = 1; seed <= days; seed++) {
    const lived = liveDay(kept, { seed });
    const own = lived.raised.filter(({ alarm }) => !PROMPTS.has(alarm.code));
    falseOnes += own.length;
    worst = Math.max(worst, own.length);
    hours += 13;
  }
  console.log(
    `\nAlarms on ${days} quiet days (${hours} h): ${falseOnes} beside what the meat asks for, at most ${worst} in one; ${((12 * falseOnes) / hours).toFixed(2)} in 12 h`,
  );
  const kinds: [string, WorldFault, string[]][] = [
    ['probe slips out', { kind: 'probe', channel: 'c0', fault: 'slipsOut', fromMs: at(70), toMs: at(120) }, ['probeLies']],
    ['fat burns', { kind: 'flare', pitId: 'offset', fromMs: at(140), toMs: at(160) }, ['pitFast', 'pitHigh']],
    ['fire fails', { kind: 'fireFails', pitId: 'offset', fromMs: at(120), toMs: at(165) }, ['pitFalling', 'pitLow']],
    ['channel silent', { kind: 'probe', channel: 'c0', fault: 'dropsOut', fromMs: at(90), toMs: at(140) }, ['probeLost']],
    ['lid left open', { kind: 'lidOpen', pitId: 'offset', fromMs: at(100), toMs: at(140) }, ['pitFalling', 'pitLow']],
  ];
  const missed: string[] = [];
  for (let i = 0; i < days; i++) {
    const [name, fault, codes] = kinds[i % kinds.length]!;
    const lived = liveDay(kept, { seed: 100 + i, faults: [fault], untilMs: at(240) });
    if (!lived.raised.some(({ alarm, atMs }) => codes.includes(alarm.code) && atMs >= fault.fromMs && atMs <= fault.toMs + 30 * MIN))
      missed.push(`${name} (seed ${100 + i})`);
  }
  console.log(`${days} days with a fault: ${missed.length} missed${missed.length > 0 ? `: ${missed.join(', ')}` : ''}`);
}

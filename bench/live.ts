import { runCook, SHIPPED_PARAMETERS } from '../src/core/forecast';
import { LiveForecast } from '../src/core/live';
import { cookInLife, FORESEEN, type CookInLife, type ProbeTrouble } from '../tests/fixtures/cooksInLife';

const SHARES = [0.25, 0.4, 0.55, 0.7, 0.85] as const;
const COOKS_EACH = 25;
const SEED = 5;

/** What is known when so much of a cook is over. */
const knownAt = ({ core, pit, wrappedAtMin, doneAtMin }: CookInLife, share: number) => {
  const nowMin = share * doneAtMin;
  const known = <T extends { atMin: number }>(readings: T[]) => readings.filter((each) => each.atMin <= nowMin);
  return {
    nowMin,
    core: known(core),
    pit: known(pit),
    deeds: wrappedAtMin !== undefined && wrappedAtMin <= nowMin ? [{ kind: 'wrapped' as const, atMin: wrappedAtMin }] : [],
  };
};

/**
 * The filter against cooks that are none of its own: error against the plan's and share inside 10-90, by share of the
 * cook that is over and by how often it is read; and how often each way a probe can be wrong is noticed.
 */
export function benchLive(): void {
  console.log(
    `\nRe-forecast of ${COOKS_EACH * Object.keys(FORESEEN).length} cooks in life: error over the plan's error, share inside 10-90`,
  );
  for (const everyMin of [10, 60]) {
    let plan = 0;
    let cooks = 0;
    let ms = 0;
    const met = SHARES.map(() => ({ squares: 0, inside: 0 }));
    for (const make of Object.values(FORESEEN)) {
      const foreseen = make();
      const plannedMin = runCook(foreseen, SHIPPED_PARAMETERS).doneAtMin;
      for (let seed = 0; seed < COOKS_EACH; seed++) {
        const life = cookInLife(foreseen, seed, everyMin);
        plan += Math.log(plannedMin / life.doneAtMin) ** 2;
        cooks++;
        const live = new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: SEED });
        SHARES.forEach((share, i) => {
          const begun = performance.now();
          const { done } = live.at(knownAt(life, share));
          ms += performance.now() - begun;
          met[i]!.squares += Math.log(done.p50 / life.doneAtMin) ** 2;
          if (life.doneAtMin >= done.p10 && life.doneAtMin <= done.p90) met[i]!.inside++;
        });
      }
    }
    const told = SHARES.map(
      (share, i) => `${share}: x${Math.sqrt(met[i]!.squares / plan).toFixed(2)}, ${(met[i]!.inside / cooks).toFixed(2)}`,
    );
    console.log(
      `read every ${everyMin} min`.padEnd(24),
      `plan off by ${Math.sqrt(plan / cooks).toFixed(3)}`,
      told.join('   '),
      `${(ms / cooks / SHARES.length).toFixed(0)} ms an update`,
    );
  }
  console.log('Probes that are wrong, noticed when so much of the cook is over (and good ones suspected)');
  for (const trouble of ['none', 'hot', 'cold', 'fat'] satisfies ProbeTrouble[]) {
    const noticed = SHARES.map(() => 0);
    let cooks = 0;
    for (const make of Object.values(FORESEEN)) {
      const foreseen = make();
      for (let seed = 0; seed < COOKS_EACH; seed++) {
        const life = cookInLife(foreseen, 500 + seed, 10, trouble);
        const live = new LiveForecast(foreseen, SHIPPED_PARAMETERS, { seed: SEED });
        cooks++;
        SHARES.forEach((share, i) => {
          if (live.at(knownAt(life, share)).probe.state !== 'good') noticed[i]!++;
        });
      }
    }
    console.log(
      { none: 'good', hot: '6 C too hot', cold: '6 C too cold', fat: 'in fat' }[trouble].padEnd(24),
      SHARES.map((share, i) => `${share}: ${(noticed[i]! / cooks).toFixed(2)}`).join('   '),
    );
  }
}

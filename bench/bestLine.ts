import { runCook, SHIPPED_PARAMETERS } from '../src/core/forecast';
import { choleskyFactor, choleskySolve } from '../src/core/numerics/cholesky';
import type { CookInLife } from '../tests/fixtures/cooksInLife';
import { cookInWorld, foreseenOf, WORLD_KINDS } from '../tests/fixtures/cooksInWorld';

const FOLDS = 8;

/** What was read until a minute, as figures: the core now and at quarters of the time, the pit, and when it is. */
function figuresAt(nowMin: number, { core, pit }: CookInLife): number[] {
  const coreAt = (minute: number) =>
    core.reduce((best, each) => (Math.abs(each.atMin - minute) < Math.abs(best.atMin - minute) ? each : best)).coreC;
  const pits = pit.filter((each) => each.atMin <= nowMin).map((each) => each.pitC);
  return [
    1,
    ...[1, 0.75, 0.5, 0.25].map((share) => coreAt(share * nowMin)),
    pits.reduce((sum, each) => sum + each, 0) / pits.length,
    Math.log(nowMin),
  ];
}

/** Squared errors of lines fitted on the other cooks, one fold after another. */
function leftOutSquares(rows: readonly { x: number[]; y: number }[]): number {
  let squares = 0;
  for (let fold = 0; fold < FOLDS; fold++) {
    const known = rows.filter((_, i) => i % FOLDS !== fold);
    const size = known[0]!.x.length;
    const normal = choleskyFactor((i, j) => known.reduce((sum, { x }) => sum + x[i]! * x[j]!, i === j ? 1e-6 : 0), size);
    const line = choleskySolve(
      normal,
      Array.from({ length: size }, (_, i) => known.reduce((sum, { x, y }) => sum + x[i]! * y, 0)),
    );
    rows.forEach(({ x, y }, i) => {
      if (i % FOLDS === fold) squares += (x.reduce((sum, value, j) => sum + value * line[j]!, 0) - y) ** 2;
    });
  }
  return squares;
}

/** How much the readings tell at all: straight lines fitted on cooks of the very same world and kind, which no forecast knows. */
export function benchBestLine(cooksEach: number): void {
  for (const stage of ['2 h', 'wrap'] as const) {
    let plan = 0;
    let best = 0;
    for (const kind of Object.values(WORLD_KINDS)) {
      const plannedLog = Math.log(runCook(foreseenOf(kind), SHIPPED_PARAMETERS).doneAtMin);
      const rows = Array.from({ length: cooksEach }, (_, i) => cookInWorld(kind, 1000 + i, 5)).flatMap((life) => {
        const nowMin = stage === '2 h' ? 120 : (life.wrappedAtMin ?? NaN) + 10;
        return nowMin < 0.95 * life.doneAtMin ? [{ x: figuresAt(nowMin, life), y: Math.log(life.doneAtMin) }] : [];
      });
      if (rows.length < cooksEach / 2) continue;
      plan += rows.reduce((sum, { y }) => sum + (plannedLog - y) ** 2, 0);
      best += leftOutSquares(rows);
    }
    console.log(`best lines through such cooks’ own readings, ${stage}: x${Math.sqrt(best / plan).toFixed(2)} of the plan's error`);
  }
}

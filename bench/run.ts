import { cookSetup, forecastCook, runCook, SHIPPED_PARAMETERS, steadyPit } from '../src/core/forecast';
import { CUTS, findCut, METHODS, methodsFor, SHIPPED_LIBRARY, typicalTrimmedKg } from '../src/core/model';
import { buildPlan } from '../src/core/planning';
import { newForecastCache } from '../src/core/schedule';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN } from '../tests/fixtures/events';
import { arrange } from '../src/core/packing';
import { benchAlarms, benchUpdates, benchWorldCooks } from './day';
import { benchBestLine } from './bestLine';
import { benchExact } from './exact';
import { benchLive } from './live';
import { benchPages } from './pages';
import { benchDrag, benchOdds, benchPlanner, benchSearch } from './planner';
import { benchPacking } from './packing';
import { benchPractice } from './practice';
import { plainBareCook } from './plainCook';

/** `npm run bench`: how long the heart's work takes here, beside the plainest way of doing the same in the same run. */
function milliseconds(work: () => void, times: number): number {
  for (let i = 0; i < Math.max(1, Math.floor(times / 4)); i++) work();
  const started = performance.now();
  for (let i = 0; i < times; i++) work();
  return (performance.now() - started) / times;
}

function say(what: string, ours: number, plain?: number, note = ''): void {
  const beside = plain === undefined ? '' : `   plainest ${plain.toFixed(2)} ms   ratio ${(plain / ours).toFixed(1)}`;
  console.log(`${what.padEnd(44)} ${ours.toFixed(2).padStart(9)} ms${beside}${note ? `   ${note}` : ''}`);
}

const HOURS = 14;
const cut = findCut('brisket-whole')!;
// A target it never reaches keeps the cook going for exactly as long as is asked.
const setup = cookSetup(cut, { massKg: 5.9, startC: 4 }, { wrap: 'none', wrapWhen: {} }, SHIPPED_PARAMETERS, {
  pit: steadyPit(121),
  done: { by: 'probe', coreC: 150 },
});
const ours = runCook(setup, SHIPPED_PARAMETERS, { longestMin: HOURS * 60 });
const plain = plainBareCook(setup, HOURS);
console.log(`After ${HOURS} h both stand at ${ours.doneCoreC.toFixed(2)} and ${plain.coreC.toFixed(2)} C.`);

const plainMs = milliseconds(() => plainBareCook(setup, HOURS), 12);
say(
  `${HOURS} h cook at 60 s steps`,
  milliseconds(() => runCook(setup, SHIPPED_PARAMETERS, { longestMin: HOURS * 60 }), 200),
  plainMs,
);

const real = cookSetup(cut, { massKg: 5.9, startC: 4 }, { wrap: 'paper', wrapWhen: { coreC: 74 } }, SHIPPED_PARAMETERS, {
  pit: steadyPit(121),
});
say(
  'forecast of one batch, 200 samples',
  milliseconds(() => forecastCook(real, SHIPPED_PARAMETERS, { seed: 1, samples: 200 }), 6),
  plainMs * 200,
);

const twelve = CUTS.filter((each) => each.id !== 'turkey-whole').slice(0, 12);
say(
  'forecasts of a 12-batch event, 200 samples each',
  milliseconds(() => {
    for (const each of twelve) {
      const method = methodsFor(SHIPPED_LIBRARY, each)[0] ?? METHODS[0]!;
      forecastCook(
        cookSetup(each, { massKg: typicalTrimmedKg(each), startC: 4 }, method, SHIPPED_PARAMETERS, { pit: steadyPit(method.pitC) }),
        SHIPPED_PARAMETERS,
        { seed: 1, samples: 200 },
      );
    }
  }, 1),
  plainMs * 200 * 12,
);

const event = eventOf([
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('pork-butt', 3, { methodId: 'low-paper' }),
  batchOf('spare-ribs-squared', 6),
  batchOf('chicken-half', 8),
  batchOf('pan-dish', 2),
]);
const input = inputOf(event, [OFFSET, OVEN], [BOX]);
const warm = newForecastCache();
buildPlan(input, warm);
say(
  'plan of 5 batches, forecasts ready',
  milliseconds(() => buildPlan(input, warm), 20),
);
say(
  'plan of 5 batches, from nothing',
  milliseconds(() => buildPlan(input), 3),
);

benchPacking(30);

const forty = Array.from({ length: 40 }, (_, i) => ({ id: `p${i}`, lengthMm: 180 + ((i * 37) % 160), widthMm: 120 + ((i * 23) % 90) }));
say(
  '40 pieces on 6 racks of 900 x 500',
  milliseconds(() => {
    let left = forty;
    for (let rack = 0; rack < 6 && left.length > 0; rack++)
      left = arrange({ floor: { widthMm: 900, depthMm: 500 }, gapMm: 25, taken: [], blocked: [] }, left, { exactNodes: 0 })
        .left as typeof forty;
  }, 10),
);

console.log('\nPlans: the five figures are broken, risk, quality, people, cost');
benchPlanner([
  [5, 20, 1],
  [12, 40, 3],
  [12, 40, 3, 35],
  [60, 200, 8],
]);
benchDrag();
benchSearch(Number(process.env.BENCH_KITCHENS ?? 6));
benchOdds();
benchLive();
benchUpdates();
benchWorldCooks(25);
benchBestLine(40);
benchAlarms(20);
await benchExact(30);
benchPractice();
benchPages();

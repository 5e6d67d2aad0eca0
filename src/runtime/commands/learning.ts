import { predictLogged } from '../../core/forecast';
import { FIGURE, figureName, learnFigure, taughtBy, type FigureKey } from '../../core/learn';
import { cooksOfKitchen, measuredDays } from '../../devices/simulated/kitchen';

/**
 * `npm run --silent learning [-- owners]`: owners whose true kitchens are drawn and hidden; how well their next cooks are foretold after
 * none, a few and many of theirs; and how near their figures come to the truth after so many days. The tables of docs/learning.md.
 */
const OWNERS = Number(process.argv[2] ?? 200);
const COUNTS = [0, 1, 3, 10, 30, 100];
const TESTED = 12;
if (!Number.isInteger(OWNERS) || OWNERS < 1 || OWNERS > 5000) {
  console.error('Give a number of owners from 1 to 5000.');
  process.exit(2);
}

const owners = Array.from({ length: OWNERS }, (_, i) => cooksOfKitchen(20_000 + 7 * i, COUNTS.at(-1)! + TESTED));
console.log(`| cooks known | error of the next ones (log-RMSE) | inside 10-90 | width of 10-90 |`);
console.log('| --- | --- | --- | --- |');
for (const known of COUNTS) {
  let [inside, squares, width, all] = [0, 0, 0, 0];
  for (const cooks of owners) {
    const taught = taughtBy(cooks.slice(0, known));
    for (const cook of cooks.slice(-TESTED)) {
      const { hours } = predictLogged(cook, taught)!;
      if (cook.observedH! >= hours.p10 && cook.observedH! <= hours.p90) inside++;
      squares += Math.log(cook.observedH! / hours.p50) ** 2;
      width += hours.p90 / hours.p10;
      all++;
    }
  }
  console.log(
    `| ${known} | ${Math.sqrt(squares / all).toFixed(3)} | ${((100 * inside) / all).toFixed(0)} % | x${(width / all).toFixed(2)} |`,
  );
}

/** One of each kind, and what owners think of it before anything is measured. */
const FIGURES: readonly (readonly [FigureKey, inUse: number])[] = [
  ['gauge/pit/low', 0],
  ['zone/pit/rack/0', 8],
  ['warmUp/pit', 60],
  ['drop/pit', 18],
  ['recover/pit', 9],
  ['fuel/pit', 2.5],
  ['trim/cut', 0.2],
  ['yield/cut', 0.58],
  ['portion/supper', 1],
  ['hands/wrap', 1],
  ['boxLoss/box', 0.7],
];
const DAYS = [1, 3, 10] as const;
console.log(`\n| figure | ${DAYS.map((days) => `after ${days} ${days === 1 ? 'day' : 'days'}: error left, inside 10-90`).join(' | ')} |`);
console.log(`| --- | ${DAYS.map(() => '---').join(' | ')} |`);
for (const [figure, inUse] of FIGURES) {
  const { kind } = figureName(figure)!;
  const off = (value: number, truth: number) => (FIGURE[kind].scale === 'ratio' ? Math.log(value / truth) : value - truth) ** 2;
  const cells = DAYS.map((days) => {
    let [inside, left, before] = [0, 0, 0];
    for (let owner = 0; owner < OWNERS; owner++) {
      const { truth, values } = measuredDays(30_000 + owner, figure, inUse, days);
      const learned = learnFigure(
        figure,
        inUse,
        values.map((value) => ({ value })),
      );
      if (truth >= learned.low && truth <= learned.high) inside++;
      left += off(learned.value, truth);
      before += off(inUse, truth);
    }
    return `${Math.round(100 * Math.sqrt(left / before))} %, ${Math.round((100 * inside) / OWNERS)} %`;
  });
  console.log(`| ${kind} | ${cells.join(' | ')} |`);
}

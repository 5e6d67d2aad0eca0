import { predictLogged } from '../../core/forecast';
import { taughtBy } from '../../core/learn';
import { cooksOfKitchen } from '../../devices/simulated/kitchen';

/**
 * `npm run --silent learning [-- owners]`: owners whose true kitchens are drawn and hidden; how well their next cooks are foretold after
 * none, a few and many of theirs. The table of docs/learning.md.
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

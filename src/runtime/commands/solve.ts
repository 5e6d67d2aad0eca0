import { existsSync, readFileSync, statSync } from 'node:fs';
import { LIMITS } from '../../core/model';
import { parseArgs } from 'node:util';
import { solveEvent } from '../../services/solveEvent';
import { readEventFile, writeOpenPlan } from '../../formats/open';

/** `npm run --silent solve -- event.json [--seed N] [--iterations N] [--confidence Q]`: exit 0 feasible, 3 infeasible, 2 unreadable. */
function refuse(lines: string[]): never {
  for (const line of lines) console.error(line);
  process.exit(2);
}

let options: { values: { seed?: string; iterations?: string; confidence?: string }; positionals: string[] };
try {
  options = parseArgs({
    allowPositionals: true,
    options: { seed: { type: 'string' }, iterations: { type: 'string' }, confidence: { type: 'string' } },
  });
} catch (error) {
  refuse([(error as Error).message]);
}
const { values, positionals } = options;
const [source] = positionals;
if (positionals.length !== 1 || !source)
  refuse(['Name one event file: npm run --silent solve -- event.json [--seed N] [--iterations N] [--confidence Q]']);
if (!existsSync(source)) refuse([`${source} is not there.`]);
if (!statSync(source).isFile()) refuse([`${source} is a folder, not an event file.`]);
if (statSync(source).size > LIMITS.fileBytes) refuse([`${source} is larger than ${LIMITS.fileBytes / 1e6} MB: that is no event file.`]);

const whole = (name: 'seed' | 'iterations', text: string | undefined): number | undefined => {
  if (text === undefined) return undefined;
  if (!/^\d{1,9}$/.test(text)) refuse([`--${name} ${text}: is not a whole number from 0 up.`]);
  return Number(text);
};
const seed = whole('seed', values.seed);
const iterations = whole('iterations', values.iterations);
const confidence = values.confidence === undefined ? undefined : Number(values.confidence);
if (confidence !== undefined && !(confidence >= 0.5 && confidence <= 0.999))
  refuse([`--confidence ${values.confidence}: is not between 0.5 and 0.999.`]);

let text = '';
try {
  text = readFileSync(source, 'utf8');
} catch (error) {
  refuse([`${source} cannot be read: ${(error as Error).message}`]);
}
const reading = readEventFile(text, Date.now());
if (!reading.ok) refuse(reading.problems.map(({ path, reason }) => `${path} ${reason}`));

const plan = solveEvent(reading.value, { seed, iterations, confidence, writtenIn: reading.writtenIn }, (line) => console.error(line));
process.stdout.write(writeOpenPlan(plan, reading.value.timeZone), () => process.exit(plan.status === 'feasible' ? 0 : 3));

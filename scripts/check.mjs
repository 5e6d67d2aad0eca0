import { bin, ensureInstalled, requireNode, run, stop } from './prepare.mjs';

/** The quick look for the inner loop: types, lint, boundaries and the unit tests. */
const steps = [
  ['types', bin('tsc'), ['--noEmit']],
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['boundaries', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs']],
  ['unit and property tests', bin('vitest'), ['run', '--reporter=dot']],
];

requireNode();
ensureInstalled();
for (const [name, command, args] of steps) {
  console.log(`\n— ${name}`);
  if (run(command, args) !== 0) stop(`Stopped at: ${name}.`);
}

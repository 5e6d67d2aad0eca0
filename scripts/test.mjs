import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { bin, ensureBuilt, ensureInstalled, requireNode, ROOT, run, stop } from './prepare.mjs';

/** Everything, from a fresh machine: installs what it needs and runs every check there is. */
const PORT = process.env.E2E_PORT ?? '3210';

requireNode();
ensureInstalled();
const chromium = ensureChromium();

await sideBySide([
  ['formatting', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['types', bin('tsc'), ['--noEmit']],
  ['boundaries', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs']],
  ['dead code', bin('knip'), []],
]);
step('unit and property tests', bin('vitest'), ['run']);
ensureBuilt();
await endToEnd();
step('hostile cases', bin('tsx'), ['tests/hostile/run.ts', '400']);
step('ordeals', bin('tsx'), ['tests/torture/run.ts', 'short']);
console.log('\nEverything passed.');

function step(name, command, args, env) {
  console.log(`\n— ${name}`);
  if (run(command, args, env) !== 0) stop(`\nFailed at: ${name}.`);
}

/** Checks that only read, all at once; what each has to say comes together, and all of it even when one fails. */
async function sideBySide(checks) {
  const results = checks.map(
    ([name, command, args]) =>
      new Promise((resolve) => {
        let said = '';
        const check = spawn(command, args, { cwd: ROOT, env: process.env });
        for (const stream of [check.stdout, check.stderr]) stream.on('data', (text) => (said += text));
        check.on('error', (error) => resolve({ name, said: String(error), status: 1 }));
        check.on('close', (status) => resolve({ name, said, status }));
      }),
  );
  const failed = [];
  for (const result of results) {
    const { name, said, status } = await result;
    console.log(`\n— ${name}${said.trim() ? `\n${said.trim()}` : ''}`);
    if (status !== 0) failed.push(name);
  }
  if (failed.length > 0) stop(`\nFailed at: ${failed.join(', ')}.`);
}

/** The Chromium on the PATH, or Debian's, installed when this may be done. */
function ensureChromium() {
  const found = () => spawnSync('sh', ['-c', 'command -v chromium || command -v chromium-browser'], { encoding: 'utf8' }).stdout.trim();
  if (process.env.CHROMIUM) return process.env.CHROMIUM;
  if (found()) return found();
  console.log('Installing Chromium from Debian’s packages…');
  const sudo = process.getuid?.() === 0 ? '' : 'sudo ';
  run('sh', ['-c', `${sudo}apt-get update -qq && ${sudo}env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null`]);
  return (
    found() || stop('The browser tests need Chromium. Install the package "chromium", or set CHROMIUM to its path, and run npm test again.')
  );
}

/** Serves the demo from a database of its own, drives it in a browser, and stops it whatever happens. */
async function endToEnd() {
  console.log('\n— browser tests');
  const folder = mkdtempSync(path.join(tmpdir(), 'anachron-e2e-'));
  const env = {
    ...process.env,
    PORT,
    E2E_PORT: PORT,
    CHROMIUM: chromium,
    ANACHRON_DB: path.join(folder, 'demo.sqlite'),
    ANACHRON_YARD: '127.0.0.2',
  };
  const server = spawn(process.execPath, [path.join(ROOT, 'scripts', 'serve.mjs'), '--demo'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let status = 1;
  try {
    await new Promise((resolve, reject) => {
      server.stdout.on('data', (text) => String(text).includes('Anachron is at') && resolve());
      server.on('exit', () => reject(new Error('the server stopped before it was ready')));
    });
    status = await new Promise((resolve) =>
      spawn(bin('playwright'), ['test'], { cwd: ROOT, env, stdio: 'inherit' }).on('exit', (code) => resolve(code ?? 1)),
    );
  } catch (error) {
    console.error(String(error));
  } finally {
    const gone = new Promise((resolve) => server.on('exit', resolve));
    server.kill('SIGTERM');
    if (server.exitCode === null) await gone;
    rmSync(folder, { recursive: true, force: true });
  }
  if (status !== 0) stop('\nFailed at: browser tests.');
}

import { spawn } from 'node:child_process';
import net from 'node:net';
import path from 'node:path';
import { bin, ensureBuilt, ensureInstalled, forgetBuild, requireNode, ROOT, run, stop } from './prepare.mjs';

/** `npm start` serves the owner's own data; `npm run demo` a database filled with the demo. */
const demo = process.argv.includes('--demo');
const port = Number(process.env.PORT ?? 3000);
const database = path.resolve(ROOT, process.env.ANACHRON_DB ?? (demo ? 'data/local/demo.sqlite' : 'data/local/anachron.sqlite'));
const env = { ANACHRON_DB: database, NEXT_TELEMETRY_DISABLED: '1', PORT: String(port) };

const NO_DATABASE = 3;

requireNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) stop(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
await requireFreePort();
ensureInstalled();
ensureBuilt();
const seeded = demo ? run(bin('tsx'), ['demo/seed.ts'], env) : 0;
if (seeded === NO_DATABASE) process.exit(1);
if (seeded !== 0) stop(`The demo could not be filled in. The database is ${database}; see the lines above.`);

const STOP_WITHIN_MS = 4000;
let server = serve();
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stopServer);
process.on('exit', () => server.kill('SIGKILL'));

/** Serves the build; the address is printed once the database is open, and a damaged build is made anew once. */
function serve(mended = false) {
  const next = spawn(
    process.execPath,
    [path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'], env: { ...process.env, ...env } },
  );
  let announced = false;
  next.stdout.on('data', async (text) => {
    if (announced || !/ready/i.test(String(text))) return;
    announced = true;
    if (await isReady()) console.log(`Anachron is at http://127.0.0.1:${port}\nThe data is in ${database}. Ctrl-C stops it.`);
  });
  next.on('exit', (code, signal) => {
    if (stopping || signal) process.exit(stopping || signal ? 0 : 1);
    if (announced || code === NO_DATABASE || mended) process.exit(code ?? 1);
    console.log('The build is damaged: it is made anew. The database was not touched.');
    forgetBuild();
    ensureBuilt();
    server = serve(true);
  });
  return next;
}

/** Whether the program answers with its database open; false when it stops first. */
async function isReady() {
  for (let tries = 0; tries < 300 && server.exitCode === null; tries++) {
    const answer = await fetch(`http://127.0.0.1:${port}/ready`).catch(() => undefined);
    if (answer?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  return false;
}

/** Lets what is under way come to its end, for a few seconds. */
function stopServer() {
  stopping = true;
  server.kill('SIGTERM');
  setTimeout(() => process.exit(0), STOP_WITHIN_MS).unref();
}

function requireFreePort() {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', (error) =>
      stop(
        error.code === 'EADDRINUSE'
          ? `Port ${port} is in use by another program. Stop that, or choose another: PORT=${port + 1} npm run ${demo ? 'demo' : 'start'}`
          : `Port ${port} cannot be used: ${error.message}`,
      ),
    );
    probe.listen(port, '127.0.0.1', () => probe.close(resolve));
  });
}

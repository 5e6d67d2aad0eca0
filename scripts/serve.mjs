import { spawn } from 'node:child_process';
import net from 'node:net';
import path from 'node:path';
import { bin, ensureBuilt, ensureInstalled, requireNode, ROOT, run, stop } from './prepare.mjs';

/** `npm start` serves the owner's own data; `npm run demo` a database filled with the demo. */
const demo = process.argv.includes('--demo');
const port = Number(process.env.PORT ?? 3000);
const database = path.resolve(ROOT, process.env.ANACHRON_DB ?? (demo ? 'data/local/demo.sqlite' : 'data/local/anachron.sqlite'));
const env = { ANACHRON_DB: database, NEXT_TELEMETRY_DISABLED: '1', PORT: String(port) };

requireNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) stop(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
await requireFreePort();
ensureInstalled();
ensureBuilt();
if (demo && run(bin('tsx'), ['demo/seed.ts'], env) !== 0)
  stop(`The demo could not be filled in. The database is ${database}; see the lines above.`);

const server = spawn(
  process.execPath,
  [path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
  {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, ...env },
  },
);
let announced = false;
server.stdout.on('data', (text) => {
  if (announced || !/ready/i.test(String(text))) return;
  announced = true;
  console.log(`Anachron is at http://127.0.0.1:${port}\nThe data is in ${database}. Ctrl-C stops it.`);
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill('SIGTERM'));
process.on('exit', () => server.kill('SIGKILL'));
server.on('exit', (code, signal) => process.exit(signal ? 0 : (code ?? 1)));

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

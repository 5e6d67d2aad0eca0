import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** What every command needs first. Only Node's own modules: nothing may be installed yet. */
export const ROOT = path.resolve(import.meta.dirname, '..');
const NEEDED_MAJOR = 20;

export function stop(message) {
  console.error(message);
  process.exit(1);
}

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < NEEDED_MAJOR || (major === NEEDED_MAJOR && minor < 9)) {
    stop(`Anachron needs Node 20.9 or newer; this is ${process.versions.node}. Install a newer Node and try again.`);
  }
}

export function run(command, args, env = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  return status ?? 1;
}

/** The program of a package that is installed here, run by this very Node. */
export const bin = (name) => path.join(ROOT, 'node_modules', '.bin', name);

const stampFile = path.join(ROOT, 'node_modules', '.installed-from');

/** Installs exactly what the lock file names, unless that is already there. */
export function ensureInstalled() {
  const wanted = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return;
  console.log('Installing packages (the first time takes a few minutes: the database driver is compiled)…');
  if (run('npm', ['ci', '--no-audit', '--no-fund'], { JOBS: 'max' }) !== 0)
    stop('Installing failed. Nothing else was changed; see the lines above, then try again.');
  writeFileSync(stampFile, wanted);
}

function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const full = path.join(folder, entry.name);
    return entry.isDirectory() ? filesBelow(full) : [full];
  });
}

/** Lets a build go that turned out damaged. */
export function forgetBuild() {
  rmSync(path.join(ROOT, '.next'), { recursive: true, force: true });
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files.sort()) hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** What a build is made of: all that pages are served from. */
const builtFiles = () =>
  ['server', 'static']
    .map((name) => path.join(ROOT, '.next', name))
    .filter((folder) => existsSync(folder))
    .flatMap(filesBelow);

/** Builds when the sources are not those of the last build, or the build is not whole. */
export function ensureBuilt() {
  const sources = [
    ...filesBelow(path.join(ROOT, 'src')),
    ...['scripts/worker.mjs', 'next.config.ts', 'postcss.config.mjs', 'package-lock.json', 'tsconfig.json'].map((name) =>
      path.join(ROOT, name),
    ),
  ].filter((file) => statSync(file).isFile());
  const wanted = hashOf(sources);
  const built = path.join(ROOT, '.next', 'built-from');
  const [from, made] = existsSync(built) ? readFileSync(built, 'utf8').split('\n') : [];
  const sound = made !== undefined && made === hashOf(builtFiles()) && existsSync(path.join(ROOT, 'public', 'sw.js'));
  if (from === wanted && sound) return;
  console.log(from === wanted ? 'The build is damaged: it is made anew. The database was not touched.' : 'Building…');
  if (
    run(process.execPath, [path.join(ROOT, 'scripts', 'worker.mjs')]) !== 0 ||
    run(bin('next'), ['build'], { NEXT_TELEMETRY_DISABLED: '1' }) !== 0
  )
    stop('The build failed; see the lines above. The database was not touched.');
  mkdirSync(path.dirname(built), { recursive: true });
  writeFileSync(built, `${wanted}\n${hashOf(builtFiles())}`);
}

import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import vm from 'node:vm';
import { gzipSync } from 'node:zlib';

interface ClientManifest {
  entryJSFiles?: Record<string, string[]>;
}
const MANIFEST = '.next/build-manifest.json';

const gzipped = new Map<string, number>();
function kbOf(file: string): number {
  const known = gzipped.get(file) ?? gzipSync(readFileSync(path.join('.next', file))).length / 1024;
  gzipped.set(file, known);
  return known;
}
const weightOf = (files: Iterable<string>): number => [...new Set(files)].reduce((sum, file) => sum + kbOf(file), 0);
const rootFiles = (): string[] => (JSON.parse(readFileSync(MANIFEST, 'utf8')) as { rootMainFiles: string[] }).rootMainFiles;

/** JavaScript each page asks for before it can be used, kB gzipped, from the last build. */
export function pageWeights(): { page: string; kb: number }[] {
  const root = rootFiles();
  const manifests = readdirSync('.next/server/app', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('page_client-reference-manifest.js'))
    .map((file) => path.join('.next/server/app', file));
  return manifests.sort().flatMap((manifest) => {
    const sandbox = { globalThis: {} as { __RSC_MANIFEST?: Record<string, ClientManifest> } };
    vm.runInNewContext(readFileSync(manifest, 'utf8'), sandbox);
    return Object.entries(sandbox.globalThis.__RSC_MANIFEST ?? {}).map(([page, { entryJSFiles = {} }]) => ({
      page,
      kb: weightOf([...root, ...Object.values(entryJSFiles).flat()]),
    }));
  });
}

export function benchPages(): void {
  if (!existsSync(MANIFEST)) return console.log('No build here: pages are not weighed (npm run build).');
  console.log(`\nFirst-load JavaScript, gzip: ${weightOf(rootFiles()).toFixed(0)} kB shared by all`);
  for (const { page, kb } of pageWeights()) console.log(`${page.padEnd(44)} ${kb.toFixed(0).padStart(6)} kB`);
}

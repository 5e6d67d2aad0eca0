import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import vm from 'node:vm';
import { gzipSync } from 'node:zlib';

interface ClientManifest {
  entryJSFiles?: Record<string, string[]>;
}
const MOST_KB = 230;

const gzipped = new Map<string, number>();
function kb(file: string): number {
  const known = gzipped.get(file) ?? gzipSync(readFileSync(path.join('.next', file))).length / 1024;
  gzipped.set(file, known);
  return known;
}

/** JavaScript each page asks for before it can be used, gzipped, from the last build; what all pages share first. */
export function benchPages(): void {
  if (!existsSync('.next/build-manifest.json')) return console.log('No build here: pages are not weighed (npm run build).');
  const { rootMainFiles } = JSON.parse(readFileSync('.next/build-manifest.json', 'utf8')) as { rootMainFiles: string[] };
  const shared = rootMainFiles.reduce((sum, file) => sum + kb(file), 0);
  console.log(`\nFirst-load JavaScript, gzip (most ${MOST_KB} kB): ${shared.toFixed(0)} kB shared by all`);
  const manifests = readdirSync('.next/server/app', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('page_client-reference-manifest.js'))
    .map((file) => path.join('.next/server/app', file));
  for (const manifest of manifests.sort()) {
    const sandbox = { globalThis: {} as { __RSC_MANIFEST?: Record<string, ClientManifest> } };
    vm.runInNewContext(readFileSync(manifest, 'utf8'), sandbox);
    for (const [page, { entryJSFiles = {} }] of Object.entries(sandbox.globalThis.__RSC_MANIFEST ?? {})) {
      const files = new Set([...rootMainFiles, ...Object.values(entryJSFiles).flat()]);
      const total = [...files].reduce((sum, file) => sum + kb(file), 0);
      console.log(`${page.padEnd(44)} ${total.toFixed(0).padStart(6)} kB${total > MOST_KB ? '   over' : ''}`);
    }
  }
}

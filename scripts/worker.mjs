import { build } from 'esbuild';
import path from 'node:path';

/** The phones' service worker, as one file beside the pages. */
const ROOT = path.resolve(import.meta.dirname, '..');
await build({
  entryPoints: [path.join(ROOT, 'src/offline/sw.ts')],
  outfile: path.join(ROOT, 'public/sw.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  logLevel: 'warning',
  define: { 'process.env.NODE_ENV': '"production"' },
});

import { readFile } from 'node:fs/promises';
import { dirname, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { injectManifest } from 'workbox-build';

// Part of the build: what bin/start runs beside the built application, in one file, so that it starts at once.
const root = dirname(dirname(fileURLToPath(import.meta.url)));
const outdir = resolve(root, 'dist/serve');

/** Files that read others beside them go on finding them: their own address is told from where the bundle lies. */
const ownAddress = {
  name: 'own-address',
  setup({ onLoad }) {
    onLoad({ filter: /\.ts$/ }, async ({ path }) => {
      const text = await readFile(path, 'utf8');
      if (!text.includes('import.meta.url')) return null;
      const from = JSON.stringify(relative(outdir, path));
      return { contents: text.replaceAll('import.meta.url', `new URL(${from}, import.meta.url).href`), loader: 'ts' };
    });
  },
};

await build({
  entryPoints: [resolve(root, 'bin/serve.ts')],
  outdir,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  outExtension: { '.js': '.mjs' },
  sourcemap: 'linked',
  logLevel: 'warning',
  plugins: [ownAddress],
});

// The service worker, with the list of what the application is made of. What is large and wanted at a desk alone is left out.
const client = resolve(root, 'dist/client');
const worker = resolve(root, 'dist/serve/sw.js');
await build({
  entryPoints: [resolve(root, 'src/device/serviceWorker.ts')],
  outfile: worker,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
});
const { warnings } = await injectManifest({
  swSrc: worker,
  swDest: resolve(client, 'sw.js'),
  globDirectory: client,
  globPatterns: ['**/*.{js,css,woff2,svg,png,webmanifest}'],
  globIgnores: ['sw.js'],
  dontCacheBustURLsMatching: /^_astro\//,
  maximumFileSizeToCacheInBytes: 600_000,
});
for (const warning of warnings) console.warn(warning);

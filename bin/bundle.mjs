import { readFile } from 'node:fs/promises';
import { dirname, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

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

import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { buildSync } from 'esbuild';

const root = new URL('../..', import.meta.url).pathname;

/** The calculator on the command line (bin/calc.ts), built once into a directory of its own. */
export interface Calculator {
  readonly dir: string;
  run(...args: readonly string[]): { readonly stdout: string; readonly stderr: string; readonly status: number | null };
  /** Takes the directory away. */
  end(): void;
}

export function builtCalculator(): Calculator {
  const dir = mkdtempSync(join(tmpdir(), 'crook-calc.'));
  // Beside its own dependencies and its data, as it lies in the project.
  symlinkSync(resolve(root, 'node_modules'), join(dir, 'node_modules'));
  const file = join(dir, 'calc.mjs');
  buildSync({
    entryPoints: [resolve(root, 'bin/calc.ts')],
    outfile: file,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    define: { 'import.meta.url': JSON.stringify(new URL('bin/calc.ts', `file://${root}`).href) },
    logLevel: 'error',
  });
  return {
    dir,
    run: (...args) => spawnSync('node', [file, ...args], { cwd: root, encoding: 'utf8' }),
    end: () => rmSync(dir, { recursive: true, force: true }),
  };
}

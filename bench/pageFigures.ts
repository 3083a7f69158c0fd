import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

export const root = new URL('..', import.meta.url).pathname;

/** Compressed bytes of the scripts a page loads at once: its modules and all they import, not what loads on demand. */
export function scriptBytes(html: string): number {
  const seen = new Set<string>();
  const queue = [...html.matchAll(/\/_astro\/[\w.-]+\.js/g)].map((m) => m[0].replace('/_astro/', ''));
  let bytes = [...html.matchAll(/<script>([\s\S]*?)<\/script>/g)].reduce((sum, m) => sum + gzipSync(m[1]!).length, 0);
  const folder = join(root, 'dist/client/_astro');
  const there = new Set(readdirSync(folder));
  for (let name = queue.shift(); name; name = queue.shift()) {
    if (seen.has(name) || !there.has(name)) continue;
    seen.add(name);
    const text = readFileSync(join(folder, name), 'utf8');
    bytes += gzipSync(text).length;
    for (const match of text.matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g)) queue.push(match[1]!);
  }
  return bytes;
}

/** The tests' PostgreSQL where there is one, else one made for this run. */
export function cluster(): { base: string; stop: () => void } {
  const given = process.env['CROOK_TEST_PG'];
  if (given) return { base: given, stop: () => undefined };
  const dir = mkdtempSync(join(tmpdir(), 'crook-bench.'));
  const shell = (what: string) => {
    const own = process.getuid?.() === 0 ? `chown postgres '${dir}';` : '';
    const script = `set -e; cd '${root}'; . bin/lib.sh; need_postgres; ${own} ${what}`;
    return execFileSync('bash', ['-c', script], { encoding: 'utf8' }).trim();
  };
  const base = shell(`make_cluster '${dir}'; start_cluster '${dir}'; echo "$PG_URL"`);
  return {
    base,
    stop: () => {
      shell(`stop_cluster '${dir}'`);
      rmSync(dir, { recursive: true, force: true });
    },
  };
}

// `npm run bench`: import, one large command, first paint and frame times; printed as a table.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
const { build: esbuild } = await import('esbuild');
const out = join(ROOT, '.cache', 'bench.mjs');
await esbuild({
  absWorkingDir: ROOT,
  entryPoints: ['scripts/benches.ts'],
  outfile: out,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
});
const { runBenches } = await import(out);
const folder = mkdtempSync(join(tmpdir(), 'nelvik-bench-'));
try {
  const rows = await runBenches(ROOT, folder);
  const width = Math.max(...rows.map((r) => r.what.length));
  for (const { what, figures } of rows) process.stdout.write(`${what.padEnd(width + 2)}${figures}\n`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

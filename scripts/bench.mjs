// `npm run bench`: import, one large command, first paint and frame times, and a studio after one and after ten years;
// printed as a table. `npm run bench -- felt`, `-- paint`, `-- layout` and `-- years` print what is felt of the interface, the
// painting of a large panel, the layouts, or the years, alone.
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
const { feltBench, layoutBench, paintBench, runBenches, yearsBench } = await import(out);
const PARTS = { felt: feltBench, layout: layoutBench, paint: paintBench, years: yearsBench };
const folder = mkdtempSync(join(tmpdir(), 'nelvik-bench-'));
try {
  const rows = await (PARTS[process.argv[2]] ?? runBenches)(ROOT, folder);
  const width = Math.max(...rows.map((r) => r.what.length));
  for (const { what, figures } of rows) process.stdout.write(`${what.padEnd(width + 2)}${figures}\n`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

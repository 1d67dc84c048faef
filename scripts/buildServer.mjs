// Bundles the server, its workers and its migrations into a folder: for the real build and for the tests that kill it.
import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

export async function buildServer(outdir, entryPoints) {
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: ROOT,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    entryPoints,
    logLevel: 'error',
    sourcemap: 'linked',
  });
  cpSync(join(ROOT, 'server/store/migrations'), join(outdir, 'migrations'), { recursive: true });
}

/** Vitest's set-up: the server that the crash tests start, from the sources as they are. */
export async function setup() {
  await buildServer(join(ROOT, '.cache/test-server'), {
    main: 'server/main.ts',
    drawingWorker: 'server/jobs/drawingWorker.ts',
    copyWorker: 'server/copies/copyWorker.ts',
    paperWorker: 'server/papers/paperWorker.ts',
    copies: 'server/copiesCommand.ts',
    cli: 'cli/main.ts',
  });
}

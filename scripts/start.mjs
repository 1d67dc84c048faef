// `npm start` and `npm run demo`: install, build, (fill the demo,) serve.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { build, install, ROOT } from './setUp.mjs';

const demo = process.argv.includes('--demo');
const fresh = process.argv.includes('--fresh');
const env = { ...process.env };
if (demo) env.NELVIK_DATA ??= join(homedir(), 'nelvik-demo');

await install();
await build();

if (demo) {
  const database = join(env.NELVIK_DATA, 'nelvik.sqlite');
  if (fresh || !existsSync(database)) {
    const { status } = spawnSync(
      process.execPath,
      [join(ROOT, 'dist/server/demo.mjs'), ...(fresh ? ['--fresh'] : [])],
      {
        env,
        stdio: ['ignore', 2, 2],
      },
    );
    if (status !== 0) process.exit(status ?? 1);
  }
}

const server = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'dist/server/main.mjs')], {
  env,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

// A server for the browser tests on a folder of its own, empty or filled with the demo, made new at each run.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyDemoTo } from './demoData.mjs';

const [, , kind, port] = process.argv;
const folder = join(tmpdir(), `nelvik-e2e-${kind}-${port}`);
rmSync(folder, { recursive: true, force: true });
const env = { ...process.env, NELVIK_DATA: folder, PORT: port, HOST: '127.0.0.1' };
if (kind === 'demo') copyDemoTo(folder);
const server = spawn(process.execPath, ['dist/server/main.mjs'], { env, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

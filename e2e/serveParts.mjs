// The page of all parts, built anew and served for the browser tests.
import { fileURLToPath } from 'node:url';
import { build, preview } from 'vite';

const port = Number(process.argv[2]);
const root = fileURLToPath(new URL('..', import.meta.url));
const mode = 'parts';
process.chdir(root);
await build({ mode, configFile: 'vite.config.ts', logLevel: 'error' });
await preview({ mode, configFile: 'vite.config.ts', preview: { port, strictPort: true, host: '127.0.0.1' } });

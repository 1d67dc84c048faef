// `npm run check`: replays the log and holds rows and ledger against it.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
await import(pathToFileURL(join(ROOT, 'dist/server/check.mjs')).href);

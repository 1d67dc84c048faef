// `npm run copies -- …`: saves, lists, exports and puts back copies of the studio.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
await import(pathToFileURL(join(ROOT, 'dist/server/copies.mjs')).href);

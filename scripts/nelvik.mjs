#!/usr/bin/env node
// The command line: makes sure that it is built, then runs it in this process.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
await import(pathToFileURL(join(ROOT, 'dist/server/cli.mjs')).href);

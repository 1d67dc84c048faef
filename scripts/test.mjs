// `npm test`: installs what is missing, then lint, types, unit and browser tests; ends with one line of counts.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { chromiumHere, PACKAGES } from './chromium.mjs';
import { build, install, ROOT } from './setUp.mjs';

const REPORTS = join(ROOT, '.cache', 'reports');
const run = (title, args, env = {}) => {
  process.stdout.write(`\n— ${title}\n`);
  return (
    spawnSync(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 1, 2], env: { ...process.env, ...env } })
      .status === 0
  );
};

/** Chromium comes from Debian's packages where it is not there. */
function haveChromium() {
  if (chromiumHere()) return true;
  process.stdout.write('Installing Chromium from Debian’s packages …\n');
  const apt = (...args) =>
    spawnSync('apt-get', args, { stdio: 'ignore', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
      .status === 0;
  apt('update');
  if (PACKAGES.some((name) => apt('install', '-y', '--no-install-recommends', name) && chromiumHere())) return true;
  process.stdout.write(
    'Chromium is not here and could not be installed, so the browser tests cannot run; install Debian’s package “chromium” or set CHROMIUM_PATH.\n',
  );
  return false;
}

const failedUnits = (report) =>
  (report?.testResults ?? []).flatMap(({ assertionResults }) =>
    assertionResults
      .filter(({ status }) => status === 'failed')
      .map(({ fullName, failureMessages }) => ({ title: fullName, why: failureMessages.join('\n') })),
  );
/** Those of files and of what is described in them, as deep as it goes. */
const failedBrowser = (suites) =>
  suites.flatMap(({ suites: inner, specs, file }) => [
    ...failedBrowser(inner ?? []),
    ...specs
      .filter(({ ok }) => !ok)
      .map(({ title, line, tests }) => ({
        title: `${file}:${line} ${title}`,
        why: tests.flatMap(({ results }) => results.map(({ error }) => error?.message ?? '')).join('\n'),
      })),
  ]);

await install();
rmSync(REPORTS, { recursive: true, force: true });
mkdirSync(REPORTS, { recursive: true });
const unitReport = join(REPORTS, 'unit.json');
const browserReport = join(REPORTS, 'browser.json');

const lint = run('lint', ['node_modules/eslint/bin/eslint.js', '.']);
const types =
  run('types of the core', ['node_modules/typescript/bin/tsc', '-p', 'core']) &&
  run('types', ['node_modules/typescript/bin/tsc', '-p', '.']);
await build();
const unit = run('unit tests', [
  'node_modules/vitest/vitest.mjs',
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${unitReport}`,
]);
const chromium = haveChromium();
const browser =
  chromium &&
  run('browser tests', ['node_modules/@playwright/test/cli.js', 'test'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport,
  });

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const u = read(unitReport);
const browserRun = read(browserReport);
const b = browserRun?.stats;
// Once more at the very end, with the first lines of why: what is kept of a long run is often its end alone.
for (const { title, why } of [...failedUnits(u), ...failedBrowser(browserRun?.suites ?? [])])
  process.stdout.write(`\n✘ ${title}\n${stripVTControlCharacters(why).split('\n').slice(0, 12).join('\n')}\n`);
const passed = (u?.numPassedTests ?? 0) + (b?.expected ?? 0) + (b?.flaky ?? 0);
let failed = (u?.numFailedTests ?? 0) + (b?.unexpected ?? 0);
const skipped = (u?.numPendingTests ?? 0) + (b?.skipped ?? 0);
// Lint, types and a runner that never came to report each count as one failure.
failed += [lint, types, u !== null && (u.numTotalTests ?? 0) > 0, b !== undefined].filter((ok) => !ok).length;
if ((!unit || !browser) && failed === 0) failed = 1;
process.stdout.write(`\n${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}\n`);
process.exit(failed === 0 ? 0 : 1);

import { expect, it } from 'vitest';
import { HELP, placeAt } from './help.ts';

it.each([
  ['/', 'today'],
  ['/jobs', 'jobs'],
  ['/jobs/job-tide', 'job'],
  ['/rack', 'rack'],
  ['/panels/heron', 'bench'],
  ['/panels/heron/measure', 'measure'],
  ['/panels/heron/nowhere', 'bench'],
  ['/nowhere', 'today'],
] as const)('%s is helped with as %s', (path, place) => expect(placeAt(path)).toBe(place));

it('every place has something to say, in sentences', () => {
  for (const { lines } of Object.values(HELP)) {
    expect(lines.length).toBeGreaterThan(1);
    for (const line of lines) expect(line).toMatch(/^[A-Z].*\.$/);
  }
});

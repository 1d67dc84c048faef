import { z } from 'zod';
import { checkLayout, jobFault, Layouter, type Layout, type LayoutJob } from '#core/layout';
import { jobFaultWords, unplacedWords } from '#core/words';
import { fileOptions } from './fileOptions.ts';
import { readFile } from './readFile.ts';
import { Refused } from './refused.ts';

export const LAYOUT_USAGE = 'nelvik layout JOB.json [--time 10s] [--seed 1] [--steps 20000] [--prefer use]';

const MOST_MM = 100_000;
const MOST_SECONDS = 3600;
/** Steps between two looks at the clock. */
const STEPS_A_LOOK = 10;

const mm = z.number('must be a number').min(-MOST_MM, 'is too far off').max(MOST_MM, 'is too far off');
const length = (most: number) =>
  z.number('must be a length in mm').min(0, 'must not be negative').max(most, `must be ${most} mm or less`);
const ring = z
  .array(z.tuple([mm, mm], 'must be points such as [120, 40]'), 'must be a list of points')
  .min(3, 'needs three points or more')
  .max(5000, 'has more points than anyone needs');
const degrees = z.number('must be an angle in degrees').min(-3600, 'is no angle').max(3600, 'is no angle');
const id = z.string('must be a text').min(1, 'must not be empty').max(200, 'is too long');
const yes = z.boolean('must be true or false');

const jobSchema = z.object({
  marginMm: length(200),
  edgeMm: length(500),
  keepMm: length(5000).default(60),
  sheets: z
    .array(
      z.object({
        id,
        outline: ring,
        flowDeg: degrees.nullable().default(null),
        offcut: yes.default(false),
        flaws: z.array(ring, 'must be a list of outlines').default([]),
      }),
      'must be a list',
    )
    .min(1, 'must have one sheet or more'),
  pieces: z.array(
    z.object({
      id,
      outline: ring,
      flowDeg: degrees.nullable().default(null),
      flowToleranceDeg: degrees.min(0, 'must not be negative').default(0),
      turnOver: yes.default(false),
    }),
    'must be a list',
  ),
});

/** `layout JOB.json`: pieces laid onto sheets and offcuts so that straight breaks take them out. */
export function layoutCommand(rest: readonly string[]): object {
  const { file, seconds, seed, steps, prefersUse } = optionsOf(rest);
  const started = performance.now();
  const job = readJob(readFile(file, 'a job'));
  const search = new Layouter(job, { seed, prefersUse });
  let told = started;
  while (steps === null ? performance.now() - started < seconds * 1000 : search.steps < steps) {
    search.run(steps === null ? STEPS_A_LOOK : Math.min(STEPS_A_LOOK, steps - search.steps));
    if (search.isDone) break;
    const now = performance.now();
    if (now - told > 1000) {
      told = now;
      const { placedMm2, consumedMm2 } = search.score;
      const use = consumedMm2 > 0 ? (placedMm2 / consumedMm2).toFixed(4) : '0';
      process.stderr.write(`${Math.round((now - started) / 1000)} s, step ${search.steps}: use ${use}\n`);
    }
  }
  const layout = search.best();
  // What is told is looked at once more by other means; a fault here is ours.
  const faults = checkLayout(job, layout, { mm: 0.25, deg: 0.01, mm2: 1 });
  if (faults.length > 0) throw new Error(`the layout does not hold: ${JSON.stringify(faults[0])}`);
  return report(layout, search.steps);
}

function optionsOf(rest: readonly string[]) {
  const { file, values } = fileOptions(rest, ['time', 'seed', 'steps', 'prefer'], LAYOUT_USAGE);
  const seconds = /^(\d+(?:\.\d+)?)\s*s?$/.exec(values.time ?? '10s')?.[1];
  if (seconds === undefined || Number(seconds) > MOST_SECONDS) {
    throw new Refused(`--time must be seconds such as 10s, an hour at most, not “${values.time}”.`);
  }
  const whole = (name: string, text: string) => {
    if (!/^\d{1,9}$/.test(text)) throw new Refused(`--${name} must be a whole number, not “${text}”.`);
    return Number(text);
  };
  if (values.prefer !== undefined && values.prefer !== 'use') {
    throw new Refused(`--prefer can only be “use”, not “${values.prefer}”.`);
  }
  return {
    file,
    seconds: Number(seconds),
    seed: whole('seed', values.seed ?? '1'),
    steps: values.steps === undefined ? null : whole('steps', values.steps),
    prefersUse: values.prefer === 'use',
  };
}

/** A job from its text. @throws Refused in one plain line */
function readJob(text: string): LayoutJob {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    throw new Refused('This file is no JSON, so no job can be read from it.');
  }
  const parsed = jobSchema.safeParse(raw);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const at = issue?.path.map((key) => (typeof key === 'number' ? `no. ${key + 1}` : `“${String(key)}”`)).join(', ');
    const isMissing = at !== undefined && at !== '' && valueAt(raw, issue?.path ?? []) === undefined;
    throw new Refused(
      at ? `In this job ${at} ${isMissing ? 'is missing' : issue?.message}.` : 'This file holds no layout job.',
    );
  }
  const fault = jobFault(parsed.data);
  if (fault !== null) throw new Refused(jobFaultWords(fault));
  return parsed.data;
}

const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((at, key) => (typeof at === 'object' && at !== null ? Reflect.get(at, key) : undefined), value);

const r4 = (value: number): number => Math.round(value * 1e4) / 1e4;
const point = ([x, y]: readonly [number, number]) => [r4(x), r4(y)];

/** The answer as plain data. */
const report = (layout: Layout, steps: number): object => ({
  placements: layout.placements.map((placement) => ({
    ...placement,
    rotationDeg: Math.round(placement.rotationDeg * 1e6) / 1e6,
    outline: placement.outline.map(point),
  })),
  unplaced: layout.unplaced.map((one) => ({ ...one, reason: unplacedWords(one.code) })),
  breaks: layout.breaks.map(({ sheetId, from, to }) => ({ sheetId, from: point(from), to: point(to) })),
  offcuts: layout.offcuts.map(({ sheetId, outline, largestRectangle: { width, height, angleDeg } }) => ({
    sheetId,
    outline: outline.map(point),
    largestRectangle: { width: r4(width), height: r4(height), angleDeg: r4(angleDeg) },
  })),
  use: Math.round(layout.use * 1e6) / 1e6,
  glassConsumedMm2: Math.round(layout.glassConsumedMm2 * 10) / 10,
  steps,
});

import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, statSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { gunzipSync } from 'node:zlib';
import type { Accepted, JobsAnswer, LiveMessage, RackAnswer, StudioAnswer, TodayAnswer } from '#contract';
import type { Row } from './besideLibrary.ts';
import { makeYears } from './years.ts';

const SPANS = [1, 10] as const;
const RUNS = 9;
const SCREENS = 6;

type Figures = Readonly<Record<string, number>>;

/** What each figure may be at most, and how much more in the tenth year than in the first. */
const LIMITS: readonly {
  readonly name: string;
  readonly unit: string;
  readonly most: number;
  readonly mayGrow: boolean;
}[] = [
  { name: 'start until it answers', unit: 'ms', most: 1000, mayGrow: false },
  { name: 'memory after the start', unit: 'MB', most: 150, mayGrow: false },
  { name: 'what Today fetches: time', unit: 'ms', most: 50, mayGrow: false },
  { name: 'what Today fetches: size', unit: 'kB', most: 100, mayGrow: false },
  { name: 'first page of Jobs', unit: 'ms', most: 50, mayGrow: false },
  { name: 'Reckoning over 12 months', unit: 'ms', most: 100, mayGrow: false },
  { name: 'marking 40 pieces', unit: 'ms', most: 15, mayGrow: false },
  { name: 'starting a clock', unit: 'ms', most: 5, mayGrow: false },
  { name: 'a stock move, six screens in step', unit: 'ms', most: 300, mayGrow: false },
  { name: 'export: memory', unit: 'MB', most: 250, mayGrow: true },
  { name: 'export: longest wait of others', unit: 'ms', most: 100, mayGrow: true },
  { name: 'check: memory', unit: 'MB', most: 400, mayGrow: true },
];
const MOST_GROWTH = 1.3;

/** The same studio after one and after ten years of work, side by side. */
export async function yearsBench(root: string, folder: string): Promise<Row[]> {
  const rows: Row[] = [];
  const bySpan: Figures[] = [];
  for (const years of SPANS) {
    const data = join(folder, `years-${years}`);
    const { panels, entries } = makeYears(data, root, years, Date.now());
    const mb = (statSync(join(data, 'nelvik.sqlite')).size / 1e6).toFixed(0);
    rows.push({
      what: `a studio of ${years} ${years === 1 ? 'year' : 'years'}`,
      figures: `${panels} panels, ${entries} entries of the log, ${mb} MB`,
    });
    bySpan.push(await figuresOf(root, data));
  }
  const [one = {}, ten = {}] = bySpan;
  for (const { name, unit, most, mayGrow } of LIMITS) {
    const [a, b] = [one[name] ?? Number.NaN, ten[name] ?? Number.NaN];
    const isKept = b <= most && (mayGrow || b <= a * MOST_GROWTH);
    const growth = `× ${(b / a).toFixed(2)}${mayGrow ? '' : ` of ${MOST_GROWTH}`}`;
    rows.push({
      what: name,
      figures: `${a.toFixed(1)} → ${b.toFixed(1)} ${unit} (at most ${most}; ${growth})${isKept ? '' : '  NOT KEPT'}`,
    });
  }
  return rows;
}

async function figuresOf(root: string, data: string): Promise<Figures> {
  const starts: number[] = [];
  for (let i = 0; i < 3; i++) {
    const server = await up(root, data);
    starts.push(server.startMs);
    await server.stop();
  }
  const server = await up(root, data);
  try {
    const figures: Record<string, number> = {};
    figures['start until it answers'] = median([...starts, server.startMs]);
    figures['memory after the start'] = residentMb(server.child);
    Object.assign(figures, await todayOf(server.base));
    figures['first page of Jobs'] = await timed(RUNS, () => fetched<JobsAnswer>(server.base, '/jobs'));
    const to = Date.now();
    const year = `/reckoning?from=${to - 365 * 86_400_000}&to=${to}`;
    figures['Reckoning over 12 months'] = await timed(RUNS, () => fetched(server.base, year));
    Object.assign(figures, await actsOf(server.base));
    figures['a stock move, six screens in step'] = await inStep(server.base);
    Object.assign(figures, await exportOf(server));
    await server.stop();
    figures['check: memory'] = await checkMb(root, data);
    return figures;
  } finally {
    await server.stop();
  }
}

interface Server {
  readonly child: ChildProcess;
  readonly base: string;
  readonly startMs: number;
  stop(): Promise<void>;
}

async function up(root: string, data: string): Promise<Server> {
  const start = performance.now();
  const child = spawn(process.execPath, [join(root, 'dist/server/main.mjs')], {
    env: { ...process.env, NELVIK_DATA: data, PORT: '0', HOST: '127.0.0.1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const base = await new Promise<string>((heard) =>
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/[\d.]+:\d+/.exec(text.toString());
      if (address) heard(`${address[0]}/api`);
    }),
  );
  await (await fetch(`${base}/studio`)).arrayBuffer();
  const startMs = performance.now() - start;
  const gone = new Promise<void>((done) => child.once('exit', () => done()));
  return {
    child,
    base,
    startMs,
    stop: () => {
      child.kill('SIGTERM');
      return gone;
    },
  };
}

/** Everything that Today asks for on a first visit: the studio, the ledge, a sketch of each panel. */
async function todayOf(base: string): Promise<Figures> {
  const { body: today } = await fetched<TodayAnswer>(base, '/today');
  const sketches = today.jobs.flatMap((job) => job.panels.map((p) => `/drawings/${p.panel.cartoonId}/sketch`));
  const paths = ['/studio', '/today', ...sketches];
  let bytes = 0;
  const ms = await timed(RUNS, async () => {
    const answers = await Promise.all(paths.map((path) => fetched(base, path)));
    bytes = answers.reduce((sum, answer) => sum + answer.bytes, 0);
  });
  return { 'what Today fetches: time': ms, 'what Today fetches: size': bytes / 1000 };
}

async function actsOf(base: string): Promise<Figures> {
  const { body } = await fetched<TodayAnswer>(base, '/today');
  const glance = body.jobs[0]?.panels[0];
  if (!glance) throw new Error('nothing is in hand');
  const panelId = glance.panel.id;
  const numbers = glance.pieces.numbers.slice(-40);
  let flowDeg = 0;
  const mark = await timed(RUNS, () => submit(base, 'mark', { panelId, numbers, flowDeg: ++flowDeg }));
  const stages = ['cutting', 'grinding', 'soldering', 'other'];
  let n = 0;
  const clock = await timed(RUNS, () =>
    submit(base, 'start-clock', { id: randomUUID(), personId: 'kesta', panelId: null, stage: stages[n++ % 4] }),
  );
  return { 'marking 40 pieces': mark, 'starting a clock': clock };
}

/** Screens that listen and fetch what the message touches; the time until the last of them shows the new place. */
async function inStep(base: string): Promise<number> {
  const { body } = await fetched<RackAnswer>(base, '/rack');
  const stockId = body.stock[0]?.id ?? '';
  let shown: (() => void) | null = null;
  const streams = await Promise.all(
    Array.from({ length: SCREENS }, () =>
      listen(base, async ({ touched }) => {
        if (!touched.stock) return;
        await Promise.all([fetched(base, '/rack'), fetched(base, '/today')]);
        shown?.();
      }),
    ),
  );
  let n = 0;
  const ms = await timed(RUNS, async () => {
    let left = SCREENS;
    const all = new Promise<void>((done) => (shown = () => --left === 0 && done()));
    await submit(base, 'move-stock', { stockId, place: `slot ${++n}` });
    await all;
  });
  for (const stop of streams) stop();
  return ms;
}

function listen(base: string, heard: (message: LiveMessage) => unknown): Promise<() => void> {
  return new Promise((ready) => {
    const call = request(`${base}/live`, (res) => {
      let isFirst = true;
      res.on('data', (part: Buffer) => {
        for (const [, text] of part.toString().matchAll(/^data: (.*)$/gm)) {
          if (isFirst) ready(() => call.destroy());
          else heard(JSON.parse(text ?? '{}') as LiveMessage);
          isFirst = false;
        }
      });
    });
    call.on('error', () => undefined);
    call.end();
  });
}

/** The whole studio is fetched while somebody else goes on asking. */
async function exportOf({ base, child }: Server): Promise<Figures> {
  let isDone = false;
  let longest = 0;
  let peak = residentMb(child);
  const others = (async () => {
    while (!isDone) {
      const start = performance.now();
      await fetched(base, '/studio');
      longest = Math.max(longest, performance.now() - start);
      peak = Math.max(peak, residentMb(child));
    }
  })();
  const response = await fetch(`${base}/export`);
  for await (const _ of response.body as unknown as AsyncIterable<Uint8Array>) void _;
  isDone = true;
  await others;
  return { 'export: memory': peak, 'export: longest wait of others': longest };
}

async function checkMb(root: string, data: string): Promise<number> {
  const child = spawn(process.execPath, [join(root, 'dist/server/check.mjs')], {
    env: { ...process.env, NELVIK_DATA: data },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let peak = 0;
  let said = '';
  child.stdout.on('data', (text: Buffer) => (said += text.toString()));
  const timer = setInterval(() => (peak = Math.max(peak, residentMb(child))), 20);
  const code = await new Promise((done) => child.once('exit', done));
  clearInterval(timer);
  if (code !== 0) throw new Error(`the check of ${data} found something: ${said.slice(0, 400)}`);
  return peak;
}

/** Resident memory of a process, MB; 0 where the system does not tell, or where it has ended. */
function residentMb({ pid }: ChildProcess): number {
  try {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000;
  } catch {
    return 0;
  }
}

async function fetched<T>(base: string, path: string): Promise<{ body: T; bytes: number }> {
  // The length that crossed the wire is told by node's own client only.
  return new Promise((done, failed) => {
    request(`${base}${path}`, { headers: { 'accept-encoding': 'gzip' } }, (res) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => {
        const raw = Buffer.concat(parts);
        if (res.statusCode !== 200) return failed(new Error(`${path} was answered with ${res.statusCode}`));
        const text = res.headers['content-encoding'] === 'gzip' ? gunzipSync(raw) : raw;
        done({ body: JSON.parse(text.toString()) as T, bytes: raw.length });
      });
    }).end();
  });
}

/** What each server has said last of how far its log goes. */
const positions = new Map<string, number>();

async function submit(base: string, kind: string, ask: unknown): Promise<void> {
  const basis = positions.get(base) ?? (await fetched<StudioAnswer>(base, '/studio')).body.seq;
  const body = {
    commandId: randomUUID(),
    basis,
    personId: null,
    bench: 'years',
    command: { kind, ask },
  };
  const response = await fetch(`${base}/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${kind}: ${await response.text()}`);
  positions.set(base, ((await response.json()) as Accepted).seq);
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Milliseconds, the median of some runs after one that does not count. */
async function timed(runs: number, act: () => Promise<unknown>): Promise<number> {
  await act();
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await act();
    times.push(performance.now() - start);
  }
  return median(times);
}

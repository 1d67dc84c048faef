import { describe, expect, it } from 'vitest';
import { JobEnded, JobPool, type JobLimits } from './pool.ts';

const LIMITS: JobLimits = { longestMs: 4000, mostMemoryMb: 64 };
/** A worker written out: it does what its job says. */
const script = new URL(
  `data:text/javascript,${encodeURIComponent(`
    import { parentPort, threadId } from 'node:worker_threads';
    parentPort.on('message', ({ kind, ms }) => {
      if (kind === 'throw') throw new Error('a fault');
      if (kind === 'spin') for (;;);
      if (kind === 'hoard') { const all = []; for (;;) all.push(new Array(1e5).fill(all.length)); }
      parentPort.postMessage({ progress: 0.5 });
      setTimeout(() => parentPort.postMessage({ answer: kind === 'who' ? threadId : kind }), ms ?? 0);
    });
  `)}`,
);
const pool = (atOnce = 2) => new JobPool(script, atOnce, (job) => job);
const ended = (run: Promise<unknown>) =>
  run.then(
    () => 'answered',
    (error: unknown) => (error instanceof JobEnded ? error.end : String(error)),
  );

describe('long work', () => {
  it('gives its answer, and tells how far it is', async () => {
    const shares: number[] = [];
    expect(await pool().run({ kind: 'work' }, { limits: LIMITS, onProgress: (s) => shares.push(s) })).toBe('work');
    expect(shares).toEqual([0.5]);
  });
  it('ends when it takes too long, or too much memory; a fault stays a fault', async () => {
    expect(await ended(pool().run({ kind: 'spin' }, { limits: { ...LIMITS, longestMs: 150 } }))).toBe('took-too-long');
    expect(await ended(pool().run({ kind: 'hoard' }, { limits: LIMITS }))).toBe('took-too-much');
    expect(await ended(pool().run({ kind: 'throw' }, { limits: LIMITS }))).toContain('a fault');
  });
  it('a worker is kept for what comes next; one that broke, or was ended, is not', async () => {
    const one = pool(1);
    const who = () => one.run({ kind: 'who' }, { limits: LIMITS });
    const first = await who();
    expect(await who()).toBe(first);
    expect(await ended(one.run({ kind: 'throw' }, { limits: LIMITS }))).toContain('a fault');
    const second = await who();
    expect(second).not.toBe(first);
    expect(await ended(one.run({ kind: 'spin' }, { limits: { ...LIMITS, longestMs: 150 } }))).toBe('took-too-long');
    expect(await who()).not.toBe(second);
    // Another limit of memory is another worker's.
    expect(await one.run({ kind: 'who' }, { limits: { ...LIMITS, mostMemoryMb: 80 } })).not.toBe(await who());
  });
  it('is ended when nobody waits for it any more, running or not begun', async () => {
    const one = pool(1);
    const [first, second] = [new AbortController(), new AbortController()];
    const runs = [first, second].map(({ signal }) => ended(one.run({ kind: 'spin' }, { limits: LIMITS, signal })));
    await new Promise((done) => setTimeout(done, 50));
    expect([one.running, one.waiting]).toEqual([1, 1]);
    second.abort();
    expect(await runs[1]).toBe('given-up');
    first.abort();
    expect(await runs[0]).toBe('given-up');
    expect([one.running, one.waiting]).toEqual([0, 0]);
    expect(await ended(one.run({ kind: 'work' }, { limits: LIMITS, signal: AbortSignal.abort() }))).toBe('given-up');
  });
  it('never more at once than it may', async () => {
    const two = pool(2);
    let most = 0;
    const onProgress = () => (most = Math.max(most, two.running));
    await Promise.all([0, 1, 2, 3, 4].map(() => two.run({ kind: 'work', ms: 30 }, { limits: LIMITS, onProgress })));
    expect(most).toBe(2);
  });
  it('one after the other in the order of their coming', async () => {
    const one = pool(1);
    const order: number[] = [];
    await Promise.all(
      [0, 1, 2, 3].map((n) => one.run({ kind: 'work', ms: 5 }, { limits: LIMITS }).then(() => order.push(n))),
    );
    expect(order).toEqual([0, 1, 2, 3]);
  });
});

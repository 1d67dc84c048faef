import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Accepted } from '#contract';
import { ApiError } from './api.ts';
import { browserStorage } from './browserStorage.ts';
import { Outbox, type Step } from './outbox.ts';

class FakeStorage implements Storage {
  readonly map = new Map<string, string>();
  get length() {
    return this.map.size;
  }
  clear = () => this.map.clear();
  key = (i: number) => [...this.map.keys()][i] ?? null;
  getItem = (key: string) => this.map.get(key) ?? null;
  setItem = (key: string, value: string) => void this.map.set(key, value);
  removeItem = (key: string) => void this.map.delete(key);
}

let storage: FakeStorage;
let posted: string[];
/** What the server does with the next posts. */
let server: (id: string) => Accepted | ApiError;
const away = new ApiError('no-answer', 'away');
const taken = (): Accepted => ({ seq: 1, again: false, touched: {} });
const post = (_: string, body: object): Promise<Accepted> => {
  const { id } = body as { id: string };
  posted.push(id);
  const answer = server(id);
  return answer instanceof ApiError ? Promise.reject(answer) : Promise.resolve(answer);
};
const step = (id: string, at: number): Step & { body: object } => ({
  commandId: id,
  at: Date.now() + at,
  path: '/commands',
  body: { id },
  words: id,
});
let large: Map<string, object>;
const outbox = (by = post) =>
  new Outbox({
    storage,
    large: {
      get: (id) => Promise.resolve(large.get(id)),
      put: (id, body) => Promise.resolve(void large.set(id, body)),
      remove: (id) => Promise.resolve(void large.delete(id)),
    },
    post: by,
  });

beforeEach(() => {
  vi.useFakeTimers();
  storage = new FakeStorage();
  posted = [];
  large = new Map();
  server = taken;
});
afterEach(() => vi.useRealTimers());

describe('what is done and not answered yet', () => {
  it('is kept first, then sent, and gone once it is answered', async () => {
    const box = outbox();
    const sent = box.send(step('a', 1));
    expect(storage.length).toBe(1);
    expect(await sent).toMatchObject({ seq: 1 });
    expect([storage.length, box.steps.length]).toEqual([0, 0]);
  });
  it('waits for hours, in order, and each is answered once', async () => {
    server = () => away;
    const box = outbox();
    const all = Promise.all([box.send(step('a', 1)), box.send(step('b', 2)), box.send(step('c', 3))]);
    await vi.advanceTimersByTimeAsync(5 * 3600_000);
    expect(new Set(posted)).toEqual(new Set(['a']));
    expect(box.waiting.map((s) => s.commandId)).toEqual(['a', 'b', 'c']);
    posted = [];
    server = taken;
    await vi.advanceTimersByTimeAsync(10_000);
    await all;
    expect(posted).toEqual(['a', 'b', 'c']);
    expect(storage.length).toBe(0);
  });
  it('outlives the page: another one sends it, and tells of it', async () => {
    server = () => away;
    void outbox()
      .send(step('a', 1))
      .catch(() => {});
    void outbox()
      .send(step('b', 2))
      .catch(() => {});
    await vi.advanceTimersByTimeAsync(60_000);
    server = taken;
    posted = [];
    const late: string[] = [];
    const next = outbox();
    next.onLate = ({ commandId }, ended) => late.push(`${commandId} ${'done' in ended ? 'taken' : 'refused'}`);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(late).toEqual(['a taken', 'b taken']);
    expect(next.steps).toEqual([]);
  });
  it('a refusal reaches whoever waits; the next step goes on', async () => {
    server = (id) => (id === 'a' ? new ApiError('refused', 'Piece 1 is not cut yet.') : taken());
    const box = outbox();
    const first = box.send(step('a', 1));
    const second = box.send(step('b', 2));
    await expect(first).rejects.toThrow('Piece 1 is not cut yet.');
    expect(await second).toMatchObject({ seq: 1 });
    expect(storage.length).toBe(0);
  });
  it('a refusal that nobody waits for stays to be read, and is not sent again', async () => {
    server = () => away;
    void outbox()
      .send(step('a', 1))
      .catch(() => {});
    await vi.advanceTimersByTimeAsync(100);
    server = () => new ApiError('refused', 'Piece 1 has changed.');
    const next = outbox();
    await vi.advanceTimersByTimeAsync(100);
    posted = [];
    await vi.advanceTimersByTimeAsync(60_000);
    expect(posted.filter((id) => id === 'a').length).toBeLessThan(8);
    expect(next.steps).toMatchObject([{ commandId: 'a', refused: 'Piece 1 has changed.' }]);
    expect(next.waiting).toEqual([]);
    next.giveUp('a');
    expect(storage.length).toBe(0);
  });
  it('before the passcode is entered it waits; once somebody has come in it goes at once', async () => {
    server = () => new ApiError('passcode-needed', 'Enter the studio passcode.');
    const box = outbox();
    const sent = box.send(step('a', 1));
    await vi.advanceTimersByTimeAsync(120_000);
    expect(box.waiting).toHaveLength(1);
    server = taken;
    box.again();
    await vi.advanceTimersByTimeAsync(1);
    expect(await sent).toMatchObject({ seq: 1 });
  });
  it('one step can be given up; the others are sent', async () => {
    server = () => away;
    const box = outbox();
    const [first, second] = [box.send(step('a', 1)), box.send(step('b', 2))];
    const refused = expect(first).rejects.toThrow(/given up/);
    await vi.advanceTimersByTimeAsync(3000);
    box.giveUp('a');
    await refused;
    server = taken;
    await vi.advanceTimersByTimeAsync(20_000);
    expect(await second).toMatchObject({ seq: 1 });
    expect(posted.at(-1)).toBe('b');
  });
  it('two tabs each send what was done in them', async () => {
    server = () => away;
    const [one, other] = [outbox(), outbox()];
    const [first, second] = [one.send(step('a', 1)), other.send(step('b', 2))];
    expect([one.steps, other.steps].map((steps) => steps.map((s) => s.commandId))).toEqual([['a'], ['b']]);
    const late = vi.fn();
    one.onLate = other.onLate = late;
    server = taken;
    await vi.advanceTimersByTimeAsync(20_000);
    await Promise.all([first, second]);
    expect(late).not.toHaveBeenCalled();
    expect(storage.length).toBe(0);
  });
  it('what somebody else wrote under its keys is passed over', () => {
    for (const text of ['', '{', 'null', '7', '{"commandId":"x"}']) storage.setItem(`nelvik-step:${text}`, text);
    expect(outbox().steps).toEqual([]);
  });
  it('a server whose studio is away just now is waited for, and says why', async () => {
    server = () => new ApiError('not-now', 'The file is away.');
    const box = outbox();
    const sent = box.send(step('a', 1));
    await vi.advanceTimersByTimeAsync(3000);
    expect([box.waiting.length, box.why]).toEqual([1, 'The file is away.']);
    server = taken;
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await sent).toMatchObject({ seq: 1 });
    expect(box.why).toBeNull();
  });
});

describe('a step that no longer fits when it comes to be sent', () => {
  const stale = () =>
    new ApiError('refused', 'Piece 1 has changed.', { code: 'stale', meanwhile: ['14:10 1 broke (Mo).'] });
  const late = async () => {
    server = () => away;
    const box = outbox();
    const sent = box.send(step('a', 0));
    const told = expect(sent).rejects.toMatchObject({ code: 'kept-for-later' });
    await vi.advanceTimersByTimeAsync(60_000);
    server = stale;
    await vi.advanceTimersByTimeAsync(15_000);
    await told;
    return box;
  };
  it('is kept with what happened meanwhile, until it is looked at', async () => {
    const box = await late();
    const [one] = box.steps;
    expect(one).toMatchObject({ refused: 'Piece 1 has changed.', meanwhile: ['14:10 1 broke (Mo).'] });
    expect(box.waiting).toEqual([]);
    // It outlives the page too.
    expect(outbox().steps).toMatchObject([{ commandId: 'a', meanwhile: ['14:10 1 broke (Mo).'] }]);
    box.giveUp('a');
    expect(storage.length).toBe(0);
  });
  it('can be done all the same, on what stands now', async () => {
    const box = await late();
    const bodies: object[] = [];
    server = taken;
    const before = posted.length;
    await box.insist('a', 77);
    bodies.push(...[...storage.map.values()].map((text) => (JSON.parse(text) as Step).body ?? {}));
    expect(bodies).toEqual([{ id: 'a', basis: 77 }]);
    await vi.advanceTimersByTimeAsync(1);
    expect([posted.length, box.steps.length]).toEqual([before + 1, 0]);
  });
  it('given up while it is under way it does not come back', async () => {
    let answer: (error: ApiError) => void = () => {};
    const box = outbox(() => new Promise((_, refuse) => (answer = refuse)));
    const sent = expect(box.send(step('a', -60_000))).rejects.toThrow(/given up/);
    box.giveUp('a');
    await sent;
    answer(stale());
    await vi.advanceTimersByTimeAsync(1);
    expect(box.steps).toEqual([]);
  });
  it('given up too late it is told that it was done', async () => {
    let answer: (done: Accepted) => void = () => {};
    const box = outbox(() => new Promise((take) => (answer = take)));
    box.onLate = vi.fn();
    const sent = expect(box.send(step('a', 0))).rejects.toThrow(/given up/);
    box.giveUp('a');
    await sent;
    answer(taken());
    await vi.advanceTimersByTimeAsync(1);
    expect(box.onLate).toHaveBeenCalledWith(expect.objectContaining({ commandId: 'a' }), { done: taken() });
  });
});

describe('a drawing, too large for a line of the storage', () => {
  const drawing = (id: string) => ({ ...step(id, 0), body: { id, source: 'x'.repeat(300_000) } });
  it('lies in the browser too, outlives the page, and goes once', async () => {
    server = () => away;
    void outbox()
      .send(drawing('a'))
      .catch(() => {});
    await vi.advanceTimersByTimeAsync(2000);
    expect([...storage.map.values()].join('').length).toBeLessThan(500);
    expect(large.size).toBe(1);
    server = taken;
    posted = [];
    const next = outbox();
    await vi.advanceTimersByTimeAsync(20_000);
    expect([next.steps.length, large.size]).toEqual([0, 0]);
    expect(posted.filter((id) => id === 'a').length).toBeGreaterThan(0);
  });
  it('that the browser threw away is told as that, not sent as nothing', async () => {
    server = () => away;
    void outbox()
      .send(drawing('a'))
      .catch(() => {});
    await vi.advanceTimersByTimeAsync(2000);
    large.clear();
    posted = [];
    const next = outbox();
    await vi.advanceTimersByTimeAsync(100);
    expect(next.steps).toMatchObject([{ refused: 'This browser did not keep it; do it again.' }]);
  });
});

describe('a browser that keeps nothing', () => {
  it('or is full: steps wait in the page and are sent, and it is said that they would not outlive it', async () => {
    storage.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    server = () => away;
    const box = outbox();
    const sent = box.send(step('a', 0));
    await vi.advanceTimersByTimeAsync(3000);
    expect([box.waiting.length, box.isLasting]).toEqual([1, false]);
    server = taken;
    await vi.advanceTimersByTimeAsync(20_000);
    expect(await sent).toMatchObject({ seq: 1 });
    expect([box.steps.length, box.isLasting]).toEqual([0, true]);
  });
  it('gives a storage of the page instead', () => {
    const none = browserStorage(() => {
      throw new DOMException('denied', 'SecurityError');
    });
    expect(none.isLasting).toBe(false);
    none.storage.setItem('a', '1');
    expect([none.storage.getItem('a'), none.storage.length, none.storage.key(0)]).toEqual(['1', 1, 'a']);
    expect(browserStorage(() => storage).isLasting).toBe(true);
  });
});

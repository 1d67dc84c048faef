import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Accepted } from '#contract';
import { ApiError } from './api.ts';
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
const step = (id: string, at: number): Step => ({ commandId: id, at, path: '/commands', body: { id }, words: id });

beforeEach(() => {
  vi.useFakeTimers();
  storage = new FakeStorage();
  posted = [];
  server = taken;
});
afterEach(() => vi.useRealTimers());

describe('what is done and not answered yet', () => {
  it('is kept first, then sent, and gone once it is answered', async () => {
    const box = new Outbox(storage, post);
    const sent = box.send(step('a', 1));
    expect(storage.length).toBe(1);
    expect(await sent).toMatchObject({ seq: 1 });
    expect([storage.length, box.steps.length]).toEqual([0, 0]);
  });
  it('waits for hours, in order, and each is answered once', async () => {
    server = () => away;
    const box = new Outbox(storage, post);
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
    void new Outbox(storage, post).send(step('a', 1)).catch(() => {});
    void new Outbox(storage, post).send(step('b', 2)).catch(() => {});
    await vi.advanceTimersByTimeAsync(60_000);
    server = taken;
    posted = [];
    const late: string[] = [];
    const next = new Outbox(storage, post);
    next.onLate = ({ commandId }, ended) => late.push(`${commandId} ${'done' in ended ? 'taken' : 'refused'}`);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(late).toEqual(['a taken', 'b taken']);
    expect(next.steps).toEqual([]);
  });
  it('a refusal reaches whoever waits; the next step goes on', async () => {
    server = (id) => (id === 'a' ? new ApiError('refused', 'Piece 1 is not cut yet.') : taken());
    const box = new Outbox(storage, post);
    const first = box.send(step('a', 1));
    const second = box.send(step('b', 2));
    await expect(first).rejects.toThrow('Piece 1 is not cut yet.');
    expect(await second).toMatchObject({ seq: 1 });
    expect(storage.length).toBe(0);
  });
  it('a refusal that nobody waits for stays to be read, and is not sent again', async () => {
    server = () => away;
    void new Outbox(storage, post).send(step('a', 1)).catch(() => {});
    await vi.advanceTimersByTimeAsync(100);
    server = () => new ApiError('refused', 'Piece 1 has changed.');
    const next = new Outbox(storage, post);
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
    const box = new Outbox(storage, post);
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
    const box = new Outbox(storage, post);
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
    const [one, other] = [new Outbox(storage, post), new Outbox(storage, post)];
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
    expect(new Outbox(storage, post).steps).toEqual([]);
  });
});

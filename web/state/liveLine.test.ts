import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { LiveLine, type Heard, type Source } from './liveLine.ts';

class FakeSource implements Source {
  readyState = 0;
  onmessage: Source['onmessage'] = null;
  onerror: Source['onerror'] = null;
  onopen: Source['onopen'] = null;
  open() {
    this.readyState = 1;
    this.#call('onopen', new Event('open'));
  }
  say(seq: number) {
    const data = JSON.stringify({ seq, databaseId: 'db', bench: '', touched: {} });
    this.#call('onmessage', { data });
  }
  /** The server answers that nobody may listen: the browser gives up. */
  turnAway() {
    this.readyState = 2;
    this.#call('onerror', new Event('error'));
  }
  /** A break: the browser tries again by itself. */
  breakOff() {
    this.readyState = 0;
    this.#call('onerror', new Event('error'));
  }
  close() {
    this.readyState = 2;
  }
  #call(name: 'onopen' | 'onmessage' | 'onerror', event: object) {
    (this[name] as ((event: object) => void) | null)?.(event);
  }
}

let sources: FakeSource[];
let heard: [string, number][];
let line: LiveLine;
const last = () => sources.at(-1) as FakeSource;
beforeEach(() => {
  vi.useFakeTimers();
  [sources, heard] = [[], []];
  line = new LiveLine(
    () => {
      sources.push(new FakeSource());
      return last();
    },
    (news: Heard) => heard.push([news.kind, news.kind === 'lost' ? 0 : news.message.seq]),
  );
});
afterEach(() => {
  line.close();
  vi.useRealTimers();
});

describe('the line to the server', () => {
  it('says where it begins, then what changes; after a break it begins again', () => {
    last().open();
    last().say(7);
    last().say(8);
    last().breakOff();
    last().open();
    last().say(9);
    expect(heard).toEqual([
      ['begin', 7],
      ['change', 8],
      ['lost', 0],
      ['begin', 9],
    ]);
    expect(sources).toHaveLength(1);
  });
  it('turned away it is tried again, after longer and longer waits', () => {
    const waits: number[] = [];
    for (let i = 0; i < 6; i++) {
      last().turnAway();
      const before = sources.length;
      let ms = 0;
      while (sources.length === before) {
        vi.advanceTimersByTime(500);
        ms += 500;
      }
      waits.push(ms);
    }
    expect(waits).toEqual([1000, 2000, 4000, 8000, 15_000, 15_000]);
    last().open();
    last().turnAway();
    vi.advanceTimersByTime(1000);
    expect(sources).toHaveLength(8);
  });
  it('once somebody has come in it is tried at once, and one that is open stays as it is', () => {
    last().turnAway();
    line.again();
    expect(sources).toHaveLength(2);
    last().open();
    line.again();
    vi.advanceTimersByTime(60_000);
    expect(sources).toHaveLength(2);
  });
  it('tells a tab that comes later where the line stands, as long as it is open', () => {
    expect(line.latest).toBeNull();
    last().open();
    last().say(7);
    last().say(8);
    expect(line.latest?.seq).toBe(8);
    last().turnAway();
    expect(line.latest).toBeNull();
  });
  it('closed it stays closed', () => {
    last().turnAway();
    line.close();
    vi.advanceTimersByTime(60_000);
    expect(sources).toHaveLength(1);
  });
});

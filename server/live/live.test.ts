import type { Request, Response } from 'express';
import { expect, it } from 'vitest';
import type { Desk, Done } from '../desk.ts';
import { liveChannel } from './live.ts';

/** A screen that reads only as far as it is told to. */
class Screen {
  written: string[] = [];
  unread = 0;
  gone = false;
  get writableLength() {
    return this.unread;
  }
  writeHead() {}
  write(text: string) {
    this.written.push(text);
  }
  destroy() {
    this.gone = true;
  }
  end() {}
}

it('a screen that does not read what it is sent is let go; the others go on', () => {
  let tell: (done: Done) => void = () => {};
  const desk = { seq: 1, store: { id: 'db' }, onChange: (heard: typeof tell) => ((tell = heard), () => {}) };
  const live = liveChannel(desk as unknown as Desk);
  const [quick, slow] = [new Screen(), new Screen()];
  for (const screen of [quick, slow])
    live.join({ on: () => undefined } as unknown as Request, screen as unknown as Response, () => true);
  const change = (seq: number) => tell({ seq, bench: 'b', touched: { pieces: ['p'] } });
  change(2);
  slow.unread = 256 * 1024;
  change(3);
  expect([slow.gone, slow.written.length]).toEqual([false, 3]);
  slow.unread++;
  change(4);
  change(5);
  expect([slow.gone, slow.written.length]).toEqual([true, 3]);
  expect(quick.written).toHaveLength(5);
  expect(quick.written.at(-1)).toContain('"seq":5');
  live.close();
});

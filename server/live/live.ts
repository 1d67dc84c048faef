import type { Request, Response } from 'express';
import type { LiveMessage } from '#contract';
import type { Desk } from '../desk.ts';

const HEARTBEAT_MS = 20_000;
/** A screen that has so much still to read is let go; it comes back and fetches what it missed. */
const MOST_UNREAD_BYTES = 256 * 1024;

/** Server-sent events: every open screen hears of each new log position at once, and what has changed with it. */
export function liveChannel(desk: Desk) {
  const screens = new Set<Response>();
  const databaseId = desk.store.id;
  const send = (screen: Response, text: string) => {
    if (screen.writableLength <= MOST_UNREAD_BYTES) return void screen.write(text);
    screens.delete(screen);
    screen.destroy();
  };
  const leave = desk.onChange(({ seq, bench, touched }) => {
    if (screens.size === 0) return;
    const message: LiveMessage = { seq, databaseId, bench, touched };
    const text = `data: ${JSON.stringify(message)}\n\n`;
    for (const screen of screens) send(screen, text);
  });
  const timer = setInterval(() => {
    for (const screen of screens) send(screen, ': here\n\n');
  }, HEARTBEAT_MS);
  timer.unref();
  return {
    join(req: Request, res: Response) {
      res.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        connection: 'keep-alive',
      });
      const hello: LiveMessage = { seq: desk.seq, databaseId, bench: '', touched: {} };
      res.write(`retry: 1000\ndata: ${JSON.stringify(hello)}\n\n`);
      screens.add(res);
      req.on('close', () => screens.delete(res));
    },
    close() {
      leave();
      clearInterval(timer);
      for (const screen of screens) screen.end();
    },
  };
}

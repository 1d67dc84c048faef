import type { Request, Response } from 'express';
import type { LiveMessage } from '#contract';
import type { Desk } from '../desk.ts';

const HEARTBEAT_MS = 20_000;
/** A screen that has so much still to read is let go; it comes back and fetches what it missed. */
const MOST_UNREAD_BYTES = 256 * 1024;

/** Server-sent events: every open screen hears of each new log position at once, and what has changed with it. */
export function liveChannel(desk: Desk) {
  const screens = new Map<Response, () => boolean>();
  const databaseId = desk.store.id;
  const send = (screen: Response, text: string) => {
    if (screen.writableLength <= MOST_UNREAD_BYTES) return void screen.write(text);
    screens.delete(screen);
    screen.destroy();
  };
  const lookAgain = () => {
    for (const [screen, mayStay] of screens) if (!mayStay()) screen.end();
  };
  const leave = desk.onChange(({ seq, bench, touched, told }) => {
    if (screens.size === 0) return;
    const message: LiveMessage = { seq, databaseId, bench, touched, ...(told && { told }) };
    const text = `data: ${JSON.stringify(message)}\n\n`;
    for (const screen of screens.keys()) send(screen, text);
  });
  const timer = setInterval(() => {
    lookAgain();
    for (const screen of screens.keys()) send(screen, ': here\n\n');
  }, HEARTBEAT_MS);
  timer.unref();
  return {
    /** Lets those go who may not listen any more: their session has ended. */
    lookAgain,
    join(req: Request, res: Response, mayStay: () => boolean) {
      res.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        connection: 'keep-alive',
      });
      const hello: LiveMessage = { seq: desk.seq, databaseId, bench: '', touched: {} };
      res.write(`retry: 1000\ndata: ${JSON.stringify(hello)}\n\n`);
      screens.set(res, mayStay);
      req.on('close', () => screens.delete(res));
    },
    close() {
      leave();
      clearInterval(timer);
      for (const screen of screens.keys()) screen.end();
    },
  };
}

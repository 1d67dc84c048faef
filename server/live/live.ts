import type { Request, Response } from 'express';
import type { LiveMessage } from '#contract';
import type { Desk } from '../desk.ts';

const HEARTBEAT_MS = 20_000;

/** Server-sent events: every open screen hears of each new log position at once. */
export function liveChannel(desk: Desk) {
  const screens = new Set<Response>();
  desk.onChange((entry, panelId) => {
    const message: LiveMessage = { seq: entry.seq, panels: panelId === null ? [] : [panelId], bench: entry.bench };
    for (const screen of screens) screen.write(`data: ${JSON.stringify(message)}\n\n`);
  });
  const timer = setInterval(() => {
    for (const screen of screens) screen.write(': here\n\n');
  }, HEARTBEAT_MS);
  timer.unref();
  return {
    join(req: Request, res: Response) {
      res.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        connection: 'keep-alive',
      });
      const hello: LiveMessage = { seq: desk.studio.seq, panels: [], bench: '' };
      res.write(`retry: 1000\ndata: ${JSON.stringify(hello)}\n\n`);
      screens.add(res);
      req.on('close', () => screens.delete(res));
    },
    close() {
      clearInterval(timer);
      for (const screen of screens) screen.end();
    },
  };
}

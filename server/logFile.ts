import { basename, dirname } from 'node:path';
import type { RequestHandler } from 'express';
import { pino, type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** Four files of so much each at the most, the oldest let go of. */
const LARGEST = '2M';
const FILES = 4;
/** An answer that took longer is worth a line, whatever it was. */
const SLOW_MS = 1000;

/** The server's log: a bounded file, one JSON line each, without anything that is in the studio. */
export function logFile(file: string): Logger {
  const stream = createStream(basename(file), { path: dirname(file), size: LARGEST, maxFiles: FILES });
  // A log that cannot be written, on a full disk say, stops nobody's work.
  stream.on('error', () => undefined);
  return pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream);
}

/**
 * Notes what was sent, refused or slow: the method, the pattern of the address, how it ended and how long it took. Never
 * the address itself, what was sent or what was answered: they name clients and their commissions.
 */
export const noteRequests =
  (log: Logger): RequestHandler =>
  (req, res, next) => {
    const begun = process.hrtime.bigint();
    res.on('finish', () => {
      const ms = Math.round(Number(process.hrtime.bigint() - begun) / 1e6);
      if (req.method === 'GET' && res.statusCode < 400 && ms < SLOW_MS) return;
      const route = (req.route as { path?: unknown } | undefined)?.path;
      log.info({ method: req.method, route: typeof route === 'string' ? route : null, status: res.statusCode, ms });
    });
    next();
  };

/** A fault, by its kind and where in the program it came up. Its own words may quote what is in the studio. */
export const noteFault =
  (log: Logger) =>
  (error: unknown): void => {
    const { name, code, stack } = (error instanceof Error ? error : new Error(String(error))) as NodeJS.ErrnoException;
    const places = (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
    log.error({ fault: name, code: code ?? null, places: places.slice(0, 12).map((line) => line.trim()) });
  };

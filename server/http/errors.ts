import type { NextFunction, Request, Response } from 'express';
import { ERROR_STATUS, type ErrorAnswer, type ErrorCode } from '#contract';
import type { Refusal } from '#core/bench';
import { JobEnded } from '../jobs/pool.ts';
import { FULL } from '../store/folder.ts';
import { StudioGone } from '../store/store.ts';

export function sendError(res: Response, error: ErrorCode, words: string, refusal?: Refusal): void {
  const answer: ErrorAnswer = refusal ? { error, words, refusal } : { error, words };
  res.status(ERROR_STATUS[error]).json(answer);
}

/** Whatever was thrown becomes one plain sentence; the cause goes to the server's own log, never to the screen. */
export function catchAll(report: (error: unknown) => void) {
  return (error: unknown, _req: Request, res: Response, next: NextFunction): void => {
    // Whoever asked has gone; there is nobody to answer.
    if (error instanceof JobEnded && error.end === 'given-up') return void res.end();
    if (res.headersSent) return next(error);
    const { type, code, status } = (error ?? {}) as { type?: string; code?: string; status?: number };
    if (type === 'entity.too.large')
      return sendError(
        res,
        'too-large',
        'This file is larger than 30 MB; leave pictures out and save it again. Nothing was changed.',
      );
    // Whatever else was wrong with the asking itself: its address, its packing, its letters.
    if (status !== undefined && status >= 400 && status < 500)
      return sendError(res, 'bad-input', 'This was not understood; nothing was changed.');
    if (error instanceof StudioGone) {
      report(error);
      return sendError(
        res,
        'not-now',
        'The studio’s file is no longer in its place, so nothing was written. Stop Nelvik, put the file or a copy back, and start again.',
      );
    }
    // It was asked of a studio in whose place another was put meanwhile.
    if (isClosed(error))
      return sendError(res, 'not-now', 'Another copy of the studio was put back meanwhile; do it again.');
    if (code?.startsWith('SQLITE_CORRUPT') === true || code === 'SQLITE_NOTADB') {
      report(error);
      return sendError(
        res,
        'our-fault',
        'The studio’s file is damaged; nothing was changed. Put a copy back under Setup.',
      );
    }
    if (code?.startsWith('SQLITE_READONLY') === true) {
      report(error);
      return sendError(
        res,
        'not-now',
        'The studio’s file may not be written just now; nothing was changed. Look at the rights of its folder and disk.',
      );
    }
    if (code !== undefined && FULL.has(code)) {
      report(error);
      return sendError(
        res,
        'disk-full',
        'The disk is full, so this was not written and nothing was changed; make room and do it again.',
      );
    }
    report(error);
    sendError(
      res,
      'our-fault',
      'Something went wrong in Nelvik; nothing was changed. Try again, and if it stays, restart it.',
    );
  };
}

const isClosed = (error: unknown): boolean =>
  error instanceof TypeError && error.message === 'The database connection is not open';

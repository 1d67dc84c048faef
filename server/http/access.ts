import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';
import { sendError } from './errors.ts';

const COOKIE = 'nelvik_session';
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]', '::1']);

export const isLoopback = (host: string): boolean => LOOPBACK.has(host);

const digest = (text: string) => createHash('sha256').update(text).digest();

/**
 * Who may come in. On this computer alone: any page of this very address. Opened to the studio's network:
 * only after the passcode, held in a strict, http-only cookie.
 */
export function access(passcode: string | null) {
  const sessions = new Set<string>();
  const sessionOf = (req: Request) => /(?:^|;\s*)nelvik_session=([\w-]+)/.exec(req.headers.cookie ?? '')?.[1];
  return {
    /** Refuses pages of other origins and, on this computer alone, other host names (DNS rebinding). */
    sameOrigin(req: Request, res: Response, next: NextFunction): void {
      const host = req.headers.host ?? '';
      const name = host.replace(/:\d+$/, '');
      if (passcode === null && !isLoopback(name))
        return sendError(res, 'wrong-origin', 'Nelvik answers only on this computer.');
      const { origin } = req.headers;
      if (origin !== undefined && req.method !== 'GET' && origin !== `http://${host}` && origin !== `https://${host}`) {
        return sendError(res, 'wrong-origin', 'This page may not write to Nelvik.');
      }
      next();
    },
    admitted(req: Request, res: Response, next: NextFunction): void {
      if (passcode === null || sessions.has(sessionOf(req) ?? '')) return next();
      sendError(res, 'passcode-needed', 'Enter the studio passcode.');
    },
    enter(req: Request, res: Response): void {
      const given = (req.body as { passcode?: unknown })?.passcode;
      if (passcode === null) return void res.json({ ok: true });
      if (typeof given !== 'string' || !timingSafeEqual(digest(given), digest(passcode))) {
        return sendError(res, 'passcode-needed', 'That is not the studio passcode; try again.');
      }
      const token = randomBytes(24).toString('base64url');
      sessions.add(token);
      res.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/' }).json({ ok: true });
    },
  };
}

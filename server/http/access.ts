import { createHash, timingSafeEqual } from 'node:crypto';
import { hostname, networkInterfaces } from 'node:os';
import type { NextFunction, Request, Response } from 'express';
import type { OpeningAnswer } from '#contract';
import { showMinutes } from '#core/units';
import { sendError } from './errors.ts';
import { LONGEST_MS, type Session, type Sessions } from './sessions.ts';

const COOKIE = 'nelvik_session';
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]', '::1']);

export const isLoopback = (host: string): boolean => LOOPBACK.has(host);

/** How a studio is opened to others than this computer. */
export interface Opening {
  /** Null: to this computer alone. */
  readonly passcode: string | null;
  readonly sessions: Sessions | null;
  /** Names under which it is reached beside this computer's own, such as a proxy's. */
  readonly names: readonly string[];
  /** Whether it listens to the studio's network. */
  readonly isOnNetwork: boolean;
}

const digest = (text: string) => createHash('sha256').update(text).digest();

/**
 * Who may come in. On this computer alone: any page of this very address. Opened to the studio's network:
 * only after the passcode, held in a strict, http-only cookie.
 */
export function access({ passcode, sessions, names, isOnNetwork }: Opening) {
  const tokenOf = (req: Request) => /(?:^|;\s*)nelvik_session=([\w-]+)/.exec(req.headers.cookie ?? '')?.[1];
  const sessionOf = (req: Request): Session | null => {
    const token = tokenOf(req);
    return token === undefined || !sessions ? null : sessions.of(token);
  };
  const isOurs = (name: string) =>
    isLoopback(name) || (passcode !== null && (names.includes(name) || (isOnNetwork && isThisComputer(name))));
  return {
    /** Refuses pages of other origins, and every host name that is not this computer's (DNS rebinding). */
    sameOrigin(req: Request, res: Response, next: NextFunction): void {
      const host = req.host ?? '';
      if (!isOurs(host.replace(/:\d+$/, '').toLowerCase()))
        return sendError(
          res,
          'wrong-origin',
          passcode === null
            ? 'Nelvik answers only on this computer.'
            : 'Nelvik does not answer under this name; NELVIK_NAMES can add it.',
        );
      const { origin } = req.headers;
      if (origin !== undefined && req.method !== 'GET' && origin !== `http://${host}` && origin !== `https://${host}`) {
        return sendError(res, 'wrong-origin', 'This page may not write to Nelvik.');
      }
      next();
    },
    isIn: (req: Request): boolean => passcode === null || sessionOf(req) !== null,
    admitted(req: Request, res: Response, next: NextFunction): void {
      if (passcode === null || sessionOf(req)) return next();
      sendError(res, 'passcode-needed', 'Enter the studio passcode.');
    },
    enter(req: Request, res: Response): void {
      if (passcode === null || !sessions) return void res.json({ ok: true });
      const address = req.ip ?? '';
      const waitMs = sessions.waitOf(address);
      if (waitMs > 0) {
        const seconds = Math.ceil(waitMs / 1000);
        res.set('retry-after', String(seconds));
        return sendError(res, 'too-many', `Too many wrong tries; the next one is taken in ${waitWords(seconds)}.`);
      }
      const { passcode: given } = (req.body ?? {}) as { passcode?: unknown };
      if (typeof given !== 'string' || !timingSafeEqual(digest(given.trim()), digest(passcode))) {
        sessions.wrong(address);
        return sendError(res, 'passcode-needed', 'That is not the studio passcode; try again.');
      }
      sessions.right(address);
      const token = sessions.begin(
        /mobi|tablet|touch/i.test(req.headers['user-agent'] ?? '') ? 'hand' : 'desk',
        address,
      );
      res.cookie(COOKIE, token, { ...cookieOf(req), maxAge: LONGEST_MS }).json({ ok: true });
    },
    leave(req: Request, res: Response): void {
      const session = sessionOf(req);
      if (session) sessions?.end(session.id);
      res.clearCookie(COOKIE, cookieOf(req)).json({ ok: true });
    },
    end(req: Request, res: Response): void {
      sessions?.end(String(req.params.id));
      res.json({ ok: true });
    },
    /** How it is opened, and who has come in. */
    opening(req: Request, res: Response): void {
      const port = req.socket.localPort ?? 0;
      const own = sessionOf(req)?.id;
      const answer: OpeningAnswer = {
        isOpen: passcode !== null && (isOnNetwork || names.length > 0),
        hasPasscode: passcode !== null,
        addresses: [
          ...names.map((name) => `https://${name}`),
          ...(isOnNetwork ? ownAddresses().map((address) => `http://${address}:${port}`) : []),
        ],
        sessions: (sessions?.list() ?? []).map((session) => ({ ...session, isThis: session.id === own })),
      };
      res.set('cache-control', 'private, no-cache').json(answer);
    },
  };
}

const waitWords = (seconds: number): string => (seconds < 100 ? `${seconds} s` : showMinutes(Math.ceil(seconds / 60)));

const cookieOf = (req: Request) => ({ httpOnly: true, sameSite: 'strict', path: '/', secure: req.secure }) as const;

/** Addresses of this computer in the studio's network. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((one) => one.family === 'IPv4' && !one.internal).map((one) => one.address),
  );

function isThisComputer(name: string): boolean {
  const own = hostname().toLowerCase();
  if (name === own || name === `${own}.local`) return true;
  const plain = name.replace(/^\[|\]$/g, '');
  return Object.values(networkInterfaces()).some((all) => (all ?? []).some((one) => one.address === plain));
}

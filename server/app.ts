import { join } from 'node:path';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import { access, type Opening } from './http/access.ts';
import { api } from './http/api.ts';
import { catchAll } from './http/errors.ts';
import type { Copies, PutBack } from './copies/copies.ts';
import type { Desk } from './desk.ts';

export interface AppParts {
  readonly desk: Desk;
  readonly clock: () => number;
  readonly drawingWorker: URL | null;
  readonly paperWorker: URL | null;
  /** Folder of the built interface; null serves the API alone. */
  readonly web: string | null;
  readonly opening: Opening;
  /** Told of each request that is worth a line in the log. */
  readonly note: RequestHandler;
  readonly report: (error: unknown) => void;
  readonly copies: Copies;
  readonly putBack: (name: string) => Promise<PutBack>;
}

/** One process, one port: the built interface and the API behind the same guards. */
export function makeApp(parts: AppParts): { app: Express; close: () => void } {
  const app = express();
  app.disable('x-powered-by');
  // A proxy for HTTPS runs on this computer.
  app.set('trust proxy', 'loopback');
  app.use(parts.note);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'", 'blob:'],
          'connect-src': ["'self'"],
          'font-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  const gate = access(parts.opening);
  app.use((req, res, next) => gate.sameOrigin(req, res, next));
  const doors = api({ ...parts, gate });
  app.use('/api', doors.router);
  if (parts.web !== null) {
    const { web } = parts;
    app.use(express.static(web, { index: false, maxAge: '1h' }));
    app.get('/{*path}', (_req, res) => res.set('cache-control', 'no-cache').sendFile(join(web, 'index.html')));
  }
  app.use(catchAll(parts.report));
  return { app, close: doors.close };
}

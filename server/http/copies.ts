import { randomUUID } from 'node:crypto';
import { createWriteStream, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import type { Copies, PutBack } from '../copies/copies.ts';
import { firstBytes } from '../store/studioFile.ts';
import { sendError } from './errors.ts';

/** Save everything now, take a copy away, bring one, put one back. */
export function copiesDoor(copies: Copies, putBack: (name: string) => Promise<PutBack>): Router {
  const router = Router();
  router.get('/copies', (_req, res) => res.set('cache-control', 'private, no-cache').json(copies.answer()));
  router.post('/copies', async (_req, res) => {
    await copies.save('asked');
    res.json(copies.answer());
  });
  router.get('/copies/:name', (req, res) => {
    const file = copies.fileOf(req.params.name);
    if (file === null) return sendError(res, 'not-here', 'This copy is no longer in its place.');
    res.download(file, req.params.name);
  });
  router.put('/copies', async (req, res) => {
    copies.mustHaveRoom(Number(req.headers['content-length'] ?? 0));
    const draft = join(copies.folder, `coming-${randomUUID()}.part`);
    try {
      await pipeline(req, createWriteStream(draft));
      const kind = /^\s*\{/.test(firstBytes(draft, 64)) ? 'json' : 'sqlite';
      const name = copies.freeName('brought', null, kind);
      renameSync(draft, join(copies.folder, name));
      res.json({ name });
    } finally {
      rmSync(draft, { force: true });
    }
  });
  router.post('/copies/:name/put-back', async (req, res) => {
    const done = await putBack(req.params.name);
    if ('problem' in done) return sendError(res, 'bad-input', done.problem);
    res.json(done);
  });
  return router;
}

import { gunzipSync } from 'node:zlib';
import type { Request, Response } from 'express';

/**
 * Sends JSON that lies packed with gzip as it is, or unpacked to whoever cannot read it.
 * @param tag changes with the content
 */
export function sendPacked(req: Request, res: Response, packed: Buffer, tag: string): void {
  res.set('etag', `"${tag}"`).vary('accept-encoding').type('json');
  if (req.fresh) return void res.status(304).end();
  if (req.acceptsEncodings('gzip')) return void res.set('content-encoding', 'gzip').send(packed);
  res.send(gunzipSync(packed));
}

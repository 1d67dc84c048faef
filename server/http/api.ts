import express, { Router, type Response } from 'express';
import rateLimit from 'express-rate-limit';
import {
  cartoonSchema,
  editSchema,
  firstProblem,
  putBackSchema,
  submitSchema,
  type Accepted,
  type Submit,
} from '#contract';
import { settingsOf, type Refusal } from '#core/bench';
import { looksLikeDxf } from '#core/cartoon';
import { drawingRefusalWords, editRefusalWords, refusalWords } from '#core/words';
import type { Desk } from '../desk.ts';
import { Drawings } from '../drawings.ts';
import { liveChannel } from '../live/live.ts';
import { panelAnswer, studioAnswer } from './answers.ts';
import type { access } from './access.ts';
import { sendError } from './errors.ts';

const COMMAND_LIMIT = '1mb';
const DRAWING_LIMIT = '33mb';

export interface ApiParts {
  readonly desk: Desk;
  readonly clock: () => number;
  readonly drawingWorker: URL | null;
  readonly gate: ReturnType<typeof access>;
}

/** The doors of the server: queries, commands, drawings, undo, the live channel. */
export function api({ desk, clock, drawingWorker, gate }: ApiParts) {
  const router = Router();
  const live = liveChannel(desk);
  const drawings = new Drawings(desk, drawingWorker, clock);
  const answer = (res: Response, result: Accepted | { refusal: Refusal }) => {
    if (!('refusal' in result)) return void res.json(result);
    sendError(res, 'refused', refusalWords(result.refusal, settingsOf(desk.studio).unit, desk.studio), result.refusal);
  };
  const drawn = (res: Response, result: Awaited<ReturnType<Drawings['takeIn']>>) => {
    if ('drawing' in result) sendError(res, 'drawing-refused', drawingRefusalWords(result.drawing));
    else if ('edit' in result) sendError(res, 'drawing-refused', editRefusalWords(result.edit));
    else answer(res, result);
  };
  const slow = rateLimit({
    windowMs: 60_000,
    limit: 20,
    handler: (_req, res) => sendError(res, 'too-many', 'Too many tries; wait a minute.'),
  });

  router.post('/enter', slow, express.json({ limit: '2kb' }), (req, res) => gate.enter(req, res));
  router.use((req, res, next) => gate.admitted(req, res, next));

  router.get('/studio', (_req, res) => void res.json(studioAnswer(desk, clock())));
  router.get('/live', (req, res) => live.join(req, res));
  router.get('/panels/:id', (req, res) => {
    if (!desk.studio.get('panels', req.params.id))
      return sendError(res, 'not-here', 'This panel is not in the studio.');
    res.json(panelAnswer(desk, req.params.id));
  });
  router.get('/cartoons/:id', (req, res) => {
    const reading = desk.store.cartoonReading(req.params.id);
    if (reading === null) return sendError(res, 'not-here', 'This drawing is not in the studio.');
    res.set('cache-control', 'private, max-age=31536000, immutable').type('json').send(reading);
  });
  router.get('/cartoons/:id/source', (req, res) => {
    const found = desk.store.cartoonSource(req.params.id);
    if (!found) return sendError(res, 'not-here', 'This drawing is not in the studio.');
    // Sent as a download and as plain bytes: imported markup is never shown as a page.
    res
      .set('content-type', 'application/octet-stream')
      .set('content-disposition', `attachment; filename="drawing.${looksLikeDxf(found.source) ? 'dxf' : 'svg'}"`)
      .send(found.source);
  });
  router.get('/ledger', (_req, res) => {
    res.json({ moves: [...desk.studio.all('moves')].sort((a, b) => a.rev - b.rev) });
  });
  router.get('/export', (_req, res) => {
    const { studio } = desk;
    res.set('content-disposition', 'attachment; filename="nelvik-studio.json"');
    res.json({
      nelvik: 1,
      ...studioAnswer(desk, clock()),
      pieces: [...studio.all('pieces')],
      moves: [...studio.all('moves')],
      log: [...desk.store.entries()],
    });
  });

  router.post('/commands', express.json({ limit: COMMAND_LIMIT }), (req, res) => {
    const parsed = submitSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    answer(res, desk.submit(parsed.data as Submit, clock()));
  });
  router.post('/put-back', express.json({ limit: COMMAND_LIMIT }), (req, res) => {
    const parsed = putBackSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    answer(res, desk.putBack(parsed.data.direction, parsed.data, clock()));
  });
  router.post('/panels/:id/cartoon', express.json({ limit: DRAWING_LIMIT }), async (req, res) => {
    const parsed = cartoonSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    const panel = desk.studio.get('panels', req.params.id);
    if (!panel) return sendError(res, 'not-here', 'This panel is not in the studio.');
    drawn(res, await drawings.takeIn(panel, parsed.data));
  });
  router.post('/panels/:id/edit', express.json({ limit: COMMAND_LIMIT }), async (req, res) => {
    const parsed = editSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    const panel = desk.studio.get('panels', req.params.id);
    if (!panel) return sendError(res, 'not-here', 'This panel is not in the studio.');
    drawn(res, await drawings.change(panel, parsed.data));
  });
  router.use((_req, res) => sendError(res, 'not-here', 'There is nothing at this address.'));
  return { router, close: () => live.close() };
}

import { randomUUID } from 'node:crypto';
import express, { Router, type Response } from 'express';
import rateLimit from 'express-rate-limit';
import {
  cartoonSchema,
  firstProblem,
  putBackSchema,
  submitSchema,
  type Accepted,
  type CartoonAnswer,
  type Submit,
} from '#contract';
import { settingsOf, type Refusal } from '#core/bench';
import type { LineAllowance } from '#core/sizing';
import { drawingRefusalWords, refusalWords } from '#core/words';
import { runDrawing } from '../jobs/runDrawing.ts';
import type { DrawingResult } from '../jobs/readDrawing.ts';
import type { Desk } from '../desk.ts';
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
  const answer = (res: Response, result: Accepted | { refusal: Refusal }) => {
    if (!('refusal' in result)) return void res.json(result);
    sendError(res, 'refused', refusalWords(result.refusal, settingsOf(desk.studio).unit, desk.studio), result.refusal);
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
      .set('content-disposition', 'attachment; filename="drawing.svg"')
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
    const { source, sourceName, widthMm, heightMm, snapMm, layersIn, outline, ...facts } = parsed.data;
    const allowance = outline ? { ...panel.allowance, outline } : panel.allowance;
    const result = await runDrawing(
      { source, options: { widthMm, heightMm, snapMm, layersIn }, allowance },
      drawingWorker,
    );
    if ('refusal' in result) return sendError(res, 'drawing-refused', drawingRefusalWords(result.refusal));
    const at = clock();
    const cartoonId = randomUUID();
    const reading: CartoonAnswer = {
      id: cartoonId,
      cartoon: result.cartoon,
      cuts: result.cuts,
      cuttability: result.cuttability,
      findings: result.findings,
      repairs: result.repairs,
    };
    const stored = { id: cartoonId, panelId: panel.id, at, sourceName, source, reading: JSON.stringify(reading) };
    answer(res, desk.acceptCartoon(cartoonAsk(panel.id, cartoonId, sourceName, result, allowance), stored, facts, at));
  });
  router.use((_req, res) => sendError(res, 'not-here', 'There is nothing at this address.'));
  return { router, close: () => live.close() };
}

/** What the log keeps of a reading: the pieces by number, in whole mm². */
export function cartoonAsk(
  panelId: string,
  cartoonId: string,
  sourceName: string,
  result: DrawingResult,
  allowance: LineAllowance,
) {
  const { cartoon, cuts, cuttability } = result;
  const { minX, minY, maxX, maxY } = cartoon.box;
  return {
    panelId,
    cartoonId,
    sourceName,
    allowance,
    joints: cartoon.joints.length,
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    pieces: cartoon.pieces.map((piece, i) => {
      const cut = cuts[i] as DrawingResult['cuts'][number];
      return {
        number: piece.number,
        label: piece.label,
        areaMm2: Math.max(1, Math.round(cut.areaMm2)),
        perimeterMm: Math.round(cut.perimeterMm * 10) / 10,
        widthMm: Math.round(cut.widthMm * 10) / 10,
        heightMm: Math.round(cut.heightMm * 10) / 10,
        difficulty: cuttability[i]?.difficulty ?? 1,
      };
    }),
  };
}

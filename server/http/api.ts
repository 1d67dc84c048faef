import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import compression from 'compression';
import express, { Router, type Response } from 'express';
import {
  cartoonSchema,
  editSchema,
  firstProblem,
  putBackSchema,
  submitSchema,
  type Accepted,
  type Submit,
} from '#contract';
import { refusalWords, settingsOf, type Refusal } from '#core/bench';
import { drawingRefusalWords, editRefusalWords } from '#core/words';
import type { Desk } from '../desk.ts';
import { Drawings } from '../drawings.ts';
import { exportParts } from '../export.ts';
import type { Copies, PutBack } from '../copies/copies.ts';
import { Shelf } from '../shelf.ts';
import { hashOf } from '../store/packing.ts';
import { liveChannel } from '../live/live.ts';
import type { access } from './access.ts';
import { copiesDoor } from './copies.ts';
import { sendError } from './errors.ts';
import { papers } from './papers.ts';
import { queries } from './queries.ts';

const COMMAND_LIMIT = '1mb';
/** What a browser has made of a photo: small enough to be kept for good. */
const PICTURE_LIMIT = '4mb';
/** A picture in base 64 is a third larger. */
const NOTE_LIMIT = '6mb';
const DRAWING_LIMIT = '33mb';
/** Quick, and within a fifth of the smallest. */
const PACK_LEVEL = 2;

export interface ApiParts {
  readonly desk: Desk;
  readonly clock: () => number;
  readonly drawingWorker: URL | null;
  readonly paperWorker: URL | null;
  readonly gate: ReturnType<typeof access>;
  readonly copies: Copies;
  readonly putBack: (name: string) => Promise<PutBack>;
}

/** The doors of the server: queries, commands, drawings, undo, the live channel. */
export function api({ desk, clock, drawingWorker, paperWorker, gate, copies, putBack }: ApiParts) {
  const router = Router();
  const live = liveChannel(desk);
  const drawings = new Drawings(desk, drawingWorker, clock);
  const shelf = new Shelf(desk, drawings);
  const answer = (res: Response, result: Accepted | { refusal: Refusal }) => {
    if (!('refusal' in result)) return void res.json(result);
    sendError(res, 'refused', refusalWords(result.refusal, settingsOf(desk.state).unit, desk.state), result.refusal);
  };
  const drawn = (res: Response, result: Awaited<ReturnType<Drawings['takeIn']>>) => {
    if ('drawing' in result) sendError(res, 'drawing-refused', drawingRefusalWords(result.drawing));
    else if ('edit' in result) sendError(res, 'drawing-refused', editRefusalWords(result.edit));
    else answer(res, result);
  };
  router.post('/enter', express.json({ limit: '2kb' }), (req, res) => gate.enter(req, res));
  router.use((req, res, next) => gate.admitted(req, res, next));
  router.get('/opening', (req, res) => gate.opening(req, res));
  router.post('/leave', (req, res) => {
    gate.leave(req, res);
    live.lookAgain();
  });
  router.post('/sessions/:id/end', (req, res) => {
    gate.end(req, res);
    live.lookAgain();
  });
  router.use(copiesDoor(copies, putBack));
  // What is not written to the studio's own file any more is not answered as if it were.
  router.use((_req, _res, next) => {
    desk.store.mustBeInPlace();
    next();
  });
  router.get('/live', (req, res) => live.join(req, res, () => gate.isIn(req)));
  router.use(compression({ level: PACK_LEVEL }));
  router.use(queries(desk, drawings, shelf, clock));
  router.use(papers(desk, drawings, shelf, paperWorker));
  router.get('/export', async (_req, res) => {
    res.attachment('nelvik-studio.json').type('json');
    await pipeline(Readable.from(exportParts(desk.store)), res);
  });

  router.post('/commands', express.json({ limit: COMMAND_LIMIT }), async (req, res) => {
    const parsed = submitSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    answer(res, await shelf.submit(parsed.data as Submit, clock()));
  });
  // A note with its photo is one step: it waits in the browser as a whole while there is no network.
  router.post('/notes', express.json({ limit: NOTE_LIMIT }), (req, res) => {
    const { jpeg, ...envelope } = (req.body ?? {}) as { jpeg?: unknown };
    const content = typeof jpeg === 'string' ? Buffer.from(jpeg, 'base64') : null;
    if (jpeg !== undefined && (content === null || !isJpeg(content)))
      return sendError(res, 'bad-input', 'This is no picture that can be kept; nothing was changed.');
    const parsed = submitSchema.safeParse(content === null ? envelope : withPicture(envelope, hashOf(content)));
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    if (parsed.data.command.kind !== 'write-note')
      return sendError(res, 'bad-input', 'Only notes are entered here; nothing was changed.');
    if (content !== null) desk.store.drawings.keepFile(content, 'image/jpeg');
    answer(res, desk.submit(parsed.data as Submit, clock()));
  });
  router.post('/pictures', express.raw({ type: 'image/jpeg', limit: PICTURE_LIMIT }), (req, res) => {
    const content: unknown = req.body;
    if (!Buffer.isBuffer(content) || !isJpeg(content))
      return sendError(res, 'bad-input', 'This is no picture that can be kept; nothing was changed.');
    res.json({ hash: desk.store.drawings.keepFile(content, 'image/jpeg') });
  });
  router.post('/put-back', express.json({ limit: COMMAND_LIMIT }), (req, res) => {
    const parsed = putBackSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    const { data } = parsed;
    answer(
      res,
      'entry' in data
        ? desk.putEntryBack(data.entry, data, clock())
        : desk.putBack(data.direction, data.place, data, clock()),
    );
  });
  router.post('/panels/:id/cartoon', express.json({ limit: DRAWING_LIMIT }), async (req, res) => {
    const parsed = cartoonSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    const panel = desk.state.get('panels', String(req.params.id));
    if (!panel) return sendError(res, 'not-here', 'This panel is not in the studio.');
    drawn(res, await drawings.takeIn(panel, parsed.data, whileAsked(res)));
  });
  router.post('/panels/:id/edit', express.json({ limit: COMMAND_LIMIT }), async (req, res) => {
    const parsed = editSchema.safeParse(req.body);
    if (!parsed.success) return sendError(res, 'bad-input', firstProblem(parsed.error));
    const id = String(req.params.id);
    const panel = desk.state.get('panels', id);
    if (!panel && !parsed.data.panel) return sendError(res, 'not-here', 'This panel is not in the studio.');
    drawn(res, await drawings.change(id, panel, parsed.data, whileAsked(res)));
  });
  router.use((_req, res) => sendError(res, 'not-here', 'There is nothing at this address.'));
  return { router, close: () => live.close() };
}

/** A note that names the photo that comes with it. */
function withPicture(envelope: object, picture: string): object {
  const { command } = envelope as { command?: { ask?: object } };
  return { ...envelope, command: { ...command, ask: { ...command?.ask, picture } } };
}

/** Begins as a JPEG does, and ends as one (ITU-T T.81, B.1.1.3: start and end of image). */
const isJpeg = (content: Buffer): boolean =>
  content.length > 100 && content.readUInt16BE(0) === 0xffd8 && content.readUInt16BE(content.length - 2) === 0xffd9;

/** Long work ends when whoever asked for it has gone. */
function whileAsked(res: Response): AbortSignal {
  const asked = new AbortController();
  res.on('close', () => {
    if (!res.writableFinished) asked.abort();
  });
  return asked.signal;
}

import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { undoQuery } from '#contract';
import { looksLikeDxf } from '#core/cartoon';
import { limitsOf, NOTES_ABOUT, PUT_AWAY, subjectOf } from '#core/bench';
import { studyRules } from '#core/cutting';
import type { Desk } from '../desk.ts';
import type { Drawings } from '../drawings.ts';
import { calendarOf } from '../queries/calendar.ts';
import { besideAnswer } from '../queries/beside.ts';
import { awayAnswer, hangsAnswer } from '../queries/away.ts';
import { panelHistory, pieceAnswer } from '../queries/history.ts';
import { archivedAnswer, commissionAnswer, jobsAnswer } from '../queries/jobs.ts';
import { panelAnswer, panelHoursAnswer } from '../queries/panel.ts';
import { labelsAnswer, ledgerAnswer, rackAnswer } from '../queries/rack.ts';
import { reckoningAnswer } from '../queries/reckoning.ts';
import { dayAnswer } from '../queries/day.ts';
import { plansAnswer } from '../queries/plans.ts';
import { waitsAnswer } from '../queries/waits.ts';
import { suppliesAnswer } from '../queries/supplies.ts';
import type { Shelf } from '../shelf.ts';
import { studioAnswer } from '../queries/studio.ts';
import { todayAnswer } from '../queries/today.ts';
import { unpack } from '../store/packing.ts';
import { sendPacked } from './answers.ts';
import { sendError } from './errors.ts';

const before = z.coerce.number().int().min(0).optional().catch(undefined);
const instant = z.coerce.number().int().min(0).max(8.64e15);
/** Days as the studio counts them, and the instants between which they lie. */
const day = z.string().regex(/^\d{4}-\d\d-\d\d$/);
/** A label, and after it as many as a crate holds. */
const labels = z.object({ first: z.string().trim().min(1).max(80), many: z.coerce.number().int().min(0).max(40) });
const period = z.object({ from: instant, to: instant, first: day, last: day });
const LONGEST_MS = 32 * 24 * 3600 * 1000;
const FOREVER = 'private, max-age=31536000, immutable';

/** One question a place. Answers carry a tag: what has not changed is not sent again. */
export function queries(desk: Desk, drawings: Drawings, shelf: Shelf, clock: () => number): Router {
  const router = Router();
  const found = (res: Response, answer: object | null, what: string) => {
    if (answer === null) return sendError(res, 'not-here', `This ${what} is not in the studio.`);
    res.set('cache-control', 'private, no-cache').json(answer);
  };
  const beforeOf = (req: Request) => before.parse(req.query.before) ?? null;

  router.get('/studio', (_req, res) => found(res, studioAnswer(desk, clock()), 'studio'));
  router.get('/today', async (_req, res) => found(res, todayAnswer(desk, await shelf.supplies()), 'day'));
  router.get('/calendar.ics', (req, res) =>
    res
      .set('cache-control', 'private, no-cache')
      .attachment('due days.ics')
      .type('text/calendar')
      .send(calendarOf(desk, clock(), `${req.protocol}://${req.get('host') ?? 'localhost'}`)),
  );
  router.get('/jobs', (req, res) => {
    const after = typeof req.query.after === 'string' ? req.query.after : null;
    const answer = req.query.archived === undefined ? jobsAnswer : archivedAnswer;
    found(res, answer(desk, after, clock()), 'list');
  });
  router.get('/commissions/:id', (req, res) => found(res, commissionAnswer(desk, req.params.id, clock()), 'job'));
  router.get('/panels/:id', (req, res) => found(res, panelAnswer(desk, req.params.id), 'panel'));
  router.get('/panels/:id/beside', (req, res) => found(res, besideAnswer(desk, req.params.id), 'panel'));
  router.get('/panels/:id/history', (req, res) =>
    found(res, panelHistory(desk, req.params.id, beforeOf(req)), 'panel'),
  );
  router.get('/panels/:id/hours', (req, res) => found(res, panelHoursAnswer(desk, req.params.id), 'panel'));
  router.get('/pieces/:panel/:piece', (req, res) =>
    found(res, pieceAnswer(desk, `${req.params.panel}/${req.params.piece}`), 'piece'),
  );
  router.get('/undo', (req, res) => {
    const asked = undoQuery.safeParse(req.query);
    if (!asked.success) return sendError(res, 'bad-input', 'Say where and for whom.');
    const { place, ...who } = asked.data;
    found(res, { seq: desk.seq, ...desk.undoWords(place, who) }, 'place');
  });
  router.get('/notes/:about/:id', (req, res) => {
    const about = NOTES_ABOUT.find((one) => one === req.params.about);
    const subject = about ? subjectOf(about, req.params.id) : null;
    const notes = subject === null ? null : [...desk.state.ask('notesAbout', subject)].sort((a, b) => b.at - a.at);
    found(res, notes && { seq: desk.seq, notes }, 'list');
  });
  router.get('/waits', (_req, res) => found(res, waitsAnswer(desk), 'list'));
  router.get('/supplies', (_req, res) => found(res, suppliesAnswer(desk), 'list'));
  router.get('/in-work', async (_req, res) => {
    const inWork = (await shelf.inWork()).map((one) => ({
      ...one,
      panelName: desk.state.get('panels', one.panelId)?.name ?? '',
    }));
    found(res, { seq: desk.seq, inWork }, 'list');
  });
  router.get('/panels/:id/plans', (req, res) => found(res, plansAnswer(desk, req.params.id), 'panel'));
  router.get('/days', (req, res) => {
    const asked = period.safeParse(req.query);
    if (!asked.success || asked.data.to < asked.data.from || asked.data.to - asked.data.from > LONGEST_MS)
      return sendError(res, 'bad-input', 'Say from which day to which, a month at most; nothing was changed.');
    const { from, to, first, last } = asked.data;
    found(res, dayAnswer(desk, from, to, [first, last]), 'day');
  });
  router.get('/rack', (_req, res) => found(res, rackAnswer(desk), 'rack'));
  router.get('/labels', (req, res) => {
    const asked = labels.safeParse(req.query);
    if (!asked.success) return sendError(res, 'bad-input', 'Say after which label, and how many; nothing was changed.');
    found(res, labelsAnswer(desk, asked.data.first, asked.data.many), 'label');
  });
  router.get('/away', (_req, res) => found(res, awayAnswer(desk, clock()), 'list'));
  router.get('/hangs/:table/:id', (req, res) => {
    const table = PUT_AWAY.find((t) => t === req.params.table);
    found(res, table ? hangsAnswer(desk, table, req.params.id, clock()) : null, 'entry');
  });
  router.get('/rack/:id/ledger', (req, res) => found(res, ledgerAnswer(desk, req.params.id, beforeOf(req)), 'sheet'));
  router.get('/reckoning', (req, res) => {
    const from = instant.safeParse(req.query.from);
    const to = instant.safeParse(req.query.to);
    if (!from.success || !to.success || to.data < from.data)
      return sendError(res, 'bad-input', 'Say from which day to which; nothing was changed.');
    found(res, reckoningAnswer(desk, from.data, to.data, clock()), 'period');
  });

  router.get('/drawings/:id', (req, res) => {
    const packed = desk.store.drawings.packed(req.params.id);
    if (packed === null) return sendError(res, 'not-here', 'This drawing is not in the studio.');
    res.set('cache-control', FOREVER);
    sendPacked(req, res, packed, req.params.id);
  });
  for (const [path, part] of [
    ['study', 'packed'],
    ['sketch', 'sketch'],
  ] as const)
    router.get(`/drawings/:id/${path}`, async (req, res) => {
      const packed = await drawings.study(String(req.params.id), part);
      if (packed === null) return sendError(res, 'not-here', 'This drawing is not in the studio.');
      res.set('cache-control', 'private, no-cache');
      sendPacked(req, res, packed, `${req.params.id}.${studyRules(limitsOf(desk.state))}`);
    });
  router.get('/pictures/:hash', (req, res) => {
    const picture = desk.store.drawings.file(req.params.hash);
    if (picture?.mediaType !== 'image/jpeg') return sendError(res, 'not-here', 'This picture is not in the studio.');
    res.set('cache-control', FOREVER).type('jpeg').send(unpack(picture.packed));
  });
  router.get('/drawings/:id/source', (req, res) => {
    const source = desk.store.drawings.source(req.params.id);
    if (!source) return sendError(res, 'not-here', 'This drawing is not in the studio.');
    // Sent as a download and as plain bytes: imported markup is never shown as a page.
    const kind = looksLikeDxf(source.content.toString('latin1')) ? 'dxf' : 'svg';
    res.attachment(`drawing.${kind}`).set('content-type', 'application/octet-stream').send(source.content);
  });
  return router;
}

import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { PAPER_KINDS, PAPER_NAMES, PAPER_TITLES, TABLED } from '#core/papers';
import type { Desk } from '../desk.ts';
import type { Drawings } from '../drawings.ts';
import { JobPool, type JobLimits } from '../jobs/pool.ts';
import { OUTLINE_FORMATS } from '../papers/outlines.ts';
import { paperFacts } from '../papers/paperFacts.ts';
import { work, type PaperJob } from '../papers/paperWork.ts';
import type { Shelf } from '../shelf.ts';
import { sendError } from './errors.ts';

const LIMITS: JobLimits = { longestMs: 60_000, mostMemoryMb: 1024 };
const AT_ONCE = 1;

const flag = z
  .enum(['0', '1'])
  .optional()
  .transform((said) => said === '1');
const paperQuery = z.object({
  kind: z.enum(PAPER_KINDS),
  paper: z.enum(PAPER_NAMES).default('A4'),
  mirrored: flag,
  coloured: flag,
  byGlass: flag,
});
const outlineQuery = z.object({
  format: z.enum(OUTLINE_FORMATS),
  kerf: z.coerce.number().min(0).max(5).default(0),
  arranged: z.enum(['panel', 'rows']).default('panel'),
});

const TYPES = { svg: 'image/svg+xml', dxf: 'application/dxf' } as const;

/** The papers of a panel: as pages to look at, as a PDF, and its cut outlines as files for a plotter. */
export function papers(desk: Desk, drawings: Drawings, shelf: Shelf, worker: URL | null): Router {
  const router = Router();
  const pool = new JobPool(worker, AT_ONCE, (job) => work(job as PaperJob));
  const made = async (
    req: Request,
    res: Response,
    job: DistributiveOmit<PaperJob, 'facts'>,
  ): Promise<Buffer | null> => {
    const id = String(req.params.id);
    const facts = await paperFacts(desk, drawings, shelf, id, `${req.protocol}://${req.get('host') ?? 'localhost'}`);
    if (facts === null) {
      sendError(res, 'not-here', 'There is no drawing of this panel yet, so there is nothing to print.');
      return null;
    }
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const answer = await pool.run({ ...job, facts } as PaperJob, { limits: LIMITS, signal: gone.signal });
    return Buffer.from(answer as Uint8Array);
  };
  const fileName = (id: string, title: string, ending: string) =>
    `${desk.state.get('panels', id)?.name ?? 'panel'} ${title.toLowerCase()}.${ending}`.replace(
      /[^\p{L}\p{N}. -]/gu,
      '',
    );

  const paper = (as: 'pages' | 'pdf') => async (req: Request, res: Response) => {
    const asked = paperQuery.safeParse({ ...req.query, kind: req.params.kind });
    if (!asked.success) return sendError(res, 'bad-input', 'There is no such paper, or no such size of paper.');
    const { kind, paper: name, mirrored: isMirrored, coloured: isColoured, byGlass: isByGlass } = asked.data;
    const options = { paper: name, isMirrored, isColoured, isByGlass };
    const answer = await made(req, res, { as, kind, options });
    if (answer === null) return;
    res.set('cache-control', 'private, no-cache');
    if (as === 'pages') res.type('json').send(answer);
    else
      res
        .attachment(fileName(String(req.params.id), PAPER_TITLES[kind], 'pdf'))
        .type('pdf')
        .send(answer);
  };
  router.get('/panels/:id/papers/:kind', paper('pages'));
  router.get('/panels/:id/papers/:kind/pdf', paper('pdf'));
  router.get('/panels/:id/papers/:kind/csv', async (req, res) => {
    const kind = TABLED.find((one) => one === req.params.kind);
    if (kind === undefined) return sendError(res, 'bad-input', 'This paper is no table.');
    const answer = await made(req, res, { as: 'csv', kind });
    if (answer === null) return;
    res
      .attachment(fileName(String(req.params.id), PAPER_TITLES[kind], 'csv'))
      .type('text/csv')
      .send(answer);
  });
  router.get('/panels/:id/outlines/:format', async (req, res) => {
    const asked = outlineQuery.safeParse({ ...req.query, format: req.params.format });
    if (!asked.success) return sendError(res, 'bad-input', 'Outlines come as SVG or DXF, with a kerf of 0 to 5 mm.');
    const { format, kerf: kerfMm, arranged } = asked.data;
    const answer = await made(req, res, { as: 'outlines', format, options: { kerfMm, arranged } });
    if (answer === null) return;
    res
      .attachment(fileName(String(req.params.id), 'outlines', format))
      .set('content-type', TYPES[format])
      .send(answer);
  });
  return router;
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

import type {
  Accepted,
  AnswerOf,
  CartoonAnswer,
  CopiesAnswer,
  DrawingAnswer,
  ErrorAnswer,
  OpeningAnswer,
  Place,
  StudyAnswer,
} from '#contract';
import type { NoteAbout, PutAwayTable, UndoPlace } from '#core/bench';
import type { Page } from '#core/papers';
import type { Sketch } from '#core/cartoon';

/** A refusal from the server, or no answer at all: `words` is what the user reads. */
export class ApiError extends Error {
  readonly code: ErrorAnswer['error'] | 'no-answer' | 'given-up' | 'kept-for-later';
  readonly refusal: ErrorAnswer['refusal'];

  constructor(code: ApiError['code'], words: string, refusal?: ErrorAnswer['refusal']) {
    super(words);
    this.code = code;
    this.refusal = refusal;
  }
}

const noAnswer = () =>
  new ApiError('no-answer', 'Nelvik does not answer; your last step is kept here and sent again as soon as it does.');

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(`/api${path}`, init);
    body = await response.json();
  } catch {
    // No answer at all, or one that is none of Nelvik's: a proxy's before a server that is away, a network's own page.
    throw noAnswer();
  }
  if (response.ok) return body as T;
  if (!isErrorAnswer(body)) throw noAnswer();
  throw new ApiError(body.error, body.words, body.refusal);
}

const isErrorAnswer = (body: unknown): body is ErrorAnswer =>
  typeof body === 'object' && body !== null && 'error' in body && 'words' in body;

const post = <T>(path: string, body: unknown): Promise<T> =>
  ask(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

const at = encodeURIComponent;
const place = <P extends Place>(path: string): Promise<AnswerOf<P>> => ask<AnswerOf<P>>(path);

export const api = {
  studio: () => place<'studio'>('/studio'),
  today: () => place<'today'>('/today'),
  jobs: (after: string | null) => place<'jobs'>(after === null ? '/jobs' : `/jobs?after=${at(after)}`),
  archivedJobs: (after: string | null) =>
    place<'jobs'>(after === null ? '/jobs?archived' : `/jobs?archived&after=${at(after)}`),
  away: () => place<'away'>('/away'),
  hangs: (table: PutAwayTable, id: string) => place<'hangs'>(`/hangs/${table}/${at(id)}`),
  commission: (id: string) => place<'commission'>(`/commissions/${at(id)}`),
  panel: (id: string) => place<'panel'>(`/panels/${at(id)}`),
  panelHistory: (id: string) => place<'history'>(`/panels/${at(id)}/history`),
  beside: (id: string) => place<'beside'>(`/panels/${at(id)}/beside`),
  panelHours: (id: string) => place<'panelHours'>(`/panels/${at(id)}/hours`),
  /** What undo and redo would do next at a place. */
  undo: (undoPlace: UndoPlace, personId: string | null, bench: string) =>
    place<'undo'>(
      `/undo?${new URLSearchParams({
        ...(typeof undoPlace === 'object' ? { place: 'panel', panel: undoPlace.panelId } : { place: undoPlace }),
        ...(personId === null ? {} : { person: personId }),
        bench,
      }).toString()}`,
    ),
  /** @param id of the piece's row: the panel's, a slash and the piece's own */
  piece: (id: string) => place<'piece'>(`/pieces/${id.split('/').map(at).join('/')}`),
  rack: () => place<'rack'>('/rack'),
  /** Labels that are free after one. */
  labels: (first: string, many: number) => place<'labels'>(`/labels?first=${at(first)}&many=${many}`),
  waits: () => place<'waits'>('/waits'),
  supplies: () => place<'supplies'>('/supplies'),
  inWork: () => place<'in-work'>('/in-work'),
  plans: (panelId: string) => place<'plans'>(`/panels/${at(panelId)}/plans`),
  /** @param days the first and the last, `YYYY-MM-DD` */
  day: (from: number, to: number, [first, last]: readonly [string, string]) =>
    place<'day'>(`/days?from=${from}&to=${to}&first=${first}&last=${last}`),
  ledger: (stockId: string) => place<'ledger'>(`/rack/${at(stockId)}/ledger`),
  reckoning: (from: number, to: number) => place<'reckoning'>(`/reckoning?from=${from}&to=${to}`),
  notes: (about: NoteAbout, id: string) => place<'notes'>(`/notes/${about}/${at(id)}`),
  /** The pages of a paper, drawn anew each time. */
  pages: (path: string, signal: AbortSignal) => ask<Page[]>(path, { signal }),
  /** A drawing with what follows from it. */
  cartoon: async (id: string): Promise<CartoonAnswer> => {
    const [drawing, study] = await Promise.all([
      ask<DrawingAnswer>(`/drawings/${at(id)}`),
      ask<StudyAnswer>(`/drawings/${at(id)}/study`),
    ]);
    return { id, ...drawing, ...study };
  },
  /** Keeps a JPEG by its content. */
  keepPicture: (picture: Blob) =>
    ask<{ readonly hash: string }>('/pictures', {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg' },
      body: picture,
    }),
  sketch: (id: string) => ask<Sketch>(`/drawings/${at(id)}/sketch`),
  /** One step from the outbox. */
  step: (path: string, body: object) => post<Accepted>(path, body),
  enter: (passcode: string) => post<{ ok: true }>('/enter', { passcode }),
  leave: () => post<{ ok: true }>('/leave', {}),
  opening: () => ask<OpeningAnswer>('/opening'),
  endSession: (id: string) => post<{ ok: true }>(`/sessions/${at(id)}/end`, {}),
  copies: () => ask<CopiesAnswer>('/copies'),
  saveCopy: () => post<CopiesAnswer>('/copies', {}),
  bringCopy: (file: Blob) => ask<{ readonly name: string }>('/copies', { method: 'PUT', body: file }),
  putCopyBack: (name: string) => post<{ readonly entries: number }>(`/copies/${at(name)}/put-back`, {}),
};

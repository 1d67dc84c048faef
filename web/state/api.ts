import type { Accepted, CartoonAnswer, ErrorAnswer, PanelAnswer, StudioAnswer } from '#contract';
import type { StockMove } from '#core/stock';

/** A refusal from the server, or no answer at all: `words` is what the user reads. */
export class ApiError extends Error {
  readonly code: ErrorAnswer['error'] | 'no-answer';

  constructor(code: ErrorAnswer['error'] | 'no-answer', words: string) {
    super(words);
    this.code = code;
  }
}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new ApiError(
      'no-answer',
      'Nelvik does not answer; your last step is kept here and sent again as soon as it does.',
    );
  }
  if (response.ok) return (await response.json()) as T;
  const body = (await response.json().catch(() => null)) as ErrorAnswer | null;
  throw new ApiError(body?.error ?? 'our-fault', body?.words ?? 'Something went wrong in Nelvik; nothing was changed.');
}

const post = <T>(path: string, body: unknown): Promise<T> =>
  ask(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

export const api = {
  studio: () => ask<StudioAnswer>('/studio'),
  panel: (id: string) => ask<PanelAnswer>(`/panels/${encodeURIComponent(id)}`),
  cartoon: (id: string) => ask<CartoonAnswer>(`/cartoons/${encodeURIComponent(id)}`),
  ledger: () => ask<{ moves: StockMove[] }>('/ledger'),
  submit: (body: unknown) => post<Accepted>('/commands', body),
  putBack: (body: unknown) => post<Accepted>('/put-back', body),
  takeCartoon: (panelId: string, body: unknown) =>
    post<Accepted>(`/panels/${encodeURIComponent(panelId)}/cartoon`, body),
  editDrawing: (panelId: string, body: unknown) => post<Accepted>(`/panels/${encodeURIComponent(panelId)}/edit`, body),
  enter: (passcode: string) => post<{ ok: true }>('/enter', { passcode }),
};

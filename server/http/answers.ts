import type { LogLine, PanelAnswer, StudioAnswer } from '#contract';
import type { LogEntry } from '#core/bench';
import { happeningWords } from '#core/words';
import type { Desk } from '../desk.ts';

export function studioAnswer({ studio }: Desk, now: number): StudioAnswer {
  return {
    seq: studio.seq,
    now,
    settings: studio.get('settings', 'studio') ?? null,
    people: [...studio.all('people')],
    glasses: [...studio.all('glasses')],
    stock: [...studio.all('stock')],
    commissions: [...studio.all('commissions')],
    panels: [...studio.all('panels')],
    hours: [...studio.all('hours')].filter((entry) => !entry.removed),
    mishaps: [...studio.all('mishaps')],
  };
}

export function panelAnswer(desk: Desk, panelId: string): PanelAnswer {
  const pieces = [...desk.studio.piecesOf(panelId)].sort((a, b) => a.number - b.number);
  return { seq: desk.studio.seq, pieces, log: desk.store.entriesOfPanel(panelId).map((entry) => logLine(desk, entry)) };
}

function logLine(desk: Desk, entry: LogEntry): LogLine {
  const { seq, at, happening } = entry;
  const numbers = entry.before
    .filter((c) => c.table === 'pieces')
    .map((c) => Number(c.id.slice(c.id.lastIndexOf('/') + 1)));
  const who = entry.personId === null ? null : (desk.studio.get('people', entry.personId)?.name ?? null);
  return {
    seq,
    at,
    who,
    words: happeningWords(happening, desk.studio),
    numbers: happening.kind === 'cartoon' ? [] : numbers,
    mishap: happening.kind === 'break',
  };
}

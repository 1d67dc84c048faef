import type { AnswerOf, HistoryAnswer, LogLine } from '#contract';
import { happeningWords, isLargeAct, placeOf, subjectOf, type LogEntry, type PieceRowId } from '#core/bench';
import type { Desk } from '../desk.ts';
import { piecesIn } from '../store/logBook.ts';

const ENTRIES_A_PAGE = 60;

/** A page of what happened to a panel, the latest first. */
export function panelHistory(desk: Desk, panelId: string, before: number | null): HistoryAnswer {
  const range = before === null ? {} : { before };
  const entries = desk.store.book.ofPanel(panelId, range, ENTRIES_A_PAGE);
  const next = entries.length === ENTRIES_A_PAGE ? (entries.at(-1)?.seq ?? null) : null;
  return { seq: desk.seq, lines: entries.map((entry) => logLine(desk, entry)), next };
}

/** What happened to one piece, under whatever number, the latest first; and how many notes are about it. */
export function pieceAnswer(desk: Desk, pieceId: string): AnswerOf<'piece'> {
  const entries = desk.store.book.ofPiece(pieceId, ENTRIES_A_PAGE);
  const notes = [...desk.state.ask('notesAbout', subjectOf('piece', pieceId))];
  return { seq: desk.seq, lines: entries.map((entry) => logLine(desk, entry)), notes: notes.length };
}

function logLine(desk: Desk, entry: LogEntry): LogLine {
  const { seq, at, happening, personId } = entry;
  const { state } = desk;
  const touched = happening.kind === 'accept-drawing' ? [] : piecesIn(entry.inverse);
  return {
    seq,
    at,
    who: personId === null ? null : (state.get('people', personId)?.name ?? null),
    words: happeningWords(happening, state),
    numbers: touched.flatMap((id) => state.get('pieces', id as PieceRowId)?.number ?? []),
    mishap: happening.kind === 'break',
    mayGoBack: placeOf(happening) !== null && happening.kind !== 'put-back',
    isLarge: isLargeAct(entry),
  };
}

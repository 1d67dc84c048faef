import { HistoryLines } from '../../history/HistoryLines.tsx';
import { usePieceHistory, type PieceRow } from '../../state/studio.ts';

/** What happened to one piece, the latest last. */
export function PieceHistory({ piece, locale }: { piece: PieceRow; locale: string }) {
  const { data } = usePieceHistory(piece.id);
  const lines = (data?.lines ?? []).slice(0, 9).reverse();
  return lines.length > 0 && <HistoryLines lines={lines} locale={locale} label={`History of piece ${piece.number}`} />;
}

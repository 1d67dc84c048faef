import { HistoryLines } from '../../history/HistoryLines.tsx';
import { NotesFold } from '../../notes/NotesFold.tsx';
import { usePieceStory, type PieceRow } from '../../state/studio.ts';

/** What was written about one piece and what happened to it, the latest last. */
export function PieceStory({ piece, locale }: { piece: PieceRow; locale: string }) {
  const { data } = usePieceStory(piece.id);
  const lines = (data?.lines ?? []).slice(0, 9).reverse();
  return (
    <>
      <NotesFold about="piece" id={piece.id} of={`piece ${piece.number}`} count={data?.notes ?? 0} />
      {lines.length > 0 && <HistoryLines lines={lines} locale={locale} label={`History of piece ${piece.number}`} />}
    </>
  );
}

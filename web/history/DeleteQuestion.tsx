import type { HangsAnswer } from '#contract';
import type { PutAwayTable } from '#core/bench';
import { count, showMinutes } from '#core/units';
import { useSend } from '../state/send.ts';
import { useHangs } from '../state/studio.ts';
import { Question } from '../ui/Question.tsx';

/** Something that may be archived, deleted and brought back. */
export interface MayGo {
  readonly table: PutAwayTable;
  readonly id: string;
  readonly name: string;
}

/** Asks before something is deleted, and tells what hangs on it. */
export function DeleteQuestion({
  of,
  onClose,
  onDone,
}: {
  /** Null while nothing is asked. */
  of: MayGo | null;
  onClose: () => void;
  onDone?: () => void;
}) {
  const send = useSend();
  const { data } = useHangs(of?.table ?? 'commissions', of?.id ?? null);
  return (
    <Question
      title={of ? `Delete “${of.name}”?` : ''}
      yes="Delete"
      no="Leave it"
      open={of !== null}
      onNo={onClose}
      onYes={() => {
        onClose();
        if (!of) return;
        void send
          .command(
            { kind: 'put-away', ask: { table: of.table, id: of.id, as: 'deleted' } },
            `“${of.name}” deleted; Setup brings it back for thirty days.`,
          )
          .then((isDone) => isDone && onDone?.());
      }}
    >
      <p>{of && data ? hangsOnIt(of.table, data) : 'Looking what hangs on it …'}</p>
      <p className="mt-2">For thirty days Setup brings it back as it is.</p>
    </Question>
  );
}

function hangsOnIt(table: PutAwayTable, { panels, pieces, cut, minutes, waiting }: HangsAnswer): string {
  if (table === 'people')
    return 'The hours and steps of that person stay, with the name and the rate they were worked at.';
  if (table === 'supplies') return 'What was bought and used of it stays in the book.';
  if (table === 'glasses')
    return waiting === 0
      ? 'No piece waits to be cut from it. What was cut of it stays as it is.'
      : `${count(waiting, 'piece')} still to be cut ${waiting === 1 ? 'wants' : 'want'} it and will have to be given another.`;
  const what =
    table === 'commissions'
      ? panels === 0
        ? 'No panel hangs on it.'
        : `With it ${panels === 1 ? 'goes its panel' : `go its ${panels} panels`}.`
      : '';
  const work =
    pieces === 0
      ? ''
      : cut === 0
        ? `None of its ${count(pieces, 'piece')} is cut.`
        : `${cut} of its ${count(pieces, 'piece')} ${cut === 1 ? 'is' : 'are'} cut: that glass stays taken from its sheets.`;
  const hours = minutes < 1 ? '' : `${showMinutes(minutes)} of work stay in the hours and in Reckoning.`;
  return [what, work, hours].filter(Boolean).join(' ');
}

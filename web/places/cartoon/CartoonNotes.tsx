import type { CartoonAnswer } from '#contract';
import { panelFindings, type PanelLimits } from '#core/cutting';
import type { Point } from '#core/geometry';
import { count, type DisplayUnit } from '#core/units';
import { cartoonFindingWords, crossingsFolded, cuttingFindingWords, panelFindingWords } from '#core/words';
import { Fold } from '../../ui/Fold.tsx';

interface Note {
  readonly key: string;
  readonly words: string;
  readonly at: Point | null;
  readonly number?: number;
}

/** What was noticed in the drawing and what is hard to cut, in sentences; each one shows its place when it is tapped. */
export function CartoonNotes({
  answer,
  unit,
  size,
  tooLarge = [],
  limits,
  show,
}: {
  answer: CartoonAnswer;
  unit: DisplayUnit;
  /** Of the finished panel. */
  size?: { widthMm: number; heightMm: number };
  /** Pieces that no sheet in the rack takes. */
  tooLarge?: readonly number[];
  limits: PanelLimits;
  show?: (at: Point | null, number?: number) => void;
}) {
  const { cartoon } = answer;
  const label = new Map(cartoon.pieces.map((p) => [p.number, p.labelAt]));
  const { rest, crossings } = crossingsFolded(answer.findings);
  const noticed = [
    ...rest.map((f, i): Note => ({ key: `f${i}`, words: cartoonFindingWords(f, unit), at: 'at' in f ? f.at : null })),
    ...(crossings ? [{ key: 'crossings', ...crossings }] : []),
  ];
  const hard = answer.cuttability
    .filter((c) => c.findings.length > 0)
    .sort((a, b) => b.difficulty - a.difficulty)
    .flatMap((c) =>
      c.findings.map((f, i): Note => ({
        key: `c${c.number}.${i}`,
        words: `${c.number}: ${cuttingFindingWords(f, unit)}`,
        at: 'at' in f ? f.at : (label.get(c.number) ?? null),
        number: c.number,
      })),
    );
  const area = cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0);
  const whole = size
    ? [
        ...panelFindings(cartoon, { ...size, areaMm2: area }, limits),
        ...tooLarge.map((number) => ({
          kind: 'too-large' as const,
          number,
          at: label.get(number) ?? ([0, 0] as const),
        })),
      ].map((f, i): Note => ({
        key: `w${i}`,
        words: panelFindingWords(f, unit),
        at: f.at,
      }))
    : [];
  const hardPieces = new Set(hard.map((n) => n.number)).size;
  return (
    <div className="flex flex-col gap-3 text-[15px]">
      <Notes title="Noticed in the drawing" notes={noticed} show={show} open={noticed.length < 6} />
      <Notes
        title={`${count(hardPieces, 'piece')} to be careful with`}
        notes={hard}
        show={show}
        empty="Every piece cuts steadily."
      />
      <Notes title="The panel as a whole" notes={whole} show={show} open={whole.length < 4} />
    </div>
  );
}

const NOTES_SHOWN = 60;

function Notes({
  title,
  notes,
  show,
  open = false,
  empty = '',
}: {
  title: string;
  notes: readonly Note[];
  show: ((at: Point | null, number?: number) => void) | undefined;
  open?: boolean;
  empty?: string;
}) {
  const told = [...new Map(notes.map((n) => [n.at ? n.key : n.words, n])).values()];
  if (told.length === 0) return empty ? <p className="text-mute">{empty}</p> : null;
  return (
    <Fold isOpen={open} title={title}>
      <ul className=" grid gap-0.5">
        {told.slice(0, NOTES_SHOWN).map((note) => (
          <li key={note.key}>
            {note.at && show ? (
              <button
                type="button"
                className="min-h-9 w-full border-l-2 border-line py-1 pl-3 text-left hover:border-copper hover:bg-soft"
                onClick={() => show(note.at, note.number)}
              >
                {note.words}
              </button>
            ) : (
              <p className="border-l-2 border-line py-1 pl-3">{note.words}</p>
            )}
          </li>
        ))}
      </ul>
      {told.length > NOTES_SHOWN && <p className="mt-1 text-mute">and {told.length - NOTES_SHOWN} more</p>}
    </Fold>
  );
}

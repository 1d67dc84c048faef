import { isInHand, tooLargeForRack } from '#core/bench';
import { finishedSize, outsideOf } from '#core/sizing';
import { showNumbers } from '#core/units';
import { cuttingFindingWords, proposalWords } from '#core/words';
import { ScorePicture } from '../../../panel/ScorePicture.tsx';
import { useSelection } from '../../../state/selection.ts';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { CartoonNotes } from '../CartoonNotes.tsx';
import { stockFor } from '../../../panel/stockFor.ts';
import { CHANGING, type ModeProps } from './ModeProps.ts';

/** One piece, what is hard about it and how it is scored; and all that was noticed. */
export function Look({ view, answer, desk, selected }: ModeProps) {
  const { panel, pieces, settings } = view;
  const send = useSend();
  const number = selected.size === 1 ? [...selected][0] : undefined;
  const judged = answer.cuttability.find((c) => c.number === number);
  const cut = answer.cuts.find((c) => c.number === number);
  const hasGlass = pieces.some((p) => p.number === number && isInHand(p));
  const { answer: proposal, isWorking } = desk.cure;
  const small = pieces.filter((p) => p.tooSmall).map((p) => p.number);
  const rechecks = pieces.filter((p) => p.recheck).map((p) => p.number);
  return (
    <>
      {rechecks.length > 0 && (
        <section className="grid gap-2 border-l-4 border-risk pl-3">
          <p>
            Cut to an older outline: <b>{showNumbers(rechecks)}</b>. Hold {rechecks.length === 1 ? 'it' : 'them'}{' '}
            against the drawing.
            {small.length > 0 && (
              <>
                {' '}
                Too small for {small.length === 1 ? 'its place' : 'their places'}: <b>{showNumbers(small)}</b>.
              </>
            )}
          </p>
          <Button
            onClick={() =>
              void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: rechecks, recheck: false } })
            }
          >
            {rechecks.length === 1 ? 'It fits' : 'They fit'}
          </Button>
        </section>
      )}
      {judged && cut && number !== undefined && (
        <section aria-label={`Piece ${number}`} className="grid gap-2">
          <h3 className="text-[18px] font-semibold">
            Piece {number} · difficulty {judged.difficulty} of 5
          </h3>
          {judged.findings.map((f, i) => (
            <p key={i} className="border-l-2 border-line pl-3 text-[15px]">
              {cuttingFindingWords(f, settings.unit)}
            </p>
          ))}
          {isWorking && <p className="text-[15px] text-mute">Looking for a line that would cure it …</p>}
          {proposal && hasGlass && (
            <p className="text-[15px] text-mute">
              A line would cure it, but its glass is cut already; it can be added once the piece is to be cut again.
            </p>
          )}
          {proposal && !hasGlass && (
            <>
              <p className="text-[15px]">{proposalWords(proposal)}</p>
              <Button
                look="go"
                unless={desk.busy ? CHANGING : null}
                onClick={() =>
                  void desk.edit(
                    {
                      kind: 'add-lines',
                      lines: proposal.lines.map((l) => l.map(([x, y]): [number, number] => [x, y])),
                    },
                    `Piece ${number} divided.`,
                  )
                }
              >
                Add the {proposal.lines.length === 1 ? 'line' : 'lines'} shown
              </Button>
            </>
          )}
          <ScorePicture rings={cut.rings} number={number} limits={view.limits} />
        </section>
      )}
      <CartoonNotes
        answer={answer}
        unit={settings.unit}
        size={finishedSize(panel, outsideOf(answer.cartoon, panel.allowance))}
        tooLarge={tooLargeForRack(
          pieces,
          answer.cuts,
          view.glasses,
          (glassId) => stockFor(view, glassId),
          view.limits.sheetEdgeMm,
        )}
        limits={view.limits}
        show={(at, n) => {
          if (n !== undefined) useSelection.getState().choose(panel.id, [n]);
          desk.look(at);
        }}
      />
    </>
  );
}

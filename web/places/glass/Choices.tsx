import { useState } from 'react';
import { backGlassOf, BEGINS, hasBack, wantsBack } from '#core/bench';
import { choiceSum, type ChoiceSum } from '#core/stock';
import { count, showArea, showMoney } from '#core/units';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { stockFor } from '../../panel/stockFor.ts';
import { Fold } from '../../ui/Fold.tsx';

type Choice = PanelView['choices'][number];

/** The pieces as they would be by a kept choice; what is cut keeps its glass. */
export const piecesBy = ({ pieces }: Pick<PanelView, 'pieces'>, { glasses }: Choice) =>
  pieces.map((piece) => {
    const glassId = piece.stage === BEGINS ? (glasses[piece.id] ?? null) : piece.glassId;
    return glassId === piece.glassId ? piece : { ...piece, glassId, spot: null };
  });

/** What the glass comes to, and choices of it that are kept by name: seen beside each other, taken again, given up. */
export function Choices({
  view,
  beside,
  onBeside,
}: {
  view: PanelView;
  /** The id of the choice that stands beside the present one. */
  beside: string | null;
  onBeside: (id: string | null) => void;
}) {
  const send = useSend();
  const [name, setName] = useState('');
  const panelId = view.panel.id;
  const typed = name.trim();
  const keep = async () => {
    if (typed === '') return;
    if (await send.command({ kind: 'keep-choice', ask: { panelId, name: typed } }, `Kept as “${typed}”.`)) setName('');
  };
  return (
    <section aria-label="What it comes to" className="grid gap-1 border-b border-line pb-1">
      <Sum view={view} sum={sumOf(view, view.pieces)} />
      <Fold title={view.choices.length === 0 ? 'Choices by name' : `Choices by name: ${view.choices.length}`}>
        <ul aria-label="Choices by name" className="grid gap-2">
          {view.choices.map((choice) => (
            <li key={choice.id} className="grid gap-1.5 border-t border-line pt-2">
              <b>{choice.name}</b>
              <Sum view={view} sum={sumOf(view, piecesBy(view, choice))} />
              <div className="flex flex-wrap gap-2">
                <Button
                  aria-pressed={beside === choice.id}
                  onClick={() => onBeside(beside === choice.id ? null : choice.id)}
                >
                  Beside it
                </Button>
                <Button onClick={() => void send.command({ kind: 'take-choice', ask: { panelId, name: choice.name } })}>
                  Take it
                </Button>
                <Button
                  look="line"
                  onClick={() => {
                    if (beside === choice.id) onBeside(null);
                    void send.command({ kind: 'drop-choice', ask: { panelId, name: choice.name } });
                  }}
                >
                  Give up
                </Button>
              </div>
            </li>
          ))}
        </ul>
        <div className="grid grid-cols-[1fr_auto] items-start gap-2 pt-2">
          <TextField
            label="Keep the present one as"
            value={name}
            maxLength={40}
            placeholder="Blue sky"
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') void keep();
            }}
          />
          <Button
            className="mt-[25px]"
            unless={typed === '' ? 'Give it a name first.' : null}
            onClick={() => void keep()}
          >
            Keep
          </Button>
        </div>
      </Fold>
    </section>
  );
}

function Sum({ view: { settings, glasses }, sum }: { view: PanelView; sum: ChoiceSum }) {
  return (
    <p className="text-[15px]">
      {showMoney(sum.cents, settings.currency, settings.locale)} of glass
      {sum.undecided > 0 && <span>, {count(sum.undecided, 'piece')} undecided</span>}
      {sum.short.length > 0 && (
        <span className="block text-risk">
          The rack lacks{' '}
          {sum.short
            .map(({ glassId, missingMm2 }) => `${showArea(missingMm2, settings.unit)} of ${glasses.get(glassId)?.code}`)
            .join(', ')}
          .
        </span>
      )}
    </p>
  );
}

const sumOf = (view: PanelView, pieces: PanelView['pieces']): ChoiceSum =>
  choiceSum(
    [
      ...pieces.map(({ glassId, areaMm2, stage }) => ({ glassId, areaMm2, isCut: stage !== BEGINS })),
      ...pieces
        .filter((piece) => hasBack(view.panel.route, piece) && backGlassOf(piece) !== null)
        .map((piece) => ({
          glassId: backGlassOf(piece),
          areaMm2: piece.areaMm2,
          isCut: !wantsBack(view.panel.route, piece),
        })),
    ],
    view.glasses,
    (glassId) => stockFor(view, glassId).reduce((sum, item) => sum + item.areaMm2, 0),
  );

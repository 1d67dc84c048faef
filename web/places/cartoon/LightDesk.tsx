import { useCallback, useMemo } from 'react';
import { BEGINS, isInHand } from '#core/bench';
import type { CartoonAnswer } from '#contract';
import { Board } from '../../panel/Board.tsx';
import { panelPaths } from '../../panel/paths.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Split } from '../../panel/Split.tsx';
import type { PanelView } from '../../panel/view.ts';
import { DeskMarks } from './DeskMarks.tsx';
import { DeskSheet } from './DeskSheet.tsx';
import { ModePanel } from './ModePanel.tsx';
import { MODES } from './modes.ts';
import { useDesk } from './useDesk.ts';

const NONE: ReadonlySet<number> = new Set();

/** The drawing that stands: looked over and changed lightly in place. It is no drawing program. */
export function LightDesk({
  view,
  answer,
  another,
}: {
  view: PanelView;
  answer: CartoonAnswer;
  another: React.ReactNode;
}) {
  const { panel, pieces } = view;
  const desk = useDesk(view, answer);
  const paths = useMemo(() => panelPaths(answer), [answer]);
  // On paper every number is a pencil's, whatever has become of its piece.
  const written = useMemo(
    () =>
      pieces.map(({ number, section, locked }) => ({
        ...{ number, stage: BEGINS, glassId: null, asks: [], broken: null },
        ...{ letter: section, isUnderlined: locked },
      })),
    [pieces],
  );
  const { numbers, at, panelId, choose } = useSelection();
  const selected = panelId === panel.id ? numbers : NONE;
  const onPick = useCallback(
    (picked: readonly number[], how: 'set' | 'toggle' | 'add') =>
      choose(panel.id, how === 'set' ? picked : [...useSelection.getState().numbers, ...picked]),
    [choose, panel.id],
  );
  const mode = MODES.find((m) => m.id === desk.mode) as (typeof MODES)[number];
  const side = (
    <SideSheet
      label="The drawing"
      foot={
        <>
          {another}
          {panel.sourceName && (
            <a
              className="text-[15px] underline decoration-line underline-offset-4"
              href={`/api/drawings/${panel.cartoonId}/source`}
            >
              Save the original drawing
            </a>
          )}
        </>
      }
    >
      <section aria-label={mode.name}>
        <h2 className="text-[21px]">{mode.name}</h2>
        <p className="text-[15px] text-mute" role="status">
          {desk.busy ? 'Working it out …' : mode.how}
          {mode.changesLines && pieces.some(isInHand) && ' Shaded glass is cut already.'}
        </p>
      </section>
      <ModePanel view={view} answer={answer} desk={desk} selected={selected} />
    </SideSheet>
  );
  return (
    <Split id="cartoon" side={side}>
      <main className="flex min-h-0 flex-1 flex-col">
        <div
          className="flex flex-wrap gap-1.5 px-4 pt-1.5 pb-2 xl:px-6"
          role="toolbar"
          aria-label="Changes to the drawing"
        >
          {MODES.map(({ id, name }) => (
            <Button
              key={id}
              look="line"
              className="px-2.5! text-[15px] font-medium"
              aria-pressed={desk.mode === id}
              onClick={() => desk.setMode(id)}
            >
              {name}
            </Button>
          ))}
        </div>
        <Board
          paths={paths}
          label={`The drawing, ${answer.cartoon.pieces.length} pieces. ${mode.how} Arrow keys move a crosshair, Enter taps.`}
          mirrored={false}
          selected={selected}
          at={panelId === panel.id ? at : null}
          meant={NONE}
          meantJoints={NONE}
          dark={false}
          narrow
          onPoint={desk.tap}
          onHover={desk.hover}
          onRing={desk.ring}
          onPick={onPick}
          written={written}
        >
          <DeskSheet
            paths={paths}
            answer={answer}
            pieces={pieces}
            hardShown={desk.mode === 'look'}
            heldShown={mode.changesLines === true}
          />
          <DeskMarks desk={desk} paths={paths} answer={answer} />
        </Board>
      </main>
    </Split>
  );
}

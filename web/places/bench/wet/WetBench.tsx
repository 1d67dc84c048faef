import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { BEGINS, breakReasons, reasonWords, workCaution, type BreakReason } from '#core/bench';
import { GlassChip } from '../../../panel/GlassChip.tsx';
import { Board } from '../../../panel/Board.tsx';
import { panelMaterial } from '../../../panel/panelMaterial.ts';
import { PanelOnBoard } from '../../../panel/PanelOnBoard.tsx';
import type { PanelPaths } from '../../../panel/paths.ts';
import { useLighting } from '../../../panel/useLighting.ts';
import type { PanelView } from '../../../panel/view.ts';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { useAwake } from './useAwake.ts';
import { useCalled } from './useCalled.ts';

const NONE: ReadonlySet<number> = new Set();
const BIG = 'min-h-[72px] text-[21px]';

/** The bench for wet hands: the panel as large as the screen, the next piece called out, a few large buttons. */
export function WetBench({ view, paths, onLeave }: { view: PanelView; paths: PanelPaths; onLeave: () => void }) {
  useAwake();
  const { panel, pieces, glasses } = view;
  const send = useSend();
  const [tapped, setTapped] = useState<number | null>(null);
  const [isBreaking, setBreaking] = useState(false);
  const { called, next, left, skip } = useCalled(view, tapped);
  const { lighting } = useLighting();
  const shown = useMemo(
    () => ({ paths, panel, pieces, glasses, photos: view.photos }),
    [paths, panel, pieces, glasses, view.photos],
  );
  const material = panelMaterial(shown, { look: 'front', lighting, beside: null });
  const number = called?.piece.number ?? null;
  const selected = useMemo(() => new Set(number === null ? [] : [number]), [number]);
  const glass = called?.piece.glassId ? glasses.get(called.piece.glassId) : undefined;
  const caution = called && (called.step.caution ?? workCaution(called.step.work));
  const act = async () => {
    if (called?.command && (await send.command(called.command))) setTapped(null);
  };
  const broke = async (reason: BreakReason) => {
    setBreaking(false);
    if (number === null) return;
    const ask = { panelId: panel.id, numbers: [number], reason, minutes: 0, recut: null };
    if (await send.command({ kind: 'break', ask }, `${number} is to be cut again.`)) setTapped(null);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onLeave()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-30 flex bg-top text-ink portrait:flex-col"
          onOpenAutoFocus={(event) => event.preventDefault()}
        >
          <Dialog.Title className="sr-only">{panel.name}, for wet hands</Dialog.Title>
          <div className="relative flex min-h-0 min-w-0 flex-1">
            <Board
              paths={paths}
              mirrored={false}
              selected={selected}
              at={number}
              meant={NONE}
              meantJoints={NONE}
              dark={false}
              material={material}
              onPick={(numbers) => setTapped(numbers.at(-1) ?? null)}
              label={`${panel.name}: a tap calls a piece`}
            >
              <PanelOnBoard shown={shown} look="front" metal={material.scene.metal} />
            </Board>
          </div>
          <section
            aria-label="Called out"
            className="flex w-[340px] shrink-0 flex-col gap-3 border-line bg-sheet p-4 landscape:border-l portrait:w-full portrait:border-t"
          >
            {isBreaking ? (
              <>
                <h2 className="text-[24px]">{number} broke: why?</h2>
                <div className="grid min-h-0 flex-1 grid-cols-2 gap-2 overflow-y-auto">
                  {breakReasons(view.settings.ownReasons).map((reason) => (
                    <Button
                      key={reason}
                      className="min-h-14 text-[16px] leading-tight"
                      onClick={() => void broke(reason)}
                    >
                      {reasonWords(reason)}
                    </Button>
                  ))}
                </div>
                <Button className={BIG} onClick={() => setBreaking(false)}>
                  Not now
                </Button>
              </>
            ) : (
              <>
                <div aria-live="polite" className="flex items-center gap-4 landscape:flex-col landscape:items-start">
                  <p className="font-head text-[clamp(72px,14vmin,132px)] leading-none">{number ?? '–'}</p>
                  <div className="min-w-0">
                    <p className="text-[24px] leading-tight">
                      {called ? called.step.verb : `${next.before}${next.strong}${next.after}`}
                    </p>
                    {glass && (
                      <p className="flex items-center gap-2 pt-1 text-[18px]">
                        <GlassChip glass={glass} size={30} /> {glass.code} {glass.name}
                      </p>
                    )}
                    {called?.piece.broken && <p className="text-[17px]">broke: {reasonWords(called.piece.broken)}</p>}
                    {tapped === null && left > 1 && <p className="text-[17px] text-mute">{left} wait for this step</p>}
                  </div>
                </div>
                {caution && <p className="text-[15px] text-mute landscape:mt-auto">{caution}</p>}
                <div className="grid grid-cols-2 gap-2 portrait:grid-cols-4">
                  <Button
                    look="go"
                    className={`${BIG} col-span-2 landscape:min-h-[104px] portrait:col-span-4`}
                    unless={called === null ? 'No piece waits.' : called.why}
                    onClick={() => void act()}
                  >
                    {called ? `${called.piece.number} ${called.words}` : 'Nothing waits'}
                  </Button>
                  <Button
                    className={BIG}
                    unless={called === null ? 'No piece waits.' : null}
                    onClick={() => {
                      setTapped(null);
                      skip();
                    }}
                  >
                    Another
                  </Button>
                  <Button
                    className={BIG}
                    unless={called === null || called.piece.stage === BEGINS ? 'It is not cut yet.' : null}
                    onClick={() => setBreaking(true)}
                  >
                    Broke
                  </Button>
                  <Button className={BIG} onClick={() => void send.putBack('undo', { panelId: panel.id })}>
                    Undo
                  </Button>
                  <Button className={BIG} look="line" onClick={onLeave}>
                    Dry again
                  </Button>
                </div>
              </>
            )}
          </section>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

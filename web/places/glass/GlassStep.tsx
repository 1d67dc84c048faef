import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { backGlassOf, backStep, hasBack, keepsBack, keepsGlass, type GlassOfTwo } from '#core/bench';
import type { Glass } from '#core/stock';
import { showNumbers } from '#core/units';
import { alikeOf } from '../../panel/alike.ts';
import { Board } from '../../panel/Board.tsx';
import type { GlassFile } from '../../panel/GlassLayer.tsx';
import { LightBar } from '../../panel/LightBar.tsx';
import { roomColour } from '../../panel/rooms.ts';
import { useLighting } from '../../panel/useLighting.ts';
import { PanelOnBoard } from '../../panel/PanelOnBoard.tsx';
import { panelMaterial } from '../../panel/panelMaterial.ts';
import { useSend } from '../../state/send.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Toggles } from '../../ui/Toggles.tsx';
import { Split } from '../../panel/Split.tsx';
import { Choices, piecesBy } from './Choices.tsx';
import { GlassDrag } from './GlassDrag.tsx';
import { GlassList } from './GlassList.tsx';
import { SpreadOver } from './SpreadOver.tsx';
import { usePanelView } from '../../panel/usePanelView.ts';
import type { PanelView } from '../../panel/view.ts';

/** Glass is given to pieces by picking them on the drawing; seen as chosen, or lit in a dark room. */
export function GlassStep() {
  const view = usePanelView();
  const { panel, pieces, paths, glasses } = view;
  const [lit, setLit] = useState(false);
  /** A kept choice of glass that is seen beside the present one. */
  const [besideId, setBesideId] = useState<string | null>(null);
  const { lighting, beside } = useLighting();
  const file = useRef<GlassFile>(null);
  /** The piece over which a glass is held. */
  const [over, setOver] = useState<number | null>(null);
  /** Which glass is chosen of pieces that are of two. */
  const [which, setWhich] = useState<GlassOfTwo>('front');
  const isOfTwo = backStep(panel.route) !== undefined;
  const isBehind = isOfTwo && which === 'back';
  const { numbers, at, panelId, choose, toggle } = useSelection();
  const selected = panelId === panel.id ? numbers : new Set<number>();
  const send = useSend();
  if (!paths)
    return (
      <p className="px-6 py-4">
        Bring in{' '}
        <Link className="underline" to={`/panels/${panel.id}/cartoon`}>
          the drawing
        </Link>{' '}
        first.
      </p>
    );
  const list = [...selected].filter((n) => pieces.some((p) => p.number === n));
  const held = heldIn(view, isBehind);
  const kept = list.filter((n) => held.has(n));
  /** Cut glass is left out where there is other; where all of it is cut, the studio says so. */
  const give = (glassId: string | null, to = list) => {
    const open = to.filter((n) => !held.has(n));
    void send.command({
      kind: isBehind ? 'choose-back' : 'choose-glass',
      ask: { panelId: panel.id, numbers: open.length > 0 ? open : to, glassId },
    });
  };
  /** With nothing picked a glass means its own pieces. */
  const tapGlass = ({ id, name }: Glass) => {
    if (list.length > 0) return give(id);
    const own = pieces
      .filter((p) => (isBehind ? hasBack(panel.route, p) && backGlassOf(p) === id : p.glassId === id))
      .map((p) => p.number);
    if (own.length > 0) choose(panel.id, own, null);
    else toast(`No piece is of ${name} yet: tap the pieces first.`, { id: 'why-not' });
  };
  const look = lit ? 'lit' : 'front';
  const shown = { paths, panel, pieces, glasses, photos: view.photos };
  const other = view.choices.find((choice) => choice.id === besideId);
  const material = panelMaterial(shown, { look, lighting, beside, chosen: true });
  const otherScene =
    lit && other
      ? panelMaterial({ ...shown, pieces: piecesBy(view, other) }, { look, lighting, chosen: true }).scene
      : null;
  const bare = pieces.filter((p) => p.glassId === null);
  const onPick = (picked: readonly number[], how: 'set' | 'toggle' | 'add') => {
    if (how === 'toggle') for (const n of picked) toggle(panel.id, n);
    else choose(panel.id, how === 'add' ? [...selected, ...picked] : picked, picked.at(-1) ?? null);
  };
  /** A glass that falls on a picked piece is for all that are picked. */
  const under = (piece: number) => (selected.has(piece) ? list : [piece]);
  const inHand = glasses.get(pieces.find((p) => p.number === list[0])?.glassId ?? '')?.colour ?? null;
  const side = (
    <SideSheet
      label="Glasses"
      foot={list.length > 0 && <Button onClick={() => give(null)}>{isBehind ? 'As the first' : 'No glass'}</Button>}
    >
      {isOfTwo && <Toggles label="Which of two glasses" value={which} options={OF_TWO} onPick={setWhich} />}
      <h2 className="text-2xl">
        {list.length === 0
          ? isBehind
            ? 'Choose the second glass'
            : 'Choose glass'
          : `${isBehind ? 'Second glass' : 'Glass'} for ${list.length === 1 ? `piece ${list[0]}` : `${list.length} pieces`}`}
      </h2>
      {list.length !== 1 && (
        <p className="text-[15px] text-mute">
          {list.length === 0
            ? 'Tap pieces, or draw a lasso round them; a double tap, or a tap on a glass, takes all of it. Then tap the glass that they are to have, or drag a glass onto its place.'
            : showNumbers(list, 10)}
        </p>
      )}
      {kept.length > 0 && (
        <p className="text-[15px] text-risk" role="status">
          {keptWords(kept, list.length)}
        </p>
      )}
      <Choices
        view={view}
        beside={besideId}
        onBeside={(id) => {
          setBesideId(id);
          if (id !== null) setLit(true);
        }}
      />
      <GlassList view={view} of={isBehind ? 'back' : 'front'} inHand={inHand} onTap={tapGlass} />
      {view.set.length > 0 && (
        <Fold title={`Spread over the ${view.set.length + 1} panels of this job`}>
          <SpreadOver view={view} />
        </Fold>
      )}
    </SideSheet>
  );
  return (
    <GlassDrag glasses={glasses} onOver={setOver} onDrop={(glassId, piece) => give(glassId, under(piece))}>
      <Split id="glass" side={side}>
        <main className="flex min-h-0 flex-1 flex-col" style={lit ? { background: roomColour(lighting) } : undefined}>
          <div className="flex gap-2 px-6 py-1.5">
            <Button look="line" aria-pressed={lit} onClick={() => setLit(!lit)}>
              Lit
            </Button>
            {bare.length > 0 && (
              <Button
                look="line"
                onClick={() =>
                  onPick(
                    bare.map((p) => p.number),
                    'set',
                  )
                }
              >
                Pick the {bare.length} without glass
              </Button>
            )}
          </div>
          <Board
            paths={paths}
            label={`Choose glass: ${pieces.length} pieces, ${bare.length} without glass`}
            mirrored={false}
            selected={selected}
            at={at}
            meant={over === null ? EMPTY : new Set(under(over))}
            meantJoints={EMPTY}
            dark={lit}
            material={{ ...material, beside: otherScene ?? material.beside, ref: file }}
            onPick={onPick}
            alike={alikeOf(pieces)}
          >
            <PanelOnBoard shown={shown} look={look} metal={material.scene.metal} chosen />
          </Board>
          {lit && (
            <LightBar panel={panel} other={other?.name ?? null} fileOf={(heightPx) => file.current?.file(heightPx)} />
          )}
        </main>
      </Split>
    </GlassDrag>
  );
}

/** Pieces whose glass is in hand: it stays what it is. */
const heldIn = ({ pieces }: PanelView, isBehind: boolean): ReadonlySet<number> =>
  new Set(pieces.filter(isBehind ? keepsBack : keepsGlass).map((p) => p.number));

function keptWords(kept: readonly number[], picked: number): string {
  if (kept.length === picked) return kept.length === 1 ? 'It is cut already.' : 'They are cut already.';
  return `${showNumbers(kept, 10)} ${kept.length === 1 ? 'is cut already and keeps its' : 'are cut already and keep their'} glass.`;
}

const OF_TWO: readonly [GlassOfTwo, string][] = [
  ['front', 'a, the first'],
  ['back', 'b, the second'],
];
const EMPTY: ReadonlySet<number> = new Set();

import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { Glass } from '#core/stock';
import { priceOfArea, showArea, showMoney, showNumbers } from '#core/units';
import { alikeOf } from '../../panel/alike.ts';
import { Board } from '../../panel/Board.tsx';
import { MOST_TEXTURED, PanelPicture } from '../../panel/PanelPicture.tsx';
import { useSend } from '../../state/send.ts';
import { useSelection } from '../../state/selection.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Split } from '../../panel/Split.tsx';
import { GlassChip } from '../../panel/GlassChip.tsx';
import { usePanelView } from '../../panel/usePanelView.ts';

/** Glass is given to pieces by picking them on the drawing; seen as chosen, or lit in a dark room. */
export function GlassStep() {
  const view = usePanelView();
  const { panel, pieces, paths, glasses, reader, settings } = view;
  const [lit, setLit] = useState(false);
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
  const give = (glassId: string | null) =>
    void send.command({ kind: 'choose-glass', ask: { panelId: panel.id, numbers: list, glassId } });
  /** With nothing picked a glass means its own pieces. */
  const tapGlass = ({ id, name }: Glass) => {
    if (list.length > 0) return give(id);
    const own = pieces.filter((p) => p.glassId === id).map((p) => p.number);
    if (own.length > 0) choose(panel.id, own, null);
    else toast(`No piece is of ${name} yet: tap the pieces first.`, { id: 'why-not' });
  };
  const bare = pieces.filter((p) => p.glassId === null);
  const onPick = (picked: readonly number[], how: 'set' | 'toggle' | 'add') => {
    if (how === 'toggle') for (const n of picked) toggle(panel.id, n);
    else choose(panel.id, how === 'add' ? [...selected, ...picked] : picked, picked.at(-1) ?? null);
  };
  const isHere = new Set(pieces.map((p) => p.glassId));
  const all = [...reader.all('glasses')]
    .filter((g) => g.away === null || isHere.has(g.id))
    .sort((a, b) => a.code.localeCompare(b.code));
  const side = (
    <SideSheet label="Glasses" foot={list.length > 0 && <Button onClick={() => give(null)}>No glass</Button>}>
      <h2 className="text-2xl">
        {list.length === 0
          ? 'Choose glass'
          : `Glass for ${list.length === 1 ? `piece ${list[0]}` : `${list.length} pieces`}`}
      </h2>
      <p className="text-[15px] text-mute">
        {list.length === 0
          ? 'Tap pieces, or draw a lasso round them; a double tap, or a tap on a glass, takes all of it. Then tap the glass that they are to have.'
          : showNumbers(list, 10)}
      </p>
      <ul className="-mx-2 grid content-start gap-1" aria-label="Glasses on the rack">
        {all.map((glass) => {
          const mine = pieces.filter((p) => p.glassId === glass.id);
          const need = mine.filter((p) => p.stage === 'to-cut').reduce((sum, p) => sum + p.areaMm2, 0);
          const have = [...reader.all('stock')]
            .filter((s) => s.glassId === glass.id && s.gone === null)
            .reduce((sum, s) => sum + s.areaMm2, 0);
          return (
            <li key={glass.id}>
              <button
                type="button"
                onClick={() => tapGlass(glass)}
                className="flex min-h-14 w-full items-center gap-3 rounded-md px-2 py-1.5 text-left hover:bg-soft"
              >
                <GlassChip glass={glass} />
                <span className="min-w-0 flex-1 text-[15px] leading-tight">
                  <b>{glass.code}</b> {glass.name}
                  <br />
                  <span className={need > have ? 'font-semibold text-risk' : 'text-mute'}>
                    {mine.length > 0
                      ? `${mine.length} here${need > 0 ? `, ${showArea(need, settings.unit)} to cut` : ''} · `
                      : ''}
                    {showArea(have, settings.unit)} on the rack ·{' '}
                    {showMoney(priceOfArea(1e6, glass.priceCentsPerM2), settings.currency, settings.locale)}/m²
                  </span>
                </span>
              </button>
            </li>
          );
        })}
        {all.length === 0 && (
          <li className="text-[15px]">
            There is no glass yet.{' '}
            <Link className="underline" to="/rack">
              Enter one on the Rack.
            </Link>
          </li>
        )}
      </ul>
    </SideSheet>
  );
  return (
    <Split id="glass" side={side}>
      <main className={`flex min-h-0 flex-1 flex-col ${lit ? 'bg-[var(--dark-room)]' : ''}`}>
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
          meant={EMPTY}
          meantJoints={EMPTY}
          dark={lit}
          onPick={onPick}
          alike={alikeOf(pieces)}
        >
          <PanelPicture
            paths={paths}
            panel={panel}
            pieces={pieces}
            glasses={glasses}
            view={lit ? 'lit' : 'front'}
            textures={pieces.length <= MOST_TEXTURED}
            numbers
            chosen
          />
        </Board>
      </main>
    </Split>
  );
}

const EMPTY: ReadonlySet<number> = new Set();

import { useMemo } from 'react';
import { BEGINS } from '#core/bench';
import { signedArea } from '#core/geometry';
import { laidOutBy, sheetOf } from '#core/layout';
import { count } from '#core/units';
import { sizeWords } from '#core/words';
import { SheetPicture } from '../../panel/SheetPicture.tsx';
import { toKeep } from '../../panel/sheetLaid.ts';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import type { PieceRow } from '../../state/studio.ts';
import type { TakersWish } from '../../worker/takers.worker.ts';
import { stockFor } from '../../panel/stockFor.ts';
import { useTakers } from './useTakers.ts';

/** Offcuts and sheets that take a piece, the best fit first, with the piece lying on them; one press cuts it from there. */
export function Takers({ view, piece }: { view: PanelView; piece: PieceRow }) {
  const send = useSend();
  const { settings, panel, reader } = view;
  const wish = useMemo(() => wishFor(view, piece), [view, piece]);
  const found = useTakers(wish);
  const glass = piece.glassId === null ? undefined : view.glasses.get(piece.glassId);
  if (wish === null || glass === undefined) return null;
  if (found === null) return <p className="text-[15px] text-mute">Looking for a sheet that takes it …</p>;
  if (found.best.length === 0)
    return <p className="text-[15px] font-semibold text-risk">Nothing on the rack takes it the way its flow runs.</p>;
  const cutFrom = async ({ sheet, layout }: (typeof found.best)[number]) => {
    const job = { pieces: [wish.piece], sheets: [sheet], ...wish.by };
    const panelId = panel.id;
    const sheets = toKeep(job, layout, () => ({ panelId, number: piece.number }));
    if (!(await send.command({ kind: 'lay-out', ask: { panelId, sheets } }))) return;
    const sources = [{ stockId: sheet.id, numbers: [piece.number], left: { kind: 'laid' as const } }];
    await send.command({ kind: 'cut', ask: { panelId, sources } }, `Cut from ${sheet.id}.`);
  };
  return (
    <section aria-label="Takes it" className="grid gap-2">
      <h3 className="font-sans text-[15px] font-normal text-mute">
        {count(found.count, 'sheet or offcut', 'sheets and offcuts')} {found.count === 1 ? 'takes' : 'take'} it, the
        best fit first. A press cuts it as shown.
      </h3>
      <ul className="grid gap-2">
        {found.best.map((one) => {
          const item = reader.get('stock', one.sheet.id);
          return (
            <li key={one.sheet.id}>
              <button
                type="button"
                onClick={() => void cutFrom(one)}
                className="flex min-h-14 w-full items-center gap-3 rounded-md border border-line bg-raised p-1.5 text-left text-[15px] hover:border-strong"
              >
                <span className="h-14 w-20 shrink-0 [&>svg]:h-full [&>svg]:w-full">
                  <SheetPicture
                    sheet={one.sheet}
                    rootId={item?.rootId ?? one.sheet.id}
                    layout={one.layout}
                    glass={glass}
                    unit={settings.unit}
                    pxPerMm={null}
                    isPlain
                  />
                </span>
                <span>
                  <b>
                    {piece.broken ? 'Cut again' : 'Cut'} from {one.sheet.id}
                  </b>
                  {item && (
                    <span className="block text-mute">
                      {sizeWords(item.widthMm, item.heightMm, settings.unit)}
                      {item.place && `, ${item.place}`}
                    </span>
                  )}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What is asked of the finder: a piece that is not cut yet, and what stands free of its glass. */
function wishFor(view: PanelView, piece: PieceRow): TakersWish | null {
  const { answer, glasses, limits } = view;
  const by = laidOutBy(limits);
  const { glassId, number, flowDeg, stage } = piece;
  const glass = glassId === null ? undefined : glasses.get(glassId);
  const outline = answer?.cuts.find((cut) => cut.number === number)?.rings.find((ring) => signedArea(ring) > 0);
  if (stage !== BEGINS || glass === undefined || outline === undefined) return null;
  // What is laid out is spoken for.
  const free = stockFor(view, glass.id).filter((item) => item.breaks === null);
  const asked = {
    piece: {
      id: String(number),
      outline,
      flowDeg: glass.flow ? flowDeg : null,
      flowToleranceDeg: by.flowToleranceDeg,
      turnOver: piece.spot?.turnedOver ?? false,
    },
    sheets: free.map((item) => sheetOf(item, glass)),
    by,
  };
  return { key: JSON.stringify(asked), ...asked };
}

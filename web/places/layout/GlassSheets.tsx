import type { LayoutSheet } from '#core/layout';
import { shapeLeft } from '#core/stock';
import { count, type DisplayUnit } from '#core/units';
import { sizeWords } from '#core/words';
import { GlassChip } from '../../panel/GlassChip.tsx';
import type { LayoutNews } from '../../worker/layout.worker.ts';
import { SheetPicture } from './SheetPicture.tsx';
import type { GlassWish } from './wishes.ts';

/** All sheets stand to one scale, so that they can be told apart by their size. */
const PX_PER_MM = 0.62;

/** One glass: its sheets with the pieces on them, and those that would have to be bought. */
export function GlassSheets({
  wish,
  news,
  unit,
  onOpen,
}: {
  wish: GlassWish;
  news: LayoutNews | null;
  unit: DisplayUnit;
  onOpen: (sheetId: string) => void;
}) {
  const { glass, job, stock, size } = wish;
  const used = news ? job.sheets.filter((s) => news.layout.placements.some((p) => p.sheetId === s.id)) : [];
  const bought = news?.bought ?? null;
  const newSheets = [...new Set(bought?.placements.map((p) => p.sheetId))].map((id): LayoutSheet => ({
    ...newOutline(size),
    id,
    flowDeg: null,
    offcut: false,
    flaws: [],
  }));
  const guessed = stock.filter((item) => used.some((s) => s.id === item.id) && shapeLeft(item).isGuess);
  return (
    <section aria-label={`${glass.code} ${glass.name}`} className="break-inside-avoid">
      <h3 className="flex items-center gap-3 pb-2 text-[17px]">
        <GlassChip glass={glass} size={26} />
        <span>
          <b className="font-head">{glass.code}</b> {glass.name}
        </span>
        <span className="text-[15px] font-normal text-mute">
          {count(job.pieces.length, 'piece')}
          {news === null ? ', waiting its turn' : news.share < 1 ? `, looking: ${Math.round(news.share * 100)} %` : ''}
        </span>
      </h3>
      <div className="flex flex-wrap items-start gap-5">
        {news !== null &&
          used.map((sheet) => (
            <figure key={sheet.id} className="m-0 max-w-full">
              <button
                type="button"
                onClick={() => onOpen(sheet.id)}
                aria-label={`${sheet.id}, break by break`}
                className="block max-w-full overflow-hidden rounded-sm shadow-[0_2px_10px_rgb(0_0_0/0.18)] outline-offset-4 hover:shadow-[0_3px_16px_rgb(0_0_0/0.3)] [&>svg]:h-auto [&>svg]:max-w-full"
              >
                <SheetPicture sheet={sheet} layout={news.layout} glass={glass} unit={unit} pxPerMm={PX_PER_MM} />
              </button>
              <figcaption className="pt-1.5 text-[15px] text-mute">
                <b className="text-ink">{sheet.id}</b>
                {sheet.offcut ? '' : ', whole'}: {count(piecesOn(news, sheet.id), 'piece')},{' '}
                {count(breaksOn(news, sheet.id), 'break')}
              </figcaption>
            </figure>
          ))}
        {bought !== null &&
          newSheets.map((sheet) => (
            <figure key={sheet.id} className="m-0 max-w-full">
              <div className="[&>svg]:h-auto [&>svg]:max-w-full">
                <SheetPicture sheet={sheet} layout={bought} glass={glass} unit={unit} pxPerMm={PX_PER_MM} isNew />
              </div>
              <figcaption className="pt-1.5 text-[15px] text-risk">
                to buy: {size && sizeWords(size.widthMm, size.heightMm, unit)}
              </figcaption>
            </figure>
          ))}
        {news === null && <div className="h-24 w-64 animate-pulse rounded-sm bg-soft motion-reduce:animate-none" />}
      </div>
      {guessed.length > 0 && (
        <p className="max-w-prose pt-1.5 text-[14.5px] text-mute">
          {guessed.map((item) => item.id).join(', ')} {guessed.length === 1 ? 'was' : 'were'} cut from before, and only
          the area left is known: it is taken as the full width and so much of the height.
        </p>
      )}
    </section>
  );
}

const piecesOn = (news: LayoutNews, id: string) => news.layout.placements.filter((p) => p.sheetId === id).length;
const breaksOn = (news: LayoutNews, id: string) => news.layout.breaks.filter((b) => b.sheetId === id).length;

const newOutline = (size: GlassWish['size']): Pick<LayoutSheet, 'outline'> => {
  const { widthMm, heightMm } = size ?? { widthMm: 0, heightMm: 0 };
  return {
    outline: [
      [0, 0],
      [widthMm, 0],
      [widthMm, heightMm],
      [0, heightMm],
    ],
  };
};

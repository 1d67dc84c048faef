import type { LayoutSheet } from '#core/layout';
import { shapeLeft, upright } from '#core/stock';
import { count, type DisplayUnit } from '#core/units';
import { sizeWords } from '#core/words';
import { GlassChip } from '../../panel/GlassChip.tsx';
import type { LayoutNews } from '../../worker/layout.worker.ts';
import type { SheetLaid } from '../../panel/sheetLaid.ts';
import { Button } from '../../ui/Button.tsx';
import { SheetPicture } from '../../panel/SheetPicture.tsx';
import { proposalOf, type GlassWish } from './wishes.ts';

/** All sheets stand to one scale, so that they can be told apart by their size. */
const PX_PER_MM = 0.62;

/** One glass: its sheets with the pieces on them, and those that would have to be bought. */
export function GlassSheets({
  wish,
  news,
  unit,
  onOpen,
  onTable,
}: {
  wish: GlassWish;
  news: LayoutNews | null;
  unit: DisplayUnit;
  onOpen: (sheetId: string) => void;
  /** A sheet goes on the light table. */
  onTable: (sheetId: string) => void;
}) {
  const { glass, job, stock, size, kept, stuck, taken } = wish;
  const sheets = [...kept, ...foundSheets(wish, news)];
  const bought = news?.bought ?? null;
  const newSheets = [...new Set(bought?.placements.map((p) => p.sheetId))].map((id): LayoutSheet => ({
    id,
    outline: upright(size?.widthMm ?? 0, size?.heightMm ?? 0),
    flowDeg: null,
    offcut: false,
    flaws: [],
  }));
  const guessed = stock.filter((item) => sheets.some((s) => s.sheet.id === item.id) && shapeLeft(item).isGuess);
  // What lies on a sheet already is looked at first, else the largest that there is.
  const first = stuck[0] ?? sheets[0]?.sheet.id ?? [...stock].sort((a, b) => b.areaMm2 - a.areaMm2)[0]?.id;
  const isLooking = job.pieces.length > 0 && news === null;
  return (
    <section aria-label={`${glass.code} ${glass.name}`} className="break-inside-avoid">
      <h3 className="flex items-center gap-3 pb-2 text-[17px]">
        <GlassChip glass={glass} size={26} />
        <span>
          <b className="font-head">{glass.code}</b> {glass.name}
        </span>
        <span className="text-[15px] font-normal text-mute">{howFar(wish, news)}</span>
        {first && (
          <Button look="line" className="ml-auto text-[15px] print:hidden" onClick={() => onTable(first)}>
            Light table
          </Button>
        )}
      </h3>
      <div className="flex flex-wrap items-start gap-5">
        {sheets.map((one) => (
          <figure key={one.sheet.id} className="m-0 max-w-full">
            <button
              type="button"
              onClick={() => onOpen(one.sheet.id)}
              aria-label={`${one.sheet.id}, break by break`}
              className="block max-w-full overflow-hidden rounded-sm shadow-[0_2px_10px_rgb(0_0_0/0.18)] outline-offset-4 hover:shadow-[0_3px_16px_rgb(0_0_0/0.3)] [&>svg]:h-auto [&>svg]:max-w-full"
            >
              <SheetPicture {...one} glass={glass} unit={unit} pxPerMm={PX_PER_MM} />
            </button>
            <figcaption className="pt-1.5 text-[15px] text-mute">
              <b className="text-ink">{one.sheet.id}</b>
              {one.sheet.offcut ? '' : ', whole'}: {count(piecesOn(one), 'piece')}, {count(breaksOn(one), 'break')}
              {one.kept && <b className="font-semibold text-ink">, kept</b>}
            </figcaption>
          </figure>
        ))}
        {bought !== null &&
          newSheets.map((sheet) => (
            <figure key={sheet.id} className="m-0 max-w-full">
              <div className="[&>svg]:h-auto [&>svg]:max-w-full">
                <SheetPicture
                  sheet={sheet}
                  rootId={sheet.id}
                  layout={bought}
                  glass={glass}
                  unit={unit}
                  pxPerMm={PX_PER_MM}
                  isNew
                />
              </div>
              <figcaption className="pt-1.5 text-[15px] text-risk">
                to buy: {size && sizeWords(size.widthMm, size.heightMm, unit)}
              </figcaption>
            </figure>
          ))}
        {isLooking && <div className="h-24 w-64 animate-pulse rounded-sm bg-soft motion-reduce:animate-none" />}
      </div>
      {guessed.length > 0 && (
        <p className="max-w-prose pt-1.5 text-[14.5px] text-mute">
          {guessed.map((item) => item.id).join(', ')} {guessed.length === 1 ? 'was' : 'were'} cut from before, and only
          the area left is known: it is taken as the full width and so much of the height. Draw the true shape on the
          rack to have it exact.
        </p>
      )}
      {taken.length > 0 && (
        <p className="max-w-prose pt-1.5 text-[14.5px] text-mute">
          {taken.join(', ')}: laid out for another panel, so not taken here.
        </p>
      )}
    </section>
  );
}

/** The sheets on which something was found to go, or lies by hand. */
export function foundSheets(wish: GlassWish, news: LayoutNews | null): SheetLaid[] {
  const layout = proposalOf(wish, news?.layout ?? null);
  if (layout === null) return [];
  const sheets = [...wish.byHand.map((one) => one.sheet), ...wish.job.sheets];
  const used = sheets.filter((s) => layout.placements.some((p) => p.sheetId === s.id));
  return used.map((sheet) => ({
    sheet,
    rootId: wish.stock.find((item) => item.id === sheet.id)?.rootId ?? sheet.id,
    layout,
    kept: null,
  }));
}

function howFar({ job, kept, byHand, stuck }: GlassWish, news: LayoutNews | null): string {
  const keptCount = kept.reduce((sum, { layout }) => sum + layout.placements.length, 0);
  const handCount = byHand.reduce((sum, { placements }) => sum + placements.length, 0);
  const words = [
    count(job.pieces.length + keptCount + handCount, 'piece'),
    ...(handCount > 0 ? [`${handCount} laid by hand`] : []),
    ...(stuck.length > 0 ? [`no break leads between those on ${stuck.join(', ')}`] : []),
  ].join(', ');
  if (job.pieces.length === 0) return words;
  if (news === null) return `${words}, waiting its turn`;
  return news.share < 1 ? `${words}, looking: ${Math.round(news.share * 100)} %` : words;
}

const piecesOn = ({ sheet, layout }: SheetLaid) => layout.placements.filter((p) => p.sheetId === sheet.id).length;
const breaksOn = ({ sheet, layout }: SheetLaid) => layout.breaks.filter((b) => b.sheetId === sheet.id).length;

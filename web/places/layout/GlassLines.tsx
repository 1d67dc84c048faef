import { keptLayout, stripsLaid, type Layout, type StripSettings } from '#core/layout';
import { count, showArea, type DisplayUnit } from '#core/units';
import { idsCalled, sizeWords, stripWords } from '#core/words';
import type { LayoutNews } from '../../worker/layout.worker.ts';
import { proposalOf, type GlassWish } from './wishes.ts';

/** What each glass comes to, in a few words: sheets taken, how much of the glass is used, what comes back, what to buy. */
export function GlassLines({
  wishes,
  of,
  unit,
}: {
  wishes: readonly GlassWish[];
  of: (key: string) => LayoutNews | null;
  unit: DisplayUnit;
}) {
  return (
    <ul aria-label="What it takes" className="grid gap-3 text-[15px]">
      {wishes.map((wish) => {
        const news = of(wish.key);
        return (
          <li key={wish.glass.id} className="border-t border-line pt-2">
            <b>{wish.glass.code}</b> {wish.glass.name}
            <Use layout={keptOf(wish)} unit={unit} isKept />
            <Strips told={keptStrips(wish)} unit={unit} />
            {wish.job.pieces.length > 0 && news === null && <span className="block text-mute">waits its turn</span>}
            <Told wish={wish} news={news} unit={unit} />
          </li>
        );
      })}
    </ul>
  );
}

const keptOf = ({ kept, job }: GlassWish): Layout =>
  keptLayout(
    kept.flatMap((one) => one.kept ?? []),
    job.keepMm,
  );

/** What lies in strips on the sheets that are kept, as long as it is not cut. */
const keptStrips = ({ kept }: GlassWish): StripSettings[] =>
  stripsLaid(
    kept.flatMap(({ sheet, kept: one }) =>
      one === null
        ? []
        : [
            {
              id: sheet.id,
              outline: sheet.outline,
              breaks: one.breaks,
              pieces: one.placements.map(({ pieceId, outline }) => ({ id: pieceId, outline })),
            },
          ],
    ),
  );

function Strips({ told, unit }: { told: readonly StripSettings[]; unit: DisplayUnit }) {
  return told.map((plan) => (
    <span key={plan.pieceIds[0]} className="block border-l-2 border-copper pl-2 text-ink">
      {stripWords(plan, unit)}
    </span>
  ));
}

/** The sheets taken, how much of their glass is used, and what comes back. */
function Use({ layout, unit, isKept = false }: { layout: Layout; unit: DisplayUnit; isKept?: boolean }) {
  const taken = [...new Set(layout.placements.map((p) => p.sheetId))];
  const back = layout.offcuts.map(({ largestRectangle: { width, height } }) => sizeWords(width, height, unit));
  return (
    <>
      {taken.length > 0 && (
        <span className="block text-mute">
          {isKept && 'kept on '}
          {taken.join(', ')}: {Math.round(layout.use * 100)} % of {showArea(layout.glassConsumedMm2, unit)} used
        </span>
      )}
      {back.length > 0 && (
        <span className="block text-mute">
          back to the rack: {back.slice(0, 3).join('; ')}
          {back.length > 3 ? `; ${back.length - 3} more` : ''}
        </span>
      )}
    </>
  );
}

function Told({ wish, news, unit }: { wish: GlassWish; news: LayoutNews | null; unit: DisplayUnit }) {
  const layout = proposalOf(wish, news?.layout ?? null);
  if (layout === null) return null;
  const { bought = null, share = 1 } = news ?? {};
  const tooLarge = wish.job.sheets.length === 0 ? [] : layout.unplaced.filter((one) => one.code === 'too-large');
  const short = layout.unplaced.length - tooLarge.length;
  const buying = new Set(bought?.placements.map((p) => p.sheetId)).size;
  return (
    <>
      <Use layout={layout} unit={unit} />
      <Strips told={news?.strips ?? []} unit={unit} />
      {tooLarge.length > 0 && (
        <span className="block text-risk">
          larger than any sheet, the way the flow runs: {idsCalled(tooLarge.map((one) => one.pieceId))}
        </span>
      )}
      {share === 1 && short > 0 && (
        <span className="block font-semibold text-risk">
          {buying > 0
            ? `to buy: ${count(buying, 'sheet')} for ${count(short, 'piece')}`
            : `no glass for ${count(short, 'piece')}`}
        </span>
      )}
    </>
  );
}

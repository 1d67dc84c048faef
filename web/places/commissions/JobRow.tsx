import { Link } from 'react-router';
import { unpackPieces, type JobLine } from '#contract';
import type { Sketch } from '#core/cartoon';
import { count, showMinutes, showMoney } from '#core/units';
import { nextThing } from '#core/words';
import { SmallPicture } from '../../panel/SmallPicture.tsx';
import { standingIn } from '../../panel/standing.ts';
import { useSettings, useStudio } from '../../state/studio.ts';
import { dateWords, daysUntil } from '../../ui/dates.ts';

/** Pictures of a job stand side by side in so much room, px. */
const ROOM_WIDE = 210;
const ROOM_HIGH = 92;
/** Of a large set the first ones stand for all. */
const MOST_PICTURED = 4;
const GAP = 6;

interface JobRowProps {
  readonly job: JobLine;
  readonly sketchOf: ReadonlyMap<string | null, Sketch | undefined>;
}

/** One job in the list. */
export function JobRow({ job: { commission, panels, labour, glassCents }, sketchOf }: JobRowProps) {
  const { data: studio } = useStudio();
  const settings = useSettings();
  if (!studio) return null;
  const glasses = new Map(studio.glasses.map((g) => [g.id, g]));
  const shown = panels.slice(0, MOST_PICTURED);
  const wideMm = shown.reduce((sum, { panel }) => sum + panel.widthMm, 0);
  const highMm = Math.max(1, ...shown.map(({ panel }) => panel.heightMm));
  const pxPerMm = Math.min((ROOM_WIDE - GAP * Math.max(0, shown.length - 1)) / Math.max(1, wideMm), ROOM_HIGH / highMm);
  const pieces = panels.reduce((sum, { panel }) => sum + panel.pieceCount, 0);
  const days = commission.due ? daysUntil(commission.due) : null;
  const isLate = commission.inHand && commission.away === null && days !== null && days < 0;
  const next = panels
    .map((glance) => ({
      name: glance.panel.name,
      thing: nextThing(standingIn(studio, glance), unpackPieces(glance.pieces)),
    }))
    .filter(({ thing }) => thing.kind !== 'done');
  const [first] = next;
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  return (
    <li>
      <Link
        to={`/jobs/${commission.id}`}
        className="grid min-h-32 grid-cols-[210px_minmax(0,1.2fr)_minmax(0,1fr)_150px] items-center gap-x-8 gap-y-1 border-t border-line py-3 hover:bg-soft max-lg:grid-cols-[140px_minmax(0,1fr)_130px] max-lg:gap-x-5 max-sm:grid-cols-[96px_minmax(0,1fr)]"
      >
        <span className="flex h-[96px] min-w-0 items-end justify-center max-lg:row-span-2">
          <span className="flex origin-bottom items-end gap-1.5 max-lg:scale-[0.66] max-sm:scale-[0.45]">
            {shown.map((glance) => (
              <SmallPicture
                key={glance.panel.id}
                panel={standingIn(studio, glance)}
                pieces={glance.pieces}
                sketch={sketchOf.get(glance.panel.cartoonId)}
                glasses={glasses}
                pxPerMm={pxPerMm}
              />
            ))}
          </span>
        </span>
        <span className="min-w-0">
          <span className="block font-head text-[19px] leading-snug">{commission.title}</span>
          <span className="text-[15px] text-mute">
            {commission.client || 'no client entered'} ·{' '}
            {panels.length === 0
              ? 'no panel yet'
              : `${panels.length === 1 ? 'one panel' : `${panels.length} panels`}, ${count(pieces, 'piece')}`}
          </span>
        </span>
        <span className="min-w-0 text-[15.5px] max-lg:col-start-2 max-lg:row-start-2">
          {first ? (
            <>
              {next.length > 1 && `${first.name}: `}
              {first.thing.before}
              <b className="text-copper-ink">{first.thing.strong}</b>
              {first.thing.after}
            </>
          ) : (
            <span className="text-mute">{commission.inHand ? 'Add a panel.' : 'Delivered.'}</span>
          )}
        </span>
        <span className="text-right max-lg:col-start-3 max-lg:row-span-2 max-lg:row-start-1 max-sm:col-start-2 max-sm:row-span-1 max-sm:row-start-3 max-sm:text-left">
          <span className={`block ${isLate ? 'font-semibold text-risk' : ''}`}>
            {commission.due ? dateWords(commission.due, settings.locale) : 'no date'}
          </span>
          <span className="block font-semibold">{money(labour.cents + glassCents)}</span>
          <span className="block text-[14px] text-mute">{showMinutes(labour.minutes)} and glass, at cost</span>
        </span>
      </Link>
    </li>
  );
}

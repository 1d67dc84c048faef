import { useId } from 'react';
import { brokenParts, type Layout, type LayoutSheet } from '#core/layout';
import { boxOf, contains, poleOf, type Point } from '#core/geometry';
import type { Glass } from '#core/stock';
import type { DisplayUnit } from '#core/units';
import { sizeWords } from '#core/words';
import { GlassPattern } from './GlassPattern.tsx';
import { ringPath } from './ItemGlass.tsx';

/** How far broken parts are drawn from each other, mm. */
const APART_MM = 9;
/** Words and numbers are no larger than this share of a sheet's longer side, nor than 22 mm. */
const LETTER_SHARE = 0.036;
const MOST_LETTER_MM = 22;
/** Width of a letter as a share of its height, near enough. */
const LETTER_WIDTH = 0.52;

/**
 * One sheet as it will be cut: pieces and offcuts in the glass itself, what is lost paler, the breaks as lines; or, with a
 * number of breaks, taken apart as far as that.
 */
export function SheetPicture({
  sheet,
  rootId,
  layout,
  glass,
  breaksDone = null,
  unit,
  pxPerMm,
  isNew = false,
  isPlain = false,
}: {
  sheet: LayoutSheet;
  /** The sheet whose picture it shows. */
  rootId: string;
  layout: Layout;
  glass: Glass;
  /** Null shows the whole sheet with all its lines. */
  breaksDone?: number | null;
  unit: DisplayUnit;
  /** Null fills its place. */
  pxPerMm: number | null;
  isNew?: boolean;
  /** Without words and not taken apart: small, beside what says them. */
  isPlain?: boolean;
}) {
  const { minX, minY, maxX, maxY } = boxOf(sheet.outline);
  const breaks = layout.breaks.filter((one) => one.sheetId === sheet.id);
  const placed = layout.placements.filter((one) => one.sheetId === sheet.id);
  const offcuts = layout.offcuts.filter((one) => one.sheetId === sheet.id);
  const parts = brokenParts(sheet.outline, breaks.slice(0, breaksDone ?? 0), APART_MM);
  const next = breaksDone === null ? null : breaks[breaksDone];
  const pad = breaksDone === null ? 1 : 4 + APART_MM * 2;
  const [width, height] = [maxX - minX + 2 * pad, maxY - minY + 2 * pad];
  const id = useId();
  const letterMm = pxPerMm === null ? Math.min(MOST_LETTER_MM, Math.max(width, height) * LETTER_SHARE) : 13 / pxPerMm;
  const paint = `url(#${id})`;
  const asideOf = (point: Point) => parts.find((part) => contains(part.outline, point))?.aside ?? [0, 0];
  return (
    <svg
      viewBox={`${minX - pad} ${minY - pad} ${width} ${height}`}
      {...(pxPerMm === null ? { className: 'h-full w-full' } : { width: width * pxPerMm, height: height * pxPerMm })}
      role="img"
      aria-label={`${isNew ? 'New sheet' : sheet.id}: ${placed.length} pieces, ${breaks.length} breaks, ${offcuts.length} offcuts`}
    >
      <defs>
        <GlassPattern id={id} glass={glass} sheet={rootId} />
      </defs>
      {parts.map((part, i) => (
        <path
          key={i}
          d={ringPath(part.outline)}
          transform={`translate(${part.aside[0]} ${part.aside[1]})`}
          fill={paint}
          stroke="var(--score-half)"
          strokeWidth={0.8}
          strokeDasharray={isNew ? '6 4' : undefined}
        />
      ))}
      {parts.map((part, i) => (
        <path
          key={i}
          d={ringPath(part.outline)}
          transform={`translate(${part.aside[0]} ${part.aside[1]})`}
          fill="var(--paper)"
          fillOpacity={0.62}
        />
      ))}
      {offcuts.map((offcut, i) => {
        // The middle costs more than all the rest of a small picture, and only words need it.
        if (isPlain) return <path key={i} d={ringPath(offcut.outline)} fill={paint} />;
        const { at, distanceMm } = poleOf([offcut.outline], 0.5);
        const [dx, dy] = asideOf(at);
        const { width: w, height: h } = offcut.largestRectangle;
        const words = sizeWords(w, h, unit);
        const box = boxOf(offcut.outline);
        const roomMm = Math.min(box.maxX - box.minX, 2.4 * distanceMm) / (words.length * LETTER_WIDTH);
        return (
          <g key={i} transform={`translate(${dx} ${dy})`}>
            <path d={ringPath(offcut.outline)} fill={paint} />
            {roomMm > letterMm * 0.6 && (
              <Words at={at} sizeMm={Math.min(letterMm, roomMm)}>
                {words}
              </Words>
            )}
          </g>
        );
      })}
      {placed.map((one) => {
        const glassOf = (
          <path
            key={one.pieceId}
            d={ringPath(one.outline)}
            fill={paint}
            stroke="var(--score)"
            strokeWidth={0.9}
            strokeLinejoin="round"
          />
        );
        if (isPlain) return glassOf;
        const { at, distanceMm } = poleOf([one.outline], 0.5);
        const [dx, dy] = asideOf(at);
        return (
          <g key={one.pieceId} transform={`translate(${dx} ${dy})`}>
            {glassOf}
            <Words at={at} sizeMm={Math.min(letterMm, Math.max(5, distanceMm * 1.1))} isBold>
              {one.pieceId}
            </Words>
          </g>
        );
      })}
      {sheet.flaws.map((flaw, i) => (
        <path key={i} d={ringPath(flaw)} fill="none" stroke="var(--risk)" strokeWidth={1.2} strokeDasharray="3 2" />
      ))}
      {breaksDone === null &&
        breaks.map((one, i) => <Line key={i} from={one.from} to={one.to} colour="var(--pencil-soft)" width={0.7} />)}
      {breaksDone !== null &&
        breaks.slice(breaksDone + 1).map((one, i) => (
          <g key={i} transform={`translate(${asideOf(middle(one)).join(' ')})`}>
            <Line from={one.from} to={one.to} colour="var(--pencil-soft)" width={0.5} />
            <Words at={along(one, 0.12)} sizeMm={letterMm * 0.7}>
              {String(breaksDone + 2 + i)}
            </Words>
          </g>
        ))}
      {next && (
        <g transform={`translate(${asideOf(middle(next)).join(' ')})`}>
          <Line from={next.from} to={next.to} colour="var(--copper)" width={2.2} />
        </g>
      )}
    </svg>
  );
}

const along = ({ from, to }: { from: Point; to: Point }, share: number): Point => [
  from[0] + (to[0] - from[0]) * share,
  from[1] + (to[1] - from[1]) * share,
];
const middle = ({ from, to }: { from: Point; to: Point }): Point => [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];

function Line({ from, to, colour, width }: { from: Point; to: Point; colour: string; width: number }) {
  return <path d={`M${from.join(' ')}L${to.join(' ')}`} stroke={colour} strokeWidth={width} strokeLinecap="round" />;
}

/** Words on glass, readable on any colour: dark on a pale edge. */
function Words({
  at,
  sizeMm,
  isBold = false,
  children,
}: {
  at: Point;
  sizeMm: number;
  isBold?: boolean;
  children: string;
}) {
  return (
    <text
      x={at[0]}
      y={at[1]}
      fontSize={sizeMm}
      textAnchor="middle"
      dominantBaseline="central"
      fontWeight={isBold ? 700 : 500}
      fill="var(--pencil)"
      stroke="var(--paper)"
      strokeWidth={sizeMm * 0.22}
      strokeOpacity={0.8}
      paintOrder="stroke"
      strokeLinejoin="round"
    >
      {children}
    </text>
  );
}

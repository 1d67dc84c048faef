import { memo, useId, type SVGProps } from 'react';
import { BEGINS, type Look } from '#core/bench';
import type { CartoonPiece } from '#core/cartoon';
import type { Glass } from '#core/stock';
import type { PicturedPiece } from './standing.ts';

type Place = Pick<CartoonPiece, 'labelAt' | 'labelRadiusMm'>;

export interface PieceMarkProps {
  readonly piece: PicturedPiece;
  /** What its step makes of it. */
  readonly look: Look;
  readonly region: string;
  readonly outline: string;
  readonly glass: Glass | undefined;
  /** What its glass is painted with: its colour, or that with its texture. */
  readonly paint: string;
  readonly lit: boolean;
  readonly chosen: boolean;
  readonly place: Place | undefined;
}

/** The edge of a piece, by what its step made of it: the paint of the first line, and what lies over it. */
const EDGES: Readonly<Partial<Record<Look, { first: SVGProps<SVGPathElement>; over?: SVGProps<SVGPathElement> }>>> = {
  glass: { first: { stroke: 'var(--score)', strokeWidth: 0.55 } },
  frosted: {
    first: { stroke: 'var(--frost)', strokeOpacity: 0.85, strokeWidth: 3 },
    over: { stroke: 'var(--frost-edge)', strokeWidth: 2.2, strokeDasharray: '0.35 1.1', strokeOpacity: 0.6 },
  },
  copper: {
    first: { stroke: 'var(--foil)', strokeWidth: 2.9 },
    over: { stroke: 'var(--foil-light)', strokeWidth: 0.7, strokeOpacity: 0.85 },
  },
};

/**
 * One piece as the material it is now, over the paper that lies under the whole panel. Each state differs by line or
 * texture too, not by colour alone. As few shapes as can be: a panel has hundreds of pieces, and each is laid out.
 */
export const PieceMark = memo(function PieceMark({
  piece,
  look,
  region,
  outline,
  glass,
  paint,
  lit,
  chosen,
  place,
}: PieceMarkProps) {
  const { stage, number, broken } = piece;
  const isPaper = stage === BEGINS;
  const isGlass = !isPaper || ((lit || chosen) && glass !== undefined);
  const edge = lit || isPaper ? undefined : EDGES[look];
  const paperLine = isPaper && !lit ? { stroke: 'var(--paper-line)', strokeWidth: 0.5 } : {};
  const marks = { 'data-piece': number, 'data-stage': stage };
  const first = isGlass
    ? { d: outline, fill: paint, ...edge?.first }
    : { d: region, fill: glass || broken ? 'var(--paper)' : 'url(#no-glass)', ...paperLine };
  const hasChip = isPaper && !lit && !isGlass && glass && place && !broken;
  const hasPaperLine = isPaper && !lit && isGlass;
  const isCracked = broken && place;
  if (!(hasChip || hasPaperLine || isCracked || piece.tooSmall || edge?.over)) return <path {...marks} {...first} />;
  return (
    <g {...marks}>
      <path {...first} />
      {hasPaperLine && <path d={region} fill="none" {...paperLine} />}
      {hasChip && (
        <circle
          cx={place.labelAt[0]}
          cy={place.labelAt[1] + Math.min(11, place.labelRadiusMm * 0.8)}
          r={Math.min(3, place.labelRadiusMm * 0.17)}
          fill={glass.colour}
          stroke="var(--chip-edge)"
          strokeWidth={0.3}
        />
      )}
      {isCracked && <Crack place={place} outline={region} />}
      {piece.tooSmall && (
        <path
          d={region}
          fill="none"
          stroke="var(--crack)"
          strokeWidth={1.4}
          strokeDasharray="4 2.4"
          data-too-small={number}
        />
      )}
      {edge?.over && <path d={outline} fill="none" {...edge.over} />}
    </g>
  );
});

/** A broken piece: its paper, and the crack that ran through it. */
function Crack({ place, outline }: { place: Place; outline: string }) {
  const [x, y] = place.labelAt;
  const r = Math.max(5, place.labelRadiusMm * 1.5);
  const clip = useId();
  const d = `M${x - r} ${y - r * 0.5}l${r * 0.5} ${r * 0.3} ${r * 0.1} ${-r * 0.35} ${r * 0.5} ${r * 0.6} ${r * 0.3} ${-r * 0.15} ${r * 0.6} ${r * 0.55}M${x - r * 0.4} ${y - r * 0.2}l${-r * 0.15} ${r * 0.7} ${r * 0.3} ${r * 0.4}`;
  return (
    <g fill="none" style={{ pointerEvents: 'none' }}>
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      <path d={outline} stroke="var(--crack)" strokeWidth={1} strokeDasharray="3 1.6" />
      <path d={d} clipPath={`url(#${clip})`} stroke="var(--crack)" strokeWidth={0.9} strokeLinejoin="bevel" />
    </g>
  );
}

import { useId } from 'react';
import { BEGINS, type Look } from '#core/bench';
import type { CartoonPiece } from '#core/cartoon';
import type { Glass } from '#core/stock';
import { BROKEN, chipOf, CRACK, crackPath, EDGES, TOO_SMALL } from '../material/lines.ts';
import type { PicturedPiece } from './standing.ts';
import { StrokeLine } from './StrokeLine.tsx';

type Place = Pick<CartoonPiece, 'labelAt' | 'labelRadiusMm'>;

interface PieceMarkProps {
  readonly piece: PicturedPiece;
  /** What its step makes of it. */
  readonly look: Look;
  readonly region: string;
  readonly outline: string;
  readonly glass: Glass | undefined;
  readonly lit: boolean;
  readonly chosen: boolean;
  readonly place: Place | undefined;
}

/** One piece as the material it is now, for a print. Inside an svg, in mm. */
export function PieceMark({ piece, look, region, outline, glass, lit, chosen, place }: PieceMarkProps) {
  const { stage, broken } = piece;
  const isPaper = stage === BEGINS;
  const isGlass = !isPaper || ((lit || chosen) && glass !== undefined);
  const chip = isPaper && !isGlass && glass && place && !broken ? chipOf(place) : null;
  return (
    <g>
      <path
        d={isGlass ? outline : region}
        fill={isGlass ? (glass?.colour ?? 'var(--no-colour)') : glass || broken ? 'var(--paper)' : 'url(#no-glass)'}
      />
      {isPaper && !lit && <path d={region} fill="none" stroke="var(--paper-line)" strokeWidth={0.5} />}
      {!isPaper && !lit && EDGES[look]?.map((line) => <StrokeLine key={line.colour} d={outline} line={line} />)}
      {chip && (
        <circle cx={chip.x} cy={chip.y} r={chip.r} fill={glass?.colour} stroke="var(--chip-edge)" strokeWidth={0.3} />
      )}
      {broken && !lit && place && <Crack place={place} outline={region} />}
      {piece.tooSmall && !lit && <StrokeLine d={region} line={TOO_SMALL} />}
    </g>
  );
}

/** A broken piece: its outline, and the crack that ran through it. */
function Crack({ place, outline }: { place: Place; outline: string }) {
  const clip = useId();
  return (
    <g>
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      <StrokeLine d={outline} line={BROKEN} />
      <g clipPath={`url(#${clip})`}>
        <StrokeLine d={crackPath(place)} line={CRACK} />
      </g>
    </g>
  );
}

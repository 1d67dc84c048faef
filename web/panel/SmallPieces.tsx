import { memo } from 'react';
import { BEGINS, stepOf, type Look } from '#core/bench';
import type { Glass } from '#core/stock';
import { PieceMark } from './PieceMark.tsx';
import type { PicturePaths } from './paths.ts';
import type { Pictured, PicturedPiece } from './standing.ts';

interface Alike {
  readonly piece: PicturedPiece;
  readonly look: Look;
  readonly glass: Glass | undefined;
  region: string;
  outline: string;
  dots: string;
}

/** All pieces of a small picture: those that look alike are one shape, so that a list of many panels stays light. */
export const SmallPieces = memo(function SmallPieces({
  paths,
  panel,
  pieces,
  glasses,
}: {
  paths: PicturePaths;
  panel: Pictured;
  pieces: readonly PicturedPiece[];
  glasses: ReadonlyMap<string, Glass>;
}) {
  const groups = new Map<string, Alike>();
  for (const piece of pieces) {
    const { stage, glassId, broken, number } = piece;
    // A crack is drawn for each broken piece by itself.
    const key = broken ? `broken ${number}` : `${stage} ${glassId ?? ''} ${piece.tooSmall ? 'too small' : ''}`;
    let group = groups.get(key);
    if (!group) {
      const glass = glassId ? glasses.get(glassId) : undefined;
      group = { piece, look: stepOf(panel.route, stage)?.look ?? 'glass', glass, region: '', outline: '', dots: '' };
      groups.set(key, group);
    }
    group.region += paths.region.get(number) ?? '';
    group.outline += paths.glass.get(number) ?? '';
    if (stage === BEGINS && !broken) group.dots += dot(paths, number);
  }
  const drawn = [...groups].map(([key, { piece, look, glass, region, outline, dots }]) => (
    <g key={key}>
      <PieceMark
        piece={piece}
        look={look}
        region={region}
        outline={outline}
        glass={glass}
        paint={glass?.colour ?? 'var(--no-colour)'}
        lit={false}
        chosen={false}
        place={piece.broken ? paths.pieces.get(piece.number) : undefined}
      />
      {glass && dots !== '' && <path d={dots} fill={glass.colour} stroke="var(--chip-edge)" strokeWidth={0.3} />}
    </g>
  ));
  return (
    <>
      <path d={paths.sheet} fill="var(--paper)" />
      {drawn}
    </>
  );
});

/** The glass that a piece of paper is to become, as a dot on it. */
function dot({ pieces }: PicturePaths, number: number): string {
  const place = pieces.get(number);
  if (!place) return '';
  const [x, y] = place.labelAt;
  const r = Math.min(3, place.labelRadiusMm * 0.17);
  const down = y + Math.min(11, place.labelRadiusMm * 0.8);
  return `M${x - r} ${down}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}

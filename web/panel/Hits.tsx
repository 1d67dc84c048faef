import { memo } from 'react';
import type { PicturePaths } from './paths.ts';
import type { PicturedPiece } from './standing.ts';

/** Where each piece can be touched. Draws nothing: the material under it is painted by a worker. Inside an svg, in mm. */
export const Hits = memo(function Hits({ paths, pieces }: { paths: PicturePaths; pieces: readonly PicturedPiece[] }) {
  return (
    <g fill="none" pointerEvents="all">
      {pieces.map(({ number, stage, tooSmall = false }) => (
        <Hit key={number} number={number} stage={stage} tooSmall={tooSmall} d={paths.region.get(number) ?? ''} />
      ))}
    </g>
  );
});

const Hit = memo(function Hit({
  number,
  stage,
  tooSmall,
  d,
}: {
  number: number;
  stage: string;
  tooSmall: boolean;
  d: string;
}) {
  return <path d={d} data-piece={number} data-stage={stage} data-too-small={tooSmall ? number : undefined} />;
});

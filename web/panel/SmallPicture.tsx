import { unpackPieces, type Glance } from '#contract';
import type { Sketch } from '#core/cartoon';
import type { Glass } from '#core/stock';
import { Materials } from './Materials.tsx';
import { Metalwork } from './Metalwork.tsx';
import { sketchPaths } from './paths.ts';
import { SmallPieces } from './SmallPieces.tsx';
import type { Pictured } from './standing.ts';

interface SmallPictureProps {
  readonly panel: Pictured;
  readonly pieces: Glance['pieces'];
  readonly sketch: Sketch | undefined;
  readonly glasses: ReadonlyMap<string, Glass>;
  readonly pxPerMm: number;
}

/** A panel's living picture, small, standing on its foot. */
export function SmallPicture({ panel, pieces, sketch, glasses, pxPerMm }: SmallPictureProps) {
  const [w, h] = [panel.widthMm * pxPerMm, panel.heightMm * pxPerMm];
  if (!sketch) {
    return (
      <svg aria-hidden width={w} height={h}>
        <rect
          x="0.5"
          y="0.5"
          width={Math.max(1, w - 1)}
          height={Math.max(1, h - 1)}
          fill="var(--paper)"
          stroke="var(--strong)"
          strokeDasharray="5 4"
        />
      </svg>
    );
  }
  const paths = sketchPaths(sketch);
  const unpacked = unpackPieces(pieces);
  const { x, y, width, height } = paths.box;
  return (
    <svg
      role="img"
      aria-label={`${panel.name} as it stands`}
      width={w}
      height={h}
      viewBox={`${x} ${y} ${width} ${height}`}
      className="block overflow-visible"
      style={{ filter: 'drop-shadow(3px 4px 4px var(--cast))' }}
    >
      <Materials />
      <SmallPieces paths={paths} panel={panel} pieces={unpacked} glasses={glasses} />
      <Metalwork paths={paths} panel={panel} pieces={unpacked} side="front" jointsOnly={false} lit={false} />
    </svg>
  );
}

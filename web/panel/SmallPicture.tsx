import { unpackPieces, type Glance } from '#contract';
import type { Sketch } from '#core/cartoon';
import type { Glass } from '#core/stock';
import { fitted } from './camera.ts';
import { GlassLayer } from './GlassLayer.tsx';
import { metalOf } from './metal.ts';
import { sketchPaths } from './paths.ts';
import { drawnOf, sceneOf } from './sceneOf.ts';
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
  const metal = metalOf({ paths, panel, pieces: unpacked, side: 'front', jointsOnly: false });
  const scene = sceneOf({ panel, pieces: unpacked, glasses }, metal);
  return (
    <div
      role="img"
      aria-label={`${panel.name} as it stands`}
      className="relative block"
      style={{ width: w, height: h, filter: 'drop-shadow(3px 4px 4px var(--cast))' }}
    >
      <GlassLayer drawn={drawnOf(paths)} scene={scene} placed={fitted(paths.box, w, h)} />
    </div>
  );
}

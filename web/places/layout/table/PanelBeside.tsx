import { useMemo } from 'react';
import { GlassStill } from '../../../panel/GlassStill.tsx';
import { panelMaterial } from '../../../panel/panelMaterial.ts';
import type { PanelView } from '../../../panel/view.ts';
import type { StockRow } from '../../../state/studio.ts';
import { spotOfPose } from './pose.ts';
import type { Pattern, Poses } from './useTable.ts';

/** The panel against the light, its pieces in the very glass that lies under their patterns. */
export function PanelBeside({
  view,
  item,
  patterns,
  poses,
  inHand,
}: {
  view: PanelView;
  item: StockRow;
  patterns: readonly Pattern[];
  poses: Poses;
  inHand: string | null;
}) {
  const { panel, pieces, glasses, paths } = view;
  const shown = useMemo(() => {
    // A second glass lies behind the first, and is not seen by itself.
    const own = new Map(patterns.flatMap((pattern) => (pattern.of ? [] : [[pattern.piece.number, pattern] as const])));
    return pieces.map((piece) => {
      const pattern = own.get(piece.number);
      const pose = pattern && poses.get(pattern.id);
      if (!pattern || !pose) return pattern && piece.spot?.stockId === item.id ? { ...piece, spot: null } : piece;
      return {
        ...piece,
        spot: { stockId: item.id, rootId: item.rootId, byHand: true, ...spotOfPose(pattern.outline, pose) },
      };
    });
  }, [pieces, patterns, poses, item.id, item.rootId]);
  if (!paths) return null;
  const { drawn, scene } = panelMaterial(
    { paths, panel, pieces: shown, glasses, photos: view.photos },
    { look: 'lit', lighting: { kind: 'clear', roomLit: false }, chosen: true },
  );
  const { x, y, width, height } = paths.box;
  const pad = Math.max(width, height) * 0.03;
  const area = { x: x - pad, y: y - pad, width: width + 2 * pad, height: height + 2 * pad };
  const held = patterns.find(({ id }) => id === inHand);
  const region = held && paths.region.get(held.piece.number);
  return (
    <div className="relative size-full">
      <GlassStill drawn={drawn} scene={scene} area={area} />
      <svg
        role="img"
        aria-label={`${panel.name} in this glass`}
        viewBox={`${area.x} ${area.y} ${area.width} ${area.height}`}
        className="absolute inset-0 size-full"
      >
        {region && <path d={region} fill="none" stroke="var(--copper)" strokeWidth={pad * 0.2} />}
      </svg>
    </div>
  );
}

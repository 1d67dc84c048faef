import type { GlassLook } from '#core/glass';
import { useTile } from './useTile.ts';

/** So many pixels of the screen a tile of 256 mm: near enough to see its figure. */
const TILE_PX = 190;

/** A chip of glass held to the light. */
export function GlassChip({ glass, size = 44 }: { glass: GlassLook; size?: number }) {
  const tile = useTile(glass);
  return (
    <span
      aria-hidden
      className="block shrink-0 rounded-[3px] border border-[var(--score-third)]"
      style={{
        width: size,
        height: size,
        backgroundColor: glass.colour,
        backgroundImage: tile ? `url(${tile})` : undefined,
        backgroundSize: TILE_PX,
      }}
    />
  );
}

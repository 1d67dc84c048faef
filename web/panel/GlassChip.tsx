import type { Glass } from '#core/stock';
import { textureTile } from './textures.ts';

/** A chip of glass held to the light: its colour with its texture over it. */
export function GlassChip({ glass, size = 44 }: { glass: Glass; size?: number }) {
  return (
    <span
      aria-hidden
      className="block shrink-0 rounded-[3px] border border-[var(--score-third)] shadow-inner"
      style={{
        width: size,
        height: size,
        backgroundColor: glass.colour,
        backgroundImage: `url(${textureTile(glass.texture)})`,
        backgroundSize: 96,
      }}
    />
  );
}

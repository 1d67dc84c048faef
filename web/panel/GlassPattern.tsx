import { seedOf, TILE_MM, type GlassLook } from '#core/glass';
import { useTile } from './useTile.ts';

/**
 * Glass as a pattern inside an svg in mm. A sheet always shows the same spot of it: its flow runs along its height.
 * @param sheet the label of the sheet; without one the flow runs from left to right
 */
export function GlassPattern({
  id,
  glass,
  sheet,
  flowDeg = 0,
}: {
  id: string;
  glass: GlassLook;
  sheet?: string;
  flowDeg?: number;
}) {
  const tile = useTile(glass);
  const seed = seedOf(sheet ?? id);
  return (
    <pattern
      id={id}
      width={TILE_MM}
      height={TILE_MM}
      patternUnits="userSpaceOnUse"
      patternTransform={`translate(${seed % 251} ${(seed >>> 8) % 251}) rotate(${sheet === undefined ? flowDeg : 90})`}
    >
      <rect width={TILE_MM} height={TILE_MM} fill={glass.colour} />
      {tile && <image href={tile} width={TILE_MM} height={TILE_MM} preserveAspectRatio="none" />}
    </pattern>
  );
}

import { squareOnSheet, TILE_MM, type GlassLook } from '#core/glass';
import { useSheetPhoto } from '../state/studio.ts';
import { useTile } from './useTile.ts';

/**
 * Glass as a pattern inside an svg in mm. A sheet always shows the same spot of it: its flow runs along its height.
 * @param sheet the sheet that it once came as; without one the flow runs from left to right
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
  const square = squareOnSheet(sheet ?? id);
  const photo = useSheetPhoto(sheet);
  if (photo) {
    const { x, y, widthMm, heightMm, hash } = photo;
    return (
      <pattern id={id} x={x} y={y} width={widthMm} height={heightMm} patternUnits="userSpaceOnUse">
        <rect width={widthMm} height={heightMm} fill={glass.colour} />
        <image href={`/api/pictures/${hash}`} width={widthMm} height={heightMm} preserveAspectRatio="none" />
      </pattern>
    );
  }
  return (
    <pattern
      id={id}
      width={TILE_MM}
      height={TILE_MM}
      patternUnits="userSpaceOnUse"
      patternTransform={`translate(${square.x} ${square.y}) rotate(${sheet === undefined ? flowDeg : square.turnDeg})`}
    >
      <rect width={TILE_MM} height={TILE_MM} fill={glass.colour} />
      {tile && <image href={tile} width={TILE_MM} height={TILE_MM} preserveAspectRatio="none" />}
    </pattern>
  );
}

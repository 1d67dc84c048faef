import { useId } from 'react';
import { shapeLeft, type Glass, type StockItem } from '#core/stock';
import { boxOf, type Ring } from '#core/geometry';
import { GlassPattern } from './GlassPattern.tsx';

export const ringPath = (ring: Ring): string =>
  `M${ring.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`;

type Shaped = Pick<StockItem, 'widthMm' | 'heightMm' | 'areaMm2' | 'outline' | 'flaws' | 'rootId'>;

/**
 * A sheet or offcut in its glass, inside an svg in mm: its true outline and its flaws.
 * @param stands on a rack, where what is left of it stands on the floor and what is gone is seen paler above
 */
export function ItemGlass({ item, glass, stands = false }: { item: Shaped; glass: Glass; stands?: boolean }) {
  const pattern = useId();
  const { outline, isGuess } = shapeLeft(item);
  // Where on it the glass is gone nobody knows: what is left stands on the rack.
  const downMm = isGuess && stands ? item.heightMm - boxOf(outline).maxY : 0;
  return (
    <>
      <defs>
        <GlassPattern id={pattern} glass={glass} sheet={item.rootId} />
      </defs>
      {isGuess && stands && (
        <rect width={item.widthMm} height={item.heightMm} fill={`url(#${pattern})`} opacity={0.22} />
      )}
      <path
        d={ringPath(outline)}
        transform={`translate(0 ${downMm})`}
        fill={`url(#${pattern})`}
        stroke="var(--score-half)"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
      {item.flaws.map((flaw, i) => (
        <path
          key={i}
          d={ringPath(flaw)}
          fill="var(--paper)"
          fillOpacity={0.45}
          stroke="var(--risk)"
          strokeWidth={1.2}
          strokeDasharray="3 2"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </>
  );
}

import { playIn } from '#core/finish';
import type { Opening } from '#core/sizing';
import { showFineLength } from '#core/units';
import { GlassStill } from '../../../panel/GlassStill.tsx';
import { panelMaterial } from '../../../panel/panelMaterial.ts';
import { PanelPrint } from '../../../panel/PanelPrint.tsx';
import type { PanelPaths } from '../../../panel/paths.ts';
import type { PanelView } from '../../../panel/view.ts';

const LIGHT = { kind: 'overcast', roomLit: true } as const;

/** The finished panel, in its opening where it has one: to scale, its play in words on each side. */
export function InOpening({
  view,
  paths,
  opening,
  size,
  bars,
}: {
  view: PanelView;
  paths: PanelPaths;
  opening: Opening | null;
  size: { readonly widthMm: number; readonly heightMm: number };
  bars: readonly number[];
}) {
  const { panel, pieces, glasses, photos, settings } = view;
  const shown = { paths, panel, pieces, glasses, photos };
  const { drawn, scene } = panelMaterial(shown, { look: 'lit', lighting: LIGHT, chosen: true });
  const { x, y, width, height } = paths.box;
  const wall = Math.max(width, height) * (opening ? 0.16 : 0.03);
  const area = { x: x - wall, y: y - wall, width: width + 2 * wall, height: height + 2 * wall };
  const play = opening && playIn(opening, size);
  const middle = [x + width / 2, y + height / 2] as const;
  const letters = Math.max(width, height) * 0.032;
  const says = (mm: number) => `${mm < 0 ? '−' : ''}${showFineLength(Math.abs(mm), settings.unit)}`;
  return (
    <figure className="relative h-[50vh] min-h-72">
      <GlassStill drawn={drawn} scene={scene} area={area} />
      <svg
        role="img"
        aria-label={opening ? 'The panel in its opening' : 'The panel as it will be'}
        viewBox={`${area.x} ${area.y} ${area.width} ${area.height}`}
        className="absolute inset-0 size-full"
      >
        <PanelPrint shown={shown} view="lit" metal={scene.metal} numbers={false} />
        {opening && play && (
          <>
            <path
              fillRule="evenodd"
              fill="var(--section-stone)"
              d={`M${area.x} ${area.y}h${area.width}v${area.height}h${-area.width}z${hole(middle, opening)}`}
            />
            <path d={hole(middle, opening)} fill="none" stroke="var(--section-stone-edge)" strokeWidth={letters / 8} />
            <g fill="var(--section-edge)" fontSize={letters} textAnchor="middle" fontWeight={600}>
              <text x={middle[0]} y={area.y + wall * 0.55}>
                {says(play.topMm)}
              </text>
              <text x={middle[0]} y={area.y + area.height - wall * 0.3}>
                {says(play.bottomMm)}, on blocks
              </text>
              <text x={area.x + wall * 0.5} y={middle[1]}>
                {says(play.leftMm)}
              </text>
              <text x={area.x + area.width - wall * 0.5} y={middle[1]}>
                {says(play.rightMm)}
              </text>
            </g>
          </>
        )}
        {bars.map((at) => (
          <path
            key={at}
            d={`M${x - wall / 3} ${at}H${x + width + wall / 3}`}
            stroke="var(--section-edge)"
            strokeWidth={letters * 0.4}
            strokeLinecap="round"
          />
        ))}
      </svg>
    </figure>
  );
}

/** The edge of the opening about the middle of the panel. */
const hole = ([x, y]: readonly [number, number], { widthMm, heightMm }: Opening): string =>
  `M${x - widthMm / 2} ${y - heightMm / 2}h${widthMm}v${heightMm}h${-widthMm}z`;

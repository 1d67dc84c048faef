import { useRef, type MouseEvent } from 'react';
import type { FinishPlan } from '#core/finish';
import type { Point } from '#core/geometry';
import { GlassStill } from '../../../panel/GlassStill.tsx';
import { panelMaterial } from '../../../panel/panelMaterial.ts';
import { PanelPrint } from '../../../panel/PanelPrint.tsx';
import type { PanelPaths } from '../../../panel/paths.ts';
import type { PanelView } from '../../../panel/view.ts';
import type { Held } from './held.ts';

const LIGHT = { kind: 'overcast', roomLit: true } as const;
/** A finger reaches a place so far away, px. */
const REACH_PX = 34;
/** Of the hook no more is shown than this share of the panel's height. */
const ABOVE = 0.8;

/** The panel as it will be held: rings and chains under load, its middle of weight, bars and lines that would bend. */
export function HungPanel({
  view,
  paths,
  plan,
  held,
  onRings,
}: {
  view: PanelView;
  paths: PanelPaths;
  plan: FinishPlan;
  held: Held;
  onRings: (rings: readonly Point[]) => void;
}) {
  const { panel, pieces, glasses, photos } = view;
  const shown = { paths, panel, pieces, glasses, photos };
  const { drawn, scene } = panelMaterial(shown, { look: 'lit', lighting: LIGHT, chosen: true });
  const stage = useRef<SVGSVGElement>(null);
  const { x, y, width, height } = paths.box;
  const isHung = plan.hold === 'hung';
  const hook = isHung ? (held.hanging?.hook ?? null) : null;
  const rise = isHung ? Math.min(ABOVE * height, hook ? y - hook[1] + 30 : 0.25 * height) : 12;
  const area = { x: x - 24, y: y - Math.max(12, rise), width: width + 48, height: height + Math.max(12, rise) + 24 };
  const unit = Math.max(width, height) / 100;
  const tap = (event: MouseEvent) => {
    const matrix = stage.current?.getScreenCTM();
    if (!isHung || !matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const reach = REACH_PX / Math.hypot(matrix.a, matrix.b);
    const [near] = held.places
      .map((place) => ({ place, mm: Math.hypot(place.at[0] - at.x, place.at[1] - at.y) }))
      .filter(({ mm }) => mm <= reach)
      .sort((a, b) => a.mm - b.mm);
    if (near) onRings(toggled(held.rings, near.place.at));
  };
  return (
    <figure className="relative h-[68vh] min-h-80 min-w-0 max-lg:h-[52vh]">
      <GlassStill drawn={drawn} scene={scene} area={area} />
      <svg
        ref={stage}
        role="img"
        aria-label={`How it is held: ${held.rings.length} rings, ${held.stiffening.bars.length} bars`}
        viewBox={`${area.x} ${area.y} ${area.width} ${area.height}`}
        className={`absolute inset-0 size-full touch-manipulation ${isHung ? 'cursor-pointer' : ''}`}
        onClick={tap}
        data-testid="held-panel"
      >
        <PanelPrint shown={shown} view="lit" metal={scene.metal} numbers={false} />
        {held.stiffening.hinges.map(({ from, to, isHeld }) =>
          isHeld ? null : (
            <path
              key={`${from.join()} ${to.join()}`}
              d={`M${from.join(' ')}L${to.join(' ')}`}
              stroke="var(--risk)"
              strokeWidth={unit * 0.7}
              strokeDasharray={`${unit * 2} ${unit * 1.6}`}
            />
          ),
        )}
        {held.stiffening.bars.map((bar) => (
          <g key={bar.y}>
            <rect
              x={x - 14}
              y={bar.y - unit * 0.8}
              width={width + 28}
              height={unit * 1.6}
              rx={unit * 0.5}
              fill="var(--section-edge)"
            />
            <path
              d={`M${x - 12} ${bar.y - unit * 0.3}H${x + width + 12}`}
              stroke="var(--tin)"
              strokeWidth={unit * 0.25}
            />
          </g>
        ))}
        {isHung && <Chains held={held} top={area.y} unit={unit} />}
        {isHung &&
          held.places.map((place) => (
            <circle
              key={place.joint}
              cx={place.at[0]}
              cy={place.at[1]}
              r={unit * 0.9}
              fill="var(--paper)"
              fillOpacity={0.9}
              stroke="var(--score)"
              strokeWidth={unit * 0.2}
              data-ring-place={place.joint}
            />
          ))}
        {isHung &&
          held.rings.map(([cx, cy]) => (
            <circle
              key={`${cx} ${cy}`}
              cx={cx}
              cy={cy - unit * 1.6}
              r={unit * 1.7}
              fill="none"
              stroke="var(--copper)"
              strokeWidth={unit * 0.9}
              data-ring
            />
          ))}
        <Weight at={held.gravity.at} unit={unit} />
      </svg>
    </figure>
  );
}

/** A ring where there was none; none where there was one. */
function toggled(rings: readonly Point[], at: Point): Point[] {
  const isSame = (ring: Point) => Math.hypot(ring[0] - at[0], ring[1] - at[1]) < 1;
  return rings.some(isSame) ? rings.filter((ring) => !isSame(ring)) : [...rings, at];
}

function Chains({ held: { rings, hanging }, top, unit }: { held: Held; top: number; unit: number }) {
  const style = { stroke: 'var(--came)', strokeWidth: unit * 0.6, fill: 'none' };
  const hook = hanging?.hook ?? null;
  return (
    <g>
      {rings.map(([rx, ry]) => (
        <path
          key={`${rx} ${ry}`}
          d={hook ? `M${rx} ${ry - unit * 3}L${hook.join(' ')}` : `M${rx} ${ry - unit * 3}V${top}`}
          {...style}
        />
      ))}
      {hook && <circle cx={hook[0]} cy={hook[1]} r={unit * 1.2} fill="var(--section-edge)" />}
    </g>
  );
}

/** The middle of the weight, as a plumb bob. */
const Weight = ({ at: [x, y], unit }: { at: Point; unit: number }) => (
  <g data-middle-of-weight>
    <path
      d={`M${x - unit * 1.5} ${y - unit}H${x + unit * 1.5}L${x + unit * 1.1} ${y + unit * 1.2}L${x} ${y + unit * 3}L${x - unit * 1.1} ${y + unit * 1.2}Z`}
      fill="var(--copper)"
      stroke="var(--bright)"
      strokeWidth={unit * 0.35}
    />
    <path d={`M${x} ${y - unit}V${y - unit * 4}`} stroke="var(--copper)" strokeWidth={unit * 0.35} />
  </g>
);

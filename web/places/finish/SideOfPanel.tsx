import { useRef, type MouseEvent } from 'react';
import type { Joint } from '#core/cartoon';
import type { Side } from '#core/bench';
import { jointsWords } from '#core/words';
import { jointAt } from '../../panel/jointAt.ts';
import { GlassStill } from '../../panel/GlassStill.tsx';
import { panelMaterial } from '../../panel/panelMaterial.ts';
import { PanelPrint } from '../../panel/PanelPrint.tsx';
import type { PanelPaths } from '../../panel/paths.ts';
import type { PanelView } from '../../panel/view.ts';

const NO_LIGHT = { kind: 'bench', roomLit: true } as const;

/** With so few left each is shown by an arrow. */
const ARROWS = 3;

/** Where a joint is open still: a ring of so many hundredths of the panel across, outside and inside. */
const [RING, WITHIN] = [2.08, 1.52];

/** One side of the panel: a tap on a joint says that it is soldered; the last open ones are shown by arrows. */
export function SideOfPanel({
  view,
  paths,
  side,
  onJoint,
}: {
  view: PanelView;
  paths: PanelPaths;
  side: Side;
  onJoint: (joint: Joint) => void;
}) {
  const { panel, pieces, glasses } = view;
  const shown = { paths, panel, pieces, glasses, photos: view.photos };
  const { drawn, scene } = panelMaterial(shown, { look: side, lighting: NO_LIGHT });
  const stage = useRef<SVGGElement>(null);
  const { x, y, width, height } = paths.box;
  const done = new Set(panel.soldered[side]);
  const joints = paths.cartoon.joints;
  const open = joints.filter((j) => !done.has(j.number));
  const isBegun = open.length > 0 && open.length < joints.length;
  const area = { x: x - 8, y: y - 8, width: width + 16, height: height + 16 };
  const unit = Math.max(width, height) / 100;
  const tap = (event: MouseEvent) => {
    const matrix = stage.current?.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const mmPerPx = 1 / Math.hypot(matrix.a, matrix.b);
    const meant = jointAt(joints, (j) => !done.has(j.number), [at.x, at.y], mmPerPx);
    if (meant) onJoint(meant);
  };
  return (
    <figure className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="relative h-[62vh] min-h-0 w-full max-md:h-[42vh]">
        <GlassStill drawn={drawn} scene={scene} area={area} />
        <svg
          role="img"
          aria-label={`The ${side}: ${jointsWords(joints, panel.soldered[side], side)}`}
          viewBox={`${area.x} ${area.y} ${area.width} ${area.height}`}
          className="absolute inset-0 size-full cursor-pointer touch-manipulation select-none"
          onClick={tap}
          data-testid={`joints-${side}`}
        >
          <g ref={stage} transform={side === 'back' ? `translate(${2 * x + width} 0) scale(-1 1)` : undefined}>
            <PanelPrint shown={shown} view={side} metal={scene.metal} numbers={false} />
            {open.length > 0 && <Rings joints={open} unit={unit} />}
            {isBegun &&
              open
                .slice(0, ARROWS)
                .map(({ number, at }) => (
                  <Arrow key={number} at={at} middle={[x + width / 2, y + height / 2]} unit={unit} />
                ))}
          </g>
        </svg>
      </div>
      <figcaption className="pt-2 text-center text-[15px]">
        {jointsWords(joints, panel.soldered[side], side)}
      </figcaption>
    </figure>
  );
}

/** The open joints, all in one line of dots: a large panel has hundreds on each side. Inside an svg, in mm. */
function Rings({ joints, unit }: { joints: readonly Joint[]; unit: number }) {
  const dots = joints.map(({ at: [x, y] }) => `M${x} ${y}h0`).join('');
  return (
    <g fill="none" strokeLinecap="round" data-open-joints={joints.map((joint) => joint.number).join(' ')}>
      <path d={dots} stroke="var(--copper)" strokeWidth={unit * RING} />
      <path d={dots} stroke="var(--paper)" strokeWidth={unit * WITHIN} />
    </g>
  );
}

/** From the middle of the panel towards a joint, so that it stays on the glass. */
function Arrow({
  at,
  middle,
  unit,
}: {
  at: readonly [number, number];
  middle: readonly [number, number];
  unit: number;
}) {
  const angle = Math.atan2(at[1] - middle[1], at[0] - middle[0]);
  const on = (back: number, aside = 0): string =>
    `${at[0] - unit * (back * Math.cos(angle) + aside * Math.sin(angle))} ${at[1] - unit * (back * Math.sin(angle) - aside * Math.cos(angle))}`;
  const d = `M${on(11)}L${on(2)}M${on(5, 2)}L${on(2)}L${on(5, -2)}`;
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round" style={{ pointerEvents: 'none' }} data-arrow>
      <path d={d} stroke="var(--bright)" strokeWidth={unit * 1.6} />
      <path d={d} stroke="var(--copper)" strokeWidth={unit * 0.8} />
    </g>
  );
}

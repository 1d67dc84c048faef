import { useRef, useState, type PointerEvent } from 'react';
import { boxOf, thinLine, type Point, type Ring } from '#core/geometry';
import { shapeLeft, type Glass } from '#core/stock';
import { nth, type DisplayUnit } from '#core/units';
import { sizeWords } from '#core/words';
import { GlassPattern } from '../../panel/GlassPattern.tsx';
import { ringPath } from '../../panel/ItemGlass.tsx';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { ARROW_STEPS } from '../../ui/arrowSteps.ts';
import { Toggles } from '../../ui/Toggles.tsx';

/** A step of the arrow keys, mm. */
const STEP_MM = 1;
/** How far a drawn flaw may be smoothed, mm, and the fewest corners that make one. */
const SMOOTH_MM = 0.6;
const LEAST_CORNERS = 3;

type Held = { readonly kind: 'corner'; readonly at: number } | { readonly kind: 'flaw'; readonly points: Ring };

/** The true shape of a sheet or offcut: its corners dragged to where they are, its flaws drawn round. */
export function ShapeForm({ item, glass, unit }: { item: StockRow; glass: Glass; unit: DisplayUnit }) {
  const send = useSend();
  const first = shapeLeft(item).outline;
  const [ring, setRing] = useState<Ring>(first);
  const [flaws, setFlaws] = useState(item.flaws);
  const [tool, setTool] = useState<'corners' | 'flaws'>('corners');
  const [held, setHeld] = useState<Held | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const box = boxOf([...first, ...ring]);
  const pad = Math.max(box.maxX - box.minX, box.maxY - box.minY) * 0.07 + 4;
  const isChanged = ring !== first || flaws !== item.flaws;
  const here = (event: PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return [0, 0];
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
  };
  const moveCorner = (at: number, to: Point) => setRing((now) => now.map((p, i) => (i === at ? to : p)));
  const addCorner = (after: number, p: Point) => {
    setRing((now) => [...now.slice(0, after + 1), p, ...now.slice(after + 1)]);
    setHeld({ kind: 'corner', at: after + 1 });
  };
  const dropCorner = (at: number) =>
    setRing((now) => (now.length > LEAST_CORNERS ? now.filter((_, i) => i !== at) : now));
  const onMove = (event: PointerEvent) => {
    if (held?.kind === 'corner') moveCorner(held.at, here(event));
    else if (held?.kind === 'flaw') setHeld({ kind: 'flaw', points: [...held.points, here(event)] });
  };
  const onUp = () => {
    if (held?.kind === 'flaw') {
      const flaw = thinLine(held.points, SMOOTH_MM);
      if (flaw.length >= LEAST_CORNERS) setFlaws((now) => [...now, flaw]);
    }
    setHeld(null);
  };
  const take = (event: PointerEvent) => {
    event.preventDefault();
    svg.current?.setPointerCapture(event.pointerId);
  };
  const keep = async () => {
    const ask = { stockId: item.id, outline: ring, flaws };
    await send.command({ kind: 'shape-stock', ask }, `True shape of ${item.id} kept.`);
  };
  const handle = pad * 0.35;
  const now = boxOf(ring);
  return (
    <section aria-label="True shape" className="grid gap-2">
      <Toggles
        label="What is drawn"
        value={tool}
        options={[
          ['corners', 'Its corners'],
          ['flaws', 'Flaws'],
        ]}
        onPick={setTool}
      />
      <svg
        ref={svg}
        viewBox={`${box.minX - pad} ${box.minY - pad} ${box.maxX - box.minX + 2 * pad} ${box.maxY - box.minY + 2 * pad}`}
        className="max-h-80 w-full touch-none rounded-md bg-[linear-gradient(var(--slot-1),var(--slot-2))]"
        role="group"
        aria-label={`Shape of ${item.id}`}
        onPointerDown={(event) => {
          if (tool !== 'flaws') return;
          take(event);
          setHeld({ kind: 'flaw', points: [here(event)] });
        }}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerCancel={() => setHeld(null)}
      >
        <defs>
          <GlassPattern id={`shape-${item.id}`} glass={glass} sheet={item.rootId} />
        </defs>
        <path d={ringPath(ring)} fill={`url(#shape-${item.id})`} stroke="var(--score)" strokeWidth={handle * 0.12} />
        {flaws.map((flaw, i) => (
          <path
            key={i}
            d={ringPath(flaw)}
            fill="var(--paper)"
            fillOpacity={0.5}
            stroke="var(--risk)"
            strokeWidth={handle * 0.14}
          />
        ))}
        {held?.kind === 'flaw' && (
          <path d={ringPath(held.points)} fill="none" stroke="var(--risk)" strokeWidth={handle * 0.14} />
        )}
        {tool === 'corners' &&
          ring.map((p, i) => {
            const next = nth(ring, (i + 1) % ring.length);
            const half: Point = [(p[0] + next[0]) / 2, (p[1] + next[1]) / 2];
            return (
              <g key={i}>
                <circle
                  cx={half[0]}
                  cy={half[1]}
                  r={handle * 0.6}
                  className="cursor-copy"
                  fill="var(--paper)"
                  fillOpacity={0.75}
                  stroke="var(--score)"
                  strokeWidth={handle * 0.1}
                  strokeDasharray={`${handle * 0.3} ${handle * 0.2}`}
                  onPointerDown={(event) => {
                    take(event);
                    addCorner(i, half);
                  }}
                />
                <circle
                  cx={p[0]}
                  cy={p[1]}
                  r={handle}
                  tabIndex={0}
                  role="button"
                  aria-label={`Corner ${i + 1}, ${Math.round(p[0] - now.minX)} by ${Math.round(p[1] - now.minY)} millimetres; arrows move it, Delete takes it away`}
                  className="cursor-move outline-offset-2"
                  fill="var(--paper)"
                  stroke="var(--copper)"
                  strokeWidth={handle * 0.22}
                  onPointerDown={(event) => {
                    take(event);
                    setHeld({ kind: 'corner', at: i });
                  }}
                  onKeyDown={(event) => {
                    const by = ARROW_STEPS[event.key];
                    if (by) moveCorner(i, [p[0] + by[0] * STEP_MM, p[1] + by[1] * STEP_MM]);
                    else if (event.key === 'Delete' || event.key === 'Backspace') dropCorner(i);
                    else return;
                    event.preventDefault();
                  }}
                />
              </g>
            );
          })}
      </svg>
      <p className="text-[14.5px] text-mute">
        {tool === 'corners'
          ? 'Drag a corner to where it is; a paler mark between two makes a new one. The flow runs upright.'
          : 'Draw round a bubble, a scratch or a crack: no piece will lie on it.'}{' '}
        Now {sizeWords(now.maxX - now.minX, now.maxY - now.minY, unit)}.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button unless={isChanged ? null : 'That is its shape as it is kept.'} onClick={() => void keep()}>
          Keep this shape
        </Button>
        {isChanged && (
          <Button
            look="line"
            onClick={() => {
              setRing(first);
              setFlaws(item.flaws);
            }}
          >
            As it was
          </Button>
        )}
        {flaws.length > 0 && (
          <Button look="line" onClick={() => setFlaws((all) => all.slice(0, -1))}>
            Take the last flaw away
          </Button>
        )}
      </div>
    </section>
  );
}

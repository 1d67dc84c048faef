import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { boxOf, type Point } from '#core/geometry';
import type { Glass } from '#core/stock';
import { ItemGlass, ringPath } from '../../../panel/ItemGlass.tsx';
import type { StockRow } from '../../../state/studio.ts';
import { degrees, outlineAt, type Pose } from './pose.ts';
import type { Table } from './useTable.ts';

/** A step of the keys, mm and degrees; with Shift so many times as far. */
const STEP = { mm: 1, deg: 1, far: 10 } as const;

/** What a hand holds: a pattern by its middle, or by the grip that turns it. */
type Held = { readonly id: string; readonly from: Point; readonly pose: Pose; readonly isTurning: boolean };

/** The sheet on the light table: patterns are laid on it, moved and turned; the one in hand has a grip to turn it by. */
export function SheetBoard({
  table,
  item,
  glass,
  inHand,
  onTake,
}: {
  table: Table;
  item: StockRow;
  glass: Glass;
  inHand: string | null;
  onTake: (id: string) => void;
}) {
  const { sheet, patterns, poses, faults, out, put } = table;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<Held | null>(null);
  /** Fingers on the glass: two of them turn what the first one holds. */
  const fingers = useRef(new Map<number, Point>());
  const box = boxOf(sheet.outline);
  const pad = Math.max(box.maxX - box.minX, box.maxY - box.minY) * 0.05;
  const [width, height] = [box.maxX - box.minX + 2 * pad, box.maxY - box.minY + 2 * pad];
  const unit = Math.max(width, height) / 100;
  const wrong = new Set(faults.flatMap((fault) => ('other' in fault ? [fault.id, fault.other] : [fault.id])));
  for (const id of 'between' in out ? out.between : []) wrong.add(id);
  const here = (event: PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return [0, 0];
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [x, y];
  };
  const take = (event: PointerEvent, id: string, isTurning: boolean) => {
    const pose = poses.get(id);
    if (!pose) return;
    onTake(id);
    const at = here(event);
    fingers.current.set(event.pointerId, at);
    held.current ??= { id, from: at, pose, isTurning };
    svg.current?.setPointerCapture(event.pointerId);
  };
  const onMove = (event: PointerEvent) => {
    const hold = held.current;
    if (!hold || !fingers.current.has(event.pointerId)) return;
    const at = here(event);
    const [first, second] = [...fingers.current.values()];
    if (first && second) {
      const other = fingers.current.get([...fingers.current.keys()].find((id) => id !== event.pointerId) ?? -1);
      const was = fingers.current.get(event.pointerId);
      const pose = poses.get(hold.id);
      if (other && was && pose) {
        const by = angleFrom(other, at) - angleFrom(other, was);
        put(hold.id, { ...pose, rotationDeg: degrees(pose.rotationDeg + by) });
      }
    } else if (hold.isTurning) {
      const by = angleFrom(hold.pose.at, at) - angleFrom(hold.pose.at, hold.from);
      put(hold.id, { ...hold.pose, rotationDeg: degrees(Math.round(hold.pose.rotationDeg + by)) });
    } else {
      const [dx, dy] = [at[0] - hold.from[0], at[1] - hold.from[1]];
      put(hold.id, { ...hold.pose, at: [hold.pose.at[0] + dx, hold.pose.at[1] + dy] });
    }
    fingers.current.set(event.pointerId, at);
  };
  const letGo = (event: PointerEvent) => {
    fingers.current.delete(event.pointerId);
    held.current = null;
  };
  const onKey = (event: KeyboardEvent, id: string) => {
    const pose = poses.get(id);
    if (!pose || event.ctrlKey || event.metaKey) return;
    const far = event.shiftKey ? STEP.far : 1;
    const by = ARROWS[event.key];
    const turn = TURNS[event.key];
    if (by) put(id, { ...pose, at: [pose.at[0] + by[0] * far * STEP.mm, pose.at[1] + by[1] * far * STEP.mm] });
    else if (turn !== undefined)
      put(id, {
        ...pose,
        rotationDeg: degrees(pose.rotationDeg + turn * STEP.deg * (event.shiftKey ? STEP.far : 1)),
      });
    else if (event.key === 'Delete' || event.key === 'Backspace') put(id, null);
    else return;
    event.preventDefault();
  };
  const lying = patterns.flatMap(({ id, outline }) => {
    const pose = poses.get(id);
    return pose ? [{ id, pose, ring: outlineAt(outline, pose) }] : [];
  });
  const inFront = [...lying].sort((a, b) => Number(a.id === inHand) - Number(b.id === inHand));
  return (
    <svg
      ref={svg}
      viewBox={`${box.minX - pad} ${box.minY - pad} ${width} ${height}`}
      className="size-full touch-none select-none"
      role="group"
      aria-label={`${item.id} on the light table`}
      onPointerMove={onMove}
      onPointerUp={letGo}
      onPointerCancel={letGo}
    >
      <rect x={box.minX - pad} y={box.minY - pad} width={width} height={height} fill="var(--light-table)" />
      <ItemGlass item={item} glass={glass} />
      {'breaks' in out &&
        out.breaks.map(({ from, to }, i) => (
          <path
            key={i}
            d={`M${from.join(' ')}L${to.join(' ')}`}
            stroke="var(--pencil)"
            strokeOpacity={0.65}
            strokeWidth={unit * 0.22}
            strokeDasharray={`${unit * 1.3} ${unit * 0.9}`}
          />
        ))}
      {inFront.map(({ id, pose, ring }) => {
        const isHeld = id === inHand;
        const isWrong = wrong.has(id);
        const reach = Math.max(...ring.map(([x, y]) => Math.hypot(x - pose.at[0], y - pose.at[1]))) + unit * 2.6;
        const turn = ((pose.rotationDeg - 90) * Math.PI) / 180;
        const grip: Point = [pose.at[0] + reach * Math.cos(turn), pose.at[1] + reach * Math.sin(turn)];
        return (
          <g key={id}>
            {isHeld && (
              <g>
                <path
                  d={`M${pose.at.join(' ')}L${grip.join(' ')}`}
                  stroke="var(--copper)"
                  strokeWidth={unit * 0.3}
                  strokeDasharray={`${unit * 0.6} ${unit * 0.5}`}
                />
                <circle
                  cx={grip[0]}
                  cy={grip[1]}
                  r={unit * 1.5}
                  fill="var(--copper)"
                  stroke="var(--paper)"
                  strokeWidth={unit * 0.35}
                  className="cursor-grab"
                  data-testid="turn"
                  onPointerDown={(event) => take(event, id, true)}
                />
              </g>
            )}
            <path
              d={ringPath(ring)}
              fill="var(--paper)"
              fillOpacity={isWrong ? 0.42 : isHeld ? 0.06 : 0.16}
              stroke={isWrong ? 'var(--risk)' : isHeld ? 'var(--copper)' : 'var(--paper)'}
              strokeWidth={unit * (isHeld ? 0.75 : 0.5)}
              strokeLinejoin="round"
              className="cursor-move outline-none"
              role="button"
              tabIndex={0}
              aria-pressed={isHeld}
              aria-label={`Piece ${id}, turned ${Math.round(pose.rotationDeg)}°${isWrong ? ', not as it lies' : ''}`}
              data-pattern={id}
              onPointerDown={(event) => take(event, id, false)}
              onFocus={() => onTake(id)}
              onKeyDown={(event) => onKey(event, id)}
            />
            <text
              x={pose.at[0]}
              y={pose.at[1]}
              fontSize={unit * 2.6}
              fontWeight={700}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--pencil)"
              stroke="var(--paper)"
              strokeWidth={unit * 0.55}
              paintOrder="stroke"
              pointerEvents="none"
            >
              {id}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

const angleFrom = ([ax, ay]: Point, [bx, by]: Point): number => (Math.atan2(by - ay, bx - ax) * 180) / Math.PI;

const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const TURNS: Readonly<Record<string, number>> = { ',': -1, '<': -1, '.': 1, '>': 1 };

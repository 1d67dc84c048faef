import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { neighbourTowards, type Direction } from '#core/cartoon';
import { contains, type Point } from '#core/geometry';
import { Button } from '../ui/Button.tsx';
import type { PanelPaths } from './paths.ts';

export interface BoardProps {
  readonly paths: PanelPaths;
  readonly label: string;
  readonly mirrored: boolean;
  readonly selected: ReadonlySet<number>;
  readonly at: number | null;
  /** Pieces and joints that a line being typed means. */
  readonly meant: ReadonlySet<number>;
  readonly meantJoints: ReadonlySet<number>;
  readonly dark: boolean;
  /** Beside a table there is no room for the tools over the board: they stand at its foot. */
  readonly narrow?: boolean;
  readonly tools?: ReactNode;
  /** Where given, a tap (or Enter at the crosshair that arrow keys move) means a place in mm, not a piece. */
  onPoint?(at: Point): void;
  onPick(numbers: readonly number[], how: 'set' | 'toggle' | 'add'): void;
  onType?(text: string): void;
  readonly children: ReactNode;
}

const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};
const HEADINGS: Readonly<Record<Direction, Point>> = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] };
const MARGIN = 0.05;
/** A press that moves less than this is a tap. Screen pixels. */
const TAP_PX = 6;

/** The worktop on which a panel lies: zoom, tap, lasso, arrow keys to the true neighbour. */
export function Board(props: BoardProps) {
  const {
    paths,
    label,
    mirrored,
    selected,
    at,
    meant,
    meantJoints,
    dark,
    narrow = false,
    tools,
    onPoint,
    onPick,
    onType,
    children,
  } = props;
  const [crosshair, setCrosshair] = useState<Point | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const stage = useRef<SVGGElement>(null);
  const zoomer = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const [lasso, setLasso] = useState<Point[] | null>(null);
  const [lassoing, setLassoing] = useState(false);
  const { x, y, width, height } = paths.box;
  const pad = Math.max(width, height) * MARGIN;
  const viewBox = `${x - pad} ${y - pad} ${width + 2 * pad} ${height + 2 * pad}`;

  useEffect(() => {
    const node = svg.current;
    if (!node) return;
    const behavior = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, 40])
      .filter(
        (event: Event & { shiftKey?: boolean; button?: number }) =>
          !event.shiftKey && !node.dataset.lasso && !event.button && event.type !== 'dblclick',
      )
      .clickDistance(TAP_PX)
      .on('zoom', ({ transform }) => stage.current?.setAttribute('transform', transform.toString()));
    zoomer.current = behavior;
    select(node).call(behavior);
    return () => void select(node).on('.zoom', null);
  }, []);

  const zoomBy = (factor: number) =>
    svg.current && zoomer.current && zoomer.current.scaleBy(select(svg.current), factor);
  const whole = () => svg.current && zoomer.current && zoomer.current.transform(select(svg.current), zoomIdentity);

  const toMm = (event: { clientX: number; clientY: number }): Point => {
    const matrix = stage.current?.getScreenCTM();
    if (!matrix) return [0, 0];
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [mirrored ? 2 * x + width - p.x : p.x, p.y];
  };

  const down = (event: PointerEvent) => {
    if (!event.shiftKey && !lassoing) return;
    svg.current?.setPointerCapture(event.pointerId);
    setLasso([toMm(event)]);
  };
  const move = (event: PointerEvent) => lasso && setLasso([...lasso, toMm(event)]);
  const up = (event: PointerEvent) => {
    if (!lasso) return;
    setLasso(null);
    if (lasso.length < 6) return;
    const inside = [...paths.pieces.values()].filter((p) => contains(lasso, p.labelAt)).map((p) => p.number);
    onPick(inside, event.ctrlKey || event.metaKey ? 'add' : 'set');
    setLassoing(false);
  };
  const click = (event: React.MouseEvent) => {
    if (onPoint && !lassoing) return onPoint(toMm(event));
    const mark = (event.target as Element).closest('[data-piece]');
    if (!mark || lassoing) return;
    onPick(
      [Number(mark.getAttribute('data-piece'))],
      event.ctrlKey || event.metaKey || event.shiftKey ? 'toggle' : 'set',
    );
  };
  const keyDown = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (onPoint && (arrow || event.key === 'Enter')) {
      event.preventDefault();
      const here: Point = crosshair ?? [x + width / 2, y + height / 2];
      if (!arrow) return onPoint(here);
      const step = event.shiftKey ? 10 : 1;
      const [dx, dy] = HEADINGS[arrow];
      return setCrosshair([here[0] + dx * step, here[1] + dy * step]);
    }
    if (arrow) {
      event.preventDefault();
      const heading =
        mirrored && (arrow === 'left' || arrow === 'right') ? (arrow === 'left' ? 'right' : 'left') : arrow;
      const next =
        at === null ? (paths.cartoon.pieces[0]?.number ?? null) : neighbourTowards(paths.pieces, at, heading);
      if (next !== null) onPick([next], event.shiftKey ? 'add' : 'set');
    } else if (event.key === 'Escape') onPick([], 'set');
    else if (event.key === '+' || event.key === '=') zoomBy(1.4);
    else if (event.key === '-') zoomBy(1 / 1.4);
    else if (event.key === '0') whole();
    else if (onType && (event.key === '/' || /^[1-9]$/.test(event.key)) && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      onType(event.key === '/' ? '' : event.key);
    }
  };

  const shadow = useMemo(() => paths.cartoon.outlines.length === 1, [paths]);
  return (
    <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
      {/* The picture is worked with the keyboard as one thing; the table beside it says the same in words. */}
      <svg
        ref={svg}
        viewBox={viewBox}
        data-lasso={lassoing ? 'on' : undefined}
        role="application"
        aria-label={label}
        tabIndex={0}
        onKeyDown={keyDown}
        onClick={click}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        className={`min-h-0 flex-1 touch-none ${narrow ? 'mb-14' : ''} select-none outline-none focus-visible:outline-3 focus-visible:-outline-offset-4 focus-visible:outline-copper ${lassoing ? 'cursor-crosshair' : ''}`}
        data-testid="board"
      >
        <g ref={stage}>
          <g transform={mirrored ? `translate(${2 * x + width} 0) scale(-1 1)` : undefined}>
            {shadow && (
              <rect
                x={x - pad * 0.28}
                y={y - pad * 0.28}
                width={width + pad * 0.56}
                height={height + pad * 0.56}
                fill={dark ? 'var(--dark-board)' : 'var(--bright)'}
                style={{ filter: 'drop-shadow(0 3px 7px var(--cast-soft))' }}
              />
            )}
            {children}
            <g style={{ pointerEvents: 'none' }} fill="none">
              {[...meant].map((n) => (
                <path
                  key={n}
                  d={paths.region.get(n)}
                  fill="var(--copper)"
                  fillOpacity={0.22}
                  stroke="var(--copper)"
                  strokeWidth={1.4}
                  data-meant={n}
                />
              ))}
              {paths.joints
                .filter((j) => meantJoints.has(j.number))
                .map((j) => (
                  <circle
                    key={j.number}
                    cx={j.at[0]}
                    cy={j.at[1]}
                    r={5.5}
                    stroke="var(--copper)"
                    strokeWidth={1.6}
                    data-meant-joint={j.number}
                  />
                ))}
              {[...selected].map((n) => (
                <g key={n} data-selected={n}>
                  <path
                    d={paths.region.get(n)}
                    stroke={dark ? 'var(--pick-dark)' : 'var(--pencil)'}
                    strokeWidth={1.9}
                  />
                  <path
                    d={paths.region.get(n)}
                    stroke={dark ? 'var(--pencil)' : 'var(--bright)'}
                    strokeWidth={0.8}
                    strokeDasharray="3.5 2.6"
                  />
                </g>
              ))}
              {onPoint && crosshair && (
                <path
                  d={`M${crosshair[0] - pad} ${crosshair[1]}h${2 * pad}M${crosshair[0]} ${crosshair[1] - pad}v${2 * pad}`}
                  stroke="var(--copper)"
                  strokeWidth={0.7}
                />
              )}
              {lasso && (
                <path
                  d={`M${lasso.map((p) => p.join(' ')).join('L')}Z`}
                  stroke="var(--copper)"
                  strokeWidth={1.2}
                  strokeDasharray="4 3"
                  fill="var(--copper)"
                  fillOpacity={0.08}
                />
              )}
            </g>
          </g>
        </g>
      </svg>
      <div
        className={`absolute z-10 flex flex-wrap justify-end gap-1.5 ${narrow ? 'inset-x-2 bottom-2' : 'right-4 -top-[50px]'}`}
      >
        {tools}
        <Button
          look="line"
          className="px-2.5 xl:px-4"
          aria-pressed={lassoing}
          onClick={() => setLassoing(!lassoing)}
          title="Draw round pieces (or hold Shift and drag)"
        >
          Lasso
        </Button>
        <Button look="line" aria-label="Closer" onClick={() => zoomBy(1.5)}>
          +
        </Button>
        <Button look="line" aria-label="Further off" onClick={() => zoomBy(1 / 1.5)}>
          −
        </Button>
        <Button look="line" className="px-2.5 xl:px-4" onClick={whole}>
          Whole
        </Button>
      </div>
    </div>
  );
}

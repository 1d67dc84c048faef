import { useMemo, useRef, type ReactNode } from 'react';
import { pieceRings } from '#core/cartoon';
import { contains, regionContains, type Point } from '#core/geometry';
import { Picked, type OnPanel } from './Picked.tsx';
import { BoardTools } from './BoardTools.tsx';
import { pieceMarkAt } from './pieceMark.ts';
import { useSelection } from '../state/selection.ts';
import { useBoardKeys } from './useBoardKeys.ts';
import { useLasso } from './useLasso.ts';
import { useLongPress } from './useLongPress.ts';
import { useZoom } from './useZoom.ts';

export interface BoardProps extends OnPanel {
  readonly label: string;
  readonly mirrored: boolean;
  readonly at: number | null;
  /** Beside a table there is no room for the tools over the board: they stand at its foot. */
  readonly narrow?: boolean;
  readonly tools?: ReactNode;
  /** Where given, a tap (or Enter at the crosshair that arrow keys move) means a place in mm, not a piece. */
  onPoint?(at: Point, mmPerPx: number): void;
  /** … and before it is lifted: where the pointer is, or null once it is gone. */
  onHover?(at: Point | null, mmPerPx: number): void;
  /** What was drawn round with the lasso; true where that is taken, and means no pieces. */
  onRing?(ring: readonly Point[]): boolean;
  onPick(numbers: readonly number[], how: 'set' | 'toggle' | 'add'): void;
  /** All pieces that a double tap on one means. */
  alike?(number: number): readonly number[];
  onType?(text: string): void;
  readonly children: ReactNode;
}

const MARGIN = 0.05;

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
    onHover,
    onRing,
    onPick,
    alike,
    onType,
    children,
  } = props;
  const { isAdding, setAdding } = useSelection();
  const svg = useRef<SVGSVGElement>(null);
  const stage = useRef<SVGGElement>(null);
  const { zoomBy, whole } = useZoom(svg, stage);
  const { x, y, width, height } = paths.box;
  const pad = Math.max(width, height) * MARGIN;
  const viewBox = `${x - pad} ${y - pad} ${width + 2 * pad} ${height + 2 * pad}`;

  const toMm = (event: { clientX: number; clientY: number }): Point => {
    const matrix = stage.current?.getScreenCTM();
    if (!matrix) return [0, 0];
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [mirrored ? 2 * x + width - p.x : p.x, p.y];
  };

  const mmPerPx = (): number => {
    const matrix = stage.current?.getScreenCTM();
    return matrix ? 1 / Math.hypot(matrix.a, matrix.b) : 1;
  };

  /** The piece under a pointer; between two pieces of glass the one in whose region it is. */
  const pieceUnder = (event: React.MouseEvent): number | null => {
    const mark = pieceMarkAt(event.target);
    if (mark !== null) return mark;
    const place = toMm(event);
    return paths.cartoon.pieces.find((p) => regionContains(pieceRings(paths.cartoon, p), place))?.number ?? null;
  };

  const { lasso, lassoing, setLassoing, hand } = useLasso(toMm, (ring, isMore) => {
    if (onRing?.(ring)) return;
    onPick(
      [...paths.pieces.values()].filter((p) => contains(ring, p.labelAt)).map((p) => p.number),
      isMore || isAdding ? 'add' : 'set',
    );
  });
  const press = useLongPress((target) => {
    const number = pieceMarkAt(target);
    if (number === null || onPoint || lassoing) return;
    setAdding(true);
    onPick([number], 'add');
  });
  const click = (event: React.MouseEvent) => {
    if (press.wasLong()) return;
    if (onPoint && !lassoing) return onPoint(toMm(event), mmPerPx());
    const number = pieceUnder(event);
    if (number === null || lassoing) return;
    onPick([number], isAdding || event.ctrlKey || event.metaKey || event.shiftKey ? 'toggle' : 'set');
  };
  const twice = (event: React.MouseEvent) => {
    const number = pieceUnder(event);
    if (number !== null && alike && !onPoint && !lassoing) onPick(alike(number), isAdding ? 'add' : 'set');
  };
  const { crosshair, keyDown } = useBoardKeys({
    paths,
    mirrored,
    at,
    onPoint: onPoint && ((place) => onPoint(place, mmPerPx())),
    onHover: onHover && ((place) => onHover(place, mmPerPx())),
    onPick,
    onType,
    zoomBy,
    whole,
  });
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
        onDoubleClick={twice}
        onPointerDown={(event) => {
          if (!lassoing) onHover?.(toMm(event), mmPerPx());
          press.down(event);
          hand.onPointerDown(event);
        }}
        onPointerMove={(event) => {
          if (!lassoing) onHover?.(toMm(event), mmPerPx());
          press.move(event);
          hand.onPointerMove(event);
        }}
        onPointerUp={(event) => {
          press.up();
          hand.onPointerUp(event);
        }}
        onPointerLeave={() => onHover?.(null, 1)}
        onPointerCancel={press.up}
        className={`min-h-0 flex-1 touch-none ${narrow ? 'mb-14' : 'max-sm:mb-14'} select-none outline-none focus-visible:outline-3 focus-visible:-outline-offset-4 focus-visible:outline-copper ${lassoing ? 'cursor-crosshair' : ''}`}
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
            <Picked {...{ paths, selected, meant, meantJoints, dark, lasso, pad, crosshair }} />
          </g>
        </g>
      </svg>
      <BoardTools {...{ narrow, isAdding, setAdding, lassoing, setLassoing, zoomBy, whole }} picks={!onPoint}>
        {tools}
      </BoardTools>
    </div>
  );
}

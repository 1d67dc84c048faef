import {
  type ComponentProps,
  useEffect,
  useEffectEvent,
  useMemo,
  useRef,
  type CSSProperties,
  type ReactNode,
  type Ref,
} from 'react';
import type { Glass } from '#core/stock';
import { contains, type Point } from '#core/geometry';
import { Picked, type OnPanel } from './Picked.tsx';
import { BoardTools } from './BoardTools.tsx';
import { offerBoard, pieceAt } from './pieceAt.ts';
import { useSelection } from '../state/selection.ts';
import { useBoardKeys } from './useBoardKeys.ts';
import { useLasso } from './useLasso.ts';
import { useLongPress } from './useLongPress.ts';
import { Beside } from './Beside.tsx';
import { GlassLayer, type GlassFile } from './GlassLayer.tsx';
import { NumberLayer } from './NumberLayer.tsx';
import type { Area, Drawn, Scene } from '../material/scene.ts';
import type { Placed } from './camera.ts';
import type { PicturedPiece } from './standing.ts';
import { usePrinting } from '../ui/usePrinting.ts';
import { useCamera } from './useCamera.ts';

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
  onRing?: ((ring: readonly Point[]) => boolean) | undefined;
  onPick(numbers: readonly number[], how: 'set' | 'toggle' | 'add'): void;
  /** All pieces that a double tap on one means. */
  alike?(number: number): readonly number[];
  onType?(text: string): void;
  /** The panel as glass, under the marks; without it the children draw the panel themselves. */
  readonly material?: Material;
  /** Pieces whose numbers are written over a panel that the children draw. */
  readonly written?: ComponentProps<typeof NumberLayer>['pieces'];
  readonly children: ReactNode;
}

/** What a board shows as glass, paper and metal. */
export interface Material {
  readonly drawn: Drawn;
  readonly scene: Scene;
  /** The same in another light, over a part of it. */
  readonly beside: Scene | null;
  /** Where their numbers are to be written. */
  readonly numbered: readonly PicturedPiece[];
  readonly dots: ReadonlyMap<string, Glass> | null;
  readonly ref?: Ref<GlassFile>;
}

/** Light on the wall ends softly where the board does. */
const FADING =
  '[mask-image:linear-gradient(transparent,black_26px,black_calc(100%-26px),transparent)] [mask-composite:intersect]';

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
    material,
    written,
    children,
  } = props;
  const { isAdding, setAdding } = useSelection();
  const board = useRef<HTMLDivElement>(null);
  const mover = useRef<HTMLDivElement>(null);
  const picture = useRef<SVGSVGElement>(null);
  const stage = useRef<SVGGElement>(null);
  const { x, y, width, height } = paths.box;
  const pad = Math.max(width, height) * MARGIN;
  const area = useMemo(
    () => ({ x: x - pad, y: y - pad, width: width + 2 * pad, height: height + 2 * pad }),
    [x, y, width, height, pad],
  );
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

  const pieceUnder = (at: { clientX: number; clientY: number }) => pieceAt(paths.cartoon, toMm(at));
  const onBoard = useEffectEvent(pieceUnder);
  useEffect(() => {
    const { current } = picture;
    if (current) return offerBoard(current, (at) => onBoard(at));
  }, []);

  const { lasso, lassoing, setLassoing, hand } = useLasso(toMm, (ring, isMore) => {
    if (onRing?.(ring)) return;
    onPick(
      [...paths.pieces.values()].filter((p) => contains(ring, p.labelAt)).map((p) => p.number),
      isMore || isAdding ? 'add' : 'set',
    );
  });
  const press = useLongPress((at) => {
    const number = pieceUnder(at);
    if (number === null || onPoint || lassoing) return;
    setAdding(true);
    onPick([number], 'add');
  });
  const printing = usePrinting();
  const { placed, cover, zoomBy, whole } = useCamera(board, mover, area, press.up);
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
  const back = mirrored ? `translate(${2 * x + width} 0) scale(-1 1)` : '';
  const shadow = useMemo(() => paths.cartoon.outlines.length === 1, [paths]);
  return (
    <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
      {/* The picture is worked with the keyboard as one thing; the table beside it says the same in words. */}
      <div
        ref={board}
        data-lasso={lassoing ? 'on' : undefined}
        className={`relative min-h-0 flex-1 touch-none overflow-hidden select-none print:overflow-visible ${dark && !material?.beside ? FADING : ''} ${narrow ? 'mb-14' : 'max-sm:mb-14'}`}
      >
        <div ref={mover} className="absolute inset-0 origin-top-left will-change-transform print:static">
          {material && !dark && shadow && (
            <div
              aria-hidden
              className="absolute top-0 left-0 origin-top-left bg-[var(--bright)] shadow-[0_3px_12px_var(--cast-soft)] print:hidden"
              style={mountStyle(area, pad, placed)}
            />
          )}
          {material && <GlassLayer drawn={material.drawn} scene={material.scene} ref={material.ref} placed={placed} />}
          {material?.beside && <Beside drawn={material.drawn} scene={material.beside} placed={placed} />}
          {material && material.numbered.length > 0 && (
            <NumberLayer
              paths={paths}
              pieces={material.numbered}
              placed={placed}
              mirrored={mirrored}
              glasses={material.dots}
            />
          )}
          <svg
            ref={picture}
            viewBox={printing ? `${area.x} ${area.y} ${area.width} ${area.height}` : undefined}
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
            className={`absolute inset-0 size-full touch-none overflow-visible select-none print:static print:h-auto outline-none focus-visible:outline-3 focus-visible:-outline-offset-4 focus-visible:outline-copper ${lassoing ? 'cursor-crosshair' : ''}`}
            data-testid="board"
          >
            <g
              ref={stage}
              transform={
                printing ? undefined : `matrix(${placed.pxPerMm} 0 0 ${placed.pxPerMm} ${placed.x} ${placed.y})`
              }
            >
              <g transform={back}>
                {!material && shadow && (
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
              </g>
            </g>
          </svg>
          {written && <NumberLayer paths={paths} pieces={written} placed={placed} mirrored={mirrored} glasses={null} />}
          {/* Apart from what is touched, so that a pick paints nothing else anew. */}
          <svg
            aria-hidden
            className="pointer-events-none absolute inset-0 size-full overflow-visible will-change-transform print:hidden"
          >
            <g transform={`matrix(${placed.pxPerMm} 0 0 ${placed.pxPerMm} ${placed.x} ${placed.y})${back}`}>
              <Picked {...{ paths, selected, meant, meantJoints, dark, lasso, pad, crosshair }} />
            </g>
          </svg>
        </div>
        <div ref={cover} hidden className="absolute inset-0 touch-none select-none" />
      </div>
      <BoardTools {...{ narrow, isAdding, setAdding, lassoing, setLassoing, zoomBy, whole }} picks={!onPoint}>
        {tools}
      </BoardTools>
    </div>
  );
}

/** The white mount under a panel on the bench. */
function mountStyle({ x, y, width, height }: Area, pad: number, placed: Placed): CSSProperties {
  const by = pad * 0.72;
  return {
    width: (width - 2 * by) * placed.pxPerMm,
    height: (height - 2 * by) * placed.pxPerMm,
    transform: `translate(${placed.x + (x + by) * placed.pxPerMm}px,${placed.y + (y + by) * placed.pxPerMm}px)`,
  };
}

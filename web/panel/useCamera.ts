import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { Area } from '../material/scene.ts';
import { useSize } from './useSize.ts';
import { fitted, moved, rest, STILL, type Move, type Placed } from './camera.ts';

/** A press that moves less than this is a tap. Screen pixels. */
const TAP_PX = 6;
/** A hand that pauses so long has come to rest, ms. */
const RESTS_MS = 110;

/**
 * Wheel, pinch and drag move a board. While a hand moves it, all that lies on it is moved as one picture; once it rests
 * everything is placed anew, and sharp. Shift, or a lasso, is not for it.
 * @param area what the board shows as a whole, mm
 * @param onMove a hand has begun to move it, or goes on
 */
export function useCamera(
  board: RefObject<HTMLDivElement | null>,
  mover: RefObject<HTMLDivElement | null>,
  area: Area,
  onMove: () => void,
) {
  const size = useSize(board, 'board');
  const [settled, setSettled] = useState<Move>(STILL);
  const made = useRef<Move>(STILL);
  const cover = useRef<HTMLDivElement>(null);
  const moves = useRef(onMove);
  useEffect(() => {
    moves.current = onMove;
  });
  const zoomer = useRef<ZoomBehavior<HTMLDivElement, unknown> | null>(null);

  useEffect(() => {
    const node = board.current;
    if (!node) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const behavior = zoom<HTMLDivElement, unknown>()
      .scaleExtent([1, 40])
      .filter(
        (event: Event & { shiftKey?: boolean; button?: number }) =>
          !event.shiftKey && !node.dataset.lasso && !event.button && event.type !== 'dblclick',
      )
      .clickDistance(TAP_PX)
      .on('zoom', ({ transform }: { transform: Move }) => {
        const { k, x, y } = transform;
        const left = rest(made.current, { k, x, y });
        moves.current();
        if (cover.current) cover.current.hidden = false;
        if (mover.current) mover.current.style.transform = `translate3d(${left.x}px,${left.y}px,0) scale(${left.k})`;
        clearTimeout(timer);
        timer = setTimeout(() => setSettled({ k, x, y }), RESTS_MS);
      });
    zoomer.current = behavior;
    select(node).call(behavior).on('dblclick.zoom', null);
    return () => {
      clearTimeout(timer);
      select(node).on('.zoom', null);
    };
  }, [board, mover]);

  // What was moved as one picture is now placed where it belongs.
  useLayoutEffect(() => {
    made.current = settled;
    if (mover.current) mover.current.style.transform = '';
    if (cover.current) cover.current.hidden = true;
  }, [settled, mover]);

  const placed = useMemo(() => {
    const whole: Placed = fitted(area, size.width, size.height);
    return moved(whole, settled);
  }, [area, size, settled]);
  return {
    placed,
    /** Lies over everything while it is moved, so that nothing is looked for under the pointer. */
    cover,
    zoomBy: (factor: number) => {
      if (board.current) zoomer.current?.scaleBy(select(board.current), factor);
    },
    whole: () => {
      if (board.current) zoomer.current?.transform(select(board.current), zoomIdentity);
    },
  };
}

import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useRef, type RefObject } from 'react';

/** A press that moves less than this is a tap. Screen pixels. */
const TAP_PX = 6;

/** Wheel, pinch and drag move one group of a picture, so that nothing is rendered anew. Shift, or a lasso, is not for it. */
export function useZoom(svg: RefObject<SVGSVGElement | null>, stage: RefObject<SVGGElement | null>) {
  const zoomer = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
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
    select(node).call(behavior).on('dblclick.zoom', null);
    return () => void select(node).on('.zoom', null);
  }, [svg, stage]);
  return {
    zoomBy: (factor: number) => {
      if (svg.current) zoomer.current?.scaleBy(select(svg.current), factor);
    },
    whole: () => {
      if (svg.current) zoomer.current?.transform(select(svg.current), zoomIdentity);
    },
  };
}

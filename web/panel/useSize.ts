import { useLayoutEffect, useState, type RefObject } from 'react';

/** How large an element is on the screen, px; 0 until it has been measured. */
export function useSize(element: RefObject<HTMLElement | null>): { readonly width: number; readonly height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const node = element.current;
    if (!node) return;
    const measure = () =>
      setSize((now) =>
        now.width === node.clientWidth && now.height === node.clientHeight
          ? now
          : { width: node.clientWidth, height: node.clientHeight },
      );
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(node);
    return () => observer.disconnect();
  }, [element]);
  return size;
}

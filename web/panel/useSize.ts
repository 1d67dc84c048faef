import { useLayoutEffect, useState, type RefObject } from 'react';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** What elements of a kind measured last: the next one is mostly as large, and then is rendered once only. */
const last = new Map<string, Size>();

/**
 * How large an element is on the screen, px; until it has been measured as large as the last one of its kind, or 0.
 * @param kind elements that are mostly of one size
 */
export function useSize(element: RefObject<HTMLElement | null>, kind: string): Size {
  const [size, setSize] = useState<Size>(() => last.get(kind) ?? { width: 0, height: 0 });
  useLayoutEffect(() => {
    const node = element.current;
    if (!node) return;
    const measure = () => {
      const { clientWidth: width, clientHeight: height } = node;
      last.set(kind, { width, height });
      setSize((now) => (now.width === width && now.height === height ? now : { width, height }));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(node);
    return () => observer.disconnect();
  }, [element, kind]);
  return size;
}

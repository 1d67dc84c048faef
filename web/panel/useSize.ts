import { useLayoutEffect, useState, type RefObject } from 'react';
import { useLocation } from 'react-router';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** What elements of a kind measured last at a place: the next one is mostly as large, and then is rendered once only. */
const last = new Map<string, Size>();
/** Each panel's steps are one place. */
const PANEL = /^\/panels\/[^/]+/;

/**
 * How large an element is on the screen, px; until it has been measured as large as the last one of its kind, or 0.
 * @param kind elements that are mostly of one size
 */
export function useSize(element: RefObject<HTMLElement | null>, kind: string): Size {
  const key = `${kind} ${useLocation().pathname.replace(PANEL, '')}`;
  const [size, setSize] = useState<Size>(() => last.get(key) ?? { width: 0, height: 0 });
  useLayoutEffect(() => {
    const node = element.current;
    if (!node) return;
    const measure = () => {
      const { clientWidth: width, clientHeight: height } = node;
      last.set(key, { width, height });
      setSize((now) => (now.width === width && now.height === height ? now : { width, height }));
    };
    // To measure now is to lay the page out twice: what was measured before waits until it has been laid out anyway.
    if (!last.has(key)) measure();
    const observer = new ResizeObserver(measure);
    observer.observe(node);
    return () => observer.disconnect();
  }, [element, key]);
  return size;
}

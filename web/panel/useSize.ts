import { useLayoutEffect, useState, type RefObject } from 'react';
import { useLocation } from 'react-router';
import { z } from 'zod';
import { browserStorage } from '../state/browserStorage.ts';

const { storage } = browserStorage();
const NAME = 'nelvik-sizes';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Sizes by their names, as they were in a window of this size. */
const SizesSchema = z.object({
  window: z.string(),
  sizes: z.array(z.tuple([z.string(), z.object({ width: z.number(), height: z.number() })])),
});

const windowNow = () => `${window.innerWidth} ${window.innerHeight}`;

/** … when the studio was open last: a panel that is drawn ahead is drawn at its size. */
function remembered(): readonly (readonly [string, Size])[] {
  try {
    const known = SizesSchema.parse(JSON.parse(storage.getItem(NAME) ?? 'null'));
    return known.window === windowNow() ? known.sizes : [];
  } catch {
    return [];
  }
}

document.addEventListener('visibilitychange', () => {
  if (document.visibilityState !== 'hidden') return;
  const sizes: z.infer<typeof SizesSchema> = { window: windowNow(), sizes: [...last] };
  storage.setItem(NAME, JSON.stringify(sizes));
});

/** What elements of a kind measured last at a place: the next one is mostly as large, and then is rendered once only. */
const last = new Map(remembered());
/** The steps of each panel are one place, as is the page of each job. */
const OWNER = /^(\/\w+)\/[^/]+/;

/**
 * How large an element is on the screen, px; until it has been measured as large as the last one of its kind, or 0.
 * @param kind elements that are mostly of one size
 */
export function useSize(element: RefObject<HTMLElement | null>, kind: string): Size {
  const key = `${kind} ${useLocation().pathname.replace(OWNER, '$1 of')}`;
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

/** A place on one of the pages, its upper left corner. */
export interface Nested {
  readonly page: number;
  readonly x: number;
  readonly y: number;
}

interface Step {
  readonly x: number;
  readonly wide: number;
  /** What lies above this is taken. */
  readonly y: number;
}

const HAIR = 1e-9;

/**
 * Rectangles on as few pages as may be, none turned: the tallest first, each where it reaches down least, on the first page
 * that takes it. Under what lies there already nothing is looked for (a skyline).
 * @param sizes none larger than a page
 * @returns places in the order of the sizes
 */
export function nested(
  sizes: readonly { readonly wide: number; readonly high: number }[],
  page: { readonly wide: number; readonly high: number },
): Nested[] {
  const order = sizes.map((size, i) => ({ ...size, i }));
  order.sort((a, b) => b.high - a.high || b.wide - a.wide || a.i - b.i);
  const skylines: Step[][] = [];
  const places: Nested[] = [];
  for (const { wide, high, i } of order) {
    let at = 0;
    let found: { x: number; y: number } | null = null;
    for (; found === null; at++) {
      const skyline = (skylines[at] ??= [{ x: 0, wide: page.wide, y: 0 }]);
      found = lowest(skyline, wide, high, page.high);
      if (found !== null) skylines[at] = raised(skyline, found.x, wide, found.y + high);
      else if (skyline.length === 1 && skyline[0]?.y === 0) throw new Error('larger than a page');
    }
    places[i] = { page: at - 1, ...found };
  }
  return places;
}

/** Where a rectangle reaches down least; null where there is no room. */
function lowest(skyline: readonly Step[], wide: number, high: number, most: number): { x: number; y: number } | null {
  let best: { x: number; y: number } | null = null;
  const end = skyline.reduce((sum, step) => sum + step.wide, 0);
  skyline.forEach(({ x }, from) => {
    if (x + wide > end + HAIR) return;
    let y = 0;
    for (let k = from; k < skyline.length; k++) {
      const step = skyline[k];
      if (step === undefined || step.x >= x + wide - HAIR) break;
      y = Math.max(y, step.y);
    }
    if (y + high <= most + HAIR && (best === null || y < best.y)) best = { x, y };
  });
  return best;
}

/** The skyline with a rectangle set into it. */
function raised(skyline: readonly Step[], x: number, wide: number, y: number): Step[] {
  const to = x + wide;
  const steps = skyline.flatMap((step): Step[] => {
    const end = step.x + step.wide;
    if (end <= x + HAIR || step.x >= to - HAIR) return [step];
    return [
      ...(step.x < x - HAIR ? [{ ...step, wide: x - step.x }] : []),
      ...(end > to + HAIR ? [{ x: to, wide: end - to, y: step.y }] : []),
    ];
  });
  return [...steps, { x, wide, y }].sort((a, b) => a.x - b.x);
}

import { nth, numberAt, seededRandom } from '../units/index.ts';

/** One length of came as bought, and what is cut from it. */
export interface StockLength {
  /** Places of the parts in the list that was packed. */
  readonly parts: readonly number[];
  readonly usedMm: number;
}

/** What is compared is longer than this by less than nothing, mm. */
const HAIR_MM = 1e-6;
/** Sets of parts that are looked at for one length, and places that are tried in all. */
const MOST_SETS = 4000;
const MOST_NODES = 60_000;

/** No packing needs fewer lengths: by the sum, and by the parts that can not lie two to a length (Martello and Toth's L2). */
export function fewestLengths(partsMm: readonly number[], stockMm: number): number {
  const sorted = [...partsMm].sort((a, b) => b - a);
  let best = Math.ceil(sorted.reduce((sum, mm) => sum + mm, 0) / stockMm - HAIR_MM);
  for (const k of new Set(sorted.filter((mm) => mm <= stockMm / 2 + HAIR_MM)).add(0)) {
    const large = sorted.filter((mm) => mm > stockMm - k + HAIR_MM);
    const half = sorted.filter((mm) => mm > stockMm / 2 + HAIR_MM && mm <= stockMm - k + HAIR_MM);
    const small = sorted.filter((mm) => mm >= k - HAIR_MM && mm <= stockMm / 2 + HAIR_MM);
    const room = half.reduce((sum, mm) => sum + stockMm - mm, 0);
    const rest = small.reduce((sum, mm) => sum + mm, 0) - room;
    best = Math.max(best, large.length + half.length + Math.max(0, Math.ceil(rest / stockMm - HAIR_MM)));
  }
  return best;
}

/**
 * Packs parts into the fewest lengths: first largest first, then length by length as full as can be, then, while neither is
 * known to be the best, by trying (branch and bound). The same parts give the same answer.
 * @param partsMm each no longer than a length, what is lost in cutting counted in
 */
export function packLengths(partsMm: readonly number[], stockMm: number): StockLength[] {
  const order = partsMm.map((_, i) => i).sort((a, b) => numberAt(partsMm, b) - numberAt(partsMm, a) || a - b);
  const floor = fewestLengths(partsMm, stockMm);
  let best = bestFit(order, partsMm, stockMm);
  if (best.length > floor) {
    const full = fullest(order, partsMm, stockMm);
    if (full.length < best.length) best = full;
  }
  if (best.length > floor) best = reshuffled(best, partsMm, stockMm, floor);
  if (best.length > floor) best = tried(order, partsMm, stockMm, best, floor);
  return best.map((parts) => ({ parts, usedMm: parts.reduce((sum, i) => sum + numberAt(partsMm, i), 0) }));
}

type Packing = readonly (readonly number[])[];

function bestFit(order: readonly number[], partsMm: readonly number[], stockMm: number): Packing {
  const lengths: { parts: number[]; left: number }[] = [];
  for (const i of order) {
    const mm = numberAt(partsMm, i);
    let home: (typeof lengths)[number] | null = null;
    for (const one of lengths) if (one.left >= mm - HAIR_MM && (home === null || one.left < home.left)) home = one;
    if (home === null) lengths.push((home = { parts: [], left: stockMm }));
    home.parts.push(i);
    home.left -= mm;
  }
  return lengths.map(({ parts }) => parts);
}

/** Length by length: the longest part that is left, and the others that fill it best. */
function fullest(order: readonly number[], partsMm: readonly number[], stockMm: number, most = MOST_SETS): Packing {
  let left = [...order];
  const lengths: number[][] = [];
  while (left.length > 0) {
    const [first, ...others] = left;
    if (first === undefined) break;
    let best: number[] = [];
    let bestMm = -1;
    let sets = 0;
    const room = stockMm - numberAt(partsMm, first);
    const fill = (from: number, taken: number[], mm: number): boolean => {
      if (mm > bestMm + HAIR_MM) [best, bestMm] = [[...taken], mm];
      if (room - bestMm < HAIR_MM || ++sets > most) return true;
      let before = -1;
      for (let k = from; k < others.length; k++) {
        const part = nth(others, k);
        const size = numberAt(partsMm, part);
        if (size === before || mm + size > room + HAIR_MM) continue;
        before = size;
        taken.push(part);
        if (fill(k + 1, taken, mm + size)) return true;
        taken.pop();
      }
      return false;
    };
    fill(0, [], 0);
    lengths.push([first, ...best]);
    const gone = new Set([first, ...best]);
    left = left.filter((i) => !gone.has(i));
  }
  return lengths;
}

/**
 * A few lengths, the emptiest among them, are packed anew, over and over: what is left over gathers in few lengths, until one
 * of them is not needed any more.
 */
function reshuffled(known: Packing, partsMm: readonly number[], stockMm: number, floor: number): Packing {
  const random = seededRandom(1);
  const usedOf = (parts: readonly number[]): number => parts.reduce((sum, i) => sum + numberAt(partsMm, i), 0);
  const worth = (lengths: Packing): number => lengths.reduce((sum, parts) => sum + (usedOf(parts) / stockMm) ** 2, 0);
  let best = [...known];
  for (let round = 0; round < ROUNDS && best.length > floor; round++) {
    const [low, high] = [Math.min(FEWEST_ANEW, best.length), Math.min(MOST_ANEW, best.length)];
    const count = low + Math.floor(random() * (high - low + 1));
    const emptiest = best.reduce((least, parts, i) => (usedOf(parts) < usedOf(nth(best, least)) ? i : least), 0);
    const picked = new Set([emptiest]);
    while (picked.size < count) picked.add(Math.floor(random() * best.length));
    const old = best.filter((_, i) => picked.has(i));
    // Largest first, but not strictly: each round looks at another order.
    const keys = new Map(old.flat().map((i) => [i, numberAt(partsMm, i) * (1 - 0.3 * random() ** 3)]));
    const pool = old.flat().sort((a, b) => (keys.get(b) ?? 0) - (keys.get(a) ?? 0));
    const anew = fullest(pool, partsMm, stockMm, SETS_ANEW);
    if (anew.length < old.length || (anew.length === old.length && worth(anew) >= worth(old) - 1e-12))
      best = [...best.filter((_, i) => !picked.has(i)), ...anew];
  }
  return best;
}
const ROUNDS = 3000;
const FEWEST_ANEW = 2;
const MOST_ANEW = 7;
const SETS_ANEW = 300;

/** Every part in turn into each length that takes it or a new one, as long as that may still beat the best. */
function tried(
  order: readonly number[],
  partsMm: readonly number[],
  stockMm: number,
  known: Packing,
  floor: number,
): Packing {
  let best = known;
  let nodes = 0;
  const lengths: number[][] = [];
  const left: number[] = [];
  const rest = order.map((_, k) => order.slice(k).reduce((sum, i) => sum + numberAt(partsMm, i), 0));
  const place = (k: number): boolean => {
    if (k === order.length) {
      best = lengths.map((parts) => [...parts]);
      return best.length <= floor;
    }
    if (++nodes > MOST_NODES) return true;
    const free = left.reduce((sum, mm) => sum + mm, 0);
    const more = Math.max(0, Math.ceil((numberAt(rest, k) - free) / stockMm - HAIR_MM));
    if (lengths.length + more >= best.length) return false;
    const part = nth(order, k);
    const mm = numberAt(partsMm, part);
    const seen = new Set<number>();
    for (let j = 0; j < lengths.length; j++) {
      const room = numberAt(left, j);
      const name = Math.round(room * 1e4);
      if (room < mm - HAIR_MM || seen.has(name)) continue;
      seen.add(name);
      nth(lengths, j).push(part);
      left[j] = room - mm;
      const isDone = place(k + 1);
      nth(lengths, j).pop();
      left[j] = room;
      if (isDone) return true;
      // It fills what there is: no other place is better.
      if (room - mm < HAIR_MM) return false;
    }
    if (lengths.length + 1 >= best.length) return false;
    lengths.push([part]);
    left.push(stockMm - mm);
    const isDone = place(k + 1);
    lengths.pop();
    left.pop();
    return isDone;
  };
  place(0);
  return best;
}

/** A run that no length holds, in parts: whole lengths, and what is left. */
export interface Spliced {
  readonly run: number;
  readonly partsMm: readonly number[];
}

export interface CutList {
  readonly lengths: readonly {
    readonly isBorder: boolean;
    readonly parts: readonly { readonly run: number; readonly part: number | null }[];
    readonly usedMm: number;
    readonly leftMm: number;
  }[];
  readonly spliced: readonly Spliced[];
}

/**
 * The runs of a panel packed into lengths of came as bought, each profile by itself; a kerf is lost with each part.
 * @param stockMm longer than the kerf
 */
export function cutList(
  runs: readonly { readonly lengthMm: number; readonly isBorder: boolean }[],
  { stockMm, kerfMm }: { readonly stockMm: number; readonly kerfMm: number },
): CutList {
  const spliced: Spliced[] = [];
  const lengths: CutList['lengths'][number][] = [];
  for (const isBorder of [true, false]) {
    const parts: { run: number; part: number | null; mm: number }[] = [];
    runs.forEach((run, i) => {
      if (run.isBorder !== isBorder) return;
      if (run.lengthMm + kerfMm <= stockMm) return void parts.push({ run: i, part: null, mm: run.lengthMm + kerfMm });
      const partsMm = partsOf(run.lengthMm, stockMm - kerfMm);
      spliced.push({ run: i, partsMm });
      partsMm.forEach((mm, k) => parts.push({ run: i, part: k + 1, mm: mm + kerfMm }));
    });
    for (const { parts: places, usedMm } of packLengths(
      parts.map(({ mm }) => mm),
      stockMm,
    ))
      lengths.push({
        isBorder,
        parts: places.map((k) => ({ run: nth(parts, k).run, part: nth(parts, k).part })),
        usedMm,
        leftMm: Math.max(0, stockMm - usedMm),
      });
  }
  return { lengths, spliced };
}

function partsOf(lengthMm: number, mostMm: number): number[] {
  const whole = Math.floor(lengthMm / mostMm + 1e-9);
  const rest = lengthMm - whole * mostMm;
  return [...Array.from({ length: whole }, () => mostMm), ...(rest > HAIR_MM ? [rest] : [])];
}

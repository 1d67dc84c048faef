import { seededRandom } from '#core/units';

/** A square of numbers that meets itself at all four edges, row after row. */
export interface Field {
  readonly size: number;
  readonly at: Float32Array;
}

export interface Grain {
  /** How many hills lie across and down the square, in the coarsest layer. */
  readonly across: number;
  readonly down: number;
  /** Layers, each twice as fine and `gain` times as high as the one before. */
  readonly layers: number;
  readonly gain?: number;
}

/** Where rows of a lattice begin to matter: the weights of one axis, worked out once for all rows. */
interface Axis {
  readonly cell: Int32Array;
  readonly next: Int32Array;
  readonly weight: Float32Array;
}

function axis(size: number, cells: number): Axis {
  const [cell, next, weight] = [new Int32Array(size), new Int32Array(size), new Float32Array(size)];
  for (let i = 0; i < size; i++) {
    const place = (i / size) * cells;
    const whole = Math.floor(place);
    const part = place - whole;
    cell[i] = whole % cells;
    next[i] = (whole + 1) % cells;
    weight[i] = part * part * part * (part * (part * 6 - 15) + 10);
  }
  return { cell, next, weight };
}

/**
 * Layers of value noise on lattices that wrap, so that the square has no seam (Perlin's fade curve, 2002).
 * @returns numbers of about -1 to 1, their mean near 0
 */
export function noise(size: number, seed: number, { across, down, layers, gain = 0.5 }: Grain): Field {
  const at = new Float32Array(size * size);
  let height = 1;
  let sum = 0;
  for (let layer = 0; layer < layers; layer++) {
    // A layer finer than the square's own dots is only grit.
    const [columns, rows] = [Math.min(size, across << layer), Math.min(size, down << layer)];
    const random = seededRandom(seed + 7919 * layer);
    const lattice = new Float32Array(columns * rows);
    for (let k = 0; k < lattice.length; k++) lattice[k] = 2 * random() - 1;
    const { cell, next, weight } = axis(size, columns);
    const y = axis(size, rows);
    for (let j = 0; j < size; j++) {
      const top = (y.cell[j] ?? 0) * columns;
      const bottom = (y.next[j] ?? 0) * columns;
      const lower = (y.weight[j] ?? 0) * height;
      const upper = height - lower;
      for (let i = 0, k = j * size; i < size; i++, k++) {
        const left = cell[i] ?? 0;
        const right = next[i] ?? 0;
        const aside = weight[i] ?? 0;
        const a = lattice[top + left] ?? 0;
        const c = lattice[bottom + left] ?? 0;
        const above = a + ((lattice[top + right] ?? 0) - a) * aside;
        const below = c + ((lattice[bottom + right] ?? 0) - c) * aside;
        at[k] = (at[k] ?? 0) + upper * above + lower * below;
      }
    }
    sum += height;
    height *= gain;
  }
  for (let k = 0; k < at.length; k++) at[k] = (at[k] ?? 0) / (sum * 0.6);
  return { size, at };
}

const wrapped = (n: number, size: number): number => ((n % size) + size) % size;

/** A number of a field at any place in dots, between its four neighbours, round the edges. */
export function sample({ size, at }: Field, x: number, y: number): number {
  const i = Math.floor(x);
  const j = Math.floor(y);
  const left = wrapped(i, size);
  const top = wrapped(j, size) * size;
  const right = left + 1 === size ? 0 : left + 1;
  const bottom = top + size === size * size ? 0 : top + size;
  const a = at[top + left] ?? 0;
  const c = at[bottom + left] ?? 0;
  const above = a + ((at[top + right] ?? 0) - a) * (x - i);
  const below = c + ((at[bottom + right] ?? 0) - c) * (x - i);
  return above + (below - above) * (y - j);
}

/** A field dragged about by two others, `far` dots at most: straight grain becomes a current. */
export function dragged(field: Field, aside: Field, along: Field, farX: number, farY: number): Field {
  const { size } = field;
  const at = new Float32Array(size * size);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const k = y * size + x;
      at[k] = sample(field, x + farX * (aside.at[k] ?? 0), y + farY * (along.at[k] ?? 0));
    }
  return { size, at };
}

/** The same rule for every dot. */
export function each(size: number, valueOf: (k: number, x: number, y: number) => number): Field {
  const at = new Float32Array(size * size);
  for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) at[y * size + x] = valueOf(y * size + x, x, y);
  return { size, at };
}

/** A round mark in a field: where, and how far it reaches, in dots. */
export interface Round {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/**
 * Round marks laid over each other, round the edges.
 * @param height of a mark at a share of its reach, 0 in its middle to 1
 * @param over what two heights make together
 */
export function rounds(
  size: number,
  marks: readonly Round[],
  height: (share: number) => number,
  over: (under: number, mark: number) => number,
): Field {
  const at = new Float32Array(size * size);
  for (const { x: mx, y: my, r } of marks)
    for (let y = Math.ceil(my - r); y <= my + r; y++)
      for (let x = Math.ceil(mx - r); x <= mx + r; x++) {
        const share = Math.sqrt((x - mx) * (x - mx) + (y - my) * (y - my)) / r;
        if (share >= 1) continue;
        const k = wrapped(y, size) * size + wrapped(x, size);
        at[k] = over(at[k] ?? 0, height(share));
      }
  return { size, at };
}

/** Middles that lie about evenly, but in no lattice: one about every so many dots. */
export function strewn(size: number, every: number, random: () => number): readonly (readonly [number, number])[] {
  const across = Math.max(2, Math.round(size / every));
  const step = size / across;
  return Array.from({ length: across * across }, (_, i) => [
    ((i % across) + 0.5 + 0.95 * (random() - 0.5)) * step,
    (Math.floor(i / across) + 0.5 + 0.95 * (random() - 0.5)) * step,
  ]);
}

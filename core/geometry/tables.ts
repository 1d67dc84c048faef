/** Smallest power of two that leaves at least half of a table free. */
const sizeFor = (count: number): number => 2 ** Math.max(4, Math.ceil(Math.log2(count * 2 + 1)));

/**
 * Finds a number by a pair of 32-bit integers: open addressing in typed arrays, several times faster than a Map
 * whose keys have to be boxed doubles.
 */
export class PairTable {
  #mask: number;
  #first: Int32Array;
  #second: Int32Array;
  #value: Int32Array;
  #count = 0;

  constructor(expected = 16) {
    const size = sizeFor(expected);
    this.#mask = size - 1;
    this.#first = new Int32Array(size);
    this.#second = new Int32Array(size);
    this.#value = new Int32Array(size).fill(-1);
  }

  /** The value of a pair; where it has none yet it gets `otherwise`, which must not be negative. */
  getOrSet(a: number, b: number, otherwise: number): number {
    let slot = this.#slot(a, b);
    if ((this.#value[slot] as number) >= 0) return this.#value[slot] as number;
    if (++this.#count * 2 > this.#mask) {
      this.#grow();
      slot = this.#slot(a, b);
    }
    this.#first[slot] = a;
    this.#second[slot] = b;
    this.#value[slot] = otherwise;
    return otherwise;
  }

  #slot(a: number, b: number): number {
    let slot = mix(a, b) & this.#mask;
    while ((this.#value[slot] as number) >= 0 && !(this.#first[slot] === a && this.#second[slot] === b))
      slot = (slot + 1) & this.#mask;
    return slot;
  }

  #grow(): void {
    const [first, second, value] = [this.#first, this.#second, this.#value];
    const size = 2 * (this.#mask + 1);
    this.#mask = size - 1;
    this.#first = new Int32Array(size);
    this.#second = new Int32Array(size);
    this.#value = new Int32Array(size).fill(-1);
    for (let i = 0; i < value.length; i++) {
      if ((value[i] as number) < 0) continue;
      const slot = this.#slot(first[i] as number, second[i] as number);
      this.#first[slot] = first[i] as number;
      this.#second[slot] = second[i] as number;
      this.#value[slot] = value[i] as number;
    }
  }
}

/** Spreads two integers over 32 bits (the finalizer of MurmurHash3, public domain). */
function mix(a: number, b: number): number {
  let h = Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** Which segments meet at each vertex, one flat list: those of `v` stand from start[v] to start[v + 1]. */
export class Meetings {
  readonly #start: Int32Array;
  readonly #items: Int32Array;
  readonly vertexCount: number;

  /** @param ends vertex index pairs, from and to by turns */
  constructor(ends: readonly number[], vertexCount: number) {
    this.vertexCount = vertexCount;
    const start = new Int32Array(vertexCount + 1);
    for (const v of ends) start[v + 1] = (start[v + 1] as number) + 1;
    for (let v = 0; v < vertexCount; v++) start[v + 1] = (start[v + 1] as number) + (start[v] as number);
    const next = start.slice();
    const items = new Int32Array(ends.length);
    for (let i = 0; i < ends.length; i++) {
      const v = ends[i] as number;
      const at = next[v] as number;
      items[at] = i >> 1;
      next[v] = at + 1;
    }
    this.#start = start;
    this.#items = items;
  }

  degree(v: number): number {
    return (this.#start[v + 1] as number) - (this.#start[v] as number);
  }

  /** The k-th segment at a vertex. */
  at(v: number, k: number): number {
    return this.#items[(this.#start[v] as number) + k] as number;
  }

  /** Of the two segments at a vertex where just two meet, the other one. */
  other(v: number, segment: number): number {
    return this.at(v, 0) === segment ? this.at(v, 1) : this.at(v, 0);
  }
}

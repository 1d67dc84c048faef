import * as units from '../units/index.ts';

// Bound once: the test runner looks an import up with every call, and these stand in the innermost loops.
const { intAt, numberAt } = units;

/** Smallest power of two that leaves at least half of a table free. */
const sizeFor = (count: number): number => 2 ** Math.max(4, Math.ceil(Math.log2(count * 2 + 1)));

/** Words of a slot: the pair, its value and one that keeps slots from straddling two cache lines. */
const WORDS = 4;

/**
 * Finds a number by a pair of 32-bit integers: open addressing in one typed array, several times faster than a Map
 * whose keys have to be boxed doubles.
 */
export class PairTable {
  #mask: number;
  #slots: Int32Array;
  #count = 0;

  constructor(expected = 16) {
    const size = sizeFor(expected);
    this.#mask = size - 1;
    this.#slots = emptySlots(size);
  }

  /** The value of a pair; where it has none yet it gets `otherwise`, which must not be negative. */
  getOrSet(a: number, b: number, otherwise: number): number {
    let slot = this.#slot(a, b);
    const found = intAt(this.#slots, slot + 2);
    if (found >= 0) return found;
    if (++this.#count * 2 > this.#mask) {
      this.#grow();
      slot = this.#slot(a, b);
    }
    this.#slots[slot] = a;
    this.#slots[slot + 1] = b;
    this.#slots[slot + 2] = otherwise;
    return otherwise;
  }

  /** Where a pair stands, or the free slot it would take. */
  #slot(a: number, b: number): number {
    const slots = this.#slots;
    let slot = mix(a, b) & this.#mask;
    for (;;) {
      const at = WORDS * slot;
      if (intAt(slots, at + 2) < 0 || (slots[at] === a && slots[at + 1] === b)) return at;
      slot = (slot + 1) & this.#mask;
    }
  }

  #grow(): void {
    const old = this.#slots;
    const size = 2 * (this.#mask + 1);
    this.#mask = size - 1;
    this.#slots = emptySlots(size);
    for (let at = 0; at < old.length; at += WORDS) {
      if (intAt(old, at + 2) < 0) continue;
      const slot = this.#slot(intAt(old, at), intAt(old, at + 1));
      for (let k = 0; k < WORDS; k++) this.#slots[slot + k] = intAt(old, at + k);
    }
  }
}

const emptySlots = (size: number): Int32Array => new Int32Array(WORDS * size).fill(-1);

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
    for (const v of ends) start[v + 1] = intAt(start, v + 1) + 1;
    for (let v = 0; v < vertexCount; v++) start[v + 1] = intAt(start, v + 1) + intAt(start, v);
    const next = start.slice();
    const items = new Int32Array(ends.length);
    for (let i = 0; i < ends.length; i++) {
      const v = numberAt(ends, i);
      const at = intAt(next, v);
      items[at] = i;
      next[v] = at + 1;
    }
    this.#start = start;
    this.#items = items;
  }

  degree(v: number): number {
    return intAt(this.#start, v + 1) - intAt(this.#start, v);
  }

  /** The k-th segment at a vertex. */
  at(v: number, k: number): number {
    return this.endAt(v, k) >> 1;
  }

  /** The k-th end at a vertex: twice its segment, and one more where that segment ends there. */
  endAt(v: number, k: number): number {
    return intAt(this.#items, intAt(this.#start, v) + k);
  }

  /** Of the two segments at a vertex where just two meet, the other one. */
  other(v: number, segment: number): number {
    return this.at(v, 0) === segment ? this.at(v, 1) : this.at(v, 0);
  }
}

import { describe, expect, it } from 'vitest';
import { checkMap } from '../../geometry/index.ts';
import { seededRandom } from '../../units/index.ts';
import { doc, paneNet } from '../../test/panels.ts';
import { continueCartoon, editCartoon, readCartoon, type Cartoon, type Edit, type EditSurroundings } from '../index.ts';

const read = (source: string): Cartoon => {
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
};
const edit = (cartoon: Cartoon, change: Edit, around?: EditSurroundings) => {
  const edited = editCartoon(cartoon, change, around);
  if ('refusal' in edited) throw new Error(edited.refusal);
  return edited;
};
const refusal = (cartoon: Cartoon, change: Edit, around?: EditSurroundings) => {
  const edited = editCartoon(cartoon, change, around);
  return 'refusal' in edited ? edited.refusal : null;
};
const area = (cartoon: Cartoon, number: number) => cartoon.pieces.find((p) => p.number === number)?.areaMm2;
const numbers = (cartoon: Cartoon) => cartoon.pieces.map((p) => p.number);

/** Four panes of 50 × 40, one line between each two. */
const four = () =>
  read(doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M50 0V80"/><path d="M0 40H50"/><path d="M50 40H100"/>'));
const lineBetween = (cartoon: Cartoon, a: number, b: number): number => {
  const refs = (n: number) =>
    cartoon.pieces
      .find((p) => p.number === n)
      ?.rings.flat()
      .map((r) => (r < 0 ? ~r : r)) ?? [];
  return refs(a).find((line) => refs(b).includes(line)) as number;
};

describe('a line across a piece', () => {
  it('splits it; the larger part keeps the number, nothing else changes', () => {
    const { cartoon, continued } = edit(four(), {
      kind: 'add-line',
      points: [
        [0, 10],
        [50, 12],
      ],
    });
    expect(numbers(cartoon)).toEqual([1, 2, 3, 4, 5]);
    expect(area(cartoon, 1)).toBeCloseTo(50 * 40 - 550, 2);
    expect(area(cartoon, 5)).toBeCloseTo(550, 2);
    expect(continued.filter((c) => c.same).map((c) => c.was)).toEqual([2, 3, 4]);
    expect(checkMap(cartoon.map)).toEqual([]);
  });
  it('begins at the joint or line that is near', () => {
    const { cartoon } = edit(four(), {
      kind: 'add-line',
      points: [
        [0.8, 1],
        [49.2, 39],
      ],
    });
    expect(area(cartoon, 1)).toBeCloseTo(1000, 3);
    expect(cartoon.joints.filter((j) => j.kind === 'many' || j.lines.length > 4)).toHaveLength(1);
  });
  it('may bend, and may cross other lines', () => {
    const { cartoon } = edit(four(), {
      kind: 'add-line',
      points: [
        [0, 20],
        [60, 10],
        [100, 20],
      ],
    });
    expect(cartoon.pieces).toHaveLength(6);
    expect(cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0)).toBeCloseTo(8000, 3);
  });
  it.each([
    [
      [
        [20, 20],
        [30, 20],
      ],
      'off-the-panel',
    ],
    [
      [
        [0, 20],
        [0.1, 20],
      ],
      'splits-nothing',
    ],
    [
      [
        [0, 5],
        [0, 30],
      ],
      'splits-nothing',
    ],
  ] as [[number, number][], string][])('%j is refused: %s', (points, code) => {
    expect(refusal(four(), { kind: 'add-line', points })).toBe(code);
  });
});

describe('taking a line away', () => {
  it('joins two pieces under the number of the larger, the rest keep theirs', () => {
    const cartoon = four();
    const split = edit(cartoon, {
      kind: 'add-line',
      points: [
        [0, 10],
        [50, 10],
      ],
    }).cartoon;
    const joined = edit(split, { kind: 'take-line', line: lineBetween(split, 1, 5) }).cartoon;
    expect(numbers(joined)).toEqual([1, 2, 3, 4]);
    expect(joined.pieces.map((p) => p.areaMm2)).toEqual(cartoon.pieces.map((p) => p.areaMm2));
  });
  it('the rim stays', () => {
    const cartoon = four();
    const rim = cartoon.map.lines.findIndex(
      (_, i) => cartoon.pieces.filter((p) => p.rings.flat().some((r) => r === i || r === ~i)).length === 1,
    );
    expect(refusal(cartoon, { kind: 'take-line', line: rim })).toBe('rim-stays');
    expect(refusal(cartoon, { kind: 'take-line', line: 999 })).toBe('no-such-line');
  });
});

describe('moving a joint', () => {
  it('moves its lines, keeps all numbers, and the outline still encloses the same', () => {
    const cartoon = four();
    const node = cartoon.map.nodes.findIndex(([x, y]) => x === 50 && y === 40);
    const { cartoon: moved, continued } = edit(cartoon, { kind: 'move-node', node, to: [55, 44] });
    expect(numbers(moved)).toEqual([1, 2, 3, 4]);
    expect(moved.pieces.reduce((sum, p) => sum + p.areaMm2, 0)).toBeCloseTo(8000, 3);
    // The quadrilateral (0,0) (50,0) (55,44) (0,40) by the shoelace formula.
    expect(area(moved, 1)).toBeCloseTo(2200, 3);
    expect(continued.every((c) => c.was !== null && !c.same)).toBe(true);
  });
  it('on the rim it slides, and the corners stay', () => {
    const cartoon = four();
    const node = cartoon.map.nodes.findIndex(([x, y]) => x === 50 && y === 0);
    const { cartoon: moved } = edit(cartoon, { kind: 'move-node', node, to: [60, 0] });
    expect(moved.box).toEqual(cartoon.box);
    expect(area(moved, 1)).toBeCloseTo(((60 + 50) / 2) * 40, 3);
  });
  it('is refused where lines would cross', () => {
    const cartoon = four();
    const node = cartoon.map.nodes.findIndex(([x, y]) => x === 50 && y === 40);
    expect(refusal(cartoon, { kind: 'move-node', node, to: [150, 44] })).toBe('lines-would-cross');
  });
});

describe('size', () => {
  it('one known measure scales areas by its square and keeps numbers', () => {
    const { cartoon } = edit(four(), { kind: 'scale', factor: 1.5 });
    expect(area(cartoon, 3)).toBeCloseTo(2000 * 2.25, 6);
    expect(refusal(four(), { kind: 'scale', factor: 0 })).toBe('bad-measure');
  });
  it('fits another opening: the border keeps its width, the middle takes the rest', () => {
    const bordered = read(
      doc(
        100,
        80,
        '<path d="M0 0H100V80H0Z"/><path d="M10 10H90V70H10Z"/><path d="M0 0L10 10M100 0L90 10M0 80L10 70M100 80L90 70M50 10V70"/>',
      ),
    );
    const { cartoon } = edit(bordered, { kind: 'fit', widthMm: 160, heightMm: 60, borderMm: 10 });
    expect([cartoon.box.maxX, cartoon.box.maxY]).toEqual([160, 60]);
    const areas = cartoon.pieces.map((p) => Math.round(p.areaMm2)).sort((a, b) => a - b);
    // Trapezoids 10 wide: (60 + 40)/2 · 10 and (160 + 140)/2 · 10; the middle 140 × 40 in two halves.
    expect(areas).toEqual([500, 500, 1500, 1500, 2800, 2800]);
    expect(checkMap(cartoon.map)).toEqual([]);
    expect(refusal(bordered, { kind: 'fit', widthMm: 15, heightMm: 60, borderMm: 10 })).toBe('bad-measure');
  });
});

describe('numbers', () => {
  const net = () => read(paneNet(5, 5, 30, { seed: 3 }));
  it('rows, and outwards from the middle', () => {
    const rows = edit(net(), { kind: 'renumber', order: 'rows' }).cartoon;
    expect(rows.pieces.map((p) => [Math.floor(p.centroid[1] / 30), Math.floor(p.centroid[0] / 30)])).toEqual(
      Array.from({ length: 25 }, (_, k) => [Math.floor(k / 5), k % 5]),
    );
    const out = edit(net(), { kind: 'renumber', order: 'outwards' }).cartoon;
    const from = out.pieces.map((p) => Math.abs(p.centroid[0] - 75) + Math.abs(p.centroid[1] - 75));
    expect(out.pieces[0]?.centroid.map((v) => Math.floor(v / 30))).toEqual([2, 2]);
    expect(Math.max(...from.slice(0, 5))).toBeLessThan(Math.min(...from.slice(13)));
  });
  it('kept numbers stay where they are, the others go round them; sections come one after the other', () => {
    const cartoon = net();
    const kept = new Set([7, 20]);
    const { cartoon: next, continued } = edit(
      cartoon,
      { kind: 'renumber', order: 'outwards' },
      { freeId: 1, kept, sectionOf: new Map() },
    );
    for (const n of kept) expect(area(next, n)).toBe(area(cartoon, n));
    expect(numbers(next)).toEqual(Array.from({ length: 25 }, (_, i) => i + 1));
    expect(new Set(continued.map((c) => c.was)).size).toBe(25);
    const sectionOf = new Map([
      [25, 'A'],
      [24, 'A'],
      [1, 'B'],
    ]);
    const by = edit(
      cartoon,
      { kind: 'renumber', order: 'sections' },
      { freeId: 1, kept: new Set(), sectionOf },
    ).cartoon;
    expect([area(by, 1), area(by, 2), area(by, 3)]).toEqual([area(cartoon, 24), area(cartoon, 25), area(cartoon, 1)]);
  });
  it('by hand: two pieces exchange numbers; what is written on glass stays', () => {
    const cartoon = net();
    const { cartoon: next } = edit(cartoon, { kind: 'number', from: 3, to: 9 });
    expect([area(next, 9), area(next, 3)]).toEqual([area(cartoon, 3), area(cartoon, 9)]);
    const around = { freeId: 1, kept: new Set([9]), sectionOf: new Map() };
    expect(refusal(cartoon, { kind: 'number', from: 3, to: 9 }, around)).toBe('number-taken');
    expect(refusal(cartoon, { kind: 'number', from: 9, to: 3 }, around)).toBe('number-kept');
    const neighbours = (c: Cartoon, n: number) => c.pieces.find((p) => p.number === n)?.neighbours ?? [];
    for (const p of next.pieces) for (const n of p.neighbours) expect(neighbours(next, n)).toContain(p.number);
  });
});

describe('profiles of single lines', () => {
  it('stay with their line when others are split beside it', () => {
    const cartoon = four();
    const line = lineBetween(cartoon, 1, 2);
    const marked = edit(cartoon, { kind: 'profile', lines: [line], profile: 'h10' }).cartoon;
    const split = edit(marked, {
      kind: 'add-line',
      points: [
        [50, 20],
        [0, 20],
      ],
    }).cartoon;
    expect(split.profiles?.filter((p) => p === 'h10')).toHaveLength(2);
    expect(
      edit(marked, { kind: 'profile', lines: [line], profile: null }).cartoon.profiles?.every((p) => p === null),
    ).toBe(true);
  });
});

describe('a drawing brought in again', () => {
  it('the same drawing, moved on its page and with its lines in another order, keeps every number', () => {
    const old = edit(read(paneNet(6, 5, 30, { seed: 8 })), { kind: 'renumber', order: 'outwards' }).cartoon;
    const moved = paneNet(6, 5, 30, { seed: 8 }).replace('<g ', '<g transform="translate(37 11)" ');
    const { cartoon, continued } = continueCartoon(old, read(moved));
    expect(continued.every((c) => c.same)).toBe(true);
    expect(cartoon.pieces.map((p) => Math.round(p.areaMm2))).toEqual(old.pieces.map((p) => Math.round(p.areaMm2)));
  });
  it('tells same, changed, new and gone', () => {
    const old = four();
    const next = read(
      doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M50 0V80"/><path d="M0 45H50"/><path d="M75 0V80"/>'),
    );
    const { cartoon, continued } = continueCartoon(old, next);
    expect(continued.map((c, i) => [cartoon.pieces[i]?.number, c.was, c.same])).toEqual([
      [1, 1, false],
      [3, 3, false],
      [5, null, false],
      [6, null, false],
    ]);
  });
});

describe('any row of light changes', () => {
  it.each([1, 2, 3, 4, 5])('keeps a sound map and all of the area (random run %d)', (seed) => {
    const random = seededRandom(seed);
    let cartoon = read(paneNet(5, 4, 30, { seed, curved: seed % 2 === 0 }));
    const whole = cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0);
    let done = 0;
    for (let i = 0; i < 40; i++) {
      const pick = random();
      const piece = cartoon.pieces[Math.floor(random() * cartoon.pieces.length)] as Cartoon['pieces'][number];
      const ring = piece.rings[0] as readonly number[];
      const middle = (k: number) => {
        const ref = ring[k % ring.length] as number;
        const { points } = cartoon.map.lines[ref < 0 ? ~ref : ref] as Cartoon['map']['lines'][number];
        return points[points.length >> 1] as [number, number];
      };
      const change: Edit =
        pick < 0.4
          ? { kind: 'add-line', points: [middle(0), middle(1 + Math.floor(random() * (ring.length - 1)))] }
          : pick < 0.7
            ? { kind: 'take-line', line: Math.floor(random() * cartoon.map.lines.length) }
            : {
                kind: 'move-node',
                node: Math.floor(random() * cartoon.map.nodes.length),
                to: [random() * 150, random() * 120],
              };
      const edited = editCartoon(cartoon, change);
      if ('refusal' in edited) continue;
      done++;
      expect(checkMap(edited.cartoon.map)).toEqual([]);
      expect(new Set(numbers(edited.cartoon)).size).toBe(edited.cartoon.pieces.length);
      cartoon = edited.cartoon;
      if (change.kind !== 'move-node')
        expect(cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0)).toBeLessThan(whole * 1.6);
    }
    expect(done).toBeGreaterThan(5);
  });
});

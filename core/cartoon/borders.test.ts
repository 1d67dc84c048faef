import { describe, expect, it } from 'vitest';
import { seededRandom } from '../units/index.ts';
import { doc, inkedNet, paneNet } from '../test/panels.ts';
import { readCartoon, type CartoonReading, type ReadOptions } from './index.ts';

function read(source: string, options?: ReadOptions): CartoonReading {
  const reading = readCartoon(source, options);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading;
}
const kinds = (r: CartoonReading) => r.findings.map((f) => f.kind);

/** Panes of 30 mm with wavy borders, each an outline of its own, off by up to `offMm`. */
function onePieceAtATime(offMm: number, seed: number, side = 6): string {
  const random = seededRandom(seed);
  const wave = (u: number) => 4 * Math.sin((u / 30) * Math.PI * 2);
  const paths: string[] = [];
  for (let j = 0; j < side; j++)
    for (let i = 0; i < side; i++) {
      const ring: [number, number][] = [];
      for (let k = 0; k < 30; k++) ring.push([i * 30 + k, j * 30 + wave(k)]);
      for (let k = 0; k < 30; k++) ring.push([i * 30 + 30 + wave(k), j * 30 + k]);
      for (let k = 30; k > 0; k--) ring.push([i * 30 + k, j * 30 + 30 + wave(k)]);
      for (let k = 30; k > 0; k--) ring.push([i * 30 + wave(k), j * 30 + k]);
      const [dx, dy] = [(random() * 2 - 1) * offMm, (random() * 2 - 1) * offMm];
      paths.push(`<path d="M${ring.map(([x, y]) => `${x + dx} ${y + dy}`).join('L')}Z"/>`);
    }
  return doc(side * 30, side * 30, paths.join(''));
}

describe('regions drawn one by one', () => {
  it.each([
    [0.05, 1],
    [0.2, 2],
    [0.4, 3],
  ])('copies of a border up to %d mm off are one line, and neighbours know each other', (off, seed) => {
    const { cartoon, ...reading } = read(onePieceAtATime(off, seed));
    expect(cartoon.pieces).toHaveLength(36);
    expect(kinds({ cartoon, ...reading })).toContain('one-by-one');
    // A 6 × 6 raster has 2 · 6 · 5 shared borders; a corner met in a crossing may add a touch across it.
    const shared = cartoon.pieces.reduce((n, p) => n + p.neighbours.length, 0) / 2;
    expect(shared).toBeGreaterThanOrEqual(60);
    expect(shared).toBeLessThanOrEqual(60 + 25);
    for (const piece of cartoon.pieces) expect(Math.abs(piece.areaMm2 - 900)).toBeLessThan(2 * off * 60 + 2);
  });
  it.each([-0.4, -0.05, 0.05, 0.4, 1.2, 1.8])('panes %d mm apart: the border is in the middle of the gap', (gap) => {
    const panes = Array.from({ length: 12 }, (_, k) => {
      const [x, y] = [(k % 4) * 30 + gap / 2, Math.floor(k / 4) * 30 + gap / 2];
      return `<rect x="${x}" y="${y}" width="${30 - gap}" height="${30 - gap}"/>`;
    });
    const { pieces } = read(doc(120, 90, panes.join(''))).cartoon;
    expect(pieces).toHaveLength(12);
    // The two inner panes touch no rim; their borders lie on the raster itself.
    for (const n of [6, 7]) expect(pieces[n - 1]?.areaMm2).toBeCloseTo(900, 0);
    expect(pieces[0]?.areaMm2).toBeCloseTo((30 - gap / 2) ** 2, 0);
  });
  it('a shape with a hole, and the island in it drawn by itself', () => {
    const { cartoon } = read(
      doc(
        80,
        80,
        '<path fill-rule="evenodd" d="M0 0H80V80H0ZM25 25V55H55V25Z"/><path d="M25.3 25.3H54.7V54.7H25.3Z"/>',
      ),
    );
    expect(cartoon.pieces.map((p) => Math.round(p.areaMm2)).sort((a, b) => a - b)[0]).toBeGreaterThan(870);
    expect(cartoon.pieces).toHaveLength(2);
  });
  it('stays as drawn where the user wants it so', () => {
    const source = doc(62, 30, '<rect width="30" height="30"/><rect x="31" width="30" height="30"/>');
    expect(kinds(read(source))).toContain('one-by-one');
    expect(read(source).cartoon.pieces[0]?.neighbours).toEqual([2]);
    expect(read(source, { asDrawn: true }).cartoon.pieces[0]?.neighbours).toEqual([]);
  });
});

describe('lines drawn with both their sides', () => {
  const inked = (penMm: number) => {
    const holes = Array.from({ length: 12 }, (_, k) => {
      const [x, y] = [1 + (k % 4) * 30 + penMm / 2, 1 + Math.floor(k / 4) * 30 + penMm / 2];
      return `M${x} ${y}v${30 - penMm}h${30 - penMm}v${penMm - 30}z`;
    });
    const [a, w, h] = [1 - penMm / 2, 120 + penMm, 90 + penMm];
    return `<svg xmlns="http://www.w3.org/2000/svg" width="122mm" height="92mm" viewBox="0 0 122 92"><path fill-rule="evenodd" d="M${a} ${a}h${w}v${h}h${-w}z${holes.join('')}"/></svg>`;
  };
  it.each([0.8, 2, 4])('a pen %d mm wide leaves the lines in its middle', (pen) => {
    const reading = read(inked(pen));
    expect(kinds(reading)).toContain('inked');
    expect(reading.cartoon.pieces).toHaveLength(12);
    const { minX, maxX, minY, maxY } = reading.cartoon.box;
    expect([maxX - minX, maxY - minY].map(Math.round)).toEqual([120, 90]);
    for (const piece of reading.cartoon.pieces)
      expect(Math.abs(piece.areaMm2 - 900)).toBeLessThan(0.1 + 0.1 * pen * pen);
  });
  it.each([
    [0.6, false, false],
    [1.5, true, false],
    [2, true, true],
    [4, false, false],
    [4, true, true],
  ])('a net of 100 panes by a pen of %d mm (curved %s, outlines apart %s) is that net', (pen, curved, apart) => {
    const expected = read(paneNet(10, 10, 20, { curved, seed: 2 })).cartoon;
    const reading = read(inkedNet(10, 10, pen, { curved, seed: 2, apart }));
    expect(kinds(reading)).toContain('inked');
    expect(reading.cartoon.pieces).toHaveLength(100);
    const areas = (c: CartoonReading['cartoon']) => c.pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
    const known = areas(expected);
    areas(reading.cartoon).forEach((area, i) =>
      expect(Math.abs(area - (known[i] as number))).toBeLessThan(0.1 + 0.08 * pen * pen),
    );
    // Crossings of four lines are not pulled apart into two joints of three.
    expect(reading.cartoon.map.nodes).toHaveLength(expected.map.nodes.length);
  });
  it('is asked: as drawn, the ink is a piece of its own', () => {
    const { cartoon } = read(inked(2), { asDrawn: true });
    expect(cartoon.pieces).toHaveLength(13);
    expect(Math.max(...cartoon.pieces.map((p) => p.rings.length))).toBe(13);
  });
  it('a wide background with flowers in it is no ink', () => {
    const flowers = Array.from({ length: 6 }, (_, k) => `<circle cx="${20 + 30 * k}" cy="50" r="9"/>`).join('');
    const reading = read(doc(200, 100, `<rect width="200" height="100"/>${flowers}`));
    expect(reading.cartoon.pieces).toHaveLength(7);
    expect(kinds(reading)).not.toContain('inked');
  });
});

describe('an unsteady hand', () => {
  it.each([
    [false, 0.5],
    [false, 0.8],
    [true, 0.8],
    [false, 1.1],
  ])(
    'curved %s, every end off by up to %d mm, one line in twenty drawn twice: every piece is found',
    (curved, jitterMm) => {
      for (const seed of [3, 11]) {
        const { cartoon } = read(paneNet(16, 14, 22, { curved, jitterMm, doubledShare: 0.05, seed }));
        expect(cartoon.pieces).toHaveLength(16 * 14);
      }
    },
  );
  it('courses of panes with every end short or over by up to 0.75 mm: 30 random panels, every piece', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const off = () => (random() * 2 - 1) * 0.75;
      const [width, course, courses] = [300, 30, 8];
      const wave = seed % 3 === 0 ? 6 : 0;
      const y = (j: number, x: number) => j * course + (j > 0 && j < courses ? wave * Math.sin(x / 50 + j) : 0);
      const parts = [`<path d="M0 0H${width}V${course * courses}H0Z"/>`];
      for (let j = 1; j < courses; j++) {
        const at = (k: number) => (k === 0 ? off() : k === 60 ? width + off() : (k * width) / 60);
        parts.push(
          `<path d="M${Array.from({ length: 61 }, (_, k) => `${at(k)} ${y(j, (k * width) / 60)}`).join('L')}"/>`,
        );
      }
      let expected = 0;
      for (let j = 0; j < courses; j++) {
        const uprights = 3 + Math.floor(random() * 4);
        for (let i = 1; i <= uprights; i++) {
          const x = (width * i) / (uprights + 1) + (random() - 0.5) * 8;
          const foot = x + (random() - 0.5) * 6;
          parts.push(`<path d="M${x} ${y(j, x) + off()}L${foot} ${y(j + 1, foot) + off()}"/>`);
        }
        expected += uprights + 1;
      }
      expect(read(doc(width, course * courses, parts.join(''))).cartoon.pieces).toHaveLength(expected);
    }
  });
  it('a tolerance that the user set is kept to', () => {
    const { repairs } = read(paneNet(6, 6, 22, { jitterMm: 1, seed: 2 }), { snapMm: 0.4 });
    for (const repair of repairs) expect(repair.movedMm).toBeLessThanOrEqual(0.4 + 1e-6);
  });
  it('a fine drawing gets a fine tolerance: a millimetre of detail is not healed away', () => {
    const fine = doc(
      30,
      30,
      `<rect width="30" height="30"/>${Array.from({ length: 40 }, (_, k) => `<path d="M${5 + k * 0.5} 10v0.4"/>`).join('')}<path d="M0 20H30"/>`,
    );
    const reading = read(fine);
    expect(reading.toleranceMm).toBeLessThan(0.1);
    expect(reading.cartoon.pieces).toHaveLength(2);
  });
  it('an end drawn onto a line that is itself drawn to another one stays joined to it', () => {
    // The upright is short of the slanted line and leans as it is drawn there; the short bars hang on it all the same.
    const bars = Array.from(
      { length: 5 },
      (_, k) => `<path d="M0 ${70 + k * 15}H49.5"/><path d="M100 ${75 + k * 15}H50.6"/>`,
    );
    const reading = read(
      doc(100, 150, `<path d="M0 0H100V150H0Z"/><path d="M0 40L100 62"/><path d="M50 51.6V149.4"/>${bars.join('')}`),
    );
    expect(reading.findings.filter((f) => f.kind === 'loose-line')).toEqual([]);
    expect(reading.cartoon.pieces).toHaveLength(1 + 6 + 6);
  });
  it('a refused repair leaves its place as drawn, the others stay healed', () => {
    const source = doc(
      100,
      60,
      '<rect width="100" height="60"/><path d="M30 0V59.6"/><path d="M60 0V59.5"/><path d="M80 0V60.4"/>',
    );
    const first = read(source);
    expect(first.cartoon.pieces).toHaveLength(4);
    expect(first.repairs.map((r) => r.kind).sort()).toEqual(['snapped', 'snapped', 'trimmed']);
    const short = first.repairs.find((r) => r.kind === 'snapped' && r.at[0] === 60);
    const second = read(source, { refused: [short?.at ?? [0, 0]] });
    expect(second.cartoon.pieces).toHaveLength(3);
    expect(second.repairs).toHaveLength(2);
    expect(second.findings.some((f) => f.kind === 'loose-line')).toBe(true);
  });
});

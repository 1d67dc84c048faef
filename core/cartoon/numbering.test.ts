import { describe, expect, it } from 'vitest';
import { nth, seededRandom } from '../units/index.ts';
import { doc } from '../test/panels.ts';
import { editCartoon, readCartoon, type Cartoon } from './index.ts';
import { rowOrder } from './numbering.ts';

const read = (source: string): Cartoon => {
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
};

/** Middles of a net of cells, row by row, in a file in any order. */
function cells(across: number, down: number, waveMm: number, turns: number, seed: number) {
  const random = seededRandom(seed);
  const all = Array.from({ length: across * down }, (_, k) => {
    const [i, j] = [k % across, Math.floor(k / across)];
    const y = 20 * j + waveMm * Math.sin((i / across) * turns * 2 * Math.PI) + random() * 2;
    return { k, areaMm2: 380 + 40 * random(), centroid: [20 * i + random() * 2, y] as const };
  });
  return all
    .map((cell) => ({ cell, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ cell }) => cell);
}

describe('numbers by rows', () => {
  it.each([
    [22, 24, 3, 1],
    [22, 24, 9, 2],
    [30, 8, 15, 1.5],
    [12, 12, 0, 1],
  ])('%d × %d cells, waving by %d mm', (across, down, wave, turns) => {
    for (let seed = 1; seed <= 10; seed++) {
      const mixed = cells(across, down, wave, turns, seed);
      expect(rowOrder(mixed).map((i) => nth(mixed, i).k)).toEqual(mixed.map((_, k) => k));
    }
  });
});

describe('numbers outwards', () => {
  it('the same from every order of the file', () => {
    // Symmetrical on purpose: many pieces are equally far from the middle.
    const lines = ['<path d="M0 0H150V150H0Z"/>'];
    for (let k = 1; k < 5; k++) lines.push(`<path d="M${30 * k} 0V150"/>`, `<path d="M0 ${30 * k}H150"/>`);
    lines.push('<path d="M60 60L90 90"/>', '<path d="M60 0L90 30"/>');
    const random = seededRandom(5);
    const numbered = Array.from({ length: 12 }, () => {
      const order = lines.map((line) => ({ line, at: random() })).sort((a, b) => a.at - b.at);
      const cartoon = read(doc(150, 150, order.map(({ line }) => line).join('')));
      const out = editCartoon(cartoon, { kind: 'renumber', order: 'outwards' });
      if ('refusal' in out) throw new Error(out.refusal);
      return out.cartoon.pieces.map((p) => [p.number, ...p.centroid.map((v) => Math.round(v * 10))].join(' '));
    });
    for (const one of numbered) expect(one).toEqual(numbered[0]);
  });
});

describe('joints', () => {
  it('four lines in a joint of the rim are told too', () => {
    const { findings } = (() => {
      const reading = readCartoon(
        doc(100, 100, '<path d="M0 0H100V100H0Z"/><path d="M50 0L20 100"/><path d="M50 0L80 100"/>'),
      );
      if ('refusal' in reading) throw new Error(reading.refusal);
      return reading;
    })();
    expect(findings).toMatchObject([{ kind: 'many-lines', at: [50, 0] }]);
  });
  // A came is not bent round a sharp corner: it is cut, and joined there (from memory: 35°).
  it.each([
    ['bends by 90°', 'M0 50H50V100', 1],
    ['bends by 40°', 'M0 50H50L100 92', 1],
    ['bends by 30°', 'M0 50H50L100 79', 0],
    ['is a curve', 'M0 50C50 50 50 50 50 100', 0],
    [
      'is traced in small steps',
      `M0 50${Array.from({ length: 100 }, (_, i) => `L${i + 1} ${i % 2 ? 50 : 50.5}`).join('')}`,
      0,
    ],
  ])('an inner line that %s', (_, d, bends) => {
    const { joints } = read(doc(100, 100, `<path d="M0 0H100V100H0Z"/><path d="${d}"/>`));
    expect(joints.filter((j) => j.kind === 'L').length - 4).toBe(bends);
  });
});

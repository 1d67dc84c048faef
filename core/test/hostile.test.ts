import { describe, expect, it } from 'vitest';
import { readCartoon, type DrawingRefusalCode } from '../cartoon/index.ts';
import { studyCartoon } from '../cutting/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { DEFAULT_ALLOWANCE, innerOffset, outlineOffset, type LineAllowance } from '../sizing/index.ts';
import { seededRandom } from '../units/index.ts';

/** Work, not waiting: the processor's time does not depend on what else the machine is doing. Issue: 5 s. */
const MOST_SECONDS = 5;
const svg = (body: string, head = '') =>
  `${head}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="600mm" height="600mm" viewBox="0 0 600 600">${body}</svg>`;
const path = (d: string) => svg(`<path fill="none" stroke="#000" d="${d}"/>`);
const FRAME = '<rect width="600" height="600" fill="none" stroke="#000"/>';

/**
 * What some work gives, and the processor's time it takes, s. Threads that compile and collect garbage count in it: work
 * that seems too long is done again, when they have done theirs, three times at the most.
 */
function timed<T>(work: () => T): { result: T; seconds: number } {
  const once = () => {
    const before = process.cpuUsage();
    const result = work();
    const { user, system } = process.cpuUsage(before);
    return { result, seconds: (user + system) / 1e6 };
  };
  let least = once();
  for (let again = 0; again < 2 && least.seconds >= MOST_SECONDS; again++) {
    const next = once();
    if (next.seconds < least.seconds) least = next;
  }
  return least;
}

function outcome(source: string): { result: DrawingRefusalCode | number; seconds: number } {
  return timed(() => {
    const reading = readCartoon(source);
    return 'refusal' in reading ? reading.refusal : reading.cartoon.pieces.length;
  });
}

function scribble(points: number): string {
  const random = seededRandom(3);
  return `M${Array.from({ length: points }, () => `${(random() * 600).toFixed(2)} ${(random() * 600).toFixed(2)}`).join('L')}`;
}
function walk(points: number): string {
  const random = seededRandom(4);
  let [x, y] = [300, 300];
  const step = (v: number) => Math.min(600, Math.max(0, v + (random() - 0.5) * 6));
  return `M${Array.from({ length: points }, () => {
    x = step(x);
    y = step(y);
    return `${x.toFixed(2)} ${y.toFixed(2)}`;
  }).join('L')}`;
}
function hairs(count: number): string {
  const random = seededRandom(5);
  const at = () => (random() * 600).toFixed(2);
  const by = () => ((random() - 0.5) * 4).toFixed(2);
  return Array.from({ length: count }, () => `M${at()} ${at()}l${by()} ${by()}`).join('');
}
/** 10 wavy lines each way, a thousand segments long: 200,000 segments, 121 panes. */
function wavyNet(): string {
  const parts: string[] = [];
  for (let j = 0; j <= 100; j++) {
    const at = (i: number) => (j % 100 === 0 ? j * 6 : j * 6 + 1.2 * Math.sin(i / 40 + j));
    const along = Array.from({ length: 991 }, (_, i) => i * (600 / 990));
    if (j % 10 !== 0) continue;
    parts.push(`M${along.map((v, i) => `${v.toFixed(3)} ${at(i).toFixed(3)}`).join('L')}`);
    parts.push(`M${along.map((v, i) => `${at(i).toFixed(3)} ${v.toFixed(3)}`).join('L')}`);
  }
  return parts.join('');
}
const circle = (x: number, y: number, r: number) =>
  `<circle fill="none" stroke="#000" cx="${x.toFixed(2)}" cy="${y.toFixed(2)}" r="${r.toFixed(3)}"/>`;
function bubbles(count: number): string {
  const random = seededRandom(8);
  return Array.from({ length: count }, () => circle(random() * 200, random() * 200, 1 + random() * 8)).join('');
}
const rings = (count: number) => Array.from({ length: count }, (_, k) => circle(100, 100, (k + 1) * 0.045)).join('');
const fur = (count: number) =>
  `<path fill="none" stroke="#000" d="${Array.from({ length: count }, (_, i) => `M${(i * 0.006).toFixed(3)} 0v1.${i % 10}`).join('')}"/>`;
const spiral = (steps: number) =>
  `M${Array.from({ length: steps }, (_, i) => {
    const r = i * 0.0004;
    return `${(300 + r * Math.cos(i * 0.02)).toFixed(3)} ${(300 + r * Math.sin(i * 0.02)).toFixed(3)}`;
  }).join('L')}`;
const comb = (teeth: number) =>
  `M0 200${Array.from({ length: 2 * teeth }, (_, i) => `L${(i * 0.002).toFixed(4)} ${i % 2 ? 1 : 150}`).join('')}L200 200Z`;
const useBomb = `<defs><g id="a0"><rect width="5" height="5" stroke="#000" fill="none"/></g>${Array.from({ length: 9 }, (_, i) => `<g id="a${i + 1}">${`<use xlink:href="#a${i}" x="${i}"/>`.repeat(10)}</g>`).join('')}</defs><use xlink:href="#a9"/>`;
const entityBomb = `<!DOCTYPE svg [<!ENTITY c0 "lol">${Array.from({ length: 20 }, (_, i) => `<!ENTITY c${i + 1} "${`&c${i};`.repeat(9)}">`).join('')}]>`;
const styles = (rules: number) =>
  `<style>${Array.from({ length: rules }, (_, i) => `.c${i} g > .d${i} { stroke: #00${i % 10} } `).join('')}</style>`;
const dxfLines = (count: number) => {
  const random = seededRandom(6);
  const line = () =>
    `0\nLINE\n8\n0\n10\n${random() * 500}\n20\n${random() * 500}\n11\n${random() * 500}\n21\n${random() * 500}\n`;
  return `0\nSECTION\n2\nENTITIES\n${Array.from({ length: count }, line).join('')}0\nENDSEC\n0\nEOF\n`;
};

describe('hostile and enormous drawings: a plain refusal or a right answer, soon', () => {
  it.each<[string, () => string, DrawingRefusalCode | number]>([
    ['200,000 segments of scribble', () => path(scribble(200_000)), 'tangle'],
    ['a walk of 200,000 steps', () => path(walk(200_000)), 'scribble'],
    ['200,000 hairs', () => svg(`<path fill="none" stroke="#000" d="${hairs(200_000)}"/>${FRAME}`), 'too-many'],
    ['a net of long wavy lines', () => path(wavyNet()), 100],
    ['one line a hundred thousand times', () => svg(FRAME + '<path stroke="#000" d="M0 300H600"/>'.repeat(100_000)), 2],
    [
      'two thousand lines through one point',
      () =>
        svg(
          FRAME +
            Array.from(
              { length: 2000 },
              (_, k) =>
                `<path stroke="#000" d="M${300 - 290 * Math.cos(k / 637)} ${300 - 290 * Math.sin(k / 637)}L${300 + 290 * Math.cos(k / 637)} ${300 + 290 * Math.sin(k / 637)}"/>`,
            ).join(''),
        ),
      'scribble',
    ],
    [
      'sixty thousand squares',
      () =>
        svg(
          Array.from(
            { length: 60_000 },
            (_, i) =>
              `<rect fill="none" stroke="#000" x="${(i % 250) * 2.4}" y="${Math.floor(i / 250) * 2.4}" width="2" height="2"/>`,
          ).join(''),
        ),
      'tangle',
    ],
    ['four thousand bubbles over one another', () => svg(bubbles(4000)), 'scribble'],
    ['a hundred thousand hairs along one edge', () => svg(fur(100_000) + FRAME), 'scribble'],
    ['a spiral of 200,000 steps', () => path(spiral(200_000)), 'tangle'],
    ['a comb of 50,000 teeth', () => path(comb(50_000)), 'tangle'],
    ['two thousand rings in one another', () => svg(rings(2000)), 'tangle'],
    ['27 MB of words', () => svg(`${FRAME}<text x="9" y="9">${'ab '.repeat(9e6)}</text>`), 1],
    ['groups five thousand deep', () => svg(`${'<g>'.repeat(5000)}${FRAME}${'</g>'.repeat(5000)}`), 'too-large'],
    ['twenty thousand rules of style', () => svg(styles(20_000) + FRAME), 1],
    ['uses that multiply', () => svg(useBomb), 1],
    ['entities that multiply', () => svg(`<text>&c20;</text>${FRAME}`, entityBomb), 1],
    [
      'an entity from outside',
      () => svg(`<text>&x;</text>${FRAME}`, '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>'),
      1,
    ],
    ['coordinates beyond all measure', () => path('M0 0H1e308V1e308H-1e308Z'), 'too-wide'],
    [
      'a page of no size',
      () => '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 0 0"><path stroke="#000" d="M0 0H9V9Z"/></svg>',
      'no-size',
    ],
    ['a DXF of 125,000 lines', () => dxfLines(125_000), 'too-many'],
  ])('%s', { timeout: 60_000 }, (_, make, expected) => {
    const { result, seconds } = outcome(make());
    expect(result).toBe(expected);
    expect(seconds).toBeLessThan(MOST_SECONDS);
  });
});

/** Koch's snowflake: every side takes on a tooth a third as long, again and again; 3 · 4ⁿ sides. */
function snowflake(rounds: number): string {
  let points: [number, number][] = [
    [100, 200],
    [500, 200],
    [300, 546.41],
  ];
  for (let k = 0; k < rounds; k++)
    points = points.flatMap(([ax, ay], i): [number, number][] => {
      const [bx, by] = points[(i + 1) % points.length] as [number, number];
      const [dx, dy] = [(bx - ax) / 3, (by - ay) / 3];
      return [
        [ax, ay],
        [ax + dx, ay + dy],
        [ax + 1.5 * dx + dy * 0.866, ay + 1.5 * dy - dx * 0.866],
        [ax + 2 * dx, ay + 2 * dy],
      ];
    });
  return `M${points.map((p) => p.map((v) => v.toFixed(4)).join(' ')).join('L')}Z`;
}
/** Panes filled one by one, traced with 200 points each that waver by 0.1 mm. */
function tracedPanes(across: number): string {
  const random = seededRandom(9);
  const waver = () => (random() - 0.5) * 0.2;
  const side = (k: number): [number, number] => {
    const t = (k % 50) * 0.4;
    return k < 50 ? [t, 0] : k < 100 ? [20, t] : k < 150 ? [20 - t, 20] : [0, 20 - t];
  };
  const pane = (x: number, y: number) =>
    `<path d="M${Array.from({ length: 200 }, (_, k) => side(k).map((v, i) => (v + (i ? y : x) + waver()).toFixed(3))).join('L')}Z"/>`;
  return Array.from({ length: across * across }, (_, k) => pane((k % across) * 20, Math.floor(k / across) * 20)).join(
    '',
  );
}

const allowance: LineAllowance = { ...DEFAULT_ALLOWANCE.lead, outline: 'came-outside' };
const mostMm = Math.max(innerOffset(allowance), outlineOffset(allowance));

describe('outlines of very many points are cut out and judged soon', () => {
  it.each<[string, () => string, number, number]>([
    // Area of the snowflake: 8/5 of its triangle (von Koch 1904).
    ['a snowflake of 49,152 sides', () => path(snowflake(7)), 1, 1.6 * (Math.sqrt(3) / 4) * 400 ** 2],
    [
      'a circle of 100,000 points',
      () =>
        svg(
          `<polygon fill="none" stroke="#000" points="${Array.from({ length: 100_000 }, (_, i) => `${(300 + 250 * Math.cos(i / 15915.494)).toFixed(4)},${(300 + 250 * Math.sin(i / 15915.494)).toFixed(4)}`).join(' ')}"/>`,
        ),
      1,
      Math.PI * 250 ** 2,
    ],
    ['a hundred panes traced one by one', () => svg(tracedPanes(10)), 100, 40_000],
  ])('%s', { timeout: 120_000 }, (_, make, pieces, areaMm2) => {
    const source = make();
    const { result, seconds } = timed(() => {
      const reading = readCartoon(source);
      if ('refusal' in reading) throw new Error(reading.refusal);
      return { cartoon: reading.cartoon, ...studyCartoon(reading.cartoon, allowance, DEFAULT_LIMITS) };
    });
    const { cartoon, cuts, cuttability } = result;
    expect(cuttability).toHaveLength(pieces);
    const areas = cartoon.pieces.reduce((sum, piece) => sum + piece.areaMm2, 0);
    expect(Math.abs(areas / areaMm2 - 1)).toBeLessThan(0.002);
    // Moved in all round, at the rim too: less glass than the region, by no more than its border times that.
    for (const [i, piece] of cartoon.pieces.entries()) {
      expect(cuts[i]?.areaMm2).toBeLessThan(piece.areaMm2);
      expect(cuts[i]?.areaMm2).toBeGreaterThan(piece.areaMm2 - 1.02 * mostMm * piece.perimeterMm);
    }
    expect(seconds).toBeLessThan(MOST_SECONDS);
  });
});

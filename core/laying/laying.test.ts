import { describe, expect, it } from 'vitest';
import { readCartoon, type Cartoon } from '../cartoon/index.ts';
import { CORNERS, type Corner } from '../leading/index.ts';
import { cells, courses, grid, PINWHEEL } from '../test/leadDrawings.ts';
import { leastTime } from '../test/leastTime.ts';
import { doc, paneNet } from '../test/panels.ts';
import { nth } from '../units/index.ts';
import { layOutPlan, type LayingPlan } from './index.ts';

function cartoonOf(svg: string): Cartoon {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
}
const plan = (
  svg: string,
  corner: Corner = 'bottom-left',
  sections: ReadonlyMap<number, string | null> = new Map(),
) => {
  const cartoon = cartoonOf(svg);
  return { cartoon, ...layOutPlan(cartoon, corner, sections) };
};

/** Knows nothing of how the order was found. */
function faultsOf(
  cartoon: Cartoon,
  { steps }: Pick<LayingPlan, 'steps'>,
  sections: ReadonlyMap<number, string | null>,
) {
  const faults: string[] = [];
  const order = steps.map((step) => step.piece);
  const numbers = cartoon.pieces.map((piece) => piece.number);
  if ([...order].sort((a, b) => a - b).join() !== [...numbers].sort((a, b) => a - b).join())
    faults.push('not each once');
  const names = steps.map((step) => step.section);
  if (names.some((name, i) => i > 0 && name !== names[i - 1] && names.indexOf(name) < i))
    faults.push('a section is left');
  if (steps.some(({ piece, section }) => section !== (sections.get(piece) ?? null))) faults.push('another section');
  const laid = new Set<number>();
  const told = new Map<number, number>();
  for (const { piece, tacks } of steps) {
    laid.add(piece);
    for (const number of tacks) {
      told.set(number, (told.get(number) ?? 0) + 1);
      const joint = cartoon.joints.find((one) => one.number === number);
      if (!joint?.pieces.every((one) => laid.has(one))) faults.push(`joint ${number} is tacked too soon`);
      if (!joint?.pieces.includes(piece)) faults.push(`joint ${number} is tacked too late`);
    }
  }
  for (const { number, pieces } of cartoon.joints)
    if ((told.get(number) ?? 0) !== (pieces.length > 1 ? 1 : 0)) faults.push(`joint ${number} is told wrongly`);
  return faults;
}

describe('the order of laying out', () => {
  it.each([
    ['a grid', grid(5, 4, 50)],
    ['courses', courses(6, 5)],
    ['a pinwheel', PINWHEEL],
    ['a net', paneNet(9, 7, 30, { seed: 4, curved: true })],
    ['cells', cells(60, 5)],
  ])('of %s has each piece once, and each junction when all that meet there lie', (_, svg) => {
    for (const corner of CORNERS) {
      const { cartoon, steps } = plan(svg, corner);
      expect(faultsOf(cartoon, { steps }, new Map())).toEqual([]);
    }
  });
  it('goes section by section as they are called, what has none last', () => {
    const svg = cells(80, 9);
    const { cartoon } = plan(svg);
    const letters = ['B', 'A', null, 'A2', 'A10'];
    const sections = new Map(cartoon.pieces.map(({ number }) => [number, nth(letters, number % letters.length)]));
    const { steps } = plan(svg, 'top-left', sections);
    expect(faultsOf(cartoon, { steps }, sections)).toEqual([]);
    expect([...new Set(steps.map((step) => step.section))]).toEqual(['A', 'A2', 'A10', 'B', null]);
  });
  it('begins in its corner, and lays each piece against one that lies', () => {
    for (const corner of CORNERS) {
      const { cartoon, steps } = plan(grid(4, 3, 50), corner);
      const first = cartoon.pieces.find((piece) => piece.number === steps[0]?.piece);
      const [x, y] = first?.labelAt ?? [0, 0];
      expect([x < 100, y > 75]).toEqual([corner.endsWith('left'), corner.startsWith('bottom')]);
      const laid = new Set([steps[0]?.piece]);
      for (const { piece } of steps.slice(1)) {
        const here = cartoon.pieces.find((one) => one.number === piece)?.labelAt ?? [0, 0];
        // Panes of 50 mm: those beside each other are 50 mm apart.
        const touches = cartoon.pieces.some(
          (one) => laid.has(one.number) && Math.hypot(one.labelAt[0] - here[0], one.labelAt[1] - here[1]) < 55,
        );
        expect(touches).toBe(true);
        laid.add(piece);
      }
    }
  });
  it('of 500 pieces takes no second', () => {
    const cartoon = cartoonOf(paneNet(25, 20, 20, { seed: 2 }));
    const { result, ms } = leastTime(() => layOutPlan(cartoon, 'bottom-left', new Map()), 1000);
    expect(result.steps).toHaveLength(500);
    expect(ms).toBeLessThan(1000 * (process.env.CI ? 3 : 1));
  });
});

describe('what holds it square', () => {
  it('two strips of a rectangle first, at 90°, and its diagonals by Pythagoras', () => {
    const { holding } = plan(grid(4, 3, 100), 'bottom-right');
    expect(holding.first.map((strip) => strip.lengthMm).sort()).toEqual([300, 400]);
    for (const { from, to } of holding.first) expect([from, to]).toContainEqual([400, 300]);
    expect(holding.last).toHaveLength(2);
    expect(holding.cornerDeg).toBeCloseTo(90, 9);
    expect(holding.diagonalsMm).toEqual([500, 500]);
    expect(holding.pinned).toBe(0);
  });
  it('a skewed one has its own angle and two diagonals', () => {
    const { holding } = plan(doc(160, 100, '<path d="M0 100L60 0H160L100 100Z"/><path d="M50 100L110 0"/>'));
    expect(holding.cornerDeg).toBeCloseTo((Math.atan2(100, 60) * 180) / Math.PI, 6);
    expect([...(holding.diagonalsMm ?? [])].sort((a, b) => a - b)).toEqual([
      expect.closeTo(Math.hypot(40, 100), 6),
      expect.closeTo(Math.hypot(160, 100), 6),
    ]);
  });
  it('no strip where the panel reaches over it: the inner sides of an L are pinned, so are short ones', () => {
    const { holding } = plan(doc(300, 300, '<path d="M0 0H100V200H300V300H0Z"/><path d="M0 200H100V300"/>'));
    expect(holding.first.map((strip) => strip.lengthMm)).toEqual(expect.arrayContaining([300, 300]));
    expect(holding.last.map((strip) => strip.lengthMm).sort()).toEqual([100, 100]);
    expect(holding).toMatchObject({ pinned: 2, diagonalsMm: null });
    const small = plan(doc(60, 30, '<path d="M0 0H60V30H0Z"/><path d="M30 0V30"/>')).holding;
    expect([small.first.length, small.last.length, small.pinned]).toEqual([0, 2, 2]);
  });
  it('a round one is pinned, a lancet stands on one strip', () => {
    const round = plan(doc(200, 200, '<circle cx="100" cy="100" r="90"/><path d="M10 100H190"/>')).holding;
    expect(round).toMatchObject({ first: [], last: [], cornerDeg: null, diagonalsMm: null });
    expect(round.pinned).toBeGreaterThan(0);
    const lancet = plan(
      doc(100, 200, '<path d="M10 190V90C10 50 40 20 50 10C60 20 90 50 90 90V190Z"/><path d="M10 120H90"/>'),
    ).holding;
    expect(lancet.first).toHaveLength(2);
    expect(lancet.cornerDeg).toBeCloseTo(90, 6);
    expect(lancet.pinned).toBeGreaterThan(0);
  });
});

import { describe, expect, it } from 'vitest';
import type { CartoonFinding, Edit } from '../cartoon/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { DEFAULT_ALLOWANCE } from '../sizing/index.ts';
import { doc } from '../test/panels.ts';
import { editDrawing, readDrawing, type DrawingResult, type Previous } from './index.ts';

const allowance = DEFAULT_ALLOWANCE.foil;
const limits = DEFAULT_LIMITS;
const read = (body: string, previous?: Previous): DrawingResult => {
  const result = readDrawing({ kind: 'read', source: doc(100, 100, body), options: {}, allowance, limits, previous });
  if ('refusal' in result) throw new Error(result.refusal);
  return result;
};
const edit = (previous: DrawingResult, change: Edit): DrawingResult => {
  const result = editDrawing({
    kind: 'edit',
    freeId: 1,
    edit: change,
    kept: [],
    sections: [],
    allowance,
    limits,
    previous,
    reading: previous,
  });
  if ('refusal' in result) throw new Error(result.refusal);
  return result;
};
const left = ({ findings }: { findings: readonly CartoonFinding[] }) => findings.filter((f) => 'lines' in f);

// Two panes; in the right one a line stops 3 mm short of the rim, in the left one a line ends in the open.
const PANES = '<rect width="100" height="100"/><path d="M60 0V100"/>';
const SHORT = '<path d="M60 50H97"/>';
const LOOSE = '<path d="M0 30H20"/>';

describe('lines that were left out', () => {
  it('are told of a drawing brought in again too, by the numbers that pieces have now', () => {
    // The left pane is gone from the middle of the numbers: 1 and 3 stay, so the right pane is 3 and not 2.
    const before = read(PANES + '<path d="M30 0V100"/>');
    expect(before.cartoon.pieces.map((p) => p.number)).toEqual([1, 2, 3]);
    const again = read(PANES + SHORT + LOOSE, before);
    const numberAt = (x: number) => again.cartoon.pieces.find((p) => Math.abs(p.centroid[0] - x) < 1)?.number;
    expect(left(again)).toEqual([
      expect.objectContaining({ kind: 'short-of-joint', gapMm: 3, pieces: [numberAt(80)] }),
      expect.objectContaining({ kind: 'loose-line', lengthMm: 20, pieces: [numberAt(30)] }),
    ]);
    expect(numberAt(80)).toBe(3);
  });
  it('stay told through changes elsewhere, until a line is drawn where they were', () => {
    const first = read(PANES + SHORT + LOOSE);
    const beside = edit(first, {
      kind: 'add-line',
      points: [
        [60, 80],
        [100, 80],
      ],
    });
    expect(left(beside)).toHaveLength(2);
    const drawn = edit(beside, {
      kind: 'add-line',
      points: [
        [60, 50],
        [100, 50],
      ],
    });
    expect(left(drawn).map((f) => f.kind)).toEqual(['loose-line']);
  });
  it('grow with the drawing, as repairs do, and stay behind when it is fitted elsewhere', () => {
    const first = read(PANES + SHORT + '<path d="M0 60H59.5"/>');
    const scaled = edit(first, { kind: 'scale', factor: 2 });
    expect(left(scaled)).toEqual([
      expect.objectContaining({
        at: [194, 100],
        lines: [
          [
            [194, 100],
            [120, 100],
          ],
        ],
      }),
    ]);
    expect(scaled.repairs.map((r) => r.at)).toEqual([[119, 120]]);
    const fitted = edit(first, { kind: 'fit', widthMm: 150, heightMm: 100, borderMm: 10 });
    expect([...left(fitted), ...fitted.repairs]).toEqual([]);
  });
  it('what shapes show is looked at anew', () => {
    const island = '<path d="M20 40H40V60H20Z"/>';
    const first = read(PANES + island);
    expect(first.findings.map((f) => f.kind)).toEqual(['hole']);
    const opened = edit(first, {
      kind: 'add-line',
      points: [
        [0, 50],
        [60, 50],
      ],
    });
    // The line goes through the island: the hole is open, and where it crosses the island's border four lines meet.
    expect(opened.findings.map((f) => f.kind)).toEqual(['many-lines', 'many-lines']);
  });
});

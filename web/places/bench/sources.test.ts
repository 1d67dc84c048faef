import { describe, expect, it } from 'vitest';
import { Studio } from '#core/bench';
import { DEFAULT_LIMITS } from '#core/limits';
import { candidates, leftOf, sourcesSchema } from './sources.ts';

const glass = { id: 'blue', code: 'B-1', flow: false } as never;
const item = (id: string, kind: 'sheet' | 'offcut', widthMm: number, heightMm: number) =>
  ({
    table: 'stock',
    id,
    before: null,
    after: {
      id,
      rev: 1,
      glassId: 'blue',
      kind,
      widthMm,
      heightMm,
      areaMm2: widthMm * heightMm,
      outline: null,
      flaws: [],
      breaks: null,
      keptFor: null,
      gone: null,
    },
  }) as never;
const piece = (number: number, widthMm: number, heightMm: number) =>
  ({ number, widthMm, heightMm, areaMm2: widthMm * heightMm, flowDeg: null, glassId: 'blue' }) as never;

function view(...stock: never[]) {
  const reader = new Studio();
  reader.absorb(stock, 1);
  const pieces = [piece(1, 100, 50), piece(2, 30, 30)];
  const panel = { commissionId: 'c' };
  return { panel, pieces, answer: null, glasses: new Map([['blue', glass]]), limits: DEFAULT_LIMITS, reader } as never;
}
const ask = (numbers: number[]) => ({ glassId: 'blue', numbers });

describe('what could give the glass', () => {
  it('is offcuts before sheets, the smallest first, and last what is too small one way', () => {
    const all = view(
      item('S1', 'sheet', 400, 300),
      item('K1', 'offcut', 200, 90),
      item('K2', 'offcut', 130, 80),
      item('K3', 'offcut', 1000, 12),
      item('K4', 'offcut', 20, 20),
    );
    const found = candidates(all, ask([1]));
    expect(found.items.map((c) => [c.item.id, c.tooSmall])).toEqual([
      ['K2', false],
      ['K1', false],
      ['S1', false],
      ['K3', true],
    ]);
    expect(found.needMm2).toBe(5000);
  });
  it('holds the glass of all pieces together, on the edge of it too', () => {
    // Pieces 1 and 2 are 5,900 mm² together; a strip of 6 mm stays along every edge.
    const found = candidates(view(item('K1', 'offcut', 118, 50), item('K2', 'offcut', 118, 49.9)), ask([1, 2]));
    expect(found.items.map((c) => [c.item.id, c.tooSmall])).toEqual([['K1', true]]);
  });
  it('takes a piece by its true outline, not by the box round it', () => {
    const outline = [
      [0, 0],
      [150, 0],
      [0, 150],
    ];
    const whole = item('K9', 'offcut', 150, 150) as { after: object };
    const wedge = { ...whole, after: { ...whole.after, outline, areaMm2: 11_250 } } as never;
    const tooSmall = (numbers: number[]) => candidates(view(wedge), ask(numbers)).items.map((c) => c.tooSmall);
    expect(tooSmall([2])).toEqual([false]);
    // 100 × 50 mm would just go into the corner, but for the strip along its edges.
    expect(tooSmall([1])).toEqual([true]);
  });
});

describe('what is left of a sheet', () => {
  const said = (left: 'stays' | 'offcuts' | 'waste', width = '', height = '') => leftOf({ left, width, height }, 'mm');
  it('is the sheet, whole or measured anew, an offcut, or nothing', () => {
    expect(said('stays')).toEqual({ kind: 'stays' });
    expect(said('stays', '120', '1/2 in')).toEqual({ kind: 'stays', widthMm: 120, heightMm: 12.7 });
    expect(said('offcuts', '80', '40')).toEqual({ kind: 'offcuts', offcuts: [{ widthMm: 80, heightMm: 40 }] });
    expect(said('waste', 'x', '')).toEqual({ kind: 'waste' });
  });
  it.each([
    ['offcuts', '', ''],
    ['offcuts', '80', ''],
    ['stays', '', '40'],
    ['stays', '0', '40'],
    ['offcuts', '80', '-1'],
  ] as const)('%s of %j by %j is not said yet', (left, width, height) => {
    expect(said(left, width, height)).toBeNull();
  });
  it('says beside each measure what is missing of it', () => {
    const asked = (more: object) =>
      sourcesSchema('mm').safeParse({
        answers: [{ stockId: 'S1', left: 'offcuts', width: '80', height: '40', ...more }],
      });
    expect(asked({}).data?.answers).toEqual([
      { stockId: 'S1', left: { kind: 'offcuts', offcuts: [{ widthMm: 80, heightMm: 40 }] } },
    ]);
    const faults = (more: object) => asked(more).error?.issues.map(({ path }) => path.join('.'));
    expect(faults({ height: '' })).toEqual(['answers.0.height']);
    expect(faults({ width: 'wide', height: '-2' })).toEqual(['answers.0.width', 'answers.0.height']);
    expect(faults({ stockId: '' })).toEqual(['answers.0.stockId']);
    expect(faults({ left: 'waste', width: 'wide' })).toBeUndefined();
  });
});

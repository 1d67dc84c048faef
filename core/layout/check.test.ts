import { describe, expect, it } from 'vitest';
import { rectangle } from '../test/jigsaws.ts';
import type { Ring } from '../geometry/index.ts';
import { nth } from '../units/index.ts';
import { checkLayout, jobFault, type Layout, type LayoutJob } from './index.ts';

const square = (x: number, y: number, side: number): Ring => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];
const job: LayoutJob = {
  marginMm: 5,
  edgeMm: 6,
  keepMm: 60,
  sheets: [{ ...rectangle('S', 300, 112), flaws: [square(200, 20, 10)] }],
  pieces: ['a', 'b'].map((id) => ({
    id,
    outline: square(0, 0, 100),
    flowDeg: 90,
    flowToleranceDeg: 0,
    turnOver: false,
  })),
};
const at = (pieceId: string, x: number) => ({
  pieceId,
  sheetId: 'S',
  rotationDeg: 0,
  turnedOver: false,
  outline: square(x, 6, 100),
});
const consumed = 300 * 112 - 86.5 * 112;
/** Two squares side by side, a break between them and one beyond, and the rest of the sheet kept. */
const good: Layout = {
  placements: [at('a', 6), at('b', 111)],
  unplaced: [],
  breaks: [
    { sheetId: 'S', from: [213.5, 0], to: [213.5, 112] },
    { sheetId: 'S', from: [108.5, 112], to: [108.5, 0] },
  ],
  offcuts: [
    {
      sheetId: 'S',
      outline: [
        [213.5, 0],
        [300, 0],
        [300, 112],
        [213.5, 112],
      ],
      largestRectangle: { width: 86.5, height: 112, angleDeg: 0 },
    },
  ],
  use: 20000 / consumed,
  glassConsumedMm2: consumed,
};
const bare = { ...job, sheets: [{ ...nth(job.sheets, 0), flaws: [] }] };
const codes = (layout: Layout, of: LayoutJob = bare) => checkLayout(of, layout).map((fault) => fault.code);
const moved = (k: number, by: Partial<Layout['placements'][number]>): Layout => ({
  ...good,
  placements: good.placements.map((p, i) => (i === k ? { ...p, ...by } : p)),
});

describe('checkLayout', () => {
  it('says nothing of a layout that holds', () => expect(codes(good)).toEqual([]));

  it.each([
    ['a piece on a flaw', ['on-flaw'], good, job],
    ['a piece too near the edge', ['near-edge'], moved(0, { outline: square(5.98, 6, 100) }), bare],
    ['pieces too near each other', ['too-near'], moved(0, { outline: square(6.02, 6, 100) }), bare],
    [
      'a piece at another flow',
      ['off-flow'],
      moved(0, {
        rotationDeg: 90,
        outline: [
          [106, 6],
          [106, 106],
          [6, 106],
          [6, 6],
        ],
      }),
      bare,
    ],
    ['an outline that is not the piece', ['another-outline'], moved(0, { outline: square(6, 6, 99) }), bare],
    ['a piece not turned over', ['not-turned-over'], moved(0, { turnedOver: true }), bare],
    [
      'a piece nowhere',
      ['nowhere', 'offcut-untold'],
      { ...good, placements: [at('a', 6)], use: 10000 / consumed },
      bare,
    ],
    ['a piece twice', ['twice'], { ...good, unplaced: [{ pieceId: 'a', code: 'no-glass' as const }] }, bare],
    ['no break between two', ['not-apart'], { ...good, breaks: good.breaks.slice(0, 1) }, bare],
    [
      'a break that stops short',
      ['break-off-part', 'not-apart'],
      {
        ...good,
        breaks: [nth(good.breaks, 0), { sheetId: 'S', from: [108.5, 112] as const, to: [108.5, 1] as const }],
      },
      bare,
    ],
    [
      'a break that runs through a piece',
      ['break-near'],
      { ...good, breaks: [nth(good.breaks, 0), { sheetId: 'S', from: [106, 112] as const, to: [106, 0] as const }] },
      bare,
    ],
    ['an offcut untold', ['offcut-untold', 'sums', 'sums'], { ...good, offcuts: [] }, bare],
    [
      'an offcut that is none',
      ['offcut-false', 'sums', 'sums'],
      { ...good, offcuts: [...good.offcuts, { ...nth(good.offcuts, 0), outline: square(0, 0, 70) }] },
      bare,
    ],
    ['another use', ['sums'], { ...good, use: 0.9 }, bare],
  ] as const)('finds %s', (_, expected, layout, of) => {
    const found = codes(layout as Layout, of as LayoutJob);
    for (const code of expected) expect(found).toContain(code);
  });

  it('finds breaks and offcuts on a sheet without a piece', () => {
    const layout = {
      ...good,
      placements: [],
      unplaced: job.pieces.map((p) => ({ pieceId: p.id, code: 'no-glass' as const })),
      use: 0,
      glassConsumedMm2: 0,
    };
    expect(codes(layout)).toEqual(['break-unused', 'offcut-false']);
  });
});

describe('jobFault', () => {
  it.each([
    [
      'crossing',
      {
        sheets: [
          {
            ...rectangle('S', 9, 9),
            outline: [
              [0, 0],
              [9, 9],
              [9, 0],
              [0, 9],
            ] as const,
          },
        ],
      },
    ],
    [
      'no-area',
      {
        sheets: [
          {
            ...rectangle('S', 9, 9),
            outline: [
              [0, 0],
              [9, 0],
              [18, 0],
            ] as const,
          },
        ],
      },
    ],
    ['doubled-id', { sheets: [rectangle('S', 9, 9), rectangle('S', 9, 9)] }],
    ['flaw-outside', { sheets: [{ ...rectangle('S', 9, 9), flaws: [square(20, 20, 5)] }] }],
    ['too-many', { sheets: Array.from({ length: 501 }, (_, i) => rectangle(String(i), 9, 9)) }],
  ] as const)('%s', (code, more) => {
    expect(jobFault({ ...bare, ...more })?.code).toBe(code);
    expect(jobFault(bare)).toBeNull();
  });
});

import { describe, expect, it } from 'vitest';
import { breakOutWords, idsCalled, layingWords, stripWords } from './index.ts';

describe('what is said of a layout', () => {
  it('pieces of the panel as ranges, those of other panels by their letter', () => {
    expect(idsCalled(['3', 'A 2', '1', '2'])).toBe('1–3, A 2');
    expect(idsCalled(['B 7'])).toBe('B 7');
    expect(idsCalled(['12b', '12a', '3', '13b', 'A 4b'])).toBe('3, 12a, 12b, 13b, A 4b');
    expect(idsCalled(['1b', '2b', '3b'])).toBe('1b–3b');
  });

  it('where a piece lies wrongly', () => {
    expect(layingWords({ code: 'off-flow', id: '4', by: 31.7 }, 'B2')).toBe('4 lies 32° off its flow.');
    expect(layingWords({ code: 'near-edge', id: '4', by: -3 }, 'B2')).toBe('4 reaches beyond B2.');
    expect(layingWords({ code: 'near-edge', id: '4', by: 2 }, 'B2')).toBe('4 lies in the rough edge of B2.');
    expect(layingWords({ code: 'too-near', id: '4', other: '7', mm: -2 }, 'B2')).toBe('4 and 7 lie on each other.');
    expect(layingWords({ code: 'too-near', id: '4', other: '7', mm: 2 }, 'B2')).toBe(
      'Between 4 and 7 there is no room for the pliers.',
    );
    expect(layingWords({ code: 'on-flaw', id: '4' }, 'B2')).toBe('4 lies on a flaw.');
  });

  it('whether breaks lead between the pieces', () => {
    const breaks = [{ from: [0, 0], to: [0, 9] }] as const;
    expect(breakOutWords({ breaks, free: [] })).toBe('The breaks go right across: 1 break.');
    expect(breakOutWords({ breaks: [], free: [] })).toBe('It comes out of the whole piece of glass.');
    expect(breakOutWords({ between: ['3', '5', '9'] })).toBe('No straight break leads between 3, 5 and 9.');
  });

  it('how strips are cut', () => {
    const diamond: Parameters<typeof stripWords>[0] = {
      form: { widthMm: 34.641, longMm: 40, shortMm: 40, leanMm: 20 },
      kind: 'diamond',
      pieceIds: Array.from({ length: 30 }, (_, i) => String(i)),
      angleDeg: 60,
      stopMm: 34.641,
      strips: [{ sheetId: 'B2', count: 4, least: 9, most: 9 }],
    };
    expect(stripWords(diamond, 'mm')).toBe(
      '30 diamonds in strips: first 34.6 mm wide, 4 from B2, 9 in each. Then across at 60° with the same stop.',
    );
    // An offcut that narrows has room for fewer in some.
    const narrowing = [{ sheetId: 'K', count: 2, least: 5, most: 8 }];
    expect(stripWords({ ...diamond, strips: narrowing }, 'mm')).toContain('2 from K, 5 to 8 in each.');
    expect(stripWords({ ...diamond, kind: 'tapered', stopMm: null }, 'mm')).toContain('across at 60°, end for end.');
    expect(stripWords({ ...diamond, kind: 'rectangle', stopMm: 40 }, 'mm')).toContain(
      'straight across, stop at 40 mm.',
    );
    expect(stripWords({ ...diamond, kind: 'parallelogram', stopMm: 52 }, 'mm')).toContain('at 60°, stop at 52 mm.');
  });
});

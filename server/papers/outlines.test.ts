import { describe, expect, it } from 'vitest';
import { readCartoon, readDxf } from '#core/cartoon';
import { outlineLayers } from '#core/papers';
import { paneNet } from '../../core/test/panels.ts';
import { paperPanel, RIPPLE, SKY } from '../../core/test/paperPanel.ts';
import { outlineFile } from './outlines.ts';

describe('outline files read back', () => {
  const panel = paperPanel(paneNet(3, 3, 60, { curved: true }));
  const areas = (list: readonly { readonly areaMm2: number }[]) =>
    list.map(({ areaMm2 }) => areaMm2).sort((a, b) => a - b);

  it.each(['svg', 'dxf'] as const)('%s: each piece has the area to which it is cut, each glass a layer', (format) => {
    const file = outlineFile(panel, format, { kerfMm: 0, arranged: 'rows' });
    const reading = readCartoon(file, {});
    if ('refusal' in reading) throw new Error(reading.refusal);
    const read = areas(reading.cartoon.pieces);
    areas(panel.cuts).forEach((mm2, i) => expect(Math.abs((read[i] ?? 0) - mm2)).toBeLessThan(0.5));
    for (const code of ['S-1', 'R-2', 'no glass']) expect(file).toContain(code);
  });
  it('of a piece of two glasses there are two outlines, each with its glass', () => {
    const two = { ...panel, pieces: panel.pieces.map((piece) => ({ ...piece, glass: SKY, back: RIPPLE })) };
    const layers = outlineLayers(two, { kerfMm: 0, arranged: 'panel' });
    const count = panel.cuts.length;
    expect(layers.map(({ pieces }) => pieces.length)).toEqual([count, count]);
    const names = (code: string) => layers.find(({ name }) => name === code)?.pieces.map(({ name }) => name);
    expect(names('S-1')?.every((name) => /^\d+a$/.test(name))).toBe(true);
    expect(names('R-2')?.every((name) => /^\d+b$/.test(name))).toBe(true);
    const file = outlineFile(two, 'svg', { kerfMm: 0, arranged: 'rows' });
    expect(file.match(/<path id="p\d+[ab]"/g)).toHaveLength(2 * count);
  });
  it('a DXF is read by a general reader too', () => {
    const file = outlineFile(panel, 'dxf', { kerfMm: 0, arranged: 'panel' });
    expect('refusal' in readDxf(file)).toBe(false);
  });
});

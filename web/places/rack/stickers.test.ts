import { expect, it } from 'vitest';
import { stockItem } from '../../../core/test/stockItem.ts';
import { scannedLabel, stickerOf } from './stickers.ts';

it('what is stuck on a sheet is found again by its code, whatever its label', () => {
  for (const label of ['B7', 'B7-3', 'ä & ö?', 'x=1&item=2']) {
    const item = { ...stockItem(label, 300, 200), place: 'tray 3', rev: 1 };
    const sticker = stickerOf(item, undefined, 'mm', 'http://studio.local:4000');
    expect(scannedLabel(sticker.code)).toBe(label);
    expect(sticker.lines[1]).toMatch(/300.*200.*tray 3/);
  }
  expect(scannedLabel(' B7 ')).toBe('B7');
  expect(scannedLabel('http://a/rack?item=%E0%A4')).toBe('%E0%A4');
});

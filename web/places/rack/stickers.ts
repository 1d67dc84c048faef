import type { Glass } from '#core/stock';
import type { DisplayUnit } from '#core/units';
import { sizeWords } from '#core/words';
import type { Sticker } from '../../devices/labelPrinter.ts';
import type { StockRow } from '../../state/studio.ts';

/** What is stuck on a sheet or offcut; its code is the address of its card, so a camera opens that. */
export const stickerOf = (item: StockRow, glass: Glass | undefined, unit: DisplayUnit, origin: string): Sticker => ({
  title: item.id,
  lines: [
    `${glass?.code ?? ''} ${glass?.name ?? ''}`.trim(),
    `${sizeWords(item.widthMm, item.heightMm, unit)}${item.place === '' ? '' : `, ${item.place}`}`,
  ],
  code: `${origin}/rack?item=${encodeURIComponent(item.id)}`,
});

/** The label that somebody scanned or typed: the address of a card, or the label itself. */
export function scannedLabel(text: string): string {
  const [, found] = /[?&]item=([^&\s]+)/.exec(text) ?? [];
  if (found === undefined) return text.trim();
  try {
    return decodeURIComponent(found);
  } catch {
    return found;
  }
}

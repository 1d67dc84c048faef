import type { Command, SheetLaidOut } from '../bench/index.ts';

/** Pieces beside each other on a sheet 100 mm high, so wide each, with a break between each two and after the last. */
export function strips(
  numbers: readonly number[],
  stockId: string,
  { widthMm = 50, last = false }: { widthMm?: number; last?: boolean } = {},
): SheetLaidOut {
  const edges = numbers.map((_, k) => (k + 1) * widthMm).slice(0, last ? undefined : -1);
  return {
    stockId,
    breaks: edges.map((x) => ({ from: [x, 0], to: [x, 100] })),
    pieces: numbers.map((number, k) => ({
      number,
      turnedOver: false,
      rotationDeg: 0,
      x: k * widthMm,
      y: 0,
      at: [(k + 0.5) * widthMm, 50],
      byHand: false,
    })),
  };
}

export const layOutAsk = (...sheets: readonly SheetLaidOut[]): Command => ({
  kind: 'lay-out',
  ask: { panelId: 'p', sheets },
});

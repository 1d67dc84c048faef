import type { LayoutJob, LayoutPiece } from '../layout/index.ts';
import { boxOf, signedArea, type Ring } from '../geometry/index.ts';

/**
 * The floor to beat: the bounding box of each piece, as its flow or its drawing has it, packed by breaks across whole
 * parts. Largest box first, into the free rectangle that it fills best, split along the shorter rest (Jylänki 2010,
 * "A thousand ways to pack the bin": guillotine, best area fit, shorter leftover axis).
 */
export function boxLayout(job: LayoutJob): { use: number; unplaced: number; wholeSheets: number } {
  const { marginMm, edgeMm, keepMm } = job;
  const sizes = job.pieces.map((piece) => ({ ...boxSize(piece), areaMm2: Math.abs(signedArea(piece.outline)) }));
  const order = sizes.sort((a, b) => b.width * b.height - a.width * a.height);
  const inset = 2 * edgeMm - marginMm;
  const sheets = job.sheets
    .filter((sheet) => isUpright(sheet.outline))
    .map((sheet) => {
      const { minX, minY, maxX, maxY } = boxOf(sheet.outline);
      const areaMm2 = (maxX - minX) * (maxY - minY);
      const free = [{ w: maxX - minX - inset, h: maxY - minY - inset }];
      return { isOffcut: sheet.offcut, areaMm2, isUsed: false, free };
    })
    .sort((a, b) => Number(b.isOffcut) - Number(a.isOffcut) || a.areaMm2 - b.areaMm2);
  let placedMm2 = 0;
  let unplaced = 0;
  for (const { width, height, canTurn, areaMm2 } of order) {
    const [w, h] = [width + marginMm, height + marginMm];
    const ways = canTurn ? [[w, h] as const, [h, w] as const] : [[w, h] as const];
    const onto = sheets
      .map((sheet) => {
        const fits = sheet.free.flatMap((rest) =>
          ways
            .filter(([a, b]) => a <= rest.w + 1e-6 && b <= rest.h + 1e-6)
            .map(([a, b]) => ({ rest, a, b, left: rest.w * rest.h - a * b })),
        );
        return { sheet, best: fits.sort((x, y) => x.left - y.left)[0] };
      })
      .find(({ best }) => best !== undefined);
    if (onto?.best === undefined) {
      unplaced++;
      continue;
    }
    const { sheet, best } = onto;
    const { rest, a, b } = best;
    sheet.isUsed = true;
    sheet.free.splice(sheet.free.indexOf(rest), 1);
    if (rest.w - a < rest.h - b) sheet.free.push({ w: rest.w - a, h: b }, { w: rest.w, h: rest.h - b });
    else sheet.free.push({ w: rest.w - a, h: rest.h }, { w: a, h: rest.h - b });
    placedMm2 += areaMm2;
  }
  let consumedMm2 = 0;
  for (const { isUsed, areaMm2, free } of sheets) {
    if (!isUsed) continue;
    consumedMm2 += areaMm2;
    for (const { w, h } of free) if (w >= keepMm && h >= keepMm) consumedMm2 -= w * h;
  }
  return {
    use: consumedMm2 > 0 ? placedMm2 / consumedMm2 : 0,
    unplaced,
    wholeSheets: sheets.filter((sheet) => sheet.isUsed && !sheet.isOffcut).length,
  };
}

const isUpright = (ring: Ring): boolean => {
  const { minX, minY, maxX, maxY } = boxOf(ring);
  return ring.length === 4 && Math.abs(Math.abs(signedArea(ring)) - (maxX - minX) * (maxY - minY)) < 1e-6;
};

/** The box of a piece turned so that its flow runs along a sheet's height. */
function boxSize({ outline, flowDeg, flowToleranceDeg }: LayoutPiece) {
  const canTurn = flowDeg === null || flowToleranceDeg >= 90;
  const rad = canTurn ? 0 : ((90 - flowDeg) * Math.PI) / 180;
  const turned = outline.map(
    ([x, y]) => [x * Math.cos(rad) - y * Math.sin(rad), x * Math.sin(rad) + y * Math.cos(rad)] as const,
  );
  const { minX, minY, maxX, maxY } = boxOf(turned);
  return { width: maxX - minX, height: maxY - minY, canTurn };
}

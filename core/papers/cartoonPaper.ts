import { boxOf, ringPoints, type Box, type Point } from '../geometry/index.ts';
import { line, text, BELOW_MIDDLE, type Mark, area, paler } from './page.ts';
import type { PaperPanel, PaperPiece } from './types.ts';

export interface CartoonLook {
  /** Seen from the back, for tracing and for work on the back; words stay readable. */
  readonly isMirrored: boolean;
  /** Each piece in its glass, pale. */
  readonly isColoured: boolean;
  /** Without numbers and arrows: a picture for the client. */
  readonly isPlain?: boolean;
}

const LEAST_NUMBER_MM = 1.8;
const MOST_NUMBER_MM = 8;
/** Of a cut line without came: as fine as a print shows it. */
const CUT_LINE_MM = 0.35;

/** The panel in lines at true size: what each line takes up, its middle, the numbers, the glass, and which way it runs. */
export function cartoonMarks(panel: PaperPanel, { isMirrored, isColoured, isPlain = false }: CartoonLook): Mark[] {
  const { cartoon, allowance, technique } = panel;
  const { minX, maxX } = cartoon.box;
  const there = ([x, y]: Point): Point => (isMirrored ? [minX + maxX - x, y] : [x, y]);
  const lines = cartoon.map.lines.map(({ points }) => points.map(there));
  const byNumber = new Map(panel.pieces.map((piece) => [piece.number, piece]));
  const fills = isColoured
    ? cartoon.pieces.flatMap(({ number, rings }) => {
        const glass = byNumber.get(number)?.glass;
        const outline = rings.map((ring) => ringPoints(cartoon.map, ring).map(there));
        return glass ? [area(outline, { stroke: null, fill: paler(glass.colour, 0.55) })] : [];
      })
    : [];
  const inked =
    technique === 'lead'
      ? [
          ...lines.map((points) => line(points, { widthMm: allowance.faceMm, stroke: 'faint' })),
          ...lines.map((points) => line(points, { widthMm: Math.max(CUT_LINE_MM, allowance.heartMm) })),
        ]
      : lines.map((points) => line(points, { widthMm: CUT_LINE_MM }));
  return [...fills, ...inked, ...(isPlain ? [] : numbers(panel, byNumber, there))];
}

/** Where the lines reach with what they take up, mm. */
export function cartoonBox({ cartoon, allowance }: Pick<PaperPanel, 'cartoon' | 'allowance'>): Box {
  const { minX, minY, maxX, maxY } = boxOf(cartoon.map.lines.flatMap(({ points }) => points));
  const half = allowance.faceMm / 2;
  return { minX: minX - half, minY: minY - half, maxX: maxX + half, maxY: maxY + half };
}

function numbers(
  { cartoon }: PaperPanel,
  byNumber: ReadonlyMap<number, PaperPiece>,
  there: (point: Point) => Point,
): Mark[] {
  return cartoon.pieces.flatMap((piece): Mark[] => {
    const [x, y] = there(piece.labelAt);
    const digits = String(piece.number).length;
    const size = Math.min(
      MOST_NUMBER_MM,
      Math.max(LEAST_NUMBER_MM, (piece.labelRadiusMm * 1.5) / Math.max(1.4, digits)),
    );
    const known = byNumber.get(piece.number);
    const small = size * 0.5;
    const hasRoom = small >= LEAST_NUMBER_MM && piece.labelRadiusMm > size * 1.1;
    const marks: Mark[] = [
      text([x, y + size * BELOW_MIDDLE], String(piece.number), size, { face: 'bold', anchor: 'middle' }),
    ];
    if (known?.glass && hasRoom)
      marks.push(
        text([x, y + size * BELOW_MIDDLE + small * 1.15], known.glass.code, small, { anchor: 'middle', ink: 'soft' }),
      );
    if (known?.glass?.hasFlow && known.flowDeg !== null && hasRoom) {
      const [fx, fy] = there([
        piece.labelAt[0] + Math.cos(rad(known.flowDeg)),
        piece.labelAt[1] + Math.sin(rad(known.flowDeg)),
      ]);
      marks.push(...arrow([x, y - size * 0.75], [fx - x, fy - y], Math.min(14, piece.labelRadiusMm * 0.9)));
    }
    return marks;
  });
}

export const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** A line with a head at both ends: glass runs the same way to and fro. */
export function arrow([x, y]: Point, [dx, dy]: Point, lengthMm: number): Mark[] {
  const half = lengthMm / 2;
  const [a, b]: [Point, Point] = [
    [x - dx * half, y - dy * half],
    [x + dx * half, y + dy * half],
  ];
  const head = ([hx, hy]: Point, sign: number): Mark => {
    const [bx, by] = [hx - sign * dx * 1.6, hy - sign * dy * 1.6];
    return line(
      [
        [bx - dy * 0.8, by + dx * 0.8],
        [hx, hy],
        [bx + dy * 0.8, by - dx * 0.8],
      ],
      { widthMm: 0.2, stroke: 'copper' },
    );
  };
  return [line([a, b], { widthMm: 0.2, stroke: 'copper' }), head(a, -1), head(b, 1)];
}

import { TOLERANCE } from '../limits/index.ts';
import { nth, pointAt } from '../units/index.ts';
import type { Point } from '../geometry/index.ts';
import { piecesAt } from './describe.ts';
import { lineSearch } from './lineSearch.ts';
import type { LooseEnd } from './tails.ts';
import type { Cartoon, CartoonFinding, LeftLine } from './types.ts';

/** What the pieces and joints themselves show: regions with a hole, joints of too many lines. */
export function shapeFindings({ pieces, joints }: Pick<Cartoon, 'pieces' | 'joints'>): CartoonFinding[] {
  const holes = pieces
    .filter((p) => p.rings.length > 1)
    .map((p): CartoonFinding => ({ kind: 'hole', at: p.labelAt, pieces: [p.number] }));
  const many = joints
    .filter((j) => j.lines.length >= 4)
    .map((j): CartoonFinding => ({ kind: 'many-lines', at: j.at, pieces: j.pieces }));
  return [...holes, ...many];
}

/** Lines that were left out since they bound nothing; those that only stop short say by how much, and where. */
export function leftLineFindings(loose: readonly LooseEnd[], cartoon: Cartoon): CartoonFinding[] {
  const left = loose.map(({ at, lines, lengthMm, isFloating, short }): LeftLineFinding => {
    const [widest] = short;
    if (widest) return { kind: 'short-of-joint', at: widest.at, lines, pieces: [], gapMm: widest.gapMm, ends: short };
    const isOverrun = !isFloating && lines.length === 1 && lengthMm <= TOLERANCE.pastJointMm;
    return { kind: isOverrun ? 'overrun' : 'loose-line', at, lines, pieces: [], lengthMm };
  });
  return inTheirPieces(left, cartoon);
}

/**
 * The findings of a reading for the cartoon that has come of it since: what the shapes show is looked at anew, lines
 * that were left out name the pieces of now, and are told no longer once a line runs there.
 */
export function renewedFindings(findings: readonly CartoonFinding[], cartoon: Cartoon): CartoonFinding[] {
  const ofDrawing = findings.filter((f) => f.kind !== 'hole' && f.kind !== 'many-lines' && !isLeftLine(f));
  const lineAt = lineSearch(cartoon.map);
  const left = findings.filter(isLeftLine).filter(({ lines }) => {
    const middle = middleOf(lines[0] ?? []);
    return middle === null || lineAt(middle, TOLERANCE.sameStretchMm) === null;
  });
  return [...ofDrawing, ...inTheirPieces(left, cartoon), ...shapeFindings(cartoon)];
}

/** The findings of a drawing whose every place has moved. */
export function movedFindings(findings: readonly CartoonFinding[], move: (p: Point) => Point): CartoonFinding[] {
  return findings.map((f): CartoonFinding => {
    if (!('at' in f)) return f;
    if (!isLeftLine(f)) return { ...f, at: move(f.at) };
    const at = { at: move(f.at), lines: f.lines.map((line) => line.map(move)) };
    return f.kind === 'short-of-joint'
      ? { ...f, ...at, ends: f.ends.map((end) => ({ ...end, at: move(end.at) })) }
      : { ...f, ...at };
  });
}

type LeftLineFinding = Extract<CartoonFinding, LeftLine>;

const isLeftLine = (f: CartoonFinding): f is LeftLineFinding =>
  f.kind === 'loose-line' || f.kind === 'overrun' || f.kind === 'short-of-joint';

function inTheirPieces(left: readonly LeftLineFinding[], cartoon: Cartoon): LeftLineFinding[] {
  const home = piecesAt(
    cartoon,
    left.map(({ at }) => at),
  );
  return left.map((f, i) => {
    const piece = nth(home, i);
    return { ...f, pieces: piece === null ? [] : [piece] };
  });
}

/** A place on a line, half way along its longest segment. */
function middleOf(line: readonly Point[]): Point | null {
  let best: { at: Point; mm: number } | null = null;
  for (let i = 1; i < line.length; i++) {
    const [[ax, ay], [bx, by]] = [pointAt(line, i - 1), pointAt(line, i)];
    const mm = Math.hypot(bx - ax, by - ay);
    if (!best || mm > best.mm) best = { at: [(ax + bx) / 2, (ay + by) / 2], mm };
  }
  return best?.at ?? null;
}

import type { Holding } from '../laying/index.ts';
import { count, showLength, type DisplayUnit } from '../units/index.ts';

/** So near to a right angle nobody sets it otherwise, degrees. */
const SQUARE_DEG = 0.1;
/** Diagonals that differ by less are one measure, mm. */
const ALIKE_MM = 0.5;

/** How a panel is held while it is laid out, sentence by sentence. */
export function holdingWords(
  { first, last, pinned, cornerDeg, diagonalsMm }: Holding,
  unit: DisplayUnit,
): readonly string[] {
  const long = (strips: Holding['first']) => strips.map((strip) => showLength(strip.lengthMm, unit)).join(' and ');
  const said: string[] = [];
  if (first.length === 2 && cornerDeg !== null) {
    const angle = Math.abs(cornerDeg - 90) <= SQUARE_DEG ? 'square to each other' : `at ${cornerDeg.toFixed(1)}°`;
    said.push(`Nail two strips first, along ${long(first)}, ${angle}.`);
  } else said.push('No two straight sides meet here: pin its edge to the drawing as it grows.');
  if (last.length > 0)
    said.push(
      `When all lies, push ${count(last.length, 'strip')} against it along ${long(last)} and nail ${last.length === 1 ? 'it' : 'them'}.`,
    );
  if (pinned > 0 && first.length === 2)
    said.push(
      `${count(pinned, 'side')} ${pinned === 1 ? 'takes' : 'take'} no strip: pin ${pinned === 1 ? 'it' : 'them'}.`,
    );
  if (diagonalsMm !== null) {
    const [a, b] = diagonalsMm;
    said.push(
      Math.abs(a - b) < ALIKE_MM
        ? `Before tacking measure both diagonals: ${showLength(a, unit, 1)} each.`
        : `Before tacking measure its diagonals: ${showLength(a, unit, 1)} and ${showLength(b, unit, 1)}.`,
    );
  }
  return said;
}

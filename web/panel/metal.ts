import { isBuiltIn, stepOf, type Side } from '#core/bench';
import { cameBands } from '#core/sizing';
import type { Band, Dot, Metal } from '../material/scene.ts';
import { open, type PicturePaths } from './paths.ts';
import type { Shown } from './shown.ts';
import { looks, solderStep, type Pictured } from './standing.ts';

interface MetalAsked extends Omit<Shown, 'glasses'> {
  readonly side: Side;
  readonly jointsOnly: boolean;
  /** As it will be with all its lead or solder, whatever is done by now. */
  readonly finished?: boolean;
}

/** Lead or solder over the glass: cames at their face width, tacks, seams of the side in view, ticked joints. */
export function metalOf({ paths, panel, pieces, side, jointsOnly, finished = false }: MetalAsked): Metal {
  const { route, steps } = panel;
  const isLead = panel.technique === 'lead';
  const isWhole = finished || steps[solderStep(route, side) ?? ''] !== undefined;
  const leaded = new Set(pieces.filter((p) => stepOf(route, p.stage)?.look === 'leaded').map((p) => p.number));
  const isLed = (line: number) => finished || !isLead || (paths.sides[line] ?? []).some((n) => leaded.has(n));
  return {
    bands: isLead || (isWhole && paths.cartoon) ? bandsOf(paths, panel, isLed) : [],
    cemented: isLead && looks(panel, 'cemented'),
    seams: !isLead && isWhole ? { d: allLines(paths), dark: looks(panel, 'dark') } : null,
    dots: dotsOf({ paths, panel, pieces, side, jointsOnly }, isWhole),
  };
}

const ALL = new WeakMap<PicturePaths, string>();
function allLines(paths: PicturePaths): string {
  const known = ALL.get(paths);
  if (known !== undefined) return known;
  const all = paths.lines.join('');
  ALL.set(paths, all);
  return all;
}

const BANDS = new WeakMap<PicturePaths, { allowance: object; bands: readonly (Band & { line: number })[] }>();

function bandsOf(paths: PicturePaths, { allowance }: Pictured, isLed: (line: number) => boolean): readonly Band[] {
  const { cartoon, lines } = paths;
  let known = BANDS.get(paths);
  if (known?.allowance !== allowance) {
    const bands = cartoon
      ? cameBands(cartoon, allowance).map(({ line, points, faceMm, isBorder }) => ({
          line,
          d: open(points),
          faceMm,
          isBorder,
        }))
      : lines.map((d, line) => ({ line, d, faceMm: allowance.faceMm, isBorder: false }));
    known = { allowance, bands };
    BANDS.set(paths, known);
  }
  const widths = new Map<string, Band>();
  for (const { line, d, faceMm, isBorder } of known.bands) {
    if (!isLed(line)) continue;
    const key = `${isBorder ? 'border' : 'inside'} ${faceMm}`;
    widths.set(key, { d: `${widths.get(key)?.d ?? ''}${d}`, faceMm, isBorder });
  }
  return [...widths.values()];
}

function dotsOf({ paths, panel, pieces, side, jointsOnly }: MetalAsked, isWhole: boolean): readonly Dot[] {
  const tacked = new Set(pieces.filter((p) => isBuiltIn(panel.route, p)).map((p) => p.number));
  const onSide = new Set(panel.soldered[side]);
  const onOther = new Set(panel.soldered[side === 'front' ? 'back' : 'front']);
  // Looking for joints, one counts as done when both sides are: the missed one on the back is the classic fault.
  const soldered = jointsOnly ? new Set([...onSide].filter((id) => onOther.has(id))) : onSide;
  const isLead = panel.technique === 'lead';
  return paths.joints.flatMap((joint): Dot[] => {
    const [x, y] = joint.at;
    const isTacked = !isLead && joint.pieces.length > 0 && joint.pieces.every((n) => tacked.has(n));
    const done = soldered.has(joint.number);
    if (done && isLead) return [{ x, y, r: panel.allowance.faceMm * 0.72, is: 'tin', edged: true }];
    if ((!isWhole || jointsOnly) && (done || (isTacked && !jointsOnly)))
      return [{ x, y, r: done ? 3.6 : 2.3, is: 'tin', edged: done }];
    return jointsOnly && !done ? [{ x, y, r: 3.4, is: 'open', edged: true }] : [];
  });
}

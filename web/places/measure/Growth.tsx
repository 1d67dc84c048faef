import type { CartoonAnswer } from '#contract';
import type { Cartoon } from '#core/cartoon';
import { worstGrowth, type LineAllowance } from '#core/sizing';
import { showLength, type DisplayUnit } from '#core/units';
import { panelPaths } from '../../panel/paths.ts';

type Growths = ReturnType<typeof worstGrowth>;

/** Worked out once for a drawing, so that coming back to it costs nothing. */
const kept = new WeakMap<Cartoon, { readonly key: string; readonly growth: Growths }>();

function growthOf(cartoon: Cartoon, allowance: LineAllowance): Growths {
  const key = JSON.stringify(allowance);
  const known = kept.get(cartoon);
  if (known?.key === key) return known.growth;
  const growth = worstGrowth(cartoon, allowance);
  kept.set(cartoon, { key, growth });
  return growth;
}

/** How much the panel would grow if glass were cut to the lines themselves, and where it would grow most. */
export function Growth({
  answer,
  allowance,
  unit,
}: {
  answer: CartoonAnswer;
  allowance: LineAllowance;
  unit: DisplayUnit;
}) {
  const paths = panelPaths(answer);
  const { across, down } = growthOf(answer.cartoon, allowance);
  const { x, y, width, height } = paths.box;
  const pad = Math.max(width, height) * 0.04;
  const stroke = Math.max(width, height) / 130;
  return (
    <section aria-label="Growth" className="flex min-w-0 items-center gap-6">
      <svg
        role="img"
        aria-label="Where the panel would grow most"
        viewBox={`${x - pad} ${y - pad} ${width + 2 * pad} ${height + 2 * pad}`}
        className="h-[230px] w-[190px] shrink-0"
      >
        <path d={paths.lines.join('')} fill="none" stroke="var(--strong)" strokeWidth={stroke * 0.35} />
        {[across, down].map(
          (scan, i) =>
            scan && (
              <path
                key={i}
                d={`M${scan.from.join(' ')}L${scan.to.join(' ')}`}
                stroke="var(--copper)"
                strokeWidth={stroke}
              />
            ),
        )}
      </svg>
      <div className="max-w-md text-[16px]">
        <h2 className="text-xl">If glass were cut to the lines themselves</h2>
        <p className="mt-1">
          {across
            ? `It would finish ${showLength(across.growthMm, unit, 1)} wider: ${across.crossed} lines in the fullest row.`
            : 'It would not grow across.'}
        </p>
        <p>
          {down
            ? `And ${showLength(down.growthMm, unit, 1)} higher: ${down.crossed} lines in the fullest column.`
            : 'It would not grow upwards.'}
        </p>
        <p className="mt-1 text-mute">The cut outlines here leave that room already.</p>
      </div>
    </section>
  );
}

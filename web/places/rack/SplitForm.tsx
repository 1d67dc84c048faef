import { useId, useState } from 'react';
import type { Settings } from '#core/bench';
import { boxOf } from '#core/geometry';
import { breakAcross } from '#core/layout';
import { shapeLeft, type Glass } from '#core/stock';
import { lengthToMm, showLength } from '#core/units';
import { GlassPattern } from '../../panel/GlassPattern.tsx';
import { ringPath } from '../../panel/ItemGlass.tsx';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Slider } from '../../ui/Slider.tsx';
import { Toggles } from '../../ui/Toggles.tsx';

/** A sheet or offcut broken in two without a piece: where, seen on the glass before it is done. */
export function SplitForm({ item, glass, settings }: { item: StockRow; glass: Glass; settings: Settings }) {
  const { unit } = settings;
  const send = useSend();
  const pattern = useId();
  const { outline, isGuess } = shapeLeft(item);
  const box = boxOf(outline);
  const [way, setWay] = useState<'down' | 'across'>('down');
  const longMm = way === 'down' ? box.maxX - box.minX : box.maxY - box.minY;
  const [typed, setTyped] = useState<string | null>(null);
  const atMm = typed === null ? Math.round(longMm / 2) : (lengthToMm(typed, unit) ?? Number.NaN);
  const at = isGuess || !Number.isFinite(atMm) ? null : breakAcross(outline, way, atMm);
  const pad = Math.max(box.maxX - box.minX, box.maxY - box.minY) * 0.04;
  const split = async () => {
    if (
      at &&
      (await send.command({ kind: 'split-stock', ask: { stockId: item.id, at } }, `${item.id} is broken in two.`))
    )
      setTyped(null);
  };
  if (isGuess) return <p className="text-[15px]">Only its area is known; draw its true shape first.</p>;
  return (
    <section aria-label="Break it in two" className="grid gap-2">
      <Toggles
        label="Which way"
        value={way}
        options={[
          ['down', 'Top to bottom'],
          ['across', 'Side to side'],
        ]}
        onPick={(next) => {
          setWay(next);
          setTyped(null);
        }}
      />
      <svg
        viewBox={`${box.minX - pad} ${box.minY - pad} ${box.maxX - box.minX + 2 * pad} ${box.maxY - box.minY + 2 * pad}`}
        className="max-h-56 w-full rounded-md bg-[linear-gradient(var(--slot-1),var(--slot-2))]"
        role="img"
        aria-label={`${item.id} with the break ${Math.round(atMm)} mm from its ${way === 'down' ? 'left' : 'top'}`}
      >
        <defs>
          <GlassPattern id={pattern} glass={glass} sheet={item.rootId} />
        </defs>
        <path d={ringPath(outline)} fill={`url(#${pattern})`} stroke="var(--score)" strokeWidth={pad * 0.06} />
        {at && (
          <path
            d={`M${at.from.join(' ')}L${at.to.join(' ')}`}
            stroke="var(--copper)"
            strokeWidth={pad * 0.22}
            strokeLinecap="round"
          />
        )}
      </svg>
      <Slider
        label="Where it breaks"
        value={Number.isFinite(atMm) ? atMm : 0}
        least={1}
        most={Math.max(2, Math.round(longMm) - 1)}
        step={1}
        said={showLength(Number.isFinite(atMm) ? atMm : 0, unit)}
        onSlide={(mm) => setTyped(showLength(mm, unit, 1).replace('⁄', '/'))}
      />
      <div className="grid grid-cols-[1fr_auto] items-start gap-2">
        <TextField
          label={way === 'down' ? 'From its left edge' : 'From its top edge'}
          value={typed ?? showLength(atMm, unit, 0).replace('⁄', '/')}
          problem={at === null ? `Between 1 mm and ${showLength(longMm, unit)}, please.` : null}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button className="mt-[25px]" unless={at === null ? 'Say where it breaks.' : null} onClick={() => void split()}>
          Break it
        </Button>
      </div>
    </section>
  );
}

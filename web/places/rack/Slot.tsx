import { useId } from 'react';
import type { Glass, StockItem } from '#core/stock';
import { textureWords } from '#core/words';
import { GlassPattern } from '../../panel/GlassPattern.tsx';
import type { StockRow } from '../../state/studio.ts';

/** So large that a whole sheet fills a hand's breadth of the screen. */
const PX_PER_MM = 0.2;

/** One glass: its name, and its sheets and offcuts beside each other, the largest first. */
export function Slot({
  glass,
  items,
  onItem,
  onGlass,
  price,
}: {
  glass: Glass;
  items: readonly StockRow[];
  onItem: (id: string) => void;
  onGlass: () => void;
  price: string;
}) {
  const sorted = [...items].sort((a, b) => b.heightMm * b.widthMm - a.heightMm * a.widthMm);
  return (
    <li className="flex min-w-[300px] grow flex-col border-t border-line pt-2 pb-4 max-sm:w-full">
      <button
        type="button"
        onClick={onGlass}
        className="flex min-h-11 flex-wrap items-baseline gap-x-2 pb-1.5 text-left hover:underline"
      >
        <b className="font-head text-[17px]">{glass.code}</b>
        <span>{glass.name}</span>
        <span className="ml-auto pl-4 text-[14.5px] text-mute">
          {textureWords(glass.texture)}, {glass.hiding}
          {glass.flow ? ', flow' : ''} · {glass.thicknessMm} mm · {price}
        </span>
      </button>
      <div className="flex min-h-[104px] flex-wrap items-end gap-2.5 rounded-sm bg-[linear-gradient(var(--slot-1),var(--slot-2))] px-3 pt-3 shadow-[inset_0_-7px_0_var(--joint-edge)] dark:brightness-90">
        {sorted.map((item) => (
          <Pane key={item.id} item={item} glass={glass} onOpen={() => onItem(item.id)} />
        ))}
        {sorted.length === 0 && <p className="self-center pb-2 text-[15px] text-[var(--slot-words)]">none left</p>}
      </div>
    </li>
  );
}

/** One sheet or offcut to scale; what is cut from it already is shown as the paler share of its height. */
function Pane({ item, glass, onOpen }: { item: StockItem; glass: Glass; onOpen: () => void }) {
  const [w, h] = [Math.max(16, item.widthMm * PX_PER_MM), Math.max(14, item.heightMm * PX_PER_MM)];
  const pattern = useId();
  const share = Math.min(1, item.areaMm2 / (item.widthMm * item.heightMm));
  return (
    <button
      type="button"
      onClick={onOpen}
      className="group mb-[7px] flex min-h-11 min-w-11 flex-col items-center justify-end"
      aria-label={`${item.kind} ${item.id}, ${Math.round(item.widthMm)} by ${Math.round(item.heightMm)} millimetres, ${Math.round(share * 100)} % left`}
    >
      <span className="text-[12.5px] font-semibold text-[var(--pencil-mute)]">{item.id}</span>
      <span
        className="relative block overflow-hidden border border-[var(--score-half)] group-hover:border-[var(--pencil)] group-hover:shadow-md"
        style={{ width: w, height: h }}
      >
        <svg
          aria-hidden
          viewBox={`0 0 ${item.widthMm} ${item.heightMm}`}
          preserveAspectRatio="none"
          className="absolute inset-0 size-full"
        >
          <defs>
            <GlassPattern id={pattern} glass={glass} sheet={item.id} />
          </defs>
          <rect width={item.widthMm} height={item.heightMm} fill={`url(#${pattern})`} opacity={0.22} />
          <rect
            y={item.heightMm * (1 - share)}
            width={item.widthMm}
            height={item.heightMm * share}
            fill={`url(#${pattern})`}
          />
        </svg>
        <span className="absolute inset-0 bg-[linear-gradient(160deg,var(--sheen),transparent_55%)]" />
      </span>
    </button>
  );
}

import { boxOf } from '#core/geometry';
import { upright, type Glass } from '#core/stock';
import { textureWords } from '#core/words';
import { ItemGlass } from '../../panel/ItemGlass.tsx';
import type { StockRow } from '../../state/studio.ts';

/** So large that a whole sheet fills a hand's breadth of the screen. */
const PX_PER_MM = 0.2;

/** One glass: its name, and its sheets and offcuts beside each other, the largest first. */
export function Slot({
  glass,
  items,
  laidFor,
  keptFor,
  onItem,
  onGlass,
  price,
}: {
  glass: Glass;
  items: readonly StockRow[];
  /** The panels that sheets are laid out for, by label. */
  laidFor: ReadonlyMap<string, string>;
  /** Titles of the jobs that sheets may be kept for, by id. */
  keptFor: ReadonlyMap<string, string>;
  onItem: (id: string) => void;
  onGlass: () => void;
  price: string;
}) {
  const sorted = [...items].sort((a, b) => b.heightMm * b.widthMm - a.heightMm * a.widthMm);
  return (
    // As wide as its glass needs, whatever is said of it.
    <li className="flex min-w-[290px] grow flex-col border-t border-line pt-2 pb-4 max-sm:w-full">
      <button type="button" onClick={onGlass} className="min-h-11 w-0 min-w-full pb-1.5 text-left hover:underline">
        <b className="mr-1 font-head text-[17px]">{glass.code}</b> {glass.name}
        <span className="block text-[14.5px] text-mute">
          {textureWords(glass.texture)}, {glass.hiding}
          {glass.flow ? ', flow' : ''} · {glass.thicknessMm} mm · {price}
        </span>
      </button>
      <div className="flex min-h-[104px] grow flex-wrap content-end items-end gap-2.5 rounded-sm bg-[linear-gradient(var(--slot-1),var(--slot-2))] px-3 pt-3 shadow-[inset_0_-7px_0_var(--joint-edge)] dark:brightness-90">
        {sorted.map((item) => (
          <Pane
            key={item.id}
            item={item}
            glass={glass}
            laid={laidFor.get(item.id) ?? ''}
            kept={item.keptFor === null ? '' : (keptFor.get(item.keptFor) ?? 'another job')}
            onOpen={() => onItem(item.id)}
          />
        ))}
        {sorted.length === 0 && <p className="self-center pb-2 text-[15px] text-[var(--slot-words)]">none left</p>}
      </div>
    </li>
  );
}

/** One sheet or offcut to scale, in its true outline; what is laid out on it is said below. */
function Pane({
  item,
  glass,
  laid,
  kept,
  onOpen,
}: {
  item: StockRow;
  glass: Glass;
  laid: string;
  kept: string;
  onOpen: () => void;
}) {
  const { minX, minY, maxX, maxY } = boxOf(item.outline ?? upright(item.widthMm, item.heightMm));
  const [w, h] = [Math.max(16, (maxX - minX) * PX_PER_MM), Math.max(14, (maxY - minY) * PX_PER_MM)];
  const share = Math.min(1, item.areaMm2 / (item.widthMm * item.heightMm));
  return (
    <button
      type="button"
      onClick={onOpen}
      className="group mb-[7px] flex min-h-11 min-w-11 flex-col items-center justify-end"
      aria-label={`${item.kind} ${item.id}, ${Math.round(item.widthMm)} by ${Math.round(item.heightMm)} millimetres, ${
        item.outline === null ? `${Math.round(share * 100)} % left` : 'its true shape'
      }${laid && `, laid out for ${laid}`}${kept && `, kept for ${kept}`}`}
    >
      <span className="text-[12.5px] font-semibold text-[var(--pencil-mute)]">
        {item.id}
        {laid !== '' ? (
          <span className="font-normal"> · laid out</span>
        ) : (
          kept !== '' && <span className="font-normal"> · kept</span>
        )}
      </span>
      <svg
        aria-hidden
        width={w}
        height={h}
        viewBox={`${minX} ${minY} ${maxX - minX} ${maxY - minY}`}
        preserveAspectRatio="none"
        className="overflow-visible group-hover:drop-shadow-md"
      >
        <ItemGlass item={item} glass={glass} stands />
      </svg>
    </button>
  );
}

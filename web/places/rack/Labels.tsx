import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { count } from '#core/units';
import { toast } from 'sonner';
import { simulatedLabelPrinter, useTray, type Sticker } from '../../devices/labelPrinter.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { Fold } from '../../ui/Fold.tsx';
import { ScanCode } from '../../ui/ScanCode.tsx';
import { stickerOf } from './stickers.ts';

const SHOWN_IN_TRAY = 12;

/** Stickers for sheets and offcuts, on their way to the printer. */
export function Labels({
  items,
  glasses,
  settings,
}: {
  items: readonly StockRow[];
  glasses: ReadonlyMap<string, Glass>;
  settings: Settings;
}) {
  const { stickers, empty } = useTray();
  const printer = simulatedLabelPrinter;
  const own = items.map((item) => stickerOf(item, glasses.get(item.glassId), settings.unit, location.origin));
  const print = async () => {
    await printer.print(own);
    toast(`${count(own.length, 'label')} in the tray.`);
  };
  return (
    <div className="grid gap-3">
      <ul className="grid gap-2" aria-label="Labels">
        {own.map((sticker) => (
          <StickerView key={sticker.title} sticker={sticker} />
        ))}
      </ul>
      <p className="text-[14.5px] text-mute">
        A tablet’s camera opens the card of the sheet by its code; a scanner finds it when its text goes into “Find”.
      </p>
      <Button look="go" onClick={() => void print()}>
        Print {count(own.length, 'label')}
      </Button>
      <Fold title={`${printer.name}: ${count(stickers.length, 'label')} in its tray`}>
        <p className="pb-2 text-[14.5px] text-mute">
          No printer is connected: what would come out of one lies here, on this device.
        </p>
        <ul className="grid gap-2" aria-label="In the tray">
          {stickers.slice(0, SHOWN_IN_TRAY).map((sticker) => (
            <StickerView
              key={`${sticker.at} ${sticker.title}`}
              sticker={sticker}
              more={momentWords(sticker.at, settings.locale)}
            />
          ))}
        </ul>
        {stickers.length > 0 && (
          <Button look="line" className="mt-2" onClick={empty}>
            Empty the tray
          </Button>
        )}
      </Fold>
    </div>
  );
}

function StickerView({ sticker, more }: { sticker: Sticker; more?: string }) {
  return (
    <li className="flex items-center gap-3 rounded-lg border border-line bg-white p-2 text-black shadow-sm">
      <span className="[&>svg]:size-20 [&>span]:size-20">
        <ScanCode text={sticker.code} />
      </span>
      <span className="min-w-0">
        <b className="block font-head text-[22px] leading-tight">{sticker.title}</b>
        {sticker.lines.map((line) => (
          <span key={line} className="block truncate text-[15px]">
            {line}
          </span>
        ))}
        {more !== undefined && <span className="block text-[13px] text-neutral-600">{more}</span>}
      </span>
    </li>
  );
}

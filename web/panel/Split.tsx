import { ChevronDown, ChevronLeft, ChevronRight, ChevronUp } from 'lucide-react';
import { useId, useRef, useState, type ReactNode } from 'react';
import { Group, Panel, Separator, useDefaultLayout, usePanelRef, type Layout } from 'react-resizable-panels';
import { browserStorage } from '../state/browserStorage.ts';
import { useMedia } from '../ui/useMedia.ts';

/** Held upright or on a phone the sheet lies below the work instead of beside it. */
const UPRIGHT = '(max-width: 820px)';
const SHEET_PX = 340;
const SHEET_UPRIGHT = '36%';

const { storage } = browserStorage();

/**
 * The work and, beside it, its sheet: as wide as it is drawn, or folded away. How it was left is kept for each place.
 * @param id of the place
 */
export function Split({ id, side, children }: { id: string; side: ReactNode; children: ReactNode }) {
  const isUpright = useMedia(UPRIGHT);
  const { defaultLayout, onLayoutChanged } = useDefaultLayout({
    storage,
    id: `nelvik-sheet-${id}-${isUpright ? 'upright' : 'wide'}`,
  });
  // The same place of several panels may be on the page, and each part of a page has a name of its own.
  const here = useId();
  const [work, beside] = [`${here}work`, `${here}sheet`];
  const left = defaultLayout?.work !== undefined && { [work]: defaultLayout.work, [beside]: defaultLayout.sheet ?? 0 };
  const keep = (layout: Layout): Layout => ({ work: layout[work] ?? 0, sheet: layout[beside] ?? 0 });
  const sheet = usePanelRef();
  const [isFolded, setIsFolded] = useState(false);
  /** How wide it was before it was folded. */
  const open = useRef<number | string>(isUpright ? SHEET_UPRIGHT : SHEET_PX);
  const [Fold, Show] = isUpright ? [ChevronDown, ChevronUp] : [ChevronRight, ChevronLeft];
  const Arrow = isFolded ? Show : Fold;
  return (
    <Group
      key={String(isUpright)}
      orientation={isUpright ? 'vertical' : 'horizontal'}
      disableCursor
      className="min-h-0 flex-1"
      {...(left && { defaultLayout: left })}
      onLayoutChanged={(layout, { requestedLayout: asked, ...how }) =>
        onLayoutChanged(keep(layout), { ...how, ...(asked && { requestedLayout: keep(asked) }) })
      }
    >
      <Panel id={work} minSize={isUpright ? 200 : 320} className="relative flex flex-col">
        {children}
        <button
          type="button"
          aria-expanded={!isFolded}
          aria-label={isFolded ? 'Show the sheet' : 'Fold the sheet away'}
          className={`absolute z-10 grid place-items-center print:hidden border border-line bg-raised text-mute hover:border-strong hover:text-ink ${isUpright ? 'right-5 bottom-0 h-7 w-14 rounded-t-md border-b-0' : 'right-0 bottom-14 h-14 w-6 rounded-l-md border-r-0'}`}
          onClick={() => (isFolded ? sheet.current?.resize(open.current) : sheet.current?.collapse())}
        >
          <Arrow aria-hidden size={18} />
        </button>
      </Panel>
      <Separator
        aria-label="Width of the sheet"
        className={`shrink-0 bg-line data-[separator=active]:bg-copper data-[separator=hover]:bg-strong ${isUpright ? 'h-px cursor-row-resize' : 'w-px cursor-col-resize'}`}
      />
      <Panel
        id={beside}
        panelRef={sheet}
        collapsible
        collapsedSize={0}
        minSize={isUpright ? 160 : 264}
        maxSize={isUpright ? '75%' : 520}
        defaultSize={isUpright ? SHEET_UPRIGHT : SHEET_PX}
        groupResizeBehavior="preserve-pixel-size"
        onResize={({ inPixels }) => {
          setIsFolded(inPixels < 1);
          if (inPixels >= 1) open.current = inPixels;
        }}
      >
        {side}
      </Panel>
    </Group>
  );
}

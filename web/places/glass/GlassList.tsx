import { useDraggable } from '@dnd-kit/core';
import { Link } from 'react-router';
import type { Glass } from '#core/stock';
import { priceOfArea, showArea, showMoney } from '#core/units';
import { GlassChip } from '../../panel/GlassChip.tsx';
import type { PanelView } from '../../panel/view.ts';

interface GlassListProps {
  readonly view: PanelView;
  onTap(glass: Glass): void;
}

/** The glasses of the rack, each to be tapped or dragged onto its place; with how much of it is here and there. */
export function GlassList({ view, onTap }: GlassListProps) {
  const { pieces, reader } = view;
  const isHere = new Set(pieces.map((p) => p.glassId));
  const all = [...reader.all('glasses')]
    .filter((g) => g.away === null || isHere.has(g.id))
    .sort((a, b) => a.code.localeCompare(b.code));
  return (
    <ul className="-mx-2 grid content-start gap-1" aria-label="Glasses on the rack">
      {all.map((glass) => (
        <li key={glass.id}>
          <GlassLine view={view} glass={glass} onTap={onTap} />
        </li>
      ))}
      {all.length === 0 && (
        <li className="text-[15px]">
          There is no glass yet.{' '}
          <Link className="underline" to="/rack">
            Enter one on the Rack.
          </Link>
        </li>
      )}
    </ul>
  );
}

function GlassLine({ view, glass, onTap }: GlassListProps & { readonly glass: Glass }) {
  const { pieces, reader, settings } = view;
  const { listeners, setNodeRef, isDragging } = useDraggable({ id: glass.id });
  const mine = pieces.filter((p) => p.glassId === glass.id);
  const need = mine.filter((p) => p.stage === 'to-cut').reduce((sum, p) => sum + p.areaMm2, 0);
  const have = [...reader.all('stock')]
    .filter((s) => s.glassId === glass.id && s.gone === null)
    .reduce((sum, s) => sum + s.areaMm2, 0);
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      onClick={() => onTap(glass)}
      className={`flex min-h-14 w-full items-center gap-3 rounded-md px-2 py-1.5 text-left hover:bg-soft ${isDragging ? 'opacity-50' : ''}`}
    >
      <GlassChip glass={glass} />
      <span className="min-w-0 flex-1 text-[15px] leading-tight">
        <b>{glass.code}</b> {glass.name}
        <br />
        <span className={need > have ? 'font-semibold text-risk' : 'text-mute'}>
          {mine.length > 0
            ? `${mine.length} here${need > 0 ? `, ${showArea(need, settings.unit)} to cut` : ''} · `
            : ''}
          {showArea(have, settings.unit)} on the rack ·{' '}
          {showMoney(priceOfArea(1e6, glass.priceCentsPerM2), settings.currency, settings.locale)}/m²
        </span>
      </span>
    </button>
  );
}

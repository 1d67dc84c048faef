import { useDraggable } from '@dnd-kit/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { colourDifference, GLASS_ORDERS, inOrder, labOf, type GlassOrder } from '#core/colour';
import { backGlassOf, glassStillToCut, hasBack, type GlassOfTwo } from '#core/bench';
import type { Glass } from '#core/stock';
import { priceOfArea, showArea, showMoney } from '#core/units';
import { GlassChip } from '../../panel/GlassChip.tsx';
import type { PanelView } from '../../panel/view.ts';
import { stockFor } from '../../panel/stockFor.ts';
import { ChoiceField } from '../../ui/Choice.tsx';

import { PhotoColour } from './PhotoColour.tsx';

interface GlassListProps {
  readonly view: PanelView;
  /** Which glass of pieces of two is chosen; the front is the only one of others. */
  readonly of: GlassOfTwo;
  /** Colour of the glass that is in hand: what others are held against, until another colour is chosen. */
  readonly inHand: string | null;
  onTap(glass: Glass): void;
}

const ORDERS: Readonly<Record<GlassOrder, string>> = {
  code: 'by their codes',
  light: 'from light to dark',
  nearest: 'nearest to a colour',
};

/** The glasses of the rack, each to be tapped or dragged onto its place; with how much of it is here and there. */
export function GlassList({ view, of, inHand, onTap }: GlassListProps) {
  const { pieces, reader } = view;
  const [order, setOrder] = useState<GlassOrder>('code');
  const [colour, setColour] = useState<string | null>(null);
  const isHere = new Set(pieces.flatMap((p) => [p.glassId, p.backGlassId]));
  const known = [...reader.all('glasses')].filter((g) => g.away === null || isHere.has(g.id));
  const to = colour ?? inHand ?? known[0]?.colour ?? null;
  const all = inOrder(known, order, to);
  return (
    <>
      <div className="flex items-end gap-3">
        <div className="min-w-0 flex-1">
          <ChoiceField
            label="In order"
            value={order}
            onChoice={setOrder}
            options={GLASS_ORDERS.map((value) => ({ value, text: ORDERS[value] }))}
          />
        </div>
        {order === 'nearest' && to !== null && (
          <input
            type="color"
            aria-label="The colour that they are held against"
            value={to}
            onChange={(event) => setColour(event.target.value)}
            className="mb-1 h-11 w-16 shrink-0 cursor-pointer rounded-md border border-strong bg-raised p-1"
          />
        )}
      </div>
      {order === 'nearest' && <PhotoColour onColour={setColour} />}
      <ul className="-mx-2 grid content-start gap-1" aria-label="Glasses on the rack">
        {all.map((glass) => (
          <li key={glass.id}>
            <GlassLine view={view} of={of} glass={glass} apartFrom={order === 'nearest' ? to : null} onTap={onTap} />
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
    </>
  );
}

/** Two colours of this difference or less are one at a glance (from memory). */
const AT_A_GLANCE = 2.3;

function apartWords(one: string, other: string): string {
  const apart = colourDifference(labOf(one), labOf(other));
  if (apart === 0) return 'the very colour';
  return apart <= AT_A_GLANCE ? `the same at a glance (ΔE ${apart.toFixed(1)})` : `ΔE ${apart.toFixed(1)} apart`;
}

interface GlassLineProps extends Omit<GlassListProps, 'inHand'> {
  readonly glass: Glass;
  /** The colour that it is held against, where glasses are. */
  readonly apartFrom: string | null;
}

function GlassLine({ view, of, glass, apartFrom, onTap }: GlassLineProps) {
  const { pieces, settings } = view;
  const { listeners, setNodeRef, isDragging } = useDraggable({ id: glass.id });
  const { route } = view.panel;
  const mine = pieces.filter((p) =>
    of === 'back' ? hasBack(route, p) && backGlassOf(p) === glass.id : p.glassId === glass.id,
  );
  const need = glassStillToCut(route, pieces).get(glass.id) ?? 0;
  const have = stockFor(view, glass.id).reduce((sum, s) => sum + s.areaMm2, 0);
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
        {apartFrom !== null && <span className="block text-mute">{apartWords(glass.colour, apartFrom)}</span>}
        <br className={apartFrom === null ? '' : 'hidden'} />
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

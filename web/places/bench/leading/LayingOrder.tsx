import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import type { LeadPlan } from '#core/leading';
import { count } from '#core/units';
import { useDragSensors } from '../../../ui/useDragSensors.ts';

/** So many pieces are listed before the one in hand, and after it. */
const [BEFORE, AFTER] = [3, 24];

/** Pieces as they are laid, those about the one in hand: dragged by finger, mouse or keys into another order. */
export function LayingOrder({
  plan,
  step,
  onOrder,
}: {
  plan: LeadPlan;
  step: number;
  onOrder: (order: readonly number[]) => void;
}) {
  const sensors = useDragSensors();
  const order = plan.order.flatMap(({ piece }) => piece ?? []);
  const hand = Math.max(0, order.indexOf(plan.order[step]?.piece ?? Number.NaN));
  const shown = order.slice(Math.max(0, hand - BEFORE), hand + AFTER);
  const after = order.length - Math.min(order.length, hand + AFTER);
  const drop = ({ active, over }: DragEndEvent) => {
    const [from, to] = [order.indexOf(Number(active.id)), order.indexOf(Number(over?.id))];
    if (from >= 0 && to >= 0 && from !== to) onOrder(arrayMove([...order], from, to));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={[...shown]} strategy={verticalListSortingStrategy}>
        <ol aria-label="Order of pieces" className="grid pb-1">
          {shown.map((piece) => (
            <PieceLine
              key={piece}
              piece={piece}
              at={order.indexOf(piece) + 1}
              isInHand={piece === order[hand]}
              cames={plan.order.find((one) => one.piece === piece)?.runs.length ?? 0}
            />
          ))}
        </ol>
      </SortableContext>
      {after > 0 && <p className="pb-2 text-[14.5px] text-mute">{count(after, 'piece')} more; the slider goes on.</p>}
    </DndContext>
  );
}

function PieceLine({ piece, at, isInHand, cames }: { piece: number; at: number; isInHand: boolean; cames: number }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: piece });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`flex items-center gap-2 border-t border-line bg-sheet ${isDragging ? 'relative z-10 shadow-lg' : ''}`}
    >
      <button
        type="button"
        aria-label={`Move piece ${piece}, ${at} of the order`}
        className="grid min-h-11 w-9 shrink-0 cursor-grab touch-none place-items-center text-mute active:cursor-grabbing"
        {...attributes}
        {...listeners}
      >
        <GripVertical aria-hidden size={20} />
      </button>
      <b className={`min-w-10 font-head text-[20px] ${isInHand ? 'text-copper-ink' : ''}`}>{piece}</b>
      <span className="text-[14.5px] text-mute">{cames === 0 ? 'no came yet' : `then ${count(cames, 'came')}`}</span>
    </li>
  );
}

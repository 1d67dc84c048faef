import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { useRef, useState, type ReactNode } from 'react';
import type { Glass } from '#core/stock';
import { pieceInWindow } from '../../panel/pieceAt.ts';
import { GlassChip } from '../../panel/GlassChip.tsx';

/** A list is scrolled by a finger that moves at once; one that rests on a glass takes it up. */
const RESTS = { delay: 180, tolerance: 8 };
const STARTS = { distance: 8 };

interface GlassDragProps {
  readonly glasses: ReadonlyMap<string, Glass>;
  /** The piece under the glass that is dragged, or null. */
  onOver(piece: number | null): void;
  onDrop(glassId: string, piece: number): void;
  readonly children: ReactNode;
}

/** Glass is taken from its list and let fall on a piece. By keys a glass is pressed instead, once its pieces are picked. */
export function GlassDrag({ glasses, onOver, onDrop, children }: GlassDragProps) {
  const [taken, setTaken] = useState<Glass | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: STARTS }),
    useSensor(TouchSensor, { activationConstraint: RESTS }),
  );
  // On a slow machine the last movement is told after the hand has let go: it is of a drag that is over.
  const isHeld = useRef(false);
  const end = () => {
    isHeld.current = false;
    setTaken(null);
    onOver(null);
  };
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: '' } }}
      onDragStart={({ active }) => {
        isHeld.current = true;
        setTaken(glasses.get(String(active.id)) ?? null);
      }}
      onDragMove={(event) => {
        if (isHeld.current) onOver(pieceUnder(event));
      }}
      onDragCancel={end}
      onDragEnd={(event) => {
        const piece = pieceUnder(event);
        end();
        if (piece !== null) onDrop(String(event.active.id), piece);
      }}
    >
      {children}
      <DragOverlay dropAnimation={null} className="pointer-events-none">
        {taken && <GlassChip glass={taken} size={56} />}
      </DragOverlay>
    </DndContext>
  );
}

function pieceUnder({ activatorEvent, delta }: Pick<DragMoveEvent, 'activatorEvent' | 'delta'>): number | null {
  const from = pointOf(activatorEvent);
  return from && pieceInWindow({ clientX: from.clientX + delta.x, clientY: from.clientY + delta.y });
}

const pointOf = (event: Event): Pick<Touch, 'clientX' | 'clientY'> | null =>
  event instanceof MouseEvent ? event : event instanceof TouchEvent ? (event.touches[0] ?? null) : null;

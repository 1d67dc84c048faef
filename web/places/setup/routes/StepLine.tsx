import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import type { StepDefinition } from '#core/bench';
import { stepWords } from '#core/words';
import { Button } from '../../../ui/Button.tsx';

/** One step of a way of working: dragged by its grip, opened to be said otherwise. */
export function StepLine({
  step,
  wordOf,
  isFixed,
  isOpen,
  onOpen,
  children,
}: {
  step: StepDefinition;
  wordOf: (code: string) => string;
  isFixed: boolean;
  isOpen: boolean;
  onOpen: () => void;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: step.code,
    disabled: isFixed,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`border-t border-line bg-sheet ${isDragging ? 'relative z-10 shadow-lg' : ''}`}
    >
      <div className="flex items-start gap-1">
        {isFixed ? (
          <span className="w-9 shrink-0" />
        ) : (
          <button
            type="button"
            aria-label={`Move ${step.word || 'the new step'}`}
            className="grid min-h-12 w-9 shrink-0 cursor-grab touch-none place-items-center text-mute active:cursor-grabbing"
            {...attributes}
            {...listeners}
          >
            <GripVertical aria-hidden size={20} />
          </button>
        )}
        <p className="min-w-0 flex-1 py-2.5 leading-snug">
          <b>{step.verb || 'A new step'}</b> <span className="text-mute">{step.word && `→ ${step.word}.`}</span>{' '}
          <span className="text-[15px]">{stepWords(step, wordOf)}</span>
        </p>
        <Button
          look="quiet"
          className="px-1"
          aria-label={`${isOpen ? 'Close' : 'Change'} ${step.verb || 'the new step'}`}
          aria-expanded={isOpen}
          onClick={onOpen}
        >
          {isOpen ? 'Close' : 'Change'}
        </Button>
      </div>
      {isOpen && <div className="pb-4 pl-9">{children}</div>}
    </li>
  );
}

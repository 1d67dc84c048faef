import { Lasso, Maximize, Minus, Plus, SquaresUnite } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../ui/Button.tsx';
import { Hint } from '../ui/Hint.tsx';

interface BoardToolsProps {
  readonly narrow: boolean;
  readonly isAdding: boolean;
  setAdding(on: boolean): void;
  readonly lassoing: boolean;
  setLassoing(on: boolean): void;
  zoomBy(factor: number): void;
  whole(): void;
  /** Where a tap means a place there is nothing to pick. */
  readonly picks: boolean;
  readonly children?: ReactNode;
}

const TOOL = 'w-11 px-0!';

/** What a hand without a keyboard needs over a board. */
export function BoardTools({
  narrow,
  isAdding,
  setAdding,
  lassoing,
  setLassoing,
  zoomBy,
  whole,
  picks,
  children,
}: BoardToolsProps) {
  const tools = [
    { name: 'Closer', words: 'Closer (+)', Icon: Plus, act: () => zoomBy(1.5) },
    { name: 'Further off', words: 'Further off (−)', Icon: Minus, act: () => zoomBy(1 / 1.5) },
    { name: 'Whole', words: 'The whole panel (0)', Icon: Maximize, act: whole },
  ];
  return (
    <div
      className={`absolute z-10 flex flex-wrap justify-end gap-1.5 print:hidden ${narrow ? 'inset-x-2 bottom-2' : 'right-4 -top-[50px] max-sm:inset-x-2 max-sm:top-auto max-sm:bottom-2'}`}
    >
      {children}
      {picks && (
        <Hint
          words={isAdding ? 'Each tap adds; press to pick one at a time again' : 'Add to what is picked, tap by tap'}
        >
          <Button
            look="line"
            className={`${TOOL} aria-pressed:bg-soft`}
            aria-label="Add to what is picked"
            aria-pressed={isAdding}
            onClick={() => setAdding(!isAdding)}
          >
            <SquaresUnite aria-hidden size={20} className="shrink-0" />
          </Button>
        </Hint>
      )}
      <Hint words="Draw round pieces (or hold Shift and drag)">
        <Button
          look="line"
          className={TOOL}
          aria-label="Lasso"
          aria-pressed={lassoing}
          onClick={() => setLassoing(!lassoing)}
        >
          <Lasso aria-hidden size={20} />
        </Button>
      </Hint>
      {tools.map(({ name, words, Icon, act }) => (
        <Hint key={name} words={words}>
          <Button look="line" className={TOOL} aria-label={name} onClick={act}>
            <Icon aria-hidden size={20} />
          </Button>
        </Hint>
      ))}
    </div>
  );
}

import type { ReactNode } from 'react';
import { Button } from '../ui/Button.tsx';

interface BoardToolsProps {
  readonly narrow: boolean;
  readonly lassoing: boolean;
  setLassoing(on: boolean): void;
  zoomBy(factor: number): void;
  whole(): void;
  readonly children?: ReactNode;
}

/** What a hand without a keyboard needs over a board. */
export function BoardTools({ narrow, lassoing, setLassoing, zoomBy, whole, children }: BoardToolsProps) {
  return (
    <div
      className={`absolute z-10 flex flex-wrap justify-end gap-1.5 ${narrow ? 'inset-x-2 bottom-2' : 'right-4 -top-[50px]'}`}
    >
      {children}
      <Button
        look="line"
        className="px-2.5 xl:px-4"
        aria-pressed={lassoing}
        onClick={() => setLassoing(!lassoing)}
        title="Draw round pieces (or hold Shift and drag)"
      >
        Lasso
      </Button>
      <Button look="line" aria-label="Closer" onClick={() => zoomBy(1.5)}>
        +
      </Button>
      <Button look="line" aria-label="Further off" onClick={() => zoomBy(1 / 1.5)}>
        −
      </Button>
      <Button look="line" className="px-2.5 xl:px-4" onClick={whole}>
        Whole
      </Button>
    </div>
  );
}

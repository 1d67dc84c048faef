import type { ReactNode } from 'react';
import { Scroll } from './Scroll.tsx';

/** What lies beside the panel: it scrolls, while what is done next stays in sight at its foot. */
export function SideSheet({
  label,
  foot,
  onSubmit,
  onEscape,
  children,
}: {
  label: string;
  foot?: ReactNode;
  /** Makes the sheet a form. */
  onSubmit?: () => void;
  onEscape?: () => void;
  children: ReactNode;
}) {
  const inside = (
    <>
      <Scroll className="flex flex-col gap-4 p-5">{children}</Scroll>
      {foot && <div className="grid shrink-0 gap-2 border-t border-line px-5 py-3">{foot}</div>}
    </>
  );
  return (
    <aside aria-label={label} className="flex h-full min-h-0 flex-col bg-sheet print:hidden">
      {onSubmit ? (
        <form
          className="flex min-h-0 flex-1 flex-col"
          aria-label={label}
          onSubmit={(event) => {
            event.preventDefault();
            onSubmit();
          }}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onEscape?.();
            // A radio takes no Enter of its own: there it means to go on, as in every other field.
            else if (event.key === 'Enter' && event.target instanceof Element && event.target.role === 'radio')
              onSubmit();
          }}
        >
          {inside}
        </form>
      ) : (
        inside
      )}
    </aside>
  );
}

import { Tooltip } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** Words that appear beside a button while it is pointed at or has the focus; none while there is nothing to say. */
export function Hint({ words, children }: { words: string | null; children: ReactNode }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Tooltip.Root open={isOpen} onOpenChange={setIsOpen}>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      {isOpen && words !== null && (
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={6}
            collisionPadding={8}
            className="z-50 max-w-80 rounded-md bg-rail px-3 py-2 text-[14.5px] text-white shadow-lg"
          >
            {words}
          </Tooltip.Content>
        </Tooltip.Portal>
      )}
    </Tooltip.Root>
  );
}

/** Round everything that has hints: once one is shown, the next comes at once. */
export const Hints = ({ children }: { children: ReactNode }) => (
  <Tooltip.Provider delayDuration={350}>{children}</Tooltip.Provider>
);

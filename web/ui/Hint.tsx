import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

/** Words that appear beside a button while it is pointed at or has the focus; none while there is nothing to say. */
export function Hint({ words, children }: { words: string | null; children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={350}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        {words !== null && (
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
    </Tooltip.Provider>
  );
}

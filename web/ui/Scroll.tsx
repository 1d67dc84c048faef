import { ScrollArea } from 'radix-ui';
import type { ReactNode } from 'react';

/** Something longer than its place: it scrolls by wheel, finger and keys, under a slim bar that takes no room. */
export function Scroll({ className = '', children }: { className?: string; children: ReactNode }) {
  return (
    <ScrollArea.Root type="auto" className="relative flex min-h-0 flex-1 flex-col overflow-hidden">
      <ScrollArea.Viewport tabIndex={0} className="min-h-0 flex-1 [&>div]:block!">
        <div className={className}>{children}</div>
      </ScrollArea.Viewport>
      <ScrollArea.Scrollbar orientation="vertical" className="flex w-2.5 touch-none p-0.5 select-none">
        <ScrollArea.Thumb className="relative flex-1 rounded-full bg-[var(--strong)] opacity-70" />
      </ScrollArea.Scrollbar>
    </ScrollArea.Root>
  );
}

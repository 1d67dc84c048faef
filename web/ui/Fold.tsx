import { ChevronRight } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** Something that is opened when it is wanted. Closed, its inside is not there: Radix would measure it on every page. */
export function Fold({ title, isOpen = false, children }: { title: ReactNode; isOpen?: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(isOpen);
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} className="border-t border-line pt-1 text-[15px]">
      <Collapsible.Trigger className="group flex min-h-11 w-full items-center gap-1.5 text-left font-semibold">
        <ChevronRight
          aria-hidden
          size={18}
          className="shrink-0 text-mute transition-transform group-data-[state=open]:rotate-90 motion-reduce:transition-none"
        />
        {title}
      </Collapsible.Trigger>
      {open && <Collapsible.Content>{children}</Collapsible.Content>}
    </Collapsible.Root>
  );
}

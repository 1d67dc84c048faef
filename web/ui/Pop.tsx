import { Popover } from 'radix-ui';
import type { ReactNode, Ref } from 'react';

interface PopProps {
  readonly label: string;
  readonly align?: 'start' | 'end';
  readonly className?: string;
  readonly ref?: Ref<HTMLDivElement>;
  onOpenAutoFocus?(event: Event): void;
  readonly children: ReactNode;
}

/** What opens beside a button, over the place; inside a `Popover.Root`. */
export function Pop({ label, align = 'start', className = '', children, ...rest }: PopProps) {
  return (
    <Popover.Portal>
      <Popover.Content
        align={align}
        sideOffset={4}
        collisionPadding={8}
        aria-label={label}
        className={`z-50 rounded-md border border-strong bg-raised text-ink shadow-xl ${className}`}
        {...rest}
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  );
}

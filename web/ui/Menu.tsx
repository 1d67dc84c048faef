import { Check } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState, type ReactNode } from 'react';

const ITEM = 'flex min-h-11 cursor-pointer items-center gap-3 rounded px-3 outline-none data-highlighted:bg-soft';

/** What opens from a button and closes with a choice; by keys too (arrows, first letters, Escape). */
export function Menu({
  button,
  side = 'bottom',
  className = 'min-w-52',
  children,
}: {
  /** Takes a ref and the trigger's attributes, as a button does. */
  button: ReactNode;
  side?: 'bottom' | 'right';
  className?: string;
  children: ReactNode;
}) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <DropdownMenu.Root modal={false} open={isOpen} onOpenChange={setIsOpen}>
      <DropdownMenu.Trigger asChild>{button}</DropdownMenu.Trigger>
      {isOpen && (
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            side={side}
            align="end"
            sideOffset={4}
            collisionPadding={8}
            className={`z-50 rounded-md border border-line bg-raised p-1.5 text-ink shadow-xl ${className}`}
          >
            {children}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      )}
    </DropdownMenu.Root>
  );
}

export function MenuItem({ onPick, children }: { onPick: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item onSelect={onPick} className={ITEM}>
      {children}
    </DropdownMenu.Item>
  );
}

/** One that is on or off; several are chosen one after the other, so the menu stays. */
export function MenuCheck({
  checked,
  onCheck,
  children,
}: {
  checked: boolean;
  onCheck: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <DropdownMenu.CheckboxItem
      checked={checked}
      onCheckedChange={onCheck}
      onSelect={(event) => event.preventDefault()}
      className={ITEM}
    >
      <span className="size-5">
        <DropdownMenu.ItemIndicator>
          <Check aria-hidden size={20} />
        </DropdownMenu.ItemIndicator>
      </span>
      {children}
    </DropdownMenu.CheckboxItem>
  );
}

export const MenuTitle = ({ children }: { children: ReactNode }) => (
  <DropdownMenu.Label className="px-3 py-1.5 text-[14px] text-mute">{children}</DropdownMenu.Label>
);

export const MenuLine = () => <DropdownMenu.Separator className="my-1 h-px bg-line" />;

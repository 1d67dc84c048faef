import { Tabs as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** A few sheets in one place, of which one lies on top. */
export function Tabs<T extends string>({
  label,
  tabs,
  value,
  onTurn,
  className = '',
}: {
  label: string;
  tabs: readonly { readonly id: T; readonly name: string; readonly sheet: ReactNode }[];
  value: T;
  onTurn: (id: T) => void;
  className?: string;
}) {
  return (
    <Radix.Root
      value={value}
      onValueChange={(next) => {
        const tab = tabs.find(({ id }) => id === next);
        if (tab) onTurn(tab.id);
      }}
      className={className}
    >
      <Radix.List aria-label={label} className="flex gap-1 border-b border-line">
        {tabs.map(({ id, name }) => (
          <Radix.Trigger
            key={id}
            value={id}
            className="-mb-px min-h-11 border-b-[3px] border-transparent px-4 text-[15px] text-mute hover:text-ink data-[state=active]:border-copper data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {name}
          </Radix.Trigger>
        ))}
      </Radix.List>
      {tabs.map(({ id, sheet }) => (
        <Radix.Content key={id} value={id}>
          {sheet}
        </Radix.Content>
      ))}
    </Radix.Root>
  );
}

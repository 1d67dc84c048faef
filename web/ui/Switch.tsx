import { Switch as Radix } from 'radix-ui';
import { useId, type ReactNode } from 'react';

/** Something that is on or off at once, without being sent; its words can be pressed too. */
export function Switch({
  on,
  onTurn,
  className = '',
  children,
}: {
  on: boolean;
  onTurn: (on: boolean) => void;
  className?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <div className={`flex min-h-11 items-center gap-2.5 ${className}`}>
      <Radix.Root
        id={id}
        checked={on}
        onCheckedChange={onTurn}
        className="relative h-7 w-12 shrink-0 rounded-full border border-strong bg-soft data-[state=checked]:border-copper data-[state=checked]:bg-copper"
      >
        <Radix.Thumb className="block size-[22px] translate-x-0.5 rounded-full bg-[var(--bright)] shadow transition-transform data-[state=checked]:translate-x-[22px] motion-reduce:transition-none" />
      </Radix.Root>
      <label htmlFor={id} className="cursor-pointer py-2">
        {children}
      </label>
    </div>
  );
}

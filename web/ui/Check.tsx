import { Check as Tick } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { useId, type ReactNode } from 'react';

/** One thing that is so or not, said beside its box; the words belong to it and can be pressed too. */
export function Check({
  checked,
  onCheck,
  isFixed = false,
  className = '',
  children,
}: {
  checked: boolean;
  onCheck: (checked: boolean) => void;
  /** It can't be changed here: what stands beside it says why. */
  isFixed?: boolean;
  className?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <div className={`flex min-h-11 items-center gap-3 ${className}`}>
      <Checkbox.Root
        id={id}
        checked={checked}
        disabled={isFixed}
        onCheckedChange={(next) => onCheck(next === true)}
        className="grid size-6 shrink-0 place-items-center rounded border border-strong bg-raised disabled:opacity-60 data-[state=checked]:border-copper data-[state=checked]:bg-copper"
      >
        <Checkbox.Indicator>
          <Tick aria-hidden size={18} strokeWidth={3} className="text-white" />
        </Checkbox.Indicator>
      </Checkbox.Root>
      <label htmlFor={id} className="min-w-0 cursor-pointer py-2">
        {children}
      </label>
    </div>
  );
}

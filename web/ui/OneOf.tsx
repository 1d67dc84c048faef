import { RadioGroup } from 'radix-ui';
import { useId, type ReactNode } from 'react';

/** One of a few that are all in sight, each as a card. */
export function OneOf<T extends string>({
  label,
  value,
  options,
  onPick,
  autoFocus = false,
  className = '',
  cardClassName = 'min-h-11 gap-2',
}: {
  label: string;
  value: T;
  options: readonly { readonly value: T; readonly content: ReactNode }[];
  onPick: (value: T) => void;
  autoFocus?: boolean;
  className?: string;
  cardClassName?: string;
}) {
  const id = useId();
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(next) => {
        const option = options.find((o) => o.value === next);
        if (option) onPick(option.value);
      }}
      className={className}
    >
      {options.map((option) => (
        <label
          key={option.value}
          htmlFor={`${id}-${option.value}`}
          className={`flex cursor-pointer items-center rounded-md border border-line px-3 has-data-[state=checked]:border-ink has-data-[state=checked]:bg-raised ${cardClassName}`}
        >
          <RadioGroup.Item
            id={`${id}-${option.value}`}
            value={option.value}
            autoFocus={autoFocus && option.value === value}
            className="grid size-5 shrink-0 place-items-center rounded-full border-2 border-strong bg-raised data-[state=checked]:border-copper"
          >
            <RadioGroup.Indicator className="size-2.5 rounded-full bg-copper" />
          </RadioGroup.Item>
          {option.content}
        </label>
      ))}
    </RadioGroup.Root>
  );
}

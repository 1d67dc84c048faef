import { ToggleGroup } from 'radix-ui';

/** One way of looking at a thing out of a few, side by side. */
export function Toggles<T extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      onValueChange={(next) => {
        const option = options.find(([id]) => id === next);
        if (option) onPick(option[0]);
      }}
      aria-label={label}
      className="flex gap-1.5 xl:gap-2"
    >
      {options.map(([id, name]) => (
        <ToggleGroup.Item key={id} value={id} className={TOGGLE}>
          {name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** How a button looks that stays pressed, for one that stands alone too. */
export const TOGGLE =
  'min-h-11 rounded-md border border-line bg-raised px-2.5 text-[15px] text-ink hover:border-strong aria-pressed:border-ink aria-pressed:shadow-[inset_0_-3px_0_var(--ink)] data-[state=on]:border-ink data-[state=on]:shadow-[inset_0_-3px_0_var(--ink)] xl:px-4';

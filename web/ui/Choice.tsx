import { ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { useState } from 'react';
import { BOX, Field, type FieldIds } from './Field.tsx';

export interface Option<T extends string> {
  readonly value: T;
  readonly text: string;
}

interface ChoiceProps<T extends string> {
  readonly value: T;
  readonly options: readonly Option<NoInfer<T>>[];
  readonly disabled?: boolean;
  onChoice(value: NoInfer<T>): void;
}

/** One of a few, opened as a list; by keys as well (arrows, the first letters). Wears no label of its own. */
export function Choice<T extends string>({
  value,
  options,
  disabled,
  onChoice,
  ids,
  className = '',
}: ChoiceProps<T> & { readonly ids?: Partial<FieldIds>; readonly className?: string }) {
  // Entries are made once somebody comes near: a closed list would keep each of them up to date with the page.
  const [isNear, setIsNear] = useState(false);
  const comeNear = () => setIsNear(true);
  // The list knows its entries by their place: an entry may stand for "none", and such a value may be the empty text.
  const chosen = options.findIndex((o) => o.value === value);
  return (
    <Select.Root
      value={chosen < 0 ? '' : String(chosen)}
      disabled={disabled}
      onValueChange={(key) => {
        const option = options[Number(key)];
        if (key !== '' && option) onChoice(option.value);
      }}
    >
      <Select.Trigger
        {...ids}
        onPointerEnter={comeNear}
        onFocus={comeNear}
        className={`${BOX} flex items-center justify-between gap-2 text-left disabled:text-mute ${className}`}
      >
        <span className="min-w-0 truncate">
          <Select.Value>{options[chosen]?.text}</Select.Value>
        </span>
        <Select.Icon asChild>
          <ChevronDown aria-hidden size={18} className="shrink-0" />
        </Select.Icon>
      </Select.Trigger>
      {isNear && (
        <Select.Portal>
          <Select.Content
            position="popper"
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-h-(--radix-select-content-available-height) min-w-[min(var(--radix-select-trigger-width),calc(100vw-16px))] overflow-hidden rounded-md border border-strong bg-raised text-ink shadow-xl"
          >
            <Select.Viewport className="p-1">
              {options.map((option, i) => (
                <Select.Item
                  key={option.value}
                  value={String(i)}
                  className="flex min-h-11 cursor-pointer items-center rounded px-3 outline-none select-none data-highlighted:bg-soft data-[state=checked]:font-semibold data-[state=checked]:shadow-[inset_3px_0_0_var(--copper)]"
                >
                  <Select.ItemText>{option.text}</Select.ItemText>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      )}
    </Select.Root>
  );
}

export function ChoiceField<T extends string>({
  label,
  hint,
  ...rest
}: ChoiceProps<T> & { readonly label: string; readonly hint?: string }) {
  return (
    <Field label={label} hint={hint}>
      {(ids) => <Choice ids={ids} {...rest} />}
    </Field>
  );
}

import { format, parseISO } from 'date-fns';
import { Popover } from 'radix-ui';
import { useRef, useState } from 'react';
import { DayPicker } from 'react-day-picker';
import { Pop } from './Pop.tsx';
import { Button } from './Button.tsx';
import { BOX, Field } from './Field.tsx';
import { calendarOf } from './locales.ts';

const DAY = 'grid size-10 place-items-center rounded-md hover:bg-soft disabled:text-mute disabled:opacity-50';

/** A day: said in the studio's own order, picked from a calendar. `value` is `2026-12-18`, or empty for none. */
export function DayField({
  label,
  value,
  locale,
  last,
  mayBeNone = false,
  onDay,
}: {
  label: string;
  value: string;
  locale: string;
  last?: Date;
  mayBeNone?: boolean;
  onDay: (day: string) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  const month = useRef<HTMLDivElement>(null);
  const calendar = calendarOf(locale);
  const day = value === '' ? undefined : parseISO(value);
  const words = day ? format(day, 'PP', { locale: calendar }) : 'no day set';
  const choose = (next: Date | undefined) => {
    onDay(next ? format(next, 'yyyy-MM-dd') : '');
    setIsOpen(false);
  };
  return (
    <Field label={label}>
      {(ids) => (
        <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
          <Popover.Trigger {...ids} aria-label={`${label}: ${words}`} type="button" className={`${BOX} text-left`}>
            <span className={day ? '' : 'text-mute'}>{words}</span>
          </Popover.Trigger>
          {isOpen && (
            <Pop
              label={`${label}: calendar`}
              className="p-3"
              onOpenAutoFocus={(event) => {
                event.preventDefault();
                month.current?.querySelector<HTMLElement>('[role="grid"] button[tabindex="0"]')?.focus();
              }}
              ref={month}
            >
              <DayPicker
                mode="single"
                required={false}
                locale={calendar}
                selected={day}
                defaultMonth={day ?? last}
                onSelect={choose}
                disabled={last && { after: last }}
                endMonth={last}
                classNames={{
                  root: 'relative',
                  month_caption: 'flex h-10 items-center px-2 font-head text-lg',
                  nav: 'absolute top-0 right-0 flex',
                  button_previous: DAY,
                  button_next: DAY,
                  chevron: 'size-4 fill-current',
                  weekday: 'size-10 text-[14px] font-normal text-mute',
                  day: 'p-0 text-center',
                  day_button: DAY,
                  selected: 'rounded-md bg-copper text-white',
                  today: 'font-semibold underline decoration-2 underline-offset-4',
                  outside: 'text-mute',
                }}
              />
              {mayBeNone && value !== '' && (
                <Button look="quiet" className="px-2" onClick={() => choose(undefined)}>
                  No day
                </Button>
              )}
            </Pop>
          )}
        </Popover.Root>
      )}
    </Field>
  );
}

import { Slider as Radix } from 'radix-ui';

/** A value between two ends, moved by hand or by arrow keys. */
export function Slider({
  label,
  value,
  least = 0,
  most = 1,
  step = 0.01,
  said,
  onSlide,
  onRest,
  className = '',
}: {
  label: string;
  value: number;
  least?: number;
  most?: number;
  step?: number;
  /** The value in words, for who hears it. */
  said?: string;
  onSlide: (value: number) => void;
  /** Where it was let go. */
  onRest?: (value: number) => void;
  className?: string;
}) {
  return (
    <Radix.Root
      value={[value]}
      min={least}
      max={most}
      step={step}
      onValueChange={([next]) => next !== undefined && onSlide(next)}
      onValueCommit={([next]) => next !== undefined && onRest?.(next)}
      className={`relative flex h-11 w-full touch-none items-center select-none ${className}`}
    >
      <Radix.Track className="relative h-1.5 grow rounded-full bg-[var(--strong)]">
        <Radix.Range className="absolute h-full rounded-full bg-copper" />
      </Radix.Track>
      <Radix.Thumb
        aria-label={label}
        aria-valuetext={said}
        className="block size-7 cursor-grab rounded-full border-2 border-copper bg-raised shadow-md active:cursor-grabbing"
      />
    </Radix.Root>
  );
}

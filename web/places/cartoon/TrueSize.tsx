import type { ReactNode } from 'react';
import { showLength, type DisplayUnit } from '#core/units';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Measures } from '../../ui/Length.tsx';
import { asPlanned, measureProblem } from './importEntries.ts';
import type { ImportOptions } from './useImport.ts';

interface Said {
  readonly options: ImportOptions;
  readonly change: (next: Partial<ImportOptions>) => void;
  readonly unit: DisplayUnit;
}

/** One measure of the panel that is known; the other follows. */
export function KnownMeasure({ options, change, unit }: Said) {
  return (
    <div className="grid grid-cols-[1fr_1.3fr] items-start gap-2">
      <ChoiceField
        label="One known measure"
        value={options.side}
        onChoice={(value) => change({ side: value })}
        options={[
          { value: 'width', text: 'the width' },
          { value: 'height', text: 'the height' },
        ]}
      />
      <TextField
        key={options.measure}
        label="is really"
        defaultValue={options.measure}
        placeholder={unit === 'mm' ? '420 mm' : '16 1/2 in'}
        problem={measureProblem(options.measure, unit)}
        onBlur={(e) => e.target.value !== options.measure && change({ measure: e.target.value })}
        onKeyDown={(e) => e.key === 'Enter' && change({ measure: e.currentTarget.value })}
      />
    </div>
  );
}

/** Asks for the size of a drawing whose file gives none, or one that cannot be meant; what was planned comes first. */
export function TrueSize({
  panel,
  options,
  change,
  unit,
  why,
  size,
}: Said & {
  panel: { readonly widthMm: number; readonly heightMm: number };
  why: ReactNode;
  /** As read, mm; null where it could not be read yet. */
  size: { readonly widthMm: number; readonly heightMm: number } | null;
}) {
  const planned = asPlanned(size, panel);
  const plain = showLength(planned.mm, unit, unit === 'mm' ? 1 : 0);
  const followsWith = planned.side === 'width' ? 'high' : 'wide';
  return (
    <section aria-label="How large is it really?" className="grid gap-3 border-l-4 border-copper pl-4 text-left">
      <h3 className="text-xl">How large is it really?</h3>
      <p className="text-[16px] text-mute">{why}</p>
      <Button look="go" onClick={() => change({ side: planned.side, measure: plain })}>
        As planned, {plain} {planned.side === 'width' ? 'wide' : 'high'}
      </Button>
      {planned.other && (
        <p className="text-[15px] text-mute">
          It is then {showLength(planned.other.isMm, unit, 0)} {followsWith}, not{' '}
          {showLength(planned.other.plannedMm, unit, 0)} as in the plan of{' '}
          <Measures widthMm={panel.widthMm} heightMm={panel.heightMm} unit={unit} />.
        </p>
      )}
      <KnownMeasure options={options} change={change} unit={unit} />
    </section>
  );
}

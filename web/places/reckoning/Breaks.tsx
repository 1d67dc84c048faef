import { useState } from 'react';
import type { ReckoningAnswer } from '#contract';
import { BEGINS, reasonWords, spokenCode, type Settings } from '#core/bench';
import { showMoney } from '#core/units';
import { ChoiceField } from '../../ui/Choice.tsx';

type By = 'reason' | ReckoningAnswer['broke'][number]['by'];

const BY: Readonly<Record<By, string>> = {
  reason: 'the reason',
  glass: 'the glass',
  step: 'the step it was at',
  person: 'who had it in hand',
  difficulty: 'how hard it is to cut',
};

/** What breaks: how often and for how much, by its reason or by what else tells something. */
export function Breaks({ data, settings }: { data: ReckoningAnswer; settings: Settings }) {
  const [by, setBy] = useState<By>('reason');
  const lines =
    by === 'reason'
      ? data.reasons.map(({ reason, ...sums }) => ({ name: reasonWords(reason), ...sums }))
      : data.broke.filter((one) => one.by === by).map(({ name, ...sums }) => ({ ...sums, name: nameOf(by, name) }));
  const most = Math.max(1, ...lines.map((line) => line.count));
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-xl">What breaks</h2>
        <div className="w-56">
          <ChoiceField
            label="By"
            value={by}
            options={(['reason', 'glass', 'step', 'person', 'difficulty'] as const).map((value) => ({
              value,
              text: BY[value],
            }))}
            onChoice={setBy}
          />
        </div>
      </div>
      {lines.length === 0 ? (
        <p className="text-mute">Nothing has broken yet.</p>
      ) : (
        <ul className="grid gap-2.5">
          {lines.map(({ name, count, cents }) => (
            <li key={name} className="text-[15.5px]">
              <span className="flex justify-between gap-4">
                <span>{name}</span>
                <span className="text-mute">
                  {count} · {showMoney(cents, settings.currency, settings.locale)}
                </span>
              </span>
              <span aria-hidden className="mt-1 block h-2 rounded-sm bg-soft">
                <i className="block h-2 rounded-sm bg-[var(--bar)]" style={{ width: `${(100 * count) / most}%` }} />
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function nameOf(by: By, name: string): string {
  switch (by) {
    case 'step':
      return name === BEGINS ? 'while being cut' : `when ${spokenCode(name)}`;
    case 'difficulty':
      return `difficulty ${name} of 5`;
    case 'glass':
      return name === '' ? 'no glass named' : name;
    default:
      return name === '' ? 'nobody named' : name;
  }
}

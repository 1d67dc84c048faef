import type { Repair } from '#core/cartoon';
import type { Point } from '#core/geometry';
import { count } from '#core/units';
import { repairWords } from '#core/words';
import { Fold } from '../../ui/Fold.tsx';
import { Check } from '../../ui/Check.tsx';

const REPAIRS_SHOWN = 80;

/** Every repair with its place; each can be looked at, and left as drawn instead. */
export function RepairList({
  repairs,
  refused,
  show,
  refuse,
}: {
  repairs: readonly Repair[];
  refused: readonly Repair[];
  show: (at: Point) => void;
  refuse: (repair: Repair, isRefused: boolean) => void;
}) {
  const told = repairs.filter((r) => r.movedMm >= 0.01 || r.kind === 'doubled' || r.kind === 'sliver');
  if (told.length + refused.length === 0) return <p className="text-[15px] text-mute">Nothing had to be repaired.</p>;
  return (
    <Fold isOpen title={count(told.length, 'repair')}>
      <ul className="grid gap-0.5">
        {[...refused, ...told].slice(0, REPAIRS_SHOWN).map((repair, i) => {
          const isRefused = i < refused.length;
          return (
            <li key={`${i}${repair.kind}${repair.at.join()}`} className="flex items-center gap-2">
              <button
                type="button"
                className={`min-h-9 min-w-0 flex-1 border-l-2 py-1 pl-3 text-left hover:border-copper hover:bg-soft ${isRefused ? 'border-risk text-mute line-through' : 'border-line'}`}
                onClick={() => show(repair.at)}
              >
                {repairWords(repair)}
              </button>
              {repair.kind !== 'doubled' && (
                <Check
                  className="shrink-0 gap-1.5! text-[14px]"
                  checked={isRefused}
                  onCheck={(on) => refuse(repair, on)}
                >
                  as drawn
                </Check>
              )}
            </li>
          );
        })}
      </ul>
      {told.length > REPAIRS_SHOWN && <p className="text-mute">and {told.length - REPAIRS_SHOWN} more</p>}
    </Fold>
  );
}

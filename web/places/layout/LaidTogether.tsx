import { count } from '#core/units';
import { Check } from '../../ui/Check.tsx';
import type { MayLie } from './usePanelsBeside.ts';

/** Other panels in hand whose pieces of the same glasses may lie on the same sheets, those of this job first. */
export function LaidTogether({
  mayLie,
  picked,
  onPick,
}: {
  mayLie: readonly MayLie[];
  picked: ReadonlySet<string>;
  onPick: (picked: ReadonlySet<string>) => void;
}) {
  const toggle = (id: string, on: boolean) => {
    const next = new Set(picked);
    if (on) next.add(id);
    else next.delete(id);
    onPick(next);
  };
  return (
    <fieldset className="grid">
      <legend className="text-[15px] text-mute">Laid out together with</legend>
      {mayLie.map(({ id, letter, name, job, isSet, pieces, isPicked, isBeside }) => (
        <Check key={id} checked={isPicked} onCheck={(on) => toggle(id, on)} isFixed={isBeside}>
          <span className="block leading-tight">
            <b className="font-head">{letter}</b> {isSet || name === job ? name : `${job}, ${name}`}
            <span className="block text-[14.5px] text-mute">
              {isBeside ? 'lies on a sheet with this one' : `${count(pieces, 'piece')} of the same glass`}
            </span>
          </span>
        </Check>
      ))}
    </fieldset>
  );
}

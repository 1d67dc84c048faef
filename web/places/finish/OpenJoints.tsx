import { useState } from 'react';
import type { Side } from '#core/bench';
import type { Joint } from '#core/cartoon';
import { count } from '#core/units';
import { jointPlace } from '#core/words';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Asked before a side counts as soldered: each joint that nobody has ticked, by name. */
export function OpenJoints({
  side,
  joints,
  onTick,
  onClose,
}: {
  side: Side;
  joints: readonly Joint[];
  onTick: (numbers: readonly number[]) => Promise<boolean>;
  onClose: () => void;
}) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const isAll = ticked.size === joints.length;
  const tick = (number: number, on: boolean) =>
    setTicked((now) => new Set(on ? [...now, number] : [...now].filter((n) => n !== number)));
  return (
    <Sheet title={`Open on the ${side}`} open onClose={onClose}>
      <p className="text-[16px]">
        {count(joints.length, 'joint')} {joints.length === 1 ? 'is' : 'are'} not ticked. Look at each: a missed one
        opens when the panel is turned.
      </p>
      <ul className="grid gap-x-4 border-y border-line py-1">
        {joints.map((joint) => (
          <li key={joint.number}>
            <Check checked={ticked.has(joint.number)} onCheck={(on) => tick(joint.number, on)}>
              <b>{joint.number}</b> {jointPlace(joint)}
            </Check>
          </li>
        ))}
      </ul>
      <div className="sticky -bottom-6 -mx-6 mt-auto -mb-6 grid gap-2 border-t border-line bg-sheet px-6 py-4">
        <Button onClick={() => setTicked(new Set(isAll ? [] : joints.map((j) => j.number)))}>
          {isAll ? 'None of them' : 'I have looked at all of them'}
        </Button>
        <Button
          look="go"
          aria-disabled={ticked.size === 0}
          onClick={() => ticked.size > 0 && void onTick([...ticked]).then((done) => done && onClose())}
        >
          {ticked.size === 0
            ? 'Tick what is soldered'
            : isAll
              ? `The ${side} is soldered`
              : `${count(ticked.size, 'joint')} soldered`}
        </Button>
      </div>
    </Sheet>
  );
}

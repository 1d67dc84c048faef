import { showNumbers } from '#core/units';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { NumberForm } from './NumberForm.tsx';
import { CHANGING, type ModeProps } from './ModeProps.ts';

/** Numbers anew, one by hand, and locks. */
export function Numbers({ view, desk, selected }: ModeProps) {
  const { panel, pieces } = view;
  const send = useSend();
  const numbers = [...selected];
  const [one] = numbers;
  const locked = pieces.filter((p) => selected.has(p.number) && p.locked).map((p) => p.number);
  const open = numbers.filter((n) => !locked.includes(n));
  return (
    <div className="grid gap-3">
      <div className="grid gap-2">
        {(
          [
            ['rows', 'In rows from the top'],
            ['outwards', 'Outwards from the middle'],
            ['sections', 'Section by section'],
          ] as const
        ).map(([order, words]) => (
          <Button
            key={order}
            look="line"
            unless={desk.busy ? CHANGING : null}
            onClick={() => void desk.edit({ kind: 'renumber', order }, 'Numbered anew.')}
          >
            {words}
          </Button>
        ))}
      </div>
      {numbers.length === 1 && one !== undefined && <NumberForm key={one} one={one} panelId={panel.id} desk={desk} />}
      <div className="grid grid-cols-2 gap-2">
        <Button
          unless={open.length === 0 ? 'Pick pieces whose numbers are to stay.' : null}
          onClick={() => void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: open, locked: true } })}
        >
          Lock {open.length > 0 && showNumbers(open, 3)}
        </Button>
        <Button
          unless={locked.length === 0 ? 'Nothing picked has a locked number.' : null}
          onClick={() =>
            void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: locked, locked: false } })
          }
        >
          Unlock {locked.length > 0 && showNumbers(locked, 3)}
        </Button>
      </div>
      <p className="text-[15px] text-mute">Locked numbers are underlined.</p>
    </div>
  );
}

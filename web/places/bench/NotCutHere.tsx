import { TAKEN_IN, TAKEN_IN_KINDS } from '#core/bench';
import { newId } from '../../state/ids.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Menu, MenuItem, MenuLine, MenuTitle } from '../../ui/Menu.tsx';

/** So long what was ordered may take, days, as it is said. */
const ARRIVES = [
  [3, 'three days'],
  [7, 'a week'],
  [14, 'two weeks'],
  [28, 'four weeks'],
] as const;
const MINUTES_A_DAY = 1440;

/**
 * Pieces that are not cut here: bought ready-shaped or old glass that goes back are in hand at once; what was ordered is
 * waited for, and is in hand when it arrives.
 */
export function NotCutHere({ panelId, numbers }: { panelId: string; numbers: readonly number[] }) {
  const send = useSend();
  return (
    <Menu button={<Button className="px-1">Not cut here …</Button>}>
      {TAKEN_IN_KINDS.map((as) => (
        <MenuItem
          key={as}
          onPick={() => void send.command({ kind: 'take-in', ask: { panelId, numbers, as } }, 'In hand.')}
        >
          {TAKEN_IN[as].replace(/^./, (c) => c.toUpperCase())}
        </MenuItem>
      ))}
      <MenuLine />
      <MenuTitle>Ordered, arrives in</MenuTitle>
      {ARRIVES.map(([days, words]) => (
        <MenuItem
          key={days}
          onPick={() =>
            void send.command(
              {
                kind: 'begin-wait',
                ask: { id: newId(), panelId, numbers, name: 'ordered', minutes: days * MINUTES_A_DAY },
              },
              'Waited for; when they arrive, take them in as bought.',
            )
          }
        >
          {words}
        </MenuItem>
      ))}
    </Menu>
  );
}

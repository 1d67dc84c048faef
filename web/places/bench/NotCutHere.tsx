import { TAKEN_IN, TAKEN_IN_KINDS } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Menu, MenuItem } from '../../ui/Menu.tsx';

/** Pieces that are in hand without being cut: bought ready-shaped, or old glass that goes back. */
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
    </Menu>
  );
}

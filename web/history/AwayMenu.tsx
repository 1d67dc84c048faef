import { Archive, Ellipsis, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { Menu, MenuItem, MenuLine } from '../ui/Menu.tsx';
import { DeleteQuestion, type MayGo } from './DeleteQuestion.tsx';

/** What may be done with a job, a panel, a glass or a person beside its work; archiving and deleting come last. */
export function AwayMenu({
  of,
  children,
  onGone,
  mayArchive = true,
}: {
  of: MayGo;
  /** Items of its own, above. */
  children?: ReactNode;
  onGone?: () => void;
  mayArchive?: boolean;
}) {
  const send = useSend();
  const [asked, setAsked] = useState<MayGo | null>(null);
  const archive = async () => {
    const ask = { table: of.table, id: of.id, as: 'archived' as const };
    if (await send.command({ kind: 'put-away', ask }, `“${of.name}” archived.`)) onGone?.();
  };
  return (
    <>
      <Menu
        button={
          <Button look="line" className="w-11 px-0!" aria-label={`More for ${of.name}`}>
            <Ellipsis aria-hidden size={20} />
          </Button>
        }
      >
        {children}
        {children && <MenuLine />}
        {mayArchive && (
          <MenuItem onPick={() => void archive()}>
            <Archive aria-hidden size={18} className="text-mute" /> Archive
          </MenuItem>
        )}
        <MenuItem onPick={() => setAsked(of)}>
          <Trash2 aria-hidden size={18} className="text-mute" /> Delete …
        </MenuItem>
      </Menu>
      <DeleteQuestion of={asked} onClose={() => setAsked(null)} {...(onGone ? { onDone: onGone } : {})} />
    </>
  );
}

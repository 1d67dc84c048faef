import { Command } from 'cmdk';
import { rankOf } from './rank.ts';
import { useFinds } from './useFinds.ts';

/** Everything by its name: a few letters, Enter, and one is there. */
export function Finder({ onClose }: { onClose: () => void }) {
  const groups = useFinds();
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Find"
      loop
      filter={(_, typed, [name = '', more = ''] = []) => rankOf(name, more, typed)}
      overlayClassName="fixed inset-0 z-40 bg-black/35"
      contentClassName="fixed top-[9vh] left-1/2 z-50 flex max-h-[74vh] w-[min(640px,94vw)] -translate-x-1/2 flex-col overflow-hidden rounded-lg border border-strong bg-sheet text-ink shadow-2xl"
    >
      <Command.Input
        placeholder="A job, a piece, a glass, a sheet, a person, a place …"
        className="min-h-16 w-full border-b border-line bg-transparent px-6 text-[19px] outline-none placeholder:text-mute"
      />
      <Command.List className="min-h-0 flex-1 overflow-y-auto px-2 pb-3">
        <Command.Empty className="px-4 py-6 text-mute">Nothing here is called that.</Command.Empty>
        {groups.map(({ title, finds }) =>
          finds.length === 0 ? null : (
            <Command.Group
              key={title}
              heading={title}
              className="**:[[cmdk-group-heading]]:px-4 **:[[cmdk-group-heading]]:pt-4 **:[[cmdk-group-heading]]:pb-1 **:[[cmdk-group-heading]]:text-[14px] **:[[cmdk-group-heading]]:text-mute"
            >
              {finds.map(({ key, words, more, colour, go }) => (
                <Command.Item
                  key={key}
                  value={key}
                  keywords={[words, more]}
                  onSelect={() => {
                    onClose();
                    go();
                  }}
                  className="flex min-h-11 cursor-pointer items-center gap-3 rounded-md px-4 data-[selected=true]:bg-soft data-[selected=true]:shadow-[inset_3px_0_0_var(--copper)]"
                >
                  {colour && (
                    <i
                      aria-hidden
                      className="size-5 shrink-0 rounded-sm border border-strong"
                      style={{ background: colour }}
                    />
                  )}
                  <span className="font-semibold">{words}</span>
                  <span className="min-w-0 truncate text-[15px] text-mute">{more}</span>
                </Command.Item>
              ))}
            </Command.Group>
          ),
        )}
      </Command.List>
    </Command.Dialog>
  );
}

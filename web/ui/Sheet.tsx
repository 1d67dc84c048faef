import { Dialog } from 'radix-ui';
import { use, type ReactNode } from 'react';
import { InSight } from './inSight.ts';

/** A sheet laid over the right of the worktop; the drawing beside it stays in sight. */
export function Sheet({
  title,
  open,
  onClose,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const isSeen = use(InSight);
  if (!open || !isSeen) return null;
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-y-0 right-0 z-30 flex w-[min(460px,94vw)] flex-col gap-4 overflow-y-auto border-l border-line bg-sheet p-6 text-ink shadow-2xl"
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="text-2xl">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 rounded-md px-3 font-semibold text-mute hover:text-ink">
              Close
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

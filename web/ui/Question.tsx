import { AlertDialog } from 'radix-ui';
import { use, type ReactNode } from 'react';
import { InSight } from './inSight.ts';
import { Button } from './Button.tsx';

/** A question before something large is done. Leaving it is the easy way out. */
export function Question({
  title,
  yes,
  no,
  open,
  onYes,
  onNo,
  children,
}: {
  title: string;
  yes: string;
  no: string;
  open: boolean;
  onYes: () => void;
  onNo: () => void;
  children: ReactNode;
}) {
  const isSeen = use(InSight);
  if (!open || !isSeen) return null;
  return (
    <AlertDialog.Root open onOpenChange={(next) => !next && onNo()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[min(460px,92vw)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-lg bg-sheet p-6 text-ink shadow-2xl">
          <AlertDialog.Title className="text-2xl">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="text-[16px]">{children}</div>
          </AlertDialog.Description>
          <div className="grid grid-cols-2 gap-2">
            <AlertDialog.Cancel asChild>
              <Button>{no}</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="go" onClick={onYes}>
                {yes}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

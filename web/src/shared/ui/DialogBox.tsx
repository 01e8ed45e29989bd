import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { enterFirst, giveBack, useCountedOpen } from './openDialogs.ts';

interface DialogSheetProps {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
  readonly note?: string;
}

/**
 * A sheet laid over the board: a titled dialog with an ink edge. It opens in its first field (or in what is marked `data-first`); closing
 * it gives the keyboard back, and going back in the browser closes it first.
 */
export function DialogBox({ title, open, onClose, children, wide = false, note }: DialogSheetProps) {
  useCountedOpen(open, onClose);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(next) => {
        if (!next) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/25 dark:bg-ground/70 z-20" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            enterFirst(event.target as HTMLElement);
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveBack();
          }}
          className={`fixed left-1/2 top-[9vh] -translate-x-1/2 z-30 bg-sheet border border-ink max-h-[84vh] overflow-auto ${wide ? 'w-[min(880px,94vw)]' : 'w-[min(480px,94vw)]'}`}
        >
          <header className="flex items-baseline justify-between gap-4 px-5 pt-4 pb-2">
            <Dialog.Title className="text-part font-bold">{title}</Dialog.Title>
            <Dialog.Close className="text-ink2 hover:text-ink px-1" aria-label="Close">
              Close <span className="plain-key">Esc</span>
            </Dialog.Close>
          </header>
          {note !== undefined && <p className="px-5 pb-2 text-ink2">{note}</p>}
          <div className="px-5 pb-5">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

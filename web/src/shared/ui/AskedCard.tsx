import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

interface AskedCardProps {
  /** The id of the heading it is named by. */
  readonly titleId: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** The card that opens under a name with dots: why a figure is what it is, how a thing is done. */
export function AskedCard({ titleId, className = 'w-[420px]', children }: AskedCardProps) {
  return (
    <Popover.Portal>
      <Popover.Content
        collisionPadding={8}
        sideOffset={4}
        // What does not fit is scrolled by the arrow keys.
        tabIndex={0}
        aria-labelledby={titleId}
        className={`z-30 ${className} max-h-[var(--radix-popover-content-available-height)] overflow-y-auto bg-sheet border border-ink px-4 py-3 text-left text-body not-italic text-ink leading-snug whitespace-normal`}
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  );
}

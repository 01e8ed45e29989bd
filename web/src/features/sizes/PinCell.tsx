import type { Pin } from '@jobbet/core/study';
import { Pin as PinIcon } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import type { Pinnable } from './rows.tsx';

interface PinCellProps {
  /** `tail on 4`, for what is read out. */
  readonly name: string;
  readonly now: Pinnable;
  /** The pin that stands here, if one does. */
  readonly pinned: Pin | undefined;
  readonly children: ReactNode;
  /** Pins a value here, or lets go where it is empty. */
  readonly onPin: (value: string) => void;
}

/** A cell that follows the run until something is written in it; emptied it follows again. */
export function PinCell({ name, now, pinned, children, onPin }: PinCellProps) {
  const [written, setWritten] = useState<string | null>(null);
  const take = (): void => {
    if (written !== null && written.trim() !== now.value) onPin(written);
    setWritten(null);
  };
  if (written !== null)
    return (
      <input
        className="field w-full"
        aria-label={`pin ${name}`}
        autoFocus
        spellCheck={false}
        value={written}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setWritten(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') setWritten(null);
        }}
      />
    );
  return (
    <button
      type="button"
      className={`text-left w-full min-h-6 hover:underline decoration-dotted underline-offset-4 ${pinned ? 'font-semibold' : ''}`}
      aria-label={`${name}: ${pinned ? `pinned at ${pinned.value}` : 'follows the run'}`}
      title={
        pinned ? `Pinned at ${pinned.value}. Empty it to let it follow.` : `${now.value}. Write another to pin it.`
      }
      onClick={() => setWritten(now.value)}
    >
      {pinned && <PinIcon size={12} aria-hidden="true" className="inline mr-1 text-measure" />}
      {children}
    </button>
  );
}

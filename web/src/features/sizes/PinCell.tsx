import type { Fault } from '@jobbet/core/base';
import { isLengthPin, type Pin } from '@jobbet/core/study';
import { withUnit } from '@jobbet/core/units';
import { Pin as PinIcon } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';
import { useSettings } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import type { Pinnable } from './rows.tsx';

interface PinCellProps {
  /** `tail on 4`, for what is read out. */
  readonly name: string;
  readonly now: Pinnable;
  /** The pin that stands here, if one does. */
  readonly pinned: Pin | undefined;
  readonly children: ReactNode;
  /** Pins a value here, or lets go where it is empty. @returns why it cannot be pinned; it is not then */
  readonly onPin: (value: string) => Fault | null;
}

/** A cell that follows the run until something is written in it; emptied it follows again. What does not read stays to be corrected. */
export function PinCell({ name, now, pinned, children, onPin }: PinCellProps) {
  const [written, setWritten] = useState<string | null>(null);
  const [fault, setFault] = useState<Fault | null>(null);
  const { length, bareNumbers } = useSettings();
  const id = useId();
  const leave = (): void => {
    setWritten(null);
    setFault(null);
  };
  const take = (): void => {
    if (written === null || written.trim() === now.value) {
      leave();
      return;
    }
    const value = isLengthPin(now) && bareNumbers === 'shown' ? withUnit(written, length) : written;
    const wrong = onPin(value);
    if (wrong) setFault(wrong);
    else leave();
  };
  if (written !== null)
    return (
      <>
        <input
          className="field w-full"
          aria-label={`pin ${name}`}
          aria-invalid={fault !== null}
          aria-describedby={fault ? id : undefined}
          autoFocus
          spellCheck={false}
          value={written}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => {
            setWritten(event.target.value);
            setFault(null);
          }}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            if (event.key === 'Escape') leave();
          }}
        />
        {fault && (
          <span id={id} role="alert" className="flex gap-1 text-label text-warn">
            <SnagFlag /> <span>{fault.message}</span>
          </span>
        )}
      </>
    );
  return (
    <button
      type="button"
      className={`text-left w-full min-h-6 hover:underline decoration-dotted underline-offset-4 ${pinned ? 'font-semibold' : ''}`}
      aria-label={`${name}: ${pinned ? `pinned at ${pinned.value}` : 'follows the run'}`}
      title={
        pinned ? `Pinned at ${pinned.value}. Empty it to let it follow.` : `${now.value}. Write another to pin it.`
      }
      onClick={() => setWritten(pinned?.value ?? now.value)}
    >
      {pinned && <PinIcon size={12} aria-hidden="true" className="inline mr-1 text-measure" />}
      {children}
    </button>
  );
}

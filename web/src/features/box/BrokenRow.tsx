import type { ListedFly } from '../../shared/api/client.ts';
import { saveKept } from './saveKept.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import type { RowPlace } from './BoxRow.tsx';

interface BrokenRowProps {
  readonly fly: ListedFly;
  readonly place: RowPlace;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly onRemove: () => void;
}

/** A fly that does not lay out: why, and the way to its file. */
export function BrokenRow({ fly, place, picked, onPick, onRemove }: BrokenRowProps) {
  return (
    <li
      className={`absolute right-0 border-b border-hair flex items-center gap-4 px-4 ${picked ? 'bg-sunk' : ''}`}
      style={{ top: place.top, height: place.height, left: place.left }}
      aria-setsize={place.of}
      aria-posinset={place.index + 1}
      onFocus={onPick}
    >
      <span className="text-warn shrink-0">
        <SnagFlag />
      </span>
      <span className="flex-1 min-w-0">
        <span className="block text-sentence font-bold truncate">{fly.name}</span>
        <span className="block text-warn truncate" title={fly.broken ?? ''}>
          does not lay out: {fly.broken}
        </span>
      </span>
      <button type="button" className="sheet-button" onClick={() => saveKept(fly)}>
        Save the pattern file
      </button>
      <button type="button" className="sheet-button" onClick={onRemove}>
        Put in the trash
      </button>
    </li>
  );
}

import type { DrawerName } from '@jobbet/core/drawers';
import type { RefObject } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { FindField } from '../../shared/ui/FindField.tsx';
import { setsOf } from './columnSets.ts';

interface DrawerFilterProps {
  readonly drawer: DrawerName;
  readonly search: RefObject<HTMLInputElement | null>;
  readonly find: string;
  readonly onFind: (words: string) => void;
  readonly kinds: readonly string[];
  readonly kind: string;
  readonly onKind: (kind: string) => void;
  readonly set: string;
  readonly onSet: (set: string) => void;
  /** How many rows there are. */
  readonly told: string;
  /** Null while there is nothing to take out. */
  readonly onRemove: (() => void) | null;
}

/** Which rows and columns of a drawer are shown, and what is taken out. */
export function DrawerFilter(props: DrawerFilterProps) {
  const { drawer, search, find, onFind, kinds, kind, onKind, set, onSet, told, onRemove } = props;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 min-h-11 py-1 border-b border-hair shrink-0">
      <FindField
        field={search}
        label="Find in the drawer"
        placeholder="Find by any word"
        value={find}
        onChange={onFind}
      />
      {kinds.length > 1 && (
        <label className="flex gap-2 text-ink2">
          only
          <ChoiceField label="only" value={kind} options={kinds} empty="all" onChange={onKind} />
        </label>
      )}
      {setsOf(drawer).length > 1 && (
        <div role="group" aria-label="Columns" className="flex gap-3 items-baseline">
          {setsOf(drawer).map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={each === set}
              className={each === set ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink'}
              onClick={() => onSet(each)}
            >
              {each}
            </button>
          ))}
          <span className="plain-key" aria-hidden="true">
            C
          </span>
        </div>
      )}
      <span className="italic text-ink3" role="status">
        {told}
      </span>
      <div className="ml-auto flex gap-3">
        <button type="button" className="sheet-button" disabled={onRemove === null} onClick={() => onRemove?.()}>
          Remove
        </button>
      </div>
    </div>
  );
}

import type { RefObject } from 'react';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { FindField } from '../../shared/ui/FindField.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { sortsOf, type SortName } from './sorting.ts';
import type { ShownFlies } from './useShownFlies.ts';

interface BoxBarProps {
  readonly search: RefObject<HTMLInputElement | null>;
  readonly files: RefObject<HTMLInputElement | null>;
  readonly shown: ShownFlies;
  readonly count: string;
  readonly onFind: (words: string) => void;
  readonly onFirst: () => void;
  readonly onNew: () => void;
  readonly onTake: (files: FileList | null) => void;
}

/** The two lines above the box: where to go from here, and what of the box is shown in which order. */
export function BoxBar(props: BoxBarProps) {
  const { search, files, shown, count, onFind, onFirst, onTake, onNew } = props;
  const { find, sort, setSort, here, settling, unsettled, setSettling } = shown;
  return (
    <>
      <HouseBar title="Box" primary={{ words: 'Lay out a new fly', run: onNew }}>
        <FilesInput ref={files} label="Pattern files" accept=".json,application/json" onTake={onTake} />
      </HouseBar>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 min-h-11 py-1 border-b border-hair shrink-0">
        <FindField
          field={search}
          label="Find a fly"
          placeholder="Find by name, hook, material or ride"
          value={find}
          onChange={onFind}
          onEnter={onFirst}
          wide
        />
        <button
          type="button"
          aria-pressed={settling}
          disabled={!unsettled && !settling}
          className={`flex items-center gap-1.5 shrink-0 px-1.5 border-b-2 ${settling ? 'bg-pick text-on-pick border-ink' : 'border-transparent'}`}
          title="Only flies with something to settle"
          onClick={() => setSettling(!settling)}
        >
          {unsettled !== null && unsettled > 0 && <SnagFlag />} {unsettled} to settle{' '}
          <span className="plain-key">X</span>
        </button>
        <button type="button" className="ml-auto shrink-0" onClick={() => files.current?.click()}>
          import <span className="plain-key">I</span>
        </button>
        <label className="flex gap-2 text-ink2 min-w-0">
          in order of{' '}
          <select className="field" value={sort} onChange={(event) => setSort(event.target.value as SortName)}>
            {sortsOf(here).map(([name, words]) => (
              <option key={name} value={name}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <span className="italic text-ink3" role="status">
          {count}
        </span>
      </div>
    </>
  );
}

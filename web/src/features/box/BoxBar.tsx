import type { RefObject } from 'react';
import { useNavigate } from 'react-router';
import type { ShellContext } from '../../shared/ui/shellContext.ts';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { FindField } from '../../shared/ui/FindField.tsx';
import { SORTS, type SortName } from './sorting.ts';

interface BoxBarProps extends Pick<ShellContext, 'openNew'> {
  readonly search: RefObject<HTMLInputElement | null>;
  readonly files: RefObject<HTMLInputElement | null>;
  readonly find: string;
  readonly sort: SortName;
  readonly count: string;
  readonly onFind: (words: string) => void;
  readonly onFirst: () => void;
  readonly onSort: (sort: SortName) => void;
  readonly onTake: (files: FileList | null) => void;
}

/** The two lines above the box: where to go from here, and what of the box is shown in which order. */
export function BoxBar(props: BoxBarProps) {
  const { search, files, find, sort, count, onFind, onFirst, onSort, onTake, openNew } = props;
  const navigate = useNavigate();
  return (
    <>
      <TopBar title={<h1 className="text-fly font-bold">Box</h1>}>
        <button type="button" onClick={() => files.current?.click()}>
          import <span className="plain-key">I</span>
        </button>
        <button type="button" onClick={() => void navigate('/drawers')}>
          drawers <span className="plain-key">D</span>
        </button>
        <button type="button" onClick={() => void navigate('/trash')}>
          trash
        </button>
        <button type="button" onClick={() => void navigate('/settings')}>
          settings
        </button>
        <button type="button" onClick={() => void navigate('/help')}>
          help
        </button>
        <ShellKeys />
        <button type="button" className="sheet-button primary" onClick={openNew}>
          Lay out a new fly <span className="opacity-70">N</span>
        </button>
        <input
          ref={files}
          type="file"
          accept=".json,application/json"
          multiple
          hidden
          aria-label="Pattern files"
          onChange={(event) => {
            onTake(event.target.files);
            event.target.value = '';
          }}
        />
      </TopBar>
      <div className="flex items-center gap-3 px-4 h-11 border-b border-hair shrink-0">
        <FindField
          field={search}
          label="Find a fly"
          placeholder="Find by name, hook, material or ride"
          value={find}
          onChange={onFind}
          onEnter={onFirst}
          wide
        />
        <label className="ml-auto flex gap-2 text-ink2">
          in order of{' '}
          <select className="field" value={sort} onChange={(event) => onSort(event.target.value as SortName)}>
            {Object.entries(SORTS).map(([name, words]) => (
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

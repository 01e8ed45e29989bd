import { DRAWERS, type DrawerName } from '@jobbet/core/drawers';
import type { RefObject } from 'react';
import { NavLink } from 'react-router';
import { toggleInstruments } from '../../shared/instruments/store.ts';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { useDrawerHistory } from './history.ts';

interface DrawerTopProps {
  readonly drawer: DrawerName;
  readonly file: RefObject<HTMLInputElement | null>;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onTakeIn: () => void;
  readonly onSave: () => void;
  readonly onFiles: (files: FileList | null) => void;
}

/** All drawers by name, undo and redo, CSV, and the instruments. */
export function DrawerTop({ drawer, file, onUndo, onRedo, onTakeIn, onSave, onFiles }: DrawerTopProps) {
  const { past, future } = useDrawerHistory();
  return (
    <TopBar
      title={
        <>
          <h1 className="text-fly font-bold">Drawers</h1>
          <nav aria-label="Drawers" className="flex gap-4 self-stretch">
            {DRAWERS.map((each) => (
              <NavLink
                key={each}
                to={`/drawers/${each}`}
                className={({ isActive }) =>
                  `flex items-center border-b-[3px] ${isActive || each === drawer ? 'border-ink font-bold' : 'border-transparent text-ink2 hover:text-ink'}`
                }
              >
                {each}
              </NavLink>
            ))}
          </nav>
        </>
      }
    >
      <button type="button" disabled={past.length === 0} onClick={onUndo}>
        undo <span className="plain-key">Z</span>
      </button>
      <button type="button" disabled={future.length === 0} onClick={onRedo}>
        redo
      </button>
      <button type="button" onClick={onTakeIn}>
        import CSV <span className="plain-key">I</span>
      </button>
      <button type="button" onClick={onSave}>
        save CSV <span className="plain-key">S</span>
      </button>
      <button type="button" onClick={toggleInstruments}>
        caliper and scale <span className="plain-key">M</span>
      </button>
      <ShellKeys />
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        hidden
        aria-label="CSV file"
        onChange={(event) => {
          onFiles(event.target.files);
          event.target.value = '';
        }}
      />
    </TopBar>
  );
}

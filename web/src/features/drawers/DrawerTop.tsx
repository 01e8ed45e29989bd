import type { DrawerName } from '@jobbet/core/drawers';
import type { RefObject } from 'react';
import { toggleInstruments } from '../../shared/instruments/store.ts';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { useDrawerHistory } from '../../fly/drawers/history.ts';
import { Fronts } from './Fronts.tsx';
import { ONE } from './words.ts';

interface DrawerTopProps {
  readonly drawer: DrawerName;
  readonly file: RefObject<HTMLInputElement | null>;
  readonly onAdd: (() => void) | null;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onTakeIn: () => void;
  readonly onSave: () => void;
  readonly onFiles: (files: FileList | null) => void;
}

/** The bar of the boathouse over the fronts of the drawers, each by its label, and what is done with the open one. */
export function DrawerTop(props: DrawerTopProps) {
  const { drawer, file, onAdd, onUndo, onRedo, onTakeIn, onSave, onFiles } = props;
  const { past, future } = useDrawerHistory();
  return (
    <>
      <HouseBar
        title="Drawers"
        sub="what every fly is reckoned with"
        primary={{ words: `Lay in another ${ONE[drawer]}`, run: onAdd }}
      />
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1 px-4 pt-2 border-b border-hair shrink-0">
        <Fronts open={drawer} />
        <div className="ml-auto flex flex-wrap items-center gap-4 pb-1.5">
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
        </div>
      </div>
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
    </>
  );
}

import { kindOf, DRAWERS, type DrawerName, type HookItem } from '@jobbet/core/drawers';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useParams } from 'react-router';
import type { StoredItem } from '../../shared/api/client.ts';
import { useFlies } from '../../shared/api/listed.ts';
import { aimNowhere } from '../../shared/instruments/store.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { BeatsDrawer } from './BeatsDrawer.tsx';
import { ChangedFlies } from './ChangedFlies.tsx';
import { columnsOf, setsOf } from './columnSets.ts';
import { readCsv, writeCsv } from './csv.ts';
import { CsvDialog } from './CsvDialog.tsx';
import { DRAWER } from './commands.ts';
import { DrawerFilter } from './DrawerFilter.tsx';
import { DrawerTop } from './DrawerTop.tsx';
import { DrawerTable } from './DrawerTable.tsx';
import { HookOutline } from './HookOutline.tsx';
import { addItem, redoDrawers, removeItem, undoDrawers } from '../../fly/drawers/history.ts';
import { newItem } from './newItem.ts';
import { countsOf } from './usedBy.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { CAUTION, ONE } from './words.ts';

const isDrawer = (name: string | undefined): name is DrawerName => (DRAWERS as readonly string[]).includes(name ?? '');

function doing(work: Promise<unknown>): void {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It did not work.'));
}

/** The drawers: hooks, weights, materials and threads as tables that flies are solved with. */
export function DrawersView() {
  const params = useParams();
  if (params['drawer'] === 'beats') return <BeatsDrawer />;
  const drawer: DrawerName = isDrawer(params['drawer']) ? params['drawer'] : 'hooks';
  return <OneDrawer key={drawer} drawer={drawer} />;
}

function OneDrawer({ drawer }: { readonly drawer: DrawerName }) {
  const { drawers, error } = useDrawers();
  const { flies } = useFlies();
  const [find, setFind] = useState('');
  const [kind, setKind] = useState('');
  const [set, setSet] = useState(setsOf(drawer)[0] ?? '');
  const [count, setCount] = useState(0);
  const [picked, setPicked] = useState<StoredItem | undefined>(undefined);
  const [fresh, setFresh] = useState<string | null>(null);
  const [incoming, setIncoming] = useState<CsvFile | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const all = useMemo(() => (drawers?.rows ?? []).filter((row) => row.drawer === drawer), [drawers, drawer]);
  const kinds = useMemo(() => [...new Set(all.map((row) => kindOf(drawer, row.item)))].sort(), [all, drawer]);
  const rows = useMemo(
    () => all.filter((row) => kind === '' || kindOf(drawer, row.item) === kind),
    [all, kind, drawer],
  );
  const columns = useMemo(() => columnsOf(drawer, set, countsOf(flies ?? [], drawer)), [drawer, set, flies]);
  useEffect(() => aimNowhere, []);
  const { add, remove, save, openCsv } = actionsOf(drawer, all);
  const takeIn = (): void => file.current?.click();
  const onAdd = (): void => {
    setFind('');
    add(picked, setFresh);
  };
  const sets = setsOf(drawer);
  useTable('drawers', DRAWER, {
    find: () => search.current?.focus(),
    add: onAdd,
    remove: picked && (() => remove(picked)),
    columns: () => setSet(sets[(sets.indexOf(set) + 1) % sets.length] ?? set),
    takeIn,
    save,
    undo,
    redo,
  });
  return (
    <div className="flex flex-col h-full ">
      <DrawerTop
        drawer={drawer}
        file={file}
        onAdd={drawers ? onAdd : null}
        onUndo={undo}
        onRedo={redo}
        onTakeIn={takeIn}
        onSave={save}
        onFiles={(list) => openCsv(list, setIncoming)}
      />
      <DrawerFilter
        {...{ drawer, search, find, kinds, kind, set }}
        onFind={setFind}
        onKind={setKind}
        onSet={setSet}
        told={drawers ? `${String(count)} of ${String(all.length)}` : ''}
        onRemove={picked ? () => remove(picked) : null}
      />
      <main className="flex-1 min-h-0 flex flex-col">
        <Told
          drawer={drawer}
          failed={error !== undefined}
          rows={drawers ? all.length : null}
          found={count}
          find={find}
        />
        {drawers && all.length > 0 && (
          <div className="flex-1 min-h-0 flex">
            <DrawerTable {...{ drawer, rows, columns, find, fresh }} onPick={setPicked} onCount={setCount} />
            {drawer === 'hooks' && picked && <HookOutline hook={picked.item as HookItem} drawers={drawers.tables} />}
          </div>
        )}
        <p className="shrink-0 px-4 py-1 border-t border-hair text-label text-ink2">{CAUTION[drawer]}</p>
        <ChangedFlies />
      </main>
      {incoming && <Incoming drawer={drawer} file={incoming} all={all} onClose={() => setIncoming(null)} />}
    </div>
  );
}

interface CsvFile {
  readonly name: string;
  readonly text: string;
}

const undo = (): void => doing(undoDrawers());
const redo = (): void => doing(redoDrawers());

/** What is done with a drawer, and said where it fails. */
function actionsOf(drawer: DrawerName, all: readonly StoredItem[]) {
  const items = all.map((row) => row.item);
  return {
    /** @param like the item a new one begins as @param onFresh told the id of the new one */
    add: (like: StoredItem | undefined, onFresh: (id: string) => void): void => {
      const item = newItem(drawer, like?.item, items);
      if (item) doing(addItem(drawer, item).then(onFresh));
    },
    remove: (row: StoredItem): void =>
      doing(removeItem(row).then(() => say(`${row.item.name} is out of the drawer.`, { name: 'Undo', run: undo }))),
    save: (): void => saveFile(`${drawer}.csv`, writeCsv(drawer, items), 'text/csv'),
    openCsv: (list: FileList | null, onOpen: (file: CsvFile) => void): void => {
      const [first] = list ?? [];
      if (first) doing(first.text().then((text) => onOpen({ name: first.name, text })));
    },
  };
}

interface ToldProps {
  readonly drawer: DrawerName;
  readonly failed: boolean;
  /** How many rows there are in all, null until they are here; and how many of them answer. */
  readonly rows: number | null;
  readonly found: number;
  readonly find: string;
}

/** What is said where there are no rows to show. */
function Told({ drawer, failed, rows, found, find }: ToldProps) {
  if (failed)
    return (
      <p role="alert" className="m-4 px-3 py-2 bg-warnwash">
        The drawers cannot be fetched: is the server running? What lies in them is safe there.
      </p>
    );
  if (rows === 0)
    return (
      <p className="p-6 text-sentence text-ink2">
        The drawer is empty. Lay in the first {ONE[drawer]} <span className="plain-key">N</span>, or import a CSV{' '}
        <span className="plain-key">I</span>.
      </p>
    );
  return rows !== null && found === 0 && find !== '' ? (
    <p className="p-4 text-ink2">Nothing in the drawer answers to “{find}”.</p>
  ) : null;
}

interface IncomingProps {
  readonly drawer: DrawerName;
  readonly file: CsvFile;
  readonly all: readonly StoredItem[];
  readonly onClose: () => void;
}

/** A CSV that is looked at before it is laid in. */
function Incoming({ drawer, file, all, onClose }: IncomingProps) {
  const read = useMemo(
    () =>
      readCsv(
        drawer,
        file.text,
        all.map((row) => row.item),
      ),
    [drawer, file, all],
  );
  return <CsvDialog drawer={drawer} file={file.name} read={read} onClose={onClose} />;
}

import { kindOf, DRAWERS, type DrawerItem, type DrawerName } from '@jobbet/core/drawers';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { NavLink, useParams } from 'react-router';
import type { StoredItem } from '../../shared/api/client.ts';
import { useFlies } from '../../shared/api/listed.ts';
import { aimNowhere, toggleInstruments } from '../../shared/instruments/store.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { FindField } from '../../shared/ui/FindField.tsx';
import { ChangedFlies } from './ChangedFlies.tsx';
import { columnsOf, setsOf } from './columnSets.ts';
import { readCsv, writeCsv } from './csv.ts';
import { CsvDialog } from './CsvDialog.tsx';
import { DrawerTable } from './DrawerTable.tsx';
import { addItem, redoDrawers, removeItem, undoDrawers, useDrawerHistory } from './history.ts';
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
  const [incoming, setIncoming] = useState<{ readonly name: string; readonly text: string } | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const { past, future } = useDrawerHistory();
  const all = useMemo(() => (drawers?.rows ?? []).filter((row) => row.drawer === drawer), [drawers, drawer]);
  const kinds = useMemo(() => [...new Set(all.map((row) => kindOf(drawer, row.item)))].sort(), [all, drawer]);
  const rows = useMemo(
    () => all.filter((row) => kind === '' || kindOf(drawer, row.item) === kind),
    [all, kind, drawer],
  );
  const columns = useMemo(() => columnsOf(drawer, set, countsOf(flies ?? [], drawer)), [drawer, set, flies]);
  useEffect(() => aimNowhere, []);
  const add = (): void => {
    const item = newItem(
      drawer,
      picked?.item,
      all.map((row) => row.item),
    );
    if (!item) return;
    setFind('');
    doing(addItem(drawer, item).then(setFresh));
  };
  const remove = (): void => {
    if (!picked) return;
    doing(removeItem(picked).then(() => say(`${picked.item.name} is out of the drawer.`, { name: 'Undo', run: undo })));
  };
  const undo = (): void => doing(undoDrawers());
  const redo = (): void => doing(redoDrawers());
  const save = (): void => {
    saveFile(
      `${drawer}.csv`,
      writeCsv(
        drawer,
        all.map((row) => row.item),
      ),
      'text/csv',
    );
  };
  const open = (list: FileList | null): void => {
    const [first] = list ?? [];
    if (first) doing(first.text().then((text) => setIncoming({ name: first.name, text })));
  };
  const takeIn = (): void => file.current?.click();
  const nextSet = (): void => {
    const sets = setsOf(drawer);
    setSet(sets[(sets.indexOf(set) + 1) % sets.length] ?? set);
  };
  useOffered('drawers', [
    { name: 'Find in the drawer', group: 'Drawers', keys: '/', run: () => search.current?.focus() },
    { name: `Lay in another ${ONE[drawer]}`, group: 'Drawers', keys: 'a', run: add },
    { name: `Take the ${ONE[drawer]} out`, group: 'Drawers', keys: 'shift+delete', run: remove },
    { name: 'Other columns', group: 'Drawers', keys: 'c', run: nextSet },
    { name: 'Take in a CSV', group: 'Drawers', keys: 'i', run: takeIn },
    { name: 'Save as CSV', group: 'Drawers', keys: 's', run: save },
    { name: 'Undo', group: 'Drawers', keys: 'ctrl+z or z', run: undo },
    { name: 'Redo', group: 'Drawers', keys: 'ctrl+shift+z or ctrl+y or shift+z', run: redo },
  ]);
  const read = useMemo(() => (incoming ? readCsv(drawer, incoming.text) : null), [drawer, incoming]);
  const known = useCallback(
    (item: DrawerItem): boolean =>
      all.some(
        (row) =>
          kindOf(drawer, row.item) === kindOf(drawer, item) && row.item.name.toLowerCase() === item.name.toLowerCase(),
      ),
    [all, drawer],
  );
  return (
    <div className="flex flex-col h-full min-w-[1000px]">
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
        <button type="button" disabled={past.length === 0} onClick={undo}>
          undo <span className="plain-key">Z</span>
        </button>
        <button type="button" disabled={future.length === 0} onClick={redo}>
          redo
        </button>
        <button type="button" onClick={takeIn}>
          take in CSV <span className="plain-key">I</span>
        </button>
        <button type="button" onClick={save}>
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
            open(event.target.files);
            event.target.value = '';
          }}
        />
      </TopBar>
      <div className="flex items-center gap-4 px-4 h-11 border-b border-hair shrink-0">
        <FindField
          field={search}
          label="Find in the drawer"
          placeholder="Find by any word"
          value={find}
          onChange={setFind}
        />
        {kinds.length > 1 && (
          <label className="flex gap-2 text-ink2">
            only
            <select className="field" value={kind} onChange={(event) => setKind(event.target.value)}>
              <option value="">all</option>
              {kinds.map((each) => (
                <option key={each}>{each}</option>
              ))}
            </select>
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
                onClick={() => setSet(each)}
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
          {drawers ? `${String(count)} of ${String(all.length)}` : ''}
        </span>
        <div className="ml-auto flex gap-3">
          <button type="button" className="sheet-button" disabled={!picked} onClick={remove}>
            Take out
          </button>
          <button type="button" className="sheet-button primary" disabled={!drawers} onClick={add}>
            Lay in another <span className="opacity-70">A</span>
          </button>
        </div>
      </div>
      <main className="flex-1 min-h-0 flex flex-col">
        {error !== undefined && (
          <p role="alert" className="m-4 px-3 py-2 bg-warnwash">
            The drawers cannot be fetched: is the server running? What lies in them is safe there.
          </p>
        )}
        {drawers && all.length === 0 && (
          <p className="p-6 text-sentence text-ink2">
            The drawer is empty. Lay in the first {ONE[drawer]} <span className="plain-key">A</span>, or take in a CSV{' '}
            <span className="plain-key">I</span>.
          </p>
        )}
        {drawers && all.length > 0 && count === 0 && find !== '' && (
          <p className="p-4 text-ink2">Nothing in the drawer answers to “{find}”.</p>
        )}
        {drawers && all.length > 0 && (
          <DrawerTable
            drawer={drawer}
            rows={rows}
            columns={columns}
            find={find}
            fresh={fresh}
            onPick={setPicked}
            onCount={setCount}
          />
        )}
        <p className="shrink-0 px-4 py-1 border-t border-hair text-label text-ink2">{CAUTION[drawer]}</p>
        <ChangedFlies />
      </main>
      {incoming && read && (
        <CsvDialog drawer={drawer} file={incoming.name} read={read} known={known} onClose={() => setIncoming(null)} />
      )}
    </div>
  );
}

import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { Menu, type MenuLine } from '../../shared/ui/Menu.tsx';
import { say } from '../../shared/ui/toast.ts';
import { exportFile, exportPng, exportSvg } from '../export.ts';
import { change, useBench, useBenchStore } from '../store.ts';

/** What can be done with the whole fly, by the words it stands under everywhere. */
function useDoings(onRename: () => void): readonly (MenuLine & { readonly also?: string })[] {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const copy = async (): Promise<void> => {
    const { file } = bench.getState();
    const made = await api.create({ ...file, name: `${file.name}, copy` });
    await mutate('flies');
    void navigate(`/fly/${made.id}`);
    say(`${made.name} is on the bench.`);
  };
  const remove = async (): Promise<void> => {
    const { id, file } = bench.getState();
    await api.remove(id);
    await mutate('flies');
    void navigate('/');
    say(`${file.name} is in the trash.`, {
      name: 'Undo',
      run: () => void api.undelete(id).then(() => mutate('flies')),
    });
  };
  return [
    { name: 'Rename the fly', run: onRename },
    { name: 'Copy the fly', also: 'duplicate', run: () => void copy() },
    {
      name: 'Save the pattern file',
      also: 'export json download',
      apart: true,
      run: () => exportFile(bench.getState().file),
    },
    { name: 'Save the drawing as SVG', also: 'export picture', run: () => exportSvg(bench.getState().laid) },
    { name: 'Save the drawing as PNG', also: 'export picture image', run: () => void exportPng(bench.getState().laid) },
    { name: 'Print', run: () => window.print() },
    { name: 'Put the fly in the trash', also: 'delete remove', apart: true, run: () => void remove() },
  ];
}

/** The fly's name, which opens what can be done with all of it: renamed in its place, copied, saved to a file, trashed. */
export function FlyName() {
  const name = useBench((state) => state.file.name);
  const [renaming, setRenaming] = useState(false);
  const doings = useDoings(() => setRenaming(true));
  // Printing stands among the commands of the view, with its key.
  useOffered(
    'whole fly',
    doings
      .filter((each) => each.name !== 'Print')
      .map(({ name: words, also = '', run }) => ({ name: words, also, run, group: 'Fly' })),
  );
  return (
    <h1 className="text-fly font-bold min-w-[4ch] max-w-[300px] max-[1180px]:max-w-[190px] shrink-[0.2]">
      {renaming ? (
        <Rename onDone={() => setRenaming(false)} />
      ) : (
        <Menu
          align="start"
          className="block max-w-full truncate text-left hover:underline decoration-dotted decoration-1 underline-offset-4"
          title={`${name}: rename, copy, save, trash`}
          lines={doings}
        >
          {name}
        </Menu>
      )}
    </h1>
  );
}

/** The name as a blank; Enter takes it, Escape leaves it. */
function Rename({ onDone }: { readonly onDone: () => void }) {
  const bench = useBenchStore();
  const name = useBench((state) => state.file.name);
  const [draft, setDraft] = useState(name);
  const take = (): void => {
    const next = draft.trim();
    if (next !== '' && next !== name) change(bench, { ...bench.getState().file, name: next });
    onDone();
  };
  return (
    <input
      aria-label="name of the fly"
      autoFocus
      className="bg-pick text-on-pick font-bold w-full [field-sizing:content] min-w-[8ch] outline-none"
      maxLength={120}
      value={draft}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') onDone();
      }}
    />
  );
}

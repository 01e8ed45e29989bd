import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useShell } from '../../shared/ui/shellContext.ts';
import { isSound, useFlies } from '../../shared/api/listed.ts';
import { say } from '../../shared/ui/toast.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { BOX } from './commands.ts';
import { DropFrame } from './DropFrame.tsx';
import { BoxBar } from './BoxBar.tsx';
import { BoxList } from './BoxList.tsx';
import { EmptyBox } from './EmptyBox.tsx';
import { ImportDialog } from './ImportDialog.tsx';
import { importFiles, type Incoming } from './importing.ts';
import { MovedByModel } from './MovedByModel.tsx';
import { RenameDialog } from './RenameDialog.tsx';
import { useShownFlies } from './useShownFlies.ts';

/** Does something that takes the server, and says so where it fails. */
function doing(work: Promise<void>): void {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It did not work.'));
}

async function removeFly(fly: ListedFly): Promise<void> {
  await api.remove(fly.id);
  await mutate('flies');
  say(`${fly.name} is in the trash.`, {
    name: 'Undo',
    run: () => {
      doing(
        api
          .undelete(fly.id)
          .then(() => mutate('flies'))
          .then(() => undefined),
      );
    },
  });
}

async function copyFly(fly: ListedFly): Promise<void> {
  const { file } = await api.fly(fly.id);
  const made = await api.create({ ...file, name: `${fly.name}, copy` });
  await mutate('flies');
  say(`${made.name} is in the box.`);
}

const brokenWords = ({ name, broken }: ListedFly): string =>
  `${name} does not lay out: ${broken ?? ''}. Save its pattern file and mend it there.`;

/** The box: every fly at one common scale, with how it rides, sinks and weighs. */
export function BoxView() {
  const { openNew } = useShell();
  const navigate = useNavigate();
  const { flies: data, error } = useFlies();
  const tables = useDrawers().drawers?.tables;
  const shown = useShownFlies(data);
  const { flies } = shown;
  const [picked, setPicked] = useState(0);
  const [firstWanted, setFirstWanted] = useState(false);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const [renaming, setRenaming] = useState<ListedFly | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const at = Math.min(picked, Math.max(0, flies.length - 1));
  const current = flies[at];
  const open = (fly: ListedFly | undefined): void => {
    if (fly && isSound(fly)) void navigate(`/fly/${fly.id}`);
    else if (fly) say(brokenWords(fly));
  };
  // Enter may come before the flies do: it is kept until they are here.
  useEffect(() => {
    const [first] = flies;
    if (firstWanted && first && isSound(first)) void navigate(`/fly/${first.id}`);
  }, [firstWanted, flies, navigate]);
  const take = (list: FileList | null): void => {
    if (list && list.length > 0) doing(importFiles([...list], data ?? [], tables).then(setIncoming));
  };
  useTable('box', BOX, {
    find: () => search.current?.focus(),
    above: () => setPicked(Math.max(0, at - 1)),
    below: () => setPicked(Math.min(flies.length - 1, at + 1)),
    open: () => open(current),
    copy: current && (() => doing(copyFly(current))),
    rename: current && (() => setRenaming(current)),
    remove: current && (() => doing(removeFly(current))),
    settle: () => shown.setSettling(!shown.settling),
    take: () => files.current?.click(),
  });
  return (
    <DropFrame onTake={take}>
      <BoxBar
        onNew={openNew}
        search={search}
        files={files}
        shown={shown}
        count={data ? `${String(flies.length)} of ${String(data.length)}` : ''}
        onFind={(words) => {
          shown.setFind(words);
          setPicked(0);
          setFirstWanted(false);
        }}
        onFirst={() => setFirstWanted(true)}
        onTake={take}
      />
      <main className="flex-1 min-h-0 flex flex-col">
        <BoxTold failed={error !== undefined} all={data} listed={flies.length} {...shown} onNew={openNew} />
        <MovedByModel />
        {flies.length > 0 && (
          <BoxList
            flies={flies}
            at={at}
            ladder={shown.sort === 'sink'}
            onOpen={open}
            onPick={setPicked}
            onCopy={(fly) => doing(copyFly(fly))}
            onRename={setRenaming}
            onRemove={(fly) => doing(removeFly(fly))}
          />
        )}
      </main>
      {incoming && <ImportDialog incoming={incoming} onClose={() => setIncoming(null)} />}
      {renaming && <RenameDialog fly={renaming} onClose={() => setRenaming(null)} />}
    </DropFrame>
  );
}

interface BoxToldProps {
  readonly failed: boolean;
  readonly all: readonly ListedFly[] | undefined;
  /** How many flies are listed of all. */
  readonly listed: number;
  readonly find: string;
  readonly settling: boolean;
  readonly onNew: () => void;
}

/** What is said where there are no flies to show. */
function BoxTold({ failed, all, listed, find, settling, onNew }: BoxToldProps) {
  return (
    <>
      {failed && (
        <p role="alert" className="m-4 px-3 py-2 bg-warnwash text-ink">
          The box cannot be fetched: is the server running? What you laid out is safe there.
        </p>
      )}
      {all?.length === 0 && <EmptyBox onNew={onNew} />}
      {all && all.length > 0 && listed === 0 && (
        <p className="p-6 text-sentence text-ink2">
          {find === ''
            ? 'No fly has anything to settle.'
            : `No fly ${settling ? 'with something to settle ' : ''}answers to “${find}”.`}
        </p>
      )}
    </>
  );
}

import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Drawers } from '@jobbet/core/drawers';
import type { ListedFly } from '../../shared/api/client.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useShell } from '../../shared/ui/shellContext.ts';
import { planBatchOf } from '../../fly/batches/planning.ts';
import { isSound, useFlies } from '../../shared/api/listed.ts';
import { say } from '../../shared/ui/toast.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { BOX } from './commands.ts';
import { DropFrame } from '../../shared/ui/DropFrame.tsx';
import { BoxBar } from './BoxBar.tsx';
import { BoxList } from './BoxList.tsx';
import { EmptyBox } from './EmptyBox.tsx';
import { GroupDialog } from './GroupDialog.tsx';
import { groupsOf } from './sorting.ts';
import { ImportDialog } from './ImportDialog.tsx';
import type { Incoming } from './importing.ts';
import { MovedByModel } from './MovedByModel.tsx';
import { ChosenBar, type Together } from './ChosenBar.tsx';
import { RenameDialog } from './RenameDialog.tsx';
import { copyFlies, doing, removeFlies, saveFiles } from './together.ts';
import { useChosen, type Chosen } from './useChosen.ts';
import { usePrintedSheets } from './usePrintedSheets.tsx';
import { useShownFlies } from './useShownFlies.ts';

const brokenWords = ({ name, broken }: ListedFly): string =>
  `${name} does not lay out: ${broken ?? ''}. Save its pattern file and mend it there.`;

/** What reads files comes when the first of them does. */
async function reading(files: readonly File[], box: readonly ListedFly[], drawers?: Drawers): Promise<Incoming> {
  const { importFiles } = await import('./importing.ts');
  return importFiles(files, box, drawers);
}

/** Opens the first fly that is found. Enter may come before the flies do: it is kept until they are here. */
function useFirst(flies: readonly ListedFly[]): (wanted: boolean) => void {
  const navigate = useNavigate();
  const [wanted, setWanted] = useState(false);
  useEffect(() => {
    const [first] = flies;
    if (wanted && first && isSound(first)) void navigate(`/fly/${first.id}`);
  }, [wanted, flies, navigate]);
  return setWanted;
}

/** What is done with the chosen flies, else with the one that is lit. */
function useTogether(
  { flies }: Chosen,
  current: ListedFly | undefined,
  {
    print,
    group,
  }: { print: (list: readonly ListedFly[]) => Promise<void>; group: (list: readonly ListedFly[]) => void },
): Together {
  const navigate = useNavigate();
  const meant = flies.length > 0 ? flies : current ? [current] : [];
  const withMeant = (work: (list: readonly ListedFly[]) => Promise<void>) => () => {
    if (meant.length > 0) doing(work(meant));
  };
  return {
    copy: withMeant(copyFlies),
    save: withMeant(saveFiles),
    print: withMeant(print),
    tie: withMeant(async (list) => void navigate(`/batches/${await planBatchOf(list.map(({ id }) => id))}`)),
    remove: withMeant(removeFlies),
    group: () => {
      if (meant.length > 0) group(meant);
    },
  };
}

/** The box: every fly at one common scale, with how it rides, sinks and weighs. */
export function BoxView() {
  const { openNew } = useShell();
  const navigate = useNavigate();
  const { flies: data, error } = useFlies();
  const tables = useDrawers().drawers?.tables;
  const shown = useShownFlies(data);
  const { flies } = shown;
  const chosen = useChosen(flies);
  const sheets = usePrintedSheets(tables);
  const [picked, setPicked] = useState(0);
  const setFirstWanted = useFirst(flies);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const [renaming, setRenaming] = useState<ListedFly | null>(null);
  const [grouping, setGrouping] = useState<readonly ListedFly[] | null>(null);
  const [search, files] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)];
  const at = Math.min(picked, Math.max(0, flies.length - 1));
  const current = flies[at];
  const together = useTogether(chosen, current, { print: sheets.print, group: setGrouping });
  const open = (fly: ListedFly | undefined): void => {
    if (fly && isSound(fly)) void navigate(`/fly/${fly.id}`);
    else if (fly) say(brokenWords(fly));
  };
  const take = (list: FileList | null): void => {
    if (list && list.length > 0) doing(reading([...list], data ?? [], tables).then(setIncoming));
  };
  useTable('box', BOX, {
    find: () => search.current?.focus(),
    above: () => setPicked(Math.max(0, at - 1)),
    below: () => setPicked(Math.min(flies.length - 1, at + 1)),
    open: () => open(current),
    choose: current && (() => chosen.toggle(current.id)),
    all: chosen.all,
    none: chosen.flies.length > 0 ? chosen.none : null,
    ...together,
    rename: current && (() => setRenaming(current)),
    settle: () => shown.setSettling(!shown.settling),
    take: () => files.current?.click(),
  });
  return (
    <DropFrame what="pattern files" onTake={take}>
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
        {chosen.flies.length > 0 && <ChosenBar chosen={chosen} {...together} />}
        {flies.length > 0 && (
          <BoxList
            flies={flies}
            at={at}
            order={shown}
            onOpen={open}
            onPick={setPicked}
            chosen={chosen}
            onCopy={(fly) => doing(copyFlies([fly]))}
            onRename={setRenaming}
            onRemove={(fly) => doing(removeFlies([fly]))}
          />
        )}
      </main>
      {incoming && <ImportDialog incoming={incoming} onClose={() => setIncoming(null)} />}
      {sheets.pages}
      {grouping && <GroupDialog flies={grouping} words={groupsOf(data ?? [])} onClose={() => setGrouping(null)} />}
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

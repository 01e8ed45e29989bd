import { type Change, type By } from '@jobbet/core/log';
import { OUTING_KIND, type Rod } from '@jobbet/core/records';
import type { FlyFile } from '@jobbet/core/pattern';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { StoredOuting } from '../../shared/api/client.ts';
import { useBeats } from '../../shared/beats/beats.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { ChangeMargin } from './Change.tsx';
import { keepBatch, newBatch, plannedFly, rowOf } from '../../fly/batches/planning.ts';
import { LOG } from './commands.ts';
import { Losses, useLosses } from './Losses.tsx';
import { dayOf } from './words.ts';
import { Outing } from './Outing.tsx';
import { addOuting, changed, removeOuting, useOutings } from './outings.ts';
import { IncomingDialog } from './IncomingDialog.tsx';
import { type Incoming, readIncoming, saveCard, saveSeason, saveTable } from './papers.ts';
import type { LogAnswer, Only } from './reckon.ts';
import { oneLost, oneTaken } from './Rods.tsx';
import { Season } from './Season.tsx';
import { useFiles, useOfFly, useTold } from './useLog.ts';
import { Worked } from './Worked.tsx';
import { fileOf, newOuting, withRod } from './writing.ts';

const doing = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It did not work.'));
};

/** The log: what each fly did, what was lost, and the one thing to change. */
export function LogView() {
  const outings = useOutings();
  const files = useFiles();
  const { id } = useParams();
  const open = outings?.find((each) => each.id === id) ?? outings?.at(-1);
  const write = useWriteOuting(outings);
  return (
    <div className="flex flex-col h-full">
      <HouseBar
        title="Log"
        sub={outings ? `${String(outings.length)} ${outings.length === 1 ? 'outing' : 'outings'}` : ''}
        primary={{ words: 'Write an outing', run: write }}
      />
      {outings === undefined || files === undefined ? (
        <p className="p-6 text-ink2" role="status">
          Opening
        </p>
      ) : open ? (
        <Open key={open.id} stored={open} {...{ outings, files, write }} />
      ) : (
        <Empty onWrite={write} />
      )}
    </div>
  );
}

/** Begins another outing, now, and opens it. */
function useWriteOuting(outings: readonly StoredOuting[] | undefined): () => void {
  const navigate = useNavigate();
  const { tier } = useSettings();
  return () =>
    doing(addOuting(newOuting(new Date(), outings?.at(-1)?.record, tier)).then((made) => navigate(`/log/${made}`)));
}

interface OpenProps {
  readonly stored: StoredOuting;
  readonly outings: readonly StoredOuting[];
  readonly files: Readonly<Record<string, FlyFile>>;
  readonly write: () => void;
}

/** One outing among all. */
function Open({ stored, outings, files, write }: OpenProps) {
  const navigate = useNavigate();
  const beats = useBeats() ?? [];
  const { record } = stored;
  const [chosen, setChosen] = useState(record.rods.length - 1);
  const at = Math.min(Math.max(0, chosen), record.rods.length - 1);
  const rod = record.rods[at];
  const [by, setBy] = useState<readonly By[]>(['weight', 'colour']);
  const line = useRef<HTMLInputElement>(null);
  const [only, setOnly] = useState<Only | null>(null);
  const told = useTold(outings, files, by, only);
  const file = rod?.fly === undefined ? undefined : files[rod.fly];
  const ofFly = useOfFly(outings, rod?.fly ?? null, file);
  const show = (change: Change | undefined): void => {
    if (change?.file && rod?.fly !== undefined)
      void navigate(`/fly/${rod.fly}`, { state: { shown: { words: change.words, file: change.file } } });
  };
  const beside = (step: number): (() => void) | null => {
    const other = outings[outings.findIndex(({ id }) => id === stored.id) + step];
    return other ? () => void navigate(`/log/${other.id}`) : null;
  };
  const counted = (of: (rod: Rod) => Rod) => (rod ? () => void changed(stored, withRod(record, at, of(rod))) : null);
  const shownBy = (i: number) => (ofFly?.changes[i]?.file ? () => show(ofFly.changes[i]) : null);
  const losses = useLosses(outings, files);
  const batch = (): Promise<unknown> => batchOfLost(losses, record.date).then((made) => navigate(`/batches/${made}`));
  const papers = usePapers({ stored, outings, files, told });
  useTable('log', LOG, {
    write,
    batch: losses.length > 0 ? () => doing(batch()) : null,
    ...papers.commands,
    line: () => line.current?.focus(),
    take: counted(oneTaken),
    loss: counted(oneLost),
    before: beside(-1),
    after: beside(1),
    above: at > 0 ? () => setChosen(at - 1) : null,
    below: at < record.rods.length - 1 ? () => setChosen(at + 1) : null,
    first: shownBy(0),
    second: shownBy(1),
    third: shownBy(2),
    file: () =>
      saveFile(
        `${slug(`${record.date} ${record.beat}`)}${OUTING_KIND.extension}`,
        `${JSON.stringify(record, null, 2)}\n`,
        'application/json',
      ),
    remove: () => removeOuting(stored),
  });
  return (
    <>
      {papers.taking}
      <Season {...{ outings }} open={stored.id} onOpen={(id) => void navigate(`/log/${id}`)} />
      <main
        className="flex flex-1 min-h-0 max-[900px]:flex-col max-[900px]:overflow-y-auto"
        data-testid="log"
        data-settled={told !== null}
      >
        <div className="flex-1 min-w-0 grid grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_minmax(0,1fr)] max-[900px]:block max-[900px]:flex-none">
          <Outing {...{ stored, beats, files, at, line }} onAt={setChosen} />
          <Worked
            answer={told}
            {...{ by, only }}
            onOnly={setOnly}
            onBy={(i, next) => setBy(by.map((each, k) => (k === i ? next : each)))}
          />
        </div>
        <ChangeMargin name={rod ? (fileOf(rod, files)?.name ?? null) : null} answer={ofFly} onShow={show}>
          <Losses {...{ losses, files }} onBatch={() => doing(batch())} />
        </ChangeMargin>
      </main>
    </>
  );
}

/** A batch of what was lost: of each fly as many as are to be in the box. @returns its id */
async function batchOfLost(losses: ReturnType<typeof useLosses>, date: string): Promise<string> {
  const rows = await Promise.all(losses.map(async ({ fly, atLeast }) => rowOf(await plannedFly(fly), atLeast, '')));
  return keepBatch(newBatch(`What was lost, to ${dayOf(date)}`, '', rows));
}

/** What is saved of the log and taken into it. */
function usePapers({
  stored: { record },
  outings,
  files,
  told,
}: Pick<OpenProps, 'stored' | 'outings' | 'files'> & { readonly told: LogAnswer | null }) {
  const { drawers } = useDrawers();
  const { hand } = useSettings();
  const style = useStyle();
  const input = useRef<HTMLInputElement>(null);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const tables = drawers?.tables;
  return {
    commands: {
      card: tables && record.rods.length > 0 ? () => doing(saveCard(record, files, tables, hand)) : null,
      takeIn: () => input.current?.click(),
      table: () => saveTable(outings, files),
      season: () => saveSeason(outings, files, told, style),
    },
    taking: (
      <>
        <FilesInput
          ref={input}
          label="Outings from files"
          accept=".json,.csv,.tsv,.txt"
          onTake={(list) => {
            // The list is emptied as soon as this is left.
            const all = [...(list ?? [])];
            if (all.length > 0) doing(readIncoming(all, files).then(setIncoming));
          }}
        />
        {incoming && <IncomingDialog incoming={incoming} onClose={() => setIncoming(null)} />}
      </>
    ),
  };
}

const Empty = ({ onWrite }: { readonly onWrite: () => void }) => (
  <main className="flex-1 grid place-content-center gap-3 text-center p-6">
    <p className="text-sentence font-bold">Nothing in the water yet.</p>
    <p className="text-ink2 max-w-[46ch]">
      Write down what was fished, for how long, what came to it and what was lost: hours without a take count as much as
      takes.
    </p>
    <p>
      <button type="button" className="sheet-button primary" onClick={onWrite}>
        Write an outing <span className="plain-key">N</span>
      </button>
    </p>
  </main>
);

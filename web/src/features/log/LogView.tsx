import { type Change, type By } from '@jobbet/core/log';
import { OUTING_KIND, type OutingFile, type Rod } from '@jobbet/core/records';
import type { FlyFile } from '@jobbet/core/pattern';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, type StoredDate, type StoredOuting } from '../../shared/api/client.ts';
import { useBeats } from '../../shared/records/beats.ts';
import { useDates } from '../../shared/records/dates.ts';
import { DateDialog } from './DateDialog.tsx';
import { Dates } from './Dates.tsx';
import { calendarOfDates } from './calendar.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useFlyFiles } from '../../shared/api/listed.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { ByMinute } from './ByMinute.tsx';
import { ChangeMargin } from './Change.tsx';
import { keepBatch, newBatch, plannedFly, rowOf } from '../../fly/batches/planning.ts';
import { LOG } from './commands.ts';
import { Losses, useLosses } from './Losses.tsx';
import { longDay } from '../../shared/ui/dates.ts';
import { Outing } from './Outing.tsx';
import { addOuting, changed, removeOuting, useOutings } from './outings.ts';
import { IncomingDialog } from './IncomingDialog.tsx';
import { type Incoming, readIncoming, saveCard, saveSeason, saveTable } from './papers.ts';
import type { LogAnswer, Only } from './reckon.ts';
import { oneLost, oneTaken } from './Rods.tsx';
import { Season } from './Season.tsx';
import { useOfFly, useTold } from './useLog.ts';
import { Worked } from './Worked.tsx';
import { dayText, fileOf, newOuting, withRod } from './writing.ts';

const doing = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It did not work.'));
};

/** The log: what each fly did, what was lost, and the one thing to change. */
export function LogView() {
  const outings = useOutings();
  const files = useFlyFiles();
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
  const last = record.rods.length - 1;
  const [chosen, setChosen] = useState(last);
  const at = Math.min(Math.max(0, chosen), last);
  const rod = record.rods[at];
  const line = useRef<HTMLInputElement>(null);
  const pictures = useRef<HTMLInputElement>(null);
  const worked = useWorked(outings, files);
  const { told } = worked;
  const minutes = useMinutes(stored, files);
  const chosenFly = useChosenFly(rod, outings, files);
  const beside = (step: number): (() => void) | null => {
    const other = outings[outings.findIndex(({ id }) => id === stored.id) + step];
    return other ? () => void navigate(`/log/${other.id}`) : null;
  };
  const counted = (of: (rod: Rod) => Rod) => (rod ? () => void changed(stored, withRod(record, at, of(rod))) : null);
  const losses = useLosses(outings, files);
  const batch = (name = `What was lost, to ${longDay(record.date)}`, by = ''): Promise<unknown> =>
    batchOfLost(losses, name, by).then((made) => navigate(`/batches/${made}`));
  const dated = useDated();
  const papers = usePapers({ stored, outings, files, told });
  useTable('log', LOG, {
    write,
    batch: losses.length > 0 ? () => doing(batch()) : null,
    date: () => dated.set(null),
    calendar: dated.save,
    ...papers.commands,
    line: () => line.current?.focus(),
    minutes: rod ? () => minutes.open(at) : null,
    pictures: () => pictures.current?.click(),
    ...chosenFly.commands,
    take: counted(oneTaken),
    loss: counted(oneLost),
    before: beside(-1),
    after: beside(1),
    above: at > 0 ? () => setChosen(at - 1) : null,
    below: at < last ? () => setChosen(at + 1) : null,
    file: () => saveOuting(record),
    remove: () => removeOuting(stored),
  });
  return (
    <>
      {papers.taking}
      {dated.dialog}
      {minutes.dialog}
      <Season {...{ outings }} dates={dated.dates} open={stored.id} onOpen={(id) => void navigate(`/log/${id}`)} />
      <main
        className="flex flex-1 min-h-0 max-[900px]:flex-col max-[900px]:overflow-y-auto"
        data-testid="log"
        data-settled={told !== null}
      >
        <div className="flex-1 min-w-0 grid grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_minmax(0,1fr)] max-[900px]:block max-[900px]:flex-none">
          <Outing {...{ stored, beats, files, at, line, pictures }} onAt={setChosen} onMinutes={minutes.open} />
          <Worked answer={told} {...worked.asked} />
        </div>
        <ChangeMargin
          name={rod ? (fileOf(rod, files)?.name ?? null) : null}
          answer={chosenFly.told}
          onShow={chosenFly.show}
        >
          <Losses {...{ losses, files }} onBatch={() => doing(batch())} />
          <Dates
            dates={dated.dates}
            today={dated.today}
            canBatch={losses.length > 0}
            onSet={dated.set}
            onBatch={({ name, tieBy }) => doing(batch(name, tieBy ?? ''))}
          />
        </ChangeMargin>
      </main>
    </>
  );
}

/** What worked, counted by two kinds, of all of it or of some. */
function useWorked(outings: OpenProps['outings'], files: OpenProps['files']) {
  const [by, setBy] = useState<readonly By[]>(['weight', 'colour']);
  const [only, setOnly] = useState<Only | null>(null);
  const onBy = (i: number, next: By): void => setBy(by.map((each, k) => (k === i ? next : each)));
  return { told: useTold(outings, files, by, only), asked: { by, onBy, only, onOnly: setOnly } };
}

/** The fly that is chosen: what it did, what may be changed of it, and the ways to it. */
function useChosenFly(rod: Rod | undefined, outings: OpenProps['outings'], files: OpenProps['files']) {
  const navigate = useNavigate();
  const fly = rod?.fly;
  const file = fly === undefined ? undefined : files[fly];
  const told = useOfFly(outings, fly ?? null, file);
  const to = (view: string) => (file && fly !== undefined ? () => void navigate(`/fly/${fly}${view}`) : null);
  const show = (change: Change | undefined): void => {
    if (change?.file && fly !== undefined)
      void navigate(`/fly/${fly}`, { state: { shown: { words: change.words, file: change.file } } });
  };
  const shownBy = (i: number) => (told?.changes[i]?.file ? () => show(told.changes[i]) : null);
  return {
    told,
    show,
    commands: {
      inspect: to('/inspect'),
      bench: to(''),
      first: shownBy(0),
      second: shownBy(1),
      third: shownBy(2),
    },
  };
}

const saveOuting = (record: OutingFile): void =>
  saveFile(
    `${slug(`${record.date} ${record.beat}`)}${OUTING_KIND.extension}`,
    `${JSON.stringify(record, null, 2)}\n`,
    'application/json',
  );

const nameAt = (rod: Rod | undefined, files: OpenProps['files']): string =>
  (rod && fileOf(rod, files)?.name) ?? rod?.fly ?? 'a fly';

/** A batch of what was lost: of each fly as many as are to be in the box. @returns its id */
async function batchOfLost(losses: ReturnType<typeof useLosses>, name: string, by: string): Promise<string> {
  const rows = await Promise.all(losses.map(async ({ fly, atLeast }) => rowOf(await plannedFly(fly), atLeast, '')));
  return keepBatch(newBatch(name, by, rows));
}

/** What came to one of the flies by the minute, opened over the outing. */
function useMinutes(stored: StoredOuting, files: OpenProps['files']) {
  const [at, setAt] = useState<number | null>(null);
  const name = at === null ? '' : nameAt(stored.record.rods[at], files);
  return {
    open: setAt,
    dialog: at !== null && <ByMinute {...{ stored, at, name }} onClose={() => setAt(null)} />,
  };
}

/** Dates one set: the dialog that sets them, and the calendar they are saved as. */
function useDated() {
  const dates = useDates() ?? [];
  const [setting, setSetting] = useState<StoredDate | 'new' | null>(null);
  const [today] = useState(() => dayText(new Date()));
  const saveCalendar = async (): Promise<void> => {
    const batches = (await api.batches()).filter(({ day, deletedAt }) => day !== null && deletedAt === null);
    const wanted = batches.map(({ id, name, day }) => ({ id, name, date: day ?? '' }));
    saveFile('runs-and-trips.ics', await calendarOfDates(dates, wanted, today), 'text/calendar');
  };
  return {
    dates,
    today,
    set: (stored: StoredDate | null) => setSetting(stored ?? 'new'),
    save: () => doing(saveCalendar()),
    dialog: setting && <DateDialog stored={setting === 'new' ? null : setting} onClose={() => setSetting(null)} />,
  };
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

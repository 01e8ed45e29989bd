import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, type ListedRecord } from '../../shared/api/client.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { DropFrame } from '../../shared/ui/DropFrame.tsx';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { useTable } from '../../shared/commands/useKeys.ts';
import { BATCH } from './commands.ts';
import { dayWords } from '../../fly/batches/clock.ts';
import { doing, removeBatch, useBatch, useBatches, useDrawersBefore } from '../../fly/batches/kept.ts';
import { useStepTimes } from '../../fly/batches/times.ts';
import { OneBatch } from './OneBatch.tsx';
import { keepBatch, newBatch, plannedFly, rowOf } from '../../fly/batches/planning.ts';
import { takingIn, type TakenIn } from './takingIn.ts';
import { RowDialog, type RowAsked } from './RowDialog.tsx';

/** Batches: how many of which, on what, by when. One is open; brackets walk them. */
export function BatchesView() {
  const { batches, error } = useBatches();
  const { id } = useParams();
  const navigate = useNavigate();
  const [planning, setPlanning] = useState(false);
  const at = Math.max(
    0,
    (batches ?? []).findIndex((each) => each.id === id),
  );
  const open = batches?.[at];
  const walk = (by: number): void => {
    const next = batches?.[at + by];
    if (next) void navigate(`/batches/${next.id}`);
  };
  const plan = async ({ name, date, fly, on, count }: RowAsked): Promise<void> => {
    const made = await keepBatch(newBatch(name, date, [rowOf(await plannedFly(fly), count, on)]));
    void navigate(`/batches/${made}`);
  };
  const files = useRef<HTMLInputElement>(null);
  const { refused, take, settled } = useTakingIn();
  useTable('batches', BATCH, {
    plan: () => setPlanning(true),
    takeIn: () => files.current?.click(),
    before: () => walk(-1),
    after: () => walk(1),
    // Of any that is listed, also while it is fetched, or does not read.
    remove: open && (() => doing(removeBatch(open.id, open.name))),
  });
  return (
    <DropFrame what="batches" onTake={take}>
      <HouseBar
        title="Batches"
        sub={open ? subWords(open, at, batches.length) : ''}
        primary={{ words: 'Plan a batch', run: () => setPlanning(true) }}
      >
        <FilesInput ref={files} label="Batches" accept=".json,.csv,application/json,text/csv" onTake={take} />
      </HouseBar>
      <main className="flex-1 min-h-0 flex flex-col">
        {error !== undefined && (
          <p role="alert" className="m-4 px-3 py-2 bg-warnwash">
            The batches cannot be fetched: is the server running? What is planned is safe there.
          </p>
        )}
        {batches?.length === 0 && <EmptyFoam onPlan={() => setPlanning(true)} onTake={() => files.current?.click()} />}
        {open && <Opened key={open.id} listed={open} />}
      </main>
      {planning && <RowDialog whole onKeep={plan} onClose={() => setPlanning(false)} />}
      <RefusedDialog refused={refused} onClose={settled} />
    </DropFrame>
  );
}

function subWords({ name, day, summary }: ListedRecord, at: number, of: number): string {
  const flies = summary ? `, ${String(summary.flies)} flies` : '';
  return `${name}${flies}${day === null ? '' : `, for ${dayWords(day)}`}${of > 1 ? ` (${String(at + 1)} of ${String(of)})` : ''}`;
}

/** Takes batches in from files: those that read are kept, of the others it is said why not. */
function useTakingIn() {
  const navigate = useNavigate();
  const [refused, setRefused] = useState<readonly TakenIn[]>([]);
  const take = (list: FileList | null): void => {
    const files = [...(list ?? [])];
    if (files.length === 0) return;
    doing(
      (async () => {
        const read = await takingIn(files, { flies: await api.flies(), flyOf: plannedFly });
        let last: string | null = null;
        for (const { batch } of read) if (batch) last = await keepBatch(batch);
        setRefused(read.filter(({ batch }) => batch === null));
        if (last !== null) void navigate(`/batches/${last}`);
      })(),
    );
  };
  return { refused, take, settled: () => setRefused([]) };
}

interface RefusedProps {
  readonly refused: readonly TakenIn[];
  readonly onClose: () => void;
}

/** Files that are no batches, and why. */
const RefusedDialog = ({ refused, onClose }: RefusedProps) =>
  refused.length > 0 && (
    <DialogBox title="Not taken in" open onClose={onClose}>
      {refused.map(({ name, reasons }) => (
        <section key={name} className="mb-2">
          <h3 className="font-semibold">{name}</h3>
          <ul className="text-warn">
            {reasons.slice(0, MOST_REASONS).map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
            {reasons.length > MOST_REASONS && <li>and {reasons.length - MOST_REASONS} more</li>}
          </ul>
        </section>
      ))}
      <p className="text-ink2">Put it right in the file and take it in again; nothing was changed.</p>
    </DialogBox>
  );
const MOST_REASONS = 8;

/** Foam with nothing in it, and what is asked first. */
const EmptyFoam = ({ onPlan, onTake }: { readonly onPlan: () => void; readonly onTake: () => void }) => (
  <div className="p-6">
    <div aria-hidden="true" className="h-4 mb-6 bg-sunk border-y border-hair max-w-3xl" />
    <p className="text-sentence mb-3">How many of which, on what, by when.</p>
    <button type="button" className="sheet-button primary" onClick={onPlan}>
      Plan a batch <span className="opacity-70">N</span>
    </button>{' '}
    <button type="button" className="sheet-button" onClick={onTake}>
      Take one in from a file <span className="plain-key">I</span>
    </button>
  </div>
);

/** The batch that is open, once it and the drawers are here. */
function Opened({ listed }: { readonly listed: ListedRecord }) {
  const { batch, error } = useBatch(listed.id);
  const before = useDrawersBefore(listed.id);
  const times = useStepTimes(batch?.record);
  if (listed.broken !== null || error !== undefined)
    return (
      <p role="alert" className="m-4 px-3 py-2 bg-warnwash">
        {listed.name} does not read: {listed.broken ?? 'it cannot be fetched'}. It is kept as it is.
      </p>
    );
  if (!batch || !before || !times) return <p className="p-6 text-ink2">Opening</p>;
  return <OneBatch stored={batch} drawers={before.tables} times={times} />;
}

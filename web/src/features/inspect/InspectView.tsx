import type { Fault } from '@jobbet/core/base';
import type { SpecimenReport } from '@jobbet/core/inspect';
import type { SpecimenFile } from '@jobbet/core/records';
import { dequal } from 'dequal';
import { type Ref, useState } from 'react';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { useBench } from '../../fly/store.ts';
import type { StoredSpecimen } from '../../shared/api/client.ts';
import { DropFrame } from '../../shared/ui/DropFrame.tsx';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { ByEye } from './ByEye.tsx';
import { type ChangeFly, Entry } from './Entry.tsx';
import { Teaches, VerdictOf } from './Margin.tsx';
import { Jar, type Watch } from './Jar.tsx';
import { Looked } from './Looked.tsx';
import { PhotoDialog } from './PhotoDialog.tsx';
import { Run } from './Run.tsx';
import type { Good } from './useInspected.ts';
import { useOnTable } from './useOnTable.ts';
import { changeSpecimen, useSpecimens } from './useSpecimens.ts';
import type { Takeable } from './useTakes.ts';

/** Finished flies of the pattern on the bench against it. */
export function InspectView() {
  const saver = useSaver();
  const id = useBench((state) => state.id);
  const { specimens, error } = useSpecimens(id);
  return (
    <BoardFrame saver={saver}>
      {specimens ? (
        <Table specimens={specimens} />
      ) : (
        <main className="p-6 text-ink2 flex-1" role="status">
          {error === undefined ? 'Fetching the finished flies' : 'The finished flies cannot be fetched.'}
        </main>
      )}
    </BoardFrame>
  );
}

const faultWords = ({ path, message }: Fault): string => (path === '' ? message : `${path}: ${message}`);

/** How the flies on the table stand to the pattern as it is now. */
function Heads({
  specimens,
  faults,
}: {
  readonly specimens: readonly StoredSpecimen[];
  readonly faults: readonly Fault[];
}) {
  const { file } = useBench((state) => state.calm);
  const earlier = specimens.filter(({ record }) => record.pattern !== undefined && !dequal(record.pattern, file));
  return (
    <>
      {faults.length > 0 && (
        <p role="alert" className="px-4 py-2 bg-warnwash text-warn">
          {faults.map(faultWords).join(' ')}
        </p>
      )}
      {earlier.length > 0 && (
        <p className="px-4 py-1 text-label italic text-ink2">
          {earlier.length} of {specimens.length} were tied by an earlier version of the pattern; they are held against
          it as it is now.
        </p>
      )}
    </>
  );
}

/** The flies that lie on the table, the one that is looked at, and all of them beside it. */
function Table({ specimens }: { readonly specimens: readonly StoredSpecimen[] }) {
  const [looking, setLooking] = useState(false);
  const calm = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const { picked, inspected, takes, photographing, watch, margin, records, takeFiles, another, settle } =
    useOnTable(specimens);
  const { here, number, pick } = picked;
  const { good, faults, told, tied } = inspected;
  const { photo, shown, setShown, files, from, ask, asked } = photographing;
  const takesRecords = (
    <FilesInput ref={records} label="Finished flies from files" accept=".json,.csv,image/*" onTake={takeFiles} />
  );
  if (!here)
    return (
      <>
        <Empty onAdd={another} name={calm.file.name} />
        {takesRecords}
      </>
    );
  return (
    <main className="flex flex-1 min-h-0" data-testid="inspect">
      <div className="flex-1 min-w-0">
        <DropFrame what="files" onTake={takeFiles}>
          <Heads specimens={specimens} faults={faults} />
          <Looked
            key={here.id}
            record={here.record}
            plan={calm}
            tied={told && told.measured.found > 0 ? tied : null}
            {...{ told, shown, photo, files, from, looking }}
            onShown={setShown}
          />
          {good && good.report.series.length > 0 && (
            <Run report={good.report} measures={good.measures} at={number} onPick={pick} />
          )}
        </DropFrame>
      </div>
      <ThisFly
        ref={margin}
        onLooking={setLooking}
        here={here}
        {...{ good, told, takes, watch }}
        onVerdict={settle}
        onAnother={another}
        onPhoto={ask}
      />
      {takesRecords}
      {asked && <PhotoDialog plan={calm} drawers={drawers} number={number ?? 1} {...asked} />}
    </main>
  );
}

interface ThisFlyProps {
  readonly ref: Ref<HTMLElement>;
  readonly here: StoredSpecimen;
  readonly good: Good | null;
  readonly told: SpecimenReport | null;
  readonly takes: readonly Takeable[];
  readonly watch: Watch;
  readonly onVerdict: (verdict: NonNullable<SpecimenFile['verdict']>) => void;
  readonly onAnother: () => void;
  readonly onPhoto: () => void;
  readonly onLooking: (looking: boolean) => void;
}

/** What is known of the fly that is looked at: what it does, its readings, its falls, what they teach. */
function ThisFly({ ref, here, good, told, takes, watch, onVerdict, onAnother, onPhoto, onLooking }: ThisFlyProps) {
  const id = useBench((state) => state.id);
  const calm = useBench((state) => state.calm);
  const onChange: ChangeFly = (words, how) => changeSpecimen(id, here.id, words, how);
  const { record } = here;
  return (
    <aside
      ref={ref}
      aria-label="This fly"
      className="w-[340px] max-[1100px]:w-[290px] shrink-0 border-l border-hair overflow-y-auto"
    >
      {told ? <VerdictOf record={record} report={told} onVerdict={onVerdict} /> : <WorkingItOut />}
      {good && (
        <Entry
          key={here.id}
          report={told}
          measures={good.measures}
          planMg={calm.dryMg}
          castingMg={calm.castingMg}
          {...{ record, onChange }}
        />
      )}
      <Jar report={told?.jar ?? null} {...{ record, watch, onChange }} />
      <ByEye plan={calm} {...{ record, onChange, onLooking }} />
      <More onAnother={onAnother} onPhoto={onPhoto} />
      {good && <Teaches learnt={good.report.learnt} takes={takes} />}
    </aside>
  );
}

const WorkingItOut = () => (
  <p className="px-4 py-3 text-ink2" role="status">
    Working it out
  </p>
);

const More = ({ onAnother, onPhoto }: { readonly onAnother: () => void; readonly onPhoto: () => void }) => (
  <p className="px-4 py-2 border-t border-hair flex gap-2 flex-wrap">
    <button type="button" className="sheet-button" onClick={onAnother}>
      Another fly <span className="plain-key">N</span>
    </button>
    <button type="button" className="sheet-button" onClick={onPhoto}>
      A photograph <span className="plain-key">C</span>
    </button>
  </p>
);

const Empty = ({ onAdd, name }: { readonly onAdd: () => void; readonly name: string }) => (
  <main className="flex-1 grid place-content-center gap-3 text-center p-6" data-testid="inspect">
    <p className="text-sentence font-bold">No finished {name} lies on the table.</p>
    <p className="text-ink2 max-w-[46ch]">
      Lay one there with its lengths and its weight: which way up this one rides, how your hand drifts over a batch, and
      what the scale says of eyes nobody weighed.
    </p>
    <p>
      <button type="button" className="sheet-button primary" onClick={onAdd}>
        Lay a finished fly on the table <span className="plain-key">N</span>
      </button>
    </p>
  </main>
);

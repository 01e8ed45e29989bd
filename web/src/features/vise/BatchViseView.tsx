import type { Drawers } from '@jobbet/core/drawers';
import { layFly } from '@jobbet/core/model';
import {
  type BatchFile,
  goneOn,
  type HookAt,
  inVise,
  progressAt,
  rackOf,
  stateAt,
  withState,
} from '@jobbet/core/records';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { clockText, dryAt, momentNow, useMinutes } from '../../fly/batches/clock.ts';
import { changeBatch, doing, useBatch, useDrawersBefore } from '../../fly/batches/kept.ts';
import { useStepTimes, type StepTimes } from '../../fly/batches/times.ts';
import { usePlan, type GoodPlan } from '../../fly/batches/usePlan.ts';
import { faultWords, rowWords } from '../../fly/batches/words.ts';
import { SheetPending } from '../../fly/tyings/SheetPending.tsx';
import { useSheetOf } from '../../fly/tyings/useSheet.ts';
import { post, useTyings } from '../../fly/tyings/useTyings.ts';
import type { StoredBatch } from '../../shared/api/client.ts';
import { AtTheVise } from './AtTheVise.tsx';
import type { BatchAtVise } from './BatchLine.tsx';
import { browserMachine } from './machine.ts';

/** A batch tied fly by fly: the one in the vise, step by step. */
export function BatchViseView() {
  const { id = '' } = useParams();
  const { batch, error } = useBatch(id);
  const drawers = useDrawersBefore(id);
  const times = useStepTimes(batch?.record);
  if (error !== undefined) return <Said words="The batch cannot be fetched." back={id} />;
  if (!batch || !drawers || !times) return <Said words="Fetching the batch" back={id} />;
  return <OfBatch stored={batch} drawers={drawers.tables} times={times} />;
}

const Said = ({
  words,
  back,
  children,
}: {
  readonly words: string;
  readonly back: string;
  readonly children?: ReactNode;
}) => (
  <main className="p-6" role="status">
    <p className="mb-3">{words}</p>
    {children}
    <Link className="underline" to={`/batches/${back}`}>
      To the batch
    </Link>
  </main>
);

interface OfBatchProps {
  readonly stored: StoredBatch;
  readonly drawers: Drawers;
  readonly times: StepTimes;
}

function OfBatch({ stored, drawers, times }: OfBatchProps) {
  const { id, record: batch } = stored;
  const { shown, faults, again } = usePlan({ batch, drawers, times });
  const at = inVise(batch);
  if (faults.length > 0) return <Said words={faults.map(faultWords).join(' ')} back={id} />;
  if (!shown) return again ? <SheetPending again={again} /> : <Said words="Working out the batch" back={id} />;
  if (!at) return <Said words="No fly is in the vise." back={id} />;
  return <InVise key={`${String(at.row)}/${String(at.n)}`} {...{ id, batch, drawers, shown, at }} />;
}

interface InViseProps {
  readonly id: string;
  readonly batch: BatchFile;
  readonly drawers: Drawers;
  readonly shown: GoodPlan;
  readonly at: HookAt;
}

/** The fly that is in the vise, tied by the sheet of its own row. */
function InVise({ id, batch, drawers, shown, at }: InViseProps) {
  const file = shown.files[at.row - 1];
  const laid = useMemo(() => {
    const made = file && layFly(file, drawers);
    return made?.ok === true ? made.value : null;
  }, [file, drawers]);
  const { answer, again } = useSheetOf(laid, drawers);
  const [machine] = useState(browserMachine);
  const fly = batch.rows[at.row - 1]?.fly ?? '';
  const { tyings } = useTyings(fly);
  const [before, setBefore] = useState(tyings);
  if (before === null && tyings !== null) setBefore(tyings);
  const told = useBatchLine({ id, batch, drawers, shown, at });
  // Coats are put on from the rack, while the next is tied.
  const sheet = useMemo(
    () =>
      answer && {
        ...answer.sheet,
        steps: answer.sheet.steps.filter(({ key }) => !key.startsWith('coat/') && key !== 'seal'),
      },
    [answer],
  );
  if (!answer || !sheet || before === null) return <SheetPending again={again} />;
  return (
    <AtTheVise
      key={answer.sheet.id}
      laid={answer.laid}
      sheet={sheet}
      fly={fly}
      out={`/batches/${id}`}
      batch={told}
      machine={machine}
      before={before}
      onKeep={post.keep}
    />
  );
}

/** The first fly that is still to come, row by row; null where none is. */
const nextOf = (batch: BatchFile): HookAt | null =>
  rackOf(batch).find((hook) => stateAt(batch, hook) === 'to-come') ?? null;

/** What the vise shows and does of the batch: this fly out with its first coat, the next one in. */
function useBatchLine({ id, batch, shown: { report }, at }: InViseProps): BatchAtVise {
  const navigate = useNavigate();
  const now = useMinutes();
  const rack = rackOf(batch);
  const next = nextOf(batch);
  const coats = report.rows[at.row - 1]?.coats_min.length ?? 0;
  const number = (hook: HookAt): number => rack.findIndex(({ row, n }) => row === hook.row && n === hook.n) + 1;
  const drying = (batch.flies ?? []).flatMap((fly) => {
    const dry = fly.state === 'drying' ? dryAt(batch, fly, report.rows[fly.row - 1]) : null;
    if (dry === null) return [];
    const on = progressAt(batch, fly.row, fly.n)?.coats?.length ?? 0;
    const of = report.rows[fly.row - 1]?.coats_min.length ?? on;
    const then = on < of ? `coat ${String(on + 1)}` : 'into the box';
    return [`fly ${String(number(fly))}: ${dry > now ? `dry at ${clockText(dry)}` : `dry, ${then}`}`];
  });
  const out = (words: string, change: (now: BatchFile) => BatchFile | null): void => {
    /** Whether nothing is left to be tied. */
    let left = false;
    doing(
      changeBatch(id, words, (batchNow) => {
        const without = change(batchNow);
        const following = without && nextOf(without);
        left = following === null;
        return without && following ? (goneOn(without, following, 0, momentNow()) ?? without) : without;
      }).then(() => {
        if (left) void navigate(`/batches/${id}`);
      }),
    );
  };
  const name = rowWords(batch, at.row);
  return {
    words: `fly ${String(number(at))} of ${String(rack.length)}, ${report.rows[at.row - 1]?.name ?? name}`,
    drying,
    nextWords: next
      ? `${coats > 0 ? 'First coat on, then the next' : 'The next'}: ${report.rows[next.row - 1]?.name ?? ''}`
      : `${coats > 0 ? 'First coat on; ' : ''}it is the last of the batch`,
    next: () => out(`a fly of ${name} out of the vise`, (batchNow) => goneOn(batchNow, at, coats, momentNow())),
    spoilt: () => out(`a fly of ${name} spoilt`, (batchNow) => withState(batchNow, at, 'spoilt', momentNow())),
  };
}

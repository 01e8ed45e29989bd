import type { Drawers } from '@jobbet/core/drawers';
import { layFly } from '@jobbet/core/model';
import { type BatchFile, handfulOf, type HookAt, inVise, progressAt } from '@jobbet/core/records';
import { openTying, type InHand, type Step, stepOn, underHands } from '@jobbet/core/tying';
import { useMemo, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { useBatch, useDrawersBefore } from '../../fly/batches/kept.ts';
import { useStepTimes, type StepTimes } from '../../fly/batches/times.ts';
import { usePlan, type GoodPlan } from '../../fly/batches/usePlan.ts';
import { faultWords } from '../../fly/batches/words.ts';
import { SheetPending } from '../../fly/tyings/SheetPending.tsx';
import { useSheetOf } from '../../fly/tyings/useSheet.ts';
import type { StoredBatch } from '../../shared/api/client.ts';
import { AtTheVise } from './AtTheVise.tsx';
import { useAtVise } from './useAtVise.ts';
import { useBatchLine } from './useBatchLine.ts';

/** A batch tied fly by fly, or step by step over a handful: the one in the vise. */
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
  return <InVise key={at.row} row={at.row} {...{ id, batch, drawers, shown }} />;
}

interface InViseProps {
  readonly id: string;
  readonly batch: BatchFile;
  readonly drawers: Drawers;
  readonly shown: GoodPlan;
  readonly row: number;
}

/** Coats are put on from the rack, while the next is tied. */
const isTied = ({ key }: Step): boolean => !key.startsWith('coat/') && key !== 'seal';

/** The flies of a row that are begun, tied by the sheet of that row. */
function InVise({ id, batch, drawers, shown, row }: InViseProps) {
  const file = shown.files[row - 1];
  const laid = useMemo(() => {
    const made = file && layFly(file, drawers);
    return made?.ok === true ? made.value : null;
  }, [file, drawers]);
  const { answer, again } = useSheetOf(laid, drawers);
  const fly = batch.rows[row - 1]?.fly ?? '';
  const atVise = useAtVise(fly);
  const sheet = useMemo(() => answer && { ...answer.sheet, steps: answer.sheet.steps.filter(isTied) }, [answer]);
  /** What is kept of how one of them is tied is known by the moment it was begun. */
  const ofFly = ({ n }: HookAt): string => `${id}/${progressAt(batch, row, n)?.begun ?? String(n)}`;
  const inHand: readonly InHand<HookAt>[] =
    sheet && atVise
      ? handfulOf(batch)
          .filter((each) => each.row === row)
          .map((at) => ({ at, tying: openTying(atVise.all, sheet.id, ofFly(at)) }))
      : [];
  const bySteps = (batch.way ?? shown.report.time.way) === 'by-steps';
  const steps = sheet?.steps ?? [];
  const here = underHands(steps, inHand, bySteps);
  const after = underHands(
    steps,
    inHand.map((each) =>
      each.at === here?.at && each.tying ? { ...each, tying: stepOn(each.tying, steps, 0) } : each,
    ),
    bySteps,
  );
  const told = useBatchLine({ id, batch, shown, inHand, here, after, steps, laid });
  if (!answer || !sheet || !atVise || !here || !told) return <SheetPending again={again} />;
  return (
    <AtTheVise
      key={`${sheet.id} ${ofFly(here.at)}`}
      laid={answer.laid}
      sheet={sheet}
      fly={fly}
      out={`/batches/${id}`}
      batch={{ ...told, of: ofFly(here.at) }}
      atVise={atVise}
    />
  );
}

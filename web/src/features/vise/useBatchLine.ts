import { handfulFor, prepAtHand, type Way } from '@jobbet/core/batch';
import type { LaidFly } from '@jobbet/core/model';
import {
  type BatchFile,
  goneOn,
  type HookAt,
  inVise,
  numberOf,
  progressAt,
  progressOf,
  rackOf,
  stateAt,
  withState,
} from '@jobbet/core/records';
import { isFinished, stepAt, type InHand, type Step } from '@jobbet/core/tying';
import type { Style } from '@jobbet/core/units';
import { useNavigate } from 'react-router';
import { clockText, dryAt, momentNow, useMinutes } from '../../fly/batches/clock.ts';
import { changeBatch, doing } from '../../fly/batches/kept.ts';
import type { GoodPlan } from '../../fly/batches/usePlan.ts';
import { itemWords, madeReadyWords, rowWords } from '../../fly/batches/words.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import type { BatchAtVise } from './BatchLine.tsx';

interface LineOf {
  readonly id: string;
  readonly batch: BatchFile;
  readonly shown: GoodPlan;
  /** The flies that are begun, the one that is worked on, and the one that is once this step is done. */
  readonly inHand: readonly InHand<HookAt>[];
  readonly here: InHand<HookAt> | null;
  readonly after: InHand<HookAt> | null;
  readonly steps: readonly Step[];
  readonly laid: LaidFly | null;
}

/** The first fly that is still to come, row by row; null where none is. */
const nextOf = (batch: BatchFile): HookAt | null =>
  rackOf(batch).find((hook) => stateAt(batch, hook) === 'to-come') ?? null;

const isSame = (a: HookAt, b: HookAt): boolean => a.row === b.row && a.n === b.n;

/** What dries meanwhile, and until when. @param number of a fly on the rack */
function dryingOf(batch: BatchFile, { report }: GoodPlan, now: number, number: (hook: HookAt) => string): string[] {
  return (batch.flies ?? []).flatMap((fly) => {
    const dry = fly.state === 'drying' ? dryAt(batch, fly, report.rows[fly.row - 1]) : null;
    if (dry === null) return [];
    const on = progressAt(batch, fly.row, fly.n)?.coats?.length ?? 0;
    const of = report.rows[fly.row - 1]?.coats_min.length ?? on;
    const then = on < of ? `coat ${String(on + 1)}` : 'into the box';
    return [`fly ${number(fly)}: ${dry > now ? `dry at ${clockText(dry)}` : `dry, ${then}`}`];
  });
}

/** What was made ready for a step, in words; no more than two lines of it. */
function prepFor({ part, cutMm }: Step, { report }: GoodPlan, laid: LaidFly | null, style: Style): string[] {
  const own = laid?.parts.find(({ file }) => file.id === part);
  const ready = own ? prepAtHand(report.prep, own, cutMm) : [];
  const told = ready.map(
    (each) => `${itemWords({ item: each.material, colour: each.colour })}: ${madeReadyWords(each, style)}`,
  );
  return [...new Set(told)].slice(0, 2);
}

/** Takes a fly out of the vise and begins what comes next, where nothing else is in hand. @returns whether nothing is left to be tied */
async function takenOut(
  id: string,
  words: string,
  change: (now: BatchFile) => BatchFile | null,
  quicker: Way,
): Promise<boolean> {
  let left = false;
  await changeBatch(id, words, (now) => {
    const without = change(now);
    if (!without || inVise(without)) return without;
    const following = nextOf(without);
    left = following === null;
    return following ? (goneOn(without, following, 0, momentNow(), handfulFor(without, quicker)) ?? without) : without;
  });
  return left;
}

/** Which of a handful this is on the step; nothing of one by itself. */
function turnWords(
  inHand: readonly InHand<HookAt>[],
  here: InHand<HookAt>,
  far: (fly: InHand<HookAt>) => number,
): string {
  const onStep = inHand.filter(({ tying }) => tying === null || !isFinished(tying));
  if (onStep.length < 2) return '';
  const turn = onStep.filter((each) => each !== here && far(each) > far(here)).length + 1;
  return `; hook ${String(turn)} of ${String(onStep.length)} on this step`;
}

/** What the vise shows and does of the batch: this fly out with its first coat, the next one in. */
export function useBatchLine({
  id,
  batch,
  shown,
  inHand,
  here,
  after,
  steps,
  laid,
}: LineOf): Omit<BatchAtVise, 'of'> | null {
  const navigate = useNavigate();
  const now = useMinutes();
  const style = useStyle();
  if (!here) return null;
  const { report } = shown;
  const { at } = here;
  /** As the rack has it. */
  const number = (hook: HookAt): string => String(numberOf(batch, hook) ?? '+');
  const nameOf = ({ row }: HookAt): string => report.rows[row - 1]?.name ?? rowWords(batch, row);
  const coats = report.rows[at.row - 1]?.coats_min.length ?? 0;
  const far = ({ tying }: InHand<HookAt>): number => (tying ? stepAt(steps, tying) : 0);
  const others = inHand.filter((each) => each !== here);
  const next = others[0]?.at ?? nextOf(batch);
  const out = (words: string, change: (now: BatchFile) => BatchFile | null): void =>
    doing(
      takenOut(id, words, change, report.time.way).then((left) => {
        if (left) void navigate(`/batches/${id}`);
      }),
    );
  const name = rowWords(batch, at.row);
  const thenTitle = after && (far(after) === far(here) ? 'the same' : (steps[far(after)]?.title ?? null));
  return {
    words: `fly ${number(at)} of ${String(progressOf(batch).flies)}, ${nameOf(at)}${turnWords(inHand, here, far)}`,
    following: after && thenTitle !== null && !isSame(after.at, at) ? `${thenTitle}, on fly ${number(after.at)}` : null,
    prep: (step) => prepFor(step, shown, laid, style),
    drying: dryingOf(batch, shown, now, number),
    nextWords: next
      ? `${coats > 0 ? 'First coat on, then the next' : 'The next'}: ${nameOf(next)}`
      : `${coats > 0 ? 'First coat on; ' : ''}it is the last of the batch`,
    next: () => out(`a fly of ${name} out of the vise`, (batchNow) => goneOn(batchNow, at, coats, momentNow())),
    spoilt: () => out(`a fly of ${name} spoilt`, (batchNow) => withState(batchNow, at, 'spoilt', momentNow())),
  };
}

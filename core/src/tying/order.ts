import { traitsOf, type LaidFly, type LaidPart } from '../model/index.ts';
import { endsUnderRib, isPair, tieInMm, woundAfter } from './constraints.ts';
import { isLeftToRib, twiceDone, type Twice } from './twice.ts';

/** One thing done with a part. */
export interface Move {
  readonly part: LaidPart;
  /**
   * `tie` all at once; `catch` tied in and left hanging; `wind` wound or taken up again after it; `over` pulled or folded over and bound at
   * its other end; `on` what goes on of another part's piece, which needs no tying in.
   */
  readonly does: 'tie' | 'catch' | 'wind' | 'over' | 'on';
  /** Where the thread has to wait, and where it is afterwards. mm from the eye */
  readonly fromMm: number;
  readonly toMm: number;
}

/** Whether a move begins with a piece that is tied in: what is cut and in hand belongs to it. */
export const tiesIn = ({ does }: Move): boolean => does === 'tie' || does === 'catch';

/** Where the thread ends that ties off what was wound: of what is wound there and back, where it began. */
export function tiedOffMm(part: LaidPart): number {
  const begin = tieInMm(part);
  const { startMm, endMm } = part.extent;
  const far = Math.abs(begin - startMm) > Math.abs(begin - endMm) ? startMm : endMm;
  return isThereAndBack(part) ? begin : far;
}

/** Wound from one end to the other and back, in two layers. */
export const isThereAndBack = ({ file }: LaidPart): boolean =>
  file.construction === 'wrap' && file.role !== 'underbody' && file.layers === 2;

/** Whether the thread ends elsewhere than where it tied a part in. */
export const isWound = ({ file }: LaidPart): boolean => traitsOf(file.construction).worked;

/** Parts in the order they are begun: what is done in two steps is begun before the first of what it covers. */
function begun(parts: readonly LaidPart[], twice: ReadonlyMap<LaidPart, Twice>): { part: LaidPart; early: boolean }[] {
  const entries = parts.map((part) => ({ part, early: false }));
  for (const [part, { covers }] of twice) {
    const own = entries.findIndex((entry) => entry.part === part);
    const first = entries.findIndex((entry) => covers.includes(entry.part));
    if (first >= 0 && first < own) entries.splice(first, 0, { part, early: true });
  }
  return entries;
}

/** Follows what is caught, what waits for what, and what is done. */
class Vise {
  readonly moves: Move[] = [];
  private readonly hanging: LaidPart[] = [];
  private readonly done = new Set<LaidPart>();
  private readonly waits: ReadonlyMap<LaidPart, readonly LaidPart[]>;
  private readonly twice: ReadonlyMap<LaidPart, Twice>;

  private readonly laid: LaidFly;

  constructor(parts: readonly LaidPart[], laid: LaidFly, twice: ReadonlyMap<LaidPart, Twice>) {
    this.laid = laid;
    this.twice = twice;
    this.waits = new Map(
      parts.map((part) => [
        part,
        (twice.get(part)?.covers ?? woundAfter(part, laid)).filter((each) => parts.includes(each)),
      ]),
    );
  }

  private free(part: LaidPart): boolean {
    return (this.waits.get(part) ?? []).every((other) => this.done.has(other));
  }

  catch(part: LaidPart): void {
    if (this.hanging.includes(part)) return;
    const at = this.twice.get(part)?.caughtMm ?? tieInMm(part);
    if (part.file.continues === undefined) this.moves.push({ part, does: 'catch', fromMm: at, toMm: at });
    this.hanging.push(part);
  }

  private finish(part: LaidPart, does: Move['does']): void {
    const twice = this.twice.get(part);
    const [from, to] = twice ? [twice.caughtMm, twice.finishedMm] : [tieInMm(part), tiedOffMm(part)];
    const how = part.file.continues === undefined ? does : 'on';
    const stays = endsUnderRib(part, this.laid) || (twice === undefined && !isWound(part));
    const ends = stays ? from : to;
    this.moves.push({ part, does: how, fromMm: how === 'tie' || how === 'on' || stays ? from : to, toMm: ends });
    this.done.add(part);
    const at = this.hanging.indexOf(part);
    if (at >= 0) this.hanging.splice(at, 1);
  }

  private finishHanging(part: LaidPart): void {
    this.finish(part, this.twice.has(part) ? 'over' : 'wind');
  }

  /** Whatever hangs and waits for nothing any more is finished, in the order it hangs. */
  private release(): void {
    for (let next = this.ready(); next; next = this.ready()) this.finishHanging(next);
  }

  /** Hangs, and its own place in the order has come. */
  private ready(): LaidPart | undefined {
    return this.hanging.find((part) => this.come.has(part) && this.free(part));
  }

  private readonly come = new Set<LaidPart>();

  /** The place of a part in the order. */
  take(part: LaidPart): void {
    this.come.add(part);
    const twice = this.twice.get(part);
    if (twice && !isLeftToRib(part, twice)) this.catch(part);
    else if (isWound(part) && !this.free(part)) this.catch(part);
    else this.finish(part, 'tie');
    this.release();
  }

  /** What waits for something that waits for it is finished all the same, in the order it hangs. */
  rest(): void {
    for (const part of this.hanging.slice()) this.finishHanging(part);
  }
}

/**
 * What is done in turn when parts are tied in an order: what is wound or folded over something that comes later is caught first, left
 * hanging, and finished once that is on. What goes on of another's piece is not tied in again.
 * @param ids parts in the order they are tied in; where none are given, as the fly has them
 */
export function movesOf(laid: LaidFly, ids: readonly string[] = laid.parts.map((part) => part.file.id)): Move[] {
  const parts = ids.flatMap((id) => laid.parts.find((part) => part.file.id === id) ?? []);
  const twice = new Map(
    parts.flatMap((part) => {
      const how = twiceDone(part, laid);
      return how && !isLeftToRib(part, how) ? [[part, how] as const] : [];
    }),
  );
  const vise = new Vise(parts, laid, twice);
  for (const { part, early } of begun(parts, twice)) {
    if (early) vise.catch(part);
    else vise.take(part);
  }
  vise.rest();
  return vise.moves;
}

/** mm the thread travels along the shank. It starts behind the head and ends there. */
export function travelMm(laid: LaidFly, moves: readonly Move[]): number {
  let [at, sum] = [laid.headMm, 0];
  for (const { fromMm, toMm, part } of moves) {
    if (part.file.construction === 'coat' || (part.file.construction === 'ball' && !isPair(part))) continue;
    sum += Math.abs(fromMm - at) + Math.abs(toMm - fromMm);
    at = toMm;
  }
  return sum + Math.abs(laid.headMm - at);
}

/** The order a fly is tied in, in short. @example orderWords(laid) // 'tail body strip/over' */
export const orderWords = (laid: LaidFly): string =>
  movesOf(laid)
    .map(({ part, does }) => (does === 'tie' ? part.file.id : `${part.file.id}/${does}`))
    .join(' ');

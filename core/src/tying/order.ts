import { traitsOf, type LaidFly, type LaidPart } from '../model/index.ts';
import { isPair, tieInMm, woundAfter } from './constraints.ts';

/** One thing done with a part: tied in, wound, or both at once. */
export interface Move {
  readonly part: LaidPart;
  readonly does: 'tie' | 'catch' | 'wind';
  /** Where the thread has to wait, and where it is afterwards. mm from the eye */
  readonly fromMm: number;
  readonly toMm: number;
}

/** Where the thread ends that ties off what was wound. */
export function tiedOffMm(part: LaidPart): number {
  const begin = tieInMm(part);
  const { startMm, endMm } = part.extent;
  return Math.abs(begin - startMm) > Math.abs(begin - endMm) ? startMm : endMm;
}

/** Whether the thread ends elsewhere than where it tied a part in. */
export const isWound = ({ file }: LaidPart): boolean => traitsOf(file.construction).worked;

/**
 * What is done in turn when parts are tied in an order: what is wound over something that comes later is caught first, left hanging, and
 * wound once that is on.
 * @param ids parts in the order they are tied in
 */
export function movesOf(laid: LaidFly, ids: readonly string[]): Move[] {
  const parts = ids.flatMap((id) => laid.parts.find((part) => part.file.id === id) ?? []);
  const waits = new Map(parts.map((part) => [part, new Set(woundAfter(part, laid))]));
  const hanging: LaidPart[] = [];
  const done = new Set<LaidPart>();
  const moves: Move[] = [];
  const wind = (part: LaidPart, does: 'wind' | 'tie'): void => {
    const [from, to] = [tieInMm(part), tiedOffMm(part)];
    moves.push({ part, does, fromMm: does === 'tie' ? from : to, toMm: isWound(part) ? to : from });
    done.add(part);
  };
  const free = (part: LaidPart): boolean =>
    [...(waits.get(part) ?? [])].every((other) => done.has(other) || !parts.includes(other));
  const release = (): void => {
    for (const part of hanging.slice())
      if (!done.has(part) && free(part)) {
        hanging.splice(hanging.indexOf(part), 1);
        wind(part, 'wind');
      }
  };
  for (const part of parts) {
    if (isWound(part) && !free(part)) {
      const at = tieInMm(part);
      moves.push({ part, does: 'catch', fromMm: at, toMm: at });
      hanging.push(part);
    } else {
      wind(part, 'tie');
      release();
    }
  }
  // What waits for something that waits for it is wound all the same, in the order it hangs.
  for (const part of hanging) if (!done.has(part)) wind(part, 'wind');
  return moves;
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

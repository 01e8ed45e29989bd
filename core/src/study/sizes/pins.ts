import { figureOf, readTypedNumber } from '../../units/index.ts';
import { withKey, withPart } from '../../edit/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { layFly } from '../../model/index.ts';
import { readFlyValue, type FlyFile } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { HOLDS, type Hold } from './weight.ts';

/** Something of one size that does not follow the run: a key of a part, the thread, or what its weight holds. */
export interface Pin {
  /** The size as it is written in the run. */
  readonly size: string;
  /** Null for what is no part's. */
  readonly part: string | null;
  /** A key of the part; `shank` of the hook, `denier` of the thread, `hold`. */
  readonly key: string;
  readonly value: string;
}

const COUNTS = new Set(['strands', 'turns', 'perSide', 'feathers']);
const DENIER = { least: 10, most: 1000 };

const counted = (pin: Pin): number => figureOf(readTypedNumber(pin.value)) ?? NaN;

/** The pins of one size, applied to the fly on it. @returns the fly, or what is wrong with a pin, by the part and key it stands for */
export function withPins(file: FlyFile, pins: readonly Pin[]): Outcome<FlyFile> {
  let next = file;
  for (const pin of pins) {
    const path = pin.part === null ? pin.key : `${pin.part}.${pin.key}`;
    if (pin.key === 'hold') continue;
    if (pin.part === null && pin.key === 'shank') {
      // The hook of this size as the caliper has it; a tube or shank is its own length, which the size says.
      const { platform } = next;
      if (platform.kind === 'tube' || platform.kind === 'shank')
        return bad({ path, code: 'contradiction', message: 'is the length the size says; write another size instead' });
      next = { ...next, platform: { ...platform, shank: pin.value } };
      continue;
    }
    if (pin.part === null) {
      const denier = counted(pin);
      if (pin.key !== 'denier' || !(denier >= DENIER.least && denier <= DENIER.most))
        return bad({ path, code: 'range', message: `"${pin.value}" is no denier between 10 and 1000` });
      next = { ...next, thread: { ...next.thread, denier } };
      continue;
    }
    const { part: id, key } = pin;
    if (!next.parts.some((part) => part.id === id))
      return bad({ path, code: 'unknown-name', message: `there is no part "${id}" any more; let the pin go` });
    const value = COUNTS.has(key) ? counted(pin) : pin.value;
    if (typeof value === 'number' && !(value >= 0 && value <= 5000))
      return bad({ path, code: 'type', message: `"${pin.value}" is no count` });
    next = withPart(next, id, (part) => withKey(part, key, value));
  }
  return good(next);
}

/** Whether a pin is a length, of which a bare number takes a unit; strands, turns and denier are counts. */
export const isLengthPin = ({ part, key }: Pick<Pin, 'part' | 'key'>): boolean =>
  part === null ? key === 'shank' : !COUNTS.has(key);

/** Why a pin cannot stand on a fly; null where it can. */
export function pinFault(file: FlyFile, pin: Pin, drawers: Drawers): Fault | null {
  if (pin.value.trim() === '') return null;
  const pinned = withPins(file, [pin]);
  const read = pinned.ok ? readFlyValue(pinned.value) : pinned;
  const laid = read.ok ? layFly(read.value, drawers) : read;
  return laid.ok ? null : (laid.faults[0] ?? null);
}

/** What the weight of a size holds: its own pin, else what the run does. */
export const holdFor = (pins: readonly Pin[], hold: Hold): Hold =>
  HOLDS.find((each) => pins.some((pin) => pin.key === 'hold' && pin.value === each)) ?? hold;

/** A list of pins with one set, or let go where its value is empty. */
export function setPin(pins: readonly Pin[], pin: Pin): readonly Pin[] {
  const others = pins.filter((each) => each.size !== pin.size || each.part !== pin.part || each.key !== pin.key);
  return pin.value.trim() === '' ? others : [...others, { ...pin, value: pin.value.trim() }];
}

import { bad, type Fault, good, type Outcome, suggestion } from '../base/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';
import { ASKED_LIMITS, type WaterAsked } from './ask.ts';
import { type Fishing, type Manner, MANNERS, USUAL_FISHING } from './fish.ts';
import { shortLift, shortPull } from './plain.ts';
import {
  leaderFor,
  NO_TACKLE,
  quantityIn,
  readFloat,
  readLeader,
  readLine,
  type Tackle,
  USUAL_FLOAT,
  USUAL_LEADER,
} from './tackle.ts';

/** What is said of how a fly is fished, as one writes it; what is not said is as its pattern means it, else as usual. */
export type WaterTexts = Partial<
  Readonly<
    Record<
      | 'float'
      | 'line'
      | 'manner'
      | 'leader'
      | 'cast'
      | 'angle'
      | 'mend'
      | 'count'
      | 'strip'
      | 'lift'
      | 'float-to-fly'
      | 'rod-tip'
      | 'want'
      | 'seconds',
      string
    >
  >
>;

export const USUAL_CAST_MM = 18_000;
/** A pattern says of what kind its line is, not which: the usual one of that kind. Custom. */
const USUAL_OF = {
  floating: 'floating',
  intermediate: 'intermediate',
  'sink-tip': 'sink tip of 3 m, 75 mm/s',
  sinking: 'sinking 75 mm/s',
} as const;
/** A fly that is fished near is jigged or hung on so much line, mm. */
const NEAR_MM = 8000;

/** Reads several texts, and gathers what is wrong with any. */
class Reading {
  readonly faults: Fault[] = [];

  of<T>(read: Outcome<T>, otherwise: T): T {
    if (read.ok) return read.value;
    this.faults.push(...read.faults);
    return otherwise;
  }

  quantity(
    kind: QuantityKind,
    text: string | undefined,
    path: string,
    bounds: readonly [number, number],
    what: string,
    otherwise: number,
  ): number {
    return text === undefined ? otherwise : this.of(quantityIn(kind, text, path, bounds, what), otherwise);
  }
}

const parts = (text: string, path: string, count: number, example: string): Outcome<readonly string[]> => {
  const all = text.split(':').map((each) => each.trim());
  return all.length === count ? good(all) : bad({ path, code: 'syntax', message: `"${text}": write ${example}` });
};

function stripOf(text: string | undefined, reading: Reading): Fishing['strip'] {
  if (text === undefined) return USUAL_FISHING.strip;
  const [length = '', speed = '', pause = ''] = reading.of(
    parts(shortPull(text), 'strip', 3, '0.3 m at 0.6 m/s, pause 1 s'),
    ['0.3 m', '0.6 m/s', '1 s'],
  );
  return {
    lengthMm: reading.quantity('length', length, 'strip', [20, 2000], 'length of a pull', 300),
    speedMmS: reading.quantity('speed', speed, 'strip', [20, 3000], 'speed of a pull', 600),
    pauseS: reading.quantity('time', pause, 'strip', [0, 20], 'pause', 1),
  };
}

function liftOf(text: string | undefined, reading: Reading): Fishing['lift'] {
  if (text === undefined) return USUAL_FISHING.lift;
  const [height = '', period = ''] = reading.of(parts(shortLift(text), 'lift', 2, '0.5 m every 2 s'), ['0.5 m', '2 s']);
  return {
    heightMm: reading.quantity('length', height, 'lift', [20, 3000], 'lift of the rod', 500),
    periodS: reading.quantity('time', period, 'lift', [0.5, 30], 'time from lift to lift', 2),
  };
}

function mannerOf(text: string | undefined, meant: Manner | undefined, reading: Reading): Manner {
  if (text === undefined) return meant ?? USUAL_FISHING.manner;
  const manner = MANNERS.find((each) => each === text.toLowerCase());
  if (!manner)
    reading.faults.push({
      path: 'manner',
      code: 'unknown-name',
      message: `"${text}" is no manner${suggestion(text, [...MANNERS])}: ${MANNERS.join(', ')}`,
    });
  return manner ?? USUAL_FISHING.manner;
}

const WHOLE = /^\s*(\d+)\s*$/;

/** How many mends, a whole number of them. */
function mendsOf(text: string | undefined, reading: Reading): number {
  const whole = text === undefined ? '0' : WHOLE.exec(text)?.[1];
  if (whole === undefined)
    reading.faults.push({
      path: 'mend',
      code: 'syntax',
      message: `"${text ?? ''}" is no number of mends: write 1`,
    });
  return Number(whole ?? 0);
}

/** What the angler does with rod and line, in any manner. */
function handledOf(texts: WaterTexts, reading: Reading): Omit<Fishing, 'manner' | 'float'> {
  const { angleDeg, rodTipMm, seconds } = ASKED_LIMITS;
  return {
    angleDeg: reading.quantity('angle', texts.angle, 'angle', angleDeg, 'angle of a cast', USUAL_FISHING.angleDeg),
    mends: mendsOf(texts.mend, reading),
    countS: reading.quantity('time', texts.count, 'count', ASKED_LIMITS.countS, 'count', USUAL_FISHING.countS),
    strip: stripOf(texts.strip, reading),
    lift: liftOf(texts.lift, reading),
    dropMm:
      texts['float-to-fly'] === undefined
        ? USUAL_FISHING.dropMm
        : reading.quantity(
            'length',
            texts['float-to-fly'],
            'float-to-fly',
            ASKED_LIMITS.dropMm,
            'length from float to fly',
            1000,
          ),
    rodTipMm: reading.quantity(
      'length',
      texts['rod-tip'],
      'rod-tip',
      rodTipMm,
      'height of a rod’s tip',
      USUAL_FISHING.rodTipMm,
    ),
    seconds: reading.quantity('time', texts.seconds, 'seconds', seconds, 'time it is fished', USUAL_FISHING.seconds),
  };
}

/** How a fly is fished by what is said of it, and by what its pattern means. */
export function readAsked(
  texts: WaterTexts,
  { intent }: Pick<FlyFile, 'intent'>,
  tackle: Tackle = NO_TACKLE,
): Outcome<Omit<WaterAsked, 'laid' | 'beat' | 'dropper'>> {
  const reading = new Reading();
  const line = reading.of(readLine(texts.line ?? USUAL_OF[intent?.line ?? 'floating'], tackle), {
    form: 'floating',
    rateMmS: null,
    tipMm: null,
    diameterMm: 1.1,
  });
  const leader = texts.leader === undefined ? USUAL_LEADER : reading.of(readLeader(texts.leader, tackle), USUAL_LEADER);
  const manner = mannerOf(texts.manner, intent?.manner, reading);
  const wanted = texts.want ?? intent?.depth;
  const near = manner === 'jig' || manner === 'hang' ? NEAR_MM : USUAL_CAST_MM;
  const fishing: Fishing = {
    manner,
    float: texts.float === undefined ? USUAL_FLOAT : reading.of(readFloat(texts.float, tackle), USUAL_FLOAT),
    ...handledOf(texts, reading),
  };
  const castMm = reading.quantity('length', texts.cast, 'cast', ASKED_LIMITS.castMm, 'length of a cast', near);
  const wantMm =
    wanted === undefined
      ? null
      : reading.quantity('length', wanted, 'want', [50, 30_000], 'depth that is wanted', 1000);
  return reading.faults.length > 0 ? bad(...reading.faults) : good({ line, leader, castMm, fishing, wantMm });
}

/** How far above the fly a dropper is tied in where nothing is said, mm. Custom. */
export const USUAL_ABOVE_MM = 900;

/** How far above the fly a dropper is tied in, as it is written. */
export const readAbove = (text: string | undefined): Outcome<number> =>
  text === undefined || text.trim() === ''
    ? good(USUAL_ABOVE_MM)
    : quantityIn('length', text, 'dropper-above', [100, 12_000], 'way from the fly to a dropper');

/** How it is asked with another line: on one that sinks with a short leader, unless one is said. */
export function onLine(own: WaterTexts, line: string, tackle: Tackle): WaterTexts {
  const read = readLine(line, tackle);
  const leader = own.leader ?? (read.ok ? leaderFor(read.value) : undefined);
  return { ...own, line, ...(leader === undefined ? {} : { leader }) };
}

/** The speed a pattern means its water to have, mm/s; null where it does not say. */
export function meantCurrent({ intent }: Pick<FlyFile, 'intent'>): number | null {
  const read = intent?.current === undefined ? null : parseQuantity('speed', intent.current);
  return read?.ok === true ? read.value : null;
}

import {
  CURVE_DEG,
  SideFlow,
  normalDeg,
  rideOf,
  toDeg,
  toRad,
  sideHold,
  layFly,
  type LaidFly,
  balanceModel,
  sinkSpeed,
} from '../../model/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { formatLength } from '../../units/index.ts';
import { ballOf, candidatesOf, withCandidate, type Candidate } from './candidates.ts';
import { missesOf, shortfall, type Deeds, type Wish, type WishName } from './wishes.ts';

/** A choice of weights that was tied in and solved. Masses mg, speeds mm/s. */
export interface Found extends Deeds {
  readonly words: string;
  readonly file: FlyFile;
  readonly dryMg: number;
  readonly castingMg: number;
  readonly ratio: number | null;
  readonly misses: Readonly<Partial<Record<WishName, number>>>;
  /** The form, metal, size and side it is of, whatever its station and wire. */
  readonly piece: string;
  /** Whether nothing lighter rides more firmly. */
  readonly front: boolean;
}

export interface Finding {
  readonly tried: number;
  /** Those that do all that is wished, the lightest first; or else those that come nearest. */
  readonly found: readonly Found[];
  readonly met: boolean;
  /** The wish that most stands in the way, where none does all. */
  readonly relax: WishName | null;
}

/** So many are tied in and solved after all were reckoned. */
const SOLVED = 90;
const SHOWN = 40;
/** Of one piece at other stations and with other wire so many are solved, and so many shown: the choice is to be wide. */
const PER_PIECE = 4;
const PER_PIECE_SHOWN = 3;
/** Reckoned figures are near enough within this share. */
const NEAR = 0.2;
const SPEEDS = [20, 30, 45, 60, 80, 100, 125, 150, 180, 220, 260, 310, 370, 440, 520, 620, 740, 900, 1200, 1600];
const HEELS = 45;

/** The side current a keel holds on this fly's silhouette, from pushes tabulated once at both rests. */
class HoldTable {
  private readonly pushes: readonly {
    readonly speed: number;
    readonly at: Readonly<Record<'up' | 'down', readonly (readonly [sin: number, moment: number])[]>>;
  }[];

  constructor(laid: LaidFly) {
    const flow = new SideFlow(balanceModel(laid));
    const around = (torque: readonly number[], rest: number): (readonly [number, number])[] =>
      CURVE_DEG.flatMap((deg, i): (readonly [number, number])[] => {
        const off = normalDeg(deg - rest);
        return Math.abs(off) < 1 || Math.abs(off) > HEELS
          ? []
          : [[Math.sin(toRad(Math.abs(off))), Math.max(0, (torque[i] ?? 0) * Math.sign(off))]];
      });
    this.pushes = SPEEDS.map((speed) => {
      const torque = flow.torque(speed, 1);
      return { speed, at: { down: around(torque, 0), up: around(torque, 180) } };
    });
  }

  /** mm/s, to the steps of the table; null where even the fastest does not turn it over. @param stiffness mg·mm */
  holds(stiffness: number, up: boolean): number | null {
    let held = 0;
    for (const { speed, at } of this.pushes) {
      const stands = at[up ? 'up' : 'down'].some(([sin, moment]) => moment <= stiffness * sin && moment > 0);
      const still = at[up ? 'up' : 'down'].every(([, moment]) => moment === 0);
      if (!stands && !still) return held;
      held = speed;
    }
    return null;
  }
}

/** What a candidate would do, by weights and moments alone. */
function reckon(
  candidate: Candidate,
  laid: LaidFly,
  table: HoldTable,
  own: { mg: number; mmS: number },
): Deeds & { dryMg: number } {
  const { form, ballMg, turns } = candidate;
  const towZ = laid.platform.towPoint[2];
  const wire = turns - form.turns;
  const ball = ballMg - laid.water.density * form.volumeMm3;
  const weight = form.restMg + ball + wire * form.turnMg;
  const moment = form.restMoment + ball * (form.z - towZ) - wire * form.turnMg * towZ;
  const heel = toDeg(Math.atan2(-form.lateral, -moment));
  return {
    ride: rideOf(heel, laid.platform.pointUp),
    holdsToMmS: table.holds(Math.hypot(moment, form.lateral), moment > 0),
    sinkMmS: weight <= 0 || own.mg <= 0 ? 0 : own.mmS * Math.sqrt(weight / own.mg),
    dryMg: form.restDryMg + ballMg + wire * form.turnDryMg,
  };
}

const pieceOf = ({ shape, material, diameterMm, side }: Candidate): string =>
  [shape, material, diameterMm.toFixed(2), side].join();

/** A choice of ball and wire, wherever along the shank it is: rows that differ by half a station are one. */
const choiceOf = (candidate: Candidate): string =>
  [pieceOf(candidate), candidate.turns, candidate.wire?.material, candidate.wire?.strand].join();

/** How far a candidate stands from where the ball is now, in stations: of places that do as well the nearest is taken. */
const awayFrom =
  (station: number) =>
  (candidate: Candidate): number =>
    candidate.station === null ? 0 : Math.abs(candidate.station - station);

/** A filter that lets so many of a kind through, the first ones. */
function atMost<T>(most: number, kind: (each: T) => string): (each: T) => boolean {
  const seen = new Map<string, number>();
  return (each) => {
    const count = (seen.get(kind(each)) ?? 0) + 1;
    seen.set(kind(each), count);
    return count <= most;
  };
}

/** A wire by its thickness and material; one from the drawer has its thickness in its name. */
const wireWords = (wire: Candidate['wire']): string =>
  wire === null ? 'wire' : /\d/.test(wire.material) ? wire.material : `${wire.strand} ${wire.material}`;

const wordsOf = ({ shape, material, diameterMm, side, station, turns, wire }: Candidate): string =>
  [
    `${formatLength(diameterMm).figure} mm ${material} ${material.includes(shape.replace('-', ' ')) ? '' : shape.replace('-', ' ')}`.trim(),
    station === null ? '' : `on ${side === 'top' ? 'top' : 'the point side'} at station ${String(station)}`,
    turns === 0 ? '' : `${String(turns)} turns of ${wireWords(wire)}`,
  ]
    .filter((word) => word !== '')
    .join(', ');

function solved(candidate: Candidate, laid: LaidFly, drawers: Drawers, wish: Wish): Found | null {
  const file = withCandidate(laid, candidate);
  const fly = layFly(file, drawers);
  if (!fly.ok) return null;
  const { tight, tipping, dryMg, castingMg } = fly.value;
  const deeds: Deeds = {
    ride: tight.ride,
    holdsToMmS: sideHold(balanceModel(fly.value), tight).holdsTo,
    sinkMmS: sinkSpeed(fly.value),
  };
  return {
    ...deeds,
    words: wordsOf(candidate),
    piece: pieceOf(candidate),
    file,
    dryMg,
    castingMg,
    ratio: tipping?.ratio ?? null,
    misses: missesOf(wish, deeds),
    front: false,
  };
}

/** Marks those that nothing lighter outdoes in holding; the order is kept. */
function withFront(found: readonly Found[]): Found[] {
  const firm = (each: Found): number => each.holdsToMmS ?? Infinity;
  return found.map((each) => ({
    ...each,
    front: !found.some(
      (other) =>
        other !== each &&
        other.dryMg <= each.dryMg &&
        firm(other) >= firm(each) &&
        (other.dryMg < each.dryMg || firm(other) > firm(each)),
    ),
  }));
}

type Misses = Found['misses'];

/** The wish without which most of those that were reckoned would do; null where no single one stands in the way. */
function standsInTheWay(reckoned: readonly Misses[]): WishName | null {
  const names: readonly WishName[] = ['ride', 'holds', 'sink'];
  const alone = (misses: Misses, name: WishName): boolean =>
    names.every((each) => each === name || (misses[each] ?? 0) <= NEAR / 2);
  const [best] = names
    .map((name) => ({ name, doing: reckoned.filter((misses) => alone(misses, name)).length }))
    .sort((a, b) => b.doing - a.doing);
  return best && best.doing > 0 ? best.name : null;
}

/** How far a search is: the share of it that is done, 0 to 1, and now and then what it found so far. */
export interface FinderStep {
  readonly share: number;
  readonly soFar?: Finding;
}

/** So many are solved between one look at what was found and the next. */
const LOOK = 10;

/** Where the ball is now, in stations; where most eyes are for a fly that has none. */
function stationNow(laid: LaidFly): number {
  const ball = ballOf(laid);
  return ball ? (10 * (ball.extent.startMm + ball.extent.endMm)) / 2 / laid.platform.shankMm : 2;
}

/**
 * Looks for the weights that make a fly do what is wished: all are reckoned by closed forms, the most promising tied in and solved.
 * It yields how far it is and what it found so far, so that whoever runs it can show that and stop.
 */
export function* findWeights(laid: LaidFly, drawers: Drawers, wish: Wish): Generator<FinderStep, Finding> {
  const table = new HoldTable(laid);
  const own = { mg: laid.submergedMg, mmS: sinkSpeed(laid) };
  const away = awayFrom(stationNow(laid));
  yield { share: 0 };
  const candidates = candidatesOf(laid, drawers, wish);
  yield { share: 0.1 };
  const reckoned = candidates.map((candidate) => {
    const deeds = reckon(candidate, laid, table, own);
    const misses = missesOf(wish, deeds);
    const miss = shortfall(misses);
    return { candidate, misses, miss: miss <= NEAR ? 0 : miss, dryMg: deeds.dryMg };
  });
  const promising = [...reckoned]
    .sort((a, b) => a.miss - b.miss || a.dryMg - b.dryMg || away(a.candidate) - away(b.candidate))
    .filter(atMost(1, (each) => choiceOf(each.candidate)))
    .filter(atMost(PER_PIECE, (each) => pieceOf(each.candidate)))
    .slice(0, SOLVED);
  const inTheWay = standsInTheWay(reckoned.map((each) => each.misses));
  yield { share: 0.15 };
  const all: Found[] = [];
  for (const [i, { candidate }] of promising.entries()) {
    const one = solved(candidate, laid, drawers, wish);
    if (one) all.push(one);
    const share = 0.15 + (0.85 * (i + 1)) / promising.length;
    if ((i + 1) % LOOK === 0) yield { share, soFar: findingOf(all, candidates.length, inTheWay) };
    else if (i % 3 === 0) yield { share };
  }
  return findingOf(all, candidates.length, inTheWay);
}

/** What was found among those that were solved: what does it all, or what comes nearest. */
function findingOf(all: readonly Found[], tried: number, inTheWay: WishName | null): Finding {
  const doing = all.filter(({ misses }) => Object.keys(misses).length === 0).sort((a, b) => a.dryMg - b.dryMg);
  const nearest = [...all].sort((a, b) => shortfall(a.misses) - shortfall(b.misses) || a.dryMg - b.dryMg);
  const met = doing.length > 0;
  return {
    tried,
    found: withFront((met ? doing : nearest).filter(atMost(PER_PIECE_SHOWN, (each) => each.piece)).slice(0, SHOWN)),
    met,
    relax: met ? null : inTheWay,
  };
}

/** The whole search at once. */
export function findAll(laid: LaidFly, drawers: Drawers, wish: Wish): Finding {
  const search = findWeights(laid, drawers, wish);
  for (;;) {
    const step = search.next();
    if (step.done === true) return step.value;
  }
}

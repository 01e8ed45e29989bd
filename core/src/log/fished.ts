import { bad, type Fault, good, type Outcome } from '../base/index.ts';
import { clockMinutes, dayMinutes, type Loss, LOSSES, type OutingFile, type Rod } from '../records/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';

/** A fly while it was fished on one outing. */
export interface Fished {
  /** Which outing, counted from 0. */
  readonly outing: number;
  /** Which of its flies, counted from 0. */
  readonly at: number;
  readonly date: string;
  readonly beat: string;
  /** As it is named: an id or a name. */
  readonly fly: string;
  readonly rod: Rod;
  /** Minutes from the midnight before the outing to when it was put on, and how long it was fished. */
  readonly fromMinutes: number;
  readonly minutes: number;
  readonly takes: number;
  readonly touches: number;
  readonly landed: number;
  readonly lost: readonly Loss[];
  readonly fouled: number;
  readonly hand: string | null;
  readonly light: string | null;
  readonly levelMm: number | null;
  readonly clarityMm: number | null;
  readonly temperatureC: number | null;
}

const DAY_MINUTES = 24 * 60;
/** Who begins in the evening may end in the morning. */
const [EVENING, MORNING] = [17 * 60, 9 * 60] as const;

/** Minutes from one time of day to another, past midnight where one fished through it; null where it ends before it begins. */
export function spanMinutes(from: string, to: string): number | null {
  const [begins, ends] = [clockMinutes(from), clockMinutes(to)];
  if (ends >= begins) return ends - begins;
  return begins >= EVENING && ends <= MORNING ? ends + DAY_MINUTES - begins : null;
}

/** How long after an outing began a time of day is, min; a little before it is less than nothing. */
function afterMinutes(outing: OutingFile, clock: string): number {
  const after = clockMinutes(clock) - clockMinutes(outing.from);
  return after < -DAY_MINUTES / 2 ? after + DAY_MINUTES : after;
}

const valueOf = (kind: QuantityKind, text: string | undefined): number | null => {
  const read = text === undefined ? null : parseQuantity(kind, text);
  return read?.ok === true ? read.value : null;
};

/** The light as a word; lux are told by it too. */
const [BRIGHT_LX, DULL_LX, DUSK_LX] = [20_000, 1000, 10] as const;
export function lightWord(light: string | undefined): string | null {
  if (light === undefined) return null;
  const found = /^([\d.,]+) ?(k?)lx$/.exec(light);
  if (!found) return light;
  const lux = Number((found[1] ?? '').replace(',', '.')) * (found[2] === 'k' ? 1000 : 1);
  return lux >= BRIGHT_LX ? 'bright' : lux >= DULL_LX ? 'dull' : lux >= DUSK_LX ? 'dusk' : 'dark';
}

const isLoss = (how: string | undefined): how is Loss => LOSSES.some((each) => each === how);

/** What came of a fly: by its events where there are any, as it was counted where there are none. */
function countsOf({ events, takes, touches, landed, lost, fouled }: Rod) {
  if (!events || events.length === 0)
    return {
      takes: Math.max(takes ?? 0, landed?.length ?? 0),
      touches: touches ?? 0,
      landed: landed?.length ?? 0,
      lost: (lost ?? []).map(({ how }) => how),
      fouled: fouled ?? 0,
    };
  const of = (what: string): number => events.filter((each) => each.what === what).length;
  return {
    // A fish that is landed has taken; where it is told twice it is one.
    takes: Math.max(of('take'), of('landed')),
    touches: of('touch'),
    landed: of('landed'),
    lost: events.filter(({ what }) => what === 'lost').map(({ how }): Loss => (isLoss(how) ? how : 'bed')),
    fouled: of('fouled'),
  };
}

const nameOf = ({ fly, specimen }: Rod): string => fly ?? specimen ?? '';
/** As it is spoken of: by the name in its pattern, where that is kept. */
const saidName = (rod: Rod): string => {
  const name = rod.pattern?.['name'];
  return typeof name === 'string' ? name : nameOf(rod);
};
/** A clock that was put forward or back is off by about so much. */
const [HOUR_LEAST, HOUR_MOST] = [50, 70] as const;

/** From when to when a fly was fished; the outing itself where it is its only one. */
function timesOf(outing: OutingFile, rod: Rod, at: number): Outcome<{ readonly from: string; readonly to: string }> {
  const path = `rods[${String(at)}]`;
  const wrong = (key: string, message: string): Outcome<never> =>
    bad({ path: `${path}.${key}`, code: 'range', message: `${saidName(rod)}: ${message}` });
  const alone = outing.rods.length === 1;
  const { from = alone ? outing.from : undefined, to = alone ? outing.to : undefined } = rod;
  if (from === undefined || to === undefined)
    return wrong(from === undefined ? 'from' : 'to', 'say from when to when it was fished: there is more than one fly');
  if (spanMinutes(from, to) === null)
    return wrong('to', `it ends before it begins, at ${to} after ${from}: turn the two about`);
  const whole = spanMinutes(outing.from, outing.to) ?? 0;
  const [early, late] = [-afterMinutes(outing, from), afterMinutes(outing, to) - whole];
  const off = Math.max(early, late);
  if (off <= 0) return good({ from, to });
  const jumped =
    off >= HOUR_LEAST && off <= HOUR_MOST ? ', by an hour: did the clock jump?' : ': mend the one or the other';
  return wrong(
    early > 0 ? 'from' : 'to',
    early > 0
      ? `it was put on at ${from}, before the outing began at ${outing.from}${jumped}`
      : `it was taken off at ${to}, after the outing ended at ${outing.to}${jumped}`,
  );
}

/** Everything that was fished on an outing, fly by fly; or what of it cannot be. @param index which outing it is, for what is told of several */
export function fishedOf(outing: OutingFile, index = 0): Outcome<readonly Fished[]> {
  if (spanMinutes(outing.from, outing.to) === null)
    return bad({
      path: 'to',
      code: 'range',
      message: `it ends before it begins, at ${outing.to} after ${outing.from}: turn the two about, or say from when in the evening`,
    });
  const faults: Fault[] = [];
  const fished: Fished[] = [];
  outing.rods.forEach((rod, at) => {
    const times = timesOf(outing, rod, at);
    if (!times.ok) {
      faults.push(...times.faults);
      return;
    }
    const { from, to } = times.value;
    fished.push({
      outing: index,
      at,
      date: outing.date,
      beat: outing.beat,
      fly: nameOf(rod),
      rod,
      fromMinutes: clockMinutes(outing.from) + afterMinutes(outing, from),
      minutes: spanMinutes(from, to) ?? 0,
      ...countsOf(rod),
      hand: rod.hand ?? outing.hand ?? null,
      light: lightWord(outing.light),
      levelMm: valueOf('length', outing.gauge?.level),
      clarityMm: valueOf('length', outing.clarity),
      temperatureC: valueOf('temperature', outing.gauge?.temperature),
    });
  });
  return faults.length > 0 ? bad(...faults) : good(fished);
}

/** Outings from the first to the last. */
export const byDay = (one: OutingFile, other: OutingFile): number =>
  dayMinutes(one.date) + clockMinutes(one.from) - dayMinutes(other.date) - clockMinutes(other.from);

import { bad, type Fault, good, type Outcome, suggestion } from '../base/index.ts';
import { type Drawers, LEADER_DENSITY, LINE_FORMS, type LineItem, named, shortLeader } from '../drawers/index.ts';
import { type Water, water } from '../model/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';
import { type LeaderOf, type LinePiece, pieceOfDensity, pieceOfRate, sinkRateOf, USUAL_LINE } from './line.ts';
import { shortLine } from './plain.ts';

export type LineForm = (typeof LINE_FORMS)[number];

/** A fly line as it is sold. */
export interface LineSpec {
  readonly form: LineForm;
  /** How fast it sinks, or its tip does, mm/s; null where it floats. */
  readonly rateMmS: number | null;
  /** Length of its tip; null where all of it is of one kind. */
  readonly tipMm: number | null;
  readonly diameterMm: number;
}

/** A piece of a leader, from the line to the fly. */
export interface LeaderSpec {
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly of: LeaderOf;
}

const MG_PER_GRAIN_PER_FOOT = 64.79891 / 304.8;

/** The rate a line sinks at that is sold by what a foot of it weighs, mm/s; 0 where it would float. */
export const rateByGrains = (grainsPerFoot: number, diameterMm: number, water: Water): number =>
  sinkRateOf(
    grainsPerFoot * MG_PER_GRAIN_PER_FOOT - water.density * (Math.PI / 4) * diameterMm ** 2,
    diameterMm,
    water,
  );

export const FLOATING: LineSpec = { form: 'floating', rateMmS: null, tipMm: null, diameterMm: USUAL_LINE.diameterMm };
/** Lines that are tried where it is asked which serves, the one that sinks least first. Custom. */
export const USUAL_LINES: readonly string[] = [
  'floating',
  'intermediate',
  'sink tip of 3 m, 75 mm/s',
  'sink tip of 4.5 m, 125 mm/s',
  'sinking 75 mm/s',
  'sinking 125 mm/s',
];
/** The leader where none is said. */
export const USUAL_LEADER: readonly LeaderSpec[] = [{ lengthMm: 2700, diameterMm: 0.25, of: 'nylon' }];

/** A leader for a line that sinks, so that the fly is where the line is. Custom. */
export const SHORT_LEADER = '1.2 m of 0.25 mm nylon';
/** The leader a line is fished with where none is said and lines are chosen among: short on one that sinks. @returns undefined for the usual one */
export const leaderFor = ({ form }: LineSpec): string | undefined =>
  form === 'sinking' || form === 'sink-tip' ? SHORT_LEADER : undefined;

/** Rates and lengths of a tackle that no water would bear out. */
const LIMITS = { rateMmS: [5, 400], tipMm: [300, 15_000], diameterMm: [0.05, 3], leaderMm: [50, 12_000] } as const;

const MOST_PIECES = 12;

const fault = (path: string, message: string): Fault => ({ path, code: 'range', message });

/** A quantity within its bounds, or what is wrong with it. */
export function quantityIn(
  kind: QuantityKind,
  text: string,
  path: string,
  [least, most]: readonly [number, number],
  what: string,
): Outcome<number> {
  const read = parseQuantity(kind, text);
  if (!read.ok) return bad({ path, code: read.code, message: read.message });
  return read.value >= least && read.value <= most
    ? good(read.value)
    : bad(fault(path, `"${text}" is no ${what}: it lies between ${String(least)} and ${String(most)} ${UNIT[kind]}`));
}
const UNIT: Readonly<Record<QuantityKind, string>> = {
  length: 'mm',
  mass: 'mg',
  angle: 'degrees',
  speed: 'mm/s',
  temperature: '°C',
  salinity: 'g/kg',
  time: 's',
};

/** What lies in the drawers to fish with. */
export type Tackle = Pick<Drawers, 'lines' | 'leaders' | 'floats'>;
export const NO_TACKLE: Tackle = { lines: [], leaders: [], floats: [] };

/** A line of the drawers. A weight by the foot comes to a rate in fresh water of 10 °C, as rates are sold. */
function lineOfItem({ form, tipMm, rateMmS, grainsPerFoot, diameterMm = USUAL_LINE.diameterMm }: LineItem): LineSpec {
  const byWeight = grainsPerFoot === undefined ? null : rateByGrains(grainsPerFoot, diameterMm, water());
  const rate = rateMmS ?? byWeight ?? (form === 'intermediate' ? USUAL_LINE.intermediateMmS : null);
  return {
    form,
    rateMmS: form === 'floating' ? null : rate,
    tipMm: form === 'sink-tip' ? (tipMm ?? null) : null,
    diameterMm,
  };
}

/** Reads a line: one of the drawers by its name, `floating`, `intermediate`, `sink tip of 4 m, 75 mm/s` or `sink-tip:4 m:75 mm/s`, `sinking 3 in/s`. */
export function readLine(text: string, { lines }: Pick<Tackle, 'lines'> = NO_TACKLE, path = 'line'): Outcome<LineSpec> {
  const own = named(lines, text);
  if (own) return good(lineOfItem(own));
  const [name = '', ...rest] = shortLine(text)
    .split(':')
    .map((each) => each.trim());
  const form = LINE_FORMS.find((each) => each === name.toLowerCase());
  if (!form)
    return bad(
      fault(
        path,
        `"${name}" is no line${suggestion(name, [...LINE_FORMS, ...lines.map((each) => each.name)])}: ${LINE_FORMS.join(', ')}, as in sink tip of 4 m, 75 mm/s`,
      ),
    );
  const wanted = { floating: 0, intermediate: 0, 'sink-tip': 2, sinking: 1 }[form];
  if (rest.length !== wanted)
    return bad(
      fault(
        path,
        `"${text}": write ${{ floating: 'floating', intermediate: 'intermediate', 'sink-tip': 'sink tip of 4 m, 75 mm/s', sinking: 'sinking 75 mm/s' }[form]}`,
      ),
    );
  if (form === 'floating') return good(FLOATING);
  if (form === 'intermediate') return good({ ...FLOATING, form, rateMmS: USUAL_LINE.intermediateMmS });
  const rate = quantityIn('speed', rest.at(-1) ?? '', path, LIMITS.rateMmS, 'rate a line sinks at');
  if (!rate.ok) return rate;
  if (form === 'sinking') return good({ ...FLOATING, form, rateMmS: rate.value });
  const tip = quantityIn('length', rest[0] ?? '', path, LIMITS.tipMm, 'length of a tip');
  return tip.ok ? good({ ...FLOATING, form, rateMmS: rate.value, tipMm: tip.value }) : tip;
}

const TIP_SHARE = 0.6;
/** The lines of the drawers, the one that sinks least first; the usual ones where there are none. A tip sinks by as much of the line as it is. */
export function linesOf({ lines }: Tackle): readonly string[] {
  const sinks = (name: string): number => {
    const read = readLine(name, { lines });
    return read.ok ? (read.value.rateMmS ?? 0) * (read.value.tipMm === null ? 1 : TIP_SHARE) : 0;
  };
  return lines.length === 0
    ? USUAL_LINES
    : lines.map(({ name }) => name).sort((one, other) => sinks(one) - sinks(other));
}

/** Reads a leader: one of the drawers by its name, or its pieces from the line to the fly: `1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon`, or in short `1.8 m:0.4 mm:nylon,0.9 m:0.25 mm:fluorocarbon`. */
export function readLeader(
  text: string,
  { leaders }: Pick<Tackle, 'leaders'> = NO_TACKLE,
  path = 'leader',
): Outcome<readonly LeaderSpec[]> {
  const own = named(leaders, text);
  if (own) return readLeader(own.pieces, NO_TACKLE, path);
  const pieces: LeaderSpec[] = [];
  if (text.split(',').length > MOST_PIECES)
    return bad(fault(path, `a leader has ${String(MOST_PIECES)} pieces at most`));
  for (const one of shortLeader(text).split(',')) {
    const [long = '', thick = '', of = 'nylon'] = one.split(':').map((each) => each.trim());
    const length = quantityIn('length', long, path, LIMITS.leaderMm, 'length of a leader');
    const diameter = quantityIn('length', thick, path, LIMITS.diameterMm, 'diameter of a leader');
    const kind = (Object.keys(LEADER_DENSITY) as LeaderOf[]).find((each) => each === of.toLowerCase());
    if (!length.ok) return length;
    if (!diameter.ok) return diameter;
    if (!kind)
      return bad(
        fault(path, `"${of}" is no leader${suggestion(of, Object.keys(LEADER_DENSITY))}: nylon or fluorocarbon`),
      );
    pieces.push({ lengthMm: length.value, diameterMm: diameter.value, of: kind });
  }
  return good(pieces);
}

/** A float that a fly drifts under, mg. */
export interface FloatSpec {
  readonly bearsMg: number;
  readonly massMg: number;
}
/** Where nothing is said: judgement. A float weighs three tenths of what it bears. */
export const USUAL_FLOAT: FloatSpec = { bearsMg: 5000, massMg: 1500 };
const OWN_SHARE = 0.3;

/** So much of a floating line bears a fly that drifts without a float, mm: as it comes down slack. Judgement. */
const BEARING_MM = 3000;
const ownMg = (Math.PI / 4) * USUAL_LINE.diameterMm ** 2 * BEARING_MM;
/** A drift without a float: the end of a floating line bears the fly, as far as it can. */
const FREE_DRIFT: FloatSpec = { bearsMg: (1 - USUAL_LINE.floating) * ownMg, massMg: USUAL_LINE.floating * ownMg };
export const NO_FLOAT = 'no float';

/** Reads a float of the drawers by its name; `no float` for a drift on slack line. */
export function readFloat(text: string, { floats }: Pick<Tackle, 'floats'>): Outcome<FloatSpec> {
  if (text.trim().toLowerCase() === NO_FLOAT) return good(FREE_DRIFT);
  const own = named(floats, text);
  if (!own)
    return bad(
      fault(
        'float',
        `"${text}" is no float of the drawers${suggestion(text, [NO_FLOAT, ...floats.map((each) => each.name)])}`,
      ),
    );
  return good({ bearsMg: own.bearsMg, massMg: own.massMg ?? OWN_SHARE * own.bearsMg });
}

/** How long a leader is, mm. */
export const lengthOf = (leader: readonly Pick<LeaderSpec, 'lengthMm'>[]): number =>
  leader.reduce((sum, { lengthMm }) => sum + lengthMm, 0);

const metresWords = (mm: number): string => `${(mm / 1000).toFixed(1)} m`;
/** So much line has to be out beside the leader, mm. */
const LEAST_LINE = 500;

/** Leader pieces as they lie in the water. */
export const leaderPieces = (leader: readonly LeaderSpec[], water: Water): LinePiece[] =>
  leader.map(({ lengthMm, diameterMm, of }) =>
    pieceOfDensity('leader', lengthMm, diameterMm, LEADER_DENSITY[of], water),
  );

/** Line and leader as they are out, from the rod's tip to the fly. */
export function tackleOut(
  line: LineSpec,
  leader: readonly LeaderSpec[],
  castMm: number,
  water: Water,
): Outcome<LinePiece[]> {
  const leaderMm = lengthOf(leader);
  const out = castMm - leaderMm;
  if (out < LEAST_LINE)
    return bad(
      fault(
        'cast',
        `a leader of ${metresWords(leaderMm)} is longer than the cast of ${metresWords(castMm)} allows: cast further, or shorten the leader`,
      ),
    );
  const { diameterMm, rateMmS } = line;
  const floats = (lengthMm: number): LinePiece =>
    pieceOfDensity('line', lengthMm, diameterMm, USUAL_LINE.floating, water);
  const sinks = (kind: 'line' | 'tip', lengthMm: number): LinePiece =>
    pieceOfRate(kind, lengthMm, diameterMm, rateMmS ?? 0, water);
  const own = leaderPieces(leader, water);
  if (rateMmS === null) return good([floats(out), ...own]);
  if (line.tipMm === null) return good([sinks('line', out), ...own]);
  const tip = Math.min(line.tipMm, out);
  return good([...(out > tip ? [floats(out - tip)] : []), sinks('tip', tip), ...own]);
}

import fc from 'fast-check';
import { settleFly, type SolvedFly } from '../src/model/solve/solveFly.ts';
import { anyFly, lay, mm, type Loose } from './anyFly.ts';

type Given = { readonly platform: Loose; readonly parts: readonly Loose[] };

/** One length of a fly that can be moved by a hair. */
interface Length {
  readonly part: number;
  readonly key: string;
  readonly mm: number;
}

const KEYS = ['length', 'fibre', 'pinch', 'diameter', 'width'];
const lengthsOf = ({ parts }: Given): Length[] =>
  parts.flatMap((part, i) =>
    KEYS.flatMap((key) => {
      const text = part[key];
      return typeof text === 'string' && /^[\d.]+ mm$/.test(text)
        ? [{ part: i, key, mm: Number.parseFloat(text) }]
        : [];
    }),
  );

const withLength = (given: Given, { part, key }: Length, to: number): SolvedFly =>
  settleFly(
    lay({
      platform: given.platform,
      parts: given.parts.map((each, i) => (i === part ? { ...each, [key]: mm(to) } : each)),
    }),
  );

/** A figure with what a hundredth of it is a hundredth of: its own size, or that of what it is the difference of. */
type Figure = readonly [value: number | null, scale: number];

function figuresOf({ laid, balance, silhouette }: SolvedFly): Record<string, Figure> {
  const size = laid.weights.reduce((sum, { submergedMg }) => sum + Math.abs(submergedMg), 0);
  const own = (value: number | null): Figure => [value, Math.abs(value ?? 0)];
  const { hold, slack, trim, sink } = balance;
  return {
    dry: own(laid.dryMg),
    casting: own(laid.castingMg),
    submerged: [laid.submergedMg, size],
    moment: [laid.tight.momentMgMm, size],
    lateral: [laid.tight.lateralMgMm, size],
    gravity: [laid.gravity[0], laid.platform.shankMm],
    tipping: [laid.tipping?.massMg ?? null, size],
    gap: [laid.effectiveGapMm, laid.platform.gapMm ?? 0],
    heel: [laid.tight.heelDeg, 90],
    holds: own(hold.holdsTo),
    heelAt100: [hold.heelAt100Deg, 45],
    slack: [slack.lowestDeg, 90],
    lever: [trim.lever, 1],
    nose: [trim.noseDownDeg, 90],
    terminal: own(sink?.terminal ?? null),
    level: own(sink?.level ?? null),
    noseFirst: own(sink?.noseFirst ?? null),
    side: own(silhouette.sideMm2),
    plan: own(silhouette.planMm2),
    front: own(silhouette.frontMm2),
  };
}

const apart = (a: number, b: number, isAngle: boolean): number => {
  const d = Math.abs(a - b);
  return isAngle ? Math.min(d, 360 - d) : d;
};

/** Figures that move by more than a share from one fly to the other, listed kinds of change left out. */
function jumps(one: SolvedFly, other: SolvedFly, share: number): string[] {
  const [a, b] = [figuresOf(one), figuresOf(other)];
  // A slack line may let it come to rest another way up; what is taken at that rest goes with it.
  const passes = apart(one.balance.restDeg, other.balance.restDeg, true) > 5;
  const atRest = ['slack', 'lever', 'nose', 'terminal', 'level', 'noseFirst'];
  return Object.entries(a).flatMap(([name, [value, scale]]) => {
    const [now] = b[name] ?? [null];
    // Decided or undecided, capsized or not, sinks or floats: a kind of its own.
    if (value === null || now === null || (passes && atRest.includes(name))) return [];
    const moved = apart(value, now, name === 'heel' || name === 'slack');
    return moved > share * Math.max(scale, 1e-9) ? [`${name} ${String(value)} to ${String(now)}`] : [];
  });
}

const STEP_MM = 0.01;
const HAIR_MM = 1e-6;

/** The figures that jump within a step: closed in on until no more than a hair is between, where a steep one has come to nothing. */
function jumpsWithin(given: Given, length: Length, names: (one: SolvedFly, other: SolvedFly) => string[]): string[] {
  let [low, high] = [length.mm, length.mm + STEP_MM];
  let [one, other] = [withLength(given, length, low), withLength(given, length, high)];
  let found = names(one, other);
  while (found.length > 0 && high - low > HAIR_MM) {
    const mid = (low + high) / 2;
    const between = withLength(given, length, mid);
    const [below, above] = [names(one, between), names(between, other)];
    if (below.length >= above.length) [high, other, found] = [mid, between, below];
    else [low, one, found] = [mid, between, above];
  }
  return found;
}

describe('continuity', () => {
  test('a hundredth of a millimetre more moves no figure by a hundredth, or steeply but without a jump', () => {
    fc.assert(
      fc.property(anyFly, fc.nat(1000), (given, pick) => {
        const lengths = lengthsOf(given);
        const length = lengths[pick % Math.max(1, lengths.length)];
        if (!length) return;
        // What a length weighs goes as its cube: of small eyes a hundredth of a millimetre is more than a hundredth of their weight.
        const share = 0.01 + (4 * STEP_MM) / length.mm;
        const found = jumps(
          withLength(given, length, length.mm),
          withLength(given, length, length.mm + STEP_MM),
          share,
        );
        if (found.length > 0) expect(jumpsWithin(given, length, (one, other) => jumps(one, other, 0.002))).toEqual([]);
      }),
      { numRuns: 12, endOnFailure: true },
    );
  });
});

import { noise } from '@jobbet/core/numeric';
import type { Thing } from './seenOf.ts';

/** Fibres of a collar from the front, both sides together. */
const FIBRES = 180;
const [SIZE, HUB, LONG] = [300, 9, 128] as const;
/** How long a plume is, how large a cheek and a head are before one side has more, px of the picture. */
const [PLUME, CHEEK, HEAD] = [118, 46, 84] as const;

interface SidesProps {
  readonly thing: Thing;
  readonly seed: number;
  /** How much more is on the left, as a share; less than nothing where it is on the right. */
  readonly truth: number;
  readonly lit: boolean;
}

/** One side of something: 1 is the left, −1 the right; `times` what it has of the mean of both. */
interface SideProps {
  readonly which: 1 | -1;
  readonly times: number;
  readonly seed: number;
  readonly colour: string;
}

/** As many fibres as its share has, as long as those of the other side. */
function CollarSide({ which, times, seed, colour }: SideProps) {
  const own = Math.round((FIBRES / 2) * times);
  const lines = Array.from({ length: own }, (_, i) => {
    const turn = Math.PI * ((i + noise(seed, i, which + 2)) / own);
    const long = LONG * (0.86 + 0.14 * noise(seed, i, which + 4));
    const [x, y] = [-which * Math.sin(turn), -Math.cos(turn)];
    return `M${(HUB * x).toFixed(1)} ${(HUB * y).toFixed(1)}L${(long * x).toFixed(1)} ${(long * y).toFixed(1)}`;
  });
  return <path d={lines.join('')} fill="none" stroke={colour} strokeWidth={1} strokeLinecap="round" />;
}

/** A plume from above, along the shank and a little out from it. */
function PlumeSide({ which, times, seed, colour }: SideProps) {
  const long = PLUME * times;
  const lean = 0.16 + 0.03 * noise(seed, 0, which + 6);
  const at = (share: number, out: number): string =>
    `${(-which * (10 + lean * long * share + out)).toFixed(1)} ${(-40 + long * share).toFixed(1)}`;
  return (
    <>
      <path
        d={`M${at(0, 0)}C${at(0.2, 16)} ${at(0.8, 14)} ${at(1, 0)}C${at(0.8, -6)} ${at(0.2, -4)} ${at(0, 0)}Z`}
        fill={colour}
        opacity={0.75}
      />
      <path d={`M${at(0, 0)}L${at(1, 0)}`} stroke="var(--ink)" />
    </>
  );
}

const CheekSide = ({ which, times, colour }: SideProps) => {
  // Larger by its area.
  const r = CHEEK * Math.sqrt(times);
  return <ellipse cx={-which * 62} cy={0} rx={r * 0.62} ry={r} fill={colour} opacity={0.8} stroke="var(--ink)" />;
};

const HeadSide = ({ which, times, colour }: SideProps) => {
  const r = HEAD * Math.sqrt(times);
  return (
    <path
      d={`M0 ${(-HEAD).toFixed(1)}A${r.toFixed(1)} ${String(HEAD)} 0 0 ${which === 1 ? '0' : '1'} 0 ${HEAD.toFixed(1)}Z`}
      fill={colour}
      opacity={0.8}
    />
  );
};

const SIDE = { collar: CollarSide, plumes: PlumeSide, cheeks: CheekSide, head: HeadSide } as const;
const SEEN: Readonly<Record<Thing, string>> = {
  collar: 'A collar from the front, its fibres on the left and on the right',
  plumes: 'Two plumes from above, one on the left of the shank and one on the right',
  cheeks: 'A head from the front with a cheek on either side',
  head: 'A head from the front, its left half and its right',
};

/** Something with a left and a right, drawn so that one side has more by just the share that is asked. */
export function Sides({ thing, seed, truth, lit }: SidesProps) {
  const Side = SIDE[thing];
  // So many more on one side than on the other: their sum stays.
  const more = truth / (2 + Math.abs(truth));
  const colour = (which: 1 | -1): string => (lit && Math.sign(truth) === which ? 'var(--measure)' : 'var(--ink2)');
  return (
    <svg
      viewBox={`${String(-SIZE / 2)} ${String(-SIZE / 2)} ${String(SIZE)} ${String(SIZE)}`}
      className="w-[min(46vh,380px)]"
      role="img"
      aria-label={SEEN[thing]}
    >
      <path d={`M0 ${String(-SIZE / 2)}V${String(SIZE / 2)}`} stroke="var(--ink2)" strokeDasharray="10 4 2 4" />
      <Side which={1} times={1 + more} {...{ seed }} colour={colour(1)} />
      <Side which={-1} times={1 - more} {...{ seed }} colour={colour(-1)} />
      {thing !== 'head' && <circle r={thing === 'cheeks' ? 22 : HUB} fill="var(--ink)" />}
      {thing === 'plumes' && <path d="M0-60V90" stroke="var(--ink)" strokeWidth={5} />}
      {thing === 'collar' && <path d={`M0 ${String(HUB)}V60`} stroke="var(--ink)" strokeWidth={6} />}
    </svg>
  );
}

import { CHAIN, DISC } from '../../data/index.ts';
import { section, setEllipse, type Section, type Vec3 } from '../platform/section.ts';
import type { Side } from './types.ts';

/** Centres of a pair of eyes lie 1.1 D apart; a dumbbell's neck is 0.45 D thick. */
export const SPACING = 1.1;
export const NECK = 0.45;

/** Eyes on stalks: how thick a stalk is, as a share of the ball; how long and how far aside where the file says nothing. Judgement: melted nylon. */
export const STALK = { neck: 0.4, lengthOfDiameter: 2, deg: 30 } as const;

/** The outer faces of a dumbbell: cut flat to a face so wide, or drilled so wide and so deep, as shares of the diameter. Judgement, from cast eyes in the hand. */
export const FACES = { flatWide: 0.7, drilledWide: 0.5, drilledDeep: 0.25 } as const;

export type Shape = 'bead' | 'cone' | 'dumbbell' | 'bead-chain' | 'plastic' | 'stalked' | 'disc';
export type Faces = 'round' | 'flat' | 'drilled';

/** Measures of a ball, mm. `frontMm` and `lengthMm` are a cone's, `faces` a dumbbell's; `domed` is a moulded disc. */
export interface BallSize {
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly frontMm: number;
  readonly lengthMm: number;
  readonly domed: boolean;
  readonly faces: Faces;
  /** From the tie-in to the middle of each of two eyes on stalks: to the rear, and to either side. */
  readonly stalk: { readonly rearMm: number; readonly asideMm: number };
}

/** What a ball is made of: solid pieces with their volume and centroid, the cuts the water meets, and its skin in mm². */
export interface BallBody {
  readonly pieces: readonly { readonly volumeMm3: number; readonly centroid: Vec3 }[];
  readonly sections: readonly Section[];
  readonly skinMm2: number;
}

/** Volume of a through-bored sphere, mm³: π/6·(D² − b²)^(3/2). */
export const beadVolume = (diameterMm: number, boreMm: number): number =>
  (Math.PI / 6) * Math.max(0, diameterMm ** 2 - boreMm ** 2) ** 1.5;

/** What a neck of n mm adds between two spheres of D mm, mm³: a cylinder from sphere to sphere, less the caps it already shares with them. */
function neckVolume(diameterMm: number, n: number): number {
  const radius = diameterMm / 2;
  const h = Math.sqrt(radius ** 2 - n ** 2 / 4);
  const cap = radius - h;
  return ((Math.PI * n ** 2) / 4) * (SPACING * diameterMm - 2 * h) - (2 * Math.PI * cap ** 2 * (3 * radius - cap)) / 3;
}

/** Volume of two spheres joined by a neck, mm³: the union, so nothing is counted twice. */
export const dumbbellVolume = (diameterMm: number): number =>
  (Math.PI * diameterMm ** 3) / 3 + neckVolume(diameterMm, NECK * diameterMm);

/** How far out from the middle of a ball of D mm its outer face is cut flat, mm. */
const flatAt = (diameterMm: number): number => (diameterMm / 2) * Math.sqrt(1 - FACES.flatWide ** 2);

/** What the two outer faces of a pair lack of whole spheres, mm³. */
export function faceVolume(diameterMm: number, faces: Faces): number {
  if (faces === 'round') return 0;
  const radius = diameterMm / 2;
  if (faces === 'drilled')
    return (Math.PI / 2) * (FACES.drilledWide * diameterMm) ** 2 * FACES.drilledDeep * diameterMm;
  const h = radius - flatAt(diameterMm);
  return (2 * Math.PI * h ** 2 * (3 * radius - h)) / 3;
}

/** Volume of a pair of hollow balls that flood, mm³: two shells and a solid neck. */
export function chainVolume(diameterMm: number, shellMm: number = CHAIN.shellMm): number {
  const inner = Math.max(0, diameterMm - 2 * shellMm);
  return (Math.PI * (diameterMm ** 3 - inner ** 3)) / 3 + neckVolume(diameterMm, CHAIN.neck * diameterMm);
}

/** Volume of a bored frustum, mm³, and how far its centroid lies behind its front face, mm. */
export function coneVolume(
  diameterMm: number,
  frontMm: number,
  lengthMm: number,
  boreMm: number,
): { readonly volumeMm3: number; readonly behindFrontMm: number } {
  const [a, b] = [frontMm / 2, diameterMm / 2];
  const whole = (Math.PI * lengthMm * (a * a + a * b + b * b)) / 3;
  const middle = (lengthMm * (a * a + 2 * a * b + 3 * b * b)) / (4 * (a * a + a * b + b * b));
  const bore = (Math.PI / 4) * boreMm ** 2 * lengthMm;
  const volumeMm3 = Math.max(0, whole - bore);
  return { volumeMm3, behindFrontMm: volumeMm3 > 0 ? (whole * middle - (bore * lengthMm) / 2) / volumeMm3 : 0 };
}

/** Volume of one disc, mm³, and how far out from the side it is glued to its middle lies, mm. */
export function discVolume(
  diameterMm: number,
  domed: boolean,
): { readonly volumeMm3: number; readonly highMm: number; readonly outMm: number } {
  const r = diameterMm / 2;
  if (!domed) return { volumeMm3: Math.PI * r ** 2 * DISC.flatMm, highMm: DISC.flatMm, outMm: DISC.flatMm / 2 };
  const h = DISC.domeOfDiameter * diameterMm;
  const volumeMm3 = (Math.PI * h * (3 * r * r + h * h)) / 6;
  // Centroid of a spherical cap over its base: h·(2r² + h²)/(2·(3r² + h²)).
  return { volumeMm3, highMm: h, outMm: (h * (2 * r * r + h * h)) / (2 * (3 * r * r + h * h)) };
}

/** @param cutMm how far out from its middle, on the side it lies on, it is cut flat */
function sphere(id: string, centre: Vec3, diameterMm: number, cutMm = Infinity): Section {
  const radius = diameterMm / 2;
  return section({
    owner: id,
    fromMm: centre[0] - radius,
    toMm: centre[0] + radius,
    ballMm: diameterMm,
    at: (x, out) => {
      const r = Math.sqrt(Math.max(0, radius ** 2 - (x - centre[0]) ** 2));
      const lacks = Math.max(0, r - cutMm) / 2;
      setEllipse(out, centre[1] - Math.sign(centre[1]) * lacks, centre[2], r - lacks, r);
    },
  });
}

function neckSection(id: string, centre: Vec3, diameterMm: number, neckMm: number): Section {
  const radius = neckMm / 2;
  return section({
    owner: id,
    fromMm: centre[0] - radius,
    toMm: centre[0] + radius,
    ballMm: diameterMm,
    at: (x, out) => {
      const r = Math.sqrt(Math.max(0, radius ** 2 - (x - centre[0]) ** 2));
      setEllipse(out, centre[1], centre[2], (SPACING * diameterMm) / 2, r);
    },
  });
}

function pair(
  id: string,
  centre: Vec3,
  diameterMm: number,
  neckMm: number,
  volumeMm3: number,
  cutMm = Infinity,
): BallBody {
  const aside = (y: number): Vec3 => [centre[0], y, centre[2]];
  const apart = (SPACING * diameterMm) / 2;
  return {
    pieces: [{ volumeMm3, centroid: centre }],
    sections: [
      sphere(id, aside(apart), diameterMm, cutMm),
      sphere(id, aside(-apart), diameterMm, cutMm),
      neckSection(id, centre, diameterMm, neckMm),
    ],
    skinMm2: 2 * Math.PI * diameterMm ** 2,
  };
}

/** Two eyes, each on a stalk that leaves the tie-in to the rear or the front and to its side. */
function stalked(id: string, centre: Vec3, { diameterMm, stalk: { rearMm, asideMm } }: BallSize): BallBody {
  const radius = (STALK.neck * diameterMm) / 2;
  const long = Math.hypot(rearMm, asideMm);
  // The stalk ends where its ball begins.
  const bareMm = Math.max(0, long - diameterMm / 2);
  const [fromX, toX] = [Math.min(0, rearMm), Math.max(0, rearMm)].map((x) => centre[0] + x) as [number, number];
  const sides = [1, -1] as const;
  const eye = (side: 1 | -1): Vec3 => [centre[0] + rearMm, centre[1] + side * asideMm, centre[2]];
  const middle = (side: 1 | -1): Vec3 => {
    const share = bareMm / 2 / Math.max(1e-9, long);
    return [centre[0] + share * rearMm, centre[1] + side * share * asideMm, centre[2]];
  };
  return {
    pieces: sides.flatMap((side) => [
      { volumeMm3: (Math.PI * diameterMm ** 3) / 6, centroid: eye(side) },
      { volumeMm3: Math.PI * radius ** 2 * bareMm, centroid: middle(side) },
    ]),
    sections: sides.flatMap((side) => [
      sphere(id, eye(side), diameterMm),
      section({
        owner: id,
        fromMm: fromX,
        toMm: toX,
        at: (x, out) => {
          const share = (x - centre[0]) / (Math.abs(rearMm) < 1e-9 ? 1 : rearMm);
          // Cut across the shank, a stalk that stands off it shows an ellipse.
          setEllipse(
            out,
            centre[1] + side * share * asideMm,
            centre[2],
            (radius * long) / Math.max(1e-9, Math.abs(rearMm)),
            radius,
          );
        },
      }),
    ]),
    skinMm2: 2 * Math.PI * (diameterMm ** 2 + 2 * radius * bareMm),
  };
}

function cone(id: string, centre: Vec3, size: BallSize): BallBody {
  const { diameterMm, frontMm, lengthMm, boreMm } = size;
  const { volumeMm3, behindFrontMm } = coneVolume(diameterMm, frontMm, lengthMm, boreMm);
  const front = centre[0] - lengthMm / 2;
  const radius = (x: number): number =>
    (frontMm + ((diameterMm - frontMm) * (x - front)) / Math.max(1e-9, lengthMm)) / 2;
  return {
    pieces: [{ volumeMm3, centroid: [front + behindFrontMm, centre[1], centre[2]] }],
    sections: [
      section({
        owner: id,
        fromMm: front,
        toMm: front + lengthMm,
        ballMm: diameterMm,
        at: (x, out) => {
          const r = radius(x);
          setEllipse(out, centre[1], centre[2], r, r);
        },
      }),
    ],
    skinMm2: (Math.PI * (frontMm + diameterMm) * Math.hypot(lengthMm, (diameterMm - frontMm) / 2)) / 2,
  };
}

/** Discs glued to the sides named, each on what lies under it there. */
function discs(id: string, centre: Vec3, size: BallSize, sides: readonly number[], underMm: number): BallBody {
  const { diameterMm, domed } = size;
  const { volumeMm3, highMm, outMm } = discVolume(diameterMm, domed);
  const radius = diameterMm / 2;
  return {
    pieces: sides.map((side) => ({ volumeMm3, centroid: [centre[0], side * (underMm + outMm), centre[2]] })),
    sections: sides.map((side) =>
      section({
        owner: id,
        fromMm: centre[0] - radius,
        toMm: centre[0] + radius,
        at: (x, out) => {
          const r = Math.sqrt(Math.max(0, radius ** 2 - (x - centre[0]) ** 2));
          setEllipse(out, side * (underMm + highMm / 2), centre[2], highMm / 2, r);
        },
      }),
    ),
    skinMm2: sides.length * Math.PI * radius ** 2,
  };
}

/** Keys that only some shapes take. */
export type OwnKey = 'bore' | 'front' | 'length' | 'faces' | 'stalk' | 'angle' | 'toward';

/** One shape of ball: the keys and sides it takes, how thick its neck is, and what it is made of. */
export interface ShapeRule {
  readonly keys: readonly OwnKey[];
  readonly sides: readonly Side[];
  /** Thickness of what rests on the shank, as a share of the diameter; null where it is threaded on or glued to the side. */
  readonly neck: number | null;
  readonly body: (id: string, centre: Vec3, size: BallSize, sides: readonly number[], underMm: number) => BallBody;
}

const BESIDE: readonly Side[] = ['top', 'bottom', 'axis', 'around'];
const THREADED: readonly Side[] = ['around', 'axis'];

export const SHAPES: Readonly<Record<Shape, ShapeRule>> = {
  bead: {
    keys: ['bore'],
    sides: THREADED,
    neck: null,
    body: (id, centre, { diameterMm, boreMm }) => ({
      pieces: [{ volumeMm3: beadVolume(diameterMm, boreMm), centroid: centre }],
      sections: [sphere(id, centre, diameterMm)],
      skinMm2: Math.PI * diameterMm ** 2,
    }),
  },
  cone: { keys: ['bore', 'front', 'length'], sides: THREADED, neck: null, body: cone },
  dumbbell: {
    keys: ['faces'],
    sides: BESIDE,
    neck: NECK,
    body: (id, centre, { diameterMm: d, faces }) =>
      pair(id, centre, d, NECK * d, dumbbellVolume(d) - faceVolume(d, faces), faces === 'flat' ? flatAt(d) : Infinity),
  },
  'bead-chain': {
    keys: [],
    sides: BESIDE,
    neck: CHAIN.neck,
    body: (id, centre, { diameterMm: d }) => pair(id, centre, d, CHAIN.neck * d, chainVolume(d)),
  },
  plastic: {
    keys: [],
    sides: BESIDE,
    neck: NECK,
    body: (id, centre, { diameterMm: d }) => pair(id, centre, d, NECK * d, dumbbellVolume(d)),
  },
  stalked: { keys: ['stalk', 'angle', 'toward'], sides: BESIDE, neck: STALK.neck, body: stalked },
  disc: { keys: [], sides: ['near', 'far', 'both'], neck: null, body: discs },
};

import { type Ellipse, extentOf, type LaidFly, type LaidPart, PROFILE_UP } from '../model/index.ts';
import { type Box, type Field, sampled } from './picture.ts';
import { type Pose, toPixel } from './pose.ts';
import { type Profile, profileOf, wireAt } from './template.ts';

/** How a free part runs behind what it is tied in by: its middle and half its breadth over x, and where its tip is planned, mm. */
export interface FreeRun {
  readonly part: string;
  readonly rootMm: number;
  readonly tipMm: number;
  /** By how much what is seen of it ends behind what is measured of it. */
  readonly overMm: number;
  /** Middle and half breadth at x; beyond its tip it goes on as it ended. */
  readonly at: (x: number) => readonly [middle: number, half: number];
}

const STEP_MM = 0.25;

/** The free runs of a fly's parts: those that have a tip behind their tie-in. */
export function freeRunsOf(laid: LaidFly): readonly FreeRun[] {
  return laid.parts.flatMap((part) => {
    const run = freeRun(laid, part);
    return run ? [run] : [];
  });
}

function freeRun(laid: LaidFly, part: LaidPart): FreeRun | null {
  const { tipMm: told, lengthMm } = part.extent;
  if (told === null || !(lengthMm > 0) || part.file.construction === 'ball' || part.file.construction === 'hackle')
    return null;
  const own = laid.sections.filter(({ owner }) => owner === part.file.id);
  if (own.length === 0) return null;
  // What is seen of it ends where its hair does, which may be behind the end that is measured.
  const tipMm = Math.max(told, ...own.map(({ toMm }) => toMm));
  const rootMm = Math.max(told - lengthMm, Math.min(...own.map(({ fromMm }) => fromMm)));
  const count = Math.max(2, Math.ceil((tipMm - rootMm) / STEP_MM));
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const table = Array.from({ length: count + 1 }, (_, i): readonly [number, number] | null => {
    const x = rootMm + (i / count) * (tipMm - rootMm) * 0.995;
    let [low, high] = [Infinity, -Infinity];
    for (const section of own) {
      if (x < section.fromMm || x > section.toMm) continue;
      section.at(x, cut);
      const [middle, half] = extentOf(section, cut, PROFILE_UP);
      [low, high] = [Math.min(low, middle - half), Math.max(high, middle + half)];
    }
    return low > high ? null : [(low + high) / 2, (high - low) / 2];
  });
  const known = table.flatMap((each, i) => (each ? [{ i, each }] : []));
  const [first, last] = [known[0], known.at(-1)];
  if (!first || !last || last.i - first.i < 2) return null;
  // It goes on as it went over its last quarter, as broad as it was there.
  const back = known[Math.max(0, Math.floor(known.length * 0.75) - 1)] ?? first;
  const slope = (last.each[0] - back.each[0]) / Math.max(1e-6, ((last.i - back.i) / count) * (tipMm - rootMm));
  const broad = Math.max(...known.map(({ each }) => each[1]));
  return {
    part: part.file.id,
    rootMm,
    tipMm,
    overMm: tipMm - told,
    at: (x) => {
      const place = ((x - rootMm) / (tipMm - rootMm)) * count;
      if (place >= last.i) return [last.each[0] + slope * (x - tipMm), Math.max(last.each[1], 0.6 * broad)];
      const here = table[Math.max(first.i, Math.min(last.i, Math.round(place)))];
      return here ?? first.each;
    },
  };
}

/** A tip as it was found: where it is, by how much it may be off, mm; or what hides it. */
export type TipFound =
  | { readonly part: string; readonly tipMm: number; readonly spreadMm: number }
  | { readonly part: string; readonly hiddenBy: string };

/**
 * Shares of its root's cover: hair thins out toward its tips, so that where the last of it ends is told from where a tenth and a fiftieth of
 * it still stand.
 */
const SHARES = { tenth: 0.1, last: 0.02 } as const;
/** Hair fans as it goes: its strip is as much broader, mm a mm, and mm at once. */
const FANS = { perMm: 0.06, mm: 0.5 } as const;
/** How far behind its planned tip it is looked for, as a share of its length. */
const BEYOND = 0.7;
const ACROSS_MM = 0.1;
const ENDS_MM = 1;
/** The finest tips fade before they end: a share of the length. */
const RAGGED = 0.008;
/** Of a few strands the last may be missed: at so little cover, mm, by this share of the length. */
const [FEW_MM, SPARSE] = [0.3, 0.06];
const WIRE_CELL_MM = 0.25;

/** The strip a part is looked for in, at x. */
function stripAt(run: FreeRun, x: number): readonly [low: number, high: number] {
  const [middle, half] = run.at(x);
  const aside = half + FANS.mm + FANS.perMm * Math.max(0, x - run.rootMm);
  return [middle - aside, middle + aside];
}

/** What tips are looked for on. */
interface Ground {
  readonly cover: Field;
  /** The picture’s own border, px of the cover. */
  readonly frame: Box;
  readonly pose: Pose;
  readonly profile: Profile;
}

/** How much of a part's strip is covered at x, mm, what others and the hook cover by plan left out. */
function coveredAt({ cover, pose, profile }: Ground, run: FreeRun, others: readonly FreeRun[], x: number): number {
  const [low, high] = stripAt(run, x);
  let sum = 0;
  for (let z = low; z <= high; z += ACROSS_MM) {
    if (wireAt(profile, x, z) || others.some((other) => claims(other, x, z))) continue;
    const [px, py] = toPixel(pose, x, z);
    if (px < 0 || py < 0 || px > cover.width - 1 || py > cover.height - 1) continue;
    if (sampled(cover, px, py) >= 0.5) sum += ACROSS_MM;
  }
  return sum;
}

/** Whether a part's strip leaves the picture where it seems to end. */
function leaves({ frame, pose }: Ground, run: FreeRun, x: number): boolean {
  const [middle, half] = run.at(x);
  return [middle - half, middle, middle + half].some((z) => {
    const [px, py] = toPixel(pose, x + ENDS_MM / 2, z);
    return px < frame.left || py < frame.top || px > frame.right - 1 || py > frame.bottom - 1;
  });
}

const claims = (other: FreeRun, x: number, z: number): boolean => {
  if (x < other.rootMm || x > other.tipMm + 0.35 * (other.tipMm - other.rootMm)) return false;
  const [low, high] = stripAt(other, x);
  return z >= low && z <= high;
};

/** How much of a part's strip others claim about its tip, as a share, and who claims the most of it. */
function claimedAbout(
  run: FreeRun,
  others: readonly FreeRun[],
): { readonly share: number; readonly by: string | null } {
  const length = run.tipMm - run.rootMm;
  let all = 0;
  const taken = new Map<string, number>();
  for (let x = run.tipMm - 0.2 * length; x <= run.tipMm + 0.25 * length; x += STEP_MM) {
    const [low, high] = stripAt(run, x);
    for (let z = low; z <= high; z += 4 * ACROSS_MM) {
      all++;
      for (const other of others) if (claims(other, x, z)) taken.set(other.part, (taken.get(other.part) ?? 0) + 1);
    }
  }
  const [by, most] = [...taken].sort((one, other) => other[1] - one[1])[0] ?? [null, 0];
  return { share: most / Math.max(1, all), by };
}

/** Where it is claimed by more than this its own tip cannot be told. */
const HIDDEN = 0.6;

/**
 * The tips of a fly's free parts, by where their strips run out. Of two that lie one in the other only the longer has a tip that is seen.
 */
export function tipsOf(cover: Field, frame: Box, pose: Pose, laid: LaidFly): readonly TipFound[] {
  const runs = freeRunsOf(laid);
  const ground: Ground = { cover, frame, pose, profile: profileOf(laid, WIRE_CELL_MM) };
  return runs.map((run): TipFound => {
    // What ends over the body has nothing bare behind it to end against.
    if (run.tipMm < laid.platform.landmarksMm.bend) return { part: run.part, hiddenBy: 'dressing' };
    // What ends well ahead of this one's tip does not lie about it; what is longer hides it where it lies in the same strip.
    const others = runs.filter((other) => other !== run && other.tipMm > run.tipMm - 0.3 * (run.tipMm - run.rootMm));
    const longer = others.filter((other) => other.tipMm > run.tipMm + 0.4);
    const hidden = claimedAbout(run, longer);
    if (hidden.share > HIDDEN) return { part: run.part, hiddenBy: hidden.by ?? '' };
    const beside = others.filter((other) => !longer.includes(other));
    const alike = claimedAbout(run, beside);
    if (alike.share > HIDDEN && beside.some((other) => other.part === alike.by && other.tipMm >= run.tipMm - 0.4))
      return { part: run.part, hiddenBy: alike.by ?? '' };
    return tipAlong(ground, run, longer);
  });
}

function tipAlong(ground: Ground, run: FreeRun, others: readonly FreeRun[]): TipFound {
  const length = run.tipMm - run.rootMm;
  const covers: number[] = [];
  const from = run.rootMm + 0.25 * length;
  for (let x = from; x <= run.tipMm + BEYOND * length; x += STEP_MM / 2) covers.push(coveredAt(ground, run, others, x));
  const root = Math.max(...covers.slice(0, Math.max(2, Math.floor(covers.length / 3))));
  const lastOver = (share: number): number => {
    for (let i = covers.length - 1; i >= 0; i--)
      if ((covers[i] as number) >= Math.max(share * root, ACROSS_MM / 2)) return from + i * (STEP_MM / 2);
    return from;
  };
  const [last, tenth] = [lastOver(SHARES.last), lastOver(SHARES.tenth)];
  // What never runs out is something else that lies behind it.
  const end = run.tipMm + BEYOND * length;
  if (root < 2 * ACROSS_MM || last <= from || last > end - ENDS_MM) return { part: run.part, hiddenBy: '' };
  if (leaves(ground, run, last)) return { part: run.part, hiddenBy: 'border' };
  const tip = last + (last - tenth) * (SHARES.last / (SHARES.tenth - SHARES.last));
  return {
    part: run.part,
    tipMm: tip - run.overMm,
    spreadMm: Math.hypot(STEP_MM / 2, (last - tenth) / 3, RAGGED * length, (SPARSE * length * FEW_MM) / root),
  };
}

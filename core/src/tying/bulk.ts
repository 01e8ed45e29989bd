import { THREAD, TIE_IN } from '../data/index.ts';
import { type LaidFly, type LaidPart, boundMm, traitsOf } from '../model/index.ts';
import { tieInMm } from './constraints.ts';
import type { Move } from './order.ts';
import type { Thread } from './threadOf.ts';

/** Stations of a profile: every tenth of a millimetre from the eye to behind the bend. */
export const STEP_MM = 0.1;

/** Diameters along the shank, mm, at stations from the eye on. */
export type Profile = Float64Array;

const stationsOf = (laid: LaidFly): number => Math.ceil((laid.platform.shankMm + 2) / STEP_MM) + 1;

/** The bare shank with its bed of thread, where there is one. */
export function bareProfile(laid: LaidFly): Profile {
  return new Float64Array(stationsOf(laid)).fill(laid.platform.windMm + 2 * laid.thread.bedMm);
}

/** Stations of a stretch: from its front end up to its rear one, so that stretches that meet neither overlap nor gape. */
const stretch = (profile: Profile, fromMm: number, toMm: number): readonly [from: number, to: number] => [
  Math.max(0, Math.round(fromMm / STEP_MM)),
  Math.min(profile.length, Math.round(toMm / STEP_MM)),
];

/** Adds solid section to a stretch: what lies on a round core makes a larger round. @param sectionMm2 solid and what it encloses */
function added(profile: Profile, fromMm: number, toMm: number, sectionMm2: number): void {
  const [from, to] = stretch(profile, fromMm, toMm);
  for (let i = from; i < to; i++) profile[i] = Math.sqrt((profile[i] ?? 0) ** 2 + (4 * sectionMm2) / Math.PI);
}

function raised(profile: Profile, fromMm: number, toMm: number, outer: (x: number) => number): void {
  const [from, to] = stretch(profile, fromMm, toMm);
  const within = (x: number): number => Math.min(toMm, Math.max(fromMm, x));
  for (let i = from; i < to; i++) profile[i] = Math.max(profile[i] ?? 0, 2 * outer(within((i + 0.5) * STEP_MM)));
}

/** Section that a part takes where it is bound: of a clump, blades or hide as they lie under the thread, mm². */
export function boundSection({ built, extent }: LaidPart): number {
  const hide = built.forms.find((form) => form.kind === 'strip');
  if (hide?.kind === 'strip') return hide.thickMm * hide.widthMm;
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 0 };
  const at = extent.bindingsMm[0] ?? extent.endMm;
  return built.sections
    .filter((section) => section.fromMm <= at + 0.5 && section.toMm > at + 0.3 && section.leastSemiMm > 0)
    .slice(0, 2)
    .reduce((sum, section) => {
      section.at(Math.min(section.toMm, Math.max(section.fromMm, at)), cut);
      const least = section.leastSemiMm;
      // Blades lie flat and fold round the shank; a clump is as thick as it is squeezed.
      return sum + Math.PI * least * (built.construction === 'bundle' ? least : Math.min(cut.semiY, 4 * least));
    }, 0);
}

/** Where a part's butts end, mm from the eye: as written, else the usual tie-in forward of it. */
export function buttsAt(part: LaidPart): readonly [fromMm: number, toMm: number] {
  const at = part.extent.bindingsMm[0] ?? part.extent.endMm;
  const end = part.extent.buttsToMm ?? at - TIE_IN.lengthMm;
  return [Math.min(at, end), Math.max(at, end)];
}

/** Turns of a tie-in lie this share of their breadth apart. */
const SIDE_BY_SIDE = 0.8;

/** The profile after one move: what it binds, winds and ties off. */
function withMove(profile: Profile, { part, does, toMm }: Move, thread: Thread): Profile {
  const next = Float64Array.from(profile);
  const { file, built, extent } = part;
  const turns = (at: number): void => {
    const breadth = SIDE_BY_SIDE * TIE_IN.turns * thread.flatMm;
    // So many turns, nearly side by side: their section along the shank, spread round it.
    const high = (TIE_IN.turns * thread.sectionMm2) / THREAD.solid / breadth;
    const [from, to] = [at - breadth, at];
    const [i, j] = [Math.max(0, Math.round(from / STEP_MM)), Math.min(next.length - 1, Math.round(to / STEP_MM))];
    for (let k = i; k <= j; k++) next[k] = (next[k] ?? 0) + 2 * high;
  };
  if (does === 'catch') {
    turns(toMm);
    return next;
  }
  if (traitsOf(file.construction).free) {
    const [from, to] = buttsAt(part);
    // A strip that a rib binds lies on the body, not under it.
    const onTop = 'boundBy' in file && file.boundBy !== undefined;
    if (!onTop && boundMm(part) > 0) added(next, from, to, boundSection(part));
    turns(tieInMm(part));
    return next;
  }
  if (built.outer) raised(next, extent.startMm, extent.endMm, built.outer);
  if (traitsOf(file.construction).strand) turns(toMm);
  return next;
}

/** Profiles after each move, the bare shank first. */
export function profilesOf(laid: LaidFly, moves: readonly Move[], thread: Thread): Profile[] {
  const all = [bareProfile(laid)];
  for (const move of moves) all.push(withMove(all.at(-1) ?? bareProfile(laid), move, thread));
  return all;
}

export interface Uneven {
  readonly kind: 'step' | 'valley';
  readonly atMm: number;
  /** Share of the smaller diameter by which it jumps or dips. */
  readonly share: number;
  readonly diameterMm: number;
}

/**
 * Jumps and dips of a stretch: where the diameter changes by more than a share within a short way, and where it falls that much and rises
 * again.
 * @param withinMm the way a jump takes, a wire's width
 */
export function unevenOf(profile: Profile, fromMm: number, toMm: number, share: number, withinMm: number): Uneven[] {
  const reach = Math.max(1, Math.round(withinMm / STEP_MM));
  const [from, to] = [
    Math.max(0, Math.round(fromMm / STEP_MM)),
    Math.min(profile.length - 1, Math.round(toMm / STEP_MM)),
  ];
  const steps: { at: number; change: number; d: number }[] = [];
  for (let i = from; i + reach <= to; i++) {
    const [a, b] = [profile[i] ?? 0, profile[i + reach] ?? 0];
    const change = (b - a) / Math.max(1e-6, Math.min(a, b));
    if (Math.abs(change) <= share) continue;
    const last = steps.at(-1);
    const at = i + reach / 2;
    if (last && at - last.at <= 2 * reach && Math.sign(last.change) === Math.sign(change)) {
      if (Math.abs(change) > Math.abs(last.change)) steps[steps.length - 1] = { at, change, d: Math.min(a, b) };
    } else steps.push({ at, change, d: Math.min(a, b) });
  }
  const found: Uneven[] = [];
  for (let k = 0; k < steps.length; k++) {
    const [one, next] = [steps[k], steps[k + 1]];
    if (!one) continue;
    // Down, then up again: a valley between two stretches that do not meet.
    if (next && one.change < 0 && next.change > 0) {
      found.push({
        kind: 'valley',
        atMm: ((one.at + next.at) / 2) * STEP_MM,
        share: Math.min(-one.change, next.change),
        diameterMm: one.d,
      });
      k++;
    } else found.push({ kind: 'step', atMm: one.at * STEP_MM, share: Math.abs(one.change), diameterMm: one.d });
  }
  return found;
}

/** A jump or dip of this share is felt, and seen under tinsel and floss. */
export const FELT_SHARE = 0.25;
/** The ends of a body belong to what is tied in there; those of weight and balls are ramped with thread. mm */
const ENDS_MM = 2;
const RAMP_MM = 1.5;

/** Jumps and dips that a body is wound over, but for its own ends and the ramps of what weighs it. @param profile as it is when the body is begun */
export function unevenUnder(laid: LaidFly, body: LaidPart, profile: Profile, share: number): Uneven[] {
  const { startMm, endMm } = body.extent;
  const ramped = laid.parts.filter((part) => part.file.role === 'underbody' || part.file.construction === 'ball');
  const isRamp = (atMm: number): boolean =>
    ramped.some(({ extent }) => Math.min(Math.abs(extent.startMm - atMm), Math.abs(extent.endMm - atMm)) < RAMP_MM);
  return unevenOf(profile, startMm + ENDS_MM, endMm - ENDS_MM, share, laid.platform.windMm).filter(
    ({ atMm }) => !isRamp(atMm),
  );
}

/** Where butts are best trimmed so that a body lies even: at the weight or balls ahead of them, else at the front of the body over them. */
export function buttAdvice(laid: LaidFly, part: LaidPart): { readonly atMm: number; readonly words: string } | null {
  if (!traitsOf(part.file.construction).free) return null;
  const at = tieInMm(part);
  const ahead = laid.parts
    .filter((each) => each !== part && (each.file.role === 'underbody' || each.built.ball !== null))
    .filter((each) => each.extent.endMm < at)
    .sort((a, b) => b.extent.endMm - a.extent.endMm)[0];
  const body = laid.parts.find(
    (each) =>
      each.file.role === 'body' &&
      each.file.construction === 'wrap' &&
      each.extent.endMm > at - 1 &&
      each.extent.startMm < at - TIE_IN.lengthMm,
  );
  if (!body) return null;
  if (ahead && ahead.extent.endMm > body.extent.startMm)
    return { atMm: ahead.extent.endMm, words: `${ahead.file.id}.rear` };
  return { atMm: body.extent.startMm, words: `${body.file.id === 'body' ? 'body' : body.file.id}.front` };
}

/** Passes of a strand that build a body from what lies under it to its outline, at its thickest. */
export const passesOf = (coreMm: number, outerMm: number, strandMm: number): number =>
  strandMm <= 0 ? 0 : Math.max(0, Math.ceil((outerMm - coreMm) / 2 / strandMm - 1e-9));

/** Where turns of a rib cross the near side, mm from the eye: even steps along the shank, whatever it is wound over. */
export function crossingsOf(part: LaidPart): number[] {
  const turns = part.built.turns ?? 0;
  if (turns <= 0) return [];
  const { startMm, endMm } = part.extent;
  return Array.from({ length: Math.floor(turns) }, (_, i) => endMm - ((i + 0.5) / turns) * (endMm - startMm));
}

/** Thread a fly takes, mm: its bed, the turns of each tie-in, its way along the shank, the head. */
export function threadLength(laid: LaidFly, moves: readonly Move[], travel: number, thread: Thread): number {
  const { platform } = laid;
  const round = Math.PI * (platform.windMm + thread.cordMm);
  const bed = laid.thread.bedMm > 0 ? (2 * platform.shankMm * round) / thread.flatMm : 0;
  const ties = moves.length * TIE_IN.turns * round * 1.3;
  const way = travel * 2;
  const head = laid.thread.lumps.slice(1, 2).reduce((sum, lump) => sum + lump.volumeMm3 / thread.sectionMm2, 0);
  const whips = (laid.file.finish?.whips ?? 1) * 5 * round;
  return bed + ties + way + head + whips;
}

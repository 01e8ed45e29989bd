import { SIDES } from '../data/index.ts';
import type { PartOf } from '../pattern/index.ts';
import { traitsOf, windingRank, type LaidFly, type LaidPart } from '../model/index.ts';

/** Judgement calls over the order of tying. */
export const ORDER_CODES = [
  'order.bead',
  'order.weight',
  'order.eyes',
  'order.rear',
  'order.rib',
  'order.palmer',
  'order.body',
  'order.wing',
  'order.layers',
  'order.hackle',
  'order.head',
  'order.cheek',
  'order.coat',
  'order.piece',
] as const;
export type OrderCode = (typeof ORDER_CODES)[number];

/** One part that has to be on the hook before another. */
export interface Constraint {
  readonly code: OrderCode;
  readonly before: string;
  readonly after: string;
  /** Whether it cannot be tied otherwise, or only worse. */
  readonly must: boolean;
}

const WINGS: ReadonlySet<string> = new Set(['wing', 'underwing', 'overwing', 'veil']);
const AT_REAR: ReadonlySet<string> = new Set(['tail', 'tag', 'butt', 'flash']);
const LAYERS: readonly string[] = ['underwing', 'wing', 'overwing'];
const NEAR_MM = 0.8;

const isBead = ({ file }: LaidPart): boolean =>
  file.construction === 'ball' && (file.shape === 'bead' || file.shape === 'cone');
const PAIRS: ReadonlySet<string> = new Set(['dumbbell', 'bead-chain', 'plastic', 'stalked']);
/** A pair of eyes, which thread binds crosswise; beads are slid on and discs glued. */
export const isPair = ({ file }: LaidPart): boolean => file.construction === 'ball' && PAIRS.has(file.shape);
/** Needs no thread: beads that slide on, and weight wire, which can be wound on the bare shank. */
export const needsNoThread = (part: LaidPart): boolean =>
  isBead(part) || (part.file.construction === 'wrap' && part.file.role === 'underbody');
/** Weight wire that is wound over thread all the same. */
export const isOnThread = ({ file }: LaidPart): boolean => file.construction === 'wrap' && file.on === 'thread';
/** A head that is a part of its own: of hair, wool or a strand. A lip, of hair or foam, is none: thread goes under it to the eye. */
export const isHead = (part: LaidPart): boolean => {
  const { file } = part;
  const lip = isLip(part) || (file.construction === 'bundle' && file.toward === 'front');
  return file.role === 'head' && file.construction !== 'coat' && !lip;
};
export const isBody = ({ file }: LaidPart): boolean => file.role === 'body' && file.construction === 'wrap';
/** A hackle wound along the body, and a rib: both are tied in at one end and wound to the other. */
export const isPalmer = ({ file }: LaidPart): boolean => file.construction === 'hackle' && file.from !== undefined;
const isCollar = ({ file }: LaidPart): boolean => file.construction === 'hackle' && file.from === undefined;
export const isRib = ({ file }: LaidPart): boolean => file.construction === 'wrap' && file.role === 'rib';
const isDisc = ({ file }: LaidPart): boolean => file.construction === 'ball' && file.shape === 'disc';

/** A sheet that begins so far ahead of the eye is a lip: it is bound once, by its rear, mm. */
const LIP_MM = 0.5;
/** A lip of foam that stands out ahead of the eye. */
export const isLip = ({ file, extent }: LaidPart): boolean => file.construction === 'sheet' && extent.startMm < -LIP_MM;

/** Where the thread catches a part: where it is tied in, or where its winding begins. mm from the eye */
export function tieInMm(part: LaidPart): number {
  const { file, extent } = part;
  if (file.construction === 'wrap' || (file.construction === 'hackle' && file.from !== undefined))
    return extent.readings['from']?.mm ?? extent.endMm;
  if (file.construction === 'ball') return (extent.startMm + extent.endMm) / 2;
  return extent.bindingsMm[0] ?? extent.readings['at']?.mm ?? extent.endMm;
}

/** Whether a part is tied in on the point side, so that the hook is turned over for it. */
export const isUnder = (part: LaidPart): boolean =>
  (part.file.side ?? SIDES[part.file.role]) === 'bottom' && (traitsOf(part.file.construction).free || isPair(part));

/** A palmer that begins within this share of its body's rear end is caught before it all the same. */
const REAR_SHARE = 0.15;

/** Whether a part begins at the rear end of a body, so that it must be caught before that is wound. */
const beginsBehind = (part: LaidPart, { extent }: LaidPart): boolean =>
  tieInMm(part) >
  extent.endMm - (isPalmer(part) ? Math.max(NEAR_MM, REAR_SHARE * (extent.endMm - extent.startMm)) : NEAR_MM);

/** The pair of eyes that wound work of fur or chenille goes past; null where it meets none, or is wire, thread or flat. */
export function eyesWithin(part: LaidPart, { parts }: LaidFly): LaidPart | null {
  const [form] = part.built.forms;
  const fills = form?.kind === 'wound' && FILLS.has(form.manner);
  if (!fills || part.file.role === 'rib' || part.file.role === 'underbody') return null;
  const middle = ({ extent }: LaidPart): number => (extent.startMm + extent.endMm) / 2;
  return (
    parts.find((other) => isPair(other) && middle(other) > part.extent.startMm && middle(other) < part.extent.endMm) ??
    null
  );
}

/** What fills the room between eyes when it is crossed there. */
const FILLS: ReadonlySet<string> = new Set([
  'dubbing',
  'chenille',
  'bristle',
  'brush',
  'long',
  'yarn',
  'plume',
  'herl',
]);

/** mm of shank that two parts share; negative where they lie apart. */
export const overlapMm = (a: LaidPart, b: LaidPart): number =>
  Math.min(a.extent.endMm, b.extent.endMm) - Math.max(a.extent.startMm, b.extent.startMm);
const overlaps = (a: LaidPart, b: LaidPart): boolean => overlapMm(a, b) > 0.5;

/** Bound twice, or folded: where it stands among what it covers says nothing, since it is begun before that and finished after it. */
const isTwice = (part: LaidPart): boolean => {
  const { file, extent } = part;
  if (file.construction === 'sheet') return !isLip(part);
  return file.construction === 'strip' && extent.bindingsMm.length > 1 && file.first !== 'front';
};

export const same = (a: string | undefined, b: string): boolean => a?.toLowerCase() === b.toLowerCase();

/**
 * Whether a bead must be on before another part: over a hook's point or a shank's open end it can be slid on only while nothing is tied in, over
 * the front of a tube as long as nothing is tied in ahead of it.
 */
const slidBefore = (bead: LaidPart, other: LaidPart, { platform }: LaidFly): boolean =>
  !isBead(other) && (platform.kind !== 'tube' || tieInMm(other) < bead.extent.endMm);

/** What of one pair of parts the order has to heed; `a` before `b`. */
function between(a: LaidPart, b: LaidPart, laid: LaidFly): Omit<Constraint, 'before' | 'after'> | null {
  const [fa, fb] = [a.file, b.file];
  if (same(fb.continues, fa.id)) return { code: 'order.piece', must: true };
  if (fb.construction === 'coat' && same(fb.over, fa.id)) return { code: 'order.coat', must: true };
  if (fb.construction === 'coat') return null;
  if (fa.construction === 'coat') return null;
  if (isBead(a)) return slidBefore(a, b, laid) ? { code: 'order.bead', must: true } : null;
  if (isBead(b)) return null;
  if (isDisc(b)) return isHead(a) ? { code: 'order.head', must: true } : null;
  if (isDisc(a)) return null;
  if (isHead(a)) return null;
  if (isHead(b)) return { code: 'order.head', must: true };
  if (fa.role === 'underbody' && fb.construction === 'wrap' && fb.role !== 'underbody' && overlaps(a, b))
    return { code: 'order.weight', must: true };
  if (
    isPair(a) &&
    !(fa.construction === 'ball' && fa.shape === 'stalked') &&
    (fb.construction === 'strip' || isCollar(b) || fb.construction === 'sheet') &&
    tieInMm(b) < a.extent.endMm + NEAR_MM
  )
    return { code: 'order.eyes', must: false };
  if (isBody(b)) {
    // A rib of the body's own strand is there with it.
    if (isRib(a) && fa.continues === undefined && beginsBehind(a, b)) return { code: 'order.rib', must: true };
    if (isPalmer(a) && beginsBehind(a, b)) return { code: 'order.palmer', must: true };
    if ((AT_REAR.has(fa.role) || fa.role === 'tail') && beginsBehind(a, b)) return { code: 'order.rear', must: true };
  }
  if (isBody(a) || isRib(a) || isPalmer(a)) {
    if (WINGS.has(fb.role) && tieInMm(b) < a.extent.startMm + NEAR_MM && boundBy(fb) === null && !isTwice(b))
      return { code: 'order.wing', must: true };
    if (isCollar(b) && tieInMm(b) < a.extent.startMm + NEAR_MM) return { code: 'order.hackle', must: true };
    if (isBody(a) && isPalmer(b) && !beginsBehind(b, a) && overlaps(a, b)) return { code: 'order.body', must: true };
  }
  const [la, lb] = [LAYERS.indexOf(fa.role), LAYERS.indexOf(fb.role)];
  if (la >= 0 && lb > la && sameSide(a, b)) return { code: 'order.layers', must: true };
  if (fb.role === 'cheek' && (WINGS.has(fa.role) || isCollar(a))) return { code: 'order.cheek', must: false };
  if (fa.role === 'tag' && fb.role === 'tail') return { code: 'order.rear', must: false };
  return null;
}

export const boundBy = (part: LaidPart['file']): string | null =>
  part.construction === 'strip' || part.construction === 'feather' ? ((part as PartOf<'strip'>).boundBy ?? null) : null;

const sameSide = (a: LaidPart, b: LaidPart): boolean => (a.file.side ?? 'top') === (b.file.side ?? 'top');

const known = new WeakMap<LaidFly, readonly Constraint[]>();

/** Everything the order of tying has to heed on a fly; worked out once for it. */
export function constraintsOf(laid: LaidFly): readonly Constraint[] {
  let constraints = known.get(laid);
  if (!constraints) known.set(laid, (constraints = allPairs(laid)));
  return constraints;
}

function allPairs(laid: LaidFly): Constraint[] {
  return laid.parts.flatMap((a) =>
    laid.parts.flatMap((b): Constraint[] => {
      if (a === b) return [];
      const heed = between(a, b, laid);
      return heed ? [{ ...heed, before: a.file.id, after: b.file.id }] : [];
    }),
  );
}

/** Those that an order of parts breaks. @param ids parts in the order they are tied */
export function brokenBy(constraints: readonly Constraint[], ids: readonly string[]): Constraint[] {
  const place = new Map(ids.map((id, i) => [id, i]));
  return constraints.filter(({ before, after }) => (place.get(before) ?? -1) > (place.get(after) ?? Infinity));
}

/** One thing that is wrong with an order. */
export interface Broken {
  readonly constraint: Constraint;
  /** All that the part should be on before and is not, in their order. */
  readonly after: readonly string[];
}

/** What an order breaks, each cause once: a bead that comes too late is one, however much is tied in before it. */
export function causesIn(constraints: readonly Constraint[], ids: readonly string[]): readonly Broken[] {
  const broken = [...brokenBy(constraints, ids)].sort((a, b) => ids.indexOf(a.after) - ids.indexOf(b.after));
  return broken.flatMap((constraint): Broken[] => {
    if (constraint.code !== 'order.bead') return [{ constraint, after: [constraint.after] }];
    const own = broken.filter(({ code, before }) => code === 'order.bead' && before === constraint.before);
    return own[0] === constraint ? [{ constraint, after: own.map(({ after }) => after) }] : [];
  });
}

/** A rib that goes under the hackle, whose stem then lies over it. */
const isUnderHackle = ({ file }: LaidPart): boolean => file.construction === 'wrap' && file.over === 'under';
/** A shell or back that a rib binds is folded before that is wound. */
const bindsSheet = ({ file }: LaidPart, other: LaidPart): boolean =>
  other.file.construction === 'sheet' &&
  file.construction === 'wrap' &&
  file.binds?.some((id) => same(id, other.file.id)) === true;

/** A hackle that is wound to the rear and held there by a rib's first turn: the thread stays in front, and ties off nothing behind. */
export const endsUnderRib = (part: LaidPart, { parts }: LaidFly): boolean =>
  isPalmer(part) &&
  tieInMm(part) <= part.extent.startMm + NEAR_MM &&
  parts.some(
    (rib) => isRib(rib) && !isUnderHackle(rib) && overlaps(rib, part) && tieInMm(rib) > part.extent.endMm - NEAR_MM,
  );

/** What is wound over what: a part that is tied in early and wound once everything under it is on. */
export const woundAfter = (part: LaidPart, laid: LaidFly): LaidPart[] => {
  if (!isRib(part) && !isPalmer(part)) return [];
  const rank = windingRank(part.file);
  return laid.parts.filter((other) => {
    if (other === part) return false;
    if (same(boundBy(other.file) ?? undefined, part.file.id)) return true;
    if (!overlaps(part, other)) return false;
    if (isRib(part)) {
      const crossed = isPalmer(other) && !isUnderHackle(part);
      return isBody(other) || crossed || other.file.role === 'underbody' || bindsSheet(part, other);
    }
    if (isRib(other)) return isUnderHackle(other);
    return (isBody(other) || other.file.role === 'underbody') && windingRank(other.file) <= rank;
  });
};

import { solidNamed, SOLIDS, type Solid } from '../data/index.ts';
import { NOMINAL_DRAWERS, type Drawers } from '../drawers/index.ts';
import { MM_PER } from '../units/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { boundsOf, layFly, type LaidFly, type LaidPart } from '../model/index.ts';
import { withKey, withPart } from './relations.ts';

/** Sizes eyes and beads are sold in, thirty-seconds of an inch. */
export const SIZES_32 = [2, 2.5, 3, 4, 5, 6, 7, 8, 10] as const;
export const MM_PER_32 = MM_PER.in / 32;
const SAME_SIZE_MM = 0.06;
/** Metals eyes and beads are cast or turned from. */
const METALS: ReadonlySet<string> = new Set([
  'lead',
  'tin alloy',
  'tungsten alloy',
  'brass',
  'copper',
  'stainless',
  'aluminium',
]);
/** A ratio no more than this share below the one it was holds it. */
const HOLDS = 0.97;

/** Another metal or size for a weight, and what would come of it. */
export interface SwapOffer {
  /** What the part's material becomes: a drawer's item by name, or the metal. */
  readonly material: string;
  readonly metal: string;
  readonly lead: boolean;
  /** Whether it lies in the drawer, and its mass is weighed. */
  readonly inDrawer: boolean;
  readonly diameterMm: number;
  readonly diameter: string;
  /** Sizes up (or down) from what it was. */
  readonly steps: number;
  readonly massMg: number;
  /** Times the tipping weight; null where the weight tips nothing. */
  readonly ratio: number | null;
  /** Room it takes from side to side, and how many gaps that is. */
  readonly acrossMm: number;
  readonly acrossOfGap: number | null;
  /** Whether it tips the fly as firmly as before; weighs as much, where nothing tips. */
  readonly holds: boolean;
  readonly file: FlyFile;
}

export interface Swap {
  readonly metal: string;
  readonly diameterMm: number;
  readonly massMg: number;
  readonly ratio: number | null;
  readonly acrossMm: number;
  /** Those that hold first, the lightest of them foremost; then the others, the nearest foremost. */
  readonly offers: readonly SwapOffer[];
}

interface Candidate {
  readonly material: string;
  readonly solid: Solid;
  readonly diameterMm: number;
  readonly inDrawer: boolean;
}

const stepOf = (mm: number): number =>
  SIZES_32.reduce<number>(
    (best, size, i) =>
      Math.abs(size * MM_PER_32 - mm) < Math.abs((SIZES_32[best] ?? Infinity) * MM_PER_32 - mm) ? i : best,
    0,
  );

/** A size as it is written: `5/32 in` where it is one in inches, else mm. */
export function sizeText(mm: number): string {
  const of32 = mm / MM_PER_32;
  const [top, bottom] =
    Number.isInteger(Math.round(of32 * 2) / 2) && Math.abs(of32 - Math.round(of32)) < 0.03
      ? [Math.round(of32), 32]
      : [0, 1];
  if (top === 0) return `${String(Math.round(mm * 100) / 100)} mm`;
  const cut = [8, 4, 2, 1].find((each) => top % each === 0 && bottom % each === 0) ?? 1;
  return `${String(top / cut)}/${String(bottom / cut)} in`;
}

/** What might be tied in instead: every piece of that form in the drawer, and every metal in the sizes it is sold in. */
function candidates(part: LaidPart, shape: string, now: Solid, drawers: Drawers): Candidate[] {
  const owned = drawers.weights
    .filter((item) => item.form === shape && item.name !== part.file.material && item.discontinued !== true)
    .flatMap((item): Candidate[] => {
      const solid = solidNamed(item.material);
      return solid ? [{ material: item.name, solid, diameterMm: item.diameterMm, inDrawer: true }] : [];
    });
  const at = stepOf(part.extent.lengthMm);
  const sizes = [part.extent.lengthMm, ...SIZES_32.slice(Math.max(0, at - 1), at + 4).map((size) => size * MM_PER_32)];
  const nominal = SOLIDS.filter((solid) => METALS.has(solid.name)).flatMap((solid) =>
    sizes
      .filter((mm, i) => sizes.findIndex((other) => Math.abs(other - mm) < SAME_SIZE_MM) === i)
      .map((diameterMm): Candidate => ({ material: solid.name, solid, diameterMm, inDrawer: false })),
  );
  const owns = (each: Candidate): boolean =>
    owned.some((other) => other.solid === each.solid && Math.abs(other.diameterMm - each.diameterMm) < SAME_SIZE_MM);
  const isNow = (each: Candidate): boolean =>
    each.solid === now && Math.abs(each.diameterMm - part.extent.lengthMm) < SAME_SIZE_MM;
  return [...owned, ...nominal.filter((each) => !owns(each))].filter((each) => !isNow(each));
}

const acrossOf = (part: LaidPart | undefined): number => (part ? 2 * boundsOf(part.built.sections, 0).aside : 0);

const ratioOf = (fly: LaidFly, id: string): number | null => (fly.tipping?.part === id ? fly.tipping.ratio : null);

type Unjudged = Omit<SwapOffer, 'holds'>;

/** One of them tied into the fly in place of the part; null where it cannot be. */
function offerOf(candidate: Candidate, part: LaidPart, laid: LaidFly, drawers: Drawers): Unjudged | null {
  const { material, solid, diameterMm, inDrawer } = candidate;
  const { id } = part.file;
  const diameter = sizeText(diameterMm);
  const file = withPart(laid.file, id, (each) =>
    withKey(withKey(withKey(each, 'material', material), 'diameter', diameter), 'mass', undefined),
  );
  const fly = layFly(file, drawers);
  if (!fly.ok) return null;
  const swapped = fly.value.parts.find((each) => each.file.id === id);
  const acrossMm = acrossOf(swapped);
  const { gapMm } = fly.value.platform;
  return {
    material,
    metal: solid.name,
    lead: solid.lead,
    inDrawer,
    diameterMm,
    diameter,
    steps: stepOf(diameterMm) - stepOf(part.extent.lengthMm),
    massMg: swapped?.massMg ?? 0,
    ratio: ratioOf(fly.value, id),
    acrossMm,
    acrossOfGap: gapMm === null ? null : acrossMm / gapMm,
    file,
  };
}

/**
 * Other metals and sizes for an eye, bead or cone, each tied into the fly and weighed there, against what it has now.
 * @param id of the part
 * @returns null for a part that is no ball of metal
 */
export function swapOffers(laid: LaidFly, id: string, drawers: Drawers = NOMINAL_DRAWERS): Swap | null {
  const part = laid.parts.find((each) => each.file.id === id);
  if (part?.file.construction !== 'ball' || !part.built.ball) return null;
  const { shape } = part.file;
  const item = drawers.weights.find((each) => each.name === part.file.material);
  const now = solidNamed(item?.material ?? part.file.material ?? '');
  if (!now || !METALS.has(now.name)) return null;
  const ratio = ratioOf(laid, id);
  const score = (offer: Unjudged): number =>
    ratio !== null && offer.ratio !== null ? offer.ratio / ratio : offer.massMg / part.massMg;
  const offers = candidates(part, shape, now, drawers).flatMap((each): SwapOffer[] => {
    const offer = offerOf(each, part, laid, drawers);
    return offer ? [{ ...offer, holds: score(offer) >= HOLDS }] : [];
  });
  const offness = (offer: SwapOffer): number => Math.abs(Math.log(score(offer)));
  offers.sort(
    (a, b) =>
      Number(b.holds) - Number(a.holds) ||
      (a.holds ? a.massMg - b.massMg : offness(a) - offness(b)) ||
      Number(b.inDrawer) - Number(a.inDrawer),
  );
  return {
    metal: now.name,
    diameterMm: part.extent.lengthMm,
    massMg: part.massMg,
    ratio,
    acrossMm: acrossOf(part),
    offers,
  };
}

import { traitsOf, type LaidFly } from '../model/index.ts';
import { saying, type Style } from '../units/index.ts';
import { partName } from './partName.ts';

/** Places nearer than this are one to the eye, mm. */
const SAME_MM = 0.4;

/** So near a ball, on its outer side, a tier says that he works against it, mm. */
const BESIDE_MM = 1.2;
const beside = (mm: number): boolean => mm >= -SAME_MM && mm <= BESIDE_MM;

/** So near the bend a tier says how far in front of it, mm. */
const NEAR_BEND_MM = 3;

/** What the rear end of a platform is called where the body ends. */
const rearWords = ({ platform: { kind } }: LaidFly): string =>
  kind === 'tube' ? 'the tube’s end' : kind === 'shank' ? 'the rear of the shank' : 'the bend';

/** What stands at the front of a platform, from which places are measured. */
export const frontWords = ({ platform: { kind } }: LaidFly): string =>
  kind === 'tube' ? 'the tube’s front' : 'the eye';

/** What a length along the shank is measured from. */
export const behindFront = (laid: LaidFly): string => `behind ${frontWords(laid)}`;

/** Balls on the shank, whose edges a tier works against. */
const balls = (laid: LaidFly) => laid.parts.filter(({ file }) => file.construction === 'ball' && file.shape !== 'disc');

/**
 * Says places along the shank as a tier does: behind the eyes, in front of the bead, at the bend, else so far behind the eye.
 * @param but the part that is told, which is no place for itself
 */
export function placeWords(laid: LaidFly, style: Style, but: string): (mm: number) => string {
  const { spoken } = saying(style);
  const { bend } = laid.platform.landmarksMm;
  const near = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_MM;
  return (mm) => {
    if (near(mm, bend)) return rearWords(laid);
    const ahead = bend - mm;
    if (ahead > 0 && ahead < NEAR_BEND_MM) return `${spoken(ahead)} in front of ${rearWords(laid)}`;
    if (mm > bend)
      return laid.platform.kind === 'tube'
        ? `${spoken(mm - bend)} behind the tube`
        : `${spoken(mm - bend)} round the bend`;
    const others = balls(laid).filter(({ file }) => file.id !== but);
    const behind = others.find(({ extent }) => beside(mm - extent.endMm));
    if (behind) return `behind the ${partName(behind.file.id)}`;
    const before = others.find(({ extent }) => beside(extent.startMm - mm));
    if (before) return `in front of the ${partName(before.file.id)}`;
    const weight = laid.parts.find(
      ({ file, extent }) => file.id !== but && file.role === 'underbody' && near(mm, extent.endMm),
    );
    if (weight) return `the rear of the ${partName(weight.file.id)}`;
    const made = laid.parts.find(
      ({ file, extent }) =>
        file.id !== but && file.role === 'body' && traitsOf(file.construction).ends && near(mm, extent.startMm),
    );
    if (made && mm > laid.headMm + SAME_MM) return `the front of the ${partName(made.file.id)}`;
    if (near(mm, laid.headMm)) return laid.headMm > laid.headSpaceMm + SAME_MM ? 'behind the bead' : 'behind the head';
    return `${spoken(mm)} behind ${frontWords(laid)}`;
  };
}

/** A stretch from one place to another, without saying twice what both are measured from. */
export function stretchWords(from: string, to: string): string {
  const [, figure, unit, rest] = /^([\d.,/ ]+) (mm|in) (behind .*)$/.exec(from) ?? [];
  const [, other] = /^([\d.,/ ]+) (?:mm|in) (behind .*)$/.exec(to) ?? [];
  return figure !== undefined && other !== undefined && to.endsWith(rest ?? '')
    ? `from ${figure} to ${other} ${unit ?? ''} ${rest ?? ''}`
    : `from ${from} to ${to}`;
}

/** A place with `to` before it: `to the bend`, `to just behind the eyes`. */
export const toPlace = (words: string): string =>
  /^(behind|in front of)/.test(words) ? `to just ${words}` : `to ${words}`;

/** A place with the word before it that goes with it: `at the bend`, but `behind the eyes`. */
export const atPlace = (words: string): string => (/^(behind|in front of|\d)/.test(words) ? words : `at ${words}`);

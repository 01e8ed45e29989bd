import { DOSES } from '../data/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { layFly, type LaidFly } from '../model/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { holdOf, pullGrip, type Grip, type Hold } from './grips.ts';

/** What a pull comes to: the changed fly, and in words what it came to rest on or what the file says now. */
export interface Pull {
  readonly file: FlyFile;
  readonly words: string;
  readonly snapped: boolean;
}

/** Takes a grip somewhere: `deltaMm` of pull from where it began, resting on what lies within `withinMm` of it (0 rests on nothing). */
export type Puller = (deltaMm: number, withinMm: number) => Pull;

interface Rest {
  readonly deltaMm: number;
  readonly withinMm: number;
  readonly words: string;
  /** The number in the tier's own writing, where it is a plain share. */
  readonly number?: string;
  /** The change itself where it is more than a number. */
  readonly file?: FlyFile;
}

const SHARES: readonly (readonly [number, string])[] = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [1, ''],
];
/** Shares lie as near as a twelfth; between them there must be room to stop anywhere. */
const SHARE_REACH = 1 / 35;
const ABSOLUTE_REACH = 0.2;
/** Legs longer than this catch the bend. */
const CLEAR_OF_BEND = 0.9;

/** The share a tier would say nearest to a number: whole, ¼, ⅓, ½, ⅔ or ¾. */
export function tiersShare(value: number): { readonly value: number; readonly words: string } {
  const [size, whole] = [Math.abs(value), Math.floor(Math.abs(value))];
  const [part, sign] = SHARES.reduce((best, each) =>
    Math.abs(size - whole - each[0]) < Math.abs(size - whole - best[0]) ? each : best,
  );
  const at = whole + part;
  const ones = Math.floor(at + 1e-9);
  return { value: Math.sign(value || 1) * at, words: sign !== '' && ones === 0 ? sign : `${String(ones)}${sign}` };
}

/** Named places of a fly that something can be brought level with. mm from the eye */
function placesOf(laid: LaidFly, tips: boolean): Map<string, number> {
  const places = new Map<string, number>();
  for (const [name, mm] of Object.entries({ ...laid.platform.landmarksMm, head: laid.headMm }))
    if (mm !== null)
      places.set(name === 'rear' ? "the hook's rear" : name === 'mid' ? 'the middle' : `the ${name}`, mm);
  for (const { file, extent } of laid.parts) {
    if (extent.tipMm !== null) places.set(`${file.id}'s tip`, extent.tipMm);
    if (tips) continue;
    places.set(`${file.id}'s front`, extent.startMm);
    places.set(`${file.id}'s rear`, extent.endMm);
  }
  return places;
}

/** Places that stay where they are while a grip is pulled: what moves along with it is nothing to rest on. */
function fixedPlaces(laid: LaidFly, grip: Grip, drawers: Drawers): readonly (readonly [string, number])[] {
  const own = laid.parts.find((part) => part.file.id === grip.part)?.file.id;
  const before = placesOf(laid, grip.kind === 'tip');
  const moved = [0.5, -0.5]
    .map((by) => pullGrip(laid, grip, by))
    .map((file) => (file ? layFly(file, drawers) : null))
    .find((each) => each?.ok === true);
  if (!moved?.ok) return [];
  const after = placesOf(moved.value, grip.kind === 'tip');
  return [...before].filter(
    ([name, mm]) =>
      Math.abs((after.get(name) ?? NaN) - mm) < 1e-6 && (own === undefined || !name.startsWith(`${own}'s`)),
  );
}

/** What a number is told as: a count with its noun, a relation as it stands in the file. */
const said = ({ grip }: Hold, text: string): string =>
  grip.key === 'strands' || grip.key === 'turns' ? `${text} ${grip.key}` : text;

/** The shares and whole figures near what a pull has come to. */
function shareRests(hold: Hold, laid: LaidFly, value: number): Rest[] {
  const { grip, number, perMm } = hold;
  if (grip.key === 'strands') return [];
  const at = (target: number, words: string, reach: number, written?: string): Rest => ({
    deltaMm: ((target - number.value) * number.sizeMm) / perMm,
    withinMm: Math.abs((reach * number.sizeMm) / perMm),
    words,
    ...(written === undefined ? {} : { number: written }),
  });
  if (number.absolute) {
    const step = number.unit === 'in' ? 1 / 8 : 1;
    const whole = Math.round(value / step) * step;
    return [at(whole, said(hold, number.write(whole)), ABSOLUTE_REACH * step)];
  }
  const share = tiersShare(value);
  const rests = [at(share.value, number.write(share.value, share.words), SHARE_REACH, share.words)];
  const legs = laid.parts.some((part) => part.file.id === grip.part && part.file.role === 'legs');
  if (legs && number.unit === 'gap')
    rests.push(at(CLEAR_OF_BEND, `${String(CLEAR_OF_BEND)} gap, clear of the bend`, SHARE_REACH));
  return rests;
}

/** The doses a tier knows, for a clump's thickness. */
function doseRests({ grip, number, perMm }: Hold, laid: LaidFly): Rest[] {
  if (grip.key === 'strands' || !number.absolute) return [];
  return Object.entries(DOSES).map(([name, { pinchMm }]) => ({
    deltaMm: (pinchMm - grip.mm) / perMm,
    withinMm: 0.15 / perMm,
    words: name,
    ...(grip.key === 'dose' ? { file: withDose(laid, grip.part, name) } : {}),
  }));
}

const withDose = (laid: LaidFly, id: string | null, dose: string): FlyFile => ({
  ...laid.file,
  parts: laid.file.parts.map((part) => (part.id === id && part.construction === 'bundle' ? { ...part, dose } : part)),
});

/**
 * Takes hold of a grip. Whole figures, tier's shares, landmarks and what other parts reach to draw it to themselves.
 * @returns null where nothing of it can be changed
 */
export function pullerOf(laid: LaidFly, grip: Grip, drawers: Drawers): Puller | null {
  const hold = holdOf(laid, grip);
  if (!hold) return null;
  const { number, perMm, write } = hold;
  const places: Rest[] =
    grip.way === 'out'
      ? doseRests(hold, laid)
      : fixedPlaces(laid, grip, drawers).map(([name, mm]) => ({
          deltaMm: mm - grip.mm,
          withinMm: Infinity,
          words: `${grip.kind === 'tip' ? 'level with' : 'at'} ${name}`,
        }));
  return (deltaMm, withinMm) => {
    const value = number.value + (deltaMm * perMm) / number.sizeMm;
    if (number.most !== undefined && value >= number.most)
      return { file: write(number.write(number.most)), words: `as far as "${grip.text}" lets it`, snapped: true };
    const off = (rest: Rest): number => Math.abs(rest.deltaMm - deltaMm);
    // What has a name on the fly draws twice as hard as a round figure.
    const pullOf = (rest: Rest): number => off(rest) * (rest.withinMm === Infinity ? 0.5 : 1);
    const [rest] = [...places, ...shareRests(hold, laid, value)]
      .filter((each) => off(each) <= Math.min(each.withinMm, withinMm))

      .sort((a, b) => pullOf(a) - pullOf(b));
    const to = rest ? number.value + (rest.deltaMm * perMm) / number.sizeMm : value;
    const text = number.write(to, rest?.number);
    return {
      file: rest?.file ?? write(text),
      words: rest?.words ?? said(hold, text),
      snapped: rest !== undefined && withinMm > 0,
    };
  };
}

import { type Part, type FlyFile, nudgeMm, pulledNumber, type Pulled } from '../pattern/index.ts';
import type { PartForm, Vec3, LaidFly, LaidPart } from '../model/index.ts';
import { readRelation, relationsOf, withKey, withPart, type RelationAt } from './relations.ts';

export type GripKind = 'tip' | 'tie-in' | 'binding' | 'place' | 'front' | 'rear' | 'pinch' | 'head space';

/** Something on a fly that can be taken hold of and pulled, and the number in the file that a pull changes. */
export interface Grip {
  readonly id: string;
  /** The part it belongs to; null for the head space, which is the hook's. */
  readonly part: string | null;
  readonly key: string;
  readonly kind: GripKind;
  /** Pulled along the shank, or out from the middle of the clump. */
  readonly way: 'along' | 'out';
  /** Where it is now: mm from the eye, or the clump's thickness. */
  readonly mm: number;
  /** What the file says. */
  readonly text: string;
  /** Where it is taken hold of from the near side, and from above. mm */
  readonly at: Vec3;
  readonly above: Vec3;
  /** Whether outward is down, for a clump under the shank. */
  readonly down: boolean;
}

/** How a grip's number follows a pull. */
export interface Hold {
  readonly grip: Grip;
  readonly number: Pulled;
  /** mm the relation changes by for one mm of pull. */
  readonly perMm: number;
  readonly stepMm: number;
  readonly write: (text: string) => FlyFile;
}

/** The relation that says where a part's tip is: its tip, its length or its fibres. */
export function tipRelation(part: LaidPart): RelationAt | null {
  const fields = part.file as unknown as Record<string, unknown>;
  for (const key of ['tip', 'length', 'fibre'] as const) {
    const text = fields[key];
    if (typeof text === 'string' && part.extent.tipMm !== null)
      return { key, text, type: key === 'tip' ? 'position' : 'length' };
  }
  return null;
}

/** The height of a part over the shank's axis at a place along it. */
function surfaceAt(part: LaidPart, x: number): number {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const under = part.built.sections.filter((each) => each.fromMm <= x + 0.01 && each.toMm >= x - 0.01);
  const [section] = under.length > 0 ? under : part.built.sections;
  if (!section) return 0;
  section.at(Math.min(section.toMm, Math.max(section.fromMm, x)), cut);
  return cut.z + cut.semiZ;
}

type Free = Extract<PartForm, { readonly line: unknown }>;
const freeForm = (part: LaidPart): Free | undefined =>
  part.built.forms.find((form): form is Free => 'line' in form && form.line.lengthMm > 0);

/** Where a free part ends: a feather that bends, off its straight line. */
function endOf(form: Free): Vec3 {
  const { root, along, lengthMm } = form.line;
  const off = form.kind === 'feather' ? form.asideMm(form.totalMm) : [0, 0, 0];
  return root.map((from, i) => from + (along[i] ?? 0) * lengthMm + (off[i] ?? 0)) as unknown as Vec3;
}

/** Where a bound part lies over a place along the shank. */
function boundAt(part: LaidPart, x: number): Vec3 {
  const form = freeForm(part);
  const nearest = [...(form?.bound ?? []), ...(form ? [form.line.root] : [])].sort(
    (a, b) => Math.abs(a[0] - x) - Math.abs(b[0] - x),
  )[0];
  return nearest && Math.abs(nearest[0] - x) < 1 ? [x, nearest[1], nearest[2]] : [x, 0, surfaceAt(part, x)];
}

/** The tip of a part, where it has one that can be pulled. */
export function tipGrip(part: LaidPart): Grip | null {
  const [relation, { tipMm }] = [tipRelation(part), part.extent];
  if (!relation || tipMm === null) return null;
  const form = freeForm(part);
  const at: Vec3 = form ? endOf(form) : [tipMm, 0, surfaceAt(part, tipMm)];
  return grip(part, relation.key, 'tip', tipMm, relation.text, at);
}

const grip = (
  part: LaidPart,
  key: string,
  kind: GripKind,
  mm: number,
  text: string,
  at: Vec3,
  above = at,
  down = false,
): Grip => ({
  id: `${part.file.id}.${key}`,
  part: part.file.id,
  key,
  kind,
  way: kind === 'pinch' ? 'out' : 'along',
  mm,
  text,
  at,
  above,
  down,
});

/** The ends of a span and where a part is tied in. */
function placeGrips(part: LaidPart): Grip[] {
  const { readings, startMm, endMm } = part.extent;
  const [from, to] = [readings['from']?.mm, readings['to']?.mm];
  return relationsOf(part.file).flatMap(({ key, text, type }): Grip[] => {
    const mm = readings[key]?.mm;
    if (type !== 'position' || mm === undefined || key === 'tip' || key === 'buttsTo') return [];
    if (key === 'at' && part.built.ball) {
      const ball = part.built.forms.find((form) => form.kind === 'ball');
      return [grip(part, key, 'place', mm, text, ball ? [mm, 0, ball.centre[2]] : [mm, 0, 0])];
    }
    if (key === 'from' || key === 'to') {
      const other = (key === 'from' ? to : from) ?? (mm - startMm < endMm - mm ? endMm : startMm);
      const rear = mm > other || (mm === other && key === 'from');
      return [grip(part, key, rear ? 'rear' : 'front', mm, text, [mm, 0, surfaceAt(part, mm)])];
    }
    return [grip(part, key, key === 'at' ? 'tie-in' : 'binding', mm, text, boundAt(part, mm))];
  });
}

/** The far end of wound work that is told by its turns. */
function turnsGrip(part: LaidPart): Grip[] {
  const { file, extent } = part;
  if (!('turns' in file) || file.turns === undefined || !('from' in file) || file.to !== undefined) return [];
  const at: Vec3 = [extent.endMm, 0, surfaceAt(part, extent.endMm)];
  return [grip(part, 'turns', 'rear', extent.endMm, `${String(file.turns)} turns`, at)];
}

/** How thick a clump is where it is bound: its pinch, or the dose or count that comes to one. */
function pinchGrip(part: LaidPart): Grip[] {
  const { file } = part;
  const form = part.built.forms.find((each) => each.kind === 'bundle');
  if (file.construction !== 'bundle' || !form) return [];
  const half = form.pinchMm / 2;
  const [x, y, z] = form.line.root;
  const [, outY, outZ] = form.line.out;
  const down = outZ < -0.1;
  const at: Vec3 = [x, y, z + (down ? -half : half)];
  const above: Vec3 = [x, y + (outY < -0.1 ? -half : half), z];
  const [key, text] =
    file.pinch !== undefined
      ? ['pinch', file.pinch]
      : file.strands !== undefined
        ? ['strands', `${String(file.strands)} strands`]
        : ['dose', file.dose ?? ''];
  return [grip(part, key, 'pinch', pinchOf(part), text, at, above, down)];
}

/** A clump's thickness squeezed, both sides of it together where it is parted. mm */
const pinchOf = (part: LaidPart): number =>
  Math.hypot(...part.built.forms.flatMap((form) => (form.kind === 'bundle' ? [form.squeezedMm] : [])));

/** The bare shank kept for the head. */
export function headGrip(laid: LaidFly): Grip {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const [shank] = laid.platform.sections;
  shank?.at(Math.min(shank.toMm, Math.max(shank.fromMm, laid.headMm)), cut);
  const at: Vec3 = [laid.headMm, 0, cut.z + cut.semiZ];
  const text = laid.file.platform.headSpace ?? `${laid.headSpaceMm.toFixed(1)} mm`;
  return {
    id: 'headSpace',
    part: null,
    key: 'headSpace',
    kind: 'head space',
    way: 'along',
    mm: laid.headMm,
    text,
    at,
    above: at,
    down: false,
  };
}

/** All that can be pulled on one part: its tip first, then where it is tied in, bound, begins and ends, and how thick it is. */
export function partGrips(part: LaidPart): Grip[] {
  const tip = tipGrip(part);
  return [...(tip ? [tip] : []), ...placeGrips(part), ...turnsGrip(part), ...pinchGrip(part)];
}

/** All that can be pulled on a fly, in tying order; the head space first. */
export const gripsOf = (laid: LaidFly): Grip[] => [headGrip(laid), ...laid.parts.flatMap(partGrips)];

/** The grip of an id such as `tail.length`; undefined where the fly has none such. */
export function gripBy(laid: LaidFly, id: string): Grip | undefined {
  if (id === 'headSpace') return headGrip(laid);
  const part = laid.parts.find((each) => id.startsWith(`${each.file.id}.`));
  return part && partGrips(part).find((each) => each.id === id);
}

/** So little reach along the shank is taken as this much, whichever way it lies. */
const LEAST_REACH = 0.05;
const awayFromNothing = (reach: number): number =>
  Math.abs(reach) >= LEAST_REACH ? reach : reach < 0 ? -LEAST_REACH : LEAST_REACH;

/** mm of free length for one mm that a part's tip moves along the shank. */
function lengthPerMm(part: LaidPart): number {
  const { tipMm, endMm, lengthMm } = part.extent;
  return tipMm === null || lengthMm <= 0 ? 1 : 1 / awayFromNothing((tipMm - endMm) / lengthMm);
}

/** mm along the wire for one mm along the shank, for what is tied in round the bend. */
function wirePerMm(laid: LaidFly, roundMm: number): number {
  const x = (mm: number): number => laid.platform.alongWire(mm).x;
  const slope = (x(roundMm + 0.1) - x(Math.max(0, roundMm - 0.1))) / (0.1 + Math.min(0.1, roundMm));
  return 1 / (Math.sign(slope || 1) * Math.max(0.2, Math.abs(slope)));
}

const counted = (value: number, sizeMm: number, unit: string): Pulled => ({
  value,
  sizeMm,
  unit,
  absolute: true,
  write: (next) => String(Math.max(0, Math.round(next * 2) / 2)),
});

/** The pinch of a clump that is told by a count or a dose. A count goes with the square of the thickness. */
function clumpHold(laid: LaidFly, part: LaidPart, it: Grip): Hold | null {
  const { file } = part;
  const perMm = pinchPerMm(part);
  if (it.key === 'strands' && file.construction === 'bundle') {
    const { strands = 0 } = file;
    const number: Pulled = {
      value: it.mm,
      sizeMm: 1,
      unit: 'mm',
      absolute: true,
      write: (mm) => String(Math.max(1, Math.round(strands * (Math.max(0, mm) / it.mm) ** 2))),
    };
    // One strand more, with a little over so that it is not rounded away.
    const stepMm = (1.05 * it.mm * (Math.sqrt(1 + 1 / Math.max(1, strands)) - 1)) / perMm;
    return { grip: it, number, perMm, stepMm, write: written(laid, part, 'strands') };
  }
  const number: Pulled = {
    value: it.mm,
    sizeMm: 1,
    unit: 'mm',
    absolute: true,
    write: (mm) => `${String(Math.max(0.1, Math.round(mm * 10) / 10))} mm`,
  };
  return { grip: it, number, perMm, stepMm: 0.25 / perMm, write: written(laid, part, 'pinch', 'dose') };
}

/** mm of pinch for one mm that the clump's edge moves out. */
function pinchPerMm(part: LaidPart): number {
  const form = part.built.forms.find((each) => each.kind === 'bundle');
  return form && form.pinchMm > 0 ? (2 * pinchOf(part)) / form.pinchMm : 2;
}

const COUNTS = new Set(['strands', 'turns']);

/** Writes a part's field, and takes away the one it stands in place of. */
const written =
  (laid: LaidFly, part: LaidPart, key: string, instead?: string) =>
  (text: string): FlyFile =>
    withPart(laid.file, part.file.id, (each): Part => {
      const cleared = instead === undefined ? each : withKey(each, instead, undefined);
      return withKey(cleared, key, COUNTS.has(key) ? Number(text) : text);
    });

function headHold(laid: LaidFly, it: Grip): Hold | null {
  const { headSpace } = laid.file.platform;
  const text = headSpace ?? `${String(laid.headSpaceMm)} mm`;
  const relation = readRelation({ text, type: 'length' });
  const number = relation && pulledNumber(relation, laid.measures, laid.headSpaceMm);
  if (!relation || !number) return null;
  const write = (next: string): FlyFile => ({
    ...laid.file,
    platform: { ...laid.file.platform, headSpace: next },
  });
  return { grip: it, number, perMm: 1, stepMm: nudgeMm(relation, laid.measures), write };
}

/** The number behind a grip; null where nothing of it can be changed. */
export function holdOf(laid: LaidFly, it: Grip): Hold | null {
  if (it.part === null) return headHold(laid, it);
  const part = laid.parts.find((each) => each.file.id === it.part);
  if (!part) return null;
  if (it.key === 'strands' || it.key === 'dose') return clumpHold(laid, part, it);
  if (it.key === 'turns' && 'turns' in part.file) {
    const turns = part.file.turns ?? 0;
    const pitch = turns > 0 ? (part.extent.endMm - part.extent.startMm) / turns : 1;
    return {
      grip: it,
      number: counted(turns, pitch, 'turns'),
      perMm: 1,
      stepMm: pitch / 2,
      write: written(laid, part, 'turns'),
    };
  }
  const type = it.kind === 'pinch' || (it.kind === 'tip' && it.key !== 'tip') ? 'length' : 'position';
  const relation = readRelation({ text: it.text, type });
  // A strip's length runs from its tie-in: what `same as` and `at most` scale is the whole of it.
  const now = part.extent.readings[it.key]?.mm ?? part.extent.lengthMm;
  const number = relation && pulledNumber(relation, laid.measures, now);
  if (!relation || !number) return null;
  const round = relation.type === 'position' && relation.anchor.kind === 'round' && relation.offsets.length === 0;
  const perMm =
    it.kind === 'pinch'
      ? pinchPerMm(part)
      : type === 'length'
        ? lengthPerMm(part)
        : round
          ? wirePerMm(laid, part.extent.roundMm)
          : 1;
  return {
    grip: it,
    number,
    perMm,
    stepMm: Math.abs(nudgeMm(relation, laid.measures) / perMm),
    write: written(laid, part, it.key),
  };
}

/**
 * Pulls a grip by changing the number in its relation.
 * @param deltaMm along the shank, aft when positive; or outward, for how thick a clump is
 * @returns the changed file, or null where nothing can be pulled
 */
export function pullGrip(laid: LaidFly, it: Grip, deltaMm: number): FlyFile | null {
  const hold = holdOf(laid, it);
  if (!hold) return null;
  const { number, perMm, write } = hold;
  return write(number.write(number.value + (deltaMm * perMm) / number.sizeMm));
}

/** The step of one arrow key on a grip, mm of pull. */
export const gripStepMm = (laid: LaidFly, it: Grip): number => holdOf(laid, it)?.stepMm ?? 0.5;

import type { Section, SolidLump, Vec3 } from '../platform/section.ts';
import { HALF_OUT } from './common.ts';
import type { PartForm } from './forms.ts';
import type { BuiltPart } from './types.ts';

/** How a part is tied to one side: turned about the shank (degrees, in the sense of a roll), and more of it on the near side (a share, −1 to 1). */
export interface Askew {
  readonly rollDeg: number;
  readonly split: number;
}

/** The same about the axis at its own x: a roll as the model defines it. */
const rolled = ([x, y, z]: Vec3, rad: number, axisZ: number): Vec3 => [
  x,
  y * Math.cos(rad) - (z - axisZ) * Math.sin(rad),
  y * Math.sin(rad) + (z - axisZ) * Math.cos(rad) + axisZ,
];

function rolledSection(section: Section, rad: number, axisZ: (x: number) => number): Section {
  const { at, root } = section;
  return {
    ...section,
    turn: section.turn + rad,
    root: root === 'axis' ? root : root.map((point) => rolled(point, rad, axisZ(point[0]))),
    at: (x, out) => {
      at(x, out);
      [, out.y, out.z] = rolled([x, out.y, out.z], rad, axisZ(x));
    },
  };
}

const rolledForm = (form: PartForm, rad: number, axisZ: (x: number) => number): PartForm =>
  form.kind === 'ball'
    ? { ...form, centre: rolled(form.centre, rad, axisZ(form.centre[0])), rollRad: form.rollRad + rad }
    : form;

/** Eyes turned about the shank, as weighed, as met by the water and as drawn. */
function turnedRound(built: BuiltPart, rad: number, axisZ: (x: number) => number): BuiltPart {
  const about = (at: Vec3): Vec3 => rolled(at, rad, axisZ(at[0]));
  return {
    ...built,
    lumps: built.lumps.map((lump) => ({ ...lump, centroid: about(lump.centroid) })),
    sections: built.sections.map((section) => rolledSection(section, rad, axisZ)),
    forms: built.forms.map((form) => rolledForm(form, rad, axisZ)),
    ball: built.ball && { ...built.ball, centroid: about(built.ball.centroid) },
  };
}

const BESIDE_MM = 1e-9;

/** How far a clump reaches to the side at x, mm. */
function breadthAt(sections: readonly Section[], x: number): number {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 0 };
  const here = sections.find((section) => x >= section.fromMm && x <= section.toMm);
  here?.at(x, cut);
  return cut.semiY;
}

/**
 * More on the near side than on the far one by `split`: what lies in halves has a heavier near half; a clump in one has its centre moved as
 * two half ellipses of these weights would. The silhouette stays.
 */
function splitUneven(built: BuiltPart, split: number): BuiltPart {
  const lumps = built.lumps.map((lump): SolidLump => {
    const [x, y, z] = lump.centroid;
    const share = 1 + Math.sign(y) * split;
    if (Math.abs(y) > BESIDE_MM) return { ...lump, massMg: lump.massMg * share, volumeMm3: lump.volumeMm3 * share };
    return { ...lump, centroid: [x, split * HALF_OUT * breadthAt(built.sections, x), z] };
  });
  return { ...built, lumps };
}

/** A built part tied to one side. @param axisZ height of the shank's centre line at x, mm */
export function tiedAskew(built: BuiltPart, { rollDeg, split }: Askew, axisZ: (x: number) => number): BuiltPart {
  const turned = rollDeg === 0 ? built : turnedRound(built, (rollDeg * Math.PI) / 180, axisZ);
  return split === 0 ? turned : splitUneven(turned, split);
}

import { DOSES, SIDES } from '../../data/index.ts';
import {
  type LengthRelation,
  type MeasuredPart,
  type Part,
  type PositionRelation,
  parseLength,
  parsePosition,
} from '../../pattern/index.ts';
import type { SolidLump, Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { type Fault, suggestion } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';
import type { FreeLine } from './forms.ts';
import type { BuiltPart, Side } from './types.ts';

type Written = Readonly<Record<string, unknown>>;

/** Parses the named relations of a part and gathers the faults, each with the path of its key. */
export class RelationReader {
  readonly faults: Fault[] = [];
  readonly lengths: Record<string, LengthRelation> = {};
  readonly places: Record<string, PositionRelation> = {};
  private readonly part: Written;
  private readonly path: string;

  constructor(part: object, path: string) {
    this.part = part as Written;
    this.path = path;
  }

  length(key: string): LengthRelation | null {
    const text = this.part[key];
    return typeof text === 'string' ? this.lengthText(text, key) : null;
  }

  lengthText(text: string, key: string): LengthRelation | null {
    const read = parseLength(text);
    if (read.ok) return (this.lengths[key] = read.relation);
    this.faults.push({ ...read.fault, path: `${this.path}.${key}` });
    return null;
  }

  place(key: string): PositionRelation | null {
    const text = this.part[key];
    return typeof text === 'string' ? this.placeText(text, key) : null;
  }

  placeText(text: string, key: string): PositionRelation | null {
    const read = parsePosition(text);
    if (read.ok) return (this.places[key] = read.relation);
    this.faults.push({ ...read.fault, path: `${this.path}.${key}` });
    return null;
  }

  required<T>(relation: T | null, key: string, example: string): T | null {
    if (relation === null && this.part[key] === undefined)
      this.fault(key, 'missing', `is missing; write for example "${example}"`);
    return relation;
  }

  fault(key: string, code: Fault['code'], message: string): void {
    this.faults.push({ path: key === '' ? this.path : `${this.path}.${key}`, code, message });
  }

  /** One of two ways to say the same: both or neither is a fault. */
  either(one: string, other: string, example: string): void {
    const [a, b] = [this.part[one] !== undefined, this.part[other] !== undefined];
    if (a && b) this.fault(other, 'contradiction', `"${one}" and "${other}" say the same thing twice; keep one`);
    if (!a && !b) this.fault(one, 'missing', `is missing; write "${one}" or "${other}", for example "${example}"`);
  }
}

/** Butts of wound work weigh a few milligrams at most and are left out of the sum. */
export const BUTTS_NOTE = 'the butts of wound work are not weighed';

/** Wound work up to this rank lies over what ranks lower, whatever the list says; what ranks higher goes by the list. */
export const LAST_BY_RANK = 4;
/** Rank of what is folded over finished wound work, and of heads. */
export const FOLD_RANK = 4.5;
export const HEAD_RANK = 6;

const STEEPEST_DEG = 75;

/** The angle a free part leaves the shank at, in radians: the file's, else `usualDeg`. */
export function leaveAngle(
  part: { readonly angle?: string | undefined },
  usualDeg: number,
  path: string,
  faults: Fault[],
): number {
  if (part.angle === undefined) return (usualDeg * Math.PI) / 180;
  const read = parseQuantity('angle', part.angle);
  if (!read.ok) faults.push({ path: `${path}.angle`, code: read.code, message: read.message });
  else if (read.value < 0 || read.value > STEEPEST_DEG)
    faults.push({
      path: `${path}.angle`,
      code: 'range',
      message: `an angle away from the shank lies between 0 and ${String(STEEPEST_DEG)} degrees`,
    });
  else return (read.value * Math.PI) / 180;
  return 0;
}

/** Refuses a dose that is no word of the tables. */
export function doseFault(reader: RelationReader, dose: string | undefined): void {
  const doses = Object.keys(DOSES);
  if (dose !== undefined && !DOSES[dose.toLowerCase()])
    reader.fault(
      'dose',
      'choice',
      `unknown dose "${dose}"${suggestion(dose, doses) || `; one of ${doses.join(', ')}`}`,
    );
}

/** The side a part sits on: the file's, else the usual one of its role. */
export const sideOf = (part: { readonly role: string; readonly side?: Side | undefined }): Side =>
  part.side ?? SIDES[part.role] ?? 'top';

/** Directions away from the shank that a side means, as (y, z), each with its share of the material. */
export function sideShares(side: Side): { readonly y: number; readonly z: number; readonly share: number }[] {
  switch (side) {
    case 'top':
      return [{ y: 0, z: 1, share: 1 }];
    case 'bottom':
      return [{ y: 0, z: -1, share: 1 }];
    case 'near':
      return [{ y: 1, z: 0, share: 1 }];
    case 'far':
      return [{ y: -1, z: 0, share: 1 }];
    case 'both':
      return [
        { y: 1, z: 0, share: 0.5 },
        { y: -1, z: 0, share: 0.5 },
      ];
    case 'around':
    case 'axis':
      return [{ y: 0, z: 0, share: 1 }];
  }
}

/**
 * The centre line of a free part: it leaves its last binding at `angle` away from the shank, straight.
 * @param standMm distance from the axis to the line at the binding; a part tied in round the bend follows the wire first
 */
export function freeLine(
  platform: Platform,
  side: { y: number; z: number },
  x: number,
  roundMm: number,
  standMm: number,
  angle: number,
  lengthMm: number,
  forward = false,
): FreeLine {
  const base = roundMm > 0 ? platform.alongWire(roundMm) : { x, z: platform.axisZ(x), slope: 0 };
  const [cos, sin] = [Math.cos(base.slope), Math.sin(base.slope)];
  const out: Vec3 = [sin * side.z, side.y, cos * side.z];
  const lean = side.y === 0 && side.z === 0 ? 0 : angle;
  const along: [number, number, number] = [
    Math.cos(lean) * cos + Math.sin(lean) * out[0],
    Math.sin(lean) * out[1],
    -Math.cos(lean) * sin + Math.sin(lean) * out[2],
  ];
  if (forward) along[0] = -along[0];
  return { root: [base.x + standMm * out[0], standMm * out[1], base.z + standMm * out[2]], along, out, lengthMm };
}

/** mm along x for one mm of a free part that leaves at `angle` on a side, tied in `roundMm` past the bend of radius the platform knows. */
export const reachOf =
  (platform: Platform, side: Side, angle: number) =>
  (roundMm: number): number => {
    const share = sideShares(side)[0] ?? { y: 0, z: 1 };
    if (roundMm === 0) return share.y === 0 && share.z === 0 ? 1 : Math.cos(angle);
    return Math.max(0.15, freeLine(platform, share, 0, roundMm, 0, angle, 1).along[0]);
  };

export const pointAlong = (line: FreeLine, mm: number): Vec3 => [
  line.root[0] + line.along[0] * mm,
  line.root[1] + line.along[1] * mm,
  line.root[2] + line.along[2] * mm,
];

/** The centroid of half an ellipse lies so far out, as a share of its semi-axis. */
export const HALF_OUT = 4 / (3 * Math.PI);

export const lump = (massMg: number, volumeMm3: number, centroid: Vec3): SolidLump => ({ massMg, volumeMm3, centroid });

/** A built part with nothing in it but what is told. Built field by field, like sections. @param figuredAs the item whose figures it has */
export const built = (
  part: { id: string; role: string; construction: BuiltPart['construction'] },
  [material, figuredAs]: readonly [material: string, figuredAs: string],
  given: Partial<BuiltPart>,
): BuiltPart => ({
  id: part.id,
  role: part.role,
  construction: part.construction,
  material,
  figuredAs,
  lumps: given.lumps ?? [],
  sections: given.sections ?? [],
  forms: given.forms ?? [],
  notes: given.notes ?? [],
  waterMg: given.waterMg ?? 0,
  skinMm2: given.skinMm2 ?? 0,
  turns: given.turns ?? null,
  outer: given.outer ?? null,
  seeThrough: given.seeThrough ?? false,
  ball: given.ball ?? null,
});

type Span = Extract<MeasuredPart, { shape: 'span' }>;

/** What lies over a span of the shank, as it was read. @param more turns, pitch and tip of what has them */
export const measuredSpan = (
  { id, role }: Pick<Part, 'id' | 'role'>,
  path: string,
  { lengths, places }: RelationReader,
  span: Pick<Span, 'from' | 'to'>,
  more: Partial<Pick<Span, 'turns' | 'pitch' | 'tip'>> = {},
): Span => ({ shape: 'span', id, role, path, ...span, turns: null, pitch: null, tip: null, ...more, lengths, places });

import { boundMm } from './cutting.ts';
import { NONE } from './traits.ts';
import { matchMaterial, type Matched, type FeatherMaterial, tintOf, ANGLES, HOLD } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { bindingsOfRib, boundLine, boundPoints, massAlong, type BoundLine } from './boundLine.ts';
import { boundButts, supportForms, type Butts } from './butts.ts';
import { built, leaveAngle, lump, reachOf, RelationReader, sideOf, sideShares } from './common.ts';
import type { PartForm } from './forms.ts';
import type { BuiltPart, ConstructionModule, Ground, MeasuredOn, Side } from './types.ts';

type Feather = PartOf<'feather'>;
type Form = NonNullable<Feather['form']>;
type Lie = NonNullable<Feather['lie']>;

/** The feather a form is made of where no material is named, how it usually lies, and how many of a side. */
const FORMS: Readonly<
  Record<Form, { readonly usual: string; readonly lie: Lie; readonly perSide: number; readonly paired: boolean }>
> = {
  pair: { usual: 'cock feather', lie: 'along-back', perSide: 1, paired: true },
  slips: { usual: 'quill slip', lie: 'tented', perSide: 1, paired: true },
  tips: { usual: 'hackle tip', lie: 'along-back', perSide: 2, paired: true },
  single: { usual: 'flank feather', lie: 'flat', perSide: 1, paired: false },
};

/** Degrees from level that each half of a tented wing slopes at. */
const TENT_DEG = 50;
const RAD = Math.PI / 180;

/** Share of its full width a feather has at a share t of its length: a leaf from stem to tip, a slip with nearly level edges. */
export function vaneOf(form: Form): (t: number) => number {
  if (form === 'slips')
    return (t) => (t < 0.15 ? 0.6 + 2.67 * t : t < 0.6 ? 1 : Math.max(0, 1 - ((t - 0.6) / 0.4) ** 2));
  return (t) =>
    t < 0.35
      ? 0.3 + 0.7 * Math.sin((Math.PI / 2) * (t / 0.35))
      : Math.max(0, Math.cos((Math.PI / 2) * ((t - 0.35) / 0.65)));
}

function materialOf(part: Feather, drawers: Drawers): Matched<FeatherMaterial> | null {
  const { usual: name } = FORMS[part.form ?? 'pair'];
  const usual = drawers.feathers.find((item) => item.name === name) ?? drawers.feathers[0];
  return usual ? matchMaterial(drawers.feathers, part.material, usual) : null;
}

function measure(part: Feather, path: string, bench: MeasuredOn): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const at = reader.required(reader.place('at'), 'at', 'head');
  reader.either('length', 'tip', '1.2 shank');
  const [length, tip, buttsTo] = [reader.length('length'), reader.place('tip'), reader.place('buttsTo')];
  reader.length('width');
  const angle = leaveAngle(part, ANGLES[part.role] ?? 0, path, reader.faults);
  if (!at || reader.faults.length > 0) return bad(...reader.faults);
  return good({
    shape: 'free',
    id: part.id,
    role: part.role,
    path,
    at,
    boundAt: bindingsOfRib(part.boundBy),
    buttsTo,
    length,
    tip,
    reach: reachOf(bench.platform, bladesOf(part)[0]?.side ?? sideOf(part), angle),
    lengths: reader.lengths,
    places: reader.places,
  });
}

/** One blade: the side its line is tied on, which hand it is of, and the turn of its width about x. */
interface Blade {
  readonly side: Side;
  readonly hand: 1 | 0 | -1;
  /** Radians from the y axis to the direction of its width. */
  readonly turn: number;
  /** True where its upper edge, not its middle, lies on the line. */
  readonly hangs: boolean;
  /** Share of the feather's width that this blade is: a single one that is tented is folded along its stem. */
  readonly share: number;
}

function bladesOf(part: Feather): Blade[] {
  const form = FORMS[part.form ?? 'pair'];
  const side = part.side ?? (part.lie === 'sides' || part.role === 'cheek' ? 'both' : sideOf(part));
  const lie = part.lie ?? (side === 'both' ? 'sides' : form.lie);
  if (lie === 'sides' || side === 'near' || side === 'far') {
    const upright = Math.PI / 2;
    const on = (hand: 1 | -1): Blade => ({
      side: hand > 0 ? 'near' : 'far',
      hand,
      turn: upright,
      hangs: false,
      share: 1,
    });
    return side === 'near' ? [on(1)] : side === 'far' ? [on(-1)] : [on(1), on(-1)];
  }
  const hands: (1 | 0 | -1)[] = form.paired ? [1, -1] : [0];
  const below = side === 'bottom' ? -1 : 1;
  if (lie === 'flat') return hands.map((hand): Blade => ({ side, hand, turn: 0, hangs: false, share: 1 }));
  if (lie === 'along-back')
    return hands.map((hand): Blade => ({ side, hand, turn: Math.PI / 2, hangs: false, share: 1 }));
  return [1 as const, -1 as const].map((hand): Blade => ({
    side,
    hand,
    turn: -below * hand * TENT_DEG * RAD,
    hangs: true,
    share: form.paired ? 1 : 0.5,
  }));
}

/** Which way from the shank each side lies; feathers know no other. */
const AWAY: Readonly<Partial<Record<Side, { y: number; z: number }>> & { top: { y: number; z: number } }> = {
  near: { y: 1, z: 0 },
  far: { y: -1, z: 0 },
  bottom: { y: 0, z: -1 },
  top: { y: 0, z: 1 },
};

/**
 * How far a curved feather lies off its straight line, mm: a parabola from its last binding on. A tail curves away from the hook, all else back
 * over the fly.
 */
function bendOf(part: Feather, m: FeatherMaterial, away: number, path: BoundLine): (mm: number) => number {
  const freeMm = path.totalMm - path.boundMm;
  const tipMm = (m.curve ?? 0) * freeMm * away * (part.role === 'tail' ? 1 : -1);
  return (mm) => (tipMm === 0 ? 0 : tipMm * Math.max(0, (mm - path.boundMm) / freeMm) ** 2);
}

interface Laid {
  readonly section: Section | null;
  readonly lump: SolidLump;
  readonly form: Extract<PartForm, { kind: 'feather' }>;
}

// oxlint-disable-next-line max-lines-per-function -- one blade's path, mass, section and form, each a literal
function layBlade(
  part: Feather,
  extent: PartExtent,
  ground: Ground,
  m: FeatherMaterial,
  blade: Blade,
  angle: number,
): Laid {
  const form = FORMS[part.form ?? 'pair'];
  const count = part.perSide ?? form.perSide;
  const thickMm = m.thicknessMm * count;
  const widthMm = (extent.lengths['width']?.mm ?? m.widthMm) * blade.share;
  const side = AWAY[blade.side] ?? AWAY.top;
  const path: BoundLine = boundLine({
    platform: ground.platform,
    side,
    extent,
    standMm: (x) => ground.radiusUnder(x) + thickMm / 2,
    angle,
  });
  const share = vaneOf(part.form ?? 'pair');
  const widthAt = (mm: number): number => widthMm * share(Math.min(1, Math.max(0, mm / path.totalMm)));
  // Paired blades lie face to face, each half a blade off the middle; those of a tent hang from their upper edge.
  const paired = side.y === 0 ? blade.hand : 0;
  const [level, steep] = [Math.abs(Math.cos(blade.turn)), Math.abs(Math.sin(blade.turn))];
  const bend = bendOf(part, m, side.z, path);
  const aside = (mm: number): Vec3 => {
    if (!blade.hangs) return [0, (steep * paired * thickMm) / 2, bend(mm)];
    const half = widthAt(mm) / 2;
    return [0, level * paired * half, bend(mm) - side.z * steep * half];
  };
  const { volumeMm3, centroid } = massAlong(path, (mm) => widthAt(mm) * thickMm * m.packing, aside);
  const vane = section({
    owner: part.id,
    fromMm: path.frontMm,
    toMm: path.tipX,
    softness: m.softness,
    root: path.bindings,
    leastSemiMm: thickMm / 2,
    turn: blade.turn,
    at: (x, out) => {
      const [, y, z] = path.centreAt(x);
      const mm = path.alongAt(x);
      const [, offY, offZ] = aside(mm);
      setEllipse(out, y + offY, z + offZ, widthAt(mm) / 2, thickMm / 2, m.opacity);
    },
  });
  return {
    lump: lump(volumeMm3 * m.density, volumeMm3, centroid),
    section: path.tipX > path.frontMm ? vane : null,
    form: {
      kind: 'feather',
      manner: part.form ?? 'pair',
      line: path.line,
      bound: boundPoints(path),
      widthMm,
      totalMm: path.totalMm,
      turn: blade.turn,
      hand: blade.hand,
      asideMm: aside,
      outline: share,
      married: (part.married ?? []).map((colour) => tintOf(colour, m.colour)),
      fromMm: 0,
      toMm: path.totalMm,
      tint: tintOf(part.colour, m.colour),
    },
  };
}

/** A support is as wide as a feather's base, not as its vane. */
const SUPPORT_MM = 2;
/** Stems of 0.05 mg/mm each, as of hackles, bound forward together. */
const STEM = { mgMm: 0.05, packing: 0.6 } as const;

function stemsOf(part: Feather, m: FeatherMaterial): Butts {
  const form = FORMS[part.form ?? 'pair'];
  const count = (part.perSide ?? form.perSide) * (form.paired ? 2 : 1);
  const solidMm2 = (count * STEM.mgMm) / m.density;
  const { y, z } = sideShares(sideOf(part))[0] ?? { y: 0, z: 1 };
  return {
    side: { y, z },
    semiMm: Math.sqrt(solidMm2 / STEM.packing / Math.PI),
    solidMm2,
    density: m.density,
    fibreMm: Math.sqrt((4 * solidMm2) / count / Math.PI),
  };
}

function build(part: Feather, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const match = materialOf(part, ground.drawers);
  if (!match) return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no feathers' });
  const { item: m, name, note } = match;
  const notes = note === null ? [] : [note];
  const width = extent.lengths['width']?.mm ?? m.widthMm;
  const boundMm = extent.endMm - (extent.bindingsMm[0] ?? extent.endMm);
  if (width <= 0 || extent.lengthMm + boundMm <= 0 || part.perSide === 0)
    return good(
      built(part, [name, m.name], {
        notes: [...notes, 'has no length or no width, so it weighs nothing and is not drawn'],
      }),
    );
  const angle = leaveAngle(part, ANGLES[part.role] ?? 0, path, []);
  const blades = bladesOf(part).map((blade) => layBlade(part, extent, ground, m, blade, angle));
  const stems = boundButts(part.id, stemsOf(part, m), extent, ground);
  const lumps = [...blades.map((blade) => blade.lump), ...(stems ? [stems.lump] : [])];
  const [first] = blades;
  return good(
    built(part, [name, m.name], {
      lumps,
      sections: [
        ...blades.flatMap((blade) => (blade.section ? [blade.section] : [])),
        ...(stems ? [stems.section] : []),
      ],
      forms: [
        ...blades.map((blade) => blade.form),
        ...(first ? supportForms(part.support, first.form.line, Math.min(width, SUPPORT_MM)) : []),
      ],
      notes,
      waterMg: lumps.reduce((sum, each) => sum + each.massMg, 0) * m.water,
    }),
  );
}

/** Whole feathers, slips of quill and hackle tips: thin blades, in pairs or single. Figures: docs/model.md. */
/** Judgement. */
const FEATHER_LIMP = 0.3;

export const feather: ConstructionModule<'feather'> = {
  construction: 'feather',
  measure,
  build,
  rank: () => 10,
  traits: { ...NONE, free: true, butts: true },
  limp: () => FEATHER_LIMP,
  cutMm: (piece) => boundMm(piece) + piece.extent.lengthMm + HOLD.fibresMm,
};

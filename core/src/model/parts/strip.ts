import { boundMm } from './cutting.ts';
import { NONE } from './traits.ts';
import { matchMaterial, tintOf, HOLD } from '../../data/index.ts';
import type { PartOf, PositionRelation, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Ellipse, type Section, type SolidLump, type Vec3 } from '../platform/section.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { bindingsOfRib, boundLine, boundPoints, massAlong } from './boundLine.ts';
import { boundButts, supportForms, type Butts } from './butts.ts';
import { built, leaveAngle, lump, reachOf, RelationReader, sideOf, sideShares } from './common.ts';
import type { PartForm } from './forms.ts';
import type { BuiltPart, ConstructionModule, Ground, MeasuredOn } from './types.ts';

type Strip = PartOf<'strip'>;

/** Collagen share of a hide's section and its density; pile is keratin. Hair lies back to 0.35 of its length and stands 1.5 mm out on each side. */
const HIDE = { share: 0.29, density: 1.35, leastShadowMm: 0.02 } as const;
const PILE = { density: 1.31, lie: 0.35, asideMm: 1.5, opacity: 0.55, pastEnd: 0.5, water: 2.5 } as const;

function measure(part: Strip, path: string, bench: MeasuredOn): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const at = reader.required(reader.place('at'), 'at', 'eyes.rear');
  reader.either('length', 'tip', 'bend + 0.6 shank');
  const [length, tip] = [reader.length('length'), reader.place('tip')];
  const buttsTo = reader.place('buttsTo');
  for (const key of ['width', 'thickness', 'hair']) reader.length(key);
  const boundAt = (part.boundAt ?? [])
    .map((text, i) => reader.placeText(text, `boundAt[${String(i)}]`))
    .filter((read): read is PositionRelation => read !== null);
  const angle = leaveAngle(part, 0, path, reader.faults);
  if (!at || reader.faults.length > 0) return bad(...reader.faults);
  return good({
    shape: 'free',
    id: part.id,
    role: part.role,
    path,
    at,
    boundAt: [...boundAt, ...bindingsOfRib(part.boundBy)],
    buttsTo,
    length,
    tip,
    reach: reachOf(bench.platform, sideOf(part), angle),
    lengths: reader.lengths,
    places: reader.places,
  });
}

interface Hide {
  readonly widthMm: number;
  readonly thickMm: number;
  readonly hairMm: number;
  readonly softness: number;
  readonly pileMgMm2: number;
  readonly ends: NonNullable<Strip['ends']>;
}

/** A cut at an angle runs over so many widths of the hide; a tapered end over so much of its length. */
const CUT = { angledOverWidths: 1.5, taperedOverLength: 0.5 } as const;

/** Width of the hide `mm` along it, mm: whole to the end, or narrowing to it. */
function widthOf({ widthMm, ends }: Hide, totalMm: number): (mm: number) => number {
  const overMm = ends === 'angled' ? CUT.angledOverWidths * widthMm : CUT.taperedOverLength * totalMm;
  return ends === 'square'
    ? () => widthMm
    : (mm) => widthMm * Math.min(1, Math.max(0, (totalMm - mm) / Math.max(1e-6, Math.min(overMm, totalMm))));
}

/** Height of the pile over the hide: it rises behind the front edge, and falls away past the hide's end. */
function pileShare(mm: number, totalMm: number, hairMm: number): number {
  const rise = Math.min(1, Math.sqrt(Math.max(0, mm + 0.05 * hairMm) / (0.4 * hairMm)));
  return mm <= totalMm ? rise : rise * Math.max(0, 1 - (mm - totalMm) / (PILE.pastEnd * hairMm));
}

/** The hide in front of the tie-in, trimmed to half its width and bare of hair. Soaked hide is packed as its collagen share. */
function buttsOf({ widthMm, thickMm }: Hide, side: { y: number; z: number; share: number }): Butts {
  const area = (widthMm * side.share * thickMm) / 2;
  return {
    side,
    semiMm: Math.sqrt(area / Math.PI),
    solidMm2: area * HIDE.share,
    density: HIDE.density,
    fibreMm: HIDE.leastShadowMm,
  };
}

function build(part: Strip, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const usual = ground.drawers.strips[0];
  if (!usual) return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no strips' });
  const { item: m, name, note } = matchMaterial(ground.drawers.strips, part.material, usual);
  const faults: Fault[] = [];
  const angle = leaveAngle(part, 0, path, faults);
  const hide: Hide = {
    widthMm: extent.lengths['width']?.mm ?? m.widthMm,
    thickMm: extent.lengths['thickness']?.mm ?? m.hideMm,
    hairMm: extent.lengths['hair']?.mm ?? m.hairMm,
    softness: m.softness,
    pileMgMm2: m.pileMgMm2,
    ends: part.ends ?? 'square',
  };
  const tint = tintOf(part.colour, m.colour);
  const notes = note === null ? [] : [note];
  const boundMm = extent.endMm - (extent.bindingsMm[0] ?? extent.endMm);
  if (hide.widthMm <= 0 || boundMm + extent.lengthMm <= 0)
    return good(
      built(part, [name, m.name], {
        notes: [...notes, 'has no length or no width, so it weighs nothing and is not drawn'],
      }),
    );
  const lumps: SolidLump[] = [];
  const sections: Section[] = [];
  const forms: PartForm[] = [];
  for (const side of sideShares(sideOf(part))) {
    const laid = layHide(part.id, { ...hide, widthMm: hide.widthMm * side.share }, side, extent, ground, angle);
    const butts = boundButts(part.id, buttsOf(hide, side), extent, ground);
    lumps.push(...laid.lumps, ...(butts ? [butts.lump] : []));
    sections.push(...laid.sections, ...(butts ? [butts.section] : []));
    forms.push({ ...laid.form, material: m.name, tint }, ...supportForms(part.support, laid.form.line, hide.widthMm));
  }
  const massMg = lumps.reduce((sum, each) => sum + each.massMg, 0);
  return good(built(part, [name, m.name], { lumps, sections, forms, notes, waterMg: massMg * PILE.water }));
}

type StripForm = Extract<PartForm, { kind: 'strip' }>;

/** Sets an ellipse so far out from the middle of the hide, flat on top and below, on edge at the sides. */
function layer(side: { y: number; z: number }) {
  const upright = side.z !== 0 || side.y === 0;
  return (out: Ellipse, [, y, z]: Vec3, offset: number, across: number, high: number, opacity: number): void => {
    const [semiY, semiZ] = upright ? [across, high] : [high, across];
    setEllipse(out, y + side.y * offset, z + side.z * offset, semiY, semiZ, opacity);
  };
}

// oxlint-disable-next-line max-lines-per-function -- one hide: its path, band, pile and form, each a literal
function layHide(
  id: string,
  hide: Hide,
  side: { y: number; z: number },
  extent: PartExtent,
  ground: Ground,
  angle: number,
): { lumps: SolidLump[]; sections: Section[]; form: Omit<StripForm, 'material' | 'tint'> } {
  const { thickMm, hairMm, softness, pileMgMm2 } = hide;
  const standMm = (x: number): number => ground.radiusUnder(x) + thickMm / 2;
  const path = boundLine({ platform: ground.platform, side, extent, standMm, angle });
  const { line, frontMm, tipX, totalMm, boundMm, bindings } = path;
  const widthAt = widthOf(hide, totalMm);
  const lay = layer(side);
  const pileHigh = PILE.lie * hairMm;
  const band = section({
    owner: id,
    fromMm: frontMm,
    toMm: tipX,
    softness,
    root: bindings,
    leastSemiMm: hide.widthMm / 2,
    at: (x, out) => {
      lay(out, path.centreAt(x), 0, widthAt(path.alongAt(x)) / 2, thickMm / 2, 1);
    },
  });
  const pile = section({
    owner: id,
    fromMm: frontMm,
    toMm: tipX + PILE.pastEnd * hairMm * line.along[0],
    softness,
    root: bindings,
    leastSemiMm: thickMm / 2,
    at: (x, out) => {
      const mm = path.alongAt(x);
      const share = pileShare(mm, totalMm, hairMm);
      const high = (pileHigh * share) / 2;
      const half = widthAt(Math.min(mm, totalMm)) / 2;
      lay(out, path.centreAt(x), thickMm / 2 + high, (half + PILE.asideMm) * Math.sqrt(share), high, PILE.opacity);
    },
  });
  const { volumeMm3: areaMm2, centroid } = massAlong(path, widthAt);
  // Hide and pile lie on the same area; the middle of a hair stands half its length off the hide, laid back by its lean.
  const [up, back] = [(thickMm + PILE.lie * hairMm) / 2, (Math.sqrt(1 - PILE.lie ** 2) * hairMm) / 2];
  const { centroid: amid } = massAlong(path, widthAt, (mm) => {
    const [x, y, z] = mm < boundMm ? [1, 0, 0] : line.along;
    return [back * x, back * y + side.y * up, back * z + side.z * up];
  });
  const collagen = areaMm2 * thickMm * HIDE.share;
  const pileMg = areaMm2 * pileMgMm2;
  return {
    lumps: [lump(collagen * HIDE.density, collagen, centroid), lump(pileMg, pileMg / PILE.density, amid)],
    sections: [...(tipX > frontMm ? [band] : []), pile],
    form: {
      kind: 'strip',
      line,
      side: [side.y, side.z],
      widthMm: hide.widthMm,
      widthAt,
      fromMm: 0,
      toMm: totalMm,
      thickMm,
      hairMm,
      pileMm: pileHigh,
      bound: boundPoints(path),
    },
  };
}

/** Fur on the hide, tied in along the shank and free behind its last binding. The tip is the end of the hide; hair runs past it. */
/** Hide narrower than this hangs like a plume. Judgement. */
const THIN_MM = 2;

export const strip: ConstructionModule<'strip'> = {
  construction: 'strip',
  measure,
  build,
  rank: () => 10,
  traits: { ...NONE, free: true },
  limp: ({ extent }) => ((extent.lengths['width']?.mm ?? THIN_MM) < THIN_MM ? 0.7 : 1),
  cutMm: (piece) => boundMm(piece) + piece.extent.lengthMm + HOLD.flatMm,
};

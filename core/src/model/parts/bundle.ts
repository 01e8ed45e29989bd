import { boundMm } from './cutting.ts';
import { NONE } from './traits.ts';
import {
  bundleKind,
  matchKind,
  type BundleMaterial,
  type Matched,
  tintOf,
  ANGLES,
  DOSES,
  HOLD,
} from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump } from '../platform/section.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { boundButts, supportForms } from './butts.ts';
import {
  built,
  doseFault,
  freeLine,
  leaveAngle,
  lump,
  pointAlong,
  reachOf,
  RelationReader,
  sideOf,
  sideShares,
} from './common.ts';
import { clumpOpacity } from './fibres.ts';
import type { FreeLine, PartForm } from './forms.ts';
import type { BuiltPart, ConstructionModule, Ground, MeasuredOn } from './types.ts';

type Bundle = PartOf<'bundle'>;

const DEFAULT_BY_ROLE: Readonly<Record<string, string>> = {
  flash: 'flash',
  legs: 'rubber leg',
  wing: 'fox hair',
  underwing: 'fox hair',
  overwing: 'fox hair',
};

export function bundleMaterial(part: Bundle, drawers: Drawers): Matched<BundleMaterial> | null {
  const usual =
    drawers.bundles.find((item) => item.name === (DEFAULT_BY_ROLE[part.role] ?? 'marabou')) ?? drawers.bundles[0];
  return usual ? matchKind(drawers.bundles, part.material, bundleKind(part.material), usual) : null;
}

function measure(part: Bundle, path: string, bench: MeasuredOn): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const at = reader.required(reader.place('at'), 'at', 'bend');
  reader.either('length', 'tip', '1.2 shank');
  const [length, tip, buttsTo] = [reader.length('length'), reader.place('tip'), reader.place('buttsTo')];
  reader.length('pinch');
  const amounts = [part.pinch, part.strands, part.dose].filter((given) => given !== undefined).length;
  if (amounts === 0) reader.fault('pinch', 'missing', 'is missing; write "pinch", "strands" or "dose"');
  if (amounts > 1) reader.fault('dose', 'contradiction', 'pinch, strands and dose exclude each other; keep one');
  doseFault(reader, part.dose);
  const angle = leaveAngle(part, ANGLES[part.role] ?? 0, path, reader.faults);
  if (!at || reader.faults.length > 0) return bad(...reader.faults);
  const reach = reachOf(bench.platform, sideOf(part), angle);
  return good({
    shape: 'free',
    id: part.id,
    role: part.role,
    path,
    at,
    boundAt: [],
    buttsTo,
    length,
    tip,
    // On the wire's bend nothing lies forward.
    reach: liesForward(part) ? () => -reach(0) : reach,
    lengths: reader.lengths,
    places: reader.places,
  });
}

/** Pinch of the whole clump in mm: as given, from a dose, or from a count of strands at the material's packing. */
function pinchOf(part: Bundle, extent: PartExtent, material: BundleMaterial): number {
  if (part.strands !== undefined)
    return Math.sqrt((part.strands * material.strandMm2 * 4) / (Math.PI * material.packing));
  return extent.lengths['pinch']?.mm ?? DOSES[part.dose?.toLowerCase() ?? '']?.pinchMm ?? 0;
}

/** Wet fibres draw into locks of some sixteen, as broad as four of them: a quarter of their cover stays. Judgement. */
const CLUMP = 0.25;

/** Tips to the front: a lip of hair over the eye, feelers, a wing that is folded back later. */
const liesForward = ({ toward }: Bundle): boolean => toward === 'front';

interface Clump {
  readonly line: FreeLine;
  readonly pinchMm: number;
  readonly solidMm2: number;
  readonly half: number;
  readonly side: { y: number; z: number };
}

function freeSection(id: string, clump: Clump, m: BundleMaterial): Section {
  const { line, half, solidMm2 } = clump;
  const [tanV, tanH] = [Math.tan((m.spreadV * Math.PI) / 180), Math.tan((m.spreadH * Math.PI) / 180)];
  const endMm = line.root[0] + line.along[0] * line.lengthMm;
  return section({
    owner: id,
    fromMm: Math.min(line.root[0], endMm),
    toMm: Math.max(line.root[0], endMm),
    softness: m.softness,
    root: [line.root],
    leastSemiMm: half,
    at: (x, out) => {
      const mm = (x - line.root[0]) / line.along[0];
      const [, y, z] = pointAlong(line, mm);
      const off = Math.abs(x - line.root[0]);
      const semiY = half + off * tanH;
      const semiZ = half + off * tanV;
      const local = solidMm2 * Math.max(0, 1 - (2 * (1 - m.taper) * mm) / line.lengthMm);
      setEllipse(out, y, z, semiY, semiZ, clumpOpacity(local, m.fibreMm, m.clump ?? CLUMP, { semiY, semiZ }));
    },
  });
}

/** How level the tips are drawn: stacked or cut ones even, torn or staggered ones ragged, natural ones as the material grows. */
function levelOf(part: Bundle): number {
  if (part.stacked === true || part.ends === 'even' || part.ends === 'cut') return 1;
  return part.ends === 'staggered' || part.ends === 'torn' ? -1 : 0;
}

type BundleForm = Extract<PartForm, { kind: 'bundle' }>;

const formOf = (part: Bundle, clump: Clump, m: BundleMaterial): Omit<BundleForm, 'strands' | 'bound'> => ({
  kind: 'bundle',
  manner: m.manner,
  line: clump.line,
  pinchMm: 2 * clump.half,
  squeezedMm: clump.pinchMm,
  spreadV: m.spreadV,
  spreadH: m.spreadH,
  taper: m.taper,
  softness: m.softness,
  tint: tintOf(part.colour, m.colour),
  fibreMm: m.fibreMm,
  level: levelOf(part),
});

/** The centre line of a clump's free end. */
function lineOf(
  part: Bundle,
  { endMm, roundMm, lengthMm }: PartExtent,
  { platform }: Ground,
  { side, stand, angle }: { readonly side: { y: number; z: number }; readonly stand: number; readonly angle: number },
): FreeLine {
  const forward = liesForward(part);
  return freeLine(platform, side, endMm, forward ? 0 : roundMm, stand, angle, lengthMm, forward);
}

function build(part: Bundle, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const match = bundleMaterial(part, ground.drawers);
  if (!match)
    return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no hair, plume or strands' });
  const { item: m, name, note } = match;
  const faults: Fault[] = [];
  const angle = leaveAngle(part, ANGLES[part.role] ?? 0, path, faults);
  const pinch = pinchOf(part, extent, m);
  const notes = note === null ? [] : [note];
  if (pinch <= 0 || extent.lengthMm <= 0)
    return good(
      built(part, [name, m.name], {
        notes: [...notes, 'has no length or no pinch, so it weighs nothing and is not drawn'],
      }),
    );
  const lumps: SolidLump[] = [];
  const sections: Section[] = [];
  const forms: PartForm[] = [];
  for (const side of sideShares(sideOf(part))) {
    const pinchMm = pinch * Math.sqrt(side.share);
    // Tubing keeps its hollow; a clump is drawn together until only its packing is left.
    const half = m.manner === 'tubing' ? pinchMm / 2 : (pinchMm * Math.sqrt(m.packing)) / 2;
    const stand = side.y === 0 && side.z === 0 ? 0 : ground.radiusUnder(extent.endMm) + half;
    const line = lineOf(part, extent, ground, { side, stand, angle });
    const clump: Clump = { line, pinchMm, half, side, solidMm2: m.packing * (Math.PI / 4) * pinchMm ** 2 };
    const volume = clump.solidMm2 * extent.lengthMm * m.taper;
    lumps.push(
      lump(volume * m.density, volume, pointAlong(line, (extent.lengthMm * (4 * m.taper - 1)) / (6 * m.taper))),
    );
    sections.push(freeSection(part.id, clump, m));
    const bound = boundButts(part.id, { semiMm: half, side, solidMm2: clump.solidMm2, ...m }, extent, ground);
    if (bound) {
      lumps.push(bound.lump);
      sections.push(bound.section);
    }
    const strands = part.strands === undefined ? clump.solidMm2 / m.strandMm2 : part.strands * side.share;
    forms.push(
      { ...formOf(part, clump, m), strands: Math.round(strands), bound: bound?.path ?? [] },
      ...supportForms(part.support, line, 2 * half),
    );
  }
  const massMg = lumps.reduce((sum, each) => sum + each.massMg, 0);
  return good(built(part, [name, m.name], { lumps, sections, forms, notes, waterMg: massMg * m.water }));
}

/** Hair, plume, flash and legs tied in as a clump that tapers and spreads. Amounts and angles: docs/model.md. */
/** How limp a clump is by its manner. Judgement. */
const MANNER_LIMP: Readonly<Record<string, number>> = { plume: 0.7, hair: 0.4, strand: 0.4, leg: 0.4, tubing: 0.3 };

const limp: ConstructionModule<'bundle'>['limp'] = ({ built }, drawers) => {
  const manner = drawers.bundles.find((each) => each.name === built.figuredAs)?.manner ?? 'hair';
  return MANNER_LIMP[manner] ?? null;
};

export const bundle: ConstructionModule<'bundle'> = {
  construction: 'bundle',
  measure,
  build,
  rank: () => 10,
  traits: { ...NONE, free: true, butts: true },
  limp: limp,
  cutMm: (piece) => boundMm(piece) + piece.extent.lengthMm + HOLD.fibresMm,
};

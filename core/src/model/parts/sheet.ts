import { NONE } from './traits.ts';
import { matchMaterial, type Matched, type SheetMaterial, tintOf, HOLD } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Vec3 } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { measuredSpan, built, BUTTS_NOTE, FOLD_RANK, lump, RelationReader, sideOf, sideShares } from './common.ts';
import { padPieces, SQUARE, type Flat } from './pads.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Sheet = PartOf<'sheet'>;
type Away = ReturnType<typeof sideShares>[number];
const SLICES = 40;
/** A pad lifts off what it lies on by so much a mm, some 6 degrees (judgement). */
const PAD_RISE = 0.1;
const GLOSS_FROM_OPACITY = 1;

function materialOf(part: Sheet, drawers: Drawers): Matched<SheetMaterial> | null {
  const usual = drawers.sheets.find((item) => item.name === 'case film') ?? drawers.sheets[0];
  return usual ? matchMaterial(drawers.sheets, part.material, usual) : null;
}

function measure(part: Sheet, path: string): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const from = reader.required(reader.place('from'), 'from', 'head');
  const to = reader.required(reader.place('to'), 'to', 'station 5');
  reader.required(reader.length('width'), 'width', '4 mm');
  reader.length('thickness');
  reader.length('pads');
  if (part.padCut !== undefined && part.pads === undefined)
    reader.fault(
      'padCut',
      'contradiction',
      'says how pads are cut; write how long they are in "pads" too, or leave it out',
    );
  reader.place('buttsTo');
  if (part.pads !== undefined && part.doubled === true)
    reader.fault('pads', 'contradiction', 'are the ends of a single fold; leave "pads" or "doubled" out');
  if (!from || !to || reader.faults.length > 0) return bad(...reader.faults);
  return good(measuredSpan(part, path, reader, { from, to }));
}

interface Piece {
  readonly owner: string;
  readonly ground: Ground;
  readonly m: SheetMaterial;
  readonly widthMm: number;
  readonly thickMm: number;
  readonly tint: string;
}

/** Where along the shank it lies, how far off the axis, and how it is cut. mm */
interface Lie {
  readonly fromMm: number;
  readonly toMm: number;
  readonly standMm: (x: number) => number;
  readonly flat: Flat;
}

/** One piece laid along one side of what is tied in already. */
function layOver(piece: Piece, away: Away, { fromMm, toMm, standMm, flat }: Lie) {
  const { owner, ground, m, widthMm, thickMm, tint } = piece;
  const { axisZ } = ground.platform;
  const lengthMm = toMm - fromMm;
  const level = away.z !== 0;
  const widthAt = (x: number): number => widthMm * flat.slice(toMm - x).breadth;
  const centre = (x: number): Vec3 => {
    const stand = standMm(x);
    const aside = widthMm * flat.slice(toMm - x).off;
    return [x, away.y * stand + (level ? aside : 0), axisZ(x) + away.z * stand + (level ? 0 : aside)];
  };
  let [x, y, z, all] = [0, 0, 0, 0];
  for (let i = 0; i < SLICES; i++) {
    const at = centre(fromMm + ((i + 0.5) / SLICES) * lengthMm);
    const weight = widthAt(at[0]);
    x += weight * at[0];
    y += weight * at[1];
    z += weight * at[2];
    all += weight;
  }
  const volume = flat.areaMm2(widthMm, lengthMm) * thickMm;
  return {
    lump: lump(volume * m.density, volume, [x / all, y / all, z / all]),
    section: section({
      owner,
      fromMm,
      toMm,
      softness: m.softness,
      leastSemiMm: thickMm / 2,
      at: (at, out) => {
        const [, cy, cz] = centre(at);
        const broad = widthAt(at) / 2;
        setEllipse(out, cy, cz, level ? broad : thickMm / 2, level ? thickMm / 2 : broad, m.opacity);
      },
    }),
    form: {
      kind: 'sheet' as const,
      fromMm,
      toMm,
      side: [away.y, away.z] as const,
      widthMm,
      widthAt,
      thickMm,
      centreMm: centre,
      gloss: m.opacity >= GLOSS_FROM_OPACITY ? 0.7 : 0.3,
      opacity: m.opacity,
      tint,
    },
  };
}

/** What is left long behind the binding that finishes a fold: laid back over the fold, or on over the body behind it. */
function padLies(part: Sheet, extent: PartExtent, { ground, widthMm, thickMm }: Piece): Lie[] {
  const lengthMm = extent.lengths['pads']?.mm ?? 0;
  if (lengthMm <= 0) return [];
  const fromMm = part.first === 'front' ? extent.endMm : extent.startMm;
  const overMm = part.first === 'front' ? 0 : thickMm;
  const standMm = (x: number): number =>
    ground.radiusUnder(x) + (x <= extent.endMm ? overMm : 0) + thickMm / 2 + (x - fromMm) * PAD_RISE;
  return padPieces(part.padCut ?? 'square', widthMm, lengthMm).map((flat) => ({
    fromMm,
    toMm: fromMm + lengthMm,
    standMm,
    flat,
  }));
}

/** Layers that one fold of it comes to. */
const foldsOf = ({ doubled }: Sheet): number => (doubled === true ? 2 : 1);

function build(part: Sheet, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const match = materialOf(part, ground.drawers);
  if (!match) return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no sheets' });
  const { item: m, name, note } = match;
  const usual = sideOf(part);
  // What lies flat cannot go round: where the role does, it lies on top.
  const side = part.side === undefined && (usual === 'around' || usual === 'axis') ? 'top' : usual;
  if (side === 'around' || side === 'axis')
    return bad({
      path: `${path}.side`,
      code: 'choice',
      message: `a sheet lies on top, bottom, near, far or both, not "${side}"`,
    });
  const width = extent.lengths['width']?.mm ?? 0;
  const leafMm = extent.lengths['thickness']?.mm ?? m.thicknessMm;
  const notes = [...(note === null ? [] : [note]), ...(part.buttsTo === undefined ? [] : [BUTTS_NOTE])];
  const { startMm, endMm } = extent;
  if (width <= 0 || leafMm <= 0 || endMm <= startMm)
    return good(
      built(part, [name, m.name], {
        notes: [...notes, 'has no span, width or thickness, so it weighs nothing and is not drawn'],
      }),
    );
  if (part.pads !== undefined && startMm < 0)
    return bad({
      path: `${path}.pads`,
      code: 'contradiction',
      message: 'are left behind a fold; a lip that stands out ahead of the eye has none. Leave "pads" out',
    });
  const thickMm = leafMm * foldsOf(part);
  const tint = tintOf(part.colour, m.colour);
  const laid = sideShares(side).flatMap((away) => {
    const leaf: Piece = { owner: part.id, ground, m, thickMm: leafMm, widthMm: width * away.share, tint };
    const standMm = (x: number): number => ground.radiusUnder(x) + thickMm / 2;
    return [
      layOver({ ...leaf, thickMm }, away, { fromMm: startMm, toMm: endMm, standMm, flat: SQUARE }),
      ...padLies(part, extent, leaf).map((lie) => layOver(leaf, away, lie)),
    ];
  });
  const massMg = laid.reduce((sum, each) => sum + each.lump.massMg, 0);
  return good(
    built(part, [name, m.name], {
      lumps: laid.map((each) => each.lump),
      sections: laid.map((each) => each.section),
      forms: laid.map((each) => each.form),
      notes,
      waterMg: massMg * m.water,
    }),
  );
}

/** Wing cases and shell backs: flat goods folded over the body, so much area of such a thickness. */
export const sheet: ConstructionModule<'sheet'> = {
  construction: 'sheet',
  measure,
  build,
  rank: () => FOLD_RANK,
  traits: { ...NONE, ends: true },
  limp: () => null,
  cutMm: ({ file, extent }) =>
    (extent.endMm - extent.startMm) * foldsOf(file) + (extent.lengths['pads']?.mm ?? 0) + HOLD.flatMm,
};

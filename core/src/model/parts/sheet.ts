import { NONE } from './traits.ts';
import { matchMaterial, type Matched, type SheetMaterial, tintOf, HOLD } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Vec3 } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { measuredSpan, built, BUTTS_NOTE, FOLD_RANK, lump, RelationReader, sideOf, sideShares } from './common.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Sheet = PartOf<'sheet'>;
const SLICES = 40;
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
  reader.place('buttsTo');
  if (!from || !to || reader.faults.length > 0) return bad(...reader.faults);
  return good(measuredSpan(part, path, reader, { from, to }));
}

interface Piece {
  readonly owner: string;
  readonly extent: PartExtent;
  readonly ground: Ground;
  readonly m: SheetMaterial;
  readonly widthMm: number;
  readonly thickMm: number;
  readonly tint: string;
}

/** One piece laid along one side of what is tied in already. */
function layOver(piece: Piece, away: { y: number; z: number }) {
  const { owner, extent, ground, m, widthMm, thickMm, tint } = piece;
  const { startMm, endMm } = extent;
  const { axisZ } = ground.platform;
  const spanMm = endMm - startMm;
  const stand = (x: number): number => ground.radiusUnder(x) + thickMm / 2;
  const centre = (x: number): Vec3 => [x, away.y * stand(x), axisZ(x) + away.z * stand(x)];
  const flat = away.z !== 0;
  let [y, z] = [0, 0];
  for (let i = 0; i < SLICES; i++) {
    const at = centre(startMm + ((i + 0.5) / SLICES) * spanMm);
    y += at[1] / SLICES;
    z += at[2] / SLICES;
  }
  const volume = widthMm * thickMm * spanMm;
  return {
    lump: lump(volume * m.density, volume, [(startMm + endMm) / 2, y, z]),
    section: section({
      owner,
      fromMm: startMm,
      toMm: endMm,
      softness: m.softness,
      leastSemiMm: thickMm / 2,
      at: (x, out) => {
        const [, cy, cz] = centre(x);
        setEllipse(out, cy, cz, flat ? widthMm / 2 : thickMm / 2, flat ? thickMm / 2 : widthMm / 2, m.opacity);
      },
    }),
    form: {
      kind: 'sheet' as const,
      fromMm: startMm,
      toMm: endMm,
      side: [away.y, away.z] as const,
      widthMm,
      thickMm,
      centreMm: centre,
      gloss: m.opacity >= GLOSS_FROM_OPACITY ? 0.7 : 0.3,
      opacity: m.opacity,
      tint,
    },
  };
}

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
  const { startMm, endMm } = extent;
  const width = extent.lengths['width']?.mm ?? 0;
  const thickMm = (extent.lengths['thickness']?.mm ?? m.thicknessMm) * (part.doubled === true ? 2 : 1);
  const notes = [...(note === null ? [] : [note]), ...(part.buttsTo === undefined ? [] : [BUTTS_NOTE])];
  const spanMm = endMm - startMm;
  if (width <= 0 || thickMm <= 0 || spanMm <= 0)
    return good(
      built(part, [name, m.name], {
        notes: [...notes, 'has no span, width or thickness, so it weighs nothing and is not drawn'],
      }),
    );
  const laid = sideShares(side).map((away) =>
    layOver(
      { owner: part.id, extent, ground, m, thickMm, widthMm: width * away.share, tint: tintOf(part.colour, m.colour) },
      away,
    ),
  );
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
  cutMm: ({ file, extent }) => (extent.endMm - extent.startMm) * (file.doubled === true ? 2 : 1) + HOLD.flatMm,
};

import { NONE } from './traits.ts';
import { matchMaterial, type Matched, type SpunMaterial, tintOf, DOSES, HOLD } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { measuredSpan, built, BUTTS_NOTE, doseFault, HALF_OUT, HEAD_RANK, lump, RelationReader } from './common.ts';
import { coverOf, ringCover, ringEndOn, type Ring } from './fibres.ts';
import type { PartForm } from './forms.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Spun = PartOf<'spun'>;

const SLICES = 48;
/** The dose that packs loosely and the one that packs tight, mm of pinch, and the usual one of a collar. */
const LOOSE_MM = 2;
const TIGHT_MM = 7;
const COLLAR_DOSE = 'half a pencil';
/** Flared hair lies back at this angle; its section falls to 0.6 of itself on average, as of other hair, at a packing of 0.6. */
const FLARE = { deg: 35, taper: 0.6, packing: 0.6, softness: 0.35 } as const;
const FLAT_UNDER_MM = 0.5;

function materialOf(part: Spun, drawers: Drawers): Matched<SpunMaterial> | null {
  const usual = drawers.spun[0];
  return usual ? matchMaterial(drawers.spun, part.material, usual) : null;
}

function measure(part: Spun, path: string): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const from = reader.required(reader.place('from'), 'from', 'eye');
  const to = reader.required(reader.place('to'), 'to', 'station 3');
  reader.length('diameter');
  reader.place('buttsTo');
  const tip = reader.place('tip');
  if (typeof part.flatBelow === 'string') reader.lengthText(part.flatBelow, 'flatBelow');
  if (part.diameter === undefined && part.tip === undefined)
    reader.fault('diameter', 'missing', 'is missing; write "diameter" for a trimmed head, "tip" for a collar, or both');
  doseFault(reader, part.dose);
  if (!from || !to || reader.faults.length > 0) return bad(...reader.faults);
  return good(measuredSpan(part, path, reader, { from, to }, { tip }));
}

/** Share of the envelope the hair displaces: as tight as its dose, tight for a head and loose for a collar where none is said. */
function packingOf(part: Spun, m: SpunMaterial): number {
  const pinch = DOSES[part.dose?.toLowerCase() ?? '']?.pinchMm;
  if (pinch === undefined) return part.role === 'head' || part.tip === undefined ? m.packingTight : m.packingLoose;
  const share = Math.min(1, Math.max(0, (pinch - LOOSE_MM) / (TIGHT_MM - LOOSE_MM)));
  return m.packingLoose + share * (m.packingTight - m.packingLoose);
}

interface Pieces {
  readonly lumps: SolidLump[];
  readonly sections: Section[];
  readonly forms: PartForm[];
}

interface Trim {
  readonly radius: (x: number) => number;
  readonly core: (x: number) => number;
  readonly flatMm: number | null;
  /** Half height and middle above the axis of what is left at x. */
  readonly cut: (x: number) => { z: number; semiZ: number; r: number };
}

/** The contour it is trimmed to: rounded, never below what it stands on, flat below where the file says so. */
function trimOf(part: Spun, { startMm, endMm, lengths }: PartExtent, ground: Ground): Trim {
  const wide = (lengths['diameter']?.mm ?? 0) / 2;
  const [mid, half] = [(startMm + endMm) / 2, Math.max(1e-9, (endMm - startMm) / 2)];
  const core = ground.radiusUnder;
  const radius = (x: number): number =>
    Math.max(core(x), wide * Math.sqrt(Math.max(0, 1 - Math.abs((x - mid) / half) ** ROUNDED)));
  const flatMm =
    part.flatBelow === undefined || part.flatBelow === false
      ? null
      : (lengths['flatBelow']?.mm ?? ground.platform.surfaceMm + FLAT_UNDER_MM);
  const cut = (x: number): { z: number; semiZ: number; r: number } => {
    const r = radius(x);
    const below = flatMm === null ? r : Math.min(r, Math.max(flatMm, core(x)));
    return { r, z: (r - below) / 2, semiZ: (r + below) / 2 };
  };
  return { radius, core, flatMm, cut };
}

/** Volume of the hair with its air, mm³, and the centre of its near half. */
function bulkOf({ cut, core }: Trim, { startMm, endMm }: PartExtent, axisZ: (x: number) => number) {
  let volume = 0;
  const moment = { x: 0, y: 0, z: 0 };
  const dx = (endMm - startMm) / SLICES;
  for (let i = 0; i < SLICES; i++) {
    const x = startMm + (i + 0.5) * dx;
    const { r, z, semiZ } = cut(x);
    const inner = core(x);
    const [whole, hole] = [Math.PI * r * semiZ, Math.PI * inner ** 2];
    const slice = Math.max(0, whole - hole) * dx;
    volume += slice;
    moment.x += slice * x;
    moment.y += HALF_OUT * (whole * r - hole * inner) * dx;
    moment.z += whole * z * dx + slice * axisZ(x);
  }
  return { volume, near: { x: moment.x / volume, y: moment.y / volume, z: moment.z / volume } };
}

/** Hair as two halves: `lean` sets more of it on the near side. */
const halves = (volumeMm3: number, density: number, lean: number, near: { x: number; y: number; z: number }) =>
  ([1, -1] as const).map((share) => {
    const half = (volumeMm3 * (1 + share * lean)) / 2;
    return lump(half * density, half, [near.x, share * near.y, near.z]);
  });

/** Hair trimmed to a rounded contour. */
function trimmed(
  part: Spun,
  extent: PartExtent,
  ground: Ground,
  m: SpunMaterial,
): Pieces & { outer: (x: number) => number } {
  const { startMm, endMm } = extent;
  const { axisZ } = ground.platform;
  const trim = trimOf(part, extent, ground);
  const { volume, near } = bulkOf(trim, extent, axisZ);
  if (volume <= 0) return { lumps: [], sections: [], forms: [], outer: trim.radius };
  const lean = part.lean ?? 0;
  return {
    outer: trim.radius,
    lumps: halves(volume * packingOf(part, m), m.density, lean, near),
    sections: [
      section({
        owner: part.id,
        fromMm: startMm,
        toMm: endMm,
        softness: m.softness,
        at: (x, out) => {
          const { r, z, semiZ } = trim.cut(x);
          setEllipse(out, 0, axisZ(x) + z, r, semiZ, m.opacity);
        },
      }),
    ],
    forms: [
      {
        kind: 'spun',
        fromMm: startMm,
        toMm: endMm,
        radiusMm: trim.radius,
        coreMm: trim.core,
        axisZ,
        flatMm: trim.flatMm,
        lean,
        bands: (part.bands ?? []).map((colour) => tintOf(colour, m.colour)),
        fibreMm: m.fibreMm,
        tint: tintOf(part.colour, m.colour),
      },
    ],
  };
}

/** Roundness of a trimmed head's ends: 2 is an ellipsoid, more is a barrel. */
const ROUNDED = 2.5;

/** The tips left long behind a head, flared round the shank. */
// oxlint-disable-next-line max-lines-per-function -- its cone, mass, section and form: one chain of figures
function flared(part: Spun, extent: PartExtent, ground: Ground, m: SpunMaterial): Pieces {
  const fromMm = extent.endMm;
  const toMm = extent.tipMm ?? fromMm;
  const longMm = toMm - fromMm;
  const pinchMm = DOSES[(part.dose ?? COLLAR_DOSE).toLowerCase()]?.pinchMm ?? 0;
  if (longMm <= 0 || pinchMm <= 0) return { lumps: [], sections: [], forms: [] };
  const { axisZ } = ground.platform;
  const z = axisZ(fromMm);
  const sweep = (FLARE.deg * Math.PI) / 180;
  const hairMm = longMm / Math.cos(sweep);
  const solidMm2 = FLARE.packing * (Math.PI / 4) * pinchMm ** 2;
  const stem = ground.radiusUnder(fromMm);
  const radius = (x: number): number => stem + (x - fromMm) * Math.tan(sweep);
  const volume = solidMm2 * hairMm * FLARE.taper;
  const back = (longMm * (4 * FLARE.taper - 1)) / (6 * FLARE.taper);
  const fibres = solidMm2 / ((Math.PI / 4) * m.fibreMm ** 2);
  const ring: Ring = { fromMm, toMm: fromMm, fibres, fibreMm: m.fibreMm, lengthMm: hairMm, sweep, clump: 1 };
  const cover = ringCover(ring);
  const near = { x: fromMm + back, y: (2 / Math.PI) * radius(fromMm + back), z };
  return {
    lumps: halves(volume, m.density, part.lean ?? 0, near),
    sections: [
      section({
        owner: part.id,
        fromMm,
        toMm,
        softness: FLARE.softness,
        leastSemiMm: stem,
        coreMm: stem,
        endOn: (x) => ringEndOn(ring, radius(x)),
        at: (x, cut) => {
          const r = radius(x);
          setEllipse(cut, 0, z, r, r, coverOf(cover(x), 2 * r));
        },
      }),
    ],
    forms: [
      {
        kind: 'hackle',
        fromMm: fromMm - 0.4,
        toMm: fromMm,
        fibreMm: hairMm,
        sweep,
        stemMm: () => stem,
        axisZ,
        fibres: Math.round(fibres),
        turns: 1,
        half: 0,
        thinEnd: 0,
        tint: tintOf(part.colour, m.colour),
      },
    ],
  };
}

function build(part: Spun, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const match = materialOf(part, ground.drawers);
  if (!match)
    return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no hair that spins' });
  const { item: m, name, note } = match;
  const head = part.diameter === undefined ? null : trimmed(part, extent, ground, m);
  const collar = part.tip === undefined ? null : flared(part, extent, ground, m);
  const all = [head, collar].filter((each) => each !== null);
  const lumps = all.flatMap((each) => each.lumps);
  return good(
    built(part, [name, m.name], {
      lumps,
      sections: all.flatMap((each) => each.sections),
      forms: all.flatMap((each) => each.forms),
      seeThrough: true,
      outer: head && head.lumps.length > 0 ? head.outer : null,
      waterMg: lumps.reduce((sum, each) => sum + each.massMg, 0) * m.water,
      notes: [
        ...(note === null ? [] : [note]),
        ...(part.buttsTo === undefined ? [] : [BUTTS_NOTE]),
        ...(lumps.length === 0
          ? ['is no thicker than what lies under it, or has no length, so it weighs nothing']
          : []),
      ],
    }),
  );
}

/** Hollow hair flared under the thread: a head trimmed round or flat below, a collar of its tips, or both. Figures: docs/model.md. */
export const spun: ConstructionModule<'spun'> = {
  construction: 'spun',
  measure,
  build,
  rank: () => HEAD_RANK,
  traits: { ...NONE, worked: true, ends: true },
  limp: () => null,
  cutMm: ({ extent: { lengths, tipMm, endMm } }) =>
    Math.max(lengths['diameter']?.mm ?? 0, 2 * ((tipMm ?? endMm) - endMm)) + HOLD.spunMm,
};

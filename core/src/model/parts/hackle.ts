import { stemMm } from './cutting.ts';
import { NONE } from './traits.ts';
import {
  matchMaterial,
  type Matched,
  tintOf,
  COLLAR_PITCH_MM,
  type HackleMaterial,
  HOLD,
  TIE_IN,
} from '../../data/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { section, setEllipse, type Section, type Vec3 } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { built, BUTTS_NOTE, lump, RelationReader } from './common.ts';
import { coverOf, FIBRE_TAPER, ringCover, ringEndOn, type Ring } from './fibres.ts';
import type { BuiltPart, ConstructionModule, Ground, MeasuredOn } from './types.ts';

type Hackle = PartOf<'hackle'>;

const KERATIN = 1.31;
/** Stem 0.05 mg/mm. Water as for feathers. */
const STEM_MG_MM = 0.05;
const WATER = 0.6;
const PALMER_PITCH_MM = 2.5;
const COLLAR_TURNS = 3;

/** Angle of the fibres from the shank in water, radians: stiff ones stand at 70°, soft ones lie back to 30°. */
export const sweepOf = (softness: number): number => (Math.min(70, Math.max(30, 90 - 60 * softness)) * Math.PI) / 180;

function materialOf(part: Hackle, drawers: Drawers): Matched<HackleMaterial> | null {
  const usual =
    drawers.hackles.find((item) => item.name === (part.style === 'palmer' ? 'saddle' : 'hen')) ?? drawers.hackles[0];
  return usual ? matchMaterial(drawers.hackles, part.material, usual) : null;
}

/** Which half of the circle a hackle fills: 0 all of it, −1 below, 1 above. */
const halfOf = (part: Hackle): -1 | 0 | 1 => (part.style !== 'throat' ? 0 : part.side === 'top' ? 1 : -1);

/** The end of a palmered hackle whose fibres are drawn shorter, as feathers are toward their tip: −1 the front, 1 the rear. */
function thinEndOf(part: Hackle, extent: PartExtent): -1 | 1 {
  const begins = (extent.readings['from']?.mm ?? 0) <= (extent.readings['to']?.mm ?? 0) ? -1 : 1;
  // One that starts in front is tied in by its butt, one that starts behind by its tip, unless the file says otherwise.
  const by = part.by ?? (begins === -1 ? 'base' : 'tip');
  return by === 'base' ? (begins === 1 ? -1 : 1) : begins;
}

const turnsOf = (part: Hackle, spanMm: number): number =>
  part.turns ?? (part.from === undefined ? COLLAR_TURNS : Math.max(1, Math.round(spanMm / PALMER_PITCH_MM)));

function measure(part: Hackle, path: string, bench: MeasuredOn): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  if (part.style === 'throat' && part.from !== undefined)
    reader.fault('from', 'contradiction', 'a throat is wound at one place; write "at", or make it a palmer');
  const palmer = part.style === 'palmer' || part.from !== undefined;
  const at = palmer
    ? reader.required(reader.place('from'), 'from', 'bend')
    : reader.required(reader.place('at'), 'at', 'head');
  const to = palmer ? reader.required(reader.place('to'), 'to', 'body.front') : null;
  if (palmer && part.at !== undefined)
    reader.fault('at', 'contradiction', 'a palmered hackle has "from" and "to", not "at"');
  reader.either('fibre', 'tip', '1.2 gap');
  const [fibre, tip] = [reader.length('fibre'), reader.place('tip')];
  reader.place('buttsTo');
  const material = materialOf(part, bench.drawers);
  if (!at || !material || reader.faults.length > 0) return bad(...reader.faults);
  const reach = Math.cos(sweepOf(material.item.softness));
  return good({
    shape: 'fibres',
    id: part.id,
    role: part.role,
    path,
    at,
    to,
    widthMm: palmer ? 0 : turnsOf(part, 0) * COLLAR_PITCH_MM,
    fibre,
    tip,
    reach: () => reach,
    lengths: reader.lengths,
    places: reader.places,
  });
}

/** A hackle as it stands round the shank: what its mass, its section and its drawing are made of. */
interface Standing {
  readonly ring: Ring;
  /** Radius of what it is wound on at x, and of its fibres' tips over it. */
  readonly stemAt: (x: number) => number;
  readonly radiusAt: (x: number) => number;
  readonly half: -1 | 0 | 1;
}

function standing(part: Hackle, extent: PartExtent, ground: Ground, m: HackleMaterial, fibres: number): Standing {
  const { startMm, endMm, lengthMm } = extent;
  const sweep = sweepOf(m.softness);
  const [back, outward] = [lengthMm * Math.cos(sweep), lengthMm * Math.sin(sweep)];
  const core = ground.meanDiameterUnder(startMm, endMm);
  // A collar's turns stand on one another; each ring of a palmer stands on what is under it.
  const stemAt = (x: number): number => (part.from === undefined ? core / 2 : ground.radiusUnder(Math.min(x, endMm)));
  const radiusAt = (x: number): number => stemAt(x) + outward * Math.min(1, (x - startMm) / back);
  const ring: Ring = {
    fromMm: startMm,
    toMm: endMm,
    fibres,
    fibreMm: m.fibreMm,
    lengthMm,
    sweep,
    clump: m.clump ?? 1,
  };
  return { ring, stemAt, radiusAt, half: halfOf(part) };
}

/** Its section: across, by the fibres that cross each station; along, as a ring of all of them. */
function ringSection(
  part: Hackle,
  { ring, stemAt, radiusAt, half }: Standing,
  softness: number,
  axisZ: (x: number) => number,
): Section {
  const { fromMm, toMm, lengthMm, sweep } = ring;
  const cover = ringCover(ring);
  // Half a circle is seen as a whole one from one side and as half from the other: its cover goes by the mean of both.
  const [arc, broad] = half === 0 ? [2 * Math.PI, 2] : [Math.PI, 1.5];
  return section({
    owner: part.id,
    fromMm,
    toMm: toMm + lengthMm * Math.cos(sweep),
    softness,
    leastSemiMm: stemAt((fromMm + toMm) / 2),
    coreMm: stemAt((fromMm + toMm) / 2),
    endOn: (x) => ringEndOn(ring, radiusAt(x), arc),
    at: (x, cut) => {
      const r = radiusAt(x);
      setEllipse(
        cut,
        0,
        axisZ(Math.min(x, toMm)) + (half * r) / 2,
        r,
        half === 0 ? r : r / 2,
        coverOf(cover(x), broad * r),
      );
    },
  });
}

/** Where the fibres weigh: so much of their length back and out. A throat's are all drawn to one side: half a circle, its middle 2/π of a radius out. */
function fibreMiddle({ ring, stemAt, half }: Standing, axisZ: (x: number) => number): Vec3 {
  const mid = (ring.fromMm + ring.toMm) / 2;
  const along = FIBRE_TAPER.middle * ring.lengthMm;
  const out = half * (2 / Math.PI) * (stemAt(mid) + along * Math.sin(ring.sweep));
  return [mid + along * Math.cos(ring.sweep), 0, axisZ(mid) + out];
}

// oxlint-disable-next-line max-lines-per-function -- what is missing is asked first; the rest is one literal
function build(part: Hackle, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const match = materialOf(part, ground.drawers);
  if (!match) return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold no hackles' });
  const { item: m, name, note } = match;
  const { startMm, endMm, lengthMm } = extent;
  const span = endMm - startMm;
  const turns = turnsOf(part, span);
  const feathers = part.feathers ?? 1;
  const fibres = turns * m.fibresPerTurn * feathers;
  const notes = [
    ...(note === null ? [] : [note]),
    ...(part.turns === undefined ? [`turns not given: counted as ${String(turns)}`] : []),
    ...(part.buttsTo === undefined ? [] : [BUTTS_NOTE]),
  ];
  if (fibres === 0 || lengthMm <= 0)
    return good(
      built(part, [name, m.name], {
        turns,
        notes: [...notes, 'has no turns or no fibre length, so it weighs nothing'],
      }),
    );
  const stands = standing(part, extent, ground, m, fibres);
  const mid = (startMm + endMm) / 2;
  const { axisZ } = ground.platform;
  const core = ground.meanDiameterUnder(startMm, endMm);
  const fibreMg = fibres * lengthMm * (Math.PI / 4) * m.fibreMm ** 2 * FIBRE_TAPER.mean * KERATIN;
  const stemMg = feathers * turns * Math.hypot(Math.PI * core, span / Math.max(1, turns)) * STEM_MG_MM;
  return good(
    built(part, [name, m.name], {
      turns,
      notes,
      seeThrough: true,
      waterMg: (fibreMg + stemMg) * WATER,
      lumps: [
        lump(fibreMg, fibreMg / KERATIN, fibreMiddle(stands, axisZ)),
        lump(stemMg, stemMg / KERATIN, [mid, 0, axisZ(mid)]),
      ],
      sections: [ringSection(part, stands, m.softness, axisZ)],
      forms: [
        {
          kind: 'hackle',
          fromMm: startMm,
          toMm: endMm,
          fibreMm: lengthMm,
          sweep: stands.ring.sweep,
          stemMm: stands.stemAt,
          axisZ,
          fibres,
          turns,
          half: stands.half,
          thinEnd: part.style === 'palmer' || part.from !== undefined ? thinEndOf(part, extent) : 0,
          tint: tintOf(part.colour, m.colour),
        },
      ],
    }),
  );
}

/** Collars and palmered hackles: fibres standing round the shank, swept back by the water as they are soft. */
export const hackle: ConstructionModule<'hackle'> = {
  construction: 'hackle',
  measure,
  build,
  rank: (part) => (part.from === undefined ? 5 : 4),
  traits: { ...NONE, worked: true, strand: true, ends: true },
  limp: () => null,
  cutMm: (piece) => stemMm(piece) + TIE_IN.lengthMm + HOLD.hackleMm,
};

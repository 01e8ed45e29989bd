import { helixLength } from './helix.ts';
import { windingOf } from './cutting.ts';
import { NONE } from './traits.ts';
import {
  matchMaterial,
  type WoundMaterial,
  solidNamed,
  solidNames,
  type Solid,
  tintOf,
  HOLD,
  TIE_IN,
} from '../../data/index.ts';
import { named, type WeightItem } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Section } from '../platform/section.ts';
import { bad, good, type Outcome, suggestion } from '../../base/index.ts';
import { measuredSpan, built, BUTTS_NOTE, HEAD_RANK, lump, RelationReader } from './common.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Wrap = PartOf<'wrap'>;

function measure(part: Wrap, path: string): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const [from, to] = [reader.place('from'), reader.place('to')];
  reader.required(from, 'from', 'bend');
  const strand = reader.length('strand');
  const pitch = reader.length('pitch');
  reader.length('diameter');
  reader.place('buttsTo');
  part.profile?.forEach((text, i) => reader.lengthText(text, `profile[${String(i)}]`));
  const thickness = [part.strand, part.diameter, part.profile].filter((given) => given !== undefined).length;
  if (thickness === 0) reader.fault('strand', 'missing', 'is missing; write "strand", "diameter" or "profile"');
  if (thickness > 1)
    reader.fault('diameter', 'contradiction', 'strand, diameter and profile exclude each other; keep one');
  if (part.to === undefined && part.turns === undefined)
    reader.fault('to', 'missing', 'is missing; write where the span ends, or how many turns it has');
  if (part.to !== undefined && part.turns !== undefined && part.pitch !== undefined)
    reader.fault('pitch', 'contradiction', 'span, turns and pitch are one too many; keep two');
  if (part.to === undefined && !pitch && !strand)
    reader.fault('to', 'missing', 'is missing: without a strand or a pitch turns have no length');
  if (!from || reader.faults.length > 0) return bad(...reader.faults);
  return good(measuredSpan(part, path, reader, { from, to }, { turns: part.turns ?? null, pitch: pitch ?? strand }));
}

interface Strand {
  readonly name: string;
  readonly density: number;
  readonly solid: number;
  readonly opacity: number;
  readonly softness: number;
  readonly water: number;
  readonly manner: WoundMaterial['manner'] | 'wire';
  readonly tint: string;
  readonly note: string | null;
}

/** The drawer's wire of a name. */
function wireNamed(word: string, ground: Ground): WeightItem | null {
  const item = named(ground.drawers.weights, word);
  return item?.form === 'wire' ? item : null;
}

/** mm of wire that are weighed at once. */
const WEIGHED_MM = 100;

/** Density of a wire as 100 mm of it were weighed, else its metal's. */
const wireDensity = (item: WeightItem, metal: Solid): number =>
  item.massMg === undefined ? metal.density : item.massMg / ((Math.PI / 4) * item.diameterMm ** 2 * WEIGHED_MM);

/** What is wound: a metal by its alias, a wound material by name or nearest words. Weight wire must be a known metal. */
function strandOf(part: Wrap, ground: Ground, path: string): Outcome<Strand> {
  const wire = part.material === undefined ? null : wireNamed(part.material, ground);
  const metal = wire ? solidNamed(wire.material) : part.material === undefined ? null : solidNamed(part.material);
  if (metal)
    return good({
      name: metal.name,
      density: wire ? wireDensity(wire, metal) : metal.density,
      solid: 1,
      opacity: 1,
      softness: 0,
      water: 0,
      manner: 'wire',
      tint: tintOf(part.colour, metal.tint),
      note: null,
    });
  if (part.role === 'underbody' && (part.material === undefined || /wire|weight/i.test(part.material))) {
    const word = part.material ?? '';
    return bad({
      path: `${path}.material`,
      code: 'material',
      message:
        word === ''
          ? 'is missing; weight wire needs its metal, such as "lead-free wire"'
          : `"${word}" is no metal the tables know${suggestion(word, solidNames())}; one of ${solidNames().join(', ')}`,
    });
  }
  const usual =
    ground.drawers.wound.find((item) => item.name === (part.role === 'rib' ? 'oval tinsel' : 'tight dubbing')) ??
    ground.drawers.wound[0];
  if (!usual)
    return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold nothing that is wound' });
  const { item, note } = matchMaterial(ground.drawers.wound, part.material, usual);
  return good({ ...item, tint: tintOf(part.colour, item.colour), note });
}

interface Wound {
  readonly part: Wrap;
  readonly extent: PartExtent;
  readonly strand: Strand;
  readonly axisZ: (x: number) => number;
  /** Mean radius of what lies under it. */
  readonly coreMm: number;
  /** Radius over it at x. */
  readonly outer: (x: number) => number;
}

const skinSection = (
  { part, extent, strand, axisZ, outer, coreMm }: Wound,
  leastSemiMm: number,
  cover: number,
): Section =>
  section({
    owner: part.id,
    fromMm: extent.startMm,
    toMm: extent.endMm,
    softness: strand.softness,
    leastSemiMm,
    coreMm,
    at: (x, out) => {
      const r = outer(x);
      setEllipse(out, 0, axisZ(x), r, r, cover);
    },
  });

const formOf = ({ part, extent, strand, axisZ, outer }: Wound) => ({
  kind: 'wound' as const,
  manner: strand.manner,
  fromMm: extent.startMm,
  toMm: extent.endMm,
  outerMm: outer,
  axisZ,
  counter: part.direction === 'counter',
  tint: strand.tint,
});

/** mm from turn to turn of a body that does not say, for the drawing alone. */
const DRAWN_PITCH_MM = 1.2;

/** Wire, tinsel and other strands in touching or open turns, in one or two layers. */
function buildStrand(part: Wrap, extent: PartExtent, ground: Ground, strand: Strand): BuiltPart {
  const { startMm, endMm } = extent;
  const w = extent.lengths['strand']?.mm ?? 0;
  const span = endMm - startMm;
  const pitchMm =
    extent.lengths['pitch']?.mm ??
    (part.turns !== undefined && part.turns > 0 && part.to !== undefined ? span / part.turns : w);
  const turns = part.turns !== undefined && part.pitch === undefined ? part.turns : pitchMm > 0 ? span / pitchMm : 0;
  const core = ground.meanDiameterUnder(startMm, endMm);
  const layers = part.layers ?? 1;
  let wireMm = 0;
  for (let layer = 0; layer < layers; layer++) wireMm += helixLength(turns, core + 2 * w * layer, w, pitchMm);
  const volumeMm3 = (Math.PI / 4) * w ** 2 * wireMm * strand.solid;
  const outer = (x: number): number => ground.radiusUnder(x) + w * layers;
  const cover = pitchMm > 0 ? Math.min(1, w / pitchMm) * strand.opacity : 0;
  const { axisZ } = ground.platform;
  const mid = (startMm + endMm) / 2;
  const nothing = w === 0 || turns === 0 || span === 0;
  const wound: Wound = { part, extent, axisZ, strand, outer, coreMm: core / 2 };
  return built(part, strand.name, {
    turns,
    lumps: nothing ? [] : [lump(volumeMm3 * strand.density, volumeMm3, [mid, 0, axisZ(mid)])],
    sections: nothing ? [] : [skinSection(wound, core / 2 + w * layers, cover)],
    waterMg: volumeMm3 * strand.density * strand.water,
    seeThrough: cover < 1,
    skinMm2: cover < 1 ? 0 : Math.PI * (core + 2 * w * layers) * span,
    outer: cover < 0.5 ? null : outer,
    notes: nothing ? ['has no turns or no thickness, so it weighs nothing'] : [],
    forms: nothing ? [] : [{ ...formOf(wound), coreMm: core, turns, strandMm: w }],
  });
}

/** Radius of a wound body at x: one diameter, or three from rear to front joined by straight lines. */
function envelope(extent: PartExtent): (x: number) => number {
  const one = extent.lengths['diameter'];
  if (one) return () => one.mm / 2;
  const [rear, middle, front] = [0, 1, 2].map((i) => (extent.lengths[`profile[${String(i)}]`]?.mm ?? 0) / 2);
  const mid = (extent.startMm + extent.endMm) / 2;
  const half = Math.max(1e-9, (extent.endMm - extent.startMm) / 2);
  return (x) => {
    const t = Math.min(1, Math.abs(x - mid) / half);
    return (middle ?? 0) + t * (((x < mid ? front : rear) ?? 0) - (middle ?? 0));
  };
}

const SLICES = 40;

/** A wound body: the envelope less its core, times the solid share, integrated along x. */
function buildBody(part: Wrap, extent: PartExtent, ground: Ground, strand: Strand): BuiltPart {
  const { startMm, endMm } = extent;
  const radius = envelope(extent);
  const outer = (x: number): number => Math.max(radius(x), ground.radiusUnder(x));
  const dx = (endMm - startMm) / SLICES;
  let volume = 0;
  let moment = 0;
  for (let i = 0; i < SLICES; i++) {
    const x = startMm + (i + 0.5) * dx;
    const slice = Math.PI * Math.max(0, radius(x) ** 2 - ground.radiusUnder(x) ** 2) * dx;
    volume += slice;
    moment += slice * x;
  }
  const { axisZ } = ground.platform;
  const core = ground.meanDiameterUnder(startMm, endMm);
  const wound: Wound = { part, extent, axisZ, strand, outer, coreMm: core / 2 };
  const solidMm3 = volume * strand.solid;
  const massMg = solidMm3 * strand.density;
  const mid = volume > 0 ? moment / volume : (startMm + endMm) / 2;
  const pitchMm = extent.lengths['pitch']?.mm;
  const turns = part.turns ?? (pitchMm !== undefined && pitchMm > 0 ? (endMm - startMm) / pitchMm : null);
  return built(part, strand.name, {
    turns,
    notes: volume > 0 ? [] : ['is no thicker than what lies under it, so it weighs nothing'],
    outer: volume > 0 ? outer : null,
    lumps: volume > 0 ? [lump(massMg, solidMm3, [mid, 0, axisZ(mid)])] : [],
    sections: volume > 0 ? [skinSection(wound, core / 2, strand.opacity)] : [],
    waterMg: massMg * strand.water,
    seeThrough: strand.opacity < 1,
    skinMm2: strand.opacity < 1 ? 0 : 2 * Math.PI * outer(mid) * (endMm - startMm),
    forms:
      volume > 0
        ? [{ ...formOf(wound), coreMm: core, turns: turns ?? (endMm - startMm) / DRAWN_PITCH_MM, strandMm: 0 }]
        : [],
  });
}

function build(part: Wrap, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const strand = strandOf(part, ground, path);
  if (!strand.ok) return strand;
  const wound = part.strand === undefined ? buildBody : buildStrand;
  const made = wound(part, extent, ground, strand.value);
  const told = [strand.value.note, part.buttsTo === undefined ? null : BUTTS_NOTE].filter((note) => note !== null);
  return good({ ...made, notes: [...told, ...made.notes] });
}

/** A wound head goes on last, in the order of the list. */
const RANK: Readonly<Record<string, number>> = { underbody: 1, rib: 3, head: HEAD_RANK };

/** Weight wire, ribs, tinsel and wound bodies. A rib is wound over the body even where it is tied in before it. */
export const wrap: ConstructionModule<'wrap'> = {
  construction: 'wrap',
  measure,
  build,
  rank: (part) => RANK[part.role] ?? 2,
  traits: { ...NONE, worked: true, strand: true, ends: true },
  limp: () => null,
  cutMm: (piece) =>
    (windingOf(piece)?.lengthMm ?? 0) +
    TIE_IN.lengthMm +
    (piece.file.role === 'underbody' ? HOLD.wireMm : HOLD.woundMm),
};

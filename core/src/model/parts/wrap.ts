import { helixLength } from './helix.ts';
import { windingOf } from './cutting.ts';
import { NONE } from './traits.ts';
import { HOLD, THREAD, TIE_IN } from '../../data/index.ts';
import { type MeasuredPart, parseLength, type PartExtent, type PartOf } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump } from '../platform/section.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { measuredSpan, built, BUTTS_NOTE, HEAD_RANK, lump, RelationReader } from './common.ts';
import type { Laid } from './forms.ts';
import { corePitchMm, isFlat, strandOf, type Strand } from './strand.ts';
import type { BuiltPart, ConstructionModule, Ground, MeasuredOn } from './types.ts';

type Wrap = PartOf<'wrap'>;

/** The advance from turn to turn where the file says none: of what stands off a core by that, else the strand's breadth. */
function usualPitch(part: Wrap, strand: Strand | null, reader: RelationReader) {
  const told = reader.length('width') ?? reader.length('strand');
  const apart = strand && (corePitchMm(part, strand) ?? (told ? null : strand.flatMm));
  const read = apart === null ? null : parseLength(`${apart.toFixed(3)} mm`);
  return read?.ok === true ? read.relation : told;
}

function measure(part: Wrap, path: string, bench: MeasuredOn): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const [from, to] = [reader.place('from'), reader.place('to')];
  reader.required(from, 'from', 'bend');
  const pitch = reader.length('pitch');
  for (const key of ['strand', 'width', 'thickness', 'diameter']) reader.length(key);
  reader.place('buttsTo');
  part.profile?.forEach((text, i) => reader.lengthText(text, `profile[${String(i)}]`));
  if (part.with !== undefined && (part.dubbed === 'rope' || part.dubbed === 'touch'))
    reader.fault('dubbed', 'contradiction', 'two furs laid on each other are spun in a loop or in split thread');
  const told = [part.strand ?? part.width, part.diameter, part.profile].filter((given) => given !== undefined).length;
  const read = strandOf(part, bench.drawers, path);
  const strand = read.ok ? read.value : null;
  // What lies flat is as broad as it is sold.
  if (told === 0 && !(strand && isFlat(strand)))
    reader.fault('strand', 'missing', 'is missing; write "strand", "width", "diameter" or "profile"');
  if (part.strand !== undefined && part.width !== undefined)
    reader.fault('width', 'contradiction', 'strand and width both say how broad it is; keep one');
  else if (told > 1 && (part.width === undefined || part.strand !== undefined))
    reader.fault('diameter', 'contradiction', 'strand, diameter and profile exclude each other; keep one');
  if (part.to === undefined && part.turns === undefined)
    reader.fault('to', 'missing', 'is missing; write where the span ends, or how many turns it has');
  if (part.to !== undefined && part.turns !== undefined && part.pitch !== undefined)
    reader.fault('pitch', 'contradiction', 'span, turns and pitch are one too many; keep two');
  const apart = pitch ?? usualPitch(part, strand, reader);
  if (part.to === undefined && !apart)
    reader.fault('to', 'missing', 'is missing: without a strand or a pitch turns have no length');
  if (!from || reader.faults.length > 0) return bad(...reader.faults);
  return good(measuredSpan(part, path, reader, { from, to }, { turns: part.turns ?? null, pitch: apart }));
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

const formOf = ({ part, extent, strand, axisZ, outer }: Wound, laid: Laid | null = null) => ({
  kind: 'wound' as const,
  laid,
  manner: strand.manner,
  fromMm: extent.startMm,
  toMm: extent.endMm,
  outerMm: outer,
  axisZ,
  counter: part.direction === 'counter',
  tint: strand.tint,
  mixedTint: strand.mixedTint,
});

/** mm from turn to turn of a body that does not say, for the drawing alone. */
const DRAWN_PITCH_MM = 1.2;

/** How broad a strand lies and how thick one pass of it is: what is flat is as broad as it is told and thin, all else is round. mm */
function breadthOf({ lengths }: PartExtent, strand: Strand): readonly [breadthMm: number, thickMm: number] {
  const told = lengths['width']?.mm ?? lengths['strand']?.mm;
  if (!isFlat(strand)) return [told ?? 0, lengths['thickness']?.mm ?? told ?? 0];
  const breadth = told ?? strand.flatMm ?? 1;
  return [breadth, Math.min(breadth, lengths['thickness']?.mm ?? strand.thickMm ?? breadth)];
}

/** Solid section of a strand: a circle of its thickness, or its breadth times its thickness where it is flat. mm² */
const sectionOf = (breadthMm: number, thickMm: number): number =>
  breadthMm > thickMm ? breadthMm * thickMm : (Math.PI / 4) * breadthMm ** 2;

/** Wire, tinsel and other strands in touching or open turns, in one or two layers. */
function buildStrand(part: Wrap, extent: PartExtent, ground: Ground, strand: Strand): BuiltPart {
  const { startMm, endMm } = extent;
  const [w, thickMm] = breadthOf(extent, strand);
  const span = endMm - startMm;
  const pitchMm =
    extent.lengths['pitch']?.mm ??
    (part.turns !== undefined && part.turns > 0 && part.to !== undefined ? span / part.turns : w);
  const turns =
    part.turns !== undefined && part.pitch === undefined
      ? part.turns
      : pitchMm > 0 && span > 0
        ? Math.max(1, span / pitchMm)
        : 0;
  const core = ground.meanDiameterUnder(startMm, endMm);
  const layers = part.layers ?? 1;
  let strandMm = 0;
  for (let layer = 0; layer < layers; layer++)
    strandMm += helixLength(turns, core + 2 * thickMm * layer, thickMm, pitchMm);
  const volumeMm3 = sectionOf(w, thickMm) * strandMm * strand.solid;
  const outer = (x: number): number => ground.radiusUnder(x) + thickMm * layers;
  const cover = pitchMm > 0 ? Math.min(1, w / pitchMm) * strand.opacity : 0;
  const { axisZ } = ground.platform;
  const mid = (startMm + endMm) / 2;
  const nothing = w === 0 || turns === 0 || span === 0;
  const wound: Wound = { part, extent, axisZ, strand, outer, coreMm: core / 2 };
  return built(part, [strand.name, strand.figuredAs], {
    turns,
    lumps: nothing ? [] : [lump(volumeMm3 * strand.density, volumeMm3, [mid, 0, axisZ(mid)])],
    sections: nothing ? [] : [skinSection(wound, core / 2 + thickMm * layers, cover)],
    waterMg: volumeMm3 * strand.density * strand.water,
    seeThrough: cover < 1,
    skinMm2: cover < 1 ? 0 : Math.PI * (core + 2 * thickMm * layers) * span,
    outer: cover < 0.5 ? null : outer,
    notes: nothing ? ['has no turns or no thickness, so it weighs nothing'] : [],
    forms: nothing ? [] : [{ ...formOf(wound), coreMm: core, turns, strandMm: w, thickMm }],
  });
}

/**
 * Radius of a wound body at x: one diameter, or three from rear to front joined by straight lines; of what stands off a core and is told by
 * the reach of its fibres, that over what lies under it.
 */
function envelope({ lengths, startMm, endMm }: PartExtent, ground: Ground, strand: Strand): (x: number) => number {
  const one = lengths['diameter'];
  if (one) return () => one.mm / 2;
  const across = lengths['strand'];
  if (across) return (x) => ground.radiusUnder(x) + ((strand.coreMm ?? 0) + across.mm) / 2;
  const [rear, middle, front] = [0, 1, 2].map((i) => (lengths[`profile[${String(i)}]`]?.mm ?? 0) / 2);
  const mid = (startMm + endMm) / 2;
  const half = Math.max(1e-9, (endMm - startMm) / 2);
  return (x) => {
    const t = Math.min(1, Math.abs(x - mid) / half);
    return (middle ?? 0) + t * (((x < mid ? front : rear) ?? 0) - (middle ?? 0));
  };
}

/** How a strand makes a body of an outline; null for a rope, which is twisted as thick as it takes. What lies flat goes on thread, in as many layers as are told. */
function laidAs(part: Wrap, extent: PartExtent, strand: Strand): Laid | null {
  const pitchMm = extent.lengths['pitch']?.mm ?? corePitchMm(part, strand);
  if (strand.coreMm !== null && pitchMm !== null) return { by: 'core', coreMm: strand.coreMm, pitchMm };
  if (strand.flatMm === null && !isFlat(strand)) return null;
  const [breadthMm, flat] = breadthOf(extent, strand);
  if (!isFlat(strand))
    return { by: 'passes', breadthMm: strand.flatMm ?? breadthMm, thickMm: strand.thickMm ?? flat, passes: null };
  return { by: 'passes', breadthMm, thickMm: flat, passes: part.layers ?? 1 };
}

/** Matter in an envelope, mm³ and mg: its share of it; by the metre, where a metre of it is known; a skin on thread, of what lies flat. */
function matterIn(
  envelopeMm3: number,
  { strand, laid, skinMm2, lengthMm }: { strand: Strand; laid: Laid | null; skinMm2: number; lengthMm: number },
): { readonly volumeMm3: number; readonly massMg: number } {
  if (strand.gPerM !== null && laid?.by === 'core') {
    const massMg = strand.gPerM * lengthMm;
    return { massMg, volumeMm3: massMg / strand.density };
  }
  if (laid?.by === 'passes' && laid.passes !== null) {
    const skin = Math.min(envelopeMm3, skinMm2 * laid.thickMm * laid.passes) * strand.solid;
    const thread = Math.max(0, envelopeMm3 - skin / strand.solid) * THREAD.solid;
    return { massMg: skin * strand.density + thread * THREAD.density, volumeMm3: skin + thread };
  }
  return { massMg: envelopeMm3 * strand.solid * strand.density, volumeMm3: envelopeMm3 * strand.solid };
}

const SLICES = 40;

/** A wound body: the envelope less its core, times the solid share, integrated along x. */
function buildBody(part: Wrap, extent: PartExtent, ground: Ground, strand: Strand): BuiltPart {
  const { startMm, endMm } = extent;
  const span = endMm - startMm;
  const radius = envelope(extent, ground, strand);
  const outer = (x: number): number => Math.max(radius(x), ground.radiusUnder(x));
  const dx = span / SLICES;
  let [volume, moment] = [0, 0];
  for (let i = 0; i < SLICES; i++) {
    const x = startMm + (i + 0.5) * dx;
    const slice = Math.PI * Math.max(0, radius(x) ** 2 - ground.radiusUnder(x) ** 2) * dx;
    volume += slice;
    moment += slice * x;
  }
  const { axisZ } = ground.platform;
  const core = ground.meanDiameterUnder(startMm, endMm);
  const wound: Wound = { part, extent, axisZ, strand, outer, coreMm: core / 2 };
  const laid = laidAs(part, extent, strand);
  const pitchMm = extent.lengths['pitch']?.mm ?? (laid?.by === 'core' ? laid.pitchMm : undefined);
  const turns = part.turns ?? (pitchMm !== undefined && pitchMm > 0 && span > 0 ? Math.max(1, span / pitchMm) : null);
  const lengthMm = laid?.by === 'core' && turns !== null ? helixLength(turns, core, laid.coreMm, span / turns) : 0;
  const mid = volume > 0 ? moment / volume : (startMm + endMm) / 2;
  const skinMm2 = 2 * Math.PI * outer(mid) * span;
  const { massMg, volumeMm3 } = matterIn(volume, { strand, laid, skinMm2, lengthMm });
  const lumps: SolidLump[] = volume > 0 ? [lump(massMg, volumeMm3, [mid, 0, axisZ(mid)])] : [];
  return built(part, [strand.name, strand.figuredAs], {
    turns,
    notes: volume > 0 ? [] : ['is no thicker than what lies under it, so it weighs nothing'],
    outer: volume > 0 ? outer : null,
    lumps,
    sections: volume > 0 ? [skinSection(wound, core / 2, strand.opacity)] : [],
    waterMg: massMg * strand.water,
    seeThrough: strand.opacity < 1,
    skinMm2: strand.opacity < 1 ? 0 : skinMm2,
    forms:
      volume > 0
        ? [{ ...formOf(wound, laid), coreMm: core, turns: turns ?? span / DRAWN_PITCH_MM, strandMm: 0, thickMm: 0 }]
        : [],
  });
}

function build(part: Wrap, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const strand = strandOf(part, ground.drawers, path);
  if (!strand.ok) return strand;
  const outlined = part.diameter !== undefined || part.profile !== undefined || strand.value.coreMm !== null;
  const wound = outlined ? buildBody : buildStrand;
  const made = wound(part, extent, ground, strand.value);
  const told = [strand.value.note, part.buttsTo === undefined ? null : BUTTS_NOTE].filter((note) => note !== null);
  return good({ ...made, notes: [...told, ...made.notes] });
}

/** A wound head goes on last, in the order of the list. */
const RANK: Readonly<Record<string, number>> = { underbody: 1, rib: 3, head: HEAD_RANK };

const TWISTED: ReadonlySet<string> = new Set(['dubbing', 'thread']);

/** Weight wire, ribs, tinsel and wound bodies. A rib is wound over the body even where it is tied in before it. */
export const wrap: ConstructionModule<'wrap'> = {
  construction: 'wrap',
  measure,
  build,
  rank: (part) => RANK[part.role] ?? 2,
  traits: { ...NONE, worked: true, strand: true, ends: true },
  limp: () => null,
  // What is twisted onto the thread is not cut.
  cutMm: (piece) =>
    piece.built.forms.some((form) => form.kind === 'wound' && TWISTED.has(form.manner))
      ? null
      : (windingOf(piece)?.lengthMm ?? 0) +
        TIE_IN.lengthMm +
        (piece.file.role === 'underbody' ? HOLD.wireMm : HOLD.woundMm),
};

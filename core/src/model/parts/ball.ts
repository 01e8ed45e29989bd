import { NONE } from './traits.ts';
import {
  solidIn,
  solidNamed,
  solidNames,
  solidWords,
  type Solid,
  tintOf,
  BORE_OF_BEAD,
  CONE,
} from '../../data/index.ts';
import { named, type WeightItem } from '../../drawers/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import type { Vec3 } from '../platform/section.ts';
import { bad, good, type Fault, type Outcome, suggestion } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';
import { SHAPES, STALK, type BallBody, type BallSize, type OwnKey } from './ballShapes.ts';
import { built, leaveAngle, lump, RelationReader } from './common.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Ball = PartOf<'ball'>;
const LENGTHS = ['bore', 'front', 'length', 'stalk'] as const;

/** What to say of a key that this shape does not take. */
const WHOSE: Readonly<Record<OwnKey, string>> = {
  bore: 'only a bead or cone has a bore',
  front: "is a cone's",
  length: "is a cone's",
  faces: "is a dumbbell's",
  stalk: 'is for eyes on stalks',
  angle: 'is for eyes on stalks',
  toward: 'is for eyes on stalks',
};

function measure(part: Ball, path: string): Outcome<MeasuredPart> {
  const reader = new RelationReader(part, path);
  const { keys } = SHAPES[part.shape];
  for (const key of Object.keys(WHOSE) as OwnKey[])
    if (part[key] !== undefined && !keys.includes(key))
      reader.fault(key, 'contradiction', `${WHOSE[key]}; a ${part.shape} has none`);
  const at = reader.required(reader.place('at'), 'at', 'station 2');
  const diameter = reader.length('diameter');
  for (const key of ['bore', 'front', 'stalk'] as const) reader.length(key);
  const length = reader.length('length');
  if (!at || !diameter || reader.faults.length > 0) return bad(...reader.faults);
  return good({
    shape: 'ball',
    id: part.id,
    role: part.role,
    path,
    at,
    diameter,
    along: length,
    alongOfDiameter: part.shape === 'cone' ? CONE.lengthOfDiameter : part.shape === 'stalked' ? STALK.neck : 1,
    lengths: reader.lengths,
    places: reader.places,
  });
}

/** What a slot leaves of a bead. Judgement: it is as wide as the bore and reaches half through. */
const SLOTTED_SHARE = 0.85;

/** Eyes and beads nobody weighed may be so much less than the solid they are reckoned as: flat faces, bores, voids. Judgement. */
const LEAST_SHARE: Readonly<Partial<Record<Ball['shape'], number>>> = {
  dumbbell: 0.6,
  bead: 0.6,
  cone: 0.6,
  'bead-chain': 0.6,
};

const USUAL_SOLID: Readonly<Partial<Record<Ball['shape'], string>>> = {
  plastic: 'plastic',
  stalked: 'plastic',
  disc: 'film',
};

/** The drawer's item that a ball names as its material, where it is of that shape. */
function itemOf(part: Ball, ground: Ground): WeightItem | null {
  const item = part.material === undefined ? null : named(ground.drawers.weights, part.material);
  return item?.form === part.shape ? item : null;
}

/** What the tier calls what it is of, without its size and shape. */
const calledAs = (part: Ball, item: WeightItem | null): string =>
  solidWords(item?.material ?? part.material ?? USUAL_SOLID[part.shape] ?? 'brass');

function solidOf(part: Ball, item: WeightItem | null, path: string): Outcome<Solid> {
  const word = item?.material ?? part.material ?? USUAL_SOLID[part.shape] ?? 'brass';
  const solid = solidNamed(word) ?? solidIn(word);
  return solid
    ? good(solid)
    : bad({
        path: `${path}.material`,
        code: 'material',
        message: `"${word}" is no solid the tables know${suggestion(word, solidNames())}; metals are matched by name only: ${solidNames().join(', ')}`,
      });
}

/** The bore, front and length of a ball, or what is impossible about them. */
function sizeOf(
  part: Ball,
  item: WeightItem | null,
  extent: PartExtent,
  solid: Solid,
  path: string,
): Outcome<BallSize> {
  const diameterMm = extent.lengthMm;
  const given = (key: (typeof LENGTHS)[number], usual: number): number => extent.lengths[key]?.mm ?? usual;
  const bored = SHAPES[part.shape].keys.includes('bore');
  const own = item && isThatSize(item, diameterMm) ? item : null;
  const frontMm = given('front', own?.frontMm ?? CONE.frontOfDiameter * diameterMm);
  const usualBore = own?.boreMm ?? BORE_OF_BEAD * diameterMm;
  const boreMm = bored ? given('bore', part.shape === 'cone' ? Math.min(usualBore, 0.8 * frontMm) : usualBore) : 0;
  const faults: Fault[] = [];
  const narrowest = part.shape === 'cone' ? Math.min(frontMm, diameterMm) : diameterMm;
  if (boreMm >= narrowest && diameterMm > 0)
    faults.push({
      path: `${path}.bore`,
      code: 'range',
      message: `the bore (${boreMm.toFixed(1)} mm) is as wide as the ${part.shape === 'cone' ? "cone's front" : 'bead'}`,
    });
  const angleRad = leaveAngle(part, STALK.deg, path, faults);
  const stalkMm = part.shape === 'stalked' ? given('stalk', STALK.lengthOfDiameter * diameterMm) : 0;
  const size: BallSize = {
    diameterMm,
    boreMm,
    frontMm,
    lengthMm: extent.endMm - extent.startMm,
    domed: solid.name === 'resin',
    faces: part.faces ?? 'round',
    stalk: {
      rearMm: (part.toward === 'front' ? -1 : 1) * Math.cos(angleRad) * stalkMm,
      asideMm: Math.sin(angleRad) * stalkMm,
    },
  };
  return faults.length > 0 ? bad(...faults) : good(size);
}

/** mm from the axis to a ball's own: a pair of eyes rests with its neck on the thread bed. */
function heightOf(part: Ball, diameterMm: number, ground: Ground): number {
  const { neck } = SHAPES[part.shape];
  if (neck === null || part.side === 'axis' || part.side === 'around') return 0;
  const stand = ground.platform.surfaceMm + ground.bedMm + (neck * diameterMm) / 2;
  return part.side === 'bottom' ? -stand : stand;
}

/** 0.5 to 1.2 of the computed mass is what drilling, flattening and plating make of a ball; more or less is another ball. */
const LIKELY = { least: 0.5, most: 1.2 };

/** Diameters this near to the drawer's are the same piece. */
const SAME_SIZE = 0.02;

const isThatSize = (item: WeightItem, diameterMm: number): boolean =>
  Math.abs(diameterMm / item.diameterMm - 1) <= SAME_SIZE;

/** The mass as the file weighs it, else as the drawer does for a piece of that size. */
function weighedMass(part: Ball, item: WeightItem | null, diameterMm: number, path: string): Outcome<number | null> {
  if (part.mass === undefined)
    return good(item?.massMg !== undefined && isThatSize(item, diameterMm) ? item.massMg : null);
  const read = parseQuantity('mass', part.mass);
  if (!read.ok) return bad({ path: `${path}.mass`, code: read.code, message: read.message });
  return read.value > 0
    ? good(read.value)
    : bad({ path: `${path}.mass`, code: 'range', message: 'a weighed mass is above zero' });
}

/** What of a drawer's item was taken, and what was not. */
function drawerNotes(item: WeightItem, diameterMm: number): string[] {
  if (!isThatSize(item, diameterMm))
    return [
      `"${item.name}" is ${item.diameterMm.toFixed(1)} mm across in the drawer; at this size its mass is computed`,
    ];
  return item.massMg === undefined
    ? []
    : [`weighed in the drawer${item.massN === undefined ? '' : ` (${String(item.massN)} of them)`}`];
}

/** @param share of the computed mass that it was weighed at */
const likelyNotes = (share: number, { name }: Solid): string[] =>
  share >= LIKELY.least && share <= LIKELY.most
    ? []
    : [`weighed at ${share.toFixed(2)} of what ${name} this size would weigh; is it another metal, or more pieces?`];

const sidesOf = (side: Ball['side']): readonly number[] => (side === 'near' ? [1] : side === 'far' ? [-1] : [1, -1]);

function misplacedOf({ shape, side }: Ball, path: string): Fault | null {
  const { sides } = SHAPES[shape];
  if (side === undefined || sides.includes(side)) return null;
  const choices = sides.join(', ').replace(/, (\w+)$/, ' or $1');
  return { path: `${path}.side`, code: 'choice', message: `a ${shape} sits ${choices}, not "${side}"` };
}

// oxlint-disable-next-line max-lines-per-function -- what can be wrong is asked first; the rest is one literal
function build(part: Ball, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const rule = SHAPES[part.shape];
  const item = itemOf(part, ground);
  const [solid, weighed] = [solidOf(part, item, path), weighedMass(part, item, extent.lengthMm, path)];
  if (!solid.ok) return solid;
  if (!weighed.ok) return weighed;
  const misplaced = misplacedOf(part, path);
  if (misplaced) return bad(misplaced);
  const size = sizeOf(part, item, extent, solid.value, path);
  if (!size.ok) return size;
  const { diameterMm } = size.value;
  if (diameterMm === 0)
    return good(
      built(part, [calledAs(part, item), solid.value.name], { notes: ['has no diameter, so it weighs nothing'] }),
    );
  const x = (extent.startMm + extent.endMm) / 2;
  const centre: Vec3 = [x, 0, heightOf(part, diameterMm, ground) + ground.platform.axisZ(x)];
  const sides = part.shape === 'disc' ? sidesOf(part.side) : [];
  const under = part.shape === 'disc' ? ground.radiusUnder(x) : 0;
  const body = rule.body(part.id, centre, size.value, sides, under);
  const volumeMm3 = body.pieces.reduce((sum, piece) => sum + piece.volumeMm3, 0);
  // The metal a slot takes away; its room is the water's.
  const cut = part.slotted === true && weighed.value === null ? SLOTTED_SHARE : 1;
  const massMg = weighed.value ?? volumeMm3 * solid.value.density * cut;
  const share = massMg / (volumeMm3 * solid.value.density);
  const centroid = middleOf(body.pieces, volumeMm3);
  const round = part.shape === 'bead' || part.shape === 'cone';
  return good(
    built(part, [calledAs(part, item), solid.value.name], {
      lumps: body.pieces.map((piece) =>
        lump((massMg * piece.volumeMm3) / volumeMm3, piece.volumeMm3 * cut, piece.centroid),
      ),
      notes: [
        ...(item ? drawerNotes(item, diameterMm) : []),
        ...(weighed.value === null ? [] : likelyNotes(share, solid.value)),
      ],
      sections: body.sections,
      skinMm2: body.skinMm2,
      // Discs are glued over what is finished; nothing is tied on eyes that sit beside the shank.
      outer: round ? surfaceOf(part.shape, size.value, centre[0]) : null,
      ball:
        part.shape === 'disc'
          ? null
          : {
              sided: rule.neck !== null && centre[2] !== 0,
              weighed: weighed.value !== null,
              leastShare: LEAST_SHARE[part.shape] ?? 1,
              density: solid.value.density,
              centroid,
              volumeMm3,
            },
      forms: [
        {
          kind: 'ball',
          shape: part.shape,
          centre,
          ...size.value,
          neckMm: (rule.neck ?? 0) * diameterMm,
          sides,
          underMm: under,
          rollRad: 0,
          tint: tintOf(part.colour, solid.value.tint),
        },
      ],
    }),
  );
}

/** Where pieces of one metal have their weight together. */
const middleOf = (pieces: BallBody['pieces'], volumeMm3: number): Vec3 => {
  const at = (axis: 0 | 1 | 2): number =>
    pieces.reduce((sum, piece) => sum + (piece.volumeMm3 / volumeMm3) * piece.centroid[axis], 0);
  return [at(0), at(1), at(2)];
};

/** Radius of a threaded ball at x, for what is glued on it. */
function surfaceOf(shape: Ball['shape'], size: BallSize, centreX: number): (x: number) => number {
  const { diameterMm, frontMm, lengthMm } = size;
  if (shape === 'cone')
    return (x) => (frontMm + (diameterMm - frontMm) * ((x - centreX) / Math.max(1e-9, lengthMm) + 0.5)) / 2;
  return (x) => Math.sqrt(Math.max(0, (diameterMm / 2) ** 2 - (x - centreX) ** 2));
}

/** Beads, cones, dumbbells, bead chain, plastic eyes and discs. Sources: solid geometry; densities from the table of solids. */
export const ball: ConstructionModule<'ball'> = {
  construction: 'ball',
  measure,
  build,
  rank: () => 10,
  traits: { ...NONE, ends: true },
  limp: () => null,
  cutMm: () => null,
};

import { SOLIDS, solidNamed, type Solid } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { MM_PER_32, SIZES_32, sizeText, freeId, withKey } from '../../edit/index.ts';
import type { Part, PartOf, FlyFile } from '../../pattern/index.ts';
import { layFly, type LaidFly, type LaidPart } from '../../model/index.ts';
import type { Wish } from './wishes.ts';

type Shape = 'dumbbell' | 'bead-chain' | 'bead' | 'cone';
const SIDED: ReadonlySet<Shape> = new Set(['dumbbell', 'bead-chain']);
const SHAPES: readonly Shape[] = ['dumbbell', 'bead-chain', 'bead', 'cone'];
const METALS: readonly string[] = ['lead', 'tin alloy', 'tungsten alloy', 'brass', 'stainless', 'aluminium'];
/** Bead chain is rolled from sheet, which not every metal is. */
const CHAIN_METALS: readonly string[] = ['brass', 'stainless'];
/** Balls larger than this share of the gap close it. */
const MOST_OF_GAP: Readonly<Record<Shape, number>> = { dumbbell: 0.75, 'bead-chain': 0.75, bead: 0.9, cone: 0.9 };
const STATIONS = [1.5, 2, 2.5, 3, 3.5] as const;
/** Turns of weight wire more or fewer than there are. */
const TURNS = [-6, -4, -2, 0, 2, 4, 6, 8, 10] as const;
/** Turns of wire for a fly that has none, tied in where it is asked for. */
const NEW_TURNS = [0, 2, 4, 6, 8, 10, 12, 14, 16] as const;
const REFERENCE_TURNS = 8;
const EYES = 'eyes';
const NEW_WIRE = { id: 'weight', role: 'underbody', construction: 'wrap', from: 'station 4' } as const;

/** A wire that may be wound under the body: its material as a file names it, and its thickness as it is written. */
export interface Wire {
  readonly material: string;
  readonly strand: string;
}
/** Weight wire is sold in these thicknesses. */
const STRANDS = ['.015 in', '.020 in', '.025 in', '.030 in'] as const;
const SOLD_WIRE = { plain: 'lead-free wire', lead: 'lead wire' } as const;

/** A weight that might be tied in, and its wire. */
export interface Candidate {
  readonly shape: Shape;
  readonly material: string;
  readonly solid: Solid;
  readonly diameterMm: number;
  readonly side: 'top' | 'bottom' | null;
  readonly station: number | null;
  /** Turns of the weight wire in all, 0 for none, and what it is of. */
  readonly turns: number;
  readonly wire: Wire | null;
  readonly ballMg: number;
  readonly form: Form;
}

/** A form and size as it sits on the fly: its volume and height, and what the rest of the fly brings around it. mm³, mm, mg, mg·mm. */
export interface Form {
  readonly volumeMm3: number;
  readonly z: number;
  readonly restMg: number;
  readonly restDryMg: number;
  readonly restMoment: number;
  readonly lateral: number;
  /** Turns of wire that are in what the rest brings; one turn of it under water, and dry. */
  readonly turns: number;
  readonly turnMg: number;
  readonly turnDryMg: number;
}

/** The ball whose place is filled anew: the heaviest there is. */
export const ballOf = (laid: LaidFly): LaidPart | null =>
  laid.parts.filter((part) => part.built.ball).sort((a, b) => b.massMg - a.massMg)[0] ?? null;

const wireOf = (laid: LaidFly): LaidPart | null =>
  laid.parts.find(({ file }) => file.construction === 'wrap' && file.role === 'underbody' && (file.turns ?? 0) > 0) ??
  null;

/** Turns of the weight wire there is, null where there is none. */
function turnsNow(laid: LaidFly): number | null {
  const wire = wireOf(laid)?.file;
  return wire?.construction === 'wrap' ? (wire.turns ?? null) : null;
}

/** The fly's own wire, and the others that may be taken: from the drawer, or every thickness that is sold. */
function wiresOf(laid: LaidFly, drawers: Drawers, wish: Wish): Wire[] {
  const file = wireOf(laid)?.file;
  const own =
    file?.construction === 'wrap' && file.material !== undefined && file.strand !== undefined
      ? [{ material: file.material, strand: file.strand }]
      : [];
  const drawn = drawers.weights
    .filter((item) => item.form === 'wire' && item.discontinued !== true)
    .filter((item) => {
      const solid = solidNamed(item.material);
      return HEAVY.has(solid?.name ?? '') && (wish.lead || !solid?.lead);
    })
    .map((item): Wire => ({ material: item.name, strand: `${String(item.diameterMm)} mm` }));
  const sold = STRANDS.flatMap((strand): Wire[] => [
    { material: SOLD_WIRE.plain, strand },
    ...(wish.lead ? [{ material: SOLD_WIRE.lead, strand }] : []),
  ]);
  const others = wish.from === 'drawer' ? drawn : sold;
  return [...own, ...others.filter((each) => each.material !== own[0]?.material || each.strand !== own[0].strand)];
}

/** Wires that are wound on for their weight; copper and the like are ribs. */
const HEAVY: ReadonlySet<string> = new Set(['lead', 'tin alloy', 'tungsten alloy']);

/** A wire part with other turns, of another wire where one is given. */
function wound(part: Part, turns: number, wire: Wire | null): Part {
  const turned = withKey(part, 'turns', Math.max(1, turns));
  return wire === null ? turned : withKey(withKey(turned, 'material', wire.material), 'strand', wire.strand);
}

/** The fly with a ball of another form, size, metal and place, and other turns of wire. */
export function withCandidate(
  laid: LaidFly,
  { shape, material, diameterMm, side, station, turns, wire: of }: Omit<Candidate, 'solid' | 'ballMg' | 'form'>,
): FlyFile {
  const now = ballOf(laid)?.file as PartOf<'ball'> | undefined;
  const wire = wireOf(laid)?.file.id;
  const at =
    station === null ? (now && !SIDED.has(now.shape as Shape) ? now.at : 'against eye') : `station ${String(station)}`;
  const ball = {
    id: now?.id ?? EYES,
    role: now?.role ?? (SIDED.has(shape) ? 'eyes' : 'bead'),
    construction: 'ball',
    shape,
    material,
    diameter: sizeText(diameterMm),
    at,
    ...(side === null ? {} : { side }),
    ...(now?.colour === undefined ? {} : { colour: now.colour }),
  } as const satisfies PartOf<'ball'>;
  const parts = laid.file.parts.map((part): Part => {
    if (part.id === now?.id) return ball;
    return part.id === wire ? wound(part, turns, of) : part;
  });
  const tied = now ? parts : [ball, ...parts];
  if (wire !== undefined || turns === 0 || of === null) return { ...laid.file, parts: tied };
  return {
    ...laid.file,
    parts: [
      ...tied.slice(0, 1),
      { ...NEW_WIRE, ...of, id: freeId(laid.file, NEW_WIRE.id, NEW_WIRE.role), turns },
      ...tied.slice(1),
    ],
  };
}

interface Bought {
  readonly material: string;
  readonly solid: Solid;
  readonly diameterMm: number;
  readonly weighedMg: number | null;
}

/** The weights of a form that may be taken: from the drawer, or every metal in every size it is sold in. */
function bought(shape: Shape, drawers: Drawers, wish: Wish): Bought[] {
  const allowed = (solid: Solid): boolean => wish.lead || !solid.lead;
  if (wish.from === 'drawer')
    return drawers.weights
      .filter((item) => item.form === shape && item.discontinued !== true)
      .flatMap((item): Bought[] => {
        const solid = solidNamed(item.material);
        return solid && allowed(solid)
          ? [{ material: item.name, solid, diameterMm: item.diameterMm, weighedMg: item.massMg ?? null }]
          : [];
      });
  const metals = shape === 'bead-chain' ? CHAIN_METALS : METALS;
  return SOLIDS.filter((solid) => metals.includes(solid.name) && allowed(solid)).flatMap((solid) =>
    SIZES_32.map((size): Bought => ({ material: solid.name, solid, diameterMm: size * MM_PER_32, weighedMg: null })),
  );
}

/** Lays a form and size on the fly once, so that every metal and number of turns of it can be reckoned. */
function formOf(
  laid: LaidFly,
  shape: Shape,
  diameterMm: number,
  side: Candidate['side'],
  wire: Wire | null,
  drawers: Drawers,
): Form | null {
  const station = side === null ? null : 2;
  const turns = turnsNow(laid) ?? REFERENCE_TURNS;
  const file = withCandidate(laid, { shape, material: 'brass', diameterMm, side, station, turns, wire });
  const tied = layFly(file, drawers);
  if (!tied.ok) return null;
  const fly = tied.value;
  const ball = fly.parts.find((part) => part.built.ball && part.file.id === (ballOf(laid)?.file.id ?? EYES));
  if (!ball) return null;
  const lever = ball.centroid[2] - fly.platform.towPoint[2];
  const wireTied = wireOf(fly);
  return {
    turns: wireTied ? turns : 0,
    volumeMm3: ball.volumeMm3,
    z: ball.centroid[2],
    restMg: fly.submergedMg - ball.submergedMg,
    restDryMg: fly.dryMg - ball.massMg,
    restMoment: fly.tight.momentMgMm - ball.submergedMg * lever,
    lateral: fly.tight.lateralMgMm,
    turnMg: wireTied ? wireTied.submergedMg / turns : 0,
    turnDryMg: wireTied ? wireTied.massMg / turns : 0,
  };
}

/** A wire and so many turns of it. */
interface Winding {
  readonly wire: Wire | null;
  readonly turns: number;
}

/** Every wire with every number of turns; none of it at all is one winding. */
function windingsOf(laid: LaidFly, drawers: Drawers, wish: Wish): Winding[] {
  const now = turnsNow(laid);
  const wires = wiresOf(laid, drawers, wish);
  if (now !== null)
    return (wires.length > 0 ? wires : [null]).flatMap((wire) =>
      TURNS.map((more) => ({ wire, turns: now + more })).filter(({ turns }) => turns >= 1),
    );
  const some = NEW_TURNS.filter((turns) => turns > 0);
  return [{ wire: wires[0] ?? null, turns: 0 }, ...wires.flatMap((wire) => some.map((turns) => ({ wire, turns })))];
}

/** Every ball, size, metal, side and station, each with every wire that may be wound and every number of its turns. */
export function candidatesOf(laid: LaidFly, drawers: Drawers, wish: Wish): Candidate[] {
  const forms = new Map<string, Form | null>();
  const form = (shape: Shape, diameterMm: number, side: Candidate['side'], wire: Wire | null): Form | null => {
    const key = `${shape} ${diameterMm.toFixed(3)} ${String(side)} ${wire?.material ?? ''} ${wire?.strand ?? ''}`;
    if (!forms.has(key)) forms.set(key, formOf(laid, shape, diameterMm, side, wire, drawers));
    return forms.get(key) ?? null;
  };
  const windings = windingsOf(laid, drawers, wish);
  const { gapMm } = laid.platform;
  return SHAPES.flatMap((shape) => {
    const sided = SIDED.has(shape);
    const sides = sided ? (['top', 'bottom'] as const) : [null];
    const stations = sided ? STATIONS : [null];
    const most = gapMm === null ? Infinity : MOST_OF_GAP[shape] * gapMm;
    const sizes = bought(shape, drawers, wish).filter((each) => each.diameterMm <= most);
    return sizes.flatMap((each) =>
      sides.flatMap((side) =>
        windings.flatMap(({ wire, turns }) => {
          const sits = form(shape, each.diameterMm, side, wire);
          if (!sits) return [];
          const ballMg = each.weighedMg ?? each.solid.density * sits.volumeMm3;
          return stations.map((station): Candidate => ({
            shape,
            ...each,
            side,
            station,
            turns,
            wire,
            ballMg,
            form: sits,
          }));
        }),
      ),
    );
  });
}

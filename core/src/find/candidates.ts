import { SOLIDS, solidNamed, type Solid } from '../data/solids.ts';
import type { Drawers } from '../drawers/tables.ts';
import { MM_PER_32, SIZES_32, sizeText } from '../edit/swap.ts';
import { freeId } from '../edit/parts.ts';
import { withKey } from '../edit/relations.ts';
import type { Part, PartOf } from '../file/parts.ts';
import type { FlyFile } from '../file/schema.ts';
import { layFly, type LaidFly, type LaidPart } from '../solve/layFly.ts';
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
const NEW_WIRE = {
  id: 'weight',
  role: 'underbody',
  construction: 'wrap',
  material: 'lead-free wire',
  strand: '.020 in',
  from: 'station 4',
} as const;

/** A weight that might be tied in, and its wire. */
export interface Candidate {
  readonly shape: Shape;
  readonly material: string;
  readonly solid: Solid;
  readonly diameterMm: number;
  readonly side: 'top' | 'bottom' | null;
  readonly station: number | null;
  /** Turns of the weight wire in all, 0 for none. */
  readonly turns: number;
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

/** The fly with a ball of another form, size, metal and place, and other turns of wire. */
export function withCandidate(
  laid: LaidFly,
  { shape, material, diameterMm, side, station, turns }: Omit<Candidate, 'solid' | 'ballMg' | 'form'>,
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
    return part.id === wire ? withKey(part, 'turns', Math.max(1, turns)) : part;
  });
  const tied = now ? parts : [ball, ...parts];
  if (wire !== undefined || turns === 0) return { ...laid.file, parts: tied };
  return {
    ...laid.file,
    parts: [
      ...tied.slice(0, 1),
      { ...NEW_WIRE, id: freeId(laid.file, NEW_WIRE.id, NEW_WIRE.role), turns },
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
  drawers: Drawers,
): Form | null {
  const station = side === null ? null : 2;
  const turns = turnsNow(laid) ?? REFERENCE_TURNS;
  const file = withCandidate(laid, { shape, material: 'brass', diameterMm, side, station, turns });
  const tied = layFly(file, drawers);
  if (!tied.ok) return null;
  const fly = tied.value;
  const ball = fly.parts.find((part) => part.built.ball && part.file.id === (ballOf(laid)?.file.id ?? EYES));
  if (!ball) return null;
  const lever = ball.centroid[2] - fly.platform.towPoint[2];
  const wire = wireOf(fly);
  return {
    turns,
    volumeMm3: ball.volumeMm3,
    z: ball.centroid[2],
    restMg: fly.submergedMg - ball.submergedMg,
    restDryMg: fly.dryMg - ball.massMg,
    restMoment: fly.tight.momentMgMm - ball.submergedMg * lever,
    lateral: fly.tight.lateralMgMm,
    turnMg: wire ? wire.submergedMg / turns : 0,
    turnDryMg: wire ? wire.massMg / turns : 0,
  };
}

/** Every ball, size, metal, side and station, each with every number of turns of the fly's weight wire. */
export function candidatesOf(laid: LaidFly, drawers: Drawers, wish: Wish): Candidate[] {
  const forms = new Map<string, Form | null>();
  const form = (shape: Shape, diameterMm: number, side: Candidate['side']): Form | null => {
    const key = `${shape} ${diameterMm.toFixed(3)} ${String(side)}`;
    if (!forms.has(key)) forms.set(key, formOf(laid, shape, diameterMm, side, drawers));
    return forms.get(key) ?? null;
  };
  const now = turnsNow(laid);
  const turnsOf = now === null ? NEW_TURNS : TURNS.map((more) => now + more).filter((turns) => turns >= 1);
  const { gapMm } = laid.platform;
  return SHAPES.flatMap((shape) => {
    const sided = SIDED.has(shape);
    const sides = sided ? (['top', 'bottom'] as const) : [null];
    const stations = sided ? STATIONS : [null];
    const most = gapMm === null ? Infinity : MOST_OF_GAP[shape] * gapMm;
    const sizes = bought(shape, drawers, wish).filter((each) => each.diameterMm <= most);
    return sizes.flatMap((each) =>
      sides.flatMap((side) => {
        const sits = form(shape, each.diameterMm, side);
        if (!sits) return [];
        const ballMg = each.weighedMg ?? each.solid.density * sits.volumeMm3;
        return stations.flatMap((station) =>
          turnsOf.map((turns): Candidate => ({ shape, ...each, side, station, turns, ballMg, form: sits })),
        );
      }),
    );
  });
}

import { NOMINAL } from '../../data/index.ts';
import type { PlatformFile } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';
import { bendCurve, shankArc, type BendName } from './bends.ts';
import { atLength, lengthTo, line, pointsOf, type Curve, type Vec2 } from './curve.ts';
import { eyeDirection, eyeLoop, ringAt, type Ring } from './eye.ts';
import { hookSize, type HookSize } from './hookSize.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from './section.ts';
import { bendLimbs, heightAlong, runLimb, type Limb } from './slices.ts';
import { inPlane, limbSection, pipe, sweptLump, UPRIGHT_PLANE, type BendPlane } from './sweep.ts';
import type { WireRun } from './types.ts';

/** A hook's description, by itself or behind a tube or shank. */
export type AnyHook =
  | Omit<Extract<PlatformFile, { kind: 'single' }>, 'headSpace'>
  | Omit<Extract<PlatformFile, { kind: 'double' }>, 'headSpace'>
  | Omit<Extract<PlatformFile, { kind: 'jig' }>, 'headSpace'>;

/** A hook by itself, weighed and cut; x = 0 at the rear of its eye. mm, mg */
export interface HookBuild {
  readonly size: HookSize;
  readonly lumps: readonly SolidLump[];
  readonly sections: readonly Section[];
  readonly wires: readonly WireRun[];
  readonly skinMm2: number;
  readonly eye: Vec3;
  readonly frontMm: number;
  readonly pointMm: number;
  readonly barbMm: number;
  readonly rearMm: number;
  readonly alongWire: (mm: number) => { readonly x: number; readonly z: number; readonly slope: number };
  readonly axisZ: (x: number) => number;
}

/** The wire ahead of the bend: shank, and the bent leg of a jig; with the ring at its front. */
interface Front {
  readonly curves: readonly Curve[];
  readonly sections: readonly Section[];
  readonly points: readonly Vec2[];
  readonly ring: Ring;
  readonly axisZ: (x: number) => number;
}

const FINE = 24;

function straightFront({ shankMm, wireMm }: HookSize, file: AnyHook, plane: BendPlane): Front {
  return {
    curves: [line([0, 0], [shankMm, 0])],
    sections: [pipe(wireMm / 2, 0, shankMm, 0, plane)],
    points: [[0, 0]],
    ring: ringAt(wireMm, eyeDirection(file.eye)),
    axisZ: () => 0,
  };
}

/** The arc of a continuous curve. */
function arcFront({ shankMm, wireMm }: HookSize, file: AnyHook): Front {
  const { curve } = shankArc(shankMm);
  const height = heightAlong(curve);
  return {
    curves: [curve],
    sections: [limbSection(runLimb(curve, wireMm), UPRIGHT_PLANE)],
    points: pointsOf(curve, FINE).slice(0, -1),
    ring: ringAt(wireMm, eyeDirection(file.eye)),
    axisZ: (x) => (x <= 0 ? 0 : height(x)),
  };
}

const JIG_LEG_OF_SHANK = 0.15;

/** A jig's leg, bent toward the point side in front of the knee; the ring lies on along it. */
function jigFront({ shankMm, wireMm }: HookSize, bendUpDeg: number): Front {
  const [phi, leg] = [(bendUpDeg * Math.PI) / 180, JIG_LEG_OF_SHANK * shankMm];
  const knee: Vec2 = [leg * Math.cos(phi), 0];
  const end: Vec2 = [0, -leg * Math.sin(phi)];
  const upright = knee[0] < wireMm / 2;
  const limb = runLimb(line(end, knee), wireMm);
  const legSection = upright
    ? section({
        owner: 'platform',
        fromMm: -wireMm / 2,
        toMm: wireMm / 2,
        at: (x, out) => {
          setEllipse(out, 0, end[1] / 2, Math.sqrt(Math.max(0, (wireMm / 2) ** 2 - x ** 2)), leg / 2);
        },
      })
    : limbSection(limb, UPRIGHT_PLANE);
  return {
    curves: [line(end, knee), line(knee, [shankMm, 0])],
    sections: [legSection, pipe(wireMm / 2, knee[0], shankMm, 0)],
    points: [end, knee],
    ring: ringAt(wireMm, [-Math.cos(phi), -Math.sin(phi)], end),
    axisZ: (x) => (upright || x >= knee[0] ? 0 : end[1] * (1 - Math.max(0, x) / knee[0])),
  };
}

/** The bend, cut and measured once, whichever plane it lies in. */
interface Bend {
  readonly curve: Curve;
  readonly limbs: readonly Limb[];
  readonly points: readonly Vec2[];
}

function bendOf(name: BendName, { shankMm, gapMm, wireMm }: HookSize): Bend {
  const curve = bendCurve(name, shankMm, gapMm + wireMm);
  return { curve, limbs: bendLimbs(curve, wireMm, shankMm), points: pointsOf(curve, FINE) };
}

/** One wire from the eye to the point, in its plane. */
function sideOf(size: HookSize, front: Front, bend: Bend, plane: BendPlane, barb: AnyHook['barb']): Side {
  const { shankMm, gapMm, wireMm } = size;
  const leg = NOMINAL.pointOfGap * gapMm;
  const height = gapMm + wireMm;
  const curves = [...front.curves, bend.curve, line([shankMm, -height], [shankMm - leg, -height])];
  const swept = curves.map((curve) => sweptLump(curve, wireMm, plane));
  const points: Vec2[] = [...front.points, ...bend.points, [shankMm - leg, -height]];
  return {
    lumps: swept.map((piece) => piece.lump),
    lengthMm: swept.reduce((sum, piece) => sum + piece.lengthMm, 0),
    sections: [
      ...front.sections,
      ...bend.limbs.map((limb) => limbSection(limb, plane)),
      pipe(wireMm / 2, shankMm - leg, shankMm, -height, plane),
    ],
    wire: {
      kind: 'hook',
      points: points.map(([x, z]) => inPlane(plane, x, z)),
      diameterMm: wireMm,
      spearMm: leg * NOMINAL.spearOfPoint,
      barb: barb === 'none' ? null : { mm: leg * NOMINAL.barbOfPoint, pinched: barb === 'pinched' },
    },
  };
}

interface Side {
  readonly lumps: readonly SolidLump[];
  readonly lengthMm: number;
  readonly sections: readonly Section[];
  readonly wire: WireRun;
}

/** The t at which a bend runs straight down: it turns back from there. */
function steepestOf(bend: Curve): number {
  let [aft, back] = [0, 1];
  for (let i = 0; i < 50; i++) {
    const mid = (aft + back) / 2;
    if (bend.rate(mid)[0] > 0) aft = mid;
    else back = mid;
  }
  return (aft + back) / 2;
}

/** Where the wire is so far past the bend: along its curve as far as it runs downward. */
function wayRound(bend: Curve): HookBuild['alongWire'] {
  let most: number | null = null;
  return (mm) => {
    most ??= lengthTo(bend, steepestOf(bend));
    const t = mm <= 0 ? 0 : atLength(bend, Math.min(mm, most));
    const [[x, z], [dx, dz]] = [bend.at(t), bend.rate(t)];
    return { x, z: z + 0, slope: Math.atan2(Math.abs(dz), Math.max(0, dx)) };
  };
}

/** Height of the upper limb of a bend at x behind the shank. */
function fallOf({ limbs: [upper, , crown] }: Bend): (x: number) => number {
  return (x) => (upper && x <= upper.toMm ? upper.at(x).z : (crown?.at(Math.min(x, crown.toMm)).z ?? 0));
}

function splayOf(file: AnyHook, path: string): Outcome<number> {
  if (file.kind !== 'double' || file.splay === undefined) return good(NOMINAL.splayDeg);
  const read = parseQuantity('angle', file.splay);
  if (!read.ok) return bad({ path: `${path}.splay`, code: read.code, message: read.message });
  if (read.value <= 0 || read.value >= 180)
    return bad({ path: `${path}.splay`, code: 'range', message: 'the splay lies between 0 and 180 degrees' });
  return good(read.value);
}

/** What cannot go together on one hook. */
function contradictions(file: AnyHook, path: string): Fault[] {
  const fault = (key: string, message: string): Fault[] => [{ path: `${path}.${key}`, code: 'contradiction', message }];
  if (file.kind !== 'single' && file.bend === 'continuous')
    return fault('bend', `a ${file.kind} has a straight shank; a continuous curve is a single`);
  if (file.kind === 'jig' && file.eye !== undefined && file.eye !== 'straight')
    return fault('eye', 'a jig’s eye lies on along its bent leg; leave "eye" out');
  return [];
}

const USUAL_BEND_UP = '60 deg';

function frontOf(file: AnyHook, size: HookSize, plane: BendPlane): Front {
  if (file.kind === 'jig') return jigFront(size, Number.parseFloat(file.bendUp ?? USUAL_BEND_UP));
  return file.bend === 'continuous' ? arcFront(size, file) : straightFront(size, file, plane);
}

/**
 * Builds a hook: wire swept along its centre line, mass and middle by integration, sections its slices.
 * @param path place of its description in the file, for faults
 */
export function buildHook(file: AnyHook, path = 'platform'): Outcome<HookBuild> {
  const [read, splay, wrong] = [hookSize(file, path), splayOf(file, path), contradictions(file, path)];
  if (!read.ok || !splay.ok || wrong.length > 0)
    return bad(...(read.ok ? [] : read.faults), ...(splay.ok ? [] : splay.faults), ...wrong);
  const size = read.value;
  const { shankMm, gapMm, wireMm } = size;
  const bend = bendOf(file.bend ?? 'round', size);
  const half = (splay.value * Math.PI) / 360;
  const planes: readonly BendPlane[] =
    file.kind === 'double'
      ? [
          { turn: half, y: wireMm / 2 },
          { turn: -half, y: -wireMm / 2 },
        ]
      : [UPRIGHT_PLANE];
  const sides = planes.map((plane) => sideOf(size, frontOf(file, size, plane), bend, plane, file.barb));
  const { ring, axisZ } = frontOf(file, size, UPRIGHT_PLANE);
  const loop = file.eye?.startsWith('looped') === true ? eyeLoop(shankMm, wireMm) : null;
  const leg = NOMINAL.pointOfGap * gapMm;
  const behind = fallOf(bend);
  return good({
    size,
    lumps: [...sides.flatMap((side) => side.lumps), ring.lump, ...(loop ? [loop.lump] : [])],
    sections: [...sides.flatMap((side) => side.sections), ...ring.sections, ...(loop ? [loop.section] : [])],
    wires: [...sides.map((side) => side.wire), ring.wire, ...(loop ? [loop.wire] : [])],
    skinMm2: Math.PI * wireMm * (sides.reduce((sum, side) => sum + side.lengthMm, 0) + ring.lengthMm),
    eye: ring.centre,
    frontMm: ring.frontMm,
    pointMm: shankMm - leg,
    barbMm: shankMm - NOMINAL.barbOfPoint * leg,
    rearMm: bend.limbs.at(-1)?.toMm ?? shankMm,
    alongWire: wayRound(bend.curve),
    axisZ: (x) => (x <= shankMm ? axisZ(x) : behind(x)),
  });
}

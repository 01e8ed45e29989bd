import type { PartForm, Vec3 } from '../../model/index.ts';
import { noise } from '../../numeric/index.ts';
import {
  alongLine,
  bandedTints,
  boundLength,
  clamp,
  evenAzimuth,
  Sheaf,
  tintIndex,
  tintsOf,
  type FibreSet,
} from './sheaf.ts';

type Form<K extends PartForm['kind']> = Extract<PartForm, { kind: K }>;

/** How full wound work is at x: nothing at its very ends, all of it a little way in. */
export const endEase = (form: { readonly fromMm: number; readonly toMm: number }, x: number): number =>
  Math.min(1, Math.sqrt(Math.max(0, Math.min(x - form.fromMm, form.toMm - x)) / END_MM));
const END_MM = 0.7;

/** Share of the full length a fibre at quantile q has, so that the bundle's section falls as its taper says. */
const reachAt = (q: number, taper: number): number =>
  q < 2 * taper - 1 || taper >= 1 ? 1 : Math.max(0.12, (1 - q) / (2 * (1 - taper)));

/** Stacked tips end together, torn ones raggedly; the longest still end where the clump was measured to. */
const levelled = (reach: number, level: number, u: number): number =>
  level > 0 ? reach + (1 - reach) * 0.75 : level < 0 ? reach * (1 - 0.25 * u) : reach;

const MANNERS = {
  plume: { most: 460, per: 9, breadth: 0.075, wave: 3.2, bow: 0.55 },
  hair: { most: 340, per: 16, breadth: 0.1, wave: 1.5, bow: 0.5 },
} as const;

/** Share of the clump's fibres that are drawn again along bound butts. */
const BUTT_SHARE = 0.3;

/** The butts of a clump, bound along the shank: fibres that keep their place in the clump from end to end. */
function buttFibres(sheaf: Sheaf, form: Form<'bundle'>, seed: number, count: number, breadthMm: number): void {
  const [front, middle, rear] = [form.bound[0], form.bound[Math.floor(form.bound.length / 2)], form.bound.at(-1)];
  if (!front || !middle || !rear) return;
  for (let i = 0; i < count; i++) {
    const azimuth = 2 * Math.PI * noise(seed, i, 10);
    const out = (form.pinchMm / 2) * Math.sqrt(noise(seed, i, 11));
    const aside = (at: Vec3): Vec3 => [at[0], at[1] + out * Math.cos(azimuth), at[2] + out * Math.sin(azimuth)];
    sheaf.add(aside(rear), aside(middle), aside(front), breadthMm, tintIndex(noise(seed, i, 12)));
  }
}

/**
 * Hair or plume as a clump of tapered fibres whose outermost end on the weighed envelope. At the tie-in the roots
 * draw together toward the shank, as thread pulls them.
 */
export function bundleFibres(form: Form<'bundle'>, seed: number): FibreSet {
  const manner = MANNERS[form.manner === 'plume' ? 'plume' : 'hair'];
  const count = clamp(Math.round(Math.sqrt(form.strands) * manner.per), 40, manner.most);
  const butts = form.bound.length > 0 ? Math.ceil(count * BUTT_SHARE) : 0;
  const { line } = form;
  const half = form.pinchMm / 2;
  const [tanV, tanH] = [Math.tan((form.spreadV * Math.PI) / 180), Math.tan((form.spreadH * Math.PI) / 180)];
  const sheaf = new Sheaf(count + butts);
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const azimuth = 2 * Math.PI * u(0);
    const rho = Math.sqrt(u(1));
    const mm = line.lengthMm * levelled(reachAt(u(2), form.taper), form.level, u(9));
    const put = (along: number, out: number, dy: number, dz: number): Vec3 => {
      const dx = along * line.along[0];
      const open = along > 0 ? Math.abs(dx) : 0;
      return [
        line.root[0] + dx,
        line.root[1] + along * line.along[1] + out * Math.cos(azimuth) * (half + open * tanH) + dy,
        line.root[2] + along * line.along[2] + out * Math.sin(azimuth) * (half + open * tanV) + dz,
      ];
    };
    const tuck = half * u(8);
    const [downY, downZ] = [-line.out[1] * tuck, -line.out[2] * tuck];
    const root = put(-tuck * 0.9, rho * (0.85 - (0.55 * tuck) / half), downY * 0.7, downZ * 0.7);
    const sway = manner.wave * (half + mm * tanV * 0.5);
    const bend = put(mm * (0.4 + 0.2 * u(3)), rho * (1 + manner.bow), sway * (u(4) - 0.5), sway * (u(5) - 0.5));
    sheaf.add(root, bend, put(mm, rho, 0, 0), manner.breadth * (0.8 + 0.4 * u(6)), tintIndex(u(7)));
  }
  if (butts > 0) buttFibres(sheaf, form, seed, butts, manner.breadth);
  return sheaf.take(tintsOf(form.tint, 0.4));
}

const PAST_END = 0.5;
const ASIDE_MM = 1.5;

/** The fur of a strip: short pale underfur and long guard hair lying aft, the last hairs running past the hide's end. */
export function stripFibres(form: Form<'strip'>, seed: number): FibreSet {
  const boundMm = boundLength(form);
  const totalMm = boundMm + form.line.lengthMm;
  const count = clamp(Math.round(totalMm * 22), 240, 1000);
  const [sy, sz] = form.side;
  const sheaf = new Sheaf(count);
  const lastMm = totalMm + PAST_END * form.hairMm;
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const at = totalMm * u(0);
    const under = i % 20 < 9;
    const long = form.hairMm * (under ? 0.3 + 0.2 * u(1) : 0.66 + 0.34 * u(1));
    const run = Math.min(long * 0.93, Math.max(0.6, (lastMm - at) * (0.86 + 0.14 * u(4))));
    const tipMm = at + run;
    const falls = tipMm <= totalMm ? 1 : Math.max(0, 1 - (tipMm - totalMm) / (PAST_END * form.hairMm));
    const rises = Math.min(1, Math.sqrt(Math.max(0, tipMm + 0.05 * form.hairMm) / (0.4 * form.hairMm)));
    const hanging = !under && u(5) < 0.06 ? -0.25 : 1;
    const height = form.pileMm * rises * falls * (under ? 0.55 : 0.55 + 0.45 * Math.sqrt(u(2))) * hanging;
    const across = (u(3) - 0.5) * form.widthAt(Math.min(at, totalMm));
    const splay = (2 * u(3) - 1) * ASIDE_MM * Math.sqrt(rises * falls) * (0.4 + 0.6 * u(6));
    const put = (mm: number, out: number, side: number): Vec3 => {
      const base = alongLine(form, mm, boundMm);
      return [base[0], base[1] + sy * out + (sz === 0 ? 0 : side), base[2] + sz * out + (sz === 0 ? side : 0)];
    };
    const skin = form.thickMm / 2;
    sheaf.add(
      put(at, skin, across),
      put(at + run * 0.4, skin + height * 0.85, across + splay * 0.5),
      put(tipMm, skin + height, across + splay),
      under ? 0.1 : 0.13,
      under ? 2 : tintIndex(u(7)),
    );
  }
  return sheaf.take(tintsOf(form.tint, 0.4));
}

const THIN = 0.25;

/** A feather's fibres shorten toward its tip: a palmered hackle's at the end where that lies. */
function endShare(form: Form<'hackle'>, along: number): number {
  if (form.thinEnd === 0) return 1;
  return 1 - THIN * (form.thinEnd < 0 ? 1 - along : along);
}

/** Hackle fibres from rings on the stem, bowed outward and swept back as the water lays them. */
export function hackleFibres(form: Form<'hackle'>, seed: number): FibreSet {
  const span = form.toMm - form.fromMm;
  const count = clamp(Math.round(150 + span * 16), 200, 620);
  const sheaf = new Sheaf(count);
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const azimuth = form.half === 0 ? evenAzimuth(i, u(0)) : (form.half * Math.PI * (i + u(0))) / count;
    const x = form.fromMm + span * u(1);
    // Most of the fibres end on the weighed envelope or just inside it.
    const long = form.fibreMm * (1 - 0.22 * u(2) ** 2) * endShare(form, u(1));
    const sweep = form.sweep * (1 - 0.3 * u(3) ** 2);
    const stem = form.stemMm(x);
    const put = (dx: number, r: number): Vec3 => [x + dx, r * Math.cos(azimuth), form.axisZ(x) + r * Math.sin(azimuth)];
    const [dx, dr] = [long * Math.cos(sweep), long * Math.sin(sweep)];
    sheaf.add(put(0, stem), put(dx * 0.3, stem + dr * 0.68), put(dx, stem + dr), 0.085 + 0.03 * u(5), tintIndex(u(4)));
  }
  return sheaf.take(tintsOf(form.tint));
}

/** Fuzz of wound work: fibres a mm of span, radius of the firm core as a share of the envelope, share that glints, and how ragged. */
const FUZZ = {
  chenille: { per: 46, from: 0.62, glint: 0, ragged: 0.3 },
  bristle: { per: 44, from: 0.35, glint: 0.34, ragged: 0.45 },
  dubbing: { per: 46, from: 0.62, glint: 0.04, ragged: 0.4 },
  long: { per: 40, from: 0.2, glint: 0.2, ragged: 0.55 },
  plume: { per: 46, from: 0.35, glint: 0, ragged: 0.5 },
  brush: { per: 48, from: 0.42, glint: 0.08, ragged: 0.5 },
  herl: { per: 48, from: 0.5, glint: 0.08, ragged: 0.2 },
  yarn: { per: 22, from: 0.84, glint: 0, ragged: 0.4 },
} as const;
export type Fuzzy = keyof typeof FUZZ;
export const isFuzzy = (manner: string): manner is Fuzzy => manner in FUZZ;
/** Radius of the firm core under the fuzz, as a share of the envelope. */
export const coreShare = (manner: Fuzzy): number => FUZZ[manner].from;

/** Short fibres of chenille, dubbing or herl, out to the weighed envelope, swept aft about a third of their length. */
export function woundFibres(form: Form<'wound'> & { readonly manner: Fuzzy }, seed: number): FibreSet {
  const fuzz = FUZZ[form.manner];
  const span = form.toMm - form.fromMm;
  const mid = (form.fromMm + form.toMm) / 2;
  const count = clamp(Math.round(span * fuzz.per * Math.max(0.7, form.outerMm(mid) / 2)), 80, 1500);
  const sheaf = new Sheaf(count);
  // Of two furs in one loop the fibres lie mixed.
  const mixed = bandedTints(
    form.mixedTint === null ? [] : [form.tint, form.mixedTint],
    form.tint,
    fuzz.glint > 0.2 ? 0.7 : 0.4,
  );
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const azimuth = evenAzimuth(i, u(0));
    const x = form.fromMm + span * u(1);
    const outer = form.outerMm(x);
    const base = Math.max(form.coreMm / 2, outer * fuzz.from) * (0.55 + 0.35 * u(6));
    const tip = base + (outer - base) * (1 - fuzz.ragged * u(2)) * (0.6 + 0.4 * endEase(form, x));
    const aft = Math.min(form.toMm - x + 0.3, (tip - base) * (0.15 + 0.45 * u(3)));
    const put = (dx: number, r: number): Vec3 => [x + dx, r * Math.cos(azimuth), form.axisZ(x) + r * Math.sin(azimuth)];
    const breadth = 0.12 + 0.08 * u(4);
    sheaf.add(
      put(0, base),
      put(aft * 0.3, base + (tip - base) * 0.7),
      put(aft, tip),
      breadth,
      mixed.index(u(7), tintIndex(u(5), fuzz.glint)),
    );
  }
  return sheaf.take(mixed.tints);
}

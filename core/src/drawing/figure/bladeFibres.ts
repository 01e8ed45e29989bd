import type { PartForm, Vec3 } from '../../model/index.ts';
import { mixTint } from '../../data/index.ts';
import { noise } from '../../numeric/index.ts';
import { alongLine, bandedTints, boundLength, clamp, Sheaf, tintIndex, tintsOf, type FibreSet } from './sheaf.ts';
import type { Solid } from './types.ts';

type Feather = Extract<PartForm, { kind: 'feather' }>;

/** mm between barbs along the stem, and how far aft a barb's tip lies of its root, as a share of its length. */
const BARB = { apartMm: 0.22, aft: 1.1, breadthMm: 0.34 } as const;
/** mm between the fibres of a slip, which lie along it. */
const SLIP = { apartMm: 0.14, breadthMm: 0.24 } as const;

/** A point of the blade: so far along, and so far across from its middle. mm */
function onBlade(form: Feather, boundMm: number, mm: number, across: number): Vec3 {
  const base = alongLine(form, mm, boundMm);
  const [, offY, offZ] = form.asideMm(mm);
  return [base[0], base[1] + offY + across * Math.cos(form.turn), base[2] + offZ + across * Math.sin(form.turn)];
}

/** Barbs on both sides of a stem, out to the weighed outline and swept aft. */
function barbs(form: Feather, seed: number, boundMm: number): FibreSet {
  const each = clamp(Math.round(form.totalMm / BARB.apartMm), 40, 320);
  const sheaf = new Sheaf(2 * each);
  const half = (mm: number): number => (form.widthMm * form.outline(clamp(mm / form.totalMm, 0, 1))) / 2;
  for (let i = 0; i < 2 * each; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const side = i % 2 === 0 ? 1 : -1;
    const root = form.totalMm * ((Math.floor(i / 2) + u(0)) / each) * 0.97;
    const run = half(root) * BARB.aft * (0.9 + 0.2 * u(1));
    const tip = Math.min(form.totalMm, root + run);
    const reach = half(tip) * (0.94 + 0.06 * u(2));
    sheaf.add(
      onBlade(form, boundMm, root, 0),
      onBlade(form, boundMm, root + (tip - root) * 0.35, side * reach * 0.62),
      onBlade(form, boundMm, tip, side * reach),
      BARB.breadthMm,
      tintIndex(u(3)),
    );
  }
  return sheaf.take(tintsOf(form.tint, 0.35));
}

/** Fibres that lie along a slip from root to tip, ending where its outline does. */
function lengthwise(form: Feather, seed: number, boundMm: number): FibreSet {
  const count = clamp(Math.round(form.widthMm / SLIP.apartMm), 16, 90);
  const sheaf = new Sheaf(count);
  const banded = bandedTints(form.married, form.tint, 0.3);
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    const v = (2 * (i + u(0))) / count - 1;
    let end = 1;
    while (end > 0.5 && form.outline(end) < Math.abs(v)) end -= 0.01;
    const at = (t: number): Vec3 =>
      onBlade(
        form,
        boundMm,
        t * form.totalMm,
        (v * form.widthMm * Math.max(form.outline(t), t > 0.5 ? Math.abs(v) : 0)) / 2,
      );
    // The first of married strands lies on top, where v is greatest.
    sheaf.add(at(0), at(end * 0.5), at(end), SLIP.breadthMm, banded.index((1 - v) / 2, tintIndex(u(1))));
  }
  return sheaf.take(banded.tints);
}

export function featherFibres(form: Feather, seed: number): FibreSet {
  const boundMm = boundLength(form);
  return form.manner === 'slips' ? lengthwise(form, seed, boundMm) : barbs(form, seed, boundMm);
}

/** The stem of a feather; a slip has none. */
export function stemOf(form: Feather): Solid[] {
  if (form.manner === 'slips') return [];
  const boundMm = boundLength(form);
  const at = (share: number): Vec3 => onBlade(form, boundMm, share * form.totalMm, 0);
  return [
    {
      kind: 'strand',
      points: [at(0), at(0.5), at(0.94)],
      breadthMm: 0.22,
      tint: mixTint(form.tint, '#e8dcc2', 0.35),
      glint: null,
    },
  ];
}

type Tubing = Extract<PartForm, { kind: 'bundle' }>;
/** Strands that run each way round a braided tube, and mm along it from one crossing to the next. */
const BRAID = { each: 8, stepMm: 0.9, breadthMm: 0.3, fray: 0.18 } as const;

/** Braided tubing with its core drawn out: strands that cross round it, and a frayed end. */
export function tubingFibres(form: Tubing, seed: number): FibreSet {
  const { line } = form;
  const steps = clamp(Math.round(line.lengthMm / BRAID.stepMm), 4, 90);
  const half = form.pinchMm / 2;
  const sheaf = new Sheaf(2 * BRAID.each * steps);
  const round = (mm: number, angle: number, loose: number): Vec3 => {
    const r = half * loose;
    return [
      line.root[0] + mm * line.along[0],
      line.root[1] + mm * line.along[1] + r * Math.cos(angle),
      line.root[2] + mm * line.along[2] + r * Math.sin(angle),
    ];
  };
  const turn = Math.PI / BRAID.each;
  for (let k = 0; k < steps; k++)
    for (let j = 0; j < 2 * BRAID.each; j++) {
      const way = j % 2 === 0 ? 1 : -1;
      const start = (Math.floor(j / 2) * 2 * Math.PI) / BRAID.each + way * k * turn;
      const at = (share: number): Vec3 => {
        const along = (k + share) / steps;
        const frayed = Math.max(0, (along - (1 - BRAID.fray)) / BRAID.fray);
        return round(
          along * line.lengthMm,
          start + way * share * turn * (1 - 0.7 * frayed),
          1 + 0.5 * frayed * noise(seed, j, 1),
        );
      };
      sheaf.add(at(0), at(0.5), at(1), BRAID.breadthMm, tintIndex(noise(seed, j + 64 * k, 2), 0.2));
    }
  return sheaf.take(tintsOf(form.tint, 0.7));
}

type Spun = Extract<PartForm, { kind: 'spun' }>;

/** Short thick hair standing out from the shank, cut exactly to the contour; more of it on the side it leans to. */
export function spunFibres(form: Spun, seed: number): FibreSet {
  const span = form.toMm - form.fromMm;
  const mid = (form.fromMm + form.toMm) / 2;
  const count = clamp(Math.round(span * form.radiusMm(mid) * 46), 300, 1600);
  const sheaf = new Sheaf(count);
  const banded = bandedTints(form.bands, form.tint, 0.3);
  for (let i = 0; i < count; i++) {
    const u = (k: number): number => noise(seed, i, k);
    // Share of fibres on the near side grows with the lean.
    const near = u(0) < (1 + form.lean) / 2;
    const azimuth = (near ? -Math.PI / 2 : Math.PI / 2) + Math.PI * u(1);
    const x = form.fromMm + span * ((i + u(2)) / count);
    const [core, contour] = [form.coreMm(x), form.radiusMm(x)];
    const down =
      Math.sin(azimuth) < 0 && form.flatMm !== null ? form.flatMm / Math.max(0.01, -Math.sin(azimuth)) : Infinity;
    const end = Math.max(core, Math.min(contour, down) * (0.97 + 0.03 * u(3)));
    const put = (r: number): Vec3 => [x, r * Math.cos(azimuth), form.axisZ(x) + r * Math.sin(azimuth)];
    const share = span > 0 ? (form.toMm - x) / span : 0;
    sheaf.add(put(core * 0.6), put((core + end) / 2), put(end), form.fibreMm, banded.index(share, tintIndex(u(5))));
  }
  return sheaf.take(banded.tints);
}

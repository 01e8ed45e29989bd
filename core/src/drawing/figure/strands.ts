import { mixTint } from '../../data/index.ts';
import type { PartForm, Vec3 } from '../../model/index.ts';
import { noise } from '../../numeric/index.ts';
import type { Solid } from './types.ts';

type Bundle = Extract<PartForm, { kind: 'bundle' }>;

const MOST = 48;
/** How unevenly strands are cut, and how far they sway from their straight line, as shares of length and of the clump's half breadth. */
const UNEVEN = 0.06;
const SWAY = 0.9;

/** Film strands and legs: each one by itself, of one breadth from end to end, as many as were counted. */
export function strandSolids(form: Bundle, seed: number): Solid[] {
  const { line } = form;
  const half = form.pinchMm / 2;
  const [tanV, tanH] = [Math.tan((form.spreadV * Math.PI) / 180), Math.tan((form.spreadH * Math.PI) / 180)];
  const film = form.manner === 'strand';
  return Array.from({ length: Math.max(1, Math.min(MOST, form.strands)) }, (_, i): Solid => {
    const u = (k: number): number => noise(seed, i, k);
    const azimuth = 2 * Math.PI * ((i * 0.618034 + 0.2 * u(0)) % 1);
    const rho = Math.sqrt(u(1));
    const put = (share: number, out: number, dy: number, dz: number): Vec3 => {
      const mm = share * line.lengthMm;
      const dx = mm * line.along[0];
      return [
        line.root[0] + dx,
        line.root[1] + mm * line.along[1] + out * Math.cos(azimuth) * (half + Math.abs(dx) * tanH) + dy,
        line.root[2] + mm * line.along[2] + out * Math.sin(azimuth) * (half + Math.abs(dx) * tanV) + dz,
      ];
    };
    const end = 1 - UNEVEN * u(2);
    const sway = SWAY * (half + 0.5 * line.lengthMm * tanV);
    const bend = put(0.45 * end, rho, sway * (u(3) - 0.5), sway * (u(4) - 0.5));
    return {
      kind: 'strand',
      points: [put(0, 0.8 * rho, 0, 0), bend, put(end, rho, 0, 0)],
      breadthMm: film ? FILM_SHADOW_MM : form.fibreMm,
      tint: film ? form.tint : mixTint(form.tint, u(5) < 0.5 ? '#ffffff' : '#000000', 0.12),
      glint: film ? mixTint(form.tint, '#ffffff', 0.75) : null,
    };
  });
}

/** Mean breadth a twisting film strand shows. */
const FILM_SHADOW_MM = 0.17;

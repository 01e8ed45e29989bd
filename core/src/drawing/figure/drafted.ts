import type { FreeLine, PartForm, Vec3 } from '../../model/index.ts';
import type { DraftLine } from './types.ts';

const tipOf = ({ root, along, lengthMm }: FreeLine): Vec3 => [
  root[0] + along[0] * lengthMm,
  root[1] + along[1] * lengthMm,
  root[2] + along[2] * lengthMm,
];

const MOST_RINGS = 12;

/** One fibre above, below and to each side for every turn of a hackle: together the cone of its tips. */
function hackleLines(form: Extract<PartForm, { kind: 'hackle' }>): DraftLine[] {
  const rings = Math.max(1, Math.min(MOST_RINGS, Math.round(form.turns)));
  const [back, outward] = [form.fibreMm * Math.cos(form.sweep), form.fibreMm * Math.sin(form.sweep)];
  return Array.from({ length: rings }, (_, i) => form.fromMm + ((i + 0.5) / rings) * (form.toMm - form.fromMm)).flatMap(
    (x) => {
      const [stem, z] = [form.stemMm(x), form.axisZ(x)];
      const at = (dx: number, r: number, angle: number): Vec3 => [x + dx, r * Math.cos(angle), z + r * Math.sin(angle)];
      return (form.half === 0 ? [0, 1, 2, 3] : [0, form.half, 2]).map((quarter): DraftLine => {
        const angle = (quarter * Math.PI) / 2;
        return {
          manner: 'fibre',
          points: [at(0, stem, angle), at(0.3 * back, stem + 0.62 * outward, angle), at(back, stem + outward, angle)],
        };
      });
    },
  );
}

/** What the lines mode draws of a part besides its outline: the centre fibre of a clump or strip, the fibres of a hackle's turns. */
export function draftedLines(form: PartForm): DraftLine[] {
  switch (form.kind) {
    case 'bundle':
    case 'strip':
    case 'feather':
      return [{ manner: 'centre', points: [...form.bound, form.line.root, tipOf(form.line)] }];
    case 'hackle':
      return hackleLines(form);
    case 'ball':
    case 'wound':
    case 'thread':
    case 'spun':
    case 'sheet':
    case 'coat':
    case 'support':
      return [];
  }
}

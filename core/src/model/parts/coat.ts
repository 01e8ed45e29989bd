import { NONE } from './traits.ts';
import { COATS, tintOf } from '../../data/index.ts';
import type { PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import { section, type Ellipse, type Section, type Vec3 } from '../platform/section.ts';
import { bad, good, type Outcome, suggestion } from '../../base/index.ts';
import { built, lump } from './common.ts';
import type { CoatCut } from './forms.ts';
import type { BuiltPart, ConstructionModule, Ground } from './types.ts';

type Coat = PartOf<'coat'>;
type CoatName = keyof typeof COATS;

const NAMES = Object.keys(COATS) as CoatName[];
/** Other words for each. */
const ALSO: Readonly<Record<string, CoatName>> = {
  lacquer: 'varnish',
  'head cement': 'cement',
  'uv resin': 'resin',
  'super glue': 'superglue',
  cyanoacrylate: 'superglue',
};
const CLEAR = '#e9efec';
const SLICES = 24;

function measure(part: Coat, path: string): Outcome<MeasuredPart> {
  const over = part.over.toLowerCase() === 'head' ? null : part.over;
  return good({ shape: 'over', id: part.id, role: part.role, path, over, lengths: {}, places: {} });
}

function coatOf(part: Coat, path: string): Outcome<CoatName> {
  const word = (part.material ?? 'varnish').trim().toLowerCase();
  const name = NAMES.find((each) => each === word) ?? ALSO[word];
  return name
    ? good(name)
    : bad({
        path: `${path}.material`,
        code: 'material',
        message: `"${part.material ?? ''}" is no coat the tables know${suggestion(word, NAMES) || `; one of ${NAMES.join(', ')}`}`,
      });
}

/** Length round an ellipse, mm (Ramanujan, 1914). */
function round(a: number, b: number): number {
  const h = a + b === 0 ? 0 : ((a - b) / (a + b)) ** 2;
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

interface Skin {
  readonly areaMm2: number;
  readonly centroid: Vec3;
  readonly cuts: readonly CoatCut[];
}

/** The surface of some sections: what a coat over them has to cover. The slope of a rounded end is counted. */
function skinOf(sections: readonly Section[]): Skin {
  let area = 0;
  const moment = [0, 0, 0];
  const cuts: CoatCut[] = [];
  const [one, other]: [Ellipse, Ellipse] = [
    { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 },
    { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 },
  ];
  for (const each of sections) {
    const dx = (each.toMm - each.fromMm) / SLICES;
    for (let i = 0; i < SLICES; i++) {
      const [from, to] = [each.fromMm + i * dx, each.fromMm + (i + 1) * dx];
      each.at(from, one);
      each.at(to, other);
      const slant = Math.hypot(dx, (other.semiY + other.semiZ - one.semiY - one.semiZ) / 2);
      const band = ((round(one.semiY, one.semiZ) + round(other.semiY, other.semiZ)) / 2) * slant;
      area += band;
      const middle = [(from + to) / 2, (one.y + other.y) / 2, (one.z + other.z) / 2];
      for (let axis = 0; axis < 3; axis++) moment[axis] = (moment[axis] ?? 0) + band * (middle[axis] ?? 0);
      if (i === 0) cuts.push({ x: from, y: one.y, z: one.z, semiY: one.semiY, semiZ: one.semiZ });
      cuts.push({ x: to, y: other.y, z: other.z, semiY: other.semiY, semiZ: other.semiZ });
    }
  }
  const [x = 0, y = 0, z = 0] = moment.map((sum) => (area > 0 ? sum / area : 0));
  return { areaMm2: area, centroid: [x, y, z], cuts };
}

function build(part: Coat, _extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> {
  const name = coatOf(part, path);
  if (!name.ok) return name;
  const sections = ground.sectionsOf(part.over);
  const layers = part.layers ?? 1;
  const { thicknessMm, density } = COATS[name.value];
  const thickMm = thicknessMm * layers;
  if (sections.length === 0)
    return good(
      built(part, [name.value, name.value], {
        notes: [
          part.over.toLowerCase() === 'head'
            ? 'the fly has no thread head to coat; name a thread and a head, or a part'
            : `"${part.over}" has nothing to coat`,
        ],
      }),
    );
  const { areaMm2, centroid, cuts } = skinOf(sections);
  const volume = areaMm2 * thickMm;
  const hard = sections.every((each) => each.softness < SOFT_FROM);
  return good(
    built(part, [name.value, name.value], {
      lumps: [lump(volume * density, volume, centroid)],
      sections: sections.map((each) =>
        section({
          ...each,
          owner: part.id,
          // A skin holds what it lies on together: it is as stiff as metal on a head, and stiffens hair.
          softness: hard ? 0 : each.softness / 2,
          ballMm: each.ballMm > 0 ? each.ballMm + 2 * thickMm : 0,
          at: (x, out) => {
            each.at(x, out);
            out.semiY += thickMm;
            out.semiZ += thickMm;
          },
        }),
      ),
      skinMm2: areaMm2,
      forms: [{ kind: 'coat', cuts, thickMm, material: name.value, tint: tintOf(part.colour, CLEAR) }],
    }),
  );
}

const SOFT_FROM = 0.35;
const COAT_RANK = 30;

/** Cement, varnish, resin, epoxy and superglue over a head or a part: its skin times the thickness of the coats. Figures: docs/model.md. */
export const coat: ConstructionModule<'coat'> = {
  construction: 'coat',
  measure,
  build,
  rank: () => COAT_RANK,
  traits: NONE,
  limp: () => null,
  cutMm: () => null,
};

import type { MaterialItem } from '../src/drawers/items.ts';
import { NOMINAL_MATERIALS } from '../src/drawers/tables.ts';
import { newFly } from '../src/edit/newFly.ts';
import { PRESETS } from '../src/edit/presets.ts';
import type { FlyFile } from '../src/pattern/index.ts';

/** One thing that is tied, as it is drawn on every platform. */
export interface Tied {
  readonly name: string;
  readonly part: Readonly<Record<string, unknown>>;
}

/** One platform of each kind. */
export const PLATFORMS: Readonly<Record<string, object>> = {
  single: { kind: 'single', size: '4', longX: 2 },
  double: { kind: 'double', size: '6', longX: 2 },
  jig: { kind: 'jig', size: '4', bendUp: '90 deg' },
  tube: { kind: 'tube', length: '28 mm', hook: { kind: 'single', size: '6' } },
  shank: { kind: 'shank', length: '28 mm', hook: { kind: 'single', size: '6' } },
};
/** The part a construction is begun with, of a material. */
function ofMaterial({ construction, name, colour }: MaterialItem): Readonly<Record<string, unknown>> | null {
  const preset = PRESETS.find(({ part }) => part.construction === construction);
  return preset ? { ...preset.part, material: name, colour } : null;
}

/** The first material of each construction and manner there is. */
function manners(): Tied[] {
  const seen = new Set<string>();
  return NOMINAL_MATERIALS.flatMap((each): Tied[] => {
    const manner = 'manner' in each ? each.manner : each.name;
    const key = `${each.construction} ${manner}`;
    const part = ofMaterial(each);
    if (seen.has(key) || !part) return [];
    seen.add(key);
    return [{ name: `${each.construction}, ${manner}`, part }];
  });
}

/** Each form of a feather, of what it usually is, in each way it may lie. */
const FORMS: readonly Tied[] = (['pair', 'slips', 'tips', 'single'] as const).flatMap((form) =>
  (['flat', 'tented', 'sides', 'along-back'] as const).flatMap((lie): Tied[] => {
    const preset = PRESETS.find(({ part }) => part.construction === 'feather');
    if (!preset) return [];
    const { material: _own, ...bare } = preset.part;
    return [{ name: `feather, ${form} ${lie}`, part: { ...bare, form, lie } }];
  }),
);

/** Eyes by their outer faces, and a body of two furs in one loop. */
const MORE: readonly Tied[] = [
  ...(['flat', 'drilled'] as const).flatMap((faces): Tied[] => {
    const preset = PRESETS.find(({ part }) => part.construction === 'ball' && part.shape === 'dumbbell');
    return preset
      ? [{ name: `dumbbell, ${faces}`, part: { ...preset.part, material: 'brass', diameter: '5 mm', faces } }]
      : [];
  }),
  {
    name: 'two furs in one loop',
    part: {
      id: 'body',
      role: 'body',
      construction: 'wrap',
      material: 'tight dubbing',
      colour: 'olive',
      with: 'copper tinsel',
      diameter: '5 mm',
      from: 'bend',
      to: 'station 2',
    },
  },
];

/** Everything there is to tie: each preset, each manner of each construction, each form of a feather. */
export const TIED: readonly Tied[] = [
  ...PRESETS.map(({ name, part }): Tied => ({ name, part: part as unknown as Tied['part'] })),
  ...manners(),
  ...FORMS,
  ...MORE,
];

/** A coat covers something: it is drawn over a body. */
const BODY = {
  id: 'body',
  role: 'body',
  construction: 'wrap',
  material: 'floss',
  diameter: '2.4 mm',
  from: 'bend',
  to: 'station 2',
};

/** A fly with one thing on it, as it would be written. */
export function fileOf({ name, part }: Tied, platform: object): unknown {
  const parts = part['construction'] === 'coat' ? [BODY, { ...part, over: 'body' }] : [part];
  return { ...newFly(name, platform as FlyFile['platform']), parts };
}

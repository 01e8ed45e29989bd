import type { Drawers } from '../drawers/index.ts';
import { bundleKind, type BundleManner } from '../data/index.ts';
import { FURTHER_PARTS } from './furtherParts.ts';
import type { Preset } from './preset.ts';
import { USUAL_PARTS } from './usualParts.ts';

/** Every part one may start from, the usual ones first. */
export const PRESETS: readonly Preset[] = [...USUAL_PARTS, ...FURTHER_PARTS];

/** What else tiers call a part, by the name it starts under. */
const CALLED: Readonly<Record<string, string>> = {
  'Dumbbell eyes': 'barbell hourglass weighted eyes',
  'Plastic eyes': 'monofilament shrimp eyes burnt eyes',
  'Bead chain': 'chain eyes ball chain',
  'Disc eyes': 'flat eyes stick-on moulded doll eyes',
  Bead: 'bead head beadhead',
  Cone: 'cone head conehead',
  'Weight wire': 'lead wire weighting underbody ballast',
  Tail: 'plume whisk veil',
  Tag: 'tip butt behind the tail',
  Body: 'abdomen thorax dubbing floss wool',
  Rib: 'ribbing wire tinsel',
  Strip: 'hide strip fur strip leech skin',
  'Hair wing': 'overwing hairwing',
  Underwing: 'under wing lower wing',
  'Feather wing': 'featherwing saddles back to back',
  Slips: 'quill slips built married wing',
  'Four tips': 'hackle points tips wing',
  Throat: 'beard false hackle',
  'Throat hackle': 'beard hackle',
  'Collar hackle': 'collar front hackle soft hackle',
  'Palmered hackle': 'palmer body hackle',
  Flash: 'sparkle tinsel strands film',
  Legs: 'rubber silicone feelers',
  Cheeks: 'sides eyes of feather shoulder',
  'Spun head': 'trimmed head flared head',
  'Spun collar': 'flared collar',
  'Chenille head': 'wound head',
  'Tubing tail': 'braided body extended',
  'Wing case': 'wingcase back',
  'Wing pads': 'wing buds nymph case',
  'Shell back': 'shellback back carapace',
  'Eyes on stalks': 'crab shrimp prawn stalk burnt mono',
  'Foam lip': 'slider popper bib diving',
  'Hair lip': 'bib antennae muddled forward',
  Coat: 'varnish lacquer cement epoxy resin glue finish head cement',
};

/** A part as it is offered: in a material of its own where one was asked for. */
export interface OfferedPart extends Preset {
  /** What else it is called. */
  readonly called: string;
  /** The material it starts in; null for the one that is usual. */
  readonly of: string | null;
}

const isSoft = (manner: BundleManner | null): boolean => manner === 'hair' || manner === 'plume' || manner === null;

/** Whether a part of one bundle may be begun in another: strands are flash, legs are legs, tubing a tail; hair and plume all else. */
function suits(
  part: Preset['part'],
  { construction, manner }: { construction: string; manner: BundleManner | null },
): boolean {
  if (part.construction !== construction || part.role === 'underbody') return false;
  if (part.construction !== 'bundle') return true;
  const own = bundleKind(part.material);
  return own === manner || (isSoft(own) && isSoft(manner));
}

/** Every part one may start from, and each again in every material of the drawers it is made of. */
export function offeredParts(drawers: Drawers): readonly OfferedPart[] {
  const usual = PRESETS.map((preset): OfferedPart => ({ ...preset, called: CALLED[preset.name] ?? '', of: null }));
  const materials = [
    ...drawers.bundles.map(({ name, manner }) => ({ name, construction: 'bundle', manner })),
    ...(
      [
        ['wrap', drawers.wound],
        ['hackle', drawers.hackles],
        ['feather', drawers.feathers],
        ['strip', drawers.strips],
        ['spun', drawers.spun],
        ['sheet', drawers.sheets],
      ] as const
    ).flatMap(([construction, some]) => some.map(({ name }) => ({ name, construction, manner: null }))),
  ];
  const inMaterial = usual.flatMap((preset): OfferedPart[] =>
    materials
      .filter((material) => suits(preset.part, material))
      .map(({ name }) => ({
        ...preset,
        means: `of ${name}`,
        part: { ...preset.part, material: name } as Preset['part'],
        of: name,
      })),
  );
  return [...usual, ...inMaterial];
}

/**
 * The nominal hook: what a hook nobody has measured is taken to be. Judgement, not a standard; a measured shank, gap or wire
 * replaces each figure by itself. Lengths in mm, density in mg/mm³, angles in degrees; shares are of what their name says.
 */
export const NOMINAL = {
  steel: 7.85,
  ringRadiusWires: 1.3,
  eyeTiltDeg: 30,
  splayDeg: 100,
  pointOfGap: 0.9,
  barbOfPoint: 0.5,
  spearOfPoint: 0.62,
  loopOfShank: 0.3,
  shankMm: 11.6,
  shankStep: 1.185,
  gapOfShank: 0.455,
  wireMm: 0.56,
  wireStep: 1.13,
} as const;

/** Sizes offered in the app; any other size of the series is read too. */
export const HOOK_SIZES = [
  '14',
  '12',
  '10',
  '8',
  '6',
  '4',
  '2',
  '1',
  '1/0',
  '2/0',
  '3/0',
  '4/0',
  '5/0',
  '6/0',
] as const;

const SMALLEST = 32;
const LARGEST = 12;

/**
 * Steps of the nominal series from size 10: (10 − n)/2 for size n, 5 for 1/0, 6 for 2/0.
 * @returns null when the text is no hook size
 * @example sizeSteps('4') // 3
 */
export function sizeSteps(size: string): number | null {
  const read = /^(\d{1,2})(\/0)?$/.exec(size.trim());
  if (!read) return null;
  const n = Number(read[1]);
  if (read[2] !== undefined) return n >= 1 && n <= LARGEST ? 4 + n : null;
  return n >= 1 && n <= SMALLEST ? (10 - n) / 2 : null;
}

/**
 * Shank, clear gap and wire of the nominal series, mm.
 * @param steps from size 10, as `sizeSteps` gives them
 * @param longX how many X long (negative: short); the gap stays
 * @param heavyX the wire of a hook so many steps larger (negative: fine)
 */
export function nominalHook(
  steps: number,
  longX: number,
  heavyX: number,
): { readonly shankMm: number; readonly gapMm: number; readonly wireMm: number } {
  const standardMm = NOMINAL.shankMm * NOMINAL.shankStep ** steps;
  return {
    shankMm: standardMm * NOMINAL.shankStep ** longX,
    gapMm: NOMINAL.gapOfShank * standardMm,
    wireMm: NOMINAL.wireMm * NOMINAL.wireStep ** (steps + heavyX),
  };
}

/** Tubes where the file leaves something unsaid. mm */
export const TUBE = { outsideMm: 3, insideMm: 1.6, hookGapMm: 2, material: 'plastic' } as const;

/** The five materials of tubes: density in mg/mm³, tint, and other words for each. A plastic tube is lighter than plastic eyes. */
export const TUBE_MATERIALS: readonly {
  readonly name: string;
  readonly density: number;
  readonly tint: string;
  readonly also: readonly string[];
}[] = [
  { name: 'plastic', density: 0.95, tint: '#c9cfcc', also: ['nylon', 'polythene', 'clear plastic'] },
  { name: 'aluminium', density: 2.7, tint: '#b9c2c6', also: ['aluminum', 'alloy'] },
  { name: 'brass', density: 8.5, tint: '#c58f2e', also: [] },
  { name: 'copper', density: 8.96, tint: '#b5673a', also: [] },
  { name: 'tungsten', density: 17.5, tint: '#5b6063', also: ['tungsten alloy'] },
];

/** A bare shank's wire, and the loop that joins a trailing hook to it. mm, mg/mm³ */
export const SHANK = { wireMm: 1, loopMm: 8 } as const;
export const LOOPS = {
  braid: { strandMm: 0.45, strands: 2, density: 1.14 },
  /** Seven-strand wire under a nylon coat, as dense as both together. */
  wire: { strandMm: 0.6, strands: 2, density: 4.2 },
} as const;

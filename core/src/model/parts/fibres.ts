/** A natural fibre's section falls on a straight line to a fifth at its tip: mean 0.6 of the root's, its middle 0.39 of the length from the root. */
export const FIBRE_TAPER = { mean: 0.6, middle: 0.39 } as const;
const FALLS = 2 * (1 - FIBRE_TAPER.mean);

/** ∫ breadth ds over the first `share` of a fibre, in mean breadths: it goes as √(1 − 0.8·s). */
const breadthSum = (share: number): number => (1 - (1 - FALLS * share) ** 1.5) / (1 - (1 - FALLS) ** 1.5);

/** Share of a place that is covered by things lying over it at random, of which there is so much in all (Poisson). */
export const overlapped = (cover: number): number => 1 - Math.exp(-cover);

/**
 * Opacity of a clump seen across its fibres: geometric cover, of which wet locks leave a share, overlapped at random.
 * @param solidMm2 its solid section there @param clump share of the cover that stays when it is wet: 1 for fibres that stand apart
 * @returns at most 0.95
 */
export function clumpOpacity(
  solidMm2: number,
  fibreMm: number,
  clump: number,
  { semiY, semiZ }: { readonly semiY: number; readonly semiZ: number },
): number {
  const breadth = 2 * Math.sqrt(semiY * semiZ);
  if (breadth <= 0 || fibreMm <= 0) return 0;
  const fibres = solidMm2 / ((Math.PI / 4) * fibreMm ** 2);
  return Math.min(0.95, overlapped((clump * fibres * fibreMm) / breadth));
}

/** Fibres that stand all round a stem, rooted evenly along a span of it and swept back. Lengths mm, angles radians. */
export interface Ring {
  readonly fromMm: number;
  readonly toMm: number;
  readonly fibres: number;
  /** Mean breadth of one as it is seen, its barbules with it. */
  readonly fibreMm: number;
  readonly lengthMm: number;
  readonly sweep: number;
  /** Share of the cover that stays when it is wet. */
  readonly clump: number;
}

const AROUND = 24;

/** How much broader than itself a fibre crosses a station, on the mean over all round: √(1 + tan²ψ·cos²φ). */
function crossing(sweep: number): number {
  let sum = 0;
  for (let i = 0; i < AROUND; i++)
    sum += Math.hypot(1, Math.tan(sweep) * Math.cos(((i + 0.5) / AROUND) * (Math.PI / 2))) / AROUND;
  return sum;
}

/** mm of fibre that cross each station of the stem side by side: by their count, length, taper, breadth and lean. */
export function ringCover({ fromMm, toMm, fibres, fibreMm, lengthMm, sweep, clump }: Ring): (x: number) => number {
  const back = lengthMm * Math.cos(sweep);
  const span = Math.max(toMm - fromMm, 1e-6);
  const broad = clump * (fibres / span) * fibreMm * crossing(sweep) * back;
  return (x) => {
    const [near, far] = [(x - toMm) / back, (x - fromMm) / back].map((share) => Math.min(1, Math.max(0, share))) as [
      number,
      number,
    ];
    return broad * (breadthSum(far) - breadthSum(near));
  };
}

const LEAST_RING_MM = 0.05;
/** However dense a ring is, some light comes through it end-on. */
const MOST_END_ON = 0.9;

/** Opacity of a ring seen along its stem, at a radius. @param arc how much of the circle it fills, radians */
export const ringEndOn = ({ fibres, fibreMm }: Ring, radiusMm: number, arc = 2 * Math.PI): number =>
  Math.min(MOST_END_ON, overlapped((fibres * fibreMm) / (arc * Math.max(radiusMm, LEAST_RING_MM))));

/** Opacity of what covers so many mm of a breadth. */
export const coverOf = (mm: number, breadthMm: number): number => overlapped(mm / Math.max(breadthMm, LEAST_RING_MM));

/** Amounts, sides and habits of tying that a file leaves unsaid. Judgement throughout; what a file says replaces each. */

/** Amounts in a tier's words: the diameter of the clump when squeezed, mm. */
export const DOSES: Readonly<Record<string, { readonly pinchMm: number }>> = {
  sparse: { pinchMm: 1.2 },
  matchstick: { pinchMm: 2 },
  thumbnail: { pinchMm: 2.25 },
  'half a pencil': { pinchMm: 3.5 },
  'a pencil': { pinchMm: 7 },
};

type Side = 'top' | 'bottom' | 'near' | 'far' | 'both' | 'around' | 'axis';

/** The side a role is tied on where the file names none. */
export const SIDES: Readonly<Record<string, Side>> = {
  throat: 'bottom',
  legs: 'both',
  belly: 'bottom',
  tail: 'top',
  wing: 'top',
  underwing: 'top',
  overwing: 'top',
  flash: 'top',
  cheek: 'both',
  veil: 'around',
  body: 'around',
  rib: 'around',
  tag: 'around',
  butt: 'around',
  hackle: 'around',
  collar: 'around',
  head: 'around',
  bead: 'around',
  case: 'top',
};

/** Degrees a free part leaves the shank at, by role; 0 for any other. */
export const ANGLES: Readonly<Record<string, number>> = {
  tail: 0,
  flash: 0,
  wing: 12,
  underwing: 12,
  overwing: 12,
  throat: 25,
  legs: 25,
};

/** Bore of a bead as a share of its diameter, where neither the file nor the packet says. */
export const BORE_OF_BEAD = 0.3;

/** A cone where the file leaves its front or length unsaid, as shares of its diameter. */
export const CONE = { frontOfDiameter: 0.5, lengthOfDiameter: 0.8 } as const;

/** Bead-chain balls are hollow shells that flood; their neck is thin. mm, share of the diameter. */
export const CHAIN = { shellMm: 0.25, neck: 0.25 } as const;

/** Discs glued to the sides: a flat one is film of this thickness, a moulded one a cap so many diameters high. */
export const DISC = { flatMm: 0.3, domeOfDiameter: 0.25 } as const;

/** One double layer of thread: mm a side, solid share, mg/mm³. */
export const THREAD = { bedMm: 0.1, solid: 0.65, density: 1.2 } as const;

/** Diameter of the wound head, in wires. */
export const HEAD_WIRES = { small: 2, neat: 3, bold: 4 } as const;

/** One coat: thickness in mm, density in mg/mm³. */
export const COATS = {
  cement: { thicknessMm: 0.05, density: 1.05 },
  varnish: { thicknessMm: 0.08, density: 1.05 },
  resin: { thicknessMm: 0.4, density: 1.15 },
  epoxy: { thicknessMm: 0.4, density: 1.15 },
  superglue: { thicknessMm: 0.03, density: 1.1 },
} as const;

/** mm of shank that one turn of a collar takes. */
export const COLLAR_PITCH_MM = 0.4;

/** Bare shank left for the head: at least so many mm, else a share of the shank, more where hide is bound in front of eyes. */
export const HEAD_SPACE = { leastMm: 2, ofShank: 0.1, underHideOfShank: 0.18 } as const;

/** What a cut piece is longer by, mm: to hold it by, and what is trimmed off. Judgement, for fingers without a tool. */
export const HOLD = {
  /** Hair, plume and feathers are held by their butts. */
  fibresMm: 6,
  /** Strips and sheets by their ends. */
  flatMm: 8,
  /** What is wound, by the end in the hand or the pliers. */
  woundMm: 60,
  /** Weight wire is broken off a length by the thumb. */
  wireMm: 30,
  hackleMm: 25,
  spunMm: 4,
} as const;

/** mm of shank a tie-in takes where nothing says how far its butts run, and the turns of thread it takes. */
export const TIE_IN = { lengthMm: 3, turns: 6 } as const;

/** Thread as it lies: breaking strain in grams of force per denier, and mg/mm³ of its fibre. Judgement for nylon and polyester. */
export const THREAD_FIBRE = { gramsPerDenier: 4.5, density: 1.2 } as const;

/**
 * Grams of force that the thread is drawn to, at most, for what is bound. Judgement: firm, not as hard as it goes. The thread is trusted
 * with a share of what breaks it.
 */
export const ASKS_G = {
  /** Crossing turns over the neck of a pair of eyes. */
  eyes: 420,
  /** Hair drawn until it flares. */
  spun: 480,
  hide: 360,
  sheet: 260,
  hair: 240,
  feather: 150,
  soft: 120,
  hackle: 150,
  strand: 120,
  wire: 200,
} as const;
export const TRUSTED_SHARE = 0.8;
/** From this share on a half hitch goes before the step. */
export const RISKY_SHARE = 0.65;

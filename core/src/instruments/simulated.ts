import { noise } from '../numeric/index.ts';

/**
 * Stand-ins that behave as a pocket instrument does: they round to their resolution, tremble a little, and their zero wanders until it is set
 * anew. The same seed gives the same readings.
 */
interface Nature {
  readonly resolution: number;
  /** Standard deviation of one reading. */
  readonly tremble: number;
  /** Standard deviation of a step of the zero between two readings. */
  readonly wander: number;
}

/** mm; a digital caliper held by hand on something small and hard. */
export const CALIPER: Nature = { resolution: 0.01, tremble: 0.012, wander: 0.002 };
/** mg; a pocket scale of 1 mg. */
export const SCALE: Nature = { resolution: 1, tremble: 0.9, wander: 0.35 };

/** Two even numbers to one that is normally distributed (Box and Muller, 1958). */
function normal(seed: number, i: number, stream: number): number {
  const u = Math.max(1e-12, noise(seed, i, 2 * stream));
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * noise(seed, i, 2 * stream + 1));
}

export class SimulatedInstrument {
  private readonly nature: Nature;
  private readonly seed: number;
  private drift = 0;
  private taken = 0;

  constructor(nature: Nature, seed: number) {
    this.nature = nature;
    this.seed = seed;
  }

  /** What it shows of a true value, in its unit. */
  read(truth: number): number {
    const i = this.taken++;
    this.drift += this.nature.wander * normal(this.seed, i, 0);
    const shown = truth + this.drift + this.nature.tremble * normal(this.seed, i, 1);
    const { resolution } = this.nature;
    return Math.round(Math.round(shown / resolution) * resolution * 1e6) / 1e6;
  }

  /** Sets the zero anew: closed jaws, an empty pan. */
  zero(): void {
    this.drift = 0;
  }
}

/** What a caliper of this kind sends: `+14.87 mm`. @param mm as it shows */
export const caliperLine = (mm: number): string => `${mm < 0 ? '-' : '+'}${Math.abs(mm).toFixed(2)} mm`;
/** What a scale of this kind sends: `ST, + 0.562 g`. @param mg as it shows */
export const scaleLine = (mg: number): string => `ST, ${mg < 0 ? '-' : '+'} ${(Math.abs(mg) / 1000).toFixed(3)} g`;

/** Share by which pieces of one make differ (standard deviation): bent wire and cast metal. */
const MAKE_SPREAD: Readonly<Record<'length' | 'mass', number>> = { length: 0.008, mass: 0.03 };

/** The true measure of the n-th piece out of a packet whose pieces are nominally alike. */
export const pieceOf = (nominal: number, kind: 'length' | 'mass', seed: number, n: number): number =>
  nominal * (1 + MAKE_SPREAD[kind] * Math.max(-3, Math.min(3, normal(seed, n, 2))));

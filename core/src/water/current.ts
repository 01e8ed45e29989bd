/** A stretch of water as the model knows it: mm, mm/s. */
export interface Stretch {
  readonly depthMm: number;
  /** Mean over the depth, where the current is at its full. */
  readonly meanMmS: number;
  /** Of the bed, as sand grains of that size would be. */
  readonly roughnessMm: number;
  /** Current at the rod's side as a share of that further out, and how far out it is at its full; null: at once. */
  readonly bankShare: number;
  readonly widthMm: number | null;
}

const TABLE_MM = 5;
/** Roughness lengths lie so far under the size of its grains. Source: Keulegan (1938). */
const GRAINS = 30;

/** How fast the water runs, by depth and by how far out. */
export class Current {
  readonly stretch: Stretch;
  /** By height over the bed, at equal steps. */
  private readonly table: Float64Array;

  constructor(stretch: Stretch) {
    this.stretch = stretch;
    const { depthMm, meanMmS, roughnessMm } = stretch;
    const z0 = roughnessMm / GRAINS;
    // So that the mean over the depth is the one that is given.
    const h = depthMm / z0;
    const c = meanMmS / (Math.log(h) - 1 + 1 / h);
    this.table = Float64Array.from({ length: Math.ceil(depthMm / TABLE_MM) + 2 }, (_, i) =>
      meanMmS === 0 ? 0 : c * Math.log((i * TABLE_MM) / z0 + 1),
    );
  }

  get surfaceMmS(): number {
    return this.at(0, Infinity);
  }

  /** @param z mm over the surface, negative under it @param y mm out from the rod @returns mm/s downstream */
  at(z: number, y: number): number {
    const { depthMm, bankShare, widthMm } = this.stretch;
    const over = Math.min(depthMm, Math.max(0, depthMm + z)) / TABLE_MM;
    const i = Math.floor(over);
    const low = this.table[i] as number;
    const speed = low + (over - i) * ((this.table[i + 1] as number) - low);
    return widthMm === null || y >= widthMm
      ? speed
      : speed * (bankShare + ((1 - bankShare) * Math.max(0, y)) / widthMm);
  }
}

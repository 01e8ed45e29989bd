/** What is wished of a fly when its weights are chosen. Speeds mm/s; what is null is not asked for. */
export interface Wish {
  readonly ride: 'point-up' | 'point-down' | null;
  readonly holdsMmS: number | null;
  readonly sinkMmS: readonly [low: number, high: number] | null;
  /** Whether lead may be taken. */
  readonly lead: boolean;
  /** Weights that lie in the drawer, or all that are sold. */
  readonly from: 'drawer' | 'sold';
}

/** What a fly does, as far as wishes ask. Speeds mm/s; holds-to is null where no current turns it over. */
export interface Deeds {
  readonly ride: string;
  readonly holdsToMmS: number | null;
  readonly sinkMmS: number;
}

export type WishName = 'ride' | 'holds' | 'sink';

/** How far each wish is missed, as a share of what was asked; what is met is not named. */
export function missesOf(wish: Wish, deeds: Deeds): Readonly<Partial<Record<WishName, number>>> {
  const misses: Partial<Record<WishName, number>> = {};
  if (wish.ride !== null && deeds.ride !== wish.ride) misses.ride = 1;
  if (wish.holdsMmS !== null && deeds.holdsToMmS !== null && deeds.holdsToMmS < wish.holdsMmS)
    misses.holds = (wish.holdsMmS - deeds.holdsToMmS) / wish.holdsMmS;
  if (wish.sinkMmS !== null) {
    const [low, high] = wish.sinkMmS;
    if (deeds.sinkMmS < low) misses.sink = (low - deeds.sinkMmS) / low;
    else if (deeds.sinkMmS > high) misses.sink = (deeds.sinkMmS - high) / high;
  }
  return misses;
}

/** The misses of all wishes together; the ride weighs most, since nothing makes up for it. */
export const shortfall = (misses: ReturnType<typeof missesOf>): number =>
  3 * (misses.ride ?? 0) + (misses.holds ?? 0) + (misses.sink ?? 0);

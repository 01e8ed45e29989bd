/** What waits for a turn: what someone's own flies need comes before what is merely asked. */
export type Rank = 'own' | 'asked';

/** Gives out turns, so many at once; what is merely asked never takes the last one, and only so much of it may wait. */
export class Turns {
  private running = 0;
  private asked = 0;
  private readonly waiting: Record<Rank, (() => void)[]> = { own: [], asked: [] };
  private readonly atOnce: number;
  private readonly mostWaiting: number;

  constructor(atOnce: number, mostWaiting: number) {
    this.atOnce = atOnce;
    this.mostWaiting = mostWaiting;
  }

  private mayStart(rank: Rank): boolean {
    return this.running < this.atOnce && (rank === 'own' || this.asked < Math.max(1, this.atOnce - 1));
  }

  private begin(rank: Rank): void {
    this.running++;
    if (rank === 'asked') this.asked++;
  }

  private end(rank: Rank): void {
    this.running--;
    if (rank === 'asked') this.asked--;
    for (const next of ['own', 'asked'] as const)
      while (this.waiting[next].length > 0 && this.mayStart(next)) {
        this.begin(next);
        this.waiting[next].shift()?.();
      }
  }

  /** Works when its turn comes. @returns null where too much waits already */
  async take<T>(rank: Rank, work: () => Promise<T>): Promise<T | null> {
    if (this.mayStart(rank)) this.begin(rank);
    else if (rank === 'asked' && this.waiting.asked.length >= this.mostWaiting) return null;
    else
      await new Promise<void>((resolve) => {
        this.waiting[rank].push(resolve);
      });
    try {
      return await work();
    } finally {
      this.end(rank);
    }
  }
}

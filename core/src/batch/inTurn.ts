import { type Block, EPSILON, type Job, lastDrying, type Pending, type Window } from './jobs.ts';

/** A coat that waits to be put on, in a list kept by the time it may be. */
function insert(queue: Pending[], one: Pending): void {
  let [low, high] = [0, queue.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((queue[mid]?.ready ?? 0) <= one.ready) low = mid + 1;
    else high = mid;
  }
  queue.splice(low, 0, one);
}

/** What lies on the bench while one choice is made after another. */
class Bench {
  readonly blocks: Block[] = [];
  readonly queue: Pending[] = [];
  readonly untied: number[];
  waiting = 0;
  private readonly jobs: readonly Job[];
  private readonly places: number;

  constructor(jobs: readonly Job[], places: number) {
    this.jobs = jobs;
    this.places = places;
    this.untied = jobs.map((_, i) => i);
  }

  /** Hands on a fly. @returns when they are free again */
  private done(
    w: number,
    start: number,
    job: number,
    coat: number,
    { hands, dry }: { hands: number; dry: number },
  ): number {
    const end = start + hands;
    this.blocks.push({ window: w, start, end, job, coat, kind: 'hands' });
    if (dry > 0) this.blocks.push({ window: w, start: end, end: end + dry, job, coat, kind: 'drying' });
    if (coat < (this.jobs[job]?.coats.length ?? 0))
      insert(this.queue, { kind: 0, coat: coat + 1, ready: end + dry, job });
    return end;
  }

  /** What is tied next in a window: what has to be tied in it before anything else. */
  private nextIn(w: number): number | undefined {
    return (
      this.untied.find((i) => this.jobs[i]?.first === true || this.jobs[i]?.on === w) ??
      this.untied.find((i) => this.jobs[i]?.on === undefined)
    );
  }

  /** From when on there is a place on the rack. */
  private freeFrom(now: number): number {
    if (this.places === Infinity) return now;
    const dries = lastDrying(this.blocks, now, (job) => this.jobs[job]?.coats.length ?? 0);
    return dries.length + this.queue.length < this.places ? now : Math.min(Infinity, ...dries);
  }

  /** The coat that may be put on first, where one waits. */
  private get firstCoat(): {
    readonly of: Pending;
    readonly coat: { readonly hands: number; readonly dry: number };
  } | null {
    const [of] = this.queue;
    const coat = of && this.jobs[of.job]?.coats[of.coat - 1];
    return of && coat ? { of, coat } : null;
  }

  /** A ready coat, else the next fly. @returns when the hands are free again; null where there is nothing to do yet */
  work(w: number, now: number, to: number): number | null {
    const first = this.firstCoat;
    if (first && first.of.ready <= now + EPSILON && now + first.coat.hands <= to + EPSILON) {
      this.queue.shift();
      return this.done(w, now, first.of.job, first.of.coat, first.coat);
    }
    const next = this.nextIn(w);
    const tie = next === undefined ? undefined : this.jobs[next];
    if (next === undefined || !tie || now + tie.hands > to + EPSILON) return null;
    if (tie.coats.length > 0 && now + tie.hands + EPSILON < this.freeFrom(now)) return null;
    this.untied.splice(this.untied.indexOf(next), 1);
    return this.done(w, now, next, 0, { hands: tie.hands, dry: 0 });
  }

  /** How long there is nothing to do but what is worth waiting for: a place on the rack, in the last evening a coat; null for neither. */
  wait(w: number, now: number, to: number, isLast: boolean): number | null {
    const first = this.firstCoat;
    const next = this.nextIn(w);
    const tie = next === undefined ? undefined : this.jobs[next];
    const free = this.freeFrom(now);
    const until: number[] = [];
    if (first && isLast && first.of.ready + first.coat.hands <= to + EPSILON) until.push(first.of.ready);
    if (tie && tie.coats.length > 0 && free > now && free <= to + EPSILON) {
      const begins = Math.max(free - tie.hands, Math.min(first?.of.ready ?? Infinity, free));
      if (begins + tie.hands <= to + EPSILON) until.push(begins);
    }
    const least = Math.min(Infinity, ...until);
    return least > now + EPSILON && least < Infinity ? least : null;
  }
}

/** One choice after another without a way back: a ready coat, else the next fly, else waiting for what is worth it. Null where not all find room. */
export function inTurn(
  jobs: readonly Job[],
  windows: readonly Window[],
  places: number,
): { readonly blocks: readonly Block[]; readonly waiting: number } | null {
  const bench = new Bench(jobs, places);
  windows.forEach(({ from, to }, w) => {
    let now = from;
    let begun = false;
    for (;;) {
      const worked = bench.work(w, now, to);
      const waited = worked === null ? bench.wait(w, now, to, w === windows.length - 1) : null;
      if (worked === null && waited === null) break;
      if (waited !== null && begun) bench.waiting += waited - now;
      now = worked ?? waited ?? now;
      begun ||= worked !== null;
    }
  });
  return bench.untied.length === 0 && bench.queue.length === 0
    ? { blocks: bench.blocks, waiting: bench.waiting }
    : null;
}

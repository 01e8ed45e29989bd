import { inTurn } from './inTurn.ts';
import { EPSILON, lastDrying, type Block, type Job, type Pending, type Window } from './jobs.ts';
import type { FlyTimes } from './times.ts';

export type { Block, Job, Window } from './jobs.ts';

export interface Schedule {
  readonly blocks: readonly Block[];
  /** Windows in which anything is done. */
  readonly evenings: number;
  /** Minutes of hands that lie idle between the first and the last thing done of an evening. */
  readonly waiting: number;
  /** What no schedule of that many evenings waits less than, minutes; the waiting itself where the search ended by itself. */
  readonly bound: number;
  /** Jobs that found no room, as numbers in the list. */
  readonly left: readonly number[];
}

/** Choices that are looked at: so many where every one may be, and fewer where there are too many flies for that anyway. */
const [MOST_CHOICES, MOST_CHOICES_OF_MANY] = [25_000, 4_000];
const FEW = 8;

/** Jobs that are alike, so that which of them comes first says nothing. */
interface Kind extends FlyTimes {
  readonly first: boolean;
  readonly on: number | undefined;
  readonly jobs: readonly number[];
  /** What is still to come from each coat on: hands and drying. */
  readonly tail: readonly number[];
  /** The same until the last coat is on: how long from its beginning the hands are not done with it. */
  readonly until: readonly number[];
}

function kindsOf(jobs: readonly Job[]): Kind[] {
  const kinds = new Map<string, { times: FlyTimes & Pick<Kind, 'first' | 'on'>; jobs: number[] }>();
  jobs.forEach(({ row, hands, coats, first = false, on }, i) => {
    // Flies of one row follow one another, so that nothing else has to be brought to hand between them.
    const key = JSON.stringify([row, hands, coats, on]);
    const kind = kinds.get(key) ?? { times: { hands, coats, first, on }, jobs: [] };
    kind.jobs.push(i);
    kinds.set(key, kind);
  });
  return [...kinds.values()].map(({ times, jobs: alike }) => ({
    ...times,
    jobs: alike,
    until: Array.from({ length: times.coats.length + 2 }, (_, k) =>
      times.coats.slice(k).reduce((sum, coat, i, left) => sum + coat.hands + (i < left.length - 1 ? coat.dry : 0), 0),
    ),
    tail: Array.from({ length: times.coats.length + 2 }, (_, k) =>
      times.coats.slice(k).reduce((sum, coat) => sum + coat.hands + coat.dry, 0),
    ),
  }));
}

/** What the hands may do next. */
type Choice =
  | { readonly does: 'tie'; readonly kind: number }
  | { readonly does: 'coat'; readonly at: number }
  | { readonly does: 'wait'; readonly until: number }
  | { readonly does: 'close' };

/** Looks for a schedule of all jobs in given windows that waits least: depth first, what dries longest first, and nothing that waits as long as the best so far. */
class Search {
  private readonly kinds: readonly Kind[];
  private readonly windows: readonly Window[];
  private readonly room: readonly number[];
  private readonly isPinned: boolean;
  /** Flies that may dry at once. */
  private readonly places: number;
  private readonly most: number;
  private readonly tied: number[];
  private readonly seen = new Map<string, number>();
  private pending: Pending[] = [];
  private readonly blocks: Block[] = [];
  private left: number;
  private choices = 0;
  best: { readonly blocks: readonly Block[]; readonly waiting: number } | null = null;

  constructor(jobs: readonly Job[], windows: readonly Window[], places: number) {
    this.places = places;
    this.kinds = kindsOf(jobs);
    this.windows = windows;
    this.tied = this.kinds.map(() => 0);
    this.isPinned = jobs.some(({ on }) => on !== undefined);
    this.left = jobs.reduce(
      (sum, { hands, coats }) => sum + hands + coats.reduce((all, coat) => all + coat.hands, 0),
      0,
    );
    this.most = jobs.length <= FEW ? MOST_CHOICES : MOST_CHOICES_OF_MANY;
    const room = windows.map(() => 0);
    for (let w = windows.length - 1, sum = 0; w >= 0; w--) {
      room[w] = sum;
      sum += (windows[w]?.to ?? 0) - (windows[w]?.from ?? 0);
    }
    this.room = room;
  }

  /** Whether every choice was looked at, or none can be better. */
  get settled(): boolean {
    return this.choices <= this.most || this.best?.waiting === 0;
  }

  run(): this {
    this.go(0, this.windows[0]?.from ?? 0, 0, false);
    return this;
  }

  private go(w: number, now: number, waited: number, begun: boolean): void {
    if (this.best && waited >= this.best.waiting - EPSILON) return;
    if (this.left <= EPSILON && this.pending.length === 0 && this.isTied()) {
      this.best = { blocks: [...this.blocks], waiting: waited };
      return;
    }
    const window = this.windows[w];
    if (!window || ++this.choices > this.most) return;
    if (this.left > window.to - now + (this.room[w] ?? 0) + EPSILON || this.isMissed(w)) return;
    if (w === this.windows.length - 1) {
      // In the last evening all is done by then at the soonest, and the hands have no more to do until then than is left.
      const end = this.leastEnd(now);
      if (end > window.to + EPSILON) return;
      const waits = begun ? Math.max(0, end - now - this.left) : 0;
      if (this.best && waited + waits >= this.best.waiting - EPSILON) return;
    }
    const key = this.key(w, now, begun);
    const before = this.seen.get(key);
    if (before !== undefined && before <= waited + EPSILON) return;
    this.seen.set(key, waited);
    for (const choice of this.choicesAt(window, w, now)) this.take(choice, w, now, waited, begun);
  }

  /** The soonest that all that is left can be done by: each coat in its turn, and after all tying the coats of the fly tied last. */
  private leastEnd(now: number): number {
    let [end, tying, chain] = [now, 0, Infinity];
    for (const { kind, coat, ready } of this.pending)
      end = Math.max(end, Math.max(now, ready) + (this.kinds[kind]?.until[coat - 1] ?? 0));
    this.kinds.forEach(({ hands, jobs, until, first }, k) => {
      const left = jobs.length - (this.tied[k] ?? 0);
      tying += left * hands;
      if (left > 0 && !first) chain = Math.min(chain, until[0] ?? 0);
    });
    return tying === 0 ? end : Math.max(end, now + tying + (chain === Infinity ? 0 : chain));
  }

  /** Whether something that had to be tied before an evening was not. */
  private isMissed(w: number): boolean {
    return (
      this.isPinned &&
      this.kinds.some(({ on, jobs }, k) => on !== undefined && on < w && (this.tied[k] ?? 0) < jobs.length)
    );
  }

  private isTied(): boolean {
    return this.kinds.every(({ jobs }, k) => this.tied[k] === jobs.length);
  }

  private key(w: number, now: number, begun: boolean): string {
    const waits = this.pending.map(({ kind, coat, ready }) => `${String(kind)}.${String(coat)}.${ready.toFixed(3)}`);
    const dries = this.dryingLast(now).map((end) => end.toFixed(3));
    return `${String(w)}|${now.toFixed(3)}|${String(begun)}|${this.tied.join()}|${waits.sort().join()}|${dries.sort().join()}`;
  }

  /** A ready coat first, the one with the most still to come foremost; then tying, the same way; then waiting; then going to bed. */
  private choicesAt({ to }: Window, w: number, now: number): Choice[] {
    const coats: { choice: Choice; tail: number; key: string }[] = [];
    let next = Infinity;
    this.pending.forEach(({ kind, coat, ready }, at) => {
      const times = this.kinds[kind]?.coats[coat - 1];
      if (!times) return;
      if (ready > now + EPSILON) next = Math.min(next, ready);
      else if (now + times.hands <= to + EPSILON)
        coats.push({
          choice: { does: 'coat', at },
          tail: this.kinds[kind]?.tail[coat - 1] ?? 0,
          key: `${String(kind)}.${String(coat)}`,
        });
    });
    const alike = new Set<string>();
    const first = coats.sort((a, b) => b.tail - a.tail).filter(({ key }) => !alike.has(key) && alike.add(key));
    const untied = this.kinds.flatMap((each, kind) =>
      (this.tied[kind] ?? 0) < each.jobs.length && (each.on === undefined || each.on === w) ? [{ ...each, kind }] : [],
    );
    const firsts = untied.filter(({ first: ahead }) => ahead);
    const free = this.freeFrom(now);
    const ties = (firsts.length > 0 ? firsts : untied)
      .filter(
        ({ hands, coats: own }) => now + hands <= to + EPSILON && (own.length === 0 || now + hands + EPSILON >= free),
      )
      .map(({ kind, tail }) => ({ kind, tail: tail[0] ?? 0 }))
      .sort((a, b) => b.tail - a.tail);
    // A fly that is tied while the rack is full comes out of the vise when there is a place for it.
    const blocked = untied.flatMap(({ hands }) => (free - hands > now + EPSILON ? [free - hands] : []));
    const wait = Math.min(next, ...blocked);
    return [
      ...first.map(({ choice }) => choice),
      ...ties.map(({ kind }): Choice => ({ does: 'tie', kind })),
      ...(wait < to ? [{ does: 'wait', until: wait } as const] : []),
      { does: 'close' },
    ];
  }

  /** When flies are dry that have their last coat on and are on the rack still; nothing where it has places enough. */
  private dryingLast(now: number): number[] {
    if (this.places === Infinity) return [];
    return lastDrying(this.blocks, now, (job) => this.coatsOf(job));
  }

  /** From when on there is a place on the rack for one more fly: it has its place from the vise until its last coat is dry. */
  private freeFrom(now: number): number {
    const dries = this.dryingLast(now);
    return dries.length + this.pending.length < this.places ? now : Math.min(Infinity, ...dries);
  }

  private coatsOf(job: number): number {
    return this.kinds.find(({ jobs }) => jobs.includes(job))?.coats.length ?? 0;
  }

  private take(choice: Choice, w: number, now: number, waited: number, begun: boolean): void {
    switch (choice.does) {
      case 'close':
        this.go(w + 1, this.windows[w + 1]?.from ?? 0, waited, false);
        return;
      case 'wait':
        // Nothing was begun yet: one sits down later.
        this.go(w, choice.until, begun ? waited + choice.until - now : waited, begun);
        return;
      case 'tie': {
        const kind = this.kinds[choice.kind];
        const nth = this.tied[choice.kind] ?? 0;
        const job = kind?.jobs[nth];
        if (!kind || job === undefined) return;
        this.tied[choice.kind] = nth + 1;
        this.work({ kind: choice.kind, coat: 0, job, hands: kind.hands, dry: 0 }, w, now, waited);
        this.tied[choice.kind] = nth;
        return;
      }
      case 'coat': {
        const at = this.pending[choice.at];
        const times = at && this.kinds[at.kind]?.coats[at.coat - 1];
        if (!at || !times) return;
        const before = this.pending;
        this.pending = before.filter((_, i) => i !== choice.at);
        this.work({ ...at, ...times }, w, now, waited);
        this.pending = before;
      }
    }
  }

  /** Hands on a fly, then whatever of it dries. */
  private work(
    { kind, coat, job, hands, dry }: Omit<Pending, 'ready'> & { readonly hands: number; readonly dry: number },
    w: number,
    now: number,
    waited: number,
  ): void {
    const end = now + hands;
    const marked = this.blocks.length;
    this.blocks.push({ window: w, start: now, end, job, coat, kind: 'hands' });
    if (dry > 0) this.blocks.push({ window: w, start: end, end: end + dry, job, coat, kind: 'drying' });
    const before = this.pending;
    const more = coat < (this.kinds[kind]?.coats.length ?? 0);
    if (more) this.pending = [...before, { kind, coat: coat + 1, ready: end + dry, job }];
    this.left -= hands;
    this.go(w, end, waited, true);
    this.left += hands;
    this.pending = before;
    this.blocks.length = marked;
  }
}

/** More flies than this are laid by the first choice each time: no search would get through them. */
const MOST_SEARCHED = 40;

/** Sets of `count` windows that hold those something has to be tied in: all of them where they are few, else the earliest and the longest. */
function setsOf(windows: readonly Window[], count: number, held: readonly number[]): readonly (readonly number[])[] {
  if (held.length > count) return [];
  const all = windows.map((_, i) => i);
  const free = all.filter((i) => !held.includes(i));
  const withHeld = (some: readonly number[]): number[] =>
    [...held, ...some.slice(0, count - held.length)].sort((a, b) => a - b);
  const first = withHeld(free);
  const longest = withHeld(free.toSorted((a, b) => length(windows[b]) - length(windows[a]) || a - b));
  if (windows.length > MOST_WINDOWS_TRIED) return first.join() === longest.join() ? [first] : [first, longest];
  const sets: number[][] = [];
  const pick = (from: number, chosen: readonly number[]): void => {
    if (chosen.length === count) {
      if (held.every((i) => chosen.includes(i))) sets.push([...chosen]);
    } else for (let i = from; i < windows.length; i++) pick(i + 1, [...chosen, i]);
  };
  pick(0, []);
  return sets;
}
const MOST_WINDOWS_TRIED = 6;
const length = (window: Window | undefined): number => (window ? window.to - window.from : 0);
const handsIn = (jobs: readonly Job[]): number =>
  jobs.reduce((sum, { hands, coats }) => sum + hands + coats.reduce((all, coat) => all + coat.hands, 0), 0);

/** What jobs in one window must wait for at least: the last one tied goes through all its coats, and the others' coats fill what they can. */
function leastWaiting(jobs: readonly Job[], windows: number): number {
  if (windows > 1 || jobs.length === 0) return 0;
  const coats = jobs.flatMap((job) => job.coats.map(({ hands }) => hands)).reduce((sum, each) => sum + each, 0);
  const last = jobs.map((job) => job.coats.slice(0, -1).reduce((sum, { dry }) => sum + dry, 0));
  return Math.max(0, Math.min(...last) - coats);
}

/** A job whose window is told by its place in a set of them. */
const placedIn = ({ on, ...job }: Job, set: readonly number[]): Job =>
  on === undefined ? job : { ...job, on: set.indexOf(on) };

/** Jobs that find no room in the window they have to be tied in beside those before them there. */
function crowdedOut(jobs: readonly Job[], windows: readonly Window[]): number[] {
  const taken = windows.map(() => 0);
  return jobs.flatMap(({ on, hands }, i) => {
    if (on === undefined) return [];
    taken[on] = (taken[on] ?? 0) + hands;
    return taken[on] > length(windows[on]) + EPSILON ? [i] : [];
  });
}

/** The best schedule of all jobs in a number of windows; null where none was found. */
function within(jobs: readonly Job[], windows: readonly Window[], count: number, places: number): Schedule | null {
  let best: Schedule | null = null;
  let settled = true;
  const held = [...new Set(jobs.flatMap(({ on }) => on ?? []))];
  for (const set of setsOf(windows, count, held)) {
    const own = set.map((i) => windows[i] as Window);
    if (own.reduce((sum, each) => sum + length(each), 0) + EPSILON < handsIn(jobs)) continue;
    const placed = held.length === 0 ? jobs : jobs.map((each) => placedIn(each, set));
    const many = jobs.length > MOST_SEARCHED;
    const search = many ? null : new Search(placed, own, places).run();
    settled &&= search?.settled ?? false;
    const found = search ? search.best : inTurn(placed, own, places);
    if (!found || (best && found.waiting >= best.waiting - EPSILON)) continue;
    best = {
      blocks: found.blocks.map((block) => ({ ...block, window: set[block.window] ?? 0 })),
      evenings: count,
      waiting: found.waiting,
      bound: found.waiting,
      left: [],
    };
    if (best.waiting <= EPSILON) break;
  }
  return best && !settled ? { ...best, bound: Math.min(best.waiting, leastWaiting(jobs, count)) } : best;
}

/**
 * Lays jobs over evenings for one pair of hands: least evenings, then least waiting. No hand does two things at once, no coat is touched before it is
 * dry, nothing is begun that does not end the same evening; drying goes on over night.
 * @returns the best that was found, and what none waits less than: the same where every order was looked at, as it is for few flies. What has no room in all the evenings is left, the last first;
 * before that what has none in the one evening it was put on
 * @param places flies that may dry at once
 */
export function schedule(jobs: readonly Job[], windows: readonly Window[], places = Infinity): Schedule {
  const out = crowdedOut(jobs, windows);
  if (out.length > 0) {
    const kept = jobs.map((_, i) => i).filter((i) => !out.includes(i));
    const rest = schedule(
      kept.map((i) => jobs[i] as Job),
      windows,
      places,
    );
    return {
      ...rest,
      blocks: rest.blocks.map((block) => ({ ...block, job: kept[block.job] ?? 0 })),
      left: [...rest.left.map((i) => kept[i] ?? 0), ...out].sort((a, b) => a - b),
    };
  }
  for (let kept = jobs.length; kept > 0; kept--) {
    const some = jobs.slice(0, kept);
    const left = jobs.slice(kept).map((_, i) => kept + i);
    const total = windows.reduce((sum, each) => sum + length(each), 0);
    if (total + EPSILON < handsIn(some)) continue;
    for (let count = 1; count <= windows.length; count++) {
      const found = within(some, windows, count, places);
      if (found) return { ...found, left };
    }
  }
  return { blocks: [], evenings: 0, waiting: 0, bound: 0, left: jobs.map((_, i) => i) };
}

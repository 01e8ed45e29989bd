import { good, type Outcome } from '@jobbet/core/base';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers';
import { layFly, solveLaid, type LaidFly, type SolvedFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { layDeviant, type Deviation } from '@jobbet/core/study';
import { LongWork } from './longWork.ts';

/** How many flies are remembered: the one on the bench, and what it is compared with. */
const REMEMBERED = 4;

interface Known {
  readonly laid: Outcome<LaidFly>;
  solved?: Outcome<SolvedFly>;
}

/** What the handlers of one worker share: the drawers to solve with, the flies laid and solved last, its long work. */
export class Desk {
  /** Long work that is worked out of itself, or is the only one of its view. */
  readonly work = new LongWork(() => (this.going.size === 0 ? null : Promise.allSettled(this.going)));
  private readonly kinds = new Map<string, LongWork>();
  private readonly going = new Set<Promise<unknown>>();
  private tables: Drawers = NOMINAL_DRAWERS;
  private readonly known = new Map<string, Known>();

  /**
   * Long work that a person asked for. It goes before what is worked out of itself; only the next of its kind, or the word to leave, ends it.
   * @returns what it comes to, or null where it was ended before
   */
  async asked<S, R>(kind: string, steps: Generator<S, R>, onStep: (step: S) => void): Promise<R | null> {
    const work = this.kinds.get(kind) ?? new LongWork();
    this.kinds.set(kind, work);
    const going = work.inBits(steps, onStep);
    this.going.add(going);
    try {
      return await going;
    } finally {
      this.going.delete(going);
    }
  }

  /** Ends what was asked for of one kind. */
  end(kind: string): void {
    this.kinds.get(kind)?.leave();
  }

  /** Ends all long work. */
  leave(): void {
    for (const work of [this.work, ...this.kinds.values()]) work.leave();
  }

  get drawers(): Drawers {
    return this.tables;
  }

  /** Takes other drawers for what is solved from now on. */
  use(drawers: Drawers): void {
    this.tables = drawers;
    this.known.clear();
  }

  /** A fly laid out. @param off what came out off the plan; nothing for the fly as planned */
  laid(file: FlyFile, off: readonly Deviation[] = []): Outcome<LaidFly> {
    return this.knownOf(file, off).laid;
  }

  /** A fly solved. @param off what came out off the plan; nothing for the fly as planned */
  solved(file: FlyFile, off: readonly Deviation[] = []): Outcome<SolvedFly> {
    const known = this.knownOf(file, off);
    known.solved ??= known.laid.ok ? solveLaid(known.laid.value) : known.laid;
    return known.solved;
  }

  private knownOf(file: FlyFile, off: readonly Deviation[]): Known {
    // A file comes through as a copy each time, so that it is known by what it says.
    const key = JSON.stringify([file, off]);
    const known = this.known.get(key) ?? { laid: this.lay(file, off) };
    this.known.delete(key);
    this.known.set(key, known);
    for (const oldest of this.known.keys()) {
      if (this.known.size <= REMEMBERED) break;
      this.known.delete(oldest);
    }
    return known;
  }

  private lay(file: FlyFile, off: readonly Deviation[]): Outcome<LaidFly> {
    const plan = off.length === 0 ? layFly(file, this.tables) : this.laid(file);
    if (!plan.ok || off.length === 0) return plan;
    const deviant = layDeviant(plan.value, this.tables, off);
    return deviant.ok ? good(deviant.value) : deviant;
  }
}

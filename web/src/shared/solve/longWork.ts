/** Work goes on for so long before other questions are let in between, ms. */
const REST_AFTER_MS = 40;

/** Long work in small bits, one at a time: what is begun later, or the word to leave, ends what goes on. */
export class LongWork {
  private begun = 0;
  private readonly first: () => Promise<unknown> | null;

  /** @param first what goes first as long as there is any: this waits for it between its bits */
  constructor(first: () => Promise<unknown> | null = () => null) {
    this.first = first;
  }

  leave(): void {
    this.begun++;
  }

  /**
   * Runs a generator to its end, letting others in between.
   * @param onStep told what it yields, now and then
   * @param mustTell whether a step is told whatever else
   * @returns what it comes to, or null where it was ended before
   */
  async inBits<S, R>(
    steps: Generator<S, R>,
    onStep: (step: S) => void,
    mustTell: (step: S) => boolean = () => false,
  ): Promise<R | null> {
    const mine = ++this.begun;
    let rested = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done === true) return step.value;
      const late = performance.now() - rested >= REST_AFTER_MS;
      if (!late && !mustTell(step.value)) continue;
      onStep(step.value);
      await new Promise((resolve) => setTimeout(resolve));
      for (let other = this.first(); other !== null; other = this.first()) await other;
      if (mine !== this.begun) return null;
      rested = performance.now();
    }
  }
}

/**
 * Asks for one answer at a time and for the newest question only: what is asked while an answer is on its way waits, and of several
 * that wait the last one is asked. Answers and failures that were overtaken are dropped.
 */
export class Latest<Q, A> {
  private wanted: Q | undefined;
  private busy = false;
  private readonly solve: (question: Q) => Promise<A>;
  private readonly onAnswer: (question: Q, answer: A) => void;
  private readonly onFailed: (question: Q, reason: unknown) => void;

  constructor(
    solve: (question: Q) => Promise<A>,
    onAnswer: (question: Q, answer: A) => void,
    onFailed: (question: Q, reason: unknown) => void = () => undefined,
  ) {
    this.solve = solve;
    this.onAnswer = onAnswer;
    this.onFailed = onFailed;
  }

  ask(question: Q): void {
    this.wanted = question;
    if (!this.busy) void this.run();
  }

  private async run(): Promise<void> {
    this.busy = true;
    while (this.wanted !== undefined) {
      const question = this.wanted;
      const tell = await this.solve(question).then(
        (answer) => () => this.onAnswer(question, answer),
        (reason: unknown) => () => this.onFailed(question, reason),
      );
      if (this.wanted !== question) continue;
      this.wanted = undefined;
      tell();
    }
    this.busy = false;
  }
}

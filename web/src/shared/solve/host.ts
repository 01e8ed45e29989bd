/** Why an answer never came: the worker broke down, or was silent for too long. */
export class WorkerLost extends Error {}

/** A worker, as far as it is looked after here. */
export interface WatchedWorker {
  addEventListener(type: 'error' | 'messageerror', listener: (event: { readonly message?: string }) => void): void;
  terminate(): void;
}

interface Running<R> {
  readonly worker: WatchedWorker;
  readonly remote: R;
  /** Rejects when this worker is lost. */
  readonly lost: Promise<never>;
  readonly lose: (reason: WorkerLost) => void;
}

export interface Asking {
  /** A question that must be answered within so many ms; none for long work that tells how far it is. */
  readonly withinMs?: number;
}

/**
 * Keeps a worker going. A question to a worker that breaks down or stays silent is answered with WorkerLost, never not at all, and the
 * next one goes to a new worker.
 */
export class WorkerHost<R> {
  private running: Running<R> | null = null;
  private readonly make: () => { readonly worker: WatchedWorker; readonly remote: R };
  private readonly onLost: (reason: WorkerLost) => void;

  /** @param onLost told each time one is lost */
  constructor(
    make: () => { readonly worker: WatchedWorker; readonly remote: R },
    onLost: (reason: WorkerLost) => void = () => undefined,
  ) {
    this.make = make;
    this.onLost = onLost;
  }

  private start(): Running<R> {
    const { worker, remote } = this.make();
    let lose: (reason: WorkerLost) => void = () => undefined;
    const lost = new Promise<never>((_resolve, reject) => {
      lose = reject;
    });
    // Nobody may be asking when it is lost.
    lost.catch(() => undefined);
    const running = { worker, remote, lost, lose };
    const broken = ({ message }: { readonly message?: string }): void =>
      this.drop(running, new WorkerLost(message ?? 'the worker broke down'));
    worker.addEventListener('error', broken);
    worker.addEventListener('messageerror', broken);
    return running;
  }

  private drop(running: Running<R>, reason: WorkerLost): void {
    if (this.running !== running) return;
    this.running = null;
    running.worker.terminate();
    running.lose(reason);
    this.onLost(reason);
  }

  /** Asks the worker that runs, or a new one. @throws WorkerLost where it is lost before it answers */
  async ask<T>(question: (remote: R) => Promise<T>, { withinMs }: Asking = {}): Promise<T> {
    const running = (this.running ??= this.start());
    let timer: ReturnType<typeof setTimeout> | undefined;
    if (withinMs !== undefined)
      timer = setTimeout(
        () => this.drop(running, new WorkerLost(`the worker gave no answer in ${String(withinMs / 1000)} s`)),
        withinMs,
      );
    try {
      return await Promise.race([question(running.remote), running.lost]);
    } finally {
      clearTimeout(timer);
    }
  }
}

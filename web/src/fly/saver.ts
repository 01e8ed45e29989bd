import type { FlyFile } from '@jobbet/core/pattern';
import { dequal } from 'dequal';
import { api, RequestError } from '../shared/api/client.ts';
import { dropDraft, keepDraft } from './drafts.ts';
import { isToSettle, type Bench } from './store.ts';

const SETTLE_MS = 700;
const RETRY_MS = 4000;

/** Saves that are on their way, by fly. */
const onTheWay = new Map<string, Promise<void>>();

/** Waits until what was sent of a fly has been answered, whichever bench sent it. */
export const saved = (id: string): Promise<void> => onTheWay.get(id) ?? Promise.resolve();

/** Saves a bench by itself: at once on this device, on the server when the hand rests. Conflicts are left to be settled. */
export class Saver {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running = false;
  private stopped = false;
  private savedFile: FlyFile;
  private leave: () => void = () => undefined;
  private readonly bench: Bench;
  private readonly onSaved: () => void;

  constructor(bench: Bench, onSaved: () => void) {
    this.bench = bench;
    this.onSaved = onSaved;
    this.savedFile = bench.getState().file;
  }

  /** Begins to follow the bench. */
  start(): void {
    this.stopped = false;
    this.leave = this.bench.subscribe((state, before) => {
      if (state.file === before.file || state.file === this.savedFile) return;
      // A pull is kept when it ends: what lies between is no step of its own.
      if (state.moving) return;
      this.schedule();
      this.keep(state.file, state.revision);
    });
    window.addEventListener('pagehide', this.flush);
    window.addEventListener('online', this.flush);
  }

  /** A store that takes nothing more costs what stands on this device, never the save. */
  private keep(file: FlyFile, revision: number): void {
    const { id, onDevice } = this.bench.getState();
    const keeps = keepDraft(id, { file, revision, at: Date.now() });
    if (keeps !== onDevice) this.bench.setState({ onDevice: keeps });
  }

  /** Whether something is not on the server that could be. */
  private waits(): boolean {
    const { file, save } = this.bench.getState();
    return file !== this.savedFile && !isToSettle(save) && save !== 'failed';
  }

  private schedule(after = SETTLE_MS): void {
    if (this.stopped || isToSettle(this.bench.getState().save)) return;
    if (this.bench.getState().save === 'saved') this.bench.setState({ save: 'waiting' });
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), after);
  }

  /** Sends what waits without waiting for the hand to rest. */
  readonly flush = (): void => {
    if (this.bench.getState().file === this.savedFile || isToSettle(this.bench.getState().save)) return;
    clearTimeout(this.timer);
    void this.send();
  };

  /** Sends what waits and resolves when it has been answered. */
  async settledDown(): Promise<void> {
    this.flush();
    await saved(this.bench.getState().id);
  }

  /** Never runs in a conflict: what was saved elsewhere is not saved over before someone has said so. */
  private send(kind: 'auto' | 'saved' = 'auto'): Promise<void> {
    if (isToSettle(this.bench.getState().save)) return Promise.resolve();
    if (this.running) {
      this.schedule(200);
      return Promise.resolve();
    }
    const { id } = this.bench.getState();
    const sending = this.sendNow(kind)
      .then(async () => {
        // What was done while it was on its way goes at once where the bench was left.
        if (this.stopped && this.waits()) await this.sendNow('auto');
      })
      .finally(() => {
        if (onTheWay.get(id) === sending) onTheWay.delete(id);
      });
    onTheWay.set(id, sending);
    return sending;
  }

  private async sendNow(kind: 'auto' | 'saved'): Promise<void> {
    const { id, file, revision } = this.bench.getState();
    this.running = true;
    this.bench.setState({ save: 'saving' });
    try {
      const stored = await api.save(id, file, revision, kind);
      this.took(file, stored.revision);
    } catch (error) {
      const code = error instanceof RequestError ? error.code : '';
      if (code === 'stale') await this.overtaken(file);
      else this.failed(code === 'no-fly' ? 'gone' : 'failed', error);
    } finally {
      this.running = false;
    }
  }

  /** The server holds a newer save: this very file, where only the answer to it was lost; else someone else's. */
  private async overtaken(file: FlyFile): Promise<void> {
    const current = await api.fly(this.bench.getState().id).catch(() => null);
    if (current && dequal(current.file, file)) this.took(file, current.revision);
    else this.bench.setState({ save: 'conflict' });
  }

  private failed(save: 'failed' | 'gone', error: unknown): void {
    this.bench.setState({ save, saveProblem: error instanceof Error ? error.message : 'It was not saved.' });
    if (save === 'failed' && !this.stopped) this.timer = setTimeout(() => void this.send(), RETRY_MS);
  }

  private took(file: FlyFile, revision: number): void {
    this.savedFile = file;
    const current = this.bench.getState().file === file;
    this.bench.setState({ revision, save: current ? 'saved' : 'waiting', saveProblem: null });
    if (current) dropDraft(this.bench.getState().id);
    else {
      this.keep(this.bench.getState().file, revision);
      this.schedule();
    }
    this.onSaved();
  }

  /** Treats the file on the bench as what the server holds: after taking theirs, or restoring. */
  settled(file: FlyFile, revision: number): void {
    clearTimeout(this.timer);
    this.took(file, revision);
  }

  /** Saves over what the server holds now, out of the trash too; what is saved there meanwhile is a conflict again. */
  async keepMine(): Promise<void> {
    const { id, save } = this.bench.getState();
    const current = save === 'gone' ? await api.undelete(id) : await api.fly(id);
    this.bench.setState({ revision: current.revision, save: 'waiting' });
    await this.send('saved');
  }

  stop(): void {
    this.flush();
    this.stopped = true;
    clearTimeout(this.timer);
    this.leave();
    window.removeEventListener('pagehide', this.flush);
    window.removeEventListener('online', this.flush);
  }
}

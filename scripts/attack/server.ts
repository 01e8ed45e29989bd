import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '../..');

/** A built server of its own on a folder of its own, on this machine's loopback only; it can be killed and started again. */
export class Target {
  readonly folder = mkdtempSync(join(tmpdir(), 'jobbet-attack-'));
  url = '';
  private child: ChildProcess | undefined;

  async start(): Promise<void> {
    const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs'), '--seed'], {
      env: { ...process.env, PORT: '0', HOST: '127.0.0.1', JOBBET_DATA: this.folder, LOG_LEVEL: 'error' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    this.url = await new Promise((resolve, reject) => {
      child.stdout.on('data', (data: Buffer) => {
        const found = /http:\/\/\S+/.exec(data.toString());
        if (found) resolve(found[0]);
      });
      child.once('exit', (code) => {
        reject(new Error(`the server ended with ${String(code)} before it answered`));
      });
    });
  }

  /** Ends it as a cut of the power does. */
  async kill(): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    child.kill('SIGKILL');
    await once(child, 'exit');
  }

  /** Ends it as a person does. */
  async stop(): Promise<void> {
    const { child } = this;
    if (!child || !this.isAlive) return;
    child.kill('SIGTERM');
    await once(child, 'exit');
  }

  get isAlive(): boolean {
    return this.child?.exitCode === null && this.child.signalCode === null;
  }

  /** Memory it holds, MB; 0 where the system does not tell. */
  memoryMb(): number {
    try {
      const status = readFileSync(`/proc/${String(this.child?.pid)}/status`, 'utf8');
      return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
    } catch {
      return 0;
    }
  }

  async close(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** A seeded row of numbers from 0 to 1, so that what was found is found again. */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

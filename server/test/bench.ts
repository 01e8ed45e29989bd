import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { buildApp, type AppOptions } from '../src/app.ts';
import { openHouse, type House } from '../src/house.ts';
import type { Solvers } from '../src/solving/solvers.ts';
import type { FastifyInstance } from 'fastify';

/** A fly file of one tail on a bare hook, so long. */
export function fly(name = 'Test', length = '1 shank'): FlyFile {
  const tail = {
    id: 'tail',
    role: 'tail',
    construction: 'bundle',
    material: 'marabou',
    pinch: '2 mm',
    at: 'bend',
    length,
  };
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name,
    platform: { kind: 'single', size: '6' },
    parts: [tail],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

/** A data folder of its own that goes when the test is over. */
export function tempFolder(): { readonly path: string; readonly remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'jobbet-test-'));
  return {
    path,
    remove: () => {
      rmSync(path, { recursive: true, force: true });
    },
  };
}

/** A clock that stands until it is moved. */
export class Clock {
  ms = 1_000_000;
  readonly now = (): number => this.ms;
  minutes(count: number): void {
    this.ms += count * 60_000;
  }
}

export interface Boathouse extends House {
  readonly folder: string;
  readonly house: House;
  readonly clock: Clock;
}

/** A house on a fresh folder, which solves on the thread of the test unless other solvers are given. */
export async function boathouse(
  more: { readonly solvers?: Solvers; readonly phrase?: string } = {},
): Promise<Boathouse> {
  const folder = tempFolder();
  const clock = new Clock();
  const house = await openHouse(folder.path, { now: clock.now, ...more });
  const close = async (): Promise<void> => {
    await house.close();
    folder.remove();
  };
  return { ...house, folder: folder.path, house, clock, close };
}

/** Changes rows behind the back of whatever keeps them, as damage does. */
export async function spoil({ database, drawers }: House, sql: string, args: string[] = []): Promise<void> {
  await database.client.execute({ sql, args });
  database.ledger.writtenPast();
  drawers.forget();
}

/** An app on a boathouse, with no web folder unless one is given. */
export const appOn = ({ house }: Boathouse, more: Partial<AppOptions> = {}): Promise<FastifyInstance> =>
  buildApp({ house, version: 'test', webFolder: '/nowhere', ...more });

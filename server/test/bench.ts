import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readFlyValue, type FlyFile } from '@jobbet/core';
import { buildApp, type AppOptions } from '../src/app.ts';
import { openDatabase, type OpenDatabase } from '../src/db/open.ts';
import { DrawerStore } from '../src/drawers.ts';
import { FlyStore } from '../src/store.ts';

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

export interface Boathouse {
  readonly folder: string;
  readonly database: OpenDatabase;
  readonly drawers: DrawerStore;
  readonly store: FlyStore;
  readonly clock: Clock;
  readonly close: () => void;
}

/** A store on a fresh database. */
export async function boathouse(): Promise<Boathouse> {
  const folder = tempFolder();
  const database = await openDatabase(folder.path);
  const clock = new Clock();
  const close = (): void => {
    database.close();
    folder.remove();
  };
  const drawers = new DrawerStore(database.db, clock.now);
  const store = new FlyStore(database.db, clock.now, () => drawers.drawers());
  return { folder: folder.path, database, drawers, store, clock, close };
}

/** An app on a boathouse, with no web folder unless one is given. */
export const appOn = ({ store, drawers, database, folder }: Boathouse, more: Partial<AppOptions> = {}) =>
  buildApp({ store, drawers, db: database.db, folder, version: 'test', webFolder: '/nowhere', ...more });

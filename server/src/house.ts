import { openDatabase, type OpenDatabase } from './db/open.ts';
import { DrawerStore } from './drawers/store.ts';
import { ApiError } from './errors.ts';
import { fillDrawersOnce, fillJudgementsOnce, seedOnce } from './flies/examples.ts';
import { refreshSummaries } from './flies/refresh.ts';
import { Shelf } from './flies/shelf.ts';
import { FlyStore } from './flies/store.ts';
import { HandStore } from './hands/store.ts';
import { PictureShelf } from './pictures/shelf.ts';
import { BatchStore } from './records/batches.ts';
import {
  seedBatchesOnce,
  seedBeatsOnce,
  seedDatesOnce,
  seedDrillsOnce,
  seedOutingsOnce,
  seedSpecimensOnce,
} from './records/examples.ts';
import { SpecimenStore } from './records/specimens.ts';
import { pictureNames, RecordStore } from './records/store.ts';
import { Devices } from './signin/devices.ts';
import { solversHere, type Solvers } from './solving/solvers.ts';
import { TyingStore } from './tyings/store.ts';

/** A data folder opened, with everything that keeps what is in it. */
export interface House {
  readonly database: OpenDatabase;
  readonly solvers: Solvers;
  readonly shelf: Shelf;
  readonly drawers: DrawerStore;
  readonly flies: FlyStore;
  /** The same flies, solved on this thread and however long it takes: for what is done before anybody is served. */
  readonly ownFlies: FlyStore;
  readonly tyings: TyingStore;
  readonly batches: BatchStore;
  readonly specimens: SpecimenStore;
  readonly beats: RecordStore<'beat'>;
  readonly dates: RecordStore<'date'>;
  readonly drills: RecordStore<'drill'>;
  readonly outings: RecordStore<'outing'>;
  readonly pictures: PictureShelf;
  readonly hands: HandStore;
  /** Devices that are signed in; null where none needs to. */
  readonly devices: Devices | null;
  /** Brings what lists show of flies up to date with the model. */
  readonly refresh: () => Promise<number>;
  readonly close: () => Promise<void>;
}

interface HouseOptions {
  readonly solvers?: Solvers;
  readonly now?: () => number;
  readonly phrase?: string | null;
}

/** Opens a data folder for this process alone. @throws StartError */
export async function openHouse(
  folder: string,
  { solvers = solversHere(), now = Date.now, phrase = null }: HouseOptions = {},
): Promise<House> {
  const database = await openDatabase(folder);
  const { ledger } = database;
  const shelf = new Shelf(ledger);
  const drawers = new DrawerStore(ledger, shelf, solvers, now);
  return {
    database,
    solvers,
    shelf,
    drawers,
    flies: new FlyStore(ledger, shelf, solvers, () => drawers.snapshot(), now),
    ownFlies: new FlyStore(ledger, shelf, solversHere(), () => drawers.snapshot(), now),
    tyings: new TyingStore(ledger),
    batches: new BatchStore(ledger, drawers, solvers, now),
    specimens: new SpecimenStore(ledger, now),
    beats: new RecordStore(ledger, 'beat', now),
    dates: new RecordStore(ledger, 'date', now),
    drills: new RecordStore(ledger, 'drill', now),
    outings: new RecordStore(ledger, 'outing', now),
    pictures: new PictureShelf(folder),
    hands: new HandStore(ledger),
    devices: phrase === null ? null : await Devices.open(ledger, phrase, now),
    refresh: async () => refreshSummaries(ledger, solvers, await drawers.snapshot()),
    close: async () => {
      await solvers.close();
      database.close();
    },
  };
}

/** Fills a new folder: with what is nominal, or with the boathouse's own where the demo is asked for; brings an older one up to date. */
export async function furnish(
  { database, drawers, ownFlies, batches, specimens, beats, outings, dates, drills, pictures, refresh }: House,
  demo: boolean,
): Promise<void> {
  const { ledger } = database;
  await fillDrawersOnce(ledger, drawers, demo);
  await fillJudgementsOnce(ledger, drawers, demo);
  try {
    await refresh();
  } catch (error) {
    // A machine that is busy with something else must not keep the house from opening: these flies were let in before.
    if (!(error instanceof ApiError && error.code === 'too-long')) throw error;
    await refreshSummaries(ledger, solversHere(), await drawers.snapshot());
  }
  const named = await pictureNames(ledger);
  pictures.sweep((name) => named.has(name));
  if (!demo) return;
  await seedOnce(ledger, ownFlies);
  await seedBatchesOnce(ledger, batches, ownFlies);
  await seedSpecimensOnce(ledger, specimens, ownFlies, pictures);
  await seedBeatsOnce(ledger, beats);
  await seedOutingsOnce(ledger, outings, ownFlies);
  await seedDatesOnce(ledger, dates);
  await seedDrillsOnce(ledger, drills);
}

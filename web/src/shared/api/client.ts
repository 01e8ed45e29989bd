import { ROUTES, type sentFileSchema, type TyingRecord } from '@jobbet/core/contract';
import type { DrawerItem, DrawerItems, DrawerName } from '@jobbet/core/drawers';
import type { Hand, Page, Paper } from '@jobbet/core/drawing';
import type { FlyFile } from '@jobbet/core/pattern';
import type {
  BatchFile,
  BeatFile,
  DateFile,
  DrillFile,
  OutingFile,
  SpecimenFile,
  TyingHand,
} from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import type { z } from 'zod';
import { laidOnce } from './once.ts';
import { ask, askTagged, askWatched, reach, refused, type Watching } from './request.ts';

export { RequestError, type Watching } from './request.ts';
export type {
  FlyChange,
  FlyVersion,
  ListedFly,
  ListedRecord,
  SoundFly,
  StoredBatch,
  StoredFly,
  StoredItem,
  StoredBeat,
  StoredDate,
  StoredDrill,
  StoredOuting,
  StoredSpecimen,
} from '@jobbet/core/contract';

type Answer<N extends keyof typeof ROUTES> = z.output<(typeof ROUTES)[N]['out']>;
export type BackupCounts = Answer<'lookAtBackup'>;
export type BrokenRow = Answer<'broken'>[number];
export type Device = Answer<'devices'>[number];

/** On what, from which side and in which units a sheet is printed. */
export interface SheetPrint {
  readonly paper: Paper;
  readonly hand: Hand;
  readonly style: Style;
  readonly beginner: boolean;
}

const blobOf = ({ type, base64 }: z.output<typeof sentFileSchema>): Blob =>
  new Blob([Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0))], { type });

/** Everything the app asks of its server. */
export const api = {
  flies: () => askTagged(ROUTES.flies),
  /** Flies that another model moved, until that was seen. */
  moved: () => ask(ROUTES.moved, {}),
  seenMoved: () => ask(ROUTES.seenMoved, {}),
  fly: (id: string) => ask(ROUTES.fly, { params: { id } }),
  /** The pattern file as it is kept, whether it reads or not. */
  fileText: async (id: string): Promise<string> => {
    const response = await reach('GET', `/api/flies/${id}/file`);
    return response.ok ? response.text() : refused(response);
  },
  create: laidOnce((file: FlyFile, sentAs) => ask(ROUTES.createFly, { body: { file, sentAs } })),
  save: (id: string, file: FlyFile, revision: number, kind: 'auto' | 'saved' = 'auto') =>
    ask(ROUTES.saveFly, { params: { id }, body: { file, revision, kind } }),
  remove: (id: string) => ask(ROUTES.deleteFly, { params: { id } }),
  undelete: (id: string) => ask(ROUTES.undeleteFly, { params: { id } }),
  trash: () => ask(ROUTES.trash, {}),
  purge: (id: string) => ask(ROUTES.purgeFly, { params: { id } }),
  broken: () => ask(ROUTES.broken, {}),
  versions: (id: string) => ask(ROUTES.versions, { params: { id } }),
  nameVersion: (id: string, revision: number, name: string) =>
    ask(ROUTES.nameVersion, { params: { id }, body: { revision, name } }),
  restore: (id: string, version: number, revision: number) =>
    ask(ROUTES.restoreVersion, { params: { id }, body: { version, revision } }),
  tyings: (id: string) => ask(ROUTES.tyings, { params: { id } }),
  keepTying: ({ fly, begun, ...tying }: TyingRecord) =>
    ask(ROUTES.keepTying, { params: { id: fly, begun }, body: tying }),
  removeTying: ({ fly, begun }: TyingRecord) => ask(ROUTES.removeTying, { params: { id: fly, begun } }),
  /** Pages as one PDF. */
  printPdf: async (title: string, pages: readonly Page[], watching: Watching = {}): Promise<Blob> =>
    blobOf(await askWatched(ROUTES.pagesPdf, { body: { title, pages: [...pages] } }, watching)),
  /** How a fly is tied, as a PDF. */
  sheetPdf: async (
    file: FlyFile,
    { paper, hand, style, beginner }: SheetPrint,
    watching: Watching = {},
  ): Promise<Blob> =>
    blobOf(await askWatched(ROUTES.sheetPdf, { body: { file, paper, hand, style, beginner } }, watching)),
  /** Batches as lists have them, those in the trash too. */
  batches: () => ask(ROUTES.batches, {}),
  batch: (id: string) => ask(ROUTES.batch, { params: { id } }),
  /** The drawers as they lay before flies of a batch took of them. */
  batchDrawers: (id: string) => ask(ROUTES.batchDrawers, { params: { id } }),
  createBatch: laidOnce((record: BatchFile, sentAs) => ask(ROUTES.createBatch, { body: { record, sentAs } })),
  saveBatch: (id: string, record: BatchFile, revision: number) =>
    ask(ROUTES.saveBatch, { params: { id }, body: { record, revision } }),
  removeBatch: (id: string) => ask(ROUTES.deleteBatch, { params: { id } }),
  undeleteBatch: (id: string) => ask(ROUTES.undeleteBatch, { params: { id } }),
  purgeBatch: (id: string) => ask(ROUTES.purgeBatch, { params: { id } }),
  /** Finished flies of a pattern. */
  specimens: (fly: string) => ask(ROUTES.specimens, { params: { id: fly } }),
  createSpecimen: laidOnce((record: SpecimenFile, sentAs) => ask(ROUTES.createSpecimen, { body: { record, sentAs } })),
  saveSpecimen: (id: string, record: SpecimenFile, revision: number) =>
    ask(ROUTES.saveSpecimen, { params: { id }, body: { record, revision } }),
  /** Keeps a picture. @returns as what a finished fly names it */
  keepPicture: (picture: Blob) => ask(ROUTES.keepPicture, { body: picture }),
  listedSpecimens: () => ask(ROUTES.listedSpecimens, {}),
  purgeSpecimen: (id: string) => ask(ROUTES.purgeSpecimen, { params: { id } }),
  removeSpecimen: (id: string) => ask(ROUTES.deleteSpecimen, { params: { id } }),
  undeleteSpecimen: (id: string) => ask(ROUTES.undeleteSpecimen, { params: { id } }),
  /** All beats, those in the trash too. */
  beats: () => ask(ROUTES.beats, {}),
  createBeat: laidOnce((record: BeatFile, sentAs) => ask(ROUTES.createBeat, { body: { record, sentAs } })),
  saveBeat: (id: string, record: BeatFile, revision: number) =>
    ask(ROUTES.saveBeat, { params: { id }, body: { record, revision } }),
  removeBeat: (id: string) => ask(ROUTES.deleteBeat, { params: { id } }),
  undeleteBeat: (id: string) => ask(ROUTES.undeleteBeat, { params: { id } }),
  purgeBeat: (id: string) => ask(ROUTES.purgeBeat, { params: { id } }),
  /** All rounds of the drill, those in the trash too. */
  drills: () => ask(ROUTES.drills, {}),
  createDrill: (record: DrillFile, sentAs?: string) => ask(ROUTES.createDrill, { body: { record, sentAs } }),
  saveDrill: (id: string, record: DrillFile, revision: number) =>
    ask(ROUTES.saveDrill, { params: { id }, body: { record, revision } }),
  removeDrill: (id: string) => ask(ROUTES.deleteDrill, { params: { id } }),
  undeleteDrill: (id: string) => ask(ROUTES.undeleteDrill, { params: { id } }),
  purgeDrill: (id: string) => ask(ROUTES.purgeDrill, { params: { id } }),
  /** All dates one set, those in the trash too. */
  dates: () => ask(ROUTES.dates, {}),
  createDate: laidOnce((record: DateFile, sentAs) => ask(ROUTES.createDate, { body: { record, sentAs } })),
  saveDate: (id: string, record: DateFile, revision: number) =>
    ask(ROUTES.saveDate, { params: { id }, body: { record, revision } }),
  removeDate: (id: string) => ask(ROUTES.deleteDate, { params: { id } }),
  undeleteDate: (id: string) => ask(ROUTES.undeleteDate, { params: { id } }),
  purgeDate: (id: string) => ask(ROUTES.purgeDate, { params: { id } }),
  /** All outings, those in the trash too. */
  outings: () => ask(ROUTES.outings, {}),
  createOuting: (record: OutingFile, sentAs?: string) => ask(ROUTES.createOuting, { body: { record, sentAs } }),
  saveOuting: (id: string, record: OutingFile, revision: number) =>
    ask(ROUTES.saveOuting, { params: { id }, body: { record, revision } }),
  removeOuting: (id: string) => ask(ROUTES.deleteOuting, { params: { id } }),
  undeleteOuting: (id: string) => ask(ROUTES.undeleteOuting, { params: { id } }),
  purgeOuting: (id: string) => ask(ROUTES.purgeOuting, { params: { id } }),
  hands: () => ask(ROUTES.hands, {}),
  keepHand: (hand: TyingHand, revision: number) => ask(ROUTES.keepHand, { body: { hand, revision } }),
  drawers: () => ask(ROUTES.drawers, {}),
  exportDrawers: () => ask(ROUTES.exportDrawers, {}),
  addItem: (drawer: DrawerName, item: DrawerItem, watching: Watching = {}) =>
    askWatched(ROUTES.addItem, { body: { drawer, item } }, watching),
  changeItem: (id: string, item: DrawerItem, revision: number, watching: Watching = {}) =>
    askWatched(ROUTES.changeItem, { params: { id }, body: { item, revision } }, watching),
  removeItem: (id: string, watching: Watching = {}) => askWatched(ROUTES.removeItem, { params: { id } }, watching),
  layIn: (items: Partial<Record<keyof DrawerItems, DrawerItem[]>>, watching: Watching = {}) =>
    askWatched(ROUTES.layIn, { body: items }, watching),
  /** Makes a backup of everything. @returns where it can be fetched, once */
  makeBackup: async (watching: Watching = {}): Promise<string> =>
    `/api/backup/${(await askWatched(ROUTES.makeBackup, {}, watching)).id}`,
  lookAtBackup: (file: Blob, watching: Watching = {}) => askWatched(ROUTES.lookAtBackup, { body: file }, watching),
  restoreBackup: (file: Blob, watching: Watching = {}) => askWatched(ROUTES.restoreBackup, { body: file }, watching),
  examples: () => ask(ROUTES.examples, {}),
  signInState: () => ask(ROUTES.signInState, {}),
  signIn: (phrase: string) => ask(ROUTES.signIn, { body: { phrase } }),
  signOut: () => ask(ROUTES.signOut, {}),
  devices: () => ask(ROUTES.devices, {}),
  signOutDevice: (id: string) => ask(ROUTES.signOutDevice, { params: { id } }),
};

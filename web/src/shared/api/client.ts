import type { FlyFile } from '@jobbet/core/pattern';
import type { Hand, Page, Paper } from '@jobbet/core/drawing';
import { styleSchema, type Style } from '@jobbet/core/units';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers';
import type {
  FlyChange,
  FlyVersion,
  ListedFly,
  SoundFly,
  StoredFly,
  StoredItem,
  TyingRecord,
} from '@jobbet/core/contract';
import { call, callTagged, callWatched, reach, refused, type Watching } from './request.ts';

export { RequestError, type Watching } from './request.ts';
export type { FlyChange, FlyVersion, ListedFly, SoundFly, StoredFly, StoredItem };

/** What a change in the drawers answers with: the item as it is now, and the flies whose figures it moved. */
export interface ItemAnswer {
  readonly item: StoredItem;
  readonly changes: readonly FlyChange[];
}
export interface ImportAnswer {
  readonly added: number;
  readonly replaced: number;
  readonly changes: readonly FlyChange[];
}
export interface BackupCounts {
  readonly made: string;
  readonly flies: number;
  readonly versions: number;
  readonly items: number;
  readonly tyings: number;
  /** Rows that break today's limits. */
  readonly broken: readonly { readonly table: string; readonly name: string; readonly why: string }[];
}
/** Something that is kept and no longer reads. */
export interface BrokenRow {
  readonly what: string;
  readonly name: string;
  readonly why: string;
  readonly text: string;
}
export interface SignInState {
  readonly needed: boolean;
  readonly signedIn: boolean;
}
export interface Device {
  readonly id: string;
  readonly words: string;
  readonly signedInAt: number;
  readonly seenAt: number;
  readonly own: boolean;
}

/** On what, from which side and in which units a sheet is printed. */
export interface SheetPrint {
  readonly paper: Paper;
  readonly hand: Hand;
  readonly style: Style;
}

interface SentFile {
  readonly type: string;
  readonly base64: string;
}
const blobOf = ({ type, base64 }: SentFile): Blob =>
  new Blob([Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0))], { type });

export const api = {
  flies: () => callTagged<ListedFly[]>('/api/flies'),
  fly: (id: string) => call<StoredFly>('GET', `/api/flies/${id}`),
  /** The pattern file as it is kept, whether it reads or not. */
  fileText: async (id: string): Promise<string> => {
    const response = await reach('GET', `/api/flies/${id}/file`);
    return response.ok ? response.text() : refused(response);
  },
  create: (file: FlyFile) => call<StoredFly>('POST', '/api/flies', { file }),
  save: (id: string, file: FlyFile, revision: number, kind: 'auto' | 'saved' = 'auto') =>
    call<StoredFly>('PUT', `/api/flies/${id}`, { file, revision, kind }),
  remove: (id: string) => call<ListedFly>('DELETE', `/api/flies/${id}`),
  undelete: (id: string) => call<ListedFly>('POST', `/api/flies/${id}/undelete`, {}),
  trash: () => call<ListedFly[]>('GET', '/api/trash'),
  purge: (id: string) => call<undefined>('DELETE', `/api/trash/${id}`),
  broken: () => call<BrokenRow[]>('GET', '/api/broken'),
  versions: (id: string) => call<FlyVersion[]>('GET', `/api/flies/${id}/versions`),
  restore: (id: string, version: number, revision: number) =>
    call<StoredFly>('POST', `/api/flies/${id}/restore`, { version, revision }),
  tyings: (fly: string) => call<TyingRecord[]>('GET', `/api/flies/${fly}/tyings`),
  keepTying: ({ fly, begun, ...tying }: TyingRecord) =>
    call<TyingRecord>('PUT', `/api/flies/${fly}/tyings/${String(begun)}`, tying),
  removeTying: ({ fly, begun }: TyingRecord) => call<undefined>('DELETE', `/api/flies/${fly}/tyings/${String(begun)}`),
  /** Pages as one PDF. */
  printPdf: async (title: string, pages: readonly Page[], watching: Watching = {}): Promise<Blob> =>
    blobOf(await callWatched<SentFile>('POST', '/api/print.pdf', { title, pages }, watching)),
  /** How a fly is tied, as a PDF. */
  sheetPdf: async (file: FlyFile, { paper, hand, style }: SheetPrint, watching: Watching = {}): Promise<Blob> =>
    blobOf(
      await callWatched<SentFile>(
        'POST',
        '/api/sheet.pdf',
        { file, paper, hand, style: styleSchema.parse(style) },
        watching,
      ),
    ),
  drawers: () => call<StoredItem[]>('GET', '/api/drawers'),
  exportDrawers: () => call<Record<string, unknown>>('GET', '/api/drawers/export'),
  addItem: (drawer: DrawerName, item: DrawerItem, watching: Watching = {}) =>
    callWatched<ItemAnswer>('POST', '/api/drawers', { drawer, item }, watching),
  changeItem: (id: string, item: DrawerItem, revision: number, watching: Watching = {}) =>
    callWatched<ItemAnswer>('PUT', `/api/drawers/${id}`, { item, revision }, watching),
  removeItem: (id: string, watching: Watching = {}) =>
    callWatched<ItemAnswer>('DELETE', `/api/drawers/${id}`, undefined, watching),
  layIn: (items: Partial<Record<DrawerName, readonly DrawerItem[]>>, watching: Watching = {}) =>
    callWatched<ImportAnswer>('POST', '/api/drawers/import', items, watching),
  /** Makes a backup of everything. @returns where it can be fetched, once */
  makeBackup: async (watching: Watching = {}): Promise<string> =>
    `/api/backup/${(await callWatched<{ id: string }>('POST', '/api/backup', {}, watching)).id}`,
  lookAtBackup: (file: Blob, watching: Watching = {}) =>
    callWatched<BackupCounts>('POST', '/api/backup/look', file, watching),
  restoreBackup: (file: Blob, watching: Watching = {}) =>
    callWatched<BackupCounts & { kept: string }>('POST', '/api/backup/restore', file, watching),
  examples: () => call<{ added: number }>('POST', '/api/examples', {}),
  signInState: () => call<SignInState>('GET', '/api/sign-in'),
  signIn: (phrase: string) => call<SignInState>('POST', '/api/sign-in', { phrase }),
  signOut: () => call<SignInState>('DELETE', '/api/sign-in'),
  devices: () => call<Device[]>('GET', '/api/devices'),
  signOutDevice: (id: string) => call<undefined>('DELETE', `/api/devices/${id}`),
};

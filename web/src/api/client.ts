import type { Fault, FlyFile } from '@jobbet/core';
import type { Hand } from '@jobbet/core/figure/view';
import type { Page, Paper } from '@jobbet/core/paper/items';
import { styleSchema, type Style } from '@jobbet/core/units/format';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers/items';
import type {
  ErrorAnswer,
  FlyChange,
  FlyVersion,
  StoredFly,
  StoredItem,
  TyingRecord,
} from '@jobbet/core/exchange/stored';

export type { FlyChange, FlyVersion, StoredFly, StoredItem };

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
}

/** On what, from which side and in which units a sheet is printed. */
export interface SheetPrint {
  readonly paper: Paper;
  readonly hand: Hand;
  readonly style: Style;
}

/** An answer that was not what was asked for: the server's code and words, or `offline`. */
export class RequestError extends Error {
  readonly code: string;
  readonly faults: readonly Fault[];
  readonly revision: number | null;

  constructor(code: string, message: string, faults: readonly Fault[] = [], revision: number | null = null) {
    super(message);
    this.code = code;
    this.faults = faults;
    this.revision = revision;
  }
}

/** Sends a file as it is, anything else as JSON. */
function sent(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof Blob) return { headers: { 'content-type': 'application/octet-stream' }, body };
  const text = JSON.stringify(body);
  return { headers: { 'content-type': 'application/json' }, body: text, keepalive: text.length < 60_000 };
}

async function reach(method: string, path: string, body?: unknown): Promise<Response> {
  try {
    return await fetch(path, { method, ...sent(body) });
  } catch {
    throw new RequestError('offline', 'The server does not answer. What you do is kept on this device until it does.');
  }
}

/** @throws RequestError always, with what the server says */
async function refused(response: Response): Promise<never> {
  const { error } = (await response.json().catch(() => ({}))) as Partial<ErrorAnswer>;
  throw new RequestError(
    error?.code ?? 'internal',
    error?.message ?? `The server answered ${String(response.status)}.`,
    (error?.faults ?? []) as readonly Fault[],
    error?.revision ?? null,
  );
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await reach(method, path, body);
  if (response.status === 204) return undefined as T;
  return response.ok ? ((await response.json().catch(() => ({}))) as T) : refused(response);
}

export const api = {
  flies: () => call<StoredFly[]>('GET', '/api/flies'),
  fly: (id: string) => call<StoredFly>('GET', `/api/flies/${id}`),
  create: (file: FlyFile) => call<StoredFly>('POST', '/api/flies', { file }),
  save: (id: string, file: FlyFile, revision: number, kind: 'auto' | 'saved' = 'auto') =>
    call<StoredFly>('PUT', `/api/flies/${id}`, { file, revision, kind }),
  remove: (id: string) => call<StoredFly>('DELETE', `/api/flies/${id}`),
  undelete: (id: string) => call<StoredFly>('POST', `/api/flies/${id}/undelete`, {}),
  trash: () => call<StoredFly[]>('GET', '/api/trash'),
  purge: (id: string) => call<undefined>('DELETE', `/api/trash/${id}`),
  versions: (id: string) => call<FlyVersion[]>('GET', `/api/flies/${id}/versions`),
  restore: (id: string, version: number, revision: number) =>
    call<StoredFly>('POST', `/api/flies/${id}/restore`, { version, revision }),
  tyings: (fly: string) => call<TyingRecord[]>('GET', `/api/flies/${fly}/tyings`),
  keepTying: ({ fly, begun, ...tying }: TyingRecord) =>
    call<TyingRecord>('PUT', `/api/flies/${fly}/tyings/${String(begun)}`, tying),
  removeTying: ({ fly, begun }: TyingRecord) => call<undefined>('DELETE', `/api/flies/${fly}/tyings/${String(begun)}`),
  /** Pages as one PDF. */
  printPdf: async (title: string, pages: readonly Page[]): Promise<Blob> => {
    const response = await reach('POST', '/api/print.pdf', { title, pages });
    return response.ok ? response.blob() : refused(response);
  },
  /** How a fly is tied, as a PDF. */
  sheetPdf: async (file: FlyFile, { paper, hand, style }: SheetPrint): Promise<Blob> => {
    const response = await reach('POST', '/api/sheet.pdf', {
      file,
      paper,
      hand,
      style: styleSchema.parse(style),
    });
    return response.ok ? response.blob() : refused(response);
  },
  drawers: () => call<StoredItem[]>('GET', '/api/drawers'),
  exportDrawers: () => call<Record<string, unknown>>('GET', '/api/drawers/export'),
  addItem: (drawer: DrawerName, item: DrawerItem) => call<ItemAnswer>('POST', '/api/drawers', { drawer, item }),
  changeItem: (id: string, item: DrawerItem, revision: number) =>
    call<ItemAnswer>('PUT', `/api/drawers/${id}`, { item, revision }),
  removeItem: (id: string) => call<ItemAnswer>('DELETE', `/api/drawers/${id}`),
  layIn: (items: Partial<Record<DrawerName, readonly DrawerItem[]>>) =>
    call<ImportAnswer>('POST', '/api/drawers/import', items),
  lookAtBackup: (file: Blob) => call<BackupCounts>('POST', '/api/backup/look', file),
  restoreBackup: (file: Blob) => call<BackupCounts & { kept: string }>('POST', '/api/backup/restore', file),
  examples: () => call<{ added: number }>('POST', '/api/examples', {}),
};

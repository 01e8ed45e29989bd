import { z } from 'zod';
import { DRAWERS } from '../drawers/index.ts';
import { pageSchema, PAPERS, type Paper } from '../drawing/index.ts';
import { reportSchema } from '../model/index.ts';
import { handSchema, storedHandSchema } from '../records/index.ts';
import { METRIC, styleSchema } from '../units/index.ts';
import { get, post, put, remove } from './route.ts';
import {
  flyChangeSchema,
  flyVersionSchema,
  listedFlySchema,
  patternFile,
  drawerItem,
  storedFlySchema,
  storedItemSchema,
  tyingSchema,
  batchFile,
  beatFile,
  dateFile,
  drillFile,
  outingFile,
  specimenFile,
  listedRecordSchema,
  storedRecordSchema,
} from './stored.ts';

const id = z.string().min(1).max(80);
const byId = z.object({ id });
const revision = z.number().int().min(1);
const whole = z.number().int();
const gone = z.null();

/** A file as it is answered in events: its kind, and its bytes in base 64. */
export const sentFileSchema = z.object({ type: z.string(), base64: z.string() });

const changed = z.object({ item: storedItemSchema, changes: z.array(flyChangeSchema) });
const items = z.array(drawerItem).max(5000).optional();
/** What a backup holds, told before and after it is taken up. */
const counts = z.object({
  made: z.string(),
  flies: whole,
  versions: whole,
  items: whole,
  tyings: whole,
  records: whole,
  broken: z
    .array(z.object({ table: z.string(), name: z.string(), why: z.string() }))
    .describe('rows that break today’s limits; they are restored so that they can be saved out'),
});
const signIn = z.object({ needed: z.boolean(), signedIn: z.boolean() });
const onPaper = {
  paper: z.enum(Object.keys(PAPERS) as [Paper, ...Paper[]]).default('a4'),
  hand: z.enum(['right', 'left']).default('right').describe('the side the eye of the hook points to'),
  style: styleSchema.default(METRIC).describe('the units it is written in'),
  beginner: z.boolean().default(false).describe('techniques are written out where they are first needed'),
};

const sentAs = z
  .string()
  .min(8)
  .max(100)
  .optional()
  .describe(
    'a name of the sender’s own: what is sent again by it, its answer lost, is not laid down twice but answered as it is',
  );

/** What can be done with one kind of record: laid down, saved over a revision, put in the trash, taken out of it, thrown out. */
const recordsAt = <S extends z.ZodType>(path: string, file: S) => ({
  create: post(path, storedRecordSchema(file), { body: z.strictObject({ record: file, sentAs }), status: 201 }),
  save: put(`${path}/:id`, storedRecordSchema(file), {
    params: byId,
    body: z.strictObject({ record: file, revision }),
  }),
  away: remove(`${path}/:id`, gone, { params: byId, status: 204 }),
  back: post(`${path}/:id/undelete`, gone, { params: byId, status: 204 }),
  out: remove(`${path}/:id/purge`, gone, { params: byId, status: 204 }),
});
const batches = recordsAt('/api/batches', batchFile);
const specimens = recordsAt('/api/specimens', specimenFile);
const beats = recordsAt('/api/beats', beatFile);
const outings = recordsAt('/api/outings', outingFile);
const dates = recordsAt('/api/dates', dateFile);
const drills = recordsAt('/api/drills', drillFile);

/** Everything that can be asked of the server. */
export const ROUTES = {
  health: get('/api/health', z.object({ status: z.literal('ok'), version: z.string() })),
  flySchema: get('/api/schema.json', z.record(z.string(), z.unknown())),
  solve: post('/api/solve', reportSchema, { body: patternFile }),

  flies: get('/api/flies', z.array(listedFlySchema)),
  trash: get('/api/trash', z.array(listedFlySchema)),
  createFly: post('/api/flies', storedFlySchema, { body: z.strictObject({ file: patternFile, sentAs }), status: 201 }),
  fly: get('/api/flies/:id', storedFlySchema, { params: byId }),
  flyText: get('/api/flies/:id/file', z.string().describe('the pattern file as it is kept'), { params: byId }),
  saveFly: put('/api/flies/:id', storedFlySchema, {
    params: byId,
    body: z.strictObject({ file: patternFile, revision, kind: z.enum(['auto', 'saved']) }),
  }),
  deleteFly: remove('/api/flies/:id', listedFlySchema, { params: byId }),
  undeleteFly: post('/api/flies/:id/undelete', listedFlySchema, { params: byId }),
  purgeFly: remove('/api/trash/:id', gone, { params: byId, status: 204 }),
  versions: get('/api/flies/:id/versions', z.array(flyVersionSchema), { params: byId }),
  nameVersion: post('/api/flies/:id/versions/name', gone, {
    params: byId,
    body: z.strictObject({ revision, name: z.string().trim().min(1).max(120).nullable() }),
    status: 204,
  }),
  restoreVersion: post('/api/flies/:id/restore', storedFlySchema, {
    params: byId,
    body: z.strictObject({ version: revision, revision }),
  }),
  moved: get(
    '/api/moved',
    z.array(flyChangeSchema).describe('flies whose figures or order another model moved, until someone has seen it'),
  ),
  seenMoved: remove('/api/moved', gone, { status: 204 }),
  examples: post('/api/examples', z.object({ added: whole })),
  broken: get(
    '/api/broken',
    z
      .array(z.object({ what: z.string(), name: z.string(), why: z.string(), text: z.string() }))
      .describe('what no longer reads or lays out, with what is kept of it'),
  ),

  tyings: get('/api/flies/:id/tyings', z.array(tyingSchema), { params: byId }),
  keepTying: put('/api/flies/:id/tyings/:begun', tyingSchema, {
    params: byId.extend({ begun: z.coerce.number<string | number>().int().min(0) }),
    body: tyingSchema.omit({ fly: true, begun: true }),
  }),
  removeTying: remove('/api/flies/:id/tyings/:begun', gone, {
    params: byId.extend({ begun: z.coerce.number<string | number>().int().min(0) }),
    status: 204,
  }),

  drawers: get('/api/drawers', z.array(storedItemSchema)),
  exportDrawers: get('/api/drawers/export', z.record(z.string(), z.unknown())),
  addItem: post('/api/drawers', changed, {
    body: z.strictObject({ drawer: z.enum(DRAWERS), item: drawerItem }),
    status: 201,
    watched: true,
  }),
  changeItem: put('/api/drawers/:id', changed, {
    params: byId,
    body: z.strictObject({ item: drawerItem, revision }),
    watched: true,
  }),
  removeItem: remove('/api/drawers/:id', changed, { params: byId, watched: true }),
  layIn: post('/api/drawers/import', z.object({ added: whole, replaced: whole, changes: z.array(flyChangeSchema) }), {
    body: z.strictObject({
      hooks: items,
      weights: items,
      materials: items,
      threads: items,
      schools: items,
      rules: items,
      limits: items,
    }),
    watched: true,
  }),

  /** Whose hands tie, and how far off what they tie comes out. */
  hands: get('/api/hands', z.array(storedHandSchema)),
  keepHand: put('/api/hands', storedHandSchema, {
    body: z.strictObject({ hand: handSchema, revision: whole.min(0).describe('0 where they are not there yet') }),
  }),

  batches: get('/api/batches', z.array(listedRecordSchema)),
  createBatch: batches.create,
  batch: get('/api/batches/:id', storedRecordSchema(batchFile), { params: byId }),
  /** The drawers as they lay before flies of the batch took of them: what it is planned with. */
  batchDrawers: get('/api/batches/:id/drawers', z.array(storedItemSchema), { params: byId }),
  saveBatch: batches.save,
  deleteBatch: batches.away,
  undeleteBatch: batches.back,
  purgeBatch: batches.out,

  /** Finished flies of one pattern, in the order of their numbers, without those in the trash. */
  specimens: get('/api/flies/:id/specimens', z.array(storedRecordSchema(specimenFile)), { params: byId }),
  /** All finished flies as lists have them, those in the trash too. */
  listedSpecimens: get('/api/specimens', z.array(listedRecordSchema)),
  createSpecimen: specimens.create,
  saveSpecimen: specimens.save,
  deleteSpecimen: specimens.away,
  undeleteSpecimen: specimens.back,
  purgeSpecimen: specimens.out,

  /** All beats, by name; those in the trash too. */
  beats: get('/api/beats', z.array(storedRecordSchema(beatFile))),
  createBeat: beats.create,
  saveBeat: beats.save,
  deleteBeat: beats.away,
  undeleteBeat: beats.back,
  purgeBeat: beats.out,

  /** All outings, by day; those in the trash too. */
  outings: get('/api/outings', z.array(storedRecordSchema(outingFile))),
  createOuting: outings.create,
  saveOuting: outings.save,
  deleteOuting: outings.away,
  undeleteOuting: outings.back,
  purgeOuting: outings.out,

  /** All dates one set, by name; those in the trash too. */
  dates: get('/api/dates', z.array(storedRecordSchema(dateFile))),
  createDate: dates.create,
  saveDate: dates.save,
  deleteDate: dates.away,
  undeleteDate: dates.back,
  purgeDate: dates.out,

  /** All rounds of the drill, by name; those in the trash too. */
  drills: get('/api/drills', z.array(storedRecordSchema(drillFile))),
  createDrill: drills.create,
  saveDrill: drills.save,
  deleteDrill: drills.away,
  undeleteDrill: drills.back,
  purgeDrill: drills.out,

  pagesPdf: post('/api/print.pdf', sentFileSchema, {
    body: z.strictObject({ title: z.string().min(1).max(200), pages: z.array(pageSchema).min(1).max(60) }),
    watched: true,
    bytes: 'answered',
    hidden: true,
  }),
  sheetPdf: post('/api/sheet.pdf', sentFileSchema, {
    body: z.strictObject({ file: patternFile, ...onPaper }),
    watched: true,
    bytes: 'answered',
  }),

  keepPicture: post(
    '/api/pictures',
    z.object({ file: z.string().describe('as a finished fly names it'), width: whole, height: whole }),
    { body: z.unknown().describe('a PNG, JPEG or WebP'), bytes: 'sent', status: 201 },
  ),
  makeBackup: post('/api/backup', z.object({ id: z.string() }), { watched: true, hidden: true }),
  lookAtBackup: post('/api/backup/look', counts, {
    body: z.unknown().describe('a backup file'),
    watched: true,
    bytes: 'sent',
  }),
  restoreBackup: post('/api/backup/restore', counts.extend({ kept: z.string() }), {
    body: z.unknown().describe('a backup file'),
    watched: true,
    bytes: 'sent',
  }),

  signInState: get('/api/sign-in', signIn),
  signIn: post('/api/sign-in', signIn, { body: z.strictObject({ phrase: z.string().min(1).max(400) }) }),
  signOut: remove('/api/sign-in', signIn),
  devices: get(
    '/api/devices',
    z.array(
      z.object({
        id: z.string(),
        words: z.string(),
        signedInAt: z.number(),
        seenAt: z.number(),
        own: z.boolean().describe('whether it is the one that asks'),
      }),
    ),
  ),
  signOutDevice: remove('/api/devices/:id', gone, { params: byId, status: 204 }),
};
export type RouteName = keyof typeof ROUTES;

import { NOMINAL_DRAWERS } from '@jobbet/core/drawers/tables';
import { summaryOf } from '../src/summary.ts';
import { ApiError } from '../src/errors.ts';
import { addExamples, exampleFlies, seedOnce } from '../src/examples.ts';
import { refreshSummaries } from '../src/refresh.ts';
import { FlyStore } from '../src/store.ts';
import { boathouse, fly, type Boathouse } from './bench.ts';

let house: Boathouse;
beforeEach(async () => {
  house = await boathouse();
});
afterEach(() => {
  house.close();
});

const codeOf = async (work: Promise<unknown>): Promise<unknown> => {
  try {
    await work;
  } catch (error) {
    if (error instanceof ApiError) return [error.code, error.details.revision];
    throw error;
  }
  return 'no error';
};

describe('revisions', () => {
  test('a new fly is revision 1 and a save makes the next', async () => {
    const made = await house.store.create(fly());
    const saved = await house.store.save(made.id, fly('Test', '2 shank'), 1, 'auto');
    expect([made.revision, saved.revision, (await house.store.get(made.id)).revision]).toEqual([1, 2, 2]);
  });
  test('a save over a revision that is gone is refused with the current one, and changes nothing', async () => {
    const { id } = await house.store.create(fly());
    await house.store.save(id, fly('Theirs'), 1, 'saved');
    expect(await codeOf(house.store.save(id, fly('Mine'), 1, 'saved'))).toEqual(['stale', 2]);
    expect((await house.store.get(id)).name).toBe('Theirs');
    expect(await house.store.history(id)).toHaveLength(2);
  });
  test.each(['auto', 'saved'] as const)(
    'of two %s saves at once over the same revision just one gets through',
    async (kind) => {
      const { id } = await house.store.create(fly());
      await house.store.save(id, fly('First'), 1, 'auto');
      const other = new FlyStore(house.database.db, house.clock.now);
      const answers = await Promise.allSettled(
        [house.store, other, house.store].map((store, i) => store.save(id, fly(`Try ${String(i)}`), 2, kind)),
      );
      expect(answers.filter((answer) => answer.status === 'fulfilled')).toHaveLength(1);
      expect((await house.store.get(id)).revision).toBe(3);
      const history = await house.store.history(id);
      expect(history[0]?.revision).toBe(3);
      expect(history[0]?.file.name).toBe((await house.store.get(id)).name);
    },
  );
  test('a fly that does not solve is not stored, and its faults are told', async () => {
    await expect(house.store.create(fly('Test', 'wing'))).rejects.toMatchObject({
      code: 'invalid-fly',
      details: { faults: [{ path: 'parts[0].length' }] },
    });
    expect(await house.store.list()).toHaveLength(0);
  });
});

describe('versions', () => {
  const kinds = async (id: string): Promise<string[]> =>
    (await house.store.history(id)).map((version) => `${version.kind} ${String(version.revision)}`);
  test('autosaves within ten minutes of the first are one version, later ones another', async () => {
    const { id } = await house.store.create(fly());
    for (let revision = 1; revision <= 3; revision++) {
      await house.store.save(id, fly('Test', `${String(revision)} gap`), revision, 'auto');
      house.clock.minutes(4);
    }
    expect(await kinds(id)).toEqual(['auto 4', 'created 1']);
    await house.store.save(id, fly('Test', '4 gap'), 4, 'auto');
    expect(await kinds(id)).toEqual(['auto 5', 'auto 4', 'created 1']);
  });
  test('a save by hand stands by itself', async () => {
    const { id } = await house.store.create(fly());
    await house.store.save(id, fly(), 1, 'auto');
    await house.store.save(id, fly(), 2, 'saved');
    await house.store.save(id, fly(), 3, 'auto');
    expect(await kinds(id)).toEqual(['auto 4', 'saved 3', 'auto 2', 'created 1']);
  });
  test('restoring saves the old file as the newest version and keeps what was there', async () => {
    const { id } = await house.store.create(fly('Old'));
    await house.store.save(id, fly('New'), 1, 'saved');
    const back = await house.store.restore(id, 1, 2);
    expect([back.name, back.revision, back.file.name]).toEqual(['Old', 3, 'Old']);
    expect(await kinds(id)).toEqual(['restored 3', 'saved 2', 'created 1']);
    expect(await codeOf(house.store.restore(id, 9, 3))).toEqual(['no-version', undefined]);
  });
});

describe('the trash', () => {
  test('holds a fly with its versions until it is thrown out, and gives it back', async () => {
    const { id } = await house.store.create(fly());
    await house.store.setDeleted(id, true);
    expect([(await house.store.list()).length, (await house.store.trash()).length]).toEqual([0, 1]);
    expect(await codeOf(house.store.save(id, fly(), 1, 'auto'))).toEqual(['no-fly', undefined]);
    await house.store.setDeleted(id, false);
    expect((await house.store.list()).map((each) => each.id)).toEqual([id]);
    expect(await codeOf(house.store.purge(id))).toEqual(['no-fly', undefined]);
    await house.store.setDeleted(id, true);
    await house.store.purge(id);
    const left = await house.database.client.execute('select count(*) as n from versions');
    expect(left.rows[0]?.['n']).toBe(0);
  });
});

describe('examples', () => {
  test('thirteen flies that differ in kind, laid in once; an emptied box stays empty', async () => {
    expect(exampleFlies()).toHaveLength(13);
    expect(await seedOnce(house.database.db, house.store)).toBe(true);
    const flies = await house.store.list();
    expect(flies).toHaveLength(13);
    for (const each of flies) await house.store.setDeleted(each.id, true);
    expect(await seedOnce(house.database.db, house.store)).toBe(false);
    expect(await house.store.list()).toHaveLength(0);
    expect(await addExamples(house.store)).toBe(13);
    expect(await addExamples(house.store)).toBe(0);
  });
  test('the troubled one rides other than meant, all others as meant', () => {
    const wrong = exampleFlies()
      .filter((file) => summaryOf(file, NOMINAL_DRAWERS).ride !== file.intent?.ride)
      .map((file) => file.name);
    expect(wrong).toEqual(['Rowan Ember']);
  });
});

test('figures kept by another model are computed anew, once', async () => {
  const { id } = await house.store.create(fly());
  const right = (await house.store.get(id)).summary;
  await house.database.client.execute("update flies set summary = json_set(summary, '$.dryMg', 1)");
  expect(await refreshSummaries(house.database.db, NOMINAL_DRAWERS)).toBe(1);
  expect((await house.store.get(id)).summary).toEqual(right);
  expect(await refreshSummaries(house.database.db, NOMINAL_DRAWERS)).toBe(0);
});

import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { solveFly } from '@jobbet/core/model';
import { changedFigures, listedFlySchema, summarise } from '@jobbet/core/contract';
import { ApiError } from '../src/errors.ts';
import { addExamples, exampleFlies, seedOnce } from '../src/flies/examples.ts';
import { movedByModel, seenMoved } from '../src/flies/refresh.ts';
import { FlyStore } from '../src/flies/store.ts';
import { furnish } from '../src/house.ts';
import type { Solvers } from '../src/solving/solvers.ts';
import { Shelf } from '../src/flies/shelf.ts';
import { boathouse, fly, spoil, type Boathouse } from './bench.ts';

let house: Boathouse;
beforeEach(async () => {
  house = await boathouse();
});
afterEach(() => house.close());

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
    const made = await house.flies.create(fly());
    const saved = await house.flies.save(made.id, fly('Test', '2 shank'), 1, 'auto');
    expect([made.revision, saved.revision, (await house.flies.get(made.id)).revision]).toEqual([1, 2, 2]);
  });
  test('a fly that is sent again by a name of the sender’s own is laid in once, with one version, as it was at first', async () => {
    const both = await Promise.all([
      house.flies.create(fly(), 'the new one'),
      house.flies.create(fly('Test', '2 shank'), 'the new one'),
    ]);
    const [first, second] = both;
    expect(second).toEqual(first);
    await house.flies.save(first.id, fly('Since'), 1, 'saved');
    expect(await house.flies.create(fly(), 'the new one')).toEqual(await house.flies.get(first.id));
    expect((await house.flies.history(first.id)).map(({ revision }) => revision)).toEqual([2, 1]);
    expect((await house.flies.create(fly(), 'another one')).id).not.toBe(first.id);
    expect(await house.flies.list()).toHaveLength(2);
    // The name is the sender's, the place is not: what lies in the trash stays there.
    await house.flies.setDeleted(first.id, true);
    expect((await house.flies.create(fly(), 'the new one')).deletedAt).not.toBeNull();
    expect(await house.flies.list()).toHaveLength(1);
  });
  test('a save over a revision that is gone is refused with the current one, and changes nothing', async () => {
    const { id } = await house.flies.create(fly());
    await house.flies.save(id, fly('Theirs'), 1, 'saved');
    expect(await codeOf(house.flies.save(id, fly('Mine'), 1, 'saved'))).toEqual(['stale', 2]);
    expect((await house.flies.get(id)).name).toBe('Theirs');
    expect(await house.flies.history(id)).toHaveLength(2);
  });
  test.each(['auto', 'saved'] as const)(
    'of two %s saves at once over the same revision just one gets through',
    async (kind) => {
      const { id } = await house.flies.create(fly());
      await house.flies.save(id, fly('First'), 1, 'auto');
      const other = new FlyStore(house.database.ledger, house.shelf, house.solvers, undefined, house.clock.now);
      const answers = await Promise.allSettled(
        [house.flies, other, house.flies].map((store, i) => store.save(id, fly(`Try ${String(i)}`), 2, kind)),
      );
      expect(answers.filter((answer) => answer.status === 'fulfilled')).toHaveLength(1);
      expect((await house.flies.get(id)).revision).toBe(3);
      const history = await house.flies.history(id);
      expect(history[0]?.revision).toBe(3);
      expect(history[0]?.file.name).toBe((await house.flies.get(id)).name);
    },
  );
  test('a fly that does not solve is not stored, and its faults are told', async () => {
    await expect(house.flies.create(fly('Test', 'wing'))).rejects.toMatchObject({
      code: 'invalid-fly',
      details: { faults: [{ path: 'parts[0].length' }] },
    });
    expect(await house.flies.list()).toHaveLength(0);
  });
});

describe('versions', () => {
  const kinds = async (id: string): Promise<string[]> =>
    (await house.flies.history(id)).map((version) => `${version.kind} ${String(version.revision)}`);
  /** Autosaves, so many minutes after one another; each is another fly. @returns the revision it stands at */
  const autosaves = async (id: string, from: number, minutes: readonly number[]): Promise<number> => {
    let revision = from;
    for (const wait of minutes) {
      await house.flies.save(id, fly('Test', `${String(revision)} gap`), revision, 'auto');
      revision++;
      house.clock.minutes(wait);
    }
    return revision;
  };
  test('autosaves of a minute are one version', async () => {
    const { id } = await house.flies.create(fly());
    await autosaves(id, 1, [0.3, 0.3, 0.5, 0.2]);
    expect(await kinds(id)).toEqual(['auto 5', 'auto 4', 'created 1']);
  });
  test('of autosaves older than ten minutes the last of each ten stays; those of the last ten all do', async () => {
    const { id } = await house.flies.create(fly());
    await autosaves(id, 1, new Array<number>(31).fill(1));
    const kept = await house.flies.history(id);
    const ages = kept.filter((each) => each.kind === 'auto').map((each) => (house.clock.now() - each.savedAt) / 60_000);
    expect(ages.filter((age) => age <= 10)).toHaveLength(10);
    // Two or three tens, by where on the clock they begin.
    expect(ages.filter((age) => age > 11).length).toBeLessThanOrEqual(3);
    expect(kept.at(-1)?.kind).toBe('created');
  });
  test('a version that was given a name stays as it is', async () => {
    const { id } = await house.flies.create(fly());
    const revision = await autosaves(id, 1, [0.1]);
    await house.flies.nameVersion(id, revision, 'before the wing');
    await autosaves(id, revision, new Array<number>(30).fill(1));
    const named = (await house.flies.history(id)).filter((each) => each.name !== null);
    expect(named.map((each) => [each.name, each.revision])).toEqual([['before the wing', revision]]);
    expect(await codeOf(house.flies.nameVersion(id, 999, 'nothing'))).toEqual(['no-version', undefined]);
    await house.flies.nameVersion(id, revision, null);
    expect((await house.flies.history(id)).every((each) => each.name === null)).toBe(true);
  });
  test('a clock that was set back begins a version of its own; nothing is written over', async () => {
    const { id } = await house.flies.create(fly());
    await house.flies.save(id, fly('Test', '1 gap'), 1, 'auto');
    house.clock.minutes(-60);
    await house.flies.save(id, fly('Test', '2 gap'), 2, 'auto');
    expect(await kinds(id)).toEqual(['auto 3', 'auto 2', 'created 1']);
    house.clock.minutes(0.5);
    await house.flies.save(id, fly('Test', '3 gap'), 3, 'auto');
    expect(await kinds(id)).toEqual(['auto 4', 'auto 2', 'created 1']);
  });
  test('a version is written only with its fly', async () => {
    const { id } = await house.flies.create(fly());
    const { ledger } = house.database;
    const write = ledger.write.bind(ledger);
    jest.spyOn(ledger, 'write').mockImplementationOnce(async (statements) => {
      // Another process puts it in the trash between the question and the answer.
      await spoil(house, 'update flies set deleted_at = 1');
      return write(statements) as never;
    });
    expect(await codeOf(house.flies.save(id, fly('Mine'), 1, 'saved'))).toEqual(['no-fly', undefined]);
    expect(await kinds(id)).toEqual(['created 1']);
  });
  test('a save by hand stands by itself', async () => {
    const { id } = await house.flies.create(fly());
    await house.flies.save(id, fly(), 1, 'auto');
    await house.flies.save(id, fly(), 2, 'saved');
    await house.flies.save(id, fly(), 3, 'auto');
    expect(await kinds(id)).toEqual(['auto 4', 'saved 3', 'auto 2', 'created 1']);
  });
  test('restoring saves the old file as the newest version and keeps what was there', async () => {
    const { id } = await house.flies.create(fly('Old'));
    await house.flies.save(id, fly('New'), 1, 'saved');
    const back = await house.flies.restore(id, 1, 2);
    expect([back.name, back.revision, back.file.name]).toEqual(['Old', 3, 'Old']);
    expect(await kinds(id)).toEqual(['restored 3', 'saved 2', 'created 1']);
    expect(await codeOf(house.flies.restore(id, 9, 3))).toEqual(['no-version', undefined]);
  });
});

describe('the trash', () => {
  test('holds a fly with its versions until it is thrown out, and gives it back', async () => {
    const { id } = await house.flies.create(fly());
    await house.flies.setDeleted(id, true);
    expect([(await house.flies.list()).length, (await house.flies.trash()).length]).toEqual([0, 1]);
    expect(await codeOf(house.flies.save(id, fly(), 1, 'auto'))).toEqual(['no-fly', undefined]);
    await house.flies.setDeleted(id, false);
    expect((await house.flies.list()).map((each) => each.id)).toEqual([id]);
    expect(await codeOf(house.flies.purge(id))).toEqual(['no-fly', undefined]);
    await house.flies.setDeleted(id, true);
    await house.flies.purge(id);
    const left = await house.database.client.execute('select count(*) as n from versions');
    expect(left.rows[0]?.['n']).toBe(0);
  });
});

describe('examples', () => {
  test('thirteen flies that differ in kind, laid in once; an emptied box stays empty', async () => {
    expect(exampleFlies()).toHaveLength(13);
    expect(await seedOnce(house.database.ledger, house.flies)).toBe(true);
    const flies = await house.flies.list();
    expect(flies).toHaveLength(13);
    for (const each of flies) await house.flies.setDeleted(each.id, true);
    expect(await seedOnce(house.database.ledger, house.flies)).toBe(false);
    expect(await house.flies.list()).toHaveLength(0);
    expect(await addExamples(house.flies)).toBe(13);
    expect(await addExamples(house.flies)).toBe(0);
  });
  test('a house opens on a machine so busy that no thread answers in time: the boathouse is laid in, older flies are brought up to date', async () => {
    const late: Solvers = { ask: () => Promise.reject(new ApiError('too-long')), close: () => Promise.resolve() };
    const slow = await boathouse({ solvers: late });
    await furnish(slow.house, true);
    expect(await slow.flies.list()).toHaveLength(13);
    await spoil(slow.house, 'update flies set listed = null');
    await furnish(slow.house, true);
    const { rows } = await slow.database.client.execute('select count(*) as n from flies where listed is null');
    expect(rows[0]?.['n']).toBe(0);
    await slow.close();
  });
  test('the troubled one rides other than meant, all others as meant', () => {
    const wrong = exampleFlies()
      .filter((file) => {
        const solved = solveFly(file);
        return solved.ok && solved.value.balance.tight.ride !== file.intent?.ride;
      })
      .map((file) => file.name);
    expect(wrong).toEqual(['Rowan Ember']);
  });
});

test('figures kept by another model are computed anew, once', async () => {
  const { id } = await house.flies.create(fly());
  const right = (await house.flies.get(id)).summary;
  await spoil(house, "update flies set summary = json_set(summary, '$.dryMg', 1)");
  expect(await house.refresh()).toBe(1);
  expect((await house.flies.get(id)).summary).toEqual(right);
  expect(await house.refresh()).toBe(0);
});

test('what another model moved is told with the figures before, until it was seen', async () => {
  const { id } = await house.flies.create(fly('Moved'));
  const steady = await house.flies.create(fly('Steady'));
  const gone = await house.flies.create(fly('Gone'));
  await house.flies.setDeleted(gone.id, true);
  await spoil(house, "update flies set summary = json_set(summary, '$.dryMg', 1) where id <> ?", [steady.id]);
  await spoil(house, "update facts set value = '1' where key = 'model'");
  await house.refresh();
  const { ledger } = house.database;
  expect(await movedByModel(ledger)).toMatchObject([{ flyId: id, name: 'Moved', before: { dryMg: 1 } }]);
  await house.refresh();
  expect(await movedByModel(ledger)).toHaveLength(1);
  await seenMoved(ledger);
  expect(await movedByModel(ledger)).toEqual([]);
});
test('a fly whose order was not kept counts as moved where it is now tied in two steps', () => {
  const solved = solveFly(fly());
  if (!solved.ok) throw new Error('it does not solve');
  const figures = summarise(solved.value);
  const kept = (order?: string) => ({ ...figures, ...(order === undefined ? {} : { order }) });
  const words = (before: string | undefined, after: string): string[] =>
    changedFigures(kept(before), kept(after)).map((each) => each.words);
  expect(words(undefined, 'tail body strip/catch strip/over')).toEqual(['is tied in another order']);
  expect(words(undefined, 'tail body')).toEqual([]);
  expect(words('tail body', 'body tail')).toEqual(['is tied in another order']);
  expect(words('tail body', 'tail body')).toEqual([]);
});

describe('the shelf', () => {
  test('keeps up with every save, trash and purge, and agrees with the rows whoever wrote them', async () => {
    const names = async (): Promise<string[]> => (await house.flies.list()).map((each) => each.name);
    const made = await house.flies.create(fly('Bream'));
    const other = await house.flies.create(fly('Alder'));
    expect(await names()).toEqual(['Alder', 'Bream']);
    await house.flies.save(made.id, fly('Aaron'), 1, 'saved');
    expect(await names()).toEqual(['Aaron', 'Alder']);
    await Promise.all([house.flies.create(fly('Crane')), house.flies.list(), house.flies.create(fly('Dace'))]);
    expect(await names()).toEqual(['Aaron', 'Alder', 'Crane', 'Dace']);
    await house.flies.setDeleted(other.id, true);
    expect([await names(), (await house.flies.trash()).map((each) => each.name)]).toEqual([
      ['Aaron', 'Crane', 'Dace'],
      ['Alder'],
    ]);
    await house.flies.purge(other.id);
    expect(await house.flies.trash()).toEqual([]);
    await spoil(house, "update flies set name = 'Zander' where name = 'Crane'");
    expect(await names()).toEqual(['Aaron', 'Dace', 'Zander']);
    const fresh = await new Shelf(house.database.ledger).all();
    expect(await house.shelf.all()).toEqual(fresh);
    expect(JSON.parse(await house.flies.listJson())).toEqual(await house.flies.list());
  });
});

describe('one fly never takes the others down', () => {
  test('what is absurd is refused with its place, and nothing of it is kept', async () => {
    await expect(house.flies.create(fly('Long', `${'9'.repeat(180)} mm`))).rejects.toMatchObject({
      code: 'invalid-fly',
      details: { faults: [{ path: 'parts[0].length', code: 'range' }] },
    });
    expect(await house.flies.list()).toEqual([]);
  });
  test.each([
    ['figures that are none', 'summary', '{"dryMg": null}'],
    ['no JSON for figures', 'summary', '{'],
    ['no JSON for what lists show', 'listed', 'oh'],
  ])('%s are listed as broken, the others as they are', async (_what, column, text) => {
    const { id } = await house.flies.create(fly('Sound'));
    const broken = await house.flies.create(fly('Broken'));
    await spoil(house, `update flies set ${column} = ? where id = ?`, [text, broken.id]);
    const list = await house.flies.list();
    expect(list.map((each) => [each.name, each.broken !== null])).toEqual([
      ['Broken', true],
      ['Sound', false],
    ]);
    expect((await house.flies.get(id)).name).toBe('Sound');
    expect(JSON.parse((await house.flies.text(broken.id)).text)).toMatchObject({ name: 'Broken' });
  });
  test('a file that no longer reads is told with why, is saved out as it is, and counts for nothing', async () => {
    const { id } = await house.flies.create(fly('Odd'));
    await spoil(house, "update flies set file = json_set(file, '$.parts[0].length', 'tial')");
    await spoil(house, "update facts set value = '1' where key = 'model'");
    await house.refresh();
    const [listed] = await house.flies.list();
    expect(listed?.broken).toBe('parts[0].length: unknown name "tial"; did you mean "tail"?');
    await expect(house.flies.get(id)).rejects.toMatchObject({ code: 'broken-fly' });
    expect((await house.flies.text(id)).text).toContain('tial');
    await house.drawers.add('hooks', { name: 'sixes', form: 'single', size: '6' });
  });
  test('columns that hold what they should not take no list down', async () => {
    const { id } = await house.flies.create(fly('Odd'));
    await spoil(house, "update flies set created_at = 'then', revision = 'one', updated_at = 1e999");
    expect(await house.flies.list()).toMatchObject([{ id, name: 'Odd', createdAt: 0, updatedAt: 0, revision: 1 }]);
    expect(listedFlySchema.array().safeParse(await house.flies.list()).success).toBe(true);
  });
  test('a version that does not read is passed over', async () => {
    const { id } = await house.flies.create(fly());
    await house.flies.save(id, fly('Test', '2 gap'), 1, 'saved');
    await spoil(house, "update versions set file = '{' where revision = 1");
    await spoil(house, "update versions set summary = 'x' where revision = 2");
    expect((await house.flies.history(id)).map((each) => [each.revision, each.summary])).toEqual([[2, null]]);
  });
  test('an item of the drawers that does not read is left out of them, and can still be had', async () => {
    await house.drawers.add('hooks', { name: 'sixes', form: 'single', size: '6' });
    await house.drawers.add('hooks', { name: 'fours', form: 'single', size: '4' });
    await spoil(house, "update drawer_items set item = json_set(item, '$.shankMm', -3) where name = 'sixes'");
    house.drawers.forget();
    expect((await house.drawers.items()).hooks.map((each) => each.name)).toEqual(['fours']);
    expect(await house.drawers.broken()).toMatchObject([{ name: 'sixes', why: 'shankMm: must be above 0' }]);
    await house.drawers.add('hooks', { name: 'eights', form: 'single', size: '8' });
    expect(await house.drawers.broken()).toHaveLength(1);
  });
});

describe('a database that is taken away', () => {
  test('under a running server: a save says so and is not told as done', async () => {
    const { id } = await house.flies.create(fly());
    renameSync(join(house.folder, 'jobbet.sqlite'), join(house.folder, 'away'));
    expect(await codeOf(house.flies.save(id, fly('Lost'), 1, 'auto'))).toEqual(['database-gone', undefined]);
    writeFileSync(join(house.folder, 'jobbet.sqlite'), '');
    expect(await codeOf(house.flies.create(fly('Lost')))).toEqual(['database-gone', undefined]);
    expect(await codeOf(house.drawers.add('hooks', { name: 'sixes', form: 'single', size: '6' }))).toEqual([
      'database-gone',
      undefined,
    ]);
    renameSync(join(house.folder, 'away'), join(house.folder, 'jobbet.sqlite'));
    expect((await house.flies.save(id, fly('Back'), 1, 'auto')).revision).toBe(2);
  });
  test('in the midst of a save: what went into the file that is gone is not told as done either', async () => {
    const { id } = await house.flies.create(fly());
    const { db } = house.database.ledger;
    const batch = db.batch.bind(db);
    jest.spyOn(db, 'batch').mockImplementationOnce(async (statements) => {
      const done = await batch(statements);
      rmSync(join(house.folder, 'jobbet.sqlite'));
      return done as never;
    });
    expect(await codeOf(house.flies.save(id, fly('Lost'), 1, 'auto'))).toEqual(['database-gone', undefined]);
  });
  test('with the journal that goes with it', async () => {
    const { id } = await house.flies.create(fly());
    rmSync(join(house.folder, 'jobbet.sqlite-wal'));
    expect(await codeOf(house.flies.save(id, fly('Lost'), 1, 'auto'))).toEqual(['database-gone', undefined]);
  });
});

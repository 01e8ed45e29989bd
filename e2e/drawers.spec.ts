import type { Page } from '@playwright/test';
import { blank, example, expect, openFly, saved, test, toBox } from './boathouse.ts';

const cell = (page: Page, row: string, col: string) => page.locator(`tr[data-row="${row}"] [data-col="${col}"]`);
const changed = (page: Page) => page.getByTestId('changed');
const read = async (page: Page, times: number): Promise<void> => {
  for (let i = 0; i < times; i++) await page.keyboard.press('F8');
};

test('a packet of doubles is measured with the caliper, and the flies on it change', async ({ own, page }) => {
  await page.goto(`${own.url}/drawers/hooks`);
  await expect(cell(page, 'salmon double 6', 'shankMm')).toContainText('≈');
  await cell(page, 'salmon double 6', 'shankMm').click();
  await page.keyboard.press('m');
  await expect(page.getByTestId('instruments')).toContainText('simulated');
  await read(page, 5);
  await expect(cell(page, 'salmon double 6', 'shankMm')).toContainText('of 5');
  await expect(cell(page, 'salmon double 6', 'shankMm')).not.toContainText('≈');
  await expect(page.getByTestId('series')).toContainText(/mm ± 0\.\d+, n 5/);
  await expect(changed(page)).toContainText('Ferryman');
  await test.step('a rod of another length is another measure: the fly follows it', async () => {
    await page.getByLabel('really').fill('18.5');
    await page.getByRole('button', { name: 'start again' }).click();
    await cell(page, 'salmon double 6', 'shankMm').click();
    await read(page, 1);
    await expect(cell(page, 'salmon double 6', 'shankMm')).toContainText('of 1');
    await changed(page).getByRole('link', { name: 'Ferryman' }).click();
    await expect(page.getByTitle(/change the hook/)).toContainText(/shank 18\.[45]/);
  });
});

test('ten eyes are weighed together, a verdict moves, and is taken back', async ({ own, page }) => {
  await page.goto(`${own.url}/drawers/weights`);
  await cell(page, 'brass dumbbell 4 mm', 'massMg').click();
  await page.keyboard.press('m');
  await page.getByLabel('really').fill('385');
  await page.getByTestId('instruments').getByRole('button', { name: 'ten' }).click();
  await page.getByRole('button', { name: 'Read, divide by 10' }).click();
  await expect(cell(page, 'brass dumbbell 4 mm', 'massMg')).toContainText('of 10');
  await expect(cell(page, 'brass dumbbell 4 mm', 'massMg')).toHaveText(/^38[45]/);
  await expect(cell(page, 'brass dumbbell 4 mm', 'massMg')).not.toContainText('±');
  await expect(changed(page)).toContainText('1 verdict among them');
  await expect(changed(page)).toContainText(/Slate Runner.*was/);
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(cell(page, 'brass dumbbell 4 mm', 'massMg')).toHaveText('');
  await expect(changed(page)).toContainText('Taken back');
  await page.getByRole('button', { name: 'redo' }).click();
  await expect(cell(page, 'brass dumbbell 4 mm', 'massMg')).toContainText('of 10');
});

test('on the bench a reading lands in the blank that has the focus', async ({ house, page }) => {
  await openFly(page, house, example('ferryman'));
  await page.getByTitle(/change the hook/).click();
  const shank = page.getByTestId('platform').getByLabel('measured shank', { exact: true });
  await page.keyboard.press('m');
  await shank.focus();
  await read(page, 1);
  await expect(shank).toHaveValue(/^\d+\.\d+ mm$/);
  await saved(page);
});

test('lead eyes are swapped for lead-free ones that tip as firmly: one size up, and the room it takes', async ({
  own,
  page,
}) => {
  const slate = example('slate-runner');
  const parts = slate.parts.map((part) =>
    part['id'] === 'eyes' ? { ...part, material: 'lead', diameter: '5/32 in' } : part,
  );
  await openFly(page, own, { ...slate, name: 'Lead Runner', parts });
  await page.locator('[data-part="eyes"]').click();
  await page.getByRole('button', { name: 'Another metal' }).click();
  await page.getByLabel('among').selectOption('tin alloy');
  await expect(page.getByTestId('best')).toContainText(
    /holds that: one size up, [\d.]+ ×, [\d.]+ mm across, [\d.]+ × gap/,
  );
  await page.getByRole('button', { name: 'Tie in lead-free dumbbell 4.8 mm' }).click();
  await expect(blank(page, 'material')).toHaveValue('lead-free dumbbell 4.8 mm');
  await expect(blank(page, 'diameter')).toHaveValue('3/16 in');
  await page.keyboard.press('z');
  await expect(blank(page, 'material')).toHaveValue('lead');
});

test('a single becomes a double, a tube, a shank with a trailing hook; what cannot follow is listed', async ({
  house,
  page,
}) => {
  const fly = example('copper-eel');
  const [first, ...rest] = fly.parts;
  await openFly(page, house, {
    ...fly,
    parts: [
      first,
      ...rest,
      {
        id: 'veil',
        role: 'wing',
        construction: 'bundle',
        material: 'fox hair',
        at: 'point',
        length: '20 mm',
        dose: 'sparse',
      },
    ],
  });
  await page.getByTitle(/change the hook/).click();
  const platform = page.getByTestId('platform');
  const become = async (kind: string): Promise<void> => {
    await platform.getByLabel('kind of hook').selectOption(kind);
    await expect(page.getByTitle(/change the hook/)).toContainText(kind);
  };
  for (const kind of ['double', 'tube', 'shank', 'jig']) await become(kind);
  await expect(page.getByTestId('left')).toHaveCount(0);
  await become('tube');
  await platform.getByLabel('hook behind').selectOption('');
  await expect(page.getByRole('alert').or(page.getByTestId('left')).first()).toContainText('point');
  await page.keyboard.press('Escape');
  await saved(page);
});

test('a new fly is laid out on a tube, and on a hook from its packet', async ({ own, page }) => {
  await toBox(page, own);
  await page.getByRole('button', { name: 'Lay out a new fly' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Tied on').selectOption('tube');
  await dialog.getByLabel('Material').selectOption('brass');
  await dialog.getByLabel('Length').fill('24 mmm');
  await dialog.getByRole('button', { name: 'Lay it out' }).click();
  await expect(dialog.getByRole('alert')).toContainText('platform.length: "mmm" is not a unit');
  await dialog.getByLabel('Length').fill('24 mm');
  await dialog.getByRole('button', { name: 'Lay it out' }).click();
  await expect(page.getByTitle(/change the hook/)).toContainText('tube 24 mm');
  await page.keyboard.press('n');
  await dialog.getByLabel('From the packet').selectOption('long streamer 6');
  await dialog.getByRole('button', { name: 'Lay it out' }).click();
  await expect(page.getByTitle(/change the hook/)).toContainText('shank 26.6 mm');
});

test('a CSV with three bad rows: each is marked, the good ones or none come in, all of it can be taken back', async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/drawers/hooks`);
  const text = [
    'name,form,size,shank (mm),in stock',
    'mill run 4,single,4,21.4,30',
    'mill run 6,single,6,,25',
    'mill run 8,treble,8,,10',
    'salmon double 6,double,6,16.1,12',
    ',single,2,,5',
    'mill run 2,single,2,two cm,5',
  ].join('\n');
  const take = (): Promise<void> =>
    page.getByLabel('CSV file').setInputFiles([{ name: 'hooks.csv', mimeType: 'text/csv', buffer: Buffer.from(text) }]);
  await expect(page.getByText('11 of 11')).toBeVisible();
  await take();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('6 rows for the drawer of hooks: 3 good, 3 bad');
  await expect(dialog.getByRole('row', { name: /^4 mill run 8/ })).toContainText(
    '"treble" is none of single, double, jig',
  );
  await expect(dialog.getByRole('row', { name: /^6 / })).toContainText('name');
  await expect(dialog.getByRole('row', { name: /^7 mill run 2/ })).toContainText('not a number');
  await expect(dialog.getByRole('row', { name: /^5 salmon double 6/ })).toContainText('becomes');
  await dialog.getByRole('button', { name: 'Import none' }).click();
  await expect(page.getByText('11 of 11')).toBeVisible();
  await take();
  await dialog.getByRole('button', { name: 'Import the 3 good ones' }).click();
  await expect(page.getByText('13 of 13')).toBeVisible();
  await expect(cell(page, 'salmon double 6', 'shankMm')).toHaveText('16.1');
  await expect(changed(page)).toContainText('2 imported, 1 replaced.');
  await expect(changed(page)).toContainText('Ferryman');
  await page.keyboard.press('z');
  await expect(page.getByText('11 of 11')).toBeVisible();
  await expect(cell(page, 'salmon double 6', 'shankMm')).toContainText('≈');
});

test('a CSV that is no drawer says why and changes nothing', async ({ demo, page }) => {
  await page.goto(`${demo.url}/drawers/hooks`);
  await page
    .getByLabel('CSV file')
    .setInputFiles([
      { name: 'odd.csv', mimeType: 'text/csv', buffer: Buffer.from('name,colour of the box\nit,red\n') },
    ]);
  await expect(page.getByRole('alert')).toContainText('"colour of the box" is no column of this drawer');
  await expect(page.getByRole('button', { name: /^Import (all|the)/ })).toHaveCount(0);
});

test('a drawer by keyboard alone: found, sorted, written in, refused, taken out, taken back', async ({ own, page }) => {
  await toBox(page, own);
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await page.keyboard.press('d');
  await page.getByRole('link', { name: 'threads' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('grid', { name: 'threads' })).toBeVisible();
  await page.locator('[role="gridcell"][tabindex="0"]').focus();
  const here = page.locator('[role="gridcell"][tabindex="0"]');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await page.keyboard.press('Home');
  const name = (await here.textContent()) ?? '';
  await page.keyboard.press('ArrowRight');
  await test.step('a figure is written over; what does not read stays with its reason', async () => {
    await page.keyboard.type('95');
    await page.keyboard.press('Enter');
    await expect(cell(page, name, 'denier')).toHaveText('95');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await page.keyboard.type('thick');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('"thick" is not a number');
    await page.keyboard.press('Escape');
    await expect(cell(page, name, 'denier')).toHaveText('95');
    await expect(cell(page, name, 'denier')).toBeFocused();
  });
  await test.step('what the drawer refuses is kept in sight', async () => {
    await page.keyboard.type('5');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toBeVisible();
    await page.keyboard.press('Escape');
  });
  await test.step('taken out and back, and one more laid in', async () => {
    await page.keyboard.press('Shift+Delete');
    await expect(cell(page, name, 'name')).toHaveCount(0);
    await page.keyboard.press('z');
    await expect(cell(page, name, 'denier')).toHaveText('95');
    await page.keyboard.press('a');
    await expect(page.getByLabel(/^name of .*, another$/)).toBeFocused();
    await page.keyboard.type('mill thread');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'mill thread', 'name')).toBeVisible();
  });
  await test.step('found by a word, sorted by a head, and there after a reload', async () => {
    await page.keyboard.press('/');
    await page.keyboard.type('mill');
    await expect(page.getByText(/^1 of /)).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('columnheader', { name: 'denier' }).getByRole('button').focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('columnheader', { name: 'denier' })).toHaveAttribute('aria-sort', 'ascending');
    const deniers = await page.locator('[data-col="denier"]').allTextContents();
    expect(deniers.map(Number)).toEqual(deniers.map(Number).toSorted((a, b) => a - b));
    await page.reload();
    await expect(cell(page, 'mill thread', 'name')).toBeVisible();
  });
});

test('an item two tabs change: the second one is told, and shows what was saved', async ({ own, page, context }) => {
  await page.goto(`${own.url}/drawers/hooks`);
  const other = await context.newPage();
  await other.goto(`${own.url}/drawers/hooks`);
  const stock = async (tab: Page, text: string): Promise<void> => {
    await tab.getByRole('button', { name: 'stock', exact: true }).click();
    await cell(tab, 'jig 8', 'count').dblclick();
    await tab.getByLabel('in stock of jig 8').fill(text);
    await tab.keyboard.press('Enter');
  };
  await expect(cell(other, 'jig 8', 'form')).toBeVisible();
  await stock(page, '7');
  await expect(cell(page, 'jig 8', 'count')).toHaveText('7');
  await other.evaluate(() => {
    // The other tab never lost the focus, so that it was not told.
    Object.defineProperty(document, 'hasFocus', { value: () => true });
  });
  await stock(other, '9');
  await expect(cell(other, 'jig 8', 'count')).toContainText(/9|7/);
  await page.reload();
  await page.getByRole('button', { name: 'stock', exact: true }).click();
  const kept = await cell(page, 'jig 8', 'count').textContent();
  await expect(cell(other, 'jig 8', 'count')).toContainText(kept ?? '');
});

test('everything is saved into a file and restored from it; a damaged one is refused in words', async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/settings`);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const path = await (await waiting).path();
  const { data } = { data: await page.request.get(`${own.url}/api/flies`) };
  const flies = (await data.json()) as { id: string }[];
  for (const { id } of flies) await page.request.delete(`${own.url}/api/flies/${id}`);
  await page
    .getByLabel('Backup file')
    .setInputFiles([{ name: 'bad.jobbet', mimeType: 'application/octet-stream', buffer: Buffer.from('not a backup') }]);
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('Backup file').setInputFiles(path);
  await expect(page.getByRole('dialog')).toContainText(/^(?!.*undefined).*\d+ flies with \d+ versions and 0 tyings/);
  await page.getByRole('button', { name: 'Restore it' }).click();
  await expect(page.getByText(/^Restored: .* and 0 tyings/)).toBeVisible();
  await toBox(page, own);
  await expect(page.getByText(`${String(flies.length)} of ${String(flies.length)}`)).toBeVisible();
});

test('the fly as it fishes and back, by key', async ({ demo, page }) => {
  await toBox(page, demo);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.keyboard.press('r');
  await expect(page.getByTestId('pose')).toContainText(/rolled 180° from as tied; \d+° nose-first/);
  await expect(page.getByRole('slider')).toHaveCount(0);
  await page.keyboard.press('r');
  await expect(page.getByTestId('pose')).toHaveCount(0);
  await expect(page.getByRole('slider').first()).toBeVisible();
});

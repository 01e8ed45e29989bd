import type { Page } from '@playwright/test';
import { expect, findings, row, test, toBox, typed } from './boathouse.ts';

const open = (page: Page, name: string): Promise<void> =>
  page.getByRole('button', { name: new RegExp(`^${name},`) }).click();

test('box, trash, settings and help', async ({ demo, page }) => {
  for (const path of ['/', '/trash', '/settings', '/help', '/drawers/materials', '/drawers/beats', '/log']) {
    await page.goto(demo.url + path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    expect(await findings(page)).toEqual([]);
  }
});
test('batches: one worked out, and the dialogs it is planned by', async ({ demo, page }) => {
  await page.goto(`${demo.url}/batches`);
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.locator('body').press('n');
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'as the fly is' }).first().click();
  expect(await findings(page)).toEqual([]);
});
test('balance: at rest, rolled and in a current', async ({ demo, page }) => {
  await toBox(page, demo);
  await open(page, 'Rowan Ember');
  await page.getByRole('link', { name: /Balance/ }).click();
  await expect(page.getByTestId('pulled')).toContainText('From rest');
  expect(await findings(page)).toEqual([]);
  await page.getByLabel('side current', { exact: true }).fill('300');
  await expect(page.getByTestId('current')).toContainText('gives way');
  await page.locator('body').press('f');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByTestId('finding')).toContainText('choices', { timeout: 30_000 });
  expect(await findings(page)).toEqual([]);
  await page.locator('body').press('s');
  await expect(page.getByTestId('hands-told')).toContainText('%', { timeout: 30_000 });
  expect(await findings(page)).toEqual([]);
  await page.getByRole('button', { name: 'How far off, and try it' }).click();
  await page.locator('[data-why="holds"]').first().click();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.locator('body').press('c');
  await expect(page.getByTestId('sink-chart')).toBeVisible();
  expect(await findings(page)).toEqual([]);
});
test('sizes: a run and a size that does not read', async ({ demo, page }) => {
  await toBox(page, demo);
  await open(page, 'Slate Runner');
  await page.getByRole('link', { name: /Sizes/ }).click();
  await expect(page.locator('main[data-done="true"]')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.getByRole('button', { name: 'wing on 4: follows the run' }).click();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'gauge card' }).click();
  await expect(page.getByRole('img', { name: 'Page 1 of the gauge card' })).toBeVisible();
  await page.getByRole('button', { name: 'Calibrate' }).click();
  await page.getByLabel('printed bar').fill('20');
  expect(await findings(page)).toEqual([]);
  await page.getByLabel('sizes of the run').fill('99');
  await expect(page.getByText('no hook size')).toBeVisible();
  expect(await findings(page)).toEqual([]);
});
test('drawers: a cell written in, a bad one, instruments, a CSV looked over', async ({ demo, page }) => {
  await page.goto(`${demo.url}/drawers/weights`);
  await page.locator('tr[data-row="brass dumbbell 4 mm"] [data-col="diameterMm"]').dblclick();
  expect(await findings(page)).toEqual([]);
  await typed(page, 'much');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await expect(page.getByTestId('instruments')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.getByLabel('CSV file').setInputFiles([
    {
      name: 'w.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('name,form,material,size\nbead,bead,brass,4\nx,y,z,4\n'),
    },
  ]);
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await findings(page)).toEqual([]);
});
test('bench: a part, the hook, a fault, and every dialog', async ({ demo, page }) => {
  await toBox(page, demo);
  await open(page, 'Slate Runner');
  await row(page, 'wing').click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  expect(await findings(page)).toEqual([]);
  await page.getByTestId('sentence').getByLabel('tip', { exact: true }).fill('bend + 0.6 shnak');
  await expect(page.getByRole('alert')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.getByRole('button', { name: 'Hook, thread and aim' }).click();
  expect(await findings(page)).toEqual([]);
  await page.getByTestId('checks').click();
  await page.locator('[data-check]').getByRole('button').first().click();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.evaluate(() => {
    (document.activeElement as HTMLElement).blur();
  });
  for (const key of ['a', 'h', 'k', '?', 'n']) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await findings(page)).toEqual([]);
    await page.keyboard.press('Escape');
  }
});

test('an empty box', async ({ empty, page }) => {
  await toBox(page, empty);
  await expect(page.getByText('The box is empty')).toBeVisible();
  expect(await findings(page)).toEqual([]);
});

test('the bench fits 1280 by 800 and 1024 by 768 without scrolling the page', async ({ demo, page }) => {
  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
  ] as const) {
    await page.setViewportSize({ width, height });
    await toBox(page, demo);
    await open(page, 'Slate Runner');
    await expect(page.getByLabel('Verdict')).toContainText('cm/s');
    const scrolls = await page.evaluate(() => [
      document.documentElement.scrollHeight > innerHeight,
      document.documentElement.scrollWidth > innerWidth,
    ]);
    expect([width, ...scrolls]).toEqual([width, false, false]);
  }
});

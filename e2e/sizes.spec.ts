import type { Page } from '@playwright/test';
import { expect, flyName, row, test, toBox, typed } from './boathouse.ts';

const cell = (page: Page, size: string, name: string) => page.locator(`[data-size="${size}"][data-row="${name}"]`);

test('a run over five sizes, a double and a tube, held three ways; one of them becomes a fly of its own', async ({
  own,
  page,
}) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.keyboard.press('3');
  const done = page.locator('main[data-done="true"]');
  await expect(done).toBeVisible();
  await expect(page.getByRole('columnheader')).toHaveCount(8);
  await expect(cell(page, '6', 'shank, gap')).toHaveText('26.6, 7.3');
  await expect(cell(page, 'tube:28mm', 'shank, gap')).toContainText('28.0');
  await expect(cell(page, 'double:6', 'rides')).toContainText(/point-(up|down)/);
  await expect(page.getByTestId('run-chart').locator('svg')).toBeVisible();
  const held: (string | null)[] = [];
  for (const hold of ['shape', 'ride', 'sink']) {
    await page.getByLabel('what the weight holds').selectOption(hold);
    await expect(done).toBeVisible();
    await expect(cell(page, '2', 'held')).toContainText({ shape: 'shape', ride: 'ratio', sink: 'speed' }[hold] ?? '');
    held.push(await cell(page, '2', 'held').textContent());
  }
  expect(new Set(held).size).toBe(3);
  await page.getByRole('button', { name: 'Save 2 as a fly of its own' }).click();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(flyName(page)).toHaveText('Slate Runner, 2');
  await row(page, 'eyes').click();
  await test.step('it knows whose run it is of, and is brought up to it again', async () => {
    await page.getByRole('button', { name: /^Hook, thread/ }).click();
    await expect(page.getByTestId('size-of')).toContainText('Size 2 of the run of Slate Runner');
    await page.getByTestId('size-of').getByRole('link').click();
    await expect(page.getByRole('link', { name: 'Slate Runner, 2' })).toBeVisible();
    await page.getByRole('button', { name: 'Bring Slate Runner, 2 up to the run' }).click();
    await expect(page.getByText('is as the run has it')).toBeVisible();
  });
});

test('a cell is pinned, refused and let go by keyboard; one size holds something else', async ({ own, page }) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.goto(`${page.url()}/sizes`);
  const done = page.locator('main[data-done="true"]');
  await expect(done).toBeVisible();
  await expect(cell(page, '4', 'tail')).toHaveText(/\d/);
  const before = await cell(page, '4', 'tail').textContent();
  await page.getByRole('button', { name: 'tail on 4: follows the run' }).focus();
  await page.keyboard.press('Enter');
  await typed(page, '22 mm');
  await page.keyboard.press('Enter');
  await expect(cell(page, '4', 'tail')).toHaveText('22.0');
  await expect(page.getByRole('button', { name: 'let 1 pin go' })).toBeVisible();
  await page.reload();
  await expect(cell(page, '4', 'tail')).toHaveText('22.0');
  await page.getByRole('button', { name: 'tail on 4: pinned at 22 mm' }).click();
  await page.keyboard.press('Delete');
  await page.keyboard.press('Enter');
  await expect(cell(page, '4', 'tail')).toHaveText(before ?? '');
  await test.step('what does not read is said in its cell, and can be left', async () => {
    await page.getByRole('button', { name: 'thread on 8: follows the run' }).click();
    await typed(page, '3');
    await page.keyboard.press('Enter');
    await expect(page.getByText('is no denier between 10 and 1000')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(cell(page, '8', 'thread')).toHaveText('140');
  });
  await expect(cell(page, '2', 'held')).toContainText(/takes [\d.]+|all three take it/);
  await page.getByLabel('what 2 holds').selectOption('ride');
  await expect(cell(page, '2', 'held')).toContainText('of its ratio');
  await expect(cell(page, '4', 'held')).toContainText('of its shape');
});

test('the sizes are written by keyboard, refused in words, and kept', async ({ own, page }) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Ferryman,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.keyboard.press('3');
  await expect(page.locator('main[data-done="true"]')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.press('Control+a');
  await typed(page, '8, treble:4');
  await expect(page.getByRole('alert')).toContainText('"treble" is none of single, double');
  await page.keyboard.press('Control+a');
  await typed(page, '8, 10');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('columnheader')).toHaveCount(3);
  await page.reload();
  await expect(page.getByLabel('sizes of the run')).toHaveValue('8, 10');
  await expect(cell(page, '10', 'sinks')).toContainText('cm/s');
  await page.keyboard.press('1');
  await expect(flyName(page)).toHaveText('Ferryman');
});

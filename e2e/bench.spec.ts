import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { blank, drag, example, expect, openFly, results, ride, row, saved, test } from './boathouse.ts';

const handle = (page: Page, id: string) => page.getByRole('slider', { name: `${id} tip` });

test('a tip is pulled with the mouse: the number changes, the relation stays, undo takes the whole pull back', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('rowan-ember'));
  await row(page, 'tail').click();
  await drag(page, handle(page, 'tail'), 60);
  const pulled = await blank(page, 'length').inputValue();
  expect(pulled).toMatch(/^[\d.¼⅓½⅔¾]+ shank$/);
  expect(Number.parseFloat(pulled)).toBeLessThan(2.3);
  await row(page, 'flash').click();
  await expect(blank(page, 'length')).toHaveValue('tail + 6 mm');
  await page.getByRole('button', { name: /^undo/ }).click();
  await row(page, 'tail').click();
  await expect(blank(page, 'length')).toHaveValue('2.4 shank');
});

test('a tip cannot be pulled ahead of its tie-in: it stays, and one sentence says why', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'wing').click();
  await drag(page, handle(page, 'wing'), 420);
  await expect(page.getByRole('alert').filter({ hasText: 'ahead of where it is bound' })).toBeVisible();
  await expect(ride(page)).toHaveText('point-up');
});

test('a press on the drawing picks the part under it', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'tail').click();
  const tip = await handle(page, 'wing').boundingBox();
  if (!tip) throw new Error('no handle');
  await page.mouse.click(tip.x + 60, tip.y + 36);
  await expect(row(page, 'wing')).toHaveAttribute('aria-current', 'true');
});

test('a rename follows through every relation', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'eyes').click();
  await page.getByLabel('name of the part').fill('balls');
  await expect(row(page, 'balls')).toBeVisible();
  await row(page, 'wing').click();
  await expect(blank(page, 'tie-in')).toHaveValue('balls.rear');
  await page.getByLabel('name of the part').fill('bend');
  await expect(page.getByRole('alert')).toContainText('word of the relations');
});

test('a part that others lean on asks before it goes: frozen, their measures stay', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'eyes').click();
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.getByRole('dialog')).toContainText('wing, tie-in');
  await page.getByRole('button', { name: 'Leave it on' }).click();
  await expect(row(page, 'eyes')).toBeVisible();
  await page.getByRole('button', { name: 'Take it off' }).click();
  await page.getByRole('button', { name: /^Freeze them/ }).click();
  await row(page, 'wing').click();
  await expect(blank(page, 'tie-in')).toHaveValue('eye + 7.41 mm');
  await saved(page);
});

test('parts are dragged into another order, and copied here and to another fly', async ({ house, page }) => {
  await openFly(page, house, example('ferryman'));
  await openFly(page, house, example('copper-eel'));
  const order = page.getByRole('list', { name: 'Parts' }).locator('[data-part]');
  await expect(order.first()).toHaveAttribute('data-part', 'bead');
  await drag(page, page.getByTitle('Drag to reorder').first(), 0, 150);
  await expect(order.nth(2)).toHaveAttribute('data-part', 'bead');
  await row(page, 'flash').click();
  await page.getByRole('button', { name: 'Copy the part' }).click();
  await page.getByRole('button', { name: 'On this fly, after itself' }).click();
  await expect(row(page, 'flash-2')).toBeVisible();
  await page.getByRole('button', { name: 'Copy the part' }).click();
  await page.getByRole('button', { name: /^Ferryman/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'tied on Ferryman too' })).toBeVisible();
});

test('the hook, its measures, thread and aim: all lengths follow', async ({ house, page }) => {
  await openFly(page, house, example('rowan-ember'));
  await page.getByRole('button', { name: 'Hook, thread and aim' }).click();
  await expect(page.getByText('It rides point down instead')).toBeVisible();
  const hook = page.getByLabel('Hook, thread and aim').getByRole('combobox', { name: 'size' });
  await hook.selectOption('8');
  await page.getByLabel('measured shank').fill('20 mm');
  await row(page, 'tail').click();
  await expect(results(page)).toContainText('48.0 mm');
  await page.getByRole('button', { name: 'Hook, thread and aim' }).click();
  await page.getByLabel('measured shank').fill('20 parsecs');
  await expect(page.getByRole('alert')).toContainText('not a unit of length');
});

test('lines, dressed, silhouette; zoom; inches everywhere; the other hand', async ({ house, page }) => {
  await openFly(page, house, example('night-sexton'));
  const mode = page.getByRole('group', { name: 'How the fly is drawn' });
  const paint = (): Promise<string> =>
    page
      .locator('canvas')
      .first()
      .evaluate((canvas) => (canvas as HTMLCanvasElement).toDataURL());
  const seen = new Set<string>();
  for (const name of ['lines', 'silhouette', 'dressed']) {
    await mode.getByRole('button', { name }).click();
    await expect(mode.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true');
    seen.add(await paint());
  }
  expect(seen.size).toBe(3);
  await page.getByRole('button', { name: 'Zoom in' }).click();
  expect(seen.has(await paint())).toBe(false);
  await page.getByRole('button', { name: 'fit', exact: true }).click();
  await expect.poll(paint).toBe([...seen][2]);
  await page.goto(`${house.url}/settings`);
  await page.getByLabel('inches').check();
  await page.getByLabel('ft/s').check();
  await page.getByRole('radio', { name: 'comma' }).check();
  await page.getByLabel(/^left/).check();
  await page.goBack();
  await expect(page.getByText(/shank ≈ 1 1\/16 in/)).toBeVisible();
  await expect(page.getByLabel('Verdict')).toContainText(/\d,\d\d ft\/s/);
  await expect.poll(paint).not.toBe([...seen][2]);
});

test('the drawing goes out as SVG true to scale and as PNG; the fly as its file', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  const out = async (item: string): Promise<{ name: string; bytes: Buffer }> => {
    await page.getByRole('heading', { level: 1 }).getByRole('button').click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    const file = await download;
    return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
  };
  const svg = await out('Save the drawing as SVG');
  expect(svg.name).toBe('slate-runner.svg');
  expect(svg.bytes.toString()).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
  const [, wide, box] = /width="([\d.]+)mm".*?viewBox="0 0 ([\d.]+)/.exec(svg.bytes.toString()) ?? [];
  expect(Number(box) / Number(wide)).toBeCloseTo(10, 1);
  const png = await out('Save the drawing as PNG');
  expect([png.name, png.bytes.subarray(1, 4).toString()]).toEqual(['slate-runner.png', 'PNG']);
  expect((await out('Save the pattern file')).name).toBe('slate-runner.fly.json');
});

test('on paper: true size with a bar to prove it, and the parts', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await page.evaluate(() => {
    window.dispatchEvent(new Event('beforeprint'));
  });
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('50 mm on the rule')).toBeVisible();
  const bar = await page.locator('article svg').last().boundingBox();
  expect(bar?.width).toBeCloseTo((50 * 96) / 25.4, 0);
  await expect(page.locator('article')).toContainText('bend + 0.6 shank');
});

test('a fly that is not in the box says so and leads home', async ({ demo, page }) => {
  await page.goto(`${demo.url}/fly/none`);
  await expect(page.getByRole('heading', { name: 'No fly on the bench' })).toBeVisible();
  await page.getByRole('button', { name: 'To the box' }).click();
  await expect(page.getByRole('heading', { name: 'Box' })).toBeVisible();
});

import { readFileSync } from 'node:fs';
import { example, expect, findings, holdAndMove, openFly, saved, test, toBox, typed } from './boathouse.ts';

test('the flash comes too late: it is told on the bench and the sheet, and the fix is taken', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('slate-runner'));
  await page.locator('[data-part=flash]').click();
  await page.keyboard.press(']');
  await page.keyboard.press('x');
  const late = 'the flash is tied in after the body that covers its tie-in';
  await expect(page.getByRole('list', { name: 'Checks' })).toContainText(late);
  await page.keyboard.press('4');
  await expect(page.getByTestId('order')).toContainText('1 thing stands in the way of this order');
  const settle = page.getByRole('list', { name: 'To be settled' });
  await expect(settle).toContainText('The flash is tied in after the body');
  await settle.getByRole('button', { name: 'tie in flash before body' }).click();
  await expect(page.getByTestId('order')).toContainText('The order breaks nothing');
  await saved(page);
  const keys = (): Promise<(string | null)[]> =>
    page.locator('[data-step]').evaluateAll((all) => all.map((each) => each.getAttribute('data-step')));
  const order = await keys();
  expect(order.indexOf('flash')).toBeLessThan(order.indexOf('body'));
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('z');
  await expect(settle).toContainText('The flash is tied in after the body');
  await page.keyboard.press('o');
  await expect(settle).toBeHidden();
});

test('a step is taken to another place by keyboard and by drag, and the part with it', async ({ house, page }) => {
  const id = await openFly(page, house, example('slate-runner'));
  await page.keyboard.press('4');
  const order = async (): Promise<string[]> => {
    const keys = await page
      .locator('[data-step]')
      .evaluateAll((all) => all.map((each) => each.getAttribute('data-step')));
    return keys.filter((key) => key === 'weight' || key === 'tail' || key === 'flash');
  };
  const sheet = page.getByTestId('tying-sheet');
  const weight = sheet.getByRole('button', { name: 'Reorder weight' });
  await weight.focus();
  await page.keyboard.press(']');
  await expect.poll(order).toEqual(['tail', 'weight', 'flash']);
  await expect(weight).toBeFocused();
  await page.keyboard.press('[');
  await expect.poll(order).toEqual(['weight', 'tail', 'flash']);
  await weight.scrollIntoViewIfNeeded();
  const target = await sheet.getByRole('button', { name: 'Reorder flash' }).boundingBox();
  const from = await weight.boundingBox();
  if (!target || !from) throw new Error('not there');
  await holdAndMove(page, weight, 0, target.y - from.y + 20);
  // While it is held it stands in the list twice, in its new place: what counts is what comes into the box.
  await expect.poll(async () => [...new Set(await order())]).toEqual(['tail', 'flash', 'weight']);
  await page.mouse.up();
  const kept = async (): Promise<string[]> => {
    const { file } = (await (await page.request.get(`${house.url}/api/flies/${id}`)).json()) as {
      file: { parts: { id: string }[] };
    };
    return file.parts.map((part) => part.id).filter((part) => ['weight', 'tail', 'flash'].includes(part));
  };
  await expect.poll(kept).toEqual(['tail', 'flash', 'weight']);
  expect(await order()).toEqual(['tail', 'flash', 'weight']);
});

const pagesIn = (pdf: Buffer): number => [...pdf.toString('latin1').matchAll(/\/MediaBox/g)].length;

test('the sheet is printed and read back: every step, every cut length', async ({ demo, page }) => {
  await toBox(page, demo);
  await page.getByRole('button', { name: /^Copper Eel,/ }).click();
  await page.getByRole('link', { name: /Sheet/ }).click();
  await expect(page.locator('[data-step="eye"]')).toBeAttached();
  const titles = await page.locator('[data-step] b.font-semibold').allTextContents();
  // What is printed are pages, made when the browser asks for them, and gone afterwards.
  await page.evaluate(() => {
    window.dispatchEvent(new Event('beforeprint'));
  });
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: /Tie it/ })).toBeHidden();
  const printed = page.locator('.printed-page');
  for (const title of titles) await expect(printed.getByText(title).first()).toBeVisible();
  await expect(printed.getByText(/cut \d/).first()).toBeVisible();
  const count = await printed.count();
  await page.evaluate(() => {
    window.dispatchEvent(new Event('afterprint'));
  });
  await page.emulateMedia({ media: null });
  await expect(printed).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^PDF/ })).toBeVisible();
  const [made] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('e')]);
  expect(made.suggestedFilename()).toBe('copper-eel-sheet.pdf');
  // The file has the same pages.
  expect(pagesIn(readFileSync(await made.path()))).toBe(count);
  expect(pagesIn(await page.pdf({ preferCSSPageSize: true }))).toBe(count);
});

test('a fly is tied at the vise by keyboard alone, with a reload in the middle', async ({ house, page, browser }) => {
  await openFly(page, house, example('otters-lamp'));
  await page.keyboard.press('4');
  await expect(page.getByTestId('tying-sheet')).toBeVisible();
  await page.keyboard.press('g');
  const step = page.getByTestId('vise-step');
  await expect(step).toHaveAttribute('data-step', 'hook');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space');
  const at = await step.getAttribute('data-step');
  await page.keyboard.press('ArrowLeft');
  await expect(step).not.toHaveAttribute('data-step', at ?? '');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('c');
  await page.keyboard.press('c');
  await expect(page.getByTestId('vise-turns')).toContainText('2');
  await page.keyboard.press('w');
  await typed(page, 'a finer thread');
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(step).toHaveAttribute('data-step', at ?? '');
  await expect(page.getByTestId('vise-turns')).toContainText('2');
  expect(await findings(page)).toEqual([]);
  for (let i = 0; i < 30 && (await page.getByTestId('vise-done').count()) === 0; i++)
    await page.keyboard.press('Space');
  await expect(page.getByTestId('vise-done')).toContainText('a finer thread');
  await expect(page.getByTestId('drying').first()).toContainText('dry in');
  // One blank too many begins no other fly.
  await page.keyboard.press('Space');
  await expect(page.getByTestId('vise-done')).toBeVisible();
  await page.keyboard.press('n');
  await expect(step).toHaveAttribute('data-step', 'hook');
  await expect(page.getByTestId('vise-clock')).toContainText('usually');
  await expect(page.getByTestId('drying').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('tying-sheet')).toBeVisible();
  // The record lies in the box: another browser, which kept nothing, shows it.
  const other = await browser.newContext();
  const elsewhere = await other.newPage();
  await elsewhere.goto(page.url());
  await expect(elsewhere.getByTestId('tyings')).toContainText('Tied once');
  await expect(elsewhere.getByTestId('tyings')).toContainText('a finer thread');
  await expect(elsewhere.getByTestId('usual-time')).toContainText(/\d:\d\d/);
  await other.close();
});

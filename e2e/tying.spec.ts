import { example, expect, findings, openFly, saved, test, typed } from './boathouse.ts';

test('the flash comes too late: it is told on the bench and the sheet, and put in order by key', async ({
  empty,
  page,
}) => {
  const fly = example('slate-runner');
  const [flash] = fly.parts.splice(
    fly.parts.findIndex((part) => part['id'] === 'tail'),
    1,
  );
  if (!flash) throw new Error('no tail');
  fly.parts.splice(
    fly.parts.findIndex((part) => part['id'] === 'wing'),
    0,
    flash,
  );
  await openFly(page, empty, fly);
  await page.keyboard.press('x');
  await expect(page.getByRole('list', { name: 'Checks' })).toContainText(
    'the tail is tied in after the body that covers its tie-in',
  );
  await page.keyboard.press('4');
  await expect(page.getByTestId('order')).toContainText('in the way of this order');
  await page.keyboard.press('o');
  await expect(page.getByTestId('order')).toContainText('The order breaks nothing');
  await saved(page);
  const steps = page.locator('[data-step]');
  const keys = await steps.evaluateAll((all) => all.map((each) => each.getAttribute('data-step')));
  expect(keys.indexOf('tail')).toBeLessThan(keys.indexOf('body'));
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('z');
  await expect(page.getByTestId('order')).toContainText('in the way of this order');
});

test('the sheet is printed and read back: every step, every cut length', async ({ demo, page }) => {
  await page.goto(demo.url);
  await page.getByRole('button', { name: /^Copper Eel,/ }).click();
  await page.getByRole('link', { name: /Sheet/ }).click();
  await expect(page.locator('[data-step="eye"]')).toBeAttached();
  const titles = await page.locator('[data-step] b.font-semibold').allTextContents();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('link', { name: /Tie it/ })).toBeHidden();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.subarray(0, 4).toString()).toBe('%PDF');
  for (const title of titles) await expect(page.getByText(title, { exact: true }).first()).toBeVisible();
  await expect(page.getByText(/^cut \d/).first()).toBeVisible();
});

test('a fly is tied at the vise by keyboard alone, with a reload in the middle', async ({ empty, page }) => {
  await openFly(page, empty, example('otters-lamp'));
  await page.keyboard.press('4');
  await expect(page.getByTestId('tying-sheet')).toBeVisible();
  await page.keyboard.press('t');
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
  await page.keyboard.press('Space');
  await expect(step).toHaveAttribute('data-step', 'hook');
  await expect(page.getByTestId('vise-clock')).toContainText('usually');
  await expect(page.getByTestId('drying').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('tying-sheet')).toBeVisible();
});

import type { Page } from '@playwright/test';
import { blank, expect, flyName, results, ride, saved, test, toBox, typed } from './boathouse.ts';

const keys = async (page: Page, ...names: string[]): Promise<void> => {
  for (const name of names) await page.keyboard.press(name);
};

/** Goes from blank to blank until the one of this label has the focus, then writes over it. */
async function into(page: Page, label: string, text: string): Promise<void> {
  for (let i = 0; i < 20; i++) {
    if (await blank(page, label).evaluate((element) => element === document.activeElement)) break;
    await page.keyboard.press('Tab');
  }
  await keys(page, 'Control+a');
  await typed(page, text);
}

test('a fly by keyboard alone: laid out, tied, pulled, reordered, undone, found again', async ({ empty, page }) => {
  await toBox(page, empty);
  await test.step('a new fly from the box', async () => {
    await keys(page, 'n');
    await typed(page, 'Tin Minnow');
    await keys(page, 'Enter');
    await expect(page.getByText('Tie in the first part').first()).toBeVisible();
  });
  await test.step('eyes and a tail', async () => {
    await keys(page, 'a');
    await typed(page, 'dumb');
    await keys(page, 'Enter');
    await expect(ride(page)).toHaveText('point-up');
    await keys(page, 'a');
    await typed(page, 'tail');
    await keys(page, 'Enter', 'Enter');
    await into(page, 'length', '1.2 shank');
    await expect(results(page)).toContainText('32.5 mm');
  });
  await test.step('a blank steps with the arrows; Escape leaves what does not read', async () => {
    await keys(page, 'ArrowUp');
    await expect(blank(page, 'length')).toHaveValue('1.25 shank');
    await keys(page, 'Shift+ArrowDown');
    await expect(blank(page, 'length')).toHaveValue('1.24 shank');
    await keys(page, 'Control+a');
    await typed(page, '1.3 shnak');
    await expect(page.getByRole('alert')).toContainText('did you mean "shank"');
    await keys(page, 'Escape');
    await expect(blank(page, 'length')).toHaveValue('1.24 shank');
    await expect(page.getByRole('alert')).toHaveCount(0);
  });
  await test.step('the tip is pulled from the board and by its handle', async () => {
    await page.evaluate(() => {
      (document.activeElement as HTMLElement).blur();
    });
    await keys(page, 'ArrowLeft');
    await expect(blank(page, 'length')).toHaveValue('1.29 shank');
    await page.getByRole('slider', { name: 'tail tip' }).focus();
    await keys(page, 'ArrowRight');
    await expect(blank(page, 'length')).toHaveValue('1.24 shank');
    await expect(page.getByRole('slider', { name: 'tail tip' })).toHaveAttribute(
      'aria-valuetext',
      /^1\.24 shank, 33\.6 mm$/,
    );
    await page.evaluate(() => {
      (document.activeElement as HTMLElement).blur();
    });
  });
  await test.step('earlier, off, and back by undo', async () => {
    const order = page.getByRole('list', { name: 'Parts' }).locator('[data-part]');
    await keys(page, '[');
    await expect(order.first()).toHaveAttribute('data-part', 'tail');
    await keys(page, 'Delete');
    await expect(order).toHaveCount(1);
    await keys(page, 'Control+z');
    await expect(order).toHaveCount(2);
    await keys(page, 'Control+z', 'Control+Shift+z');
    await expect(order.first()).toHaveAttribute('data-part', 'tail');
  });
  await test.step('closer, and the whole fly again', async () => {
    const scale = async (): Promise<number> =>
      Number.parseFloat(
        /at ([\d.]+) pixels/.exec(
          (await page.getByRole('group', { name: /^Lines plan/ }).getAttribute('aria-label')) ?? '',
        )?.[1] ?? '',
      );
    const whole = await scale();
    await keys(page, '+');
    expect(await scale()).toBeCloseTo(1.3 * whole, 0);
    await keys(page, '0');
    expect(await scale()).toBe(whole);
  });
  await test.step('commands by name, and the list of keys', async () => {
    await keys(page, 'k');
    await typed(page, 'inches');
    await keys(page, 'Enter');
    await expect(page.getByText(/shank ≈ 1 1\/16 in/)).toBeVisible();
    await keys(page, '?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Take the part off');
    await keys(page, 'Escape');
  });
  await test.step('to the box and in again by typing', async () => {
    await saved(page);
    await keys(page, 'b');
    await expect(page.getByRole('heading', { name: 'Box' })).toBeVisible();
    await keys(page, '/');
    await typed(page, 'minnow');
    await keys(page, 'Enter');
    await expect(flyName(page)).toHaveText('Tin Minnow');
  });
});

test('single letters can be turned off; Ctrl ones go on working', async ({ demo, page }) => {
  await page.goto(`${demo.url}/settings`);
  await page.getByRole('group', { name: 'Single keys' }).getByLabel('off').check();
  await toBox(page, demo);
  await keys(page, 'n');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await keys(page, 'Control+k');
  await expect(page.getByRole('dialog', { name: 'Commands' })).toBeVisible();
});

test('Enter on a button presses the button, whatever Enter does elsewhere', async ({ demo, page }) => {
  await toBox(page, demo);
  await page.getByRole('button', { name: 'commands' }).focus();
  await keys(page, 'Enter');
  await expect(page.getByRole('dialog', { name: 'Commands' })).toBeVisible();
});

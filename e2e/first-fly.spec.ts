import { blank, command, expect, flyName, results, ride, row, saved, test, toBox, write } from './boathouse.ts';

test('from an empty box to a fly that is there after a reload', async ({ empty, page }) => {
  await toBox(page, empty);
  await test.step('lay out a fly on a size 6, 3X long', async () => {
    await expect(page.getByText('The box is empty')).toBeVisible();
    await page.getByRole('button', { name: 'Lay out a new fly' }).first().click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name').fill('Slate Runner');
    await dialog.getByLabel('Size').selectOption('6');
    await dialog.getByLabel('Shank', { exact: true }).selectOption({ label: '3X long' });
    await dialog.getByRole('button', { name: 'Lay it out' }).click();
    await expect(flyName(page)).toHaveText('Slate Runner');
    await expect(page.getByText('shank ≈ 27.1 mm')).toBeVisible();
    await expect(ride(page)).toHaveText('point-down');
  });
  const add = async (find: string): Promise<void> => {
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByPlaceholder('eyes, tail, rib').fill(find);
    await page.keyboard.press('Enter');
  };
  await test.step('add eyes, too small to tip it', async () => {
    await add('dumbbell');
    await write(page, 'diameter', '3/32 in');
    await expect(results(page)).toContainText('dry');
    await expect(ride(page)).toHaveText('point-down');
  });
  await test.step('a tail of 1.2 shank is 32.5 mm', async () => {
    await add('tail');
    await write(page, 'length', '1.2 shank');
    await expect(results(page)).toContainText('32.5 mm');
  });
  await test.step('a strip reaching bend + 0.6 shank ends 16.3 mm past the bend, 43.4 mm from the eye', async () => {
    await add('strip');
    await write(page, 'tip', 'bend + 0.6 shank');
    await expect(results(page)).toContainText('43.4 mm, 16.3 mm past the bend');
  });
  await test.step('larger eyes tip it from point-down to point-up', async () => {
    await expect(ride(page)).toHaveText('point-down');
    await row(page, 'eyes').click();
    await write(page, 'diameter', '5/32 in');
    await expect(ride(page)).toHaveText('point-up');
    await expect(page.getByLabel('Verdict')).toContainText('yours');
  });
  await test.step('undo, redo', async () => {
    await page.getByRole('button', { name: /^undo/ }).click();
    await expect(ride(page)).toHaveText('point-down');
    await command(page, 'Redo');
    await expect(ride(page)).toHaveText('point-up');
  });
  await test.step('reload: it is all there', async () => {
    await saved(page);
    await page.reload();
    await expect(ride(page)).toHaveText('point-up');
    await row(page, 'tail').click();
    await expect(blank(page, 'length')).toHaveValue('1.2 shank');
    await toBox(page, empty);
    await expect(page.getByRole('button', { name: /Slate Runner, single 6, 3X long, rides point-up/ })).toBeVisible();
  });
});

test('a reload before anything reached the server loses nothing', async ({ empty, page }) => {
  await toBox(page, empty);
  await page.getByRole('button', { name: 'Open the boathouse examples' }).click();
  await page.getByRole('button', { name: /^Peat Lantern,/ }).click();
  await row(page, 'tail').click();
  await empty.stop();
  await write(page, 'length', '1.05 body');
  await expect(page.getByTestId('save')).toHaveText('not saved, kept on this device');
  page.once('dialog', (dialog) => void dialog.accept());
  await empty.start();
  await page.reload();
  await row(page, 'tail').click();
  await expect(blank(page, 'length')).toHaveValue('1.05 body');
  await saved(page);
});

test('a new fly whose answer is lost on its way is asked for again and lies in the box once', async ({
  empty,
  page,
}) => {
  await toBox(page, empty);
  let lost = 0;
  await page.route('**/api/flies', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.fallback();
    lost++;
    await route.fetch();
    return route.abort();
  });
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Slate Runner');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('does not answer');
  await page.keyboard.press('Enter');
  await expect(flyName(page)).toHaveText('Slate Runner');
  await toBox(page, empty);
  await expect(page.getByRole('button', { name: /^Slate Runner,/ })).toHaveCount(1);
});

import { command, example, expect, flyName, openFly, saved, test, toBox, typed } from './boathouse.ts';

test('dialogs: the first field has the keyboard, no key acts behind, Back closes, and the keyboard goes back', async ({
  empty,
  page,
}) => {
  await openFly(page, empty, example('glass-smolt'));
  await toBox(page, empty);
  await test.step('rename by the menu: what is typed is the name, and makes no fly', async () => {
    await page.getByRole('button', { name: 'More for Glass Smolt' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'Rename' }).press('Enter');
    await expect(page.getByRole('dialog').getByLabel('name')).toBeFocused();
    await page.keyboard.type('Nobody');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Nobody,/ })).toBeVisible();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(page.getByText('1 of 1')).toBeVisible();
  });
  await test.step('closed, the keyboard is where it was', async () => {
    await page.getByRole('button', { name: 'More for Nobody' }).focus();
    await page.keyboard.press('n');
    await expect(page.getByRole('dialog').getByLabel('Name')).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'More for Nobody' })).toBeFocused();
  });
  await test.step('Back closes the dialog and stays in the view', async () => {
    await page.getByRole('button', { name: /^Nobody,/ }).click();
    await expect(flyName(page)).toHaveText('Nobody');
    await page.keyboard.press('h');
    await expect(page.getByRole('dialog', { name: 'History' })).toBeVisible();
    await page.goBack();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(flyName(page)).toHaveText('Nobody');
    await page.goBack();
    await expect(flyName(page)).toHaveText('Box');
  });
});

test('the bar: digits walk the views one sees, the name renames, the state of saving is the way back', async ({
  empty,
  page,
}) => {
  await openFly(page, empty, example('slate-runner'));
  for (const [digit, view] of [
    ['2', 'Balance'],
    ['3', 'Sizes'],
    ['4', 'Sheet'],
    ['1', 'Bench'],
  ] as const) {
    await page.keyboard.press(digit);
    await expect(page).toHaveTitle(`Slate Runner · ${view} · Jobbet`);
    await expect(page.getByRole('navigation', { name: 'Views of the fly' }).locator('[aria-current]')).toHaveText(
      `${digit}${view}`,
    );
  }
  // Water and Inspect are not built: their digits do nothing.
  await page.keyboard.press('5');
  await page.keyboard.press('6');
  await expect(page).toHaveTitle('Slate Runner · Bench · Jobbet');
  await page.getByRole('button', { name: 'Slate Runner' }).click();
  await page.getByRole('menuitem', { name: 'Rename the fly' }).click();
  await page.keyboard.type('Slate Two');
  await page.keyboard.press('Enter');
  await expect(flyName(page)).toHaveText('Slate Two');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(flyName(page)).toHaveText('Slate Runner');
  await saved(page);
  await page.getByRole('button', { name: 'commands' }).click();
  await typed(page, 'drawers');
  await page.keyboard.press('Enter');
  await expect(page).toHaveTitle('Drawers · Jobbet');
  await page.keyboard.press('1');
  await expect(page).toHaveTitle('Box · Jobbet');
  await command(page, 'Trash');
  await expect(page).toHaveTitle('Trash · Jobbet');
});

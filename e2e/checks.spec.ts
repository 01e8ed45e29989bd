import { blank, example, expect, openFly, row, saved, test, toBox, typed } from './boathouse.ts';

const check = (page: import('@playwright/test').Page, code: string) => page.locator(`[data-check="${code}"]`);

test('three checks are settled by keyboard: each fix is shown on the drawing before it is taken', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('rowan-ember'));
  await expect(page.getByTestId('checks')).toContainText('2 to settle');
  await page.keyboard.press('x');
  await test.step('the tail follows its school again: shown, left, shown, taken', async () => {
    await expect(check(page, 'length.foul').first().getByRole('button').first()).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('preview')).toContainText('follow the school');
    await expect(page.getByRole('slider')).toHaveCount(0);
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('preview')).toHaveCount(0);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('checks')).toContainText('1 to settle');
  });
  await test.step('heavier eyes turn it over', async () => {
    const eyes = check(page, 'balance.ride').getByRole('button').first();
    await eyes.focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('ride')).toHaveText('point-up');
    await expect(page.getByTestId('checks')).not.toContainText('to settle');
  });
  await test.step('and all of it can be taken back', async () => {
    await page.evaluate(() => {
      (document.activeElement as HTMLElement).blur();
    });
    await page.keyboard.press('z');
    await page.keyboard.press('z');
    await expect(page.getByTestId('checks')).toContainText('2 to settle');
  });
  await saved(page);
});

test('a check is left as it is with a reason, which is kept with the fly; without one it is not', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('rowan-ember'));
  await row(page, 'tail').click();
  const nip = check(page, 'length.foul');
  await nip.getByRole('button', { name: 'Leave it, and say why' }).click();
  await page.keyboard.press('Enter');
  await expect(nip.getByRole('alert')).toContainText('say why');
  await typed(page, 'sea trout take it by the head');
  await page.keyboard.press('Enter');
  await expect(nip).toHaveCount(0);
  await saved(page);
  await page.reload();
  await page.getByTestId('checks').click();
  // What the same cause trips is left with it.
  await expect(page.getByText('sea trout take it by the head').first()).toBeVisible();
  await expect(page.getByTestId('checks')).toContainText('1 to settle');
  await page.getByRole('button', { name: 'say it again' }).first().click();
  await expect(page.getByTestId('checks')).toContainText('2 to settle');
});

test('a part leaves its school and rejoins it; the whole fly follows another', async ({ house, page }) => {
  await openFly(page, house, example('peat-lantern'));
  await row(page, 'tail').click();
  const standing = page.getByTestId('standing');
  await expect(standing).toContainText('Mobile gives 0.85 body to 1.6 shank');
  await expect(standing).toContainText('Its own relation, within the band.');
  await blank(page, 'length').fill('2.2 shank');
  await expect(standing).toContainText('outside the band');
  await standing.getByRole('button', { name: 'Follow the school again' }).click();
  await expect(blank(page, 'length')).toHaveValue('0.85 body..1.6 shank');
  await expect(standing).toContainText('It follows.');
  await page.getByTitle(/change the hook/).click();
  await page.getByLabel('school', { exact: true }).selectOption('nymph-lure');
  await page.getByRole('button', { name: 'Follow it again in all parts' }).click();
  await row(page, 'tail').click();
  await expect(blank(page, 'length')).toHaveValue('0.85 body..1.2 shank');
  await saved(page);
});

test('rules written for a water are held against every fly while they are in force; a limit is one’s own', async ({
  own,
  page,
}) => {
  const cell = (name: string, col: string) => page.locator(`tr[data-row="${name}"] [data-col="${col}"]`);
  await page.goto(`${own.url}/drawers/rules`);
  await cell('Ferry Pool', 'inForce').dblclick();
  await page.getByLabel('in force of Ferry Pool').selectOption('yes');
  await page.keyboard.press('Enter');
  // The list one picks from holds the same word: it is gone once the word was taken.
  await expect(page.getByLabel('in force of Ferry Pool')).toHaveCount(0);
  await expect(cell('Ferry Pool', 'inForce')).toHaveText('yes');
  await page.goto(`${own.url}/drawers/limits`);
  // The list is long: found by a word, the row stands alone and does not move under the pointer.
  await page.getByLabel('Find in the drawer').fill('legs.gaps');
  await expect(page.getByRole('status').filter({ hasText: /^1 of / })).toBeVisible();
  await cell('length.legs.gaps', 'value').dblclick();
  await page.getByLabel('limit of length.legs.gaps').fill('0.5');
  await page.keyboard.press('Enter');
  await expect(cell('length.legs.gaps', 'value')).toHaveText('0.5');
  await toBox(page, own);
  await page.getByRole('button', { name: /^Ferryman,/ }).click();
  await page.getByTestId('checks').click();
  await expect(check(page, 'rules.hooks')).toContainText('Ferry Pool: only single hooks');
  await expect(check(page, 'rules.hooks')).toHaveAttribute('data-severity', 'stop');
  await toBox(page, own);
  await page.getByRole('button', { name: /^Night Sexton,/ }).click();
  await page.getByTestId('checks').click();
  await expect(check(page, 'length.legs')).toContainText('gaps');
});

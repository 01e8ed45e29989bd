import type { Page } from '@playwright/test';
import { blank, example, expect, findings, openFly, row, saved, test, typed, write } from './boathouse.ts';

/** Keys of the steps on the sheet, in turn. */
const steps = (page: Page): Promise<string[]> =>
  page.locator('[data-step]').evaluateAll((all) => all.map((each) => each.getAttribute('data-step') ?? ''));
const stepOf = (page: Page, key: string) => page.locator(`[data-step="${key}"]`);
const inTurn = async (page: Page, ...keys: string[]): Promise<string[]> =>
  (await steps(page)).filter((key) => keys.includes(key));

test('a nymph with case and legs: the case is tied in, thorax and legs made, and it is folded over them', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('night-sexton'));
  await page.keyboard.press('4');
  await expect(stepOf(page, 'case/over')).toBeAttached();
  const order = ['case/catch', 'thorax', 'legs', 'case/over'];
  expect(await inTurn(page, ...order)).toEqual(order);
  await expect(stepOf(page, 'case/catch')).toContainText('Leave it while the thorax and the legs are made.');
  await expect(stepOf(page, 'case/over')).toContainText('Fold it forward over what is made');
  // A technique is a key away.
  const fold = stepOf(page, 'case/over').getByRole('button', { name: /Folding a case/ });
  await fold.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toContainText('Goes wrong: Pulled hard it narrows and splits.');
  await page.keyboard.press('Escape');
  await expect(fold).toBeFocused();
  // The case front first: its ends change places, its steps stay two.
  await page.getByLabel('case tied in first, way').selectOption('front');
  await expect(stepOf(page, 'case/catch')).toContainText('its length lying to the front');
  await saved(page);
  expect(await findings(page)).toEqual([]);
});

test('eyes slid back leave wire in front, and a strip is tied in there', async ({ house, page }) => {
  const fly = example('slate-runner');
  const parts = fly.parts.map((part) =>
    part['id'] === 'wing' ? { ...part, at: 'eyes.front - 1 mm', side: 'top' } : part,
  );
  await openFly(page, house, { ...fly, parts });
  await page.locator('[data-part="eyes"]').click();
  await write(page, 'place', 'station 4');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await expect(stepOf(page, 'wing/over')).toContainText('in front of the eyes');
  await expect(page.getByTestId('tying-sheet')).not.toContainText('nothing can be tied');
});

test('another way changes the steps, and a beginner has the techniques written out', async ({ house, page }) => {
  await openFly(page, house, example('slate-runner'));
  await page.keyboard.press('4');
  await expect(stepOf(page, 'wing/catch')).toContainText('bind the bare skin there');
  expect(await inTurn(page, 'wing/catch', 'body', 'wing/over')).toEqual(['wing/catch', 'body', 'wing/over']);
  await page.getByLabel('wing bound first, way').selectOption('front');
  await expect.poll(() => inTurn(page, 'wing/catch', 'body', 'wing/over')).toEqual(['body', 'wing/catch', 'wing/over']);
  await expect(stepOf(page, 'wing/over')).toContainText('bind it at the bend');
  const sheet = page.getByTestId('tying-sheet');
  await expect(sheet).not.toContainText('Pinch wrap: Hold it on top');
  const back = page.url();
  await page.goto(`${house.url}/settings`);
  await page.getByRole('radio', { name: /for a beginner/ }).check();
  await page.goto(back);
  await expect(sheet).toContainText('Pinch wrap: Hold it on top');
});

test('a crab by keyboard: eyes on stalks and a lip by what they are called, two furs in a loop, the head crossed between the eyes', async ({
  house,
  page,
}) => {
  const fly = example('slate-runner');
  const eyes = fly.parts.filter((part) => part['id'] === 'eyes');
  const fur = {
    id: 'body',
    role: 'body',
    construction: 'wrap',
    material: 'tight dubbing',
    diameter: '5 mm',
    from: 'bend',
    to: 'head',
  };
  await openFly(page, house, { ...fly, name: 'Ferry Crab', parts: [...eyes, fur] });
  const dialog = page.getByRole('dialog');
  for (const [words, name, id] of [
    ['crab', 'Eyes on stalks', 'stalks'],
    ['slider', 'Foam lip', 'lip'],
  ] as const) {
    await page.keyboard.press('a');
    await typed(page, words);
    await expect(dialog.getByRole('option').first()).toContainText(name);
    await page.keyboard.press('Enter');
    await expect(row(page, id)).toBeVisible();
  }
  await row(page, 'stalks').click();
  await write(page, 'stalk', '7 mm');
  await row(page, 'eyes').click();
  await blank(page, 'faces').selectOption('flat');
  await row(page, 'body').click();
  await write(page, 'second fur in the loop', 'copper tinsel');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await expect(stepOf(page, 'stalks')).toContainText('until each eye stands 7 mm off');
  await expect(stepOf(page, 'lip')).toContainText('bring the thread under it to the eye');
  await expect(stepOf(page, 'body')).toContainText('and the copper tinsel on it');
  await page.getByLabel('body wound, way').selectOption('crossed');
  await expect(stepOf(page, 'body')).toContainText('across between them to in front of the near one');
  await stepOf(page, 'body')
    .getByRole('button', { name: /Crossing a head between the eyes/ })
    .press('Enter');
  await expect(dialog).toContainText('each eye sits in a ring of its own');
  await expect(dialog.locator('svg').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
  expect(await findings(page)).toEqual([]);
});

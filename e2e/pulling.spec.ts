import type { Page } from '@playwright/test';
import { blank, drag, example, expect, holdAndMove, openFly, row, saved, test } from './boathouse.ts';

const grip = (page: Page, name: string) => page.getByRole('slider', { name, exact: true });
const fromAbove = (page: Page, name: string) => page.locator(`[data-grip="${name} from above"]`);
const words = (page: Page) => page.getByTestId('pull-words');

test('tie-ins, spans, eyes and clumps are pulled in profile and plan, and what leans on them follows', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('slate-runner'));
  await test.step('eyes slide along the shank in the plan; the wing tied in behind them goes too', async () => {
    await row(page, 'eyes').click();
    const wingBefore = await grip(page, 'wing tip').getAttribute('aria-valuenow');
    const [at, wingAt] = [grip(page, 'eyes place'), row(page, 'wing')];
    const before = await wingAt.textContent();
    await drag(page, fromAbove(page, 'eyes place'), -30);
    await expect(at).not.toHaveAttribute('aria-valuetext', /^station 2,/);
    await expect(wingAt).not.toHaveText(before ?? '');
    await expect(grip(page, 'wing tip')).toHaveAttribute('aria-valuenow', wingBefore ?? '');
    await expect(blank(page, 'place')).toHaveValue(/^station [\d¼⅓½⅔¾.]+$/);
  });
  await test.step('the rear of the body comes forward and back to the bend, which is said', async () => {
    await row(page, 'body').click();
    await drag(page, grip(page, 'body rear'), 44);
    await expect(grip(page, 'body rear')).toHaveAttribute('aria-valuetext', /^bend - /);
    await holdAndMove(page, grip(page, 'body rear'), -42);
    await expect(words(page)).toHaveText(/^at the bend$|^bend$/);
    await page.mouse.up();
    await expect(words(page)).toHaveCount(0);
  });
  await test.step('a clump is pulled thicker, dose by dose', async () => {
    await row(page, 'tail').click();
    const thick = grip(page, 'tail pinch');
    await expect(thick).toHaveAttribute('aria-valuetext', /^thumbnail, /);
    const before = Number(await thick.getAttribute('aria-valuenow'));
    await drag(page, thick, 0, -12);
    expect(Number(await thick.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
  });
  await test.step('one pull is one step back', async () => {
    await page.getByRole('button', { name: /^undo/ }).click();
    await expect(grip(page, 'tail pinch')).toHaveAttribute('aria-valuetext', /^thumbnail, /);
  });
  await saved(page);
});

test('a pull rests on what it meets and says so; Ctrl frees it', async ({ house, page }) => {
  await openFly(page, house, {
    ...example('slate-runner'),
    parts: [
      {
        id: 'tail',
        role: 'tail',
        construction: 'bundle',
        material: 'marabou',
        dose: 'thumbnail',
        at: 'bend',
        length: '1 shank',
      },
      {
        id: 'wing',
        role: 'wing',
        construction: 'bundle',
        material: 'marabou',
        pinch: '2 mm',
        at: 'station 2',
        length: '31 mm',
      },
    ],
  });
  await row(page, 'wing').click();
  const [own, other] = [await grip(page, 'wing tip').boundingBox(), await grip(page, 'tail tip').boundingBox()];
  if (!own || !other) throw new Error('no tips');
  const dx = other.x + other.width / 2 - own.x - own.width / 2 + 2;
  await holdAndMove(page, grip(page, 'wing tip'), dx);
  await expect(words(page)).toHaveText("level with tail's tip");
  await page.keyboard.down('Control');
  await page.mouse.move(own.x + own.width / 2 + dx + 1, own.y + own.height / 2);
  await expect(words(page)).toHaveText(/^[\d.]+ mm$/);
  await page.keyboard.up('Control');
  await page.mouse.up();
});

test('all of it by keyboard: from handle to handle, by steps and by stations, and the head space', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'wing').click();
  await grip(page, 'wing tip').focus();
  await page.keyboard.press('Tab');
  await expect(grip(page, 'wing tie-in')).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(grip(page, 'wing binding 1')).toBeFocused();
  await page.keyboard.press('PageDown');
  await expect(blank(page, 'second binding')).toHaveValue(/^bend - 2\.7 mm$/);
  await page.getByRole('button', { name: /^Hook, thread/ }).click();
  const head = grip(page, 'head space');
  await head.focus();
  const before = Number(await head.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => Number(await head.getAttribute('aria-valuenow'))).toBeCloseTo(before + 0.5, 1);
  await expect(page.getByRole('textbox', { name: 'head space' })).toHaveValue(/mm$/);
});

test('two schools are laid over one fly as outlines, with what differs and why', async ({ house, page }) => {
  await openFly(page, house, example('rowan-ember'));
  await page.getByRole('button', { name: /^Hook, thread/ }).click();
  await page.getByLabel('school compared with').selectOption('Compact');
  await expect(page.getByTestId('outlines').locator('text')).toHaveText(['Mobile', 'Compact']);
  await expect(page.getByTestId('compare').getByRole('row', { name: /^tail/ })).toBeVisible();
  await expect(page.getByTestId('compare')).toContainText('0.8 gap..1.1 body');
  await page.locator('body').press('Escape');
  await expect(page.getByTestId('outlines')).toHaveCount(0);
});

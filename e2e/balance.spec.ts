import type { Page } from '@playwright/test';
import { drag, example, expect, findings, openFly, ride, saved, test, toBox, typed } from './boathouse.ts';

const heel = (page: Page) => page.getByRole('slider', { name: 'heel' });
const current = (page: Page) => page.getByLabel('side current', { exact: true });

/** Opens a fly and goes to its balance by key. */
async function balanceOf(page: Page, house: Parameters<typeof openFly>[1], name: string): Promise<void> {
  await openFly(page, house, example(name));
  await page.keyboard.press('2');
  await expect(page.getByTestId('keel-moment')).toBeVisible();
}

test('a fly is heeled by hand and by a current until it gives way, all by keyboard', async ({ house, page }) => {
  await balanceOf(page, house, 'rowan-ember');
  await expect(page.getByTestId('dial-words')).toContainText('rests point-down');
  await test.step('rolled by hand: the moment that turns it back is told, most of it at a quarter turn', async () => {
    await heel(page).focus();
    for (let i = 0; i < 18; i++) await page.keyboard.press('Shift+ArrowRight');
    await expect(heel(page)).toHaveAttribute('aria-valuenow', '90');
    await expect(page.getByTestId('dial-words')).toContainText('point 90° to the near side');
    const moment = await page.getByTestId('keel-moment').textContent();
    await expect(page.getByTestId('dial-words')).toContainText(moment ?? 'no moment');
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('dial-words')).toContainText('rests point-down');
  });
  await test.step('the current is turned up: it heels the further, then gives way', async () => {
    await expect(page.getByTestId('current')).toContainText(/It holds to \d+ cm\/s/);
    const holds = Number(/holds to (\d+)/.exec((await page.getByTestId('current').textContent()) ?? '')?.[1]);
    await current(page).focus();
    const heels: number[] = [];
    for (let speed = 1; speed < holds + 3; speed++) {
      await page.keyboard.press('ArrowRight');
      await expect(page.getByTestId('current')).toContainText(`At ${speed < 2 ? '1.0' : String(speed)} cm/s`);
      const words = (await page.getByTestId('current').textContent()) ?? '';
      if (words.includes('gives way')) break;
      heels.push(Number(/heels (\d+)/.exec(words)?.[1]));
    }
    expect(heels.length).toBeGreaterThanOrEqual(holds - 2);
    expect([...heels].sort((a, b) => a - b)).toEqual(heels);
    await expect(page.getByTestId('current')).toContainText('gives way and rolls over');
    await expect(page.getByTestId('dial-words')).toContainText('gives way');
  });
});

test('heavier eyes from the tipping bar turn it over; undo takes them back; it is the same bench', async ({
  house,
  page,
}) => {
  await balanceOf(page, house, 'rowan-ember');
  await expect(page.getByTestId('tipping')).toContainText('× the tipping weight');
  const bar = page.getByRole('region', { name: 'Tipping weight of eyes' });
  await bar.getByRole('button', { name: /^4\.8/ }).click();
  await expect(ride(page)).toHaveText('point-up');
  await expect(page.getByTestId('dial-words')).toContainText('rests point-up');
  await saved(page);
  await page.getByRole('button', { name: /^undo/ }).click();
  await expect(ride(page)).toHaveText('point-down');
  await test.step('what each part brings stands beside it; a part picked here is picked on the bench', async () => {
    const table = page.getByRole('table', { name: 'What each part brings' });
    await expect(table.getByRole('row')).toHaveCount(9);
    await table.getByRole('button', { name: 'collar' }).click();
    await expect(table.getByRole('button', { name: 'collar' })).toHaveAttribute('aria-pressed', 'true');
  });
  await test.step('how it hangs on a pull and how long it takes down', async () => {
    await expect(page.getByTestId('pulled')).toContainText(
      /the tail hangs \d+° at 10 cm\/s, \d+° at 30 cm\/s and \d+°/,
    );
    await expect(page.getByTestId('pulled')).toContainText(/1 m in \d+\.\d s/);
  });
});

test('the dial is turned with the mouse', async ({ house, page }) => {
  await balanceOf(page, house, 'rowan-ember');
  const dial = await page.getByRole('group', { name: 'Ride dial' }).boundingBox();
  const knob = await heel(page).boundingBox();
  if (!dial || !knob) throw new Error('no dial');
  await page.mouse.move(knob.x + knob.width / 2, knob.y + knob.height / 2);
  await page.mouse.down();
  await page.mouse.move(dial.x + 20, dial.y + dial.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(heel(page)).toHaveAttribute('aria-valuenow', /^(89|90|91)$/);
  await expect(page.getByTestId('dial-words')).toContainText('to the near side');
});

test('weights are found for the troubled fly, shown, left, and taken, by keyboard', async ({ house, page }) => {
  await balanceOf(page, house, 'rowan-ember');
  await page.keyboard.press('f');
  await page.getByLabel('wished current').focus();
  await page.keyboard.press('Control+a');
  await typed(page, '12');
  // It begins from what the fly is meant for.
  await expect(page.getByLabel('sinks from')).toHaveValue('22');
  await page.getByLabel('sinks from').focus();
  await page.keyboard.press('Control+a');
  await typed(page, '15');
  await page.getByLabel('sinks to').focus();
  await page.keyboard.press('Control+a');
  await typed(page, '45');
  await page.keyboard.press('Enter');
  const list = page.getByRole('group', { name: 'Weights found' });
  await expect(page.getByTestId('finding')).toContainText(/Of \d{4,5} choices these do it/, { timeout: 30_000 });
  await expect(list.getByRole('button').first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(list.getByRole('button').nth(1)).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByTestId('dial-words')).toContainText('rests point-up');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('dial-words')).toContainText('rests point-down');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(ride(page)).toHaveText('point-up');
  await saved(page);
  await page.keyboard.press('z');
  await expect(ride(page)).toHaveText('point-down');
  await test.step('wishes that nothing fulfils: the nearest, and what stands in the way', async () => {
    await page.getByLabel('sinks to').fill('1');
    await page.getByLabel('sinks from').fill('');
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    await expect(page.getByTestId('finding')).toContainText('What stands in the way is how fast it sinks', {
      timeout: 30_000,
    });
    await page.getByLabel('sinks to').fill('soon');
    await expect(page.getByRole('alert')).toContainText('A speed is a number');
  });
});

test('scatter names the place of the eyes as the thing to mind; steadier hands tie better flies', async ({
  house,
  page,
}) => {
  await balanceOf(page, house, 'tin-sculpin');
  await page.keyboard.press('s');
  const told = page.getByTestId('hands-told');
  await expect(told).toContainText('Mind where the eyes sit: always as meant', { timeout: 30_000 });
  const share = async (): Promise<number> =>
    Number(/(\d+) % ride point-up/.exec((await told.textContent()) ?? '')?.[1]);
  const before = await share();
  await expect(page.getByTestId('hands-spread')).toContainText('nine of ten sink', { timeout: 30_000 });
  await page.getByRole('button', { name: 'How far off, and try it' }).click();
  const roll = page.getByLabel('standard deviation of eyes, turned round the shank');
  await roll.focus();
  await page.keyboard.press('Control+a');
  await typed(page, '1');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'What to mind' }).click();
  await expect.poll(share, { timeout: 30_000 }).toBeGreaterThan(before + 15);
  // They are kept with the flies, not in the browser; what a browser kept before goes there once.
  await page.evaluate(() => {
    localStorage.setItem('jobbet.spreads', JSON.stringify({ another: { 'tail.length': 0.03 } }));
  });
  await page.reload();
  await expect(page.getByTestId('keel-moment')).toBeVisible();
  await page.keyboard.press('s');
  await expect.poll(share, { timeout: 30_000 }).toBeGreaterThan(before + 15);
  const hands = async (): Promise<unknown> => (await page.request.get(`${house.url}/api/hands`)).json();
  await expect.poll(hands).toMatchObject([{ name: 'own', spreads: { another: { 'tail.length': 0.03 } } }]);
  expect(await page.evaluate(() => localStorage.getItem('jobbet.spreads'))).toBeNull();
});

test('one slip heavier: the fly leans, and the heel says why', async ({ house, page }) => {
  await balanceOf(page, house, 'sedge-warden');
  await expect(page.getByTestId('dial-words')).toContainText('upright');
  await page.keyboard.press('s');
  await page.getByRole('button', { name: 'How far off, and try it' }).click();
  await page.getByLabel('wing, near half over the far, off by', { exact: true }).focus();
  await page.keyboard.press('End');
  await expect(page.getByTestId('dial-words')).toContainText(/0\.\d° to the far side/);
  await expect(page.getByLabel('Verdict')).toContainText('as it might come out');
  await page.locator('[data-why="heel"]').first().click();
  const why = page.getByRole('dialog');
  await expect(why).toContainText('its near side is the heavier one, most by the wing');
  await page.keyboard.press('Escape');
  await expect(why).toBeHidden();
  await page.locator('body').press('Escape');
  await expect(page.getByTestId('dial-words')).toContainText('upright');
});

test('a tip pulled on the small profile moves the figures, which answer why; a timed fall corrects the drag', async ({
  house,
  page,
}) => {
  await balanceOf(page, house, 'rowan-ember');
  const silhouette = page.locator('[data-why="silhouette"]');
  const before = await silhouette.textContent();
  const tip = page.getByRole('slider', { name: 'tail tip' });
  await drag(page, tip, 60);
  await expect(silhouette).not.toHaveText(before ?? '');
  await saved(page);
  await tip.press('ArrowRight');
  await page.locator('body').press('z');
  await page.locator('body').press('z');
  await expect(silhouette).toHaveText(before ?? '');
  await page.keyboard.press('c');
  const sinks = page.getByLabel('Verdict').locator('[data-why="sink"]');
  await sinks.click();
  await expect(page.getByRole('dialog')).toContainText('of the drag, on the outline from below');
  // How far off it may be, and what would settle it: a jar settles what trails.
  const trust = page.getByTestId('trust');
  await expect(trust).toContainText(/± \d+ cm\/s on how fast it sinks: .*drag of what trails/);
  await expect(trust).toContainText('timing it in a jar: how fast it sinks, ±');
  await page.keyboard.press('Escape');
  await expect(sinks).toBeFocused();
  const speed = (): Promise<number> =>
    page
      .getByLabel('Verdict')
      .textContent()
      .then((text) => Number(/soaked.*?why\?(?:\d+\s*to\s*)?(\d+)\s*cm/.exec(text ?? '')?.[1]));
  const computed = await speed();
  await page.getByLabel('seconds of the sink test').focus();
  await typed(page, '5');
  await page.getByRole('button', { name: 'Keep it with the fly' }).click();
  await expect(page.getByTestId('sink-test')).toContainText('× the computed one, as it was timed');
  await expect(page.getByTestId('to-a-metre')).toHaveText('5.0 s');
  await expect.poll(speed).toBeLessThan(computed);
  await saved(page);
  await sinks.click();
  await expect(trust).toContainText('on how fast it sinks');
  await expect(trust).not.toContainText('drag of what trails');
  await page.keyboard.press('Escape');
  await page.locator('body').press('z');
  await expect.poll(speed).toBe(computed);
});

test('as the fish has it: another water, further off, beside another fly', async ({ demo, page }) => {
  await toBox(page, demo);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await page.getByRole('link', { name: /Balance/ }).click();
  await expect(page.getByTestId('keel-moment')).toBeVisible();
  await page.keyboard.press('v');
  const side = page.getByTestId('look-profile').first();
  await expect(side).toContainText(/contrast \d+ %/);
  const contrast = async (): Promise<number> => Number(/contrast (\d+) %/.exec((await side.textContent()) ?? '')?.[1]);
  const clear = await contrast();
  await page.keyboard.press('w');
  await expect(page.getByLabel('colour of the water')).toHaveValue('peat');
  expect(await contrast()).toBeLessThan(clear);
  await page.getByLabel('distance', { exact: true }).fill('5');
  await expect(side).toContainText('lost in the water');
  await page.getByLabel('a second fly').selectOption({ label: 'Rowan Ember' });
  await expect(page.getByTestId('look-profile')).toHaveCount(2);
  expect(await findings(page)).toEqual([]);
  await page.locator('body').press('Escape');
  await expect(page.getByTestId('keel-moment')).toBeVisible();
});

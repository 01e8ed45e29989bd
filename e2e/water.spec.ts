import type { Page } from '@playwright/test';
import { expect, findings, savedBy, test, toBox, type Boathouse } from './boathouse.ts';

/** The water of a fly, once it is fished. */
async function inWater(page: Page, house: Boathouse, fly: string): Promise<void> {
  await toBox(page, house);
  await page.getByRole('button', { name: new RegExp(`^${fly},`) }).click();
  await expect(page.getByRole('heading', { level: 1, name: fly })).toBeVisible();
  await page.keyboard.press('5');
  await fished(page);
}
/** The run and its band are told. */
const fished = (page: Page) => expect(page.getByTestId('water')).toHaveAttribute('data-fished', 'true');
/** All is told that is asked of itself: what the depth hangs on, and ways to the wanted one. */
const settled = (page: Page) => expect(page.getByTestId('water')).toHaveAttribute('data-settled', 'true');
const figures = (page: Page) => page.getByTestId('water-figures');
const margin = (page: Page) => page.getByRole('complementary', { name: 'What the water does' });
const ways = (page: Page) => page.getByRole('region', { name: 'Ways to the wanted depth' });
/** The greatest depth that is told, m. */
const deepest = async (page: Page): Promise<number> =>
  Number(/deepest(?:, why\?)?\s*([\d.]+)/.exec((await figures(page).textContent()) ?? '')?.[1] ?? Number.NaN);

test('the count for a wanted depth is offered, taken by its key, and fishes there; it is kept through a reload', async ({
  own,
  page,
}) => {
  await inWater(page, own, 'Slate Runner');
  await expect(page.getByLabel('beat', { exact: true })).toHaveValue(/./);
  await page.getByLabel('beat', { exact: true }).selectOption({ label: 'Ferry Pool' });
  await fished(page);
  await expect(margin(page)).toContainText('It never comes to 1.2 m');
  await expect(ways(page)).toContainText('Count 12');
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('t');
  await expect(page.getByLabel('count', { exact: true })).toHaveValue('12 s');
  await fished(page);
  await expect(margin(page)).not.toContainText('It never comes to');
  expect(await deepest(page)).toBeGreaterThan(1.1);
  await page.reload();
  await fished(page);
  await expect(page.getByLabel('count', { exact: true })).toHaveValue('12 s');
});

test('the moment is pulled, stepped by key and played; the fly lies as it does then', async ({ own, page }) => {
  await inWater(page, own, 'Slate Runner');
  const moment = page.getByRole('slider', { name: 'the moment that is looked at' });
  await expect(moment).toHaveAttribute('aria-valuetext', /^8\.0 s, \d\.\d+ m deep, point-up/);
  await page.keyboard.press('ArrowRight');
  await expect(moment).toHaveAttribute('aria-valuetext', /^9\.0 s,/);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(moment).toHaveAttribute('aria-valuetext', /^8\.8 s,/);
  await page.keyboard.press('Home');
  await expect(moment).toHaveAttribute('aria-valuetext', /^0\.0 s, 0 m deep/);
  await page.keyboard.press('Space');
  await expect(moment).not.toHaveAttribute('aria-valuetext', /^0\.0 s,/);
  await page.keyboard.press('Space');
  const box = await moment.boundingBox();
  if (!box) throw new Error('nothing to pull');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 40, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByTestId('along')).toContainText(/Along the line at 19/);
  await expect(page.getByTestId('poses').getByRole('button', { pressed: true })).toContainText(/19\.\d s/);
  // The wanted depth by its key.
  const want = page.getByRole('slider', { name: 'wanted depth' });
  await want.focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('wanted depth', { exact: true }).first()).toBeVisible();
  await expect(want).toHaveAttribute('aria-valuetext', '1.15 m');
});

test('a spate: the gauge rises, and the box is asked which fly fishes there', async ({ own, page }) => {
  await inWater(page, own, 'Slate Runner');
  await page.getByLabel('level of the gauge').fill('1 m');
  await page.getByLabel('level of the gauge').press('Enter');
  await expect(page.getByTestId('sentence')).toContainText('1.6 m deep, 104 cm/s');
  await fished(page);
  await page.locator('body').press('b');
  const box = page.getByRole('region', { name: 'The box here' });
  await expect(box.getByRole('listitem')).toHaveCount(13);
  // Those that reach the depth come first; what rules the others out is said.
  await expect(box.getByRole('listitem').first()).not.toContainText(/not deep enough|too deep/);
  await expect(box.getByRole('listitem').last()).toContainText(
    /not deep enough|too deep|does not ride|rolls over|drags/,
  );
  expect(await findings(page)).toEqual([]);
  // The first of them opens on the line it was told with; the box stands in that order.
  const first = box.getByRole('listitem').first().getByRole('link');
  const name = ((await first.locator('span').first().textContent()) ?? '').trim();
  const told = (await first.locator('.figure').textContent()) ?? '';
  await first.click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await fished(page);
  await expect(figures(page)).toContainText(Number.parseFloat(told).toFixed(2));
  await toBox(page, own);
  await page.getByLabel('in order of').selectOption('here');
  await expect(page.getByRole('list', { name: 'Flies' }).getByRole('listitem').first()).toContainText(name);
  await expect(page.getByRole('list', { name: 'Flies' }).getByRole('listitem').first()).toContainText(told);
});

test('a point that is dragged over the bed is told with when, and a line that sinks less mends it', async ({
  own,
  page,
}) => {
  await inWater(page, own, 'Bell Weir');
  await page.getByLabel('beat', { exact: true }).selectOption({ label: 'Mill Run' });
  await page.getByLabel('line', { exact: true }).fill('sinking:150 mm/s');
  await page.getByLabel('line', { exact: true }).press('Enter');
  await page.getByLabel('wanted depth', { exact: true }).first().fill('1 m');
  await page.getByLabel('wanted depth', { exact: true }).first().press('Enter');
  await fished(page);
  const wrong = margin(page).getByRole('list', { name: 'What goes wrong' });
  await expect(wrong).toContainText(/Its point is down on the bed at \d+/);
  await wrong.getByRole('button').first().click();
  await expect(page.getByTestId('along')).toContainText('Along the line at');
  await page.getByLabel('line', { exact: true }).fill('sink-tip:3 m:75 mm/s');
  await page.getByLabel('line', { exact: true }).press('Enter');
  await fished(page);
  await expect(margin(page)).not.toContainText('point is down on the bed');
});

test('a beat is told in a dialog, what does not read is named; it goes to the trash and back', async ({
  own,
  page,
}) => {
  await inWater(page, own, 'Slate Runner');
  await page.locator('body').press('n');
  const dialog = page.getByRole('dialog', { name: 'Another beat' });
  await dialog.getByLabel('Name').fill('Alder Run');
  await dialog.getByLabel('Depth', { exact: true }).fill('none');
  await dialog.getByLabel('Current, mean over the depth').fill('20 m/s');
  await dialog.getByRole('button', { name: 'Lay it among the beats' }).click();
  await expect(dialog.getByRole('alert')).toHaveCount(2);
  await dialog.getByLabel('Depth', { exact: true }).fill('1.5 m');
  await dialog.getByLabel('Current, mean over the depth').fill('0.5 m/s');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await expect(page.getByLabel('beat', { exact: true }).locator('option:checked')).toHaveText('Alder Run');
  await expect(page.getByTestId('sentence')).toContainText('1.5 m deep, 50 cm/s');
  await page.locator('body').press('e');
  await page.getByRole('button', { name: 'Put it in the trash' }).click();
  await expect(page.getByText('Alder Run is in the trash.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('beat', { exact: true }).locator('option', { hasText: 'Alder Run' })).toHaveCount(1);
  // What cannot be fished is said, and the last good water stays.
  await page.getByLabel('cast', { exact: true }).fill('2 m');
  await page.getByLabel('cast', { exact: true }).press('Enter');
  await expect(margin(page).getByRole('alert')).toContainText('is longer than the cast');
});

test('the section is saved as a drawing, the count-down card as a page', async ({ own, page }) => {
  await inWater(page, own, 'Slate Runner');
  expect(await savedBy(page, 'Save the section as a drawing')).toBe('slate-runner-mill-run.svg');
  expect(await savedBy(page, 'Print the count-down card')).toBe('slate-runner-count-down.pdf');
});

test('what is pulled on the water is fished so: the end of the cast, mends, the count; a run stays beside the next, figures say why', async ({
  own,
  page,
}) => {
  await inWater(page, own, 'Slate Runner');
  await page.getByLabel('manner', { exact: true }).selectOption('swing');
  await fished(page);
  const first = await deepest(page);
  await page.keyboard.press('o');
  await expect(page.getByTestId('through')).toContainText(`beside Slate Runner, Mill Run, swung, ${String(first)} m`);
  const pull = async (name: string, x: number, y: number): Promise<void> => {
    const at = await page.getByRole('slider', { name }).boundingBox();
    if (!at) throw new Error(`no ${name}`);
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(at.x + at.width / 2 + x, at.y + at.height / 2 + y, { steps: 5 });
    await page.mouse.up();
  };
  await pull('end of the cast', -40, 0);
  await expect(page.getByLabel('cast', { exact: true })).not.toHaveValue('');
  expect(Number.parseFloat(await page.getByLabel('cast', { exact: true }).inputValue())).toBeLessThan(18);
  await pull('the count', 150, 0);
  await expect(page.getByLabel('count', { exact: true })).toHaveValue('3 s');
  await page.getByRole('slider', { name: 'mends of the line' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('mends', { exact: true })).toHaveValue('1');
  await page.getByRole('slider', { name: 'end of the cast' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('angle of the cast', { exact: true })).toHaveValue(/deg$/);
  await page.getByRole('slider', { name: 'height of the rod’s tip' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('slider', { name: 'height of the rod’s tip' })).toHaveAttribute(
    'aria-valuetext',
    '1.1 m',
  );
  await fished(page);
  await page.getByLabel('dropper', { exact: true }).selectOption({ label: 'Night Sexton' });
  await expect(page.getByTestId('along')).toContainText(/dropper at 0\.\d+ m/);
  await fished(page);
  await expect(margin(page)).toContainText('The dropper fishes');
  await page.getByLabel('dropper above the fly').fill('5 m');
  await page.getByLabel('dropper above the fly').press('Enter');
  await expect(margin(page).getByRole('alert')).toContainText('a dropper is tied into the leader');
  await page.getByLabel('dropper', { exact: true }).selectOption('');
  await settled(page);
  await figures(page).locator('[data-why="deepest"]').click();
  await expect(page.getByRole('dialog')).toContainText('with the fly a tenth heavier');
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('o');
  await expect(page.getByTestId('through')).not.toContainText('beside');
});

test('under a float the length to the fly is pulled; other eyes are taken and given back', async ({ own, page }) => {
  await inWater(page, own, 'Slate Runner');
  await page.getByLabel('manner', { exact: true }).selectOption('dead-drift');
  await fished(page);
  await page.getByRole('slider', { name: 'from float to fly' }).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('from float to fly', { exact: true }).first()).toHaveValue('0.8 m');
  await fished(page);
  await expect(ways(page)).toContainText('from float to fly');
  await page.keyboard.press('t');
  await expect(page.getByLabel('from float to fly', { exact: true }).first()).toHaveValue(/^1(\.[0-9]+)? m$/);
  // The next manner by its key.
  await page.locator('body').press('m');
  await expect(page.getByLabel('manner', { exact: true })).toHaveValue('jig');
  await page.getByLabel('manner', { exact: true }).selectOption('swing');
  await page.getByLabel('wanted depth', { exact: true }).first().fill('0.7 m');
  await page.getByLabel('wanted depth', { exact: true }).first().press('Enter');
  const eyes = page.getByRole('region', { name: 'Other eyes' });
  await expect(eyes).toContainText('another fly,');
  await page.locator('body').press('u');
  await expect(eyes).toBeHidden();
  await expect(margin(page)).not.toContainText('It never comes to');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(margin(page)).toContainText('It never comes to 0.7 m');
});

test('beats lie in a drawer of their own: one is opened and changed there, another taken in from a file', async ({
  own,
  page,
}) => {
  await toBox(page, own);
  await page.goto(new URL('/drawers/beats', page.url()).href);
  const beats = page.getByRole('table', { name: 'Beats' });
  await expect(beats.getByRole('row')).toHaveCount(5);
  await expect(beats.getByRole('row', { name: /Mill Run/ })).toContainText('1.2 m');
  expect(await findings(page)).toEqual([]);
  await beats.getByRole('button', { name: /^Mill Run/ }).click();
  await page.getByRole('dialog').getByLabel('Depth', { exact: true }).fill('1.4 m');
  await page.keyboard.press('Enter');
  await expect(beats.getByRole('row', { name: /Mill Run/ })).toContainText('1.4 m');
  await page.getByLabel('Beats from files').setInputFiles([
    {
      name: 'weir.beat.json',
      mimeType: 'application/json',
      buffer: Buffer.from(
        '{"format":"jobbet.beat","version":1,"name":"Weir Tail","depth":"2 m","speed":"0.4 m/s","bed":"cobbles"}',
      ),
    },
    { name: 'broken.beat.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"jobbet.beat"}') },
  ]);
  await expect(beats.getByRole('row')).toHaveCount(6);
  await expect(page.getByText(/^broken\.beat\.json:/)).toBeVisible();
});

import type { Page } from '@playwright/test';
import {
  blank,
  command,
  example,
  expect,
  flyName,
  openFly,
  row,
  saved,
  test,
  toBox,
  typed,
  write,
} from './boathouse.ts';

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
  house,
  page,
}) => {
  await page.clock.install();
  await openFly(page, house, example('slate-runner'));
  for (const [digit, view] of [
    ['2', 'Balance'],
    ['3', 'Sizes'],
    ['4', 'Sheet'],
    ['5', 'Water'],
    ['6', 'Inspect'],
    ['1', 'Bench'],
  ] as const) {
    await page.keyboard.press(digit);
    await expect(page).toHaveTitle(`Slate Runner · ${view} · Jobbet`);
    await expect(page.getByRole('navigation', { name: 'Views of the fly' }).locator('[aria-current]')).toHaveText(
      `${digit}${view}`,
    );
  }
  await page.getByRole('button', { name: 'Slate Runner' }).click();
  await page.getByRole('menuitem', { name: 'Rename the fly' }).click();
  await page.keyboard.type('Slate Two');
  // The way back stands there for six seconds of the page's own time, which waits for this one however slow the machine is.
  await page.clock.pauseAt(Date.now() + 60_000);
  await page.keyboard.press('Enter');
  await expect(flyName(page)).toHaveText('Slate Two');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(flyName(page)).toHaveText('Slate Runner');
  await page.clock.resume();
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

test('a bare number takes the unit that is shown, in the sentence and in a pin; what cannot be pinned stays to be corrected', async ({
  own,
  page,
}) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await test.step('in the sentence, once it is done with', async () => {
    await row(page, 'tail').click();
    await write(page, 'length', '35');
    await expect(page.getByRole('alert')).toHaveCount(0);
    await blank(page, 'length').press('Enter');
    await expect(blank(page, 'length')).toHaveValue('35 mm');
    await write(page, 'length', '120 %');
    await expect(blank(page, 'length')).toHaveValue('1.2 shank');
    await command(page, 'Lengths in inches');
    await write(page, 'length', '1 1/8');
    await blank(page, 'length').press('Enter');
    await expect(blank(page, 'length')).toHaveValue('1 1/8 in');
    await command(page, 'Lengths in millimetres');
  });
  await test.step('in a pin of the run', async () => {
    await page.getByRole('link', { name: 'Sizes' }).click();
    const cell = page.locator('[data-size="4"][data-row="wing"]');
    await cell.getByRole('button').click();
    await cell.getByRole('textbox').fill('twice as long');
    await cell.getByRole('textbox').press('Enter');
    await expect(cell.getByRole('alert')).toBeVisible();
    await expect(page.locator('[data-size="4"][data-row="tail"]')).toContainText(/\d/);
    await cell.getByRole('textbox').fill('bend + 20 mm');
    await cell.getByRole('textbox').press('Enter');
    await expect(cell.getByRole('button', { name: 'wing on 4: pinned at bend + 20 mm' })).toBeVisible();
    await expect(page.getByRole('main')).toHaveAttribute('data-done', 'true');
    const tail = page.locator('[data-size="4"][data-row="tail"]');
    await tail.getByRole('button').click();
    await tail.getByRole('textbox').fill('30');
    await tail.getByRole('textbox').press('Enter');
    await expect(tail.getByRole('button', { name: 'tail on 4: pinned at 30 mm' })).toBeVisible();
    await expect(tail).toContainText('30.0');
  });
});

test('a rule put in force names the flies that gain stops; the box flags and counts them, and shows them alone', async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/drawers/rules`);
  const told = page.getByTestId('changed');
  await page.locator('tr[data-row="Ferry Pool"] [data-col="inForce"]').dblclick();
  await page.getByLabel('in force of Ferry Pool').selectOption('yes');
  await page.keyboard.press('Enter');
  await expect(told).toContainText(/\d+ fl(y|ies) moved/);
  await expect(told).toContainText('now stopped:');
  await toBox(page, own);
  const only = page.getByRole('button', { name: /to settle X/ });
  await expect(only).toHaveText(/\d+ to settle/);
  const count = Number.parseInt((await only.textContent())?.trim() ?? '', 10);
  expect(count).toBeGreaterThan(0);
  await page.keyboard.press('x');
  await expect(only).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(`${String(count)} of 13`)).toBeVisible();
  for (const each of await page
    .getByRole('listitem')
    .getByRole('button', { name: /sinks|floats/ })
    .all())
    await expect(each).toHaveAccessibleName(/\d+ to settle$/);
});

test('a CSV with fewer columns leaves what it does not name; the look-over says what it replaces', async ({
  own,
  page,
}) => {
  await page.goto(`${own.url}/drawers/hooks`);
  const text = 'name,form,gap (mm)\nlong streamer 6,single,7.1\nlong streamer 8,single,6.1\n';
  await expect(page.getByText('11 of 11')).toBeVisible();
  await page
    .getByLabel('CSV file')
    .setInputFiles([{ name: 'gaps.csv', mimeType: 'text/csv', buffer: Buffer.from(text) }]);
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /long streamer 6/ })).toContainText('gap (mm): 7.3 becomes 7.1');
  await expect(dialog.getByRole('row', { name: /long streamer 6/ })).not.toContainText('shank');
  await dialog.getByRole('button', { name: 'Import all 2' }).click();
  const cells = page.getByRole('row', { name: /long streamer 6/ });
  await expect(cells).toContainText('7.1');
  await expect(cells).toContainText('26.6');
  await page
    .getByLabel('CSV file')
    .setInputFiles([
      { name: 'threads.csv', mimeType: 'text/csv', buffer: Buffer.from('name,denier,breaks at (g)\nx,70,300\n') },
    ]);
  await expect(dialog).toContainText('this is a table of threads: Drawers, threads, import takes it');
});

/** What of a page stands out of the window to the side. */
const outside = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const wide = document.documentElement.clientWidth;
    const cut = (element: Element): boolean => {
      for (let at = element.parentElement; at; at = at.parentElement)
        if (/auto|scroll|hidden/.test(getComputedStyle(at).overflowX)) return true;
      return false;
    };
    return [...document.querySelectorAll('button, a, input, select, h1')]
      .filter((each) => each.checkVisibility() && each.getBoundingClientRect().right > wide + 1 && !cut(each))
      .map((each) => each.outerHTML.slice(0, 120));
  });

test('a small window: every view and its bar fit without a sideways scroll, and the views are one word away', async ({
  demo,
  page,
}) => {
  await page.setViewportSize({ width: 800, height: 500 });
  await toBox(page, demo);
  expect(await outside(page)).toEqual([]);
  await page.keyboard.press('/');
  await typed(page, 'slate');
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  for (const view of ['Balance', 'Sizes', 'Sheet', 'Water', 'Inspect', 'Bench']) {
    await page.getByRole('button', { name: /^Views of the fly/ }).click();
    await page.getByRole('menuitem', { name: view }).click();
    await expect(page).toHaveTitle(`Slate Runner · ${view} · Jobbet`);
    await expect(page.getByRole('main')).toBeVisible();
    expect([view, await outside(page)]).toEqual([view, []]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(800);
  }
  await command(page, 'Open the drawers');
  await expect(page.getByRole('grid')).toBeVisible();
  expect(await outside(page)).toEqual([]);
  await command(page, 'Open the log');
  await expect(page.getByTestId('outing')).toBeVisible();
  expect(await outside(page)).toEqual([]);
});

test('the list of views that is opened while a fly is fetched stays open when it is here', async ({ demo, page }) => {
  await page.setViewportSize({ width: 800, height: 500 });
  await toBox(page, demo);
  await page.keyboard.press('/');
  await typed(page, 'slate');
  await expect(page.getByRole('button', { name: /^Slate Runner,/ })).toBeVisible();
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  await page.route(/\/api\/flies\/[^/]+$/, async (route) => {
    await held;
    await route.continue();
  });
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByText('Waiting for the fly from the box')).toBeVisible();
  await page.getByRole('button', { name: /^Views of the fly/ }).click();
  await expect(page.getByRole('menuitem', { name: 'Balance' })).toBeVisible();
  letGo();
  await expect(page).toHaveTitle('Slate Runner · Bench · Jobbet');
  await page.getByRole('menuitem', { name: 'Balance' }).click();
  await expect(page).toHaveTitle('Slate Runner · Balance · Jobbet');
  await expect(page.getByRole('menuitem', { name: 'Balance' })).toBeHidden();
});

test.describe('on a phone at the vise', () => {
  test.use({ viewport: { width: 360, height: 740 }, hasTouch: true });
  test('the sheet is read and a fly is tied by touch', async ({ own, page }) => {
    await toBox(page, own);
    await page.getByLabel('Find a fly').fill('slate');
    await page.getByRole('button', { name: /^Slate Runner,/ }).tap();
    await page.getByRole('button', { name: /^Views of the fly/ }).tap();
    await page.getByRole('menuitem', { name: 'Sheet' }).tap();
    await expect(page.getByTestId('tying-sheet')).toContainText('On the table');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await page.getByRole('button', { name: /^Tie it/ }).tap();
    const step = page.getByTestId('vise-step');
    await expect(step).toHaveAttribute('data-step', 'hook');
    for (const key of ['done', 'back'])
      expect((await page.getByRole('button', { name: key }).boundingBox())?.height).toBeGreaterThanOrEqual(40);
    await page.getByRole('button', { name: 'done' }).tap();
    await expect(step).not.toHaveAttribute('data-step', 'hook');
    await page.getByRole('button', { name: 'back' }).tap();
    await expect(step).toHaveAttribute('data-step', 'hook');
    await page.getByTestId('vise-stage').tap();
    await expect(step).not.toHaveAttribute('data-step', 'hook');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await page.getByRole('button', { name: 'More at the vise' }).tap();
    await page.getByRole('menuitem', { name: /^out/ }).tap();
    // It counts into the batch that is being tied, and that is where one comes out.
    await expect(page).toHaveURL(/\/batches\/[^/]+$/);
  });
});

test('undo lives through a reload, a version is kept by its name, and the history speaks in words', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('slate-runner'));
  await row(page, 'tail').click();
  const before = await blank(page, 'length').inputValue();
  await write(page, 'length', '0.9 shank');
  await blank(page, 'length').press('Enter');
  await page.keyboard.press('ArrowLeft');
  await expect(blank(page, 'length')).not.toHaveValue('0.9 shank');
  await saved(page);
  await page.reload();
  await row(page, 'tail').click();
  await page.keyboard.press('Control+z');
  await expect(blank(page, 'length')).toHaveValue('0.9 shank');
  await page.keyboard.press('Control+z');
  await expect(blank(page, 'length')).toHaveValue(before);
  await page.keyboard.press('Control+Shift+z');
  await expect(blank(page, 'length')).toHaveValue('0.9 shank');
  await saved(page);
  await page.keyboard.press('h');
  const history = page.getByRole('dialog', { name: 'History' });
  await expect(history.getByLabel('Keep this version as')).toBeFocused();
  await page.keyboard.type('nine tenths');
  await page.keyboard.press('Enter');
  const versions = history.getByRole('list', { name: 'Versions' });
  await expect(versions).toContainText('nine tenths');
  await expect(versions).toContainText(`tail, length: ${before} became 0.9 shank`);
  await expect(history).not.toContainText(/[{}]|undefined/);
});

test('a part is found by what it is called and by its material, a command by other words, a fly by its name', async ({
  own,
  page,
}) => {
  await openFly(page, own, example('slate-runner'));
  const dialog = page.getByRole('dialog');
  await page.keyboard.press('a');
  await typed(page, 'squirel wing');
  await expect(dialog.getByRole('option').first()).toContainText(/of .*squirrel/);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Part wing-2').or(page.getByLabel('Part wing2'))).toContainText('part');
  await expect(page.getByTestId('sentence').getByLabel('material')).toHaveValue(/squirrel/);
  await page.keyboard.press('a');
  await typed(page, 'twg');
  await expect(dialog).toContainText('No part of that name');
  await page.keyboard.press('Escape');
  await toBox(page, own);
  await page.keyboard.press('k');
  await typed(page, 'preferences');
  await expect(dialog.getByRole('option').first()).toContainText('Settings');
  await dialog.getByRole('combobox').fill('peat lan');
  await expect(dialog.getByRole('option').first()).toContainText('Peat Lantern');
  await page.keyboard.press('Enter');
  await expect(flyName(page)).toHaveText('Peat Lantern');
});

test('the weight finder shows what it finds as it comes, can be stopped, and begins from what the fly is meant for', async ({
  house,
  page,
}) => {
  const file = { ...example('slate-runner'), intent: { ride: 'point-up', current: '300 mm/s', sink: 'fast' } };
  const id = await openFly(page, house, file);
  await page.goto(`${house.url}/fly/${id}/balance`);
  await expect(page.getByTestId('said')).toContainText('Rides');
  await page.keyboard.press('f');
  const finder = page.getByRole('region', { name: 'Weight finder' });
  await expect(finder.getByLabel('wished current')).toHaveValue('300 mm/s');
  await expect(finder.getByLabel('sinks from')).toHaveValue('22');
  await expect(finder.getByLabel('sinks to')).toHaveValue('35');
  const find = finder.getByRole('button', { name: 'Find', exact: true });
  await find.click();
  await finder.getByRole('button', { name: 'Stop' }).click();
  await expect(find).toBeEnabled();
  await expect(finder.getByRole('progressbar')).toHaveCount(0);
  // What is found on the way stands there before the search is over.
  await page.evaluate(() => {
    const seen: string[] = [];
    (window as unknown as { seen: string[] }).seen = seen;
    new MutationObserver(() => {
      seen.push(document.querySelector('[data-testid="finding"]')?.textContent ?? '');
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  await find.click();
  await expect(finder.getByTestId('finding')).toContainText(/choices/);
  expect(await page.evaluate(() => (window as unknown as { seen: string[] }).seen)).toContain(
    'So far, the search goes on.',
  );
  const rows = finder.getByRole('group', { name: 'Weights found' }).getByRole('button');
  const words = await rows.locator('span:first-child').allTextContents();
  expect(words.length).toBeGreaterThan(0);
  const bare = words.filter((each) => each.includes('mm')).map((each) => each.replace(/ at station [\d.]+/, ''));
  expect(new Set(bare).size).toBe(bare.length);
});

test('one cause is one check; what a fix brings is said before it is taken, and what mends that in turn', async ({
  house,
  page,
}) => {
  const file = example('slate-runner');
  const tail = file.parts.find((each) => each['id'] === 'tail');
  if (tail) tail['length'] = '3 shank';
  await openFly(page, house, file);
  await page.keyboard.press('x');
  const foul = page.locator('[data-check="length.foul"]');
  await expect(foul).toHaveCount(1);
  await expect(foul).toContainText(/tail hangs .*; the flash with it/);
  await page.keyboard.press('t');
  await expect(page.getByTestId('preview')).toBeVisible();
  await expect(foul.getByTestId('then-said')).toContainText(/Then:|Nothing else is said then/);
  await page.keyboard.press('l');
  await expect(page.getByTestId('preview')).toHaveCount(0);
  await page.keyboard.press('t');
  await page.keyboard.press('t');
  await expect(foul).toContainText('fouling 4.6');
  await saved(page);
});

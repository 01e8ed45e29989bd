import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test, type Boathouse } from './boathouse.ts';

/** The batch of the opening week, worked out. */
async function openingWeek(page: Page, { url }: Boathouse): Promise<void> {
  await page.goto(url);
  await page.getByRole('button', { name: /^Slate Runner,/ }).waitFor();
  await page.keyboard.press('2');
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
}
const lit = (page: Page) => page.getByRole('listbox', { name: 'Rack' }).locator('[aria-selected="true"]');
const hooks = (page: Page) => page.getByRole('listbox', { name: 'Rack' }).getByRole('option');
const item = (page: Page) => page.getByRole('complementary', { name: 'The item' });
const foot = (page: Page) => page.getByRole('region', { name: 'The batch in figures' });

test('what runs out is told with the fly it ends before; something else is tied in from there on, and taken back', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  await expect(item(page)).toContainText('rabbit strip, slate');
  await expect(item(page)).toContainText('Ends before fly 9');
  await expect(foot(page)).toContainText('1 runs out');
  const rows = page.getByRole('region', { name: 'Rows' });
  await expect(rows.getByLabel(/^how many of row/)).toHaveCount(5);
  await page.keyboard.press('t');
  // The second row is parted at the fly it ran out on.
  await expect(rows.getByLabel(/^how many of row/)).toHaveCount(6);
  await expect(rows.getByLabel('how many of row 2')).toHaveValue('3');
  await expect(rows.getByLabel('how many of row 3')).toHaveValue('1');
  await expect(foot(page)).toContainText('nothing');
  await page.keyboard.press('z');
  await expect(rows.getByLabel(/^how many of row/)).toHaveCount(5);
  await expect(foot(page)).toContainText('1 runs out');
});

test('a fly goes from the rack through the vise and its coats into the box, by keyboard, through a reload', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*to come/);
  await page.keyboard.press('g');
  await expect(lit(page)).toHaveAccessibleName(/in the vise$/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('g');
  await expect(page.getByText('is in the vise: finish that one first')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('o');
  await expect(lit(page)).toHaveAccessibleName(/coat 1 of 2, dry at \d\d:\d\d$/);
  await page.reload();
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*coat 1 of 2/);
  await page.keyboard.press('Enter');
  await expect(lit(page)).toHaveAccessibleName(/coat 2 of 2/);
  await page.keyboard.press('Enter');
  await expect(lit(page)).toHaveAccessibleName(/in the box$/);
  await page.keyboard.press('o');
  await expect(page.getByText('Nothing is left to do to this fly.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('No finished Slate Runner lies on the table.')).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: /^Slate Runner,.* 3 in the box/ })).toBeVisible();
});

test('two flies are tied at the vise one after the other, one is spoilt, and a reload takes up where it was', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const step = page.getByTestId('vise-step');
  const line = page.getByText(/^fly [\d+]+ of \d+, Slate Runner/);
  await expect(step).toBeVisible();
  await expect(line).toContainText('fly 5 of 18');
  await page.keyboard.press('Space');
  const first = await step.innerText();
  await page.reload();
  await expect(line).toContainText('fly 5 of 18');
  await expect(step).toHaveText(first, { useInnerText: true });
  const done = page.getByTestId('vise-done');
  for (let i = 0; i < 40 && !(await done.isVisible()); i++) await page.keyboard.press('Space');
  await expect(done).toContainText('First coat on, then the next');
  await page.keyboard.press('n');
  await expect(line).toContainText('fly + of 18');
  await expect(page.getByText(/^fly 5: dry at \d\d:\d\d$/)).toBeVisible();
  await page.keyboard.press('Space');
  await expect(step).not.toHaveAttribute('data-step', 'hook');
  await page.keyboard.press('x');
  // Another hook stands for the one that was lost.
  await expect(line).toContainText('fly + of 18');
  await expect(step).toHaveAttribute('data-step', 'hook');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
  await expect(hooks(page).nth(4)).toHaveAccessibleName(/coat 1 of 2/);
  await expect(hooks(page).nth(5)).toHaveAccessibleName(/spoilt$/);
  await expect(hooks(page).nth(6)).toHaveAccessibleName(/in the vise$/);
});

test('step by step each step is done to a handful before the next, through a reload', async ({ own, page }) => {
  await openingWeek(page, own);
  await page.getByLabel('way of tying').selectOption('step by step');
  await page.getByLabel('way of tying').blur();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const step = page.getByTestId('vise-step');
  const line = page.getByText(/^fly [\d+]+ of \d+, /);
  await expect(line).toContainText('hook 1 of ');
  const first = (await step.getAttribute('data-step')) ?? '';
  const flies: string[] = [];
  const number = async (): Promise<string> => (await line.innerText()).split(',')[0] ?? '';
  while ((await step.getAttribute('data-step')) === first && flies.length < 7) {
    flies.push(await number());
    await page.keyboard.press('Space');
    await expect.poll(number).not.toBe(flies.at(-1));
  }
  expect(flies.length).toBeGreaterThan(1);
  expect(new Set(flies).size).toBe(flies.length);
  await expect.poll(number).toBe(flies[0]);
  await page.keyboard.press('Space');
  await expect.poll(number).toBe(flies[1]);
  const second = await step.getAttribute('data-step');
  await page.reload();
  await expect(line).toContainText(flies[1] ?? 'no second');
  await expect(step).toHaveAttribute('data-step', second ?? '');
  // One that is spoilt leaves the others where they are.
  await page.keyboard.press('x');
  await expect.poll(number).not.toBe(flies[1]);
  await expect(line).toContainText(`of ${String(flies.length - 1)} on this step`);
});

test('a batch is planned by keyboard; its rows, sizes and evenings are written, and what does not read says so', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  await page.keyboard.press('n');
  await page.getByLabel('how many', { exact: true }).fill('4');
  await page.getByLabel('of which fly').selectOption('Slate Runner');
  await page.getByLabel('on what').fill('8');
  await page.getByLabel('what it is called').fill('For the weir');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^For the weir, 4 flies/)).toBeVisible();
  await expect(hooks(page)).toHaveCount(4);
  await page.getByLabel('what row 1 is tied on').fill('6,8');
  await expect(page.getByText('one size a row')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByLabel('how many of row 1').fill('0');
  await expect(page.getByText('a whole number from 1 to 10,000')).toBeVisible();
  await page.getByLabel('how many of row 1').fill('5');
  await expect(hooks(page)).toHaveCount(5);
  await page.getByRole('button', { name: 'Name an evening' }).click();
  await expect(foot(page)).toContainText(/evening\s*1/);
  await page.getByLabel('evening 1 ends').fill('19:00');
  await expect(page.getByText('an evening ends after it begins')).toBeVisible();
  await page.keyboard.press('Escape');
  // Enter leaves the field, so that keys are the view's again.
  await page.keyboard.press('Enter');
  await page.keyboard.press('-');
  await expect(hooks(page)).toHaveCount(4);
  await page.locator('body').press(']');
  await expect(page.getByText(/^Opening week, 18 flies/)).toBeVisible();
  await page.locator('body').press('[');
  await expect(page.getByText(/^For the weir, 4 flies/)).toBeVisible();
  await page.locator('body').press('Delete');
  await expect(page.getByText('For the weir is in the trash.')).toBeVisible();
  await page.goto(`${own.url}/trash`);
  await page.getByRole('button', { name: 'Back to the batches' }).click();
  await expect(page.getByText('For the weir is back among the batches.')).toBeVisible();
  await expect(page.getByText('The trash is empty.')).toBeVisible();
  await page.keyboard.press('2');
  await expect(page.getByText(/\(\d of 3\)/)).toBeVisible();
});

test('a row is tied otherwise than its fly, and the fly stays as it is', async ({ own, page }) => {
  await openingWeek(page, own);
  await page.getByRole('button', { name: 'as the fly is' }).nth(1).click();
  await page.getByLabel('part').selectOption('wing');
  await page.getByLabel('is then').fill('black');
  // Drawn as it would be tied, before it is kept: a colour weighs nothing, another length does.
  const drawn = page.getByRole('dialog').getByRole('figure');
  await expect(drawn).toHaveAccessibleName(/wing black/);
  await expect(drawn).toContainText('It rides and sinks as without it');
  await page.getByLabel('what of it').selectOption('tip');
  await page.getByLabel('is then').fill('9 parsecs');
  await expect(drawn).toContainText('wing tip');
  await page.getByLabel('is then').fill('bend + 1.9 shank');
  await expect(drawn).toContainText('sinks at');
  await page.getByLabel('what of it').selectOption('colour');
  await page.getByLabel('is then').fill('black');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'wing black', exact: true })).toBeVisible();
  // Of slate five are left to be tied, which it is enough for, and of black there is enough for seven.
  await expect(foot(page)).toContainText('nothing');
});

test('a fly that is changed after it was planned: the row keeps the plan, says what is otherwise, and takes it when told', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  const flies = (await (await page.request.get(`${own.url}/api/flies`)).json()) as { id: string; name: string }[];
  const smolt = flies.find(({ name }) => name === 'Glass Smolt')?.id ?? '';
  const { file, revision } = (await (await page.request.get(`${own.url}/api/flies/${smolt}`)).json()) as {
    file: { parts: { id: string; colour?: string }[] };
    revision: number;
  };
  const parts = file.parts.map((part) => (part.id === 'wing' ? { ...part, colour: 'rust' } : part));
  await page.request.put(`${own.url}/api/flies/${smolt}`, {
    data: { file: { ...file, parts }, revision, kind: 'saved' },
  });
  await page.reload();
  const rows = page.getByRole('region', { name: 'Rows' });
  await rows.getByRole('button', { name: 'Changed since it was planned: what?' }).click();
  await expect(rows.getByText(/^Otherwise now: .*rust/)).toBeVisible();
  await rows.getByRole('button', { name: 'Plan it so' }).click();
  await expect(page.getByRole('rowheader', { name: /kinked synthetic hair, rust/ })).toBeVisible();
  await expect(rows.getByText(/Changed since/)).toHaveCount(0);
});

test('what is made ready is saved as pages to print, and the batch as a file that reads again', async ({
  own,
  page,
}) => {
  await openingWeek(page, own);
  const pdf = page.waitForEvent('download');
  await page.keyboard.press('p');
  expect((await pdf).suggestedFilename()).toBe('opening-week-prep.pdf');
  const labels = page.waitForEvent('download');
  await page.keyboard.press('m');
  expect((await labels).suggestedFilename()).toBe('opening-week-labels.pdf');
  const calendar = page.waitForEvent('download');
  await page.keyboard.press('c');
  const evenings = readFileSync(await (await calendar).path(), 'utf8');
  expect([...evenings.matchAll(/^DTSTART:(.*)T/gm)].map(([, day]) => day)).toEqual(['20260310', '20260312']);
  const file = page.waitForEvent('download');
  await page.keyboard.press('e');
  const saved = await file;
  expect(saved.suggestedFilename()).toBe('opening-week.batch.json');
  const text = readFileSync(await saved.path(), 'utf8');
  const answer = await page.request.post(`${own.url}/api/batches`, { data: { record: JSON.parse(text) as unknown } });
  expect(answer.status()).toBe(201);
});

test('what is tied is taken from the drawers, and lies there again when it is taken back', async ({ own, page }) => {
  await openingWeek(page, own);
  await expect(item(page)).toContainText('rabbit strip, slate');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('g');
  await expect(lit(page)).toHaveAccessibleName(/in the vise$/);
  await expect(item(page)).toContainText('392 mm left in the drawer');
  // The plan stands: it is of what lay there before.
  await expect(item(page)).toContainText('Ends before fly 9');
  await page.keyboard.press('x');
  await expect(lit(page)).toHaveAccessibleName(/spoilt$/);
  await expect(item(page)).toContainText('Ends before fly 7');
  const stock = (await (await page.request.get(`${own.url}/api/drawers`)).json()) as {
    item: { name: string; stock?: { lengths: string[] }[] };
  }[];
  const [slate] = stock.find((each) => each.item.name === 'rabbit strip')?.item.stock ?? [];
  expect(slate?.lengths.sort()).toEqual(['173.7 mm', '218 mm']);
  await page.keyboard.press('z');
  await expect(lit(page)).toHaveAccessibleName(/in the vise$/);
  await page.keyboard.press('z');
  await expect(lit(page)).toHaveAccessibleName(/to come/);
  await expect(item(page)).not.toContainText('left in the drawer');
});

test('two windows: what the other saved is not written over', async ({ own, page, context }) => {
  await openingWeek(page, own);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('table', { name: 'Cut list' })).toBeVisible();
  await other.keyboard.press('+');
  await expect(other.getByLabel('how many of row 1')).toHaveValue('6');
  await page.keyboard.press('-');
  await expect(page.getByText('It was changed elsewhere since you opened it.')).toBeVisible();
  await expect(page.getByLabel('how many of row 1')).toHaveValue('6');
  // Nor by what is taken back: this window takes one away, the other puts it on again.
  await page.keyboard.press('-');
  await expect(page.getByLabel('how many of row 1')).toHaveValue('5');
  await other.reload();
  await expect(other.getByRole('table', { name: 'Cut list' })).toBeVisible();
  await expect(other.getByLabel('how many of row 1')).toHaveValue('5');
  await other.keyboard.press('+');
  await expect(other.getByLabel('how many of row 1')).toHaveValue('6');
  await other.keyboard.press('+');
  await expect(other.getByLabel('how many of row 1')).toHaveValue('7');
  await page.keyboard.press('-');
  await expect(page.getByLabel('how many of row 1')).toHaveValue('7');
  await page.keyboard.press('z');
  await expect(page.getByText('so this is not taken back over it')).toBeVisible();
  await expect(page.getByLabel('how many of row 1')).toHaveValue('7');
});

test('from the box and from a run of sizes', async ({ own, page }) => {
  await page.goto(own.url);
  await page.getByRole('button', { name: /^Bell Weir,/ }).waitFor();
  await page.keyboard.press('t');
  await expect(page).toHaveURL(/\/batches\//);
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
  await page.goto(own.url);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByTestId('sentence')).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.locator('main[data-done="true"]')).toBeVisible();
  await page.locator('body').press('t');
  await expect(page.getByText(/^Slate Runner, \d+ flies/)).toBeVisible();
});

test('a fly is put on another evening by key and by hand, its row too, and let go again', async ({ own, page }) => {
  await openingWeek(page, own);
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*to come, Tue, Mar 10$/);
  await page.keyboard.press('Shift+ArrowRight');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*to come, Thu, Mar 12, put there$/);
  await page.keyboard.press('Shift+ArrowRight');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*to come, Sat, Mar 14, put there$/);
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('There is no evening after it')).toBeVisible();
  await page.keyboard.press('z');
  await page.keyboard.press('z');
  await expect(lit(page)).toHaveAccessibleName(/^fly 5, .*to come, Tue, Mar 10$/);
  await test.step('the last row whole', async () => {
    for (let i = 0; i < 14; i++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Control+Shift+ArrowRight');
    for (const fly of [16, 17, 18])
      await expect(hooks(page).nth(fly)).toHaveAccessibleName(/Cinder Sprat.*Sat, Mar 14, put there$/);
    await page.keyboard.press('w');
    await expect(hooks(page).nth(17)).toHaveAccessibleName(/Thu, Mar 12$/);
  });
  await test.step('by hand, from the second evening to the third', async () => {
    const line = page.getByRole('img', { name: /: \d+ flies/ });
    const box = await line.boundingBox();
    const block = await line.locator('g.cursor-grab').last().boundingBox();
    if (!box || !block) throw new Error('nothing to take hold of');
    await page.mouse.move(block.x + block.width / 2, block.y + 4);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width - 40, block.y + 4, { steps: 4 });
    await page.mouse.up();
    await expect(
      hooks(page)
        .filter({ hasText: /\d/ })
        .and(page.getByRole('option', { name: /put there$/ })),
    ).toHaveCount(1);
  });
});

test('rows go out as a table and come in again; what does not read is told, and nothing is changed', async ({
  own,
  page,
}) => {
  // The browser asks nobody until someone listens, and whoever begins with the key itself may come too late.
  page.on('filechooser', () => undefined);
  await openingWeek(page, own);
  const saved = page.waitForEvent('download');
  await page.keyboard.press('v');
  const text = readFileSync(await (await saved).path(), 'utf8');
  expect(text.split('\n').slice(0, 4)).toEqual([
    'fly,on,count,hold,shade',
    'Slate Runner,6,5,,',
    'Slate Runner,8,4,,',
    'Slate Runner,double:6,3,ride,wing colour black; tail colour black',
  ]);
  const asked = page.waitForEvent('filechooser');
  await page.keyboard.press('i');
  const file = (name: string, content: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
  await (
    await asked
  ).setFiles([
    file('Second week.csv', text),
    file('wrong.csv', 'fly,count\nSlate Runer,3\nGlass Smolt,none\n'),
    file('strange.csv', 'fly,count\nSlate Runer,3\n'),
  ]);
  const told = page.getByRole('dialog', { name: 'Not taken in' });
  await expect(told).toContainText('line 3, count: "none" is no count from 1 to 10000');
  await expect(told).toContainText('row 1: there is no fly "Slate Runer" in the box');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^Second week, 18 flies \(1 of 3\)$/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Rows' }).getByLabel(/^how many of row/)).toHaveCount(5);
  await expect(hooks(page).first()).toHaveAccessibleName(/to come/);
});

test('the sheet ties the next one of the running batch; what is laid out is kept', async ({ own, page }) => {
  await openingWeek(page, own);
  const row = page.getByRole('row', { name: /^rabbit strip, slate/ });
  await expect(row).toContainText('not laid out yet');
  await page.keyboard.press('Space');
  await expect(row).toContainText('laid out for tonight');
  await row.getByRole('button').click();
  await expect(row).toContainText('all laid out');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.keyboard.press('4');
  await expect(page.getByTestId('tying-sheet')).toBeVisible();
  await page.keyboard.press('g');
  await expect(page.getByText(/^fly 5 of 18, Slate Runner/)).toBeVisible();
  await expect(page.getByText('This one counts into Opening week.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(row).toContainText('all laid out');
  await page.keyboard.press('Space');
  await expect(row).toContainText('not laid out yet');
});

import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, findings, test, toBox, type Boathouse } from './boathouse.ts';

/** The finished flies of a pattern on the table. */
async function onTable(page: Page, house: Boathouse, fly: string): Promise<void> {
  await toBox(page, house);
  await page.getByRole('button', { name: new RegExp(`^${fly},`) }).click();
  await expect(page.getByRole('heading', { level: 1, name: fly })).toBeVisible();
  await page.keyboard.press('6');
  await expect(page.getByTestId('inspect')).toBeVisible();
}
const verdict = (page: Page) => page.getByRole('region', { name: 'Verdict' });
const found = (page: Page, what: string) => page.getByLabel(what, { exact: true });
const run = (page: Page) => page.getByRole('group', { name: 'The run' });

test('twelve finished flies: drift is told with its step, the scale teaches', async ({ own, page }) => {
  await onTable(page, own, 'Copper Eel');
  await expect(verdict(page)).toContainText('Fly 1');
  await expect(run(page)).toContainText(/tail grows 0\.\d+ mm a fly since fly \d/i);
  await expect(run(page).getByRole('button', { name: /^fly \d+$/ })).toHaveCount(12);
  const teaches = page.getByRole('region', { name: 'What it teaches' });
  await expect(teaches).toContainText('weight of bead');
  await page.keyboard.press('ArrowRight');
  await expect(verdict(page)).toContainText('Fly 2');
  await run(page).getByRole('button', { name: 'fly 9', exact: true }).click();
  await expect(verdict(page)).toContainText(/flash is 3\d\.\d mm, longer than/i);
  expect(await findings(page)).toEqual([]);
  // What the scale says of the bead is shown with what it moves, taken by its key, and back.
  await expect(teaches).toContainText(/With it: .*sinks/);
  await page.keyboard.press('y');
  await expect(teaches).not.toContainText('weight of bead');
  await page.keyboard.press('z');
  await expect(teaches).toContainText('weight of bead');
});

test('a spread that is found goes to the scatter by a key, and back', async ({ own, page }) => {
  await onTable(page, own, 'Night Sexton');
  const fly = new URL(page.url()).pathname.split('/')[2] ?? '';
  for (let number = 1; number <= 9; number++) {
    const lengths = { tail: [`${String(24 + 0.1 * (number % 3))} mm`] };
    const record = { format: 'jobbet.specimen', version: 1, fly, number, lengths };
    expect((await page.request.post(`${own.url}/api/specimens`, { data: { record } })).status()).toBe(201);
  }
  await page.reload();
  const take = page.getByRole('button', { name: 'Reckon with it' });
  await expect(take).toBeVisible();
  await expect(page.getByText(/With it: (no more of them ride otherwise|\d+(\.\d)? % of them ride)/)).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText(/^How alike yours come out goes by the spread of/)).toBeVisible();
  await expect(take).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(take).toBeVisible();
});

test('a fly is laid on the table and measured by keyboard; what it does follows, undo takes it back', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Slate Runner');
  await expect(page.getByText('No finished Slate Runner lies on the table.')).toBeVisible();
  await page.keyboard.press('n');
  await expect(verdict(page)).toContainText('by 0 of');
  await expect(verdict(page)).toContainText('point-up');
  await page.keyboard.press('i');
  await expect(found(page, 'the hook’s shank')).toBeFocused();
  await found(page, 'tail').pressSequentially('19.1; 19.3');
  // What stands there while one types is no reading yet.
  await expect(verdict(page)).toContainText('by 0 of');
  await found(page, 'tail').press('Enter');
  await expect(found(page, 'tail')).toHaveValue('19.1 mm; 19.3 mm');
  await expect(verdict(page)).toContainText('by 1 of');
  await found(page, 'tail').fill('19.1 zz');
  await found(page, 'tail').press('Enter');
  await expect(page.getByRole('alert')).toContainText('is not a unit of length');
  await found(page, 'tail').focus();
  await found(page, 'tail').press('Escape');
  // Eyes a third as large tip nothing.
  await found(page, 'diameter of eyes').fill('1.4 mm');
  await found(page, 'diameter of eyes').press('Enter');
  await expect(verdict(page)).toContainText('it rides point-down, the plan point-up', { ignoreCase: true });
  await expect(verdict(page)).toContainText('tie again');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toContainText('rides point-up');
  await page.locator('body').press('r');
  await expect(verdict(page).getByRole('button', { name: /^tie again/ })).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(found(page, 'tail')).toHaveValue('19.1 mm; 19.3 mm');
  await expect(verdict(page).getByRole('button', { name: /^tie again/ })).toHaveAttribute('aria-pressed', 'true');
  await page.locator('body').press('Delete');
  await expect(page.getByText('No finished Slate Runner lies on the table.')).toBeVisible();
  await page.goto(`${own.url}/trash`);
  const thrown = page.getByRole('listitem').filter({ hasText: 'Slate Runner, fly 1' });
  await thrown.getByRole('button', { name: 'Back on the table' }).click();
  await expect(thrown).toBeHidden();
  await onTable(page, own, 'Slate Runner');
  await expect(verdict(page)).toContainText('Fly 1');
});

const photograph = (page: Page) => page.getByTestId('photo');

test('a photograph is taken in, a landmark moved by keyboard and by mouse, and what it tells follows', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Copper Eel');
  await expect(verdict(page)).toContainText('Fly 1');
  await expect(photograph(page)).toBeHidden();
  await page.getByLabel('Photograph of the fly').setInputFiles('examples/copper-eel-07.jpg');
  await expect(photograph(page)).toBeVisible();
  await expect(page.getByText(/^A photograph of fly 1/)).toBeVisible();
  // The caliper's reading stays, and the photograph's stands beside it.
  await expect(found(page, 'flash')).toHaveValue(/^\d+\.\d mm; \d+\.\d mm$/);
  await page.keyboard.press('v');
  await expect(page.getByText(/^beyond the plan \d+ mm²; short of it \d+ mm²$/)).toBeVisible();
  expect(await findings(page)).toEqual([]);
  const told = await found(page, 'flash').inputValue();
  const bend = page.getByRole('button', { name: /^bend, a landmark/ });
  await bend.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowLeft');
  await expect(found(page, 'flash')).not.toHaveValue(told);
  const box = await bend.boundingBox();
  if (!box) throw new Error('the bend is not there');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y + 4, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText('Landmarks of fly 1')).toBeVisible();
  // What is kept is there after a reload.
  await page.reload();
  await expect(photograph(page)).toBeVisible();
});

test('what is no photograph of the fly is refused in words, and the fly stays as it was', async ({ own, page }) => {
  await onTable(page, own, 'Copper Eel');
  await page.getByLabel('Photograph of the fly').setInputFiles('docs/screenshots/box.png');
  await expect(page.getByRole('alert')).toBeVisible();
  await expect(photograph(page)).toBeHidden();
  await page.getByLabel('Photograph of the fly').setInputFiles('package.json');
  await expect(page.getByRole('alert')).toContainText('not a picture that can be read');
  await expect(page.getByRole('button', { name: 'Lay its landmarks by hand' })).toBeHidden();
  // A fly whose hook is another's is refused; its landmarks can be laid by hand all the same.
  await onTable(page, own, 'Moss Anvil');
  await page.keyboard.press('n');
  await expect(verdict(page)).toContainText('by 0 of');
  await page.getByLabel('Photograph of the fly').setInputFiles('examples/copper-eel-07.jpg');
  await page.getByRole('button', { name: 'Lay its landmarks by hand' }).click();
  await expect(photograph(page)).toBeVisible();
  await photograph(page)
    .getByRole('button', { name: /^eye, a landmark/ })
    .focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Landmarks of fly 1')).toBeVisible();
  await page.keyboard.press('Escape');
  // What is looked at by eye stands on the fly by its number.
  await page.locator('body').press('l');
  await expect(page.getByRole('region', { name: 'By eye' })).toContainText('1');
});

test('falls in a jar are timed by key, set against the model, and taught to the pattern; undo takes it back', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Slate Runner');
  await page.keyboard.press('n');
  await expect(verdict(page)).toContainText('Fly 1');
  // By eye, by keyboard: the first look that is open has the focus, and stays answered through a reload.
  const looks = page.getByRole('region', { name: 'By eye' });
  await page.keyboard.press('l');
  await page.keyboard.press('Enter');
  await expect(looks).toContainText(/^By eye L1 of \d+ looked at/);
  const jar = page.getByRole('region', { name: 'Jar' });
  // A jar is told before anything falls in it.
  await expect(jar.getByRole('button', { name: 'At the upper mark' })).toBeHidden();
  await jar.getByLabel('Width of the jar').fill('120');
  await jar.getByLabel('Width of the jar').press('Enter');
  await jar.getByLabel('From mark to mark').fill('600');
  await jar.getByLabel('From mark to mark').press('Enter');
  await expect(jar.getByRole('button', { name: 'At the upper mark' })).toBeVisible();
  // Laid on dry it floats a while: how long is told, and what held it up.
  await jar.getByLabel('Laid on dry, it floated').fill('20');
  await jar.getByLabel('Laid on dry, it floated').press('Enter');
  await expect(jar).toContainText(/it floated 20 s/i);
  await jar.getByLabel('Soaked before it fell').fill('5 min');
  await jar.getByLabel('Soaked before it fell').press('Enter');
  await page.keyboard.press('Escape');
  // One fall by the stopwatch: J at the upper mark, space at the lower.
  await page.keyboard.press('j');
  await expect(jar.getByRole('button', { name: 'At the lower mark' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(jar.getByRole('listitem')).toHaveCount(1);
  await expect(jar).toContainText('less than a second');
  await jar.getByRole('button', { name: 'leave fall 1 out' }).click();
  await expect(jar.getByRole('listitem')).toHaveCount(0);
  // Six more, as a slow one fell: written by a script, since nobody waits here for a fly to sink.
  const fly = new URL(page.url()).pathname.split('/')[2] ?? '';
  const [kept] = (await (await page.request.get(`${own.url}/api/flies/${fly}/specimens`)).json()) as {
    id: string;
    revision: number;
    record: { jar: object };
  }[];
  const falls = ['2.40 s', '2.31 s', '2.44 s', '2.38 s', '2.35 s', '2.42 s'].map((time) => ({
    time,
    rest: 'point-up',
  }));
  const record = { ...kept?.record, jar: { ...kept?.record.jar, falls } };
  const saved = await page.request.put(`${own.url}/api/specimens/${kept?.id ?? ''}`, {
    data: { record, revision: kept?.revision },
  });
  expect(saved.status()).toBe(200);
  await page.reload();
  await expect(jar).toContainText(/found .* predicted/);
  await expect(looks.getByRole('button', { pressed: true })).toHaveCount(1);
  await expect(jar).toContainText(/times the drag reckoned/);
  const teaches = page.getByRole('region', { name: 'What it teaches' });
  await expect(teaches).toContainText('drag in the fall');
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('t');
  await expect(teaches).toBeHidden();
  await page.keyboard.press('z');
  await expect(teaches).toContainText('drag in the fall');
});

test('the caliper’s readings land where the keyboard is, one by one; the last is left out', async ({ own, page }) => {
  await onTable(page, own, 'Slate Runner');
  await page.keyboard.press('n');
  await page.keyboard.press('m');
  const tail = found(page, 'tail');
  await tail.focus();
  for (const _ of [1, 2]) await page.keyboard.press('F8');
  await expect(tail).toHaveValue(/^\d+\.\d\d mm; \d+\.\d\d mm$/);
  await expect(verdict(page)).toContainText('by 1 of');
  await page.getByRole('button', { name: 'leave the last out' }).click();
  await expect(tail).toHaveValue(/^\d+\.\d\d mm$/);
  // The scale is taken in hand for what is weighed.
  await found(page, 'weight, dry').focus();
  await page.keyboard.press('F8');
  await expect(found(page, 'weight, dry')).toHaveValue(/^0\.\d{3} g$/);
});

test('twelve flies by the stand-in’s caliper: tails that grow since the sixth are told, with the step it comes from', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Slate Runner');
  await page.keyboard.press('n');
  await page.keyboard.press('m');
  for (let n = 1; n <= 12; n++) {
    if (n > 1) await page.locator('body').press('n');
    await expect(verdict(page)).toContainText(`Fly ${String(n)}`);
    const mm = 18 + 0.08 * ((n * 5) % 3) + 0.5 * Math.max(0, n - 5);
    await page.getByLabel('really').fill(`${mm.toFixed(2)} mm`);
    await found(page, 'tail').focus();
    await page.keyboard.press('F8');
    await expect(found(page, 'tail')).toHaveValue(/^\d+\.\d\d mm$/);
    await found(page, 'tail').press('Enter');
  }
  await expect(run(page)).toContainText(/tail grows 0\.\d+ mm a fly since fly \d/i);
  await expect(run(page)).toContainText(/step \d+/);
});

test('a ruler in the picture: two marks are laid on it by key, and lengths go by it; back to the hook', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Copper Eel');
  await page.getByLabel('Photograph of the fly').setInputFiles('examples/copper-eel-07.jpg');
  await expect(photograph(page)).toBeVisible();
  await expect(found(page, 'flash')).toHaveValue(/^\d+\.\d mm; \d+\.\d mm$/);
  const told = await found(page, 'flash').inputValue();
  await page.getByRole('button', { name: 'a ruler in it' }).click();
  const mark = page.getByRole('button', { name: /^another mark, a landmark/ });
  await mark.focus();
  await page.keyboard.press('ArrowRight');
  const between = page.getByLabel('Length from mark to mark of the ruler');
  await between.fill('2 kg');
  await between.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is not a unit of length');
  await between.fill('90');
  await between.press('Enter');
  await expect(page.getByText('a ruler or card sets the scale')).toBeVisible();
  await expect(found(page, 'flash')).not.toHaveValue(told);
  await page.getByRole('button', { name: 'by its hook' }).click();
  await expect(found(page, 'flash')).toHaveValue(told);
});

test('hooks that measure otherwise than their packet teach the drawers, and whose hands tied is kept', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Slate Runner');
  const fly = new URL(page.url()).pathname.split('/')[2] ?? '';
  for (let number = 1; number <= 5; number++) {
    const lengths = { 'hook.shank': [`${String(30 + 0.1 * (number % 3))} mm`] };
    const record = { format: 'jobbet.specimen', version: 1, fly, number, lengths };
    expect((await page.request.post(`${own.url}/api/specimens`, { data: { record } })).status()).toBe(201);
  }
  await page.reload();
  const take = page.getByRole('button', { name: 'To long streamer 6 in the drawers' });
  await take.click();
  await expect(
    page.getByText(/^long streamer 6 in the drawers: the hook’s shank\. Moved: .*Slate Runner/),
  ).toBeVisible();
  await expect(take).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(take).toBeVisible();
  await page.getByLabel('tied by').fill('Anna');
  await page.getByLabel('tied by').press('Enter');
  await expect(page.getByText('Fly 1 tied by Anna')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('tied by')).toHaveValue('Anna');
});

test('the stand-in’s camera shows a fly from three sides; eyes are pulled square by key, one picture is put away', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Slate Runner');
  await page.keyboard.press('n');
  await expect(verdict(page)).toContainText('by 0 of');
  const take = async (from: string): Promise<void> => {
    await page.keyboard.press('c');
    const dialog = page.getByRole('dialog', { name: 'A photograph of fly 1' });
    await dialog.getByRole('radio', { name: from }).check();
    await dialog.getByRole('button', { name: 'By the stand-in, simulated' }).click();
    await expect(page.getByText(`A photograph of fly 1 ${from}`)).toBeVisible();
  };
  await take('from the side');
  await expect(verdict(page)).not.toContainText('by 0 of');
  await expect(page.getByText('rendered, not taken, near side')).toBeVisible();
  await take('from above');
  const aspect = page.getByTestId('aspect');
  await expect(aspect).toContainText('tips past the bend');
  await take('from the front');
  await expect(page.getByText('rendered, not taken, from the front')).toBeVisible();
  const eye = aspect.getByRole('button', { name: /^left eye, a landmark/ });
  await eye.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowUp');
  await expect(aspect).toContainText(/turned about the shank, the left one higher/);
  await expect(verdict(page)).toContainText(/the eyes are turned about the shank by \d+°/i);
  await page.reload();
  await page.getByRole('button', { name: 'from the front' }).click();
  await expect(aspect).toContainText(/turned about the shank, the left one higher/);
  await page.keyboard.press('k');
  await page.keyboard.type('Put the photograph away');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The photograph of fly 1 is put away')).toBeVisible();
  await expect(page.getByRole('button', { name: 'from the front' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'from above' })).toBeVisible();
});

test('readings go out as a table and come in again changed; a fly with its picture goes out and comes in as another', async ({
  own,
  page,
}) => {
  await onTable(page, own, 'Copper Eel');
  const saving = async (command: string): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      (async () => {
        await page.keyboard.press('k');
        await page.keyboard.type(command);
        await page.keyboard.press('Enter');
      })(),
    ]);
    return readFileSync(await download.path(), 'utf8');
  };
  const table = await saving('Save all readings as a table');
  const [head = '', first = '', ...rest] = table.trim().split('\n');
  const tail = head.split(',').indexOf('tail');
  const cells = first.split(',');
  cells[tail] = '25.5 mm';
  const next = [head, cells.join(','), ...rest, `13${','.repeat(tail)}26.1 mm`].join('\n');
  const files = page.getByLabel('Finished flies from files');
  await files.setInputFiles({ name: 'eels.csv', mimeType: 'text/csv', buffer: Buffer.from(next) });
  await expect(page.getByText('1 laid on the table, readings of 1 taken in.')).toBeVisible();
  await expect(found(page, 'tail')).toHaveValue('25.5 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(found(page, 'tail')).not.toHaveValue('25.5 mm');
  // With its picture beside it a fly is another on the table.
  await files.setInputFiles(['examples/copper-eel-07.specimen.json', 'examples/copper-eel-07.jpg']);
  await expect(page.getByText('1 laid on the table.')).toBeVisible();
  await files.setInputFiles({ name: 'eel.csv', mimeType: 'text/csv', buffer: Buffer.from('tial\n1\n') });
  await expect(page.getByText(/eel\.csv: line 1: there is no column "tial"; did you mean "tail"/)).toBeVisible();
});

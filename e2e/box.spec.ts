import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { command, example, expect, openFly, ROOT, test, toBox, typed } from './boathouse.ts';

const flies = (page: Page) => page.getByRole('list', { name: 'Flies' }).getByRole('listitem');
const choose = (page: Page, input: { name: string; text: string }[]): Promise<void> =>
  page
    .getByLabel('Pattern files')
    .setInputFiles(input.map(({ name, text }) => ({ name, mimeType: 'application/json', buffer: Buffer.from(text) })));

test('the flies of the boathouse, with how they ride, sink and weigh; the troubled one is flagged', async ({
  demo,
  page,
}) => {
  await toBox(page, demo);
  await expect(page.getByText('13 of 13')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Slate Runner,.* rides point-up, sinks very fast/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Rowan Ember,.* rides point-down, meant point-up/ })).toContainText(
    'meant point-up',
  );
  await page.getByLabel('Find a fly').fill('rabbit strip point-up');
  await expect(flies(page)).toHaveCount(1);
  await page.getByLabel('Find a fly').fill('no such thing');
  await expect(page.getByText('No fly answers to')).toBeVisible();
});

test('copied, renamed, put in the trash, taken back by undo and from the trash', async ({ empty, page }) => {
  await openFly(page, empty, example('ferryman'));
  await toBox(page, empty);
  const more = async (fly: string, what: string): Promise<void> => {
    await page.getByRole('button', { name: `More for ${fly}`, exact: true }).click();
    await page.getByRole('menuitem', { name: what }).click();
  };
  await more('Ferryman', 'Copy');
  await expect(flies(page)).toHaveCount(2);
  await more('Ferryman, copy', 'Rename');
  await page.getByLabel('name', { exact: true }).fill('Long Glide');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('button', { name: /^Long Glide,/ })).toBeVisible();
  await more('Long Glide', 'Put in the trash');
  await expect(flies(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(flies(page)).toHaveCount(2);
  await more('Long Glide', 'Put in the trash');
  await command(page, 'Trash');
  await page.getByRole('button', { name: 'Back to the box' }).click();
  await expect(page.getByText('The trash is empty')).toBeVisible();
  await toBox(page, empty);
  await expect(flies(page)).toHaveCount(2);
});

test('a pattern file goes out by the menu and comes in again as it was', async ({ empty, page }) => {
  await openFly(page, empty, example('glass-smolt'));
  await toBox(page, empty);
  await page.getByRole('button', { name: 'More for Glass Smolt' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save the pattern file' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('glass-smolt.fly.json');
  const text = readFileSync(await file.path(), 'utf8');
  expect(JSON.parse(text)).toEqual(example('glass-smolt'));
  await test.step('a name that is there is asked about', async () => {
    await choose(page, [{ name: 'glass-smolt.fly.json', text }]);
    await expect(page.getByRole('dialog')).toContainText('The box already holds Glass Smolt');
    await page.getByRole('button', { name: 'Take 1 in' }).click();
    await expect(page.getByRole('button', { name: /^Glass Smolt, imported,/ })).toBeVisible();
  });
});

test('files dropped on the box are taken in', async ({ empty, page }) => {
  await toBox(page, empty);
  const transfer = await page.evaluateHandle(
    (text) => {
      const data = new DataTransfer();
      data.items.add(new File([text], 'tin-sculpin.fly.json', { type: 'application/json' }));
      return data;
    },
    JSON.stringify(example('tin-sculpin')),
  );
  const board = page.getByRole('main');
  await board.dispatchEvent('dragover', { dataTransfer: transfer });
  await expect(page.getByText('Let go to take the pattern files in')).toBeVisible();
  await board.dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.getByRole('button', { name: /^Tin Sculpin,/ })).toBeVisible();
});

test('bad files are refused by name with what is wrong, the sound one beside them comes in', async ({
  empty,
  page,
}) => {
  await toBox(page, empty);
  const sound = example('copper-eel');
  const cyclic = {
    ...sound,
    parts: sound.parts.map((part) => (part['id'] === 'tail' ? { ...part, length: 'flash' } : part)),
  };
  await choose(page, [
    { name: 'sound.fly.json', text: JSON.stringify(sound) },
    { name: 'cut.fly.json', text: JSON.stringify(sound).slice(0, 200) },
    { name: 'huge.fly.json', text: JSON.stringify({ ...sound, notes: 'x'.repeat(5_000_000) }) },
    { name: 'nested.fly.json', text: '['.repeat(900_000) },
    { name: 'types.fly.json', text: JSON.stringify({ ...sound, parts: 7 }) },
    { name: 'cyclic.fly.json', text: JSON.stringify(cyclic) },
    { name: 'keys.fly.json', text: JSON.stringify({ ...sound, platfrom: {} }) },
  ]);
  const dialog = page.getByRole('dialog');
  for (const words of [
    'cut.fly.json is not imported',
    'ends too soon',
    'the file is 5.0 MB',
    'nested deeper than 24 levels',
    'parts: expected a list, found a number',
    'leans on itself: tail.length → flash.length → tail.length',
    'platfrom: unknown key "platfrom"; did you mean "platform"?',
  ])
    await expect(dialog).toContainText(words);
  await page.getByRole('button', { name: 'Take 1 in' }).click();
  await expect(flies(page)).toHaveCount(1);
});

test('a box of 150 flies: few rows are drawn, typing finds among all', async ({ empty, page }) => {
  const names = ['slate-runner', 'copper-eel', 'ferryman', 'tin-sculpin'];
  for (let i = 0; i < 150; i++) {
    const file = { ...example(names[i % names.length] ?? 'ferryman'), name: `Fly ${String(i)}` };
    await page.request.post(`${empty.url}/api/flies`, { data: { file } });
  }
  await toBox(page, empty);
  await expect(page.getByText('150 of 150')).toBeVisible();
  expect(await flies(page).count()).toBeLessThan(30);
  await page.keyboard.press('/');
  await typed(page, 'fly 137');
  await expect(page.getByText('1 of 150')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Fly 137,/ })).toBeVisible();
});

test('the examples on disk are the ones a fresh demo shows', async ({ demo, page }) => {
  const listed = (await (await page.request.get(`${demo.url}/api/flies`)).json()) as { id: string; name: string }[];
  const { id = '' } = listed.find((fly) => fly.name === 'Slate Runner') ?? {};
  const { file } = (await (await page.request.get(`${demo.url}/api/flies/${id}`)).json()) as { file: unknown };
  const slate = JSON.parse(readFileSync(join(ROOT, 'examples/slate-runner.fly.json'), 'utf8')) as unknown;
  expect(file).toEqual(slate);
});

test('several flies are chosen by key and by box: copied, printed, saved, grouped, put in the trash and taken back together', async ({
  own,
  page,
}) => {
  await toBox(page, own);
  const group = page.getByRole('group', { name: 'Chosen flies' });
  await expect(page.getByText('13 of 13')).toBeVisible();
  await page.keyboard.press('s');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('s');
  await expect(group).toContainText('2 flies chosen');
  await page.keyboard.press('Escape');
  await expect(group).toBeHidden();
  await page
    .getByRole('checkbox', { name: /^Choose/ })
    .nth(0)
    .check();
  await page
    .getByRole('checkbox', { name: /^Choose/ })
    .nth(2)
    .click({ modifiers: ['Shift'] });
  await expect(group).toContainText('3 flies chosen');
  // Each has its sheet on the paper: what the browser is given to print is counted as it asks.
  await page.evaluate(() => {
    window.print = () => {
      window.dispatchEvent(new Event('beforeprint'));
      document.body.dataset['printed'] = String(document.querySelectorAll('.printed-page').length);
      window.dispatchEvent(new Event('afterprint'));
    };
  });
  await page.keyboard.press('p');
  await expect.poll(() => page.evaluate(() => Number(document.body.dataset['printed'] ?? 0))).toBeGreaterThanOrEqual(3);
  const saved: string[] = [];
  page.on('download', (made) => saved.push(made.suggestedFilename()));
  await page.keyboard.press('e');
  await expect.poll(() => saved.length).toBe(3);
  // Kept together by a word, which orders the box and finds them.
  await page.keyboard.press('g');
  await typed(page, 'autumn');
  await page.keyboard.press('Enter');
  await page.getByLabel('in order of').selectOption('group');
  await expect(flies(page).first()).toContainText('autumn, 3');
  await expect(group).toContainText('3 flies chosen');
  await page.keyboard.press('c');
  await expect(page.getByText('16 of 16')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('13 of 13')).toBeVisible();
  await expect(group).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('16 of 16')).toBeVisible();
});

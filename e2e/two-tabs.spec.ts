import type { Page } from '@playwright/test';
import { blank, example, expect, flyName, openFly, row, saved, test, write, type Boathouse } from './boathouse.ts';

/** The same fly open in two tabs, saved in the first and then changed in the second. */
async function clash(page: Page, house: Boathouse): Promise<{ other: Page; id: string }> {
  const id = await openFly(page, house, example('peat-lantern'));
  const other = await page.context().newPage();
  await other.goto(`${house.url}/fly/${id}`);
  await row(other, 'tail').click();
  await row(page, 'tail').click();
  await write(page, 'length', '20 mm');
  await saved(page);
  await write(other, 'length', '30 mm');
  await expect(other.getByRole('dialog', { name: 'Saved elsewhere too' })).toBeVisible();
  return { other, id };
}

const kept = async (page: Page, house: Boathouse, id: string): Promise<unknown> => {
  const { file } = (await (await page.request.get(`${house.url}/api/flies/${id}`)).json()) as {
    file: { parts: { id: string; length?: string }[] };
  };
  return file.parts.find((part) => part.id === 'tail')?.length;
};

test('keep mine: it is saved, and theirs stays in the history', async ({ house, page }) => {
  const { other, id } = await clash(page, house);
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  expect(await kept(page, house, id)).toBe('30 mm');
  await other.getByRole('button', { name: /history$/ }).click();
  await other.getByRole('list', { name: 'Versions' }).getByRole('button').nth(1).click();
  await expect(other.getByRole('row', { name: /tail, length/ })).toContainText('20 mm');
  await other.getByRole('button', { name: 'Bring this one back' }).click();
  await expect(blank(other, 'length')).toHaveValue('20 mm');
  await saved(other);
});

test('take theirs: the bench shows what was saved', async ({ house, page }) => {
  const { other, id } = await clash(page, house);
  await other.getByRole('button', { name: 'Take theirs' }).click();
  await expect(blank(other, 'length')).toHaveValue('20 mm');
  await saved(other);
  expect(await kept(page, house, id)).toBe('20 mm');
});

test('save mine as a copy: both are in the box', async ({ house, page }) => {
  const { other, id } = await clash(page, house);
  await other.getByRole('button', { name: 'Save mine as a copy' }).click();
  await expect(flyName(other)).toHaveText('Peat Lantern, mine');
  await row(other, 'tail').click();
  await expect(blank(other, 'length')).toHaveValue('30 mm');
  expect(await kept(page, house, id)).toBe('20 mm');
});

test('a tab that is closed in a conflict finds its work again', async ({ house, page }) => {
  const { other, id } = await clash(page, house);
  for (let times = 0; times < 2; times++) {
    other.once('dialog', (dialog) => void dialog.accept());
    const sent: string[] = [];
    other.on('request', (request) => {
      if (request.method() === 'PUT') sent.push(request.url());
    });
    await other.reload();
    await expect(other.getByRole('dialog', { name: 'Saved elsewhere too' })).toBeVisible();
    // Until someone has said so nothing is sent, though a change is sent when the hand has rested for 700 ms.
    await other.clock.install();
    await other.clock.runFor(5000);
    expect(sent).toEqual([]);
    await expect(other.getByRole('dialog', { name: 'Saved elsewhere too' })).toBeVisible();
    expect(await kept(page, house, id)).toBe('20 mm');
  }
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await row(other, 'tail').click();
  await expect(blank(other, 'length')).toHaveValue('30 mm');
});

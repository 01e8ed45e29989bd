import type { Page } from '@playwright/test';
import { expect, findings, savedBy, test, toBox, type Boathouse } from './boathouse.ts';

/** The log, once what its outings tell is there. */
async function inLog(page: Page, house: Boathouse): Promise<void> {
  await toBox(page, house);
  await page.keyboard.press('3');
  await settled(page);
}
/** A picture all one grey. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAZAAAAEsCAMAAADaaRXwAAAAA1BMVEVaZG5tynRAAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAi0lEQVR42u3BMQEAAADCoPVPbQlPoAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA4GPV+wAB2A4yPQAAAABJRU5ErkJggg==',
  'base64',
);
const settled = (page: Page) => expect(page.getByTestId('log')).toHaveAttribute('data-settled', 'true');
const rods = (page: Page) => page.getByRole('list', { name: 'Flies of the outing' }).getByRole('listitem');
const line = (page: Page) => page.getByLabel('a fly in a line');

test('the planted truth is found: weight is told apart, colour is not', async ({ own, page }) => {
  await inLog(page, own);
  const worked = page.getByTestId('worked');
  await expect(page.getByRole('list', { name: 'Outings' }).getByRole('button')).toHaveCount(30);
  await expect(worked.getByRole('listitem').filter({ hasText: '0.50 to 0.75 g' }).first()).toContainText('more');
  await expect(worked).toContainText('Nothing here can be told apart yet');
  await expect(worked.getByRole('listitem').filter({ hasText: 'black' }).first()).toContainText('too few to tell');
  expect(await findings(page)).toEqual([]);
  // In high water alone too.
  await page.getByLabel('of what was fished').selectOption({ label: 'by the level of the gauge: over 0.65 m' });
  await expect(worked.getByRole('listitem').filter({ hasText: '0.50 to 0.75 g' }).first()).toContainText(
    /19 in 22 h.*more/,
  );
  await page.getByLabel('of what was fished').selectOption({ label: 'in all of it' });
  // By another kind: two hands in one box are told apart.
  await page.getByLabel('what is counted by beside it').selectOption('hand');
  await expect(worked.getByRole('listitem').filter({ hasText: 'the older hand' })).toBeVisible();
  await expect(worked.getByRole('listitem').filter({ hasText: 'the younger hand' })).toBeVisible();
});

test('an outing is written by keyboard, kept through a reload; what does not read is named', async ({ own, page }) => {
  await inLog(page, own);
  await page.keyboard.press('n');
  await expect(page.getByRole('list', { name: 'Outings' }).getByRole('button')).toHaveCount(31);
  await expect(page.getByText('Nothing in the water yet')).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.type('Slat Runner, 40 min');
  await expect(page.getByRole('status').filter({ hasText: 'is no fly of the box' })).toContainText('Slate Runner');
  await line(page).fill('Slate Runner, 40 min, 2 takes, lost on the bed, fouled twice');
  await expect(page.getByRole('status').filter({ hasText: 'takes 2' })).toContainText('lost: bed');
  await page.keyboard.press('Enter');
  await expect(rods(page)).toHaveCount(1);
  await page.keyboard.type('Copper Eel, an hour, followed and turned');
  await page.keyboard.press('Enter');
  await expect(rods(page)).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.locator('body').press('j');
  await expect(page.getByLabel('takes, Copper Eel')).toHaveValue('1');
  await page.locator('body').press('ArrowUp');
  await page.locator('body').press('x');
  await expect(page.getByLabel('how it was lost, Slate Runner')).toHaveCount(2);
  await page.getByLabel('how it was lost, Slate Runner').last().selectOption('wood');
  await expect(rods(page).first()).toHaveAttribute('aria-current', 'true');
  // It ends before it begins: named, and nothing is lost.
  await page.getByLabel('taken off, Copper Eel').fill('00:01');
  await page.getByLabel('taken off, Copper Eel').press('Enter');
  await page.getByLabel('put on, Copper Eel').fill('12:00');
  await page.getByLabel('put on, Copper Eel').press('Enter');
  await expect(page.getByTestId('outing').getByRole('alert').first()).toContainText('Copper Eel');
  await page.reload();
  await expect(rods(page)).toHaveCount(2);
  await expect(page.getByLabel('takes, Slate Runner')).toHaveValue('2');
  expect(await findings(page)).toEqual([]);
});

test('what fouled is changed: the one thing is shown on the Bench, and taken there', async ({ own, page }) => {
  await inLog(page, own);
  await page.keyboard.press('n');
  await expect(page.getByText('Nothing in the water yet')).toBeVisible();
  await page.keyboard.press('w');
  await line(page).fill('Copper Eel, an hour, 1 take, tail wrapped the bend 3 times');
  await page.keyboard.press('Enter');
  const change = page.getByRole('complementary', { name: 'Change one thing' });
  await expect(change).toContainText('Shorten the tail');
  await expect(change).toContainText('fouled 3 times');
  await page.keyboard.press('Escape');
  await page.locator('body').press('t');
  await expect(page.getByTestId('preview')).toContainText('Shown: Shorten the tail');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('preview')).toBeHidden();
  // The Bench says in a line what the fly did, and leads back.
  await page.getByRole('link', { name: /^Fished \d+ h/ }).click();
  await settled(page);
  // What was lost in the season becomes a batch with its rows filled.
  await expect(change.getByRole('region', { name: 'What was lost' })).toContainText('Night Sexton');
  await page.locator('body').press('b');
  await expect(page.getByRole('heading', { level: 1, name: 'Batches' })).toBeVisible();
  await expect(page.getByText(/What was lost, to/).first()).toBeVisible();
});

test('an outing goes to the trash and comes back; it is saved as a file', async ({ own, page }) => {
  await inLog(page, own);
  const list = page.getByRole('list', { name: 'Outings' }).getByRole('button');
  expect(await savedBy(page, 'Save the outing as a file')).toMatch(/^2026-\d\d-\d\d-.*\.outing\.json$/);
  await page.locator('body').press('Shift+Delete');
  await expect(list).toHaveCount(29);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(list).toHaveCount(30);
});

test('the card for the water is saved and typed in by number; a table is looked at before it is kept', async ({
  own,
  page,
}) => {
  await inLog(page, own);
  expect(await savedBy(page, 'Print the card for the water')).toMatch(/-card\.pdf$/);
  expect(await savedBy(page, 'Save all outings as CSV')).toBe('outings.csv');
  expect(await savedBy(page, 'Save the season in words')).toBe('season.md');
  const before = await rods(page).count();
  await line(page).fill('1, 3 takes');
  await page.keyboard.press('Enter');
  await expect(rods(page)).toHaveCount(before);
  await expect(
    rods(page)
      .first()
      .getByLabel(/^takes,/),
  ).toHaveValue('3');
  await page.getByLabel('Outings from files').setInputFiles({
    name: 'old.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'date;from;to;beat;fly;takes;lost\n2025-10-01;10:00;12:00;Mill Run;Slate Runner;1;bed\n2025-10-02;10:00;12:00;Mill Run;Slate Runner;-1;\n2025-10-03;10:00;12:00;Mill Run;Old Friend;0;\n',
    ),
  });
  const dialog = page.getByRole('dialog', { name: 'Outings from files' });
  await expect(dialog.getByRole('list', { name: 'What did not read' })).toContainText('line 3, takes');
  await expect(dialog.getByRole('list', { name: 'What did not read' })).toContainText(
    '"Old Friend" is no fly of the box',
  );
  expect(await findings(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Keep 2' }).click();
  await expect(page.getByRole('list', { name: 'Outings' }).getByRole('button')).toHaveCount(32);
});

test('what is written while the server is away is kept here and sent once it answers; two devices that write one outing keep both', async ({
  own,
  page,
}) => {
  await inLog(page, own);
  const takes = rods(page)
    .first()
    .getByLabel(/^takes,/);
  const list = page.getByRole('list', { name: 'Outings' }).getByRole('button');
  await page.route('**/api/outings/*', (route) => route.abort());
  await takes.fill('7');
  await expect(page.getByText('The server does not answer')).toBeVisible();
  await expect(takes).toHaveValue('7');
  await page.unroute('**/api/outings/*');
  const sent = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok());
  await page.reload();
  await sent;
  await expect(
    rods(page)
      .first()
      .getByLabel(/^takes,/),
  ).toHaveValue('7');
  // Another device writes it from the revision it knows.
  const id = await page.evaluate(async () => {
    const all = (await (await fetch('/api/outings')).json()) as {
      id: string;
      revision: number;
      record: { date: string; note?: string };
    }[];
    const last = all.reduce((one, other) => (one.record.date > other.record.date ? one : other));
    await fetch(`/api/outings/${last.id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ record: { ...last.record, note: 'by the other' }, revision: last.revision }),
    });
    return last.id;
  });
  expect(id).not.toBe('');
  await rods(page)
    .first()
    .getByLabel(/^takes,/)
    .fill('8');
  await expect(page.getByText('both are kept, side by side')).toBeVisible();
  await expect(list).toHaveCount(31);
});

test('a run every other year is set by keyboard and stands on the season; a batch is planned for it, all of it goes into a calendar', async ({
  own,
  page,
}) => {
  await inLog(page, own);
  const comes = page.getByRole('region', { name: 'What comes' });
  await expect(comes).toContainText('Opening week');
  await page.keyboard.press('d');
  const dialog = page.getByRole('dialog', { name: 'Another date' });
  await dialog.getByLabel('Name').fill('Late run');
  await dialog.getByLabel('It begins').fill('2026-09-20');
  await dialog.getByLabel('It ends').fill('2026-09-10');
  await dialog.getByLabel('Comes again after, years').fill('2');
  await dialog.getByLabel('Flies ready before it, days').fill('14');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('it ends before it begins');
  expect(await findings(page)).toEqual([]);
  await dialog.getByLabel('It ends').fill('2026-10-20');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await expect(page.getByTestId('season')).toContainText('Late run');
  await page.getByLabel('what is counted by', { exact: true }).selectOption('run');
  await expect(page.getByTestId('worked')).toContainText('Late run');
  await page.getByLabel('along what the season is drawn').selectOption('temperature');
  await expect(page.getByTestId('season')).toContainText('water in °C');
  await comes.getByRole('button', { name: 'Plan a batch for it: Opening week' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Batches' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The batch in figures' })).toContainText(/3 Mar|Mar 3/);
  await page.goBack();
  await settled(page);
  expect(await savedBy(page, 'Save the dates for a calendar')).toBe('runs-and-trips.ics');
});

test('what came is told by the minute, with the size of what was landed; pictures are kept with the outing', async ({
  own,
  page,
}) => {
  await inLog(page, own);
  await page.locator('body').press('ArrowUp');
  await page.locator('body').press('e');
  const dialog = page.getByRole('dialog', { name: /^What came to/ });
  await dialog.getByLabel(/^leader, /).fill('2.7 m:0.25 mm:nylon');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'a take' }).click();
  await dialog.getByRole('button', { name: 'the fly lost' }).click();
  await dialog.getByLabel(/^how it was lost/).selectOption('wood');
  await dialog.getByRole('button', { name: 'Another fish' }).click();
  await dialog.getByLabel(/^length of fish 1/).fill('62 cm');
  await page.keyboard.press('Enter');
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(rods(page).first()).toContainText('2 told by the minute');
  await page
    .getByLabel('Pictures of the outing')
    .setInputFiles({ name: 'river.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(page.getByText('1 picture is kept with the outing.')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Picture 1 of the outing' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put it away' }).click();
  await expect(page.getByRole('button', { name: 'Picture 1 of the outing' })).toBeHidden();
  await expect(rods(page).first()).toContainText('2 told by the minute');
});

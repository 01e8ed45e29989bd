import type { Page } from '@playwright/test';
import { type Boathouse, expect, findings, savedBy, test, toBox } from './boathouse.ts';

/** The drill, once its first question stands. */
async function inDrill(page: Page, house: Boathouse): Promise<void> {
  await toBox(page, house);
  await page.keyboard.press('4');
  await expect(page.getByTestId('question')).toBeVisible();
}
const round = (page: Page) => page.getByTestId('round');
const said = (page: Page) => page.getByTestId('said');
const eye = (page: Page) => page.getByRole('region', { name: 'Your eye' });
const to = (page: Page, name: string) => page.getByRole('navigation', { name: 'Drills' }).getByRole('button', { name });

test('a round by keyboard: a tip is pulled without a figure, the truth lies over it, and what was answered is kept through a reload', async ({
  own,
  page,
}) => {
  await inDrill(page, own);
  await expect(eye(page)).toContainText('120 pulls');
  await expect(eye(page).getByText(/^1\.5 shank: −\d+ %, between/)).toBeAttached();
  await expect(page.getByTestId('question')).toContainText('Pull');
  expect(await page.getByTestId('pull').textContent()).not.toMatch(/\d mm/);
  for (let pull = 1; pull <= 3; pull++) {
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Enter');
    await expect(said(page)).toContainText(/\d+ % (short|long)|As it is asked/);
    await expect(round(page)).toContainText(`${String(pull)} answer`);
    // Answered is answered: another Enter is the next question.
    await page.keyboard.press('Space');
    await expect(page.getByTestId('drill')).toHaveAttribute('data-told', 'false');
  }
  await expect(eye(page)).toContainText('123 pulls');
  // A slip of the hand is taken back.
  await page.keyboard.press('z');
  await expect(eye(page)).toContainText('122 pulls');
  expect(await findings(page)).toEqual([]);
  await page.reload();
  await expect(eye(page)).toContainText('122 pulls');
  await expect(round(page)).toContainText('nothing yet');
});

test('a tip is pulled by the pointer and let go; what is only touched is not', async ({ own, page }) => {
  await inDrill(page, own);
  const tip = page.getByTestId('pull').getByRole('button', { name: /Pull the tip, or move it by the arrows/ });
  await tip.click();
  await expect(page.getByTestId('drill')).toHaveAttribute('data-told', 'false');
  const box = await tip.boundingBox();
  if (!box) throw new Error('no tip');
  await page.mouse.move(box.x + 22, box.y + 22);
  await page.mouse.down();
  await page.mouse.move(box.x - 30, box.y + 22, { steps: 4 });
  await page.mouse.up();
  await expect(said(page)).toContainText(/%|As it is asked/);
  await page.getByRole('button', { name: /^Next/ }).click();
  // The one length the first fly needs is asked alone.
  await page.getByRole('button', { name: /its one length by eye/ }).click();
  await expect(page.getByTestId('question')).toContainText('1 × shank');
  // The same with a real hook: what it measures is the answer.
  await page.getByLabel('what it measures at the vise').fill('21');
  await page.keyboard.press('Enter');
  await expect(said(page)).toContainText(/%|As it is asked/);
  // The caliper's stand-in lands there as well.
  await page.getByRole('button', { name: /^Next/ }).click();
  await page.keyboard.press('m');
  await page.getByLabel('what it measures at the vise').focus();
  await page.keyboard.press('F8');
  await expect(said(page)).toContainText(/%|As it is asked/);
  await expect(round(page)).toContainText('2 answers');
  // Pulls are told apart by what they were on as well.
  await page.getByLabel('what pulls are told apart by').selectOption('platform');
  await expect(eye(page).getByText(/^single: /)).toBeAttached();
});

test('left and right, order, ride, sink and amount by their keys; each wrong order says what it breaks', async ({
  own,
  page,
}) => {
  await inDrill(page, own);
  await to(page, 'Left and right').click();
  await expect(page.getByTestId('threshold').first()).toContainText('three times in four');
  await page.keyboard.press('ArrowLeft');
  await expect(said(page)).toContainText(/more on that side|longer|larger|fuller/);
  await expect(page.getByRole('region', { name: 'Good enough for' })).toContainText(/lean|halves/);
  expect(await findings(page)).toEqual([]);
  await to(page, 'Order').click();
  for (let i = 0; i < 3; i++) {
    await expect(page.getByRole('list', { name: 'What is tied in next' }).getByRole('button')).not.toHaveCount(0);
    await page.keyboard.press('1');
    await expect(said(page)).toContainText(/So it is|First:/);
    // The same key again leaves nothing.
    await page.keyboard.press('1');
    await page.keyboard.press('Space');
    await expect(said(page)).not.toContainText(/So it is|First:/);
  }
  await page.getByLabel('order of a whole fly').check();
  await expect(page.getByTestId('question')).toContainText('Put the parts of');
  const left = page.getByRole('group', { name: 'What is tied in next' }).getByRole('button');
  for (let count = await left.count(); count > 0; count--) {
    await page.keyboard.press('1');
    await expect(left).toHaveCount(count - 1);
  }
  await expect(said(page)).toContainText(/So it can be tied|moved mend/);
  await page.getByLabel('order of a whole fly').uncheck();
  await to(page, 'Ride').click();
  await page.keyboard.press('1');
  await expect(said(page)).toContainText(/So it is|It swims/);
  await to(page, 'Sink').click();
  await page.keyboard.press('2');
  await expect(said(page)).toContainText('falls');
  await to(page, 'Amount').click();
  await page.keyboard.press('2');
  await expect(said(page)).toContainText(/squeezed|there are/);
  await expect(page.getByRole('heading', { level: 1, name: 'Drill' })).toBeVisible();
});

test('the eye’s spread is taken over into the scatter of a fly, which goes by it, and undone', async ({
  own,
  page,
}) => {
  await inDrill(page, own);
  const box = page.getByRole('region', { name: 'Scatter of your hands' });
  await box.getByLabel('the fly it is lent to').selectOption({ label: 'Slate Runner' });
  await expect(box).toContainText('Balance takes 5.0 % for lengths');
  await expect(box).toContainText('Slate Runner');
  await page.locator('body').press('t');
  await expect(box).toContainText('It goes by your eye');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box).toContainText('Balance takes 5.0 % for lengths');
});

test('rounds go out as files, one is put in the trash and comes back; without the server an answer is kept here and sent later', async ({
  own,
  page,
}) => {
  await inDrill(page, own);
  expect(await savedBy(page, 'Save all rounds as files')).toMatch(/\.drill\.json$/);
  await page.route('**/api/drills**', (route) => route.abort());
  await page.keyboard.press('Enter');
  await expect(eye(page)).toContainText('121 pulls');
  await page.reload();
  await page.unroute('**/api/drills**');
  const sent = page.waitForResponse((response) => response.request().method() === 'POST' && response.ok());
  await page.reload();
  await sent;
  await expect(eye(page)).toContainText('121 pulls');
  await page.keyboard.press('Enter');
  await expect(eye(page)).toContainText('122 pulls');
  await page.keyboard.press('Shift+Delete');
  await expect(page.getByText('The round is in the trash.')).toBeVisible();
  await expect(eye(page)).toContainText('121 pulls');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(eye(page)).toContainText('122 pulls');
});

test('the first fly, from the bare hook to the whip finish at the vise, each step with its why', async ({
  own,
  page,
}) => {
  await inDrill(page, own);
  await page.keyboard.press('f');
  const step = page.getByTestId('vise-step');
  await expect(step).toBeVisible();
  const seen: string[] = [];
  for (let i = 0; i < 40; i++) {
    const words = (await step.count()) > 0 ? await step.textContent() : null;
    if (words === null) break;
    seen.push(words);
    const key = await step.getAttribute('data-step');
    await page.keyboard.press('Space');
    await expect(page.locator(`[data-testid="vise-step"][data-step="${key ?? ''}"]`)).toBeHidden();
  }
  const all = seen.join(' ');
  for (const words of ['Why: eyes', 'Hot drops and a flame', 'Why: the tail', 'Why: teeth cut wool', 'Right when'])
    expect(all).toContain(words);
  expect(seen.some((words) => /whip/i.test(words))).toBe(true);
  // It lies in the box now, once however often it is opened.
  await toBox(page, own);
  await expect(page.getByText('First Fly')).toHaveCount(1);
});

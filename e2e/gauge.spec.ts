import { readFileSync } from 'node:fs';
import { expect, test, toBox, typed } from './boathouse.ts';

test('a card is printed, its bar measured, and the next print corrected; all by keyboard', async ({ own, page }) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Slate Runner,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.keyboard.press('3');
  await expect(page.locator('main[data-done="true"]')).toBeVisible();
  await page.keyboard.press('g');
  const sheet = page.getByRole('img', { name: 'Page 1 of the gauge card' });
  await expect(sheet.locator('text', { hasText: 'single 6, 3X long' })).toBeVisible();
  await expect(page.getByTestId('gauge').locator('path[data-name="bar wing"]')).toHaveCount(7);
  await test.step('printed as it is drawn', async () => {
    const waiting = page.waitForEvent('download');
    await page.keyboard.press('p');
    const download = await waiting;
    expect(download.suggestedFilename()).toBe('slate-runner-gauge.pdf');
    const pdf = readFileSync(await download.path()).toString('latin1');
    expect(pdf.slice(0, 5)).toBe('%PDF-');
    expect(pdf).toContain('FontFile2');
  });
  await test.step('the bar came out short, so the next print is larger; the screen stays as it is', async () => {
    const before = await sheet.innerHTML();
    const bar = page.getByLabel('printed bar');
    await bar.focus();
    await typed(page, '30');
    await expect(page.getByRole('alert')).toContainText('further off than a printer is');
    await page.keyboard.press('Control+a');
    await typed(page, '49.5');
    await expect(page.getByText('next print × 1.010')).toBeVisible();
    await page.keyboard.press('Enter');
    const waiting = page.waitForEvent('download');
    await page.keyboard.press('s');
    const svg = readFileSync(await (await waiting).path(), 'utf8');
    expect(svg).toContain('width="210mm" height="297mm"');
    expect(svg).toContain('corrected × 1.010');
    expect(await sheet.innerHTML()).toBe(before);
  });
  await test.step('Letter, and back to the table', async () => {
    await page.getByLabel('paper').selectOption('letter');
    await expect(sheet.locator('svg')).toHaveAttribute('width', '215.9mm');
    await page.locator('body').press('g');
    await expect(page.getByRole('table', { name: 'The run' })).toBeVisible();
  });
});

test('the screen is brought to true size by a bank card, or by the caliper on a line', async ({ own, page }) => {
  await toBox(page, own);
  await page.getByRole('button', { name: /^Ferryman,/ }).click();
  await expect(page.getByLabel('Verdict')).toContainText('cm/s');
  await page.goto(`${page.url()}/sizes/gauge`);
  const sheet = page.getByRole('img', { name: 'Page 1 of the gauge card' });
  await expect(sheet).toBeVisible();
  await expect(page.getByText('This screen is not calibrated')).toBeVisible();
  await page.keyboard.press('c');
  await test.step('by card: the outline is as broad as one', async () => {
    await page.getByLabel('breadth of the outline').fill('5');
    const card = await page.getByTestId('card').boundingBox();
    expect(card?.width).toBeCloseTo(85.6 * 5, 0);
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect.poll(async () => (await sheet.boundingBox())?.width).toBeCloseTo(210 * 5, 0);
    await page.reload();
    await expect.poll(async () => (await sheet.boundingBox())?.width).toBeCloseTo(210 * 5, 0);
  });
  await test.step('by caliper: its stand-in measures the line', async () => {
    await page.locator('body').press('c');
    await page.locator('body').press('m');
    await page.getByLabel('the line measures').focus();
    await page.keyboard.press('F8');
    await page.getByRole('button', { name: 'Keep it' }).click();
    const width = (await sheet.boundingBox())?.width ?? 0;
    expect(Math.abs(width / 210 - 5)).toBeGreaterThan(0.0005);
    expect(Math.abs(width / 210 - 5)).toBeLessThan(0.1);
  });
});

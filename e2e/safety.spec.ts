import {
  Boathouse,
  example,
  expect,
  flyName,
  findings,
  openFly,
  results,
  row,
  saved,
  test,
  toBox,
  write,
} from './boathouse.ts';

test('what reckons breaks down: it is said, started again, and the figures are of the fly as it is', async ({
  house,
  page,
}) => {
  await openFly(page, house, example('slate-runner'));
  const verdict = page.getByLabel('Verdict');
  await expect(verdict).toContainText('cm/s');
  const dry = verdict.getByText(/weight dry/).locator('xpath=../..');
  const before = await dry.textContent();
  const [worker] = page.workers();
  await worker?.evaluate(() => {
    setTimeout(() => {
      throw new Error('out of memory');
    });
  });
  await expect(page.getByText('What reckons the figures broke down; it was started again.')).toBeVisible();
  await row(page, 'tail').click();
  await write(page, 'length', '60 mm');
  await expect(results(page)).toContainText('60');
  await expect(dry).not.toHaveText(before ?? '');
  await expect(verdict).toContainText('cm/s');
  await saved(page);
});

test('a browser that keeps nothing more costs what stands on the device, never the save', async ({ house, page }) => {
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  const id = await openFly(page, house, example('peat-lantern'));
  await row(page, 'tail').click();
  await write(page, 'length', '25 mm');
  await expect(page.getByText(/This browser keeps nothing more/)).toBeVisible();
  await saved(page);
  const { file } = (await (await page.request.get(`${house.url}/api/flies/${id}`)).json()) as {
    file: { parts: { id: string; length?: string }[] };
  };
  expect(file.parts.find((part) => part.id === 'tail')?.length).toBe('25 mm');
});

test('a fly put in the trash elsewhere: what was done waits, and brings it back', async ({ house, page }) => {
  const id = await openFly(page, house, example('peat-lantern'));
  await page.request.delete(`${house.url}/api/flies/${id}`);
  await row(page, 'tail').click();
  await write(page, 'length', '25 mm');
  const dialog = page.getByRole('dialog', { name: 'No longer in the box' });
  await dialog.getByRole('button', { name: /Take it out of the trash/ }).click();
  await saved(page);
  const flies = (await (await page.request.get(`${house.url}/api/flies`)).json()) as { id: string }[];
  expect(flies.map((each) => each.id)).toContain(id);
});

test('work left on this device for a fly that is gone is put in the box as a new one', async ({ empty, page }) => {
  await toBox(page, empty);
  const draft = { file: example('ferryman'), revision: 3, at: Date.now() - 100_000 };
  await page.evaluate((text) => {
    localStorage.setItem('jobbet.draft.gone-fly.other-tab', text);
  }, JSON.stringify(draft));
  await page.goto(`${empty.url}/settings`);
  const left = page.getByLabel('Left on this device');
  await expect(left).toContainText('Ferryman');
  await left.getByRole('button', { name: 'throw it away' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await left.getByRole('button', { name: 'put it in the box as a new fly' }).click();
  await expect(flyName(page)).toHaveText('Ferryman, from this device');
});

test('who reaches it from elsewhere signs in with the phrase, sees the devices and can leave', async ({ page }) => {
  const house = new Boathouse(['--seed'], { JOBBET_PHRASE: 'the river in september' });
  await house.start();
  await page.goto(house.url);
  const phrase = page.getByLabel('The phrase this Jobbet was started with');
  await expect(phrase).toBeFocused();
  expect(await findings(page)).toEqual([]);
  await phrase.fill('the river in october');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('That is not the phrase.');
  await phrase.fill('the river in september');
  await page.keyboard.press('Enter');
  await expect(page.getByText('13 of 13')).toBeVisible();
  await page.goto(`${house.url}/settings`);
  const devices = page.getByLabel('Devices');
  await expect(devices).toContainText('This one');
  await devices.getByRole('button', { name: 'Sign out' }).click();
  await expect(phrase).toBeVisible();
  await house.close();
});

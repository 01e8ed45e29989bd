import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFiumLibrary } from '@hyzyla/pdfium';
import { chromium } from '@playwright/test';
import { buildWhereNeeded, chromiumPath, installPackages, requireNode, root } from './lib.mjs';

requireNode();
installPackages();
buildWhereNeeded();

const out = join(root, 'docs/screenshots');
mkdirSync(out, { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'jobbet-screenshots-'));
const server = spawn(process.execPath, ['server/dist/main.mjs', '--seed'], {
  cwd: root,
  env: { ...process.env, PORT: '0', JOBBET_DATA: folder },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const url = await new Promise((resolve) => {
  server.stdout.on('data', (data) => {
    const found = /http:\/\/\S+/.exec(data.toString());
    if (found) resolve(found[0]);
  });
});
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

/** A page in one theme, on the box or on a fly with one part chosen, once its figures are in. */
async function open(colorScheme, fly, part) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme, reducedMotion: 'reduce' });
  await page.goto(url);
  await page.getByRole('listitem').first().waitFor();
  if (fly !== undefined) {
    await page.getByLabel('Find a fly').fill(fly);
    await page.getByRole('button', { name: new RegExp(`^${fly},`) }).click();
    await page.locator(`[data-part="${part}"]`).click();
    await page.getByLabel('Verdict').getByText('cm/s').first().waitFor();
  }
  await page.waitForTimeout(300);
  return page;
}

/** Pictures in a grid on one sheet. @param shots as base64 @param width px of one */
async function sheetOf(name, shots, width, across) {
  const sheet = await browser.newPage({ viewport: { width: width * across, height: 100 } });
  await sheet.setContent(
    `<body style="margin:0;display:grid;grid-template-columns:repeat(${across},${width}px)">${shots.map((shot) => `<img style="width:${width}px" src="data:image/png;base64,${shot}">`).join('')}</body>`,
  );
  await sheet.locator('body').screenshot({ path: join(out, name) });
  await sheet.close();
}

const shotOf = async (page, options = {}) => (await page.screenshot(options)).toString('base64');

/** The run of one fly. */
async function sizes() {
  const page = await open('light', 'Slate Runner', 'eyes');
  await page.getByRole('link', { name: /Sizes/ }).click();
  await page.locator('main[data-done="true"]').waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(out, 'sizes.png') });
}

/** A batch half done. */
async function batches() {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await page.goto(`${url}/batches`);
  await page.getByRole('table', { name: 'Cut list' }).waitFor();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, 'batches.png') });
}

/** The gauge card of one fly. */
async function gauge() {
  const page = await open('light', 'Slate Runner', 'eyes');
  await page.goto(`${page.url()}/sizes/gauge`);
  await page.locator('main[data-done="true"]').waitFor();
  await page.getByTestId('gauge').locator('path[data-name="bar wing"]').nth(6).waitFor({ state: 'attached' });
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(out, 'gauge.png') });
}

/** The balance of one fly, in a side current. */
async function balance(colorScheme) {
  const page = await open(colorScheme, 'Rowan Ember', 'tail');
  await page.getByRole('link', { name: /Balance/ }).click();
  await page.getByTestId('pulled').getByText('From rest').waitFor();
  await page.getByLabel('side current', { exact: true }).fill('120');
  await page.waitForTimeout(300);
  return page;
}

/** Finished flies against their plan. */
async function inspect() {
  const page = await open('light', 'Copper Eel', 'tail');
  await page.keyboard.press('6');
  await page.getByRole('group', { name: 'The run' }).waitFor();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
  await page.getByTestId('photo').waitFor();
  await page.keyboard.press('v');
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(out, 'inspect.png') });
}

/** How a fly comes out of a tier's hands. */
async function hands() {
  const page = await open('light', 'Tin Sculpin', 'eyes');
  await page.getByRole('link', { name: /Balance/ }).click();
  await page.getByTestId('keel-moment').waitFor();
  await page.keyboard.press('s');
  await page.getByTestId('hands-spread').getByText('nine of ten sink').waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(out, 'hands.png') });
}

/** Two flies as a fish has them. */
async function seen() {
  const page = await open('light', 'Slate Runner', 'wing');
  await page.goto(`${page.url()}/balance/seen`);
  await page.getByLabel('colour of the water').selectOption('peat');
  await page.getByLabel('distance', { exact: true }).fill('0.3');
  await page.getByLabel('a second fly').selectOption({ label: 'Rowan Ember' });
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(out, 'seen.png') });
}

/** The tying sheet of one fly, and a step of it at the vise. */
async function tying() {
  const page = await open('light', 'Slate Runner', 'wing');
  await page.getByRole('link', { name: /Sheet/ }).click();
  await page.locator('[data-step="eye"]').waitFor({ state: 'attached' });
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(out, 'sheet.png') });
  await page.keyboard.press('g');
  await page.getByTestId('vise-step').waitFor();
  for (let i = 0; i < 9; i++) await page.keyboard.press('Space');
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(out, 'vise.png') });
}

/** A fly in the water it is fished in. */
async function water() {
  const page = await open('light', 'Slate Runner', 'tail');
  await page.keyboard.press('5');
  await page.locator('[data-testid=water][data-settled=true]').waitFor();
  await page.getByLabel('beat', { exact: true }).selectOption({ label: 'Long Glide' });
  await page.getByLabel('manner').selectOption('swing');
  await page.locator('[data-testid=water][data-settled=true]').waitFor();
  await page.keyboard.press('b');
  await page.getByRole('region', { name: 'The box here' }).getByRole('listitem').first().waitFor();
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, 'water.png') });
}

/** The sheet as it is printed: its PDF, drawn by a program that knows nothing of what wrote it. */
async function printed() {
  const flies = await (await fetch(`${url}/api/flies`)).json();
  const { id } = flies.find((fly) => fly.name === 'Slate Runner');
  const { file } = await (await fetch(`${url}/api/flies/${id}`)).json();
  const pdf = await fetch(`${url}/api/sheet.pdf`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ file }),
  });
  const library = await PDFiumLibrary.init();
  const document = await library.loadDocument(Buffer.from(await pdf.arrayBuffer()));
  const { width, height, data } = await document.getPage(0).render({ scale: 1.5, render: 'bitmap' });
  document.destroy();
  library.destroy();
  const page = await browser.newPage({ viewport: { width, height } });
  await page.setContent(`<body style="margin:0"><canvas width="${width}" height="${height}" style="display:block">`);
  await page.evaluate(
    ({ bytes, w, h }) => {
      const pixels = Uint8ClampedArray.from(atob(bytes), (each) => each.charCodeAt(0));
      globalThis.document
        .querySelector('canvas')
        .getContext('2d')
        .putImageData(new ImageData(pixels, w, h), 0, 0);
    },
    { bytes: Buffer.from(data).toString('base64'), w: width, h: height },
  );
  await page.screenshot({ path: join(out, 'sheet-page.png') });
}

/** What the season tells, and an outing. */
async function log() {
  const page = await open('light');
  await page.keyboard.press('3');
  await page.locator('[data-testid=log][data-settled=true]').waitFor();
  await page.getByRole('list', { name: 'Outings' }).getByRole('button').nth(18).click();
  await page.locator('[data-testid=change][data-settled=true]').waitFor();
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(out, 'log.png') });
}

/** A pull that was let go a little short, and what the eye does. */
async function drill() {
  const page = await open('light');
  // The same question each time, so that it can be answered twice to learn how far a key goes.
  await page.addInitScript(() => {
    Math.random = () => 0.4;
  });
  await page.goto(`${url}/drill`);
  await page.getByTestId('question').waitFor();
  const answered = async (presses) => {
    for (let i = 0; i < Math.abs(presses); i++) await page.keyboard.press(presses > 0 ? 'ArrowRight' : 'ArrowLeft');
    await page.keyboard.press('Enter');
    await page.getByTestId('said').waitFor();
    const off = /([\d.]+) % (short|long)/.exec(await page.getByTestId('said').textContent());
    return off ? (off[2] === 'short' ? -1 : 1) * Number(off[1]) : 0;
  };
  const first = await answered(0);
  await page.keyboard.press('z');
  const step = (first - (await answered(4))) / 4;
  await page.keyboard.press('z');
  // What was pulled stays pulled where the question is the same.
  await answered(Math.round((first + 8) / step) - 4);
  await page.getByRole('button', { name: 'Dismiss' }).click();
  await page.waitForTimeout(2500);
  await page.screenshot({ path: join(out, 'drill.png') });
}

/** The four drawers on one sheet. */
async function drawers() {
  const page = await browser.newPage({ viewport: { width: 1280, height: 660 }, colorScheme: 'light' });
  const shots = [];
  for (const drawer of ['hooks', 'weights', 'materials', 'threads']) {
    await page.goto(`${url}/drawers/${drawer}`);
    await page.getByRole('grid').waitFor();
    await page.getByRole('gridcell').first().click();
    await page.waitForTimeout(300);
    shots.push(await shotOf(page));
  }
  await sheetOf('drawers.png', shots, 900, 2);
}

/** A fly on each platform: the drawings alone on one sheet. */
async function platforms() {
  const shots = [];
  for (const [fly, part] of [
    ['Sedge Warden', 'tail'],
    ['Ferryman', 'wing'],
    ['Cinder Sprat', 'body'],
    ['Bell Weir', 'wing'],
    ["Otter's Lamp", 'tail'],
    ['Moss Anvil', 'tail'],
  ]) {
    const page = await open('light', fly, part);
    const board = page.locator('main > div').nth(1);
    shots.push(await shotOf(page, { clip: await board.boundingBox() }));
    await page.close();
  }
  await sheetOf('platforms.png', shots, 620, 3);
}

try {
  await (await open('light')).screenshot({ path: join(out, 'box.png') });
  await (await open('light', 'Slate Runner', 'wing')).screenshot({ path: join(out, 'bench.png') });
  await (await open('light', 'Rowan Ember', 'tail')).screenshot({ path: join(out, 'checks.png') });
  await sizes();
  await gauge();
  await (await balance('light')).screenshot({ path: join(out, 'balance.png') });
  await sheetOf(
    'dark.png',
    [await shotOf(await open('dark', 'Copper Eel', 'collar')), await shotOf(await balance('dark'))],
    1000,
    1,
  );
  await inspect();
  await hands();
  await tying();
  await water();
  await log();
  await drill();
  await printed();
  await seen();
  await platforms();
  await drawers();
  await batches();
  process.stdout.write(`Nineteen pictures in ${out}\n`);
} finally {
  await browser.close();
  server.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
}

import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { chromium, type Page } from '@playwright/test';
import { twelvePartFly } from './fly.ts';
import { spread, tell } from './times.ts';

const ROOT = join(import.meta.dirname, '../..');
const KEY_ALLOWED_MS = 50;
const FRAME_ALLOWED_MS = 1000 / 60;
const RUNS = 60;

interface Marks {
  input: number;
  /** When the frame began in which the app last did something. */
  frame: number;
  painted: number;
}

/** Notes when input came and when the drawing was last painted for it. */
async function instrument(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const marks: Marks = { input: 0, frame: 0, painted: 0 };
    (window as unknown as { marks: Marks }).marks = marks;
    for (const type of ['keydown', 'pointermove'])
      window.addEventListener(
        type,
        (event) => {
          marks.input = event.timeStamp;
        },
        { capture: true },
      );
    const request = window.requestAnimationFrame.bind(window);
    window.requestAnimationFrame = (callback) =>
      request((time) => {
        const before = marks.painted;
        const began = performance.now();
        callback(time);
        queueMicrotask(() => {
          if (marks.painted > before) marks.frame = began;
        });
      });
    const context = CanvasRenderingContext2D.prototype as unknown as Record<string, (...given: unknown[]) => void>;
    // What rests is filled, what moves is stroked.
    for (const put of ['fill', 'stroke']) {
      const paint = context[put];
      context[put] = function (...given) {
        paint?.apply(this, given);
        marks.painted = performance.now();
      };
    }
  });
}

/** From the last input, or from the beginning of its frame, to the last stroke of paint it brought about; ms, once the next frame has come. */
const delay = (page: Page, since: 'input' | 'frame'): Promise<number | null> =>
  page.evaluate(async (from) => {
    for (let frames = 0; frames < 2; frames++) await new Promise((resolve) => requestAnimationFrame(resolve));
    const { marks } = window as unknown as { marks: Marks };
    return marks.painted > marks.input ? marks.painted - marks[from] : null;
  }, since);

async function measure(page: Page, since: 'input' | 'frame', input: (i: number) => Promise<void>): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < RUNS + 10; i++) {
    await input(i);
    const time = await delay(page, since);
    if (i >= 10 && time !== null) times.push(time);
  }
  return times;
}

async function benches(page: Page, url: string): Promise<void> {
  const made = await page.request.post(`${url}/api/flies`, { data: { file: twelvePartFly } });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${url}/fly/${id}`);
  await page.locator('[data-part="tail"]').click();
  const length = page.getByTestId('sentence').getByLabel('length', { exact: true });
  await length.focus();
  const keyed = await measure(page, 'input', (i) => page.keyboard.press(i % 2 === 0 ? 'ArrowUp' : 'ArrowDown'));
  tell('key in a length field to redrawn profile', keyed, KEY_ALLOWED_MS);
  const tip = await page.getByRole('slider', { name: 'tail tip' }).boundingBox();
  if (!tip) throw new Error('no tip to pull');
  const [x, y] = [tip.x + tip.width / 2, tip.y + tip.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const pull = (i: number): Promise<void> => page.mouse.move(x + 20 + (i % 12) * 4, y);
  tell('pulling a tip: work in one frame', await measure(page, 'frame', pull), FRAME_ALLOWED_MS);
  tell('  pointer to redrawn profile, the wait for the frame in it', await measure(page, 'input', pull), null);
  await page.mouse.up();
}

/** The fly with its soft parts tied in again, so many parts in all. */
function manyParts(count: number): typeof twelvePartFly {
  const soft = twelvePartFly.parts.filter((part) => ['bundle', 'hackle'].includes(part.construction));
  const more = Array.from({ length: count - twelvePartFly.parts.length }, (_, i) => {
    const part = soft[i % soft.length];
    if (!part) throw new Error('the fly has nothing soft on it');
    return { ...part, id: `${part.id}-${String(i)}` };
  });
  return { ...twelvePartFly, name: `${String(count)} parts`, parts: [...twelvePartFly.parts, ...more] };
}

/** Time from frame to frame while the pointer moves in each of them, ms. */
const frames = (page: Page, x: number, y: number): Promise<number[]> =>
  page.evaluate(
    async ([fromX, atY]) => {
      const times: number[] = [];
      let last = performance.now();
      for (let i = 0; i < 200; i++) {
        const clientX = (fromX ?? 0) + 20 + 24 * Math.sin(i / 9);
        window.dispatchEvent(new PointerEvent('pointermove', { clientX, clientY: atY ?? 0, ctrlKey: true }));
        const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
        if (i >= 20) times.push(now - last);
        last = now;
      }
      return times;
    },
    [x, y],
  );

/** @param slower how many times slower the processor is made */
async function pullsMany(page: Page, url: string, parts: number, slower: number): Promise<void> {
  const made = await page.request.post(`${url}/api/flies`, { data: { file: manyParts(parts) } });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${url}/fly/${id}`);
  await page.locator('[data-part="tail"]').click();
  const tip = await page.getByRole('slider', { name: 'tail tip', exact: true }).boundingBox();
  if (!tip) throw new Error('no tip to pull');
  const [x, y] = [tip.x + tip.width / 2, tip.y + tip.height / 2];
  await page.mouse.move(x, y);
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  await page.mouse.down();
  const times = await frames(page, x, y);
  await page.mouse.up();
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const { median, p95 } = spread(times);
  console.log(
    `pulling a tip of ${String(parts)} parts${slower > 1 ? `, ${String(slower)} times slower` : ''}: frame to frame   median ${median.toFixed(1)} ms of 17 allowed   95 % ${p95.toFixed(1)} ms of 34 allowed`,
  );
}

async function boxOf500(page: Page, url: string): Promise<void> {
  for (let i = 0; i < 500; i++)
    await page.request.post(`${url}/api/flies`, { data: { file: { ...twelvePartFly, name: `Fly ${String(i)}` } } });
  const start = performance.now();
  await page.goto(url);
  await page.getByText('504 of 504').waitFor();
  console.log(`a box of 504 flies, from nothing to listed        ${(performance.now() - start).toFixed(0)} ms`);
  const find = page.getByLabel('Find a fly');
  await find.focus();
  const typed: number[] = [];
  for (let i = 0; i < 20; i++) {
    const before = performance.now();
    await find.fill(`fly ${String(100 + i)}`);
    await page.getByText('1 of 504').waitFor();
    typed.push(performance.now() - before);
    await find.fill('');
    await page.getByText('504 of 504').waitFor();
  }
  tell('  a word typed to the found fly', typed, null);
}

const folder = mkdtempSync(join(tmpdir(), 'jobbet-bench-'));
const server = spawn(process.execPath, ['server/dist/main.mjs'], {
  cwd: ROOT,
  env: { ...process.env, PORT: '0', JOBBET_DATA: folder },
});
const url = await new Promise<string>((resolve) => {
  server.stdout.on('data', (data: Buffer) => {
    const found = /http:\/\/\S+/.exec(data.toString());
    if (found) resolve(found[0]);
  });
});
const browser = await chromium.launch({
  executablePath:
    process.env['CHROMIUM_PATH'] ?? ['/usr/bin/chromium-headless-shell'].find(existsSync) ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await instrument(page);
  console.log(`browser, 12 parts, 1280 by 800, Chromium ${browser.version()} painting in software`);
  await benches(page, url);
  for (const [parts, slower] of [
    [20, 1],
    [30, 1],
    [30, 4],
  ] as const)
    await pullsMany(page, url, parts, slower);
  await boxOf500(page, url);
} finally {
  await browser.close();
  server.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
}

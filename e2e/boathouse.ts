import AxeBuilder from '@axe-core/playwright';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type Browser, type BrowserContext, type Page } from '@playwright/test';

export { expect };
export const ROOT = join(import.meta.dirname, '..');
const VIEWPORT = { width: 1280, height: 800 };

/** A server of its own on data of its own; it can be stopped and started again on the same port. */
export class Boathouse {
  readonly folder = mkdtempSync(join(tmpdir(), 'jobbet-e2e-'));
  url = '';
  private process: ChildProcess | undefined;
  private readonly args: readonly string[];
  private readonly env: Readonly<Record<string, string>>;

  constructor(args: readonly string[] = [], env: Readonly<Record<string, string>> = {}) {
    this.args = args;
    this.env = env;
  }

  async start(): Promise<void> {
    const port = this.url === '' ? '0' : new URL(this.url).port;
    const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs'), ...this.args], {
      env: { ...process.env, PORT: port, JOBBET_DATA: this.folder, HOST: '127.0.0.1', ...this.env },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process = child;
    this.url = await new Promise((resolve, reject) => {
      child.stdout.on('data', (data: Buffer) => {
        const found = /http:\/\/\S+/.exec(data.toString());
        if (found) resolve(found[0]);
      });
      child.on('exit', (code) => {
        reject(new Error(`the server ended with ${String(code)}`));
      });
    });
  }

  get isUp(): boolean {
    return this.process?.exitCode === null;
  }

  async stop(): Promise<void> {
    const child = this.process;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    await ended;
  }

  async close(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

const BINARY = { 'content-type': 'application/octet-stream' };

/** What a house may be: as it is begun, or with all of the boathouse's. */
type State = 'empty' | 'full';
const backupFile = (state: State): string => join(ROOT, `test-results/houses/${state}.backup`);

/** Everything of a house in one file. */
async function backupOf({ url }: Boathouse): Promise<Buffer> {
  const { id } = (await (await fetch(`${url}/api/backup`, { method: 'POST' })).json()) as { id: string };
  return Buffer.from(await (await fetch(`${url}/api/backup/${id}`)).arrayBuffer());
}

/** Before all stories: what each of the states is, as a backup, so that no worker fills a house anew. */
export default async function keepStates(): Promise<void> {
  mkdirSync(join(ROOT, 'test-results/houses'), { recursive: true });
  const houses = { empty: new Boathouse(), full: new Boathouse(['--seed']) };
  for (const state of ['empty', 'full'] as const) {
    await houses[state].start();
    writeFileSync(backupFile(state), await backupOf(houses[state]));
    await houses[state].close();
  }
}

/** One server that is put back to what it was between the stories, which is quicker than a start for each. */
class SharedHouse {
  readonly house = new Boathouse();
  /** What it is as long as no story has changed it: a state, or one with flies that stories laid in; null once it may be anything. */
  private is: State | 'flies' | null = null;

  private isLent = false;
  /** Lends it to a story for as long as that lasts. @throws Error where the story has it already, as something else */
  async lend(house: () => Promise<Boathouse>, use: (house: Boathouse) => Promise<void>): Promise<void> {
    if (this.isLent) throw new Error('a story has one house: name one of own, demo, house and empty');
    this.isLent = true;
    try {
      await use(await house());
    } finally {
      this.isLent = false;
    }
  }

  /** With nominal drawers and flies that stories have laid in. */
  async room(): Promise<Boathouse> {
    if (this.is !== 'flies') await this.reset('empty');
    this.is = 'flies';
    return this.house;
  }

  /** With the boathouse's, to look at. */
  async full(): Promise<Boathouse> {
    if (this.is !== 'full') await this.reset('full');
    this.is = 'full';
    return this.house;
  }

  async reset(to: State): Promise<Boathouse> {
    const { house } = this;
    this.is = null;
    if (!house.isUp) await house.start();
    const response = await fetch(`${house.url}/api/backup/restore`, {
      method: 'POST',
      headers: BINARY,
      body: new Uint8Array(readFileSync(backupFile(to))),
    });
    if (!response.ok) throw new Error(await response.text());
    return house;
  }
}

/**
 * The windows of all stories of a worker. They lie in one process, which has read the app once: a story of its own process would read it anew.
 * What a story left in the browser is gone before the next.
 */
class SharedWindows {
  private readonly context: BrowserContext;
  /** Keeps the process of the app when no story has a window open. */
  private readonly anchor: Page;

  private constructor(context: BrowserContext, anchor: Page) {
    this.context = context;
    this.anchor = anchor;
  }

  static async open(browser: Browser, { url }: Boathouse): Promise<SharedWindows> {
    const context = await browser.newContext({ viewport: VIEWPORT });
    const anchor = await context.newPage();
    await anchor.goto(`${url}/icon.svg`);
    return new SharedWindows(context, anchor);
  }

  async lend(use: (context: BrowserContext) => Promise<void>): Promise<void> {
    await use(this.context);
    await this.clear();
  }

  private async clear(): Promise<void> {
    const { context, anchor } = this;
    const left = context.pages().filter((page) => page !== anchor);
    await Promise.all(left.map((page) => page.close()));
    await Promise.all([context.clearCookies(), context.clearPermissions(), context.setOffline(false)]);
    // What it keeps of the app's own is the same for each window of the process.
    await anchor.evaluate(() => localStorage.clear());
  }

  async close(): Promise<void> {
    await this.context.close();
  }
}

interface Own {
  /** A server with the flies and drawers of the boathouse, to change at will. */
  readonly own: Boathouse;
  /** A server with nominal drawers, for stories of the flies they lay in themselves; those of others may lie in the box, and nothing else is changed. */
  readonly house: Boathouse;
  /** A server with an empty box. */
  readonly empty: Boathouse;
  /** A server with the flies of the boathouse, of which the story changes none. */
  readonly demo: Boathouse;
}
interface Shared {
  readonly shared: SharedHouse;
  readonly windows: SharedWindows;
}

export const test = base.extend<Own, Shared>({
  /** A page that says at the end what went wrong in it unseen. */
  page: async ({ page }, use) => {
    const wrong: string[] = [];
    page.on('pageerror', (error) => wrong.push(String(error)));
    page.on('console', (message) => {
      // That a server is away or refuses is part of stories, and told by the browser itself.
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
        wrong.push(message.text());
    });
    await use(page);
    expect(wrong).toEqual([]);
  },
  /** A window of a kind of its own has a context of its own. */
  context: async ({ browser, windows, hasTouch, viewport }, use) => {
    if (!hasTouch) return windows.lend(use);
    const own = await browser.newContext({ hasTouch, viewport });
    await use(own);
    await own.close();
  },
  house: async ({ shared }, use) => {
    await shared.lend(() => shared.room(), use);
  },
  empty: async ({ shared }, use) => {
    await shared.lend(() => shared.reset('empty'), use);
  },
  own: async ({ shared }, use) => {
    await shared.lend(() => shared.reset('full'), use);
  },
  demo: async ({ shared }, use) => {
    await shared.lend(() => shared.full(), use);
  },
  shared: [
    async ({}, use) => {
      const shared = new SharedHouse();
      await shared.house.start();
      await use(shared);
      await shared.house.close();
    },
    { scope: 'worker' },
  ],
  windows: [
    async ({ browser, shared }, use) => {
      const windows = await SharedWindows.open(browser, shared.house);
      await use(windows);
      await windows.close();
    },
    { scope: 'worker' },
  ],
});

/** An example of the boathouse as it stands in the file. */
export const example = (name: string): Record<string, unknown> & { name: string; parts: Record<string, unknown>[] } =>
  JSON.parse(readFileSync(join(ROOT, `examples/${name}.fly.json`), 'utf8')) as ReturnType<typeof example>;

/** Puts a fly in the box over the API and opens it. @returns its id */
export async function openFly(page: Page, house: Boathouse, file: unknown): Promise<string> {
  const made = await page.request.post(`${house.url}/api/flies`, { data: { file } });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  await page.goto(`${house.url}/fly/${id}`);
  await saved(page);
  return id;
}

/** Opens the box, and waits for what a person would see before pressing a key. */
export async function toBox(page: Page, { url }: Pick<Boathouse, 'url'>): Promise<void> {
  await page.goto(url);
  await expect(page.getByRole('heading', { level: 1, name: 'Box' })).toBeVisible();
}

export const saved = (page: Page): Promise<void> => expect(page.getByTestId('save')).toHaveText('saved');

/** A blank of the sentence by its label. */
export const blank = (page: Page, label: string) => page.getByTestId('sentence').getByLabel(label, { exact: true });

export async function write(page: Page, label: string, text: string): Promise<void> {
  // What is not its relation stands behind a word.
  await expect(page.getByTestId('sentence')).toBeVisible();
  if ((await blank(page, label).count()) === 0) await page.getByRole('button', { name: /^more/ }).click();
  await blank(page, label).fill(text);
}

export const row = (page: Page, id: string) => page.locator(`[data-part="${id}"]`);
export const results = (page: Page) => page.getByTestId('results');
export const ride = (page: Page) => page.getByTestId('ride');

/** Takes hold of the middle of something and moves it so many px, without letting go. */
export async function holdAndMove(page: Page, from: ReturnType<Page['locator']>, dx: number, dy = 0): Promise<void> {
  const box = await from.boundingBox();
  if (!box) throw new Error('nothing to take hold of');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(x + (dx * i) / 8, y + (dy * i) / 8);
}

/** Drags the middle of something by so many px. */
export async function drag(page: Page, from: ReturnType<Page['locator']>, dx: number, dy = 0): Promise<void> {
  await holdAndMove(page, from, dx, dy);
  await page.mouse.up();
}

/** Types once something is there to be typed in: a dialog takes a moment to open and take the keyboard. */
export async function typed(page: Page, text: string): Promise<void> {
  await page.waitForFunction(() => document.activeElement?.matches('input, textarea') === true);
  await page.keyboard.type(text);
}

/** Serious and critical findings of axe, with the places. The legacy mode looks at the page alone, which has no frames, in half the time. */
export async function findings(page: Page): Promise<string[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations } = await axe.analyze();
  return violations
    .filter((each) => each.impact === 'serious' || each.impact === 'critical')
    .flatMap((each) => each.nodes.map((node) => `${each.id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`));
}

/** The name of the fly in the bar, which opens what can be done with it. */
export const flyName = (page: Page) => page.getByRole('heading', { level: 1 });

/** Does something by its name among the commands. */
export async function command(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await typed(page, name);
  await page.getByRole('option', { name: new RegExp(`^${name}( |$)`) }).click();
}

/** What is saved by a command, by the name of its file. */
export async function savedBy(page: Page, name: string): Promise<string> {
  const download = page.waitForEvent('download');
  await command(page, name);
  return (await download).suggestedFilename();
}

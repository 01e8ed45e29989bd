import { existsSync } from 'node:fs';
import { createClient } from '@libsql/client';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { Target } from '../attack/server.ts';
import { tell } from './times.ts';

const FLIES = 5000;
const ITEMS = 5000;
/** What is asked while someone else sends the worst fly there may be, ms at the 99th percentile. */
const BESIDE_MS = 50;
const EDIT_MS = 100;
const BOX_MS = 1500;

const p99 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.99)] ?? 0;

async function timed<T>(work: () => Promise<T>): Promise<[ms: number, answer: T]> {
  const begun = performance.now();
  const answer = await work();
  return [performance.now() - begun, answer];
}

const send = async <T>(url: string, method: string, body?: unknown): Promise<T> => {
  const response = await fetch(url, {
    method,
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });
  return (await response.json()) as T;
};

/** As many parts as a file may have, each wound over all others. */
const worst = {
  format: 'jobbet.fly',
  version: 1,
  name: 'Worst',
  platform: { kind: 'single', size: '6' },
  thread: { denier: 140 },
  parts: Array.from({ length: 60 }, (_, i) => ({
    id: `part${String(i)}`,
    role: i % 2 === 0 ? 'body' : 'hackle',
    ...(i % 2 === 0
      ? { construction: 'wrap', material: 'chenille', diameter: `${String(1 + i * 0.1)} mm` }
      : { construction: 'hackle', material: 'saddle hackle', fibre: '1 gap', turns: 60 }),
    from: 'bend',
    to: 'station 1',
  })),
};

interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly file: object;
}

/** How long others wait while one client sends the worst fly over and over. */
async function beside(target: Target): Promise<void> {
  const [first] = await send<{ id: string }[]>(`${target.url}/api/flies`, 'GET');
  const url = `${target.url}/api/flies/${first?.id ?? ''}`;
  let fly = await send<Stored>(url, 'GET');
  const ended = new AbortController();
  const attacker = (async () => {
    while (!ended.signal.aborted) await send(`${target.url}/api/solve`, 'POST', worst).catch(() => undefined);
  })();
  const times: Record<'health' | 'list' | 'save', number[]> = { health: [], list: [], save: [] };
  for (let i = 0; i < 200; i++) {
    times.health.push((await timed(() => send(`${target.url}/api/health`, 'GET')))[0]);
    times.list.push((await timed(() => send(`${target.url}/api/flies`, 'GET')))[0]);
    const [ms, next] = await timed(() =>
      send<Stored>(url, 'PUT', { file: fly.file, revision: fly.revision, kind: 'auto' }),
    );
    fly = next;
    times.save.push(ms);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  ended.abort();
  await attacker;
  for (const [what, all] of Object.entries(times)) {
    const ms = p99(all);
    console.log(
      `${`${what} while the worst fly is sent`.padEnd(60)} 99 % ${ms.toFixed(1)} ms   ${(ms / BESIDE_MS).toFixed(2)} of the ${String(BESIDE_MS)} ms allowed`,
    );
  }
}

/** Fills a folder that no server has open with many flies and items, copies of those that are there. */
export async function fill(folder: string): Promise<void> {
  const client = createClient({ url: `file:${join(folder, 'jobbet.sqlite')}` });
  const series = 'with recursive n(i) as (select 1 union all select i + 1 from n where i < 1000)';
  const named = "name || ' ' || i";
  await client.execute(
    `${series} insert into flies (id, name, revision, file, summary, listed, created_at, updated_at)
     select id || '-' || i, ${named}, 1, json_set(file, '$.name', ${named}), summary, listed, created_at, updated_at
     from n, (select * from flies limit 13) limit ${String(FLIES - 13)}`,
  );
  await client.execute(
    `${series} insert into drawer_items (id, drawer, kind, name, item, revision, updated_at)
     select id || '-' || i, drawer, kind, ${named}, json_set(item, '$.name', ${named}), 1, updated_at
     from n, (select * from drawer_items where drawer in ('materials', 'hooks', 'weights') limit 100)
     limit ${String(ITEMS)}`,
  );
  client.close();
}

async function large(target: Target): Promise<void> {
  const list: number[] = [];
  let bytes = 0;
  for (let i = 0; i < 10; i++) {
    const [ms, size] = await timed(async () => (await (await fetch(`${target.url}/api/flies`)).text()).length);
    list.push(ms);
    bytes = size;
  }
  tell(`the list of ${String(FLIES)} flies, ${(bytes / 1e6).toFixed(1)} MB`, list, null);
  const items = await send<{ id: string; drawer: string; revision: number; item: object }[]>(
    `${target.url}/api/drawers`,
    'GET',
  );
  const packets = items.filter((each) => each.drawer === 'hooks').slice(-20);
  const edits: number[] = [];
  for (const each of packets)
    edits.push(
      (
        await timed(() =>
          send(`${target.url}/api/drawers/${each.id}`, 'PUT', {
            item: { ...each.item, count: 3 },
            revision: each.revision,
          }),
        )
      )[0],
    );
  tell(`an item changed, in drawers of ${String(items.length)}`, edits, EDIT_MS);
}

/** From nothing to a box in which flies are drawn and one is found, in a browser. */
async function inBrowser({ url }: Target): Promise<void> {
  const browser = await chromium.launch({
    executablePath:
      process.env['CHROMIUM_PATH'] ?? ['/usr/bin/chromium-headless-shell'].find(existsSync) ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const opened: number[] = [];
    const found: number[] = [];
    for (let i = 0; i < 5; i++) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      const begun = performance.now();
      await page.goto(url);
      await page.getByText(`${String(FLIES)} of ${String(FLIES)}`).waitFor();
      await page.locator('canvas').first().waitFor();
      opened.push(performance.now() - begun);
      const typing = performance.now();
      await page.getByLabel('Find a fly').fill('slate runner 77');
      await page
        .getByText(/^\d+ of 5000$/)
        .filter({ hasNotText: '5000 of' })
        .waitFor();
      found.push(performance.now() - typing);
      await page.close();
    }
    tell(`a box of ${String(FLIES)} flies, from nothing to drawn`, opened, BOX_MS);
    tell('  a word typed to the found flies', found, null);
  } finally {
    await browser.close();
  }
}

if (process.argv[1] === import.meta.filename) {
  const target = new Target();
  try {
    await target.start();
    await beside(target);
    await target.stop();
    await fill(target.folder);
    await target.start();
    await large(target);
    await inBrowser(target);
  } finally {
    await target.close();
  }
}

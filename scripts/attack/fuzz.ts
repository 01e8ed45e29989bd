import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chance, type Target } from './server.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
/** An answer that takes longer hangs, ms; how quick they are is measured by the bench. */
const SLOW_MS = 15_000;
/** The memory of the second half may grow by so much, MB. */
const GROWTH_MB = 120;

interface Schema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
}
interface Operation {
  readonly requestBody?: { readonly content?: Readonly<Record<string, { readonly schema?: Schema }>> };
}
interface Route {
  readonly method: string;
  readonly path: string;
  readonly body: Schema | null;
}

async function routesOf(url: string): Promise<Route[]> {
  const { paths } = (await (await fetch(`${url}/api/docs.json`)).json()) as {
    paths: Record<string, Record<string, Operation>>;
  };
  return Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, { requestBody }]) => ({
      method: method.toUpperCase(),
      path,
      body: Object.values(requestBody?.content ?? {})[0]?.schema ?? null,
    })),
  );
}

const ODD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  -1e308,
  1e-308,
  NaN,
  2 ** 53,
  '',
  ' ',
  '0',
  '-1',
  'tail',
  'bend',
  '__proto__',
  'constructor',
  '9'.repeat(180),
  `${'9'.repeat(180)} mm`,
  '1e999 shank',
  '../../etc/passwd',
  '%00',
  '\u0000',
  '\ud800',
  '💧'.repeat(50),
  'a'.repeat(5000),
  '<script>',
  "'; drop table flies; --",
  '=1+1',
  [],
  {},
  [[]],
  [null],
  { __proto__: { a: 1 } },
  '1 shank + 1 shank - 2 shank',
  '(((((1 mm',
  'between bend and bend',
  'half way along tail',
  '½ ¼ shank',
  '1,500 mm',
];
const HEADERS: readonly Readonly<Record<string, string>>[] = [
  {},
  {},
  {},
  {},
  {},
  {},
  { accept: 'text/event-stream' },
  { accept: 'application/xml' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/octet-stream' },
  { origin: 'http://evil.example' },
  { 'sec-fetch-site': 'same-site' },
  { 'if-none-match': '"x"' },
  { cookie: `jobbet=${'x'.repeat(3000)}` },
  { 'accept-encoding': 'br, gzip;q=0' },
  { 'x-forwarded-proto': 'https', 'x-forwarded-for': '10.0.0.1' },
  { range: 'bytes=0-1' },
];

/** What is sent: from the API's own description and from true flies, changed here and there. */
class Fuzz {
  private readonly random: () => number;
  private readonly corpus: readonly unknown[];
  readonly ids: string[] = [];

  constructor(random: () => number) {
    this.random = random;
    this.corpus = readdirSync(EXAMPLES)
      .filter((name) => name.endsWith('.json'))
      .map((name) => JSON.parse(readFileSync(join(EXAMPLES, name), 'utf8')) as unknown);
  }

  private upTo(most: number): number {
    return Math.floor(this.random() * most);
  }
  pick<T>(from: readonly T[]): T {
    return from[this.upTo(from.length)] as T;
  }

  private sample(schema: Schema): unknown {
    if (schema.const !== undefined) return schema.const;
    if (schema.enum) return this.pick(schema.enum);
    if (schema.properties)
      return Object.fromEntries(Object.entries(schema.properties).map(([key, each]) => [key, this.sample(each)]));
    if (schema.items) return [this.sample(schema.items)];
    if (schema.type === 'string') return this.pick(['auto', 'a', 'right']);
    if (schema.type === 'integer' || schema.type === 'number') return this.pick([1, 2, 3]);
    if (schema.type === 'boolean') return true;
    return this.item();
  }

  /** A fly, an export of the drawers, or an item out of it. */
  private item(): unknown {
    const whole = this.pick(this.corpus) as Record<string, unknown>;
    const lists = Object.values(whole).filter((each) => Array.isArray(each) && each.length > 0) as unknown[][];
    return this.random() < 0.3 && lists.length > 0 ? this.pick(this.pick(lists)) : whole;
  }

  private mutated(value: unknown, often: number): unknown {
    if (this.random() < often) return this.random() < 0.5 ? this.pick(ODD) : this.item();
    if (Array.isArray(value)) {
      const out = value.map((each) => this.mutated(each, often));
      return this.random() < often ? [...out, ...out] : out;
    }
    if (typeof value !== 'object' || value === null) return value;
    const out = Object.fromEntries(Object.entries(value).map(([key, each]) => [key, this.mutated(each, often)]));
    if (this.random() < often) Reflect.deleteProperty(out, this.pick(Object.keys(out)));
    if (this.random() < often) out[String(this.pick(ODD))] = this.pick(ODD);
    return out;
  }

  body(schema: Schema): string {
    const text = JSON.stringify([this.mutated(this.sample(schema), this.pick([0, 0.01, 0.05, 0.3]))]).slice(1, -1);
    const spoilt = this.random();
    if (spoilt < 0.03) return text.slice(0, this.upTo(text.length));
    if (spoilt < 0.05) return '['.repeat(this.upTo(200_000));
    if (spoilt < 0.06) return ' '.repeat(2_000_000);
    return text;
  }

  url(path: string): string {
    const filled = path.replaceAll(/\{(\w+)\}/g, () =>
      this.random() < 0.6 && this.ids.length > 0
        ? this.pick(this.ids)
        : encodeURIComponent(Buffer.from(String(this.pick(ODD))).toString()),
    );
    const odd = this.random();
    if (odd < 0.02) return filled.replace('/api', '/%61pi');
    if (odd < 0.04) return `${filled}?${encodeURIComponent(Buffer.from(String(this.pick(ODD))).toString())}=1`;
    return filled;
  }
}

export interface FuzzOutcome {
  readonly requests: number;
  readonly byStatus: Readonly<Record<string, number>>;
  readonly slowestMs: number;
  readonly memoryMb: readonly [start: number, half: number, end: number];
  /** What should not have been, in words. */
  readonly wrong: readonly string[];
}

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly tookMs: number;
}

async function answerOf(url: string, init: RequestInit): Promise<Answer> {
  const begun = performance.now();
  const response = await fetch(url, init);
  const text = await response.text();
  return { status: response.status, text, tookMs: performance.now() - begun };
}

const wrongWith = ({ status, text, tookMs }: Answer): string[] => [
  ...(status >= 500 ? [`was answered with ${String(status)}: ${text.slice(0, 200)}`] : []),
  ...(status >= 400 && !text.includes('"code"') ? [`has not the one shape of errors: ${text.slice(0, 100)}`] : []),
  ...(tookMs > SLOW_MS ? [`took ${tookMs.toFixed(0)} ms`] : []),
];

/** Sends so many seeded requests over every route of the API's own description. */
export async function fuzz(target: Target, requests: number, seed: number): Promise<FuzzOutcome> {
  const routes = await routesOf(target.url);
  const random = chance(seed);
  const sender = new Fuzz(random);
  const listed = (await (await fetch(`${target.url}/api/flies`)).json()) as { id: string }[];
  const items = (await (await fetch(`${target.url}/api/drawers`)).json()) as { id: string }[];
  sender.ids.push(...listed.map((each) => each.id), ...items.slice(0, 20).map((each) => each.id));
  const byStatus: Record<string, number> = {};
  const wrong: string[] = [];
  let slowestMs = 0;
  const memory = [target.memoryMb()];
  for (let i = 0; i < requests; i++) {
    if (i === Math.floor(requests / 2)) memory.push(target.memoryMb());
    const route = sender.pick(routes);
    const sent = route.method === 'GET' ? null : route.body;
    const headers = { ...(sent ? { 'content-type': 'application/json' } : {}), ...sender.pick(HEADERS) };
    const url = sender.url(route.path);
    const body = sent ? sender.body(sent) : undefined;
    try {
      const answer = await answerOf(`${target.url}${url}`, {
        method: route.method,
        headers,
        ...(body === undefined ? {} : { body }),
      });
      slowestMs = Math.max(slowestMs, answer.tookMs);
      byStatus[String(answer.status)] = (byStatus[String(answer.status)] ?? 0) + 1;
      const what = `request ${String(i)} of seed ${String(seed)}: ${route.method} ${url}`;
      wrong.push(...wrongWith(answer).map((words) => `${what} ${words}`));
    } catch (error) {
      if (!target.isAlive) {
        wrong.push(`request ${String(i)} of seed ${String(seed)} ended the server: ${route.method} ${url}`);
        break;
      }
      wrong.push(`request ${String(i)} was not answered: ${error instanceof Error ? error.message : ''}`);
    }
  }
  memory.push(target.memoryMb());
  for (const path of ['/api/flies', '/api/trash', '/api/drawers', '/api/drawers/export', '/api/health']) {
    const { status } = await fetch(`${target.url}${path}`);
    if (status !== 200) wrong.push(`afterwards ${path} is answered with ${String(status)}`);
  }
  const [start = 0, half = 0, end = 0] = memory;
  if (end - half > GROWTH_MB)
    wrong.push(`memory grew from ${half.toFixed(0)} to ${end.toFixed(0)} MB in the second half`);
  return { requests, byStatus, slowestMs, memoryMb: [start, half, end], wrong };
}

import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { formatted } from '../format.mjs';
import { buildApp } from '../../server/src/app.ts';
import { ERRORS } from '../../server/src/errors.ts';
import { openHouse } from '../../server/src/house.ts';

const root = join(import.meta.dirname, '../..');

interface Schema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly description?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly default?: unknown;
}
interface Body {
  readonly content?: Readonly<Record<string, { readonly schema?: Schema }>>;
  readonly description?: string;
}
interface Operation {
  readonly requestBody?: Body;
  readonly responses?: Readonly<Record<string, Body>>;
}
interface OpenApi {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}

/** The API as the server describes it. */
async function described(): Promise<OpenApi> {
  const folder = mkdtempSync(join(tmpdir(), 'jobbet-pages-'));
  const house = await openHouse(folder);
  const app = await buildApp({ house, version: '', webFolder: '/nowhere' });
  const answer = await app.inject({ url: '/api/docs.json', headers: { host: 'localhost' } });
  await app.close();
  await house.close();
  rmSync(folder, { recursive: true, force: true });
  return answer.json();
}

const key = (name: string, of: Schema): string => `${name}${of.required?.includes(name) === true ? '' : '?'}`;

/** A schema in a line: what stands in it. */
function told(schema: Schema | undefined, deep = 1): string {
  if (!schema) return 'nothing';
  const { properties, items, anyOf, oneOf, type } = schema;
  if (schema.const !== undefined) return JSON.stringify(schema.const);
  if (schema.enum) return schema.enum.map((each) => JSON.stringify(each)).join(' or ');
  if (anyOf ?? oneOf) return [...new Set((anyOf ?? oneOf ?? []).map((each) => told(each, 0)))].join(' or ');
  if (items) return `list of ${told(items, deep)}`;
  if (properties && deep > 0)
    return `{ ${Object.keys(properties)
      .map((name) => key(name, schema))
      .join(', ')} }`;
  return schema.description ?? (typeof type === 'string' ? type : (type?.join(' or ') ?? 'anything'));
}

const bodyOf = (body: Body | undefined): string => {
  const [[kind, content] = [undefined, undefined]] = Object.entries(body?.content ?? {});
  if (kind === undefined) return 'nothing';
  return kind === 'application/json' ? `\`${told(content.schema)}\`` : `\`${kind}\``;
};

const apiPage = ({ paths }: OpenApi): string => `# The API

Made from what the server says of itself at \`/api/docs.json\` (OpenAPI 3.1, every schema in full). JSON goes both ways unless something
else is said. Errors have one shape, see [errors.md](errors.md). Ask with \`accept: text/event-stream\` for work that takes longer, and it
tells how far it is as events. A change names the revision it was made from; a later one answers 409.

| | path | is sent | is answered |
| --- | --- | --- | --- |
${Object.entries(paths)
  .flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, { requestBody, responses }]) => {
      const [status, answer] = Object.entries(responses ?? {}).find(([code]) => code.startsWith('2')) ?? [
        'bytes',
        undefined,
      ];
      const place = path.replaceAll(/\{(\w+)\}/g, ':$1');
      return `| ${method.toUpperCase()} | \`${place}\` | ${bodyOf(requestBody)} | ${status === 'bytes' ? status : `${status} ${bodyOf(answer)}`} |`;
    }),
  )
  .join('\n')}
`;

const errorsPage = (): string => `# Errors of the API

Made from \`server/src/errors.ts\`. Every error is answered in one shape, \`{ "error": { "code", "message", "faults"?, "revision"? } }\`:
a code for programs, a sentence for people, the faults with their paths where a file was sent, the revision that is kept where another was
changed.

| code | status | in words |
| --- | --- | --- |
${Object.entries(ERRORS)
  .map(([code, { status, message }]) => `| \`${code}\` | ${String(status)} | ${message} |`)
  .join('\n')}
`;

const check = process.argv.includes('--check');
const stale: string[] = [];
for (const [name, text] of [
  ['docs/api.md', apiPage(await described())],
  ['docs/errors.md', errorsPage()],
] as const) {
  const file = join(root, name);
  const next = await formatted(file, text);
  if (!check) writeFileSync(file, next);
  else if (readFileSync(file, 'utf8') !== next) stale.push(name);
}
if (stale.length > 0) {
  process.stderr.write(`${stale.join(' and ')} no longer tell what the server does: npm run pages\n`);
  process.exitCode = 1;
}

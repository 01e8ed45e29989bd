import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CORE, SERVER, SHARED, WEB, WITHIN } from '../folders.mjs';
import { formatted } from './format.mjs';
import { root } from './lib.mjs';

const page = join(root, 'docs/architecture.md');
const [BEGIN, END] = ['<!-- map: made by npm run map -->', '<!-- map ends -->'];

const row = (name, words) => `| \`${name}\` | ${words} |`;
const table = (title, folders, within = {}) =>
  [
    `**${title}**`,
    '',
    '| folder | what stands there |',
    '| --- | --- |',
    ...Object.entries(folders).flatMap(([name, words]) => [
      row(name, words),
      ...Object.entries(within[name] ?? {}).map(([inner, of]) => row(`${name}/${inner}`, of)),
    ]),
    '',
  ].join('\n');

const map = [
  'Each folder imports only what stands above it, a group of core by its `index.ts`; `npm run check` breaks when one looks down.',
  '',
  table('core/src', CORE, WITHIN),
  table('server/src', SERVER),
  table('web/src', WEB, { shared: SHARED }),
].join('\n');

/** Folders that stand there and that nobody placed in the order. */
const unplaced = Object.entries({ 'core/src': CORE, 'server/src': SERVER, 'web/src': WEB, 'web/src/shared': SHARED })
  .flatMap(([folder, placed]) =>
    readdirSync(join(root, folder), { withFileTypes: true })
      .filter((entry) => entry.isDirectory() && !(entry.name in placed))
      .map(({ name }) => `${folder}/${name}`),
  )
  .sort();
if (unplaced.length > 0) {
  process.stderr.write(`folders.mjs does not say where ${unplaced.join(', ')} stands\n`);
  process.exit(1);
}

const old = readFileSync(page, 'utf8');
const [before, rest] = old.split(BEGIN);
const [, after] = (rest ?? '').split(END);
if (after === undefined) throw new Error(`${page} has no place for the map`);
const next = await formatted(page, `${before}${BEGIN}\n\n${map}\n${END}${after}`);

if (!process.argv.includes('--check')) writeFileSync(page, next);
else if (next !== old) {
  process.stderr.write('docs/architecture.md does not show the folders as they are: npm run map\n');
  process.exit(1);
}

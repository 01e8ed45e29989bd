import { parseArgs, type ParseArgsConfig } from 'node:util';

/** What was typed after a command. */
export interface Typed {
  readonly files: readonly string[];
  /** Options without a value that were given. */
  readonly flags: ReadonlySet<string>;
  /** Options with a value, the last one where one is given twice; an empty one where it was left out. */
  readonly values: ReadonlyMap<string, string>;
}

/** What a command takes besides files; a value is named in the words that say so. */
export interface Takes {
  readonly flags: readonly string[];
  readonly values: Readonly<Record<string, string>>;
}

type Option = NonNullable<ParseArgsConfig['options']>[string];

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join() : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

/** Reads the words after a command. @returns them, or a sentence on what is wrong with one */
export function readOptions(command: string, args: readonly string[], { flags, values }: Takes): Typed | string {
  const { tokens } = parseArgs({
    args: [...args],
    strict: false,
    allowPositionals: true,
    tokens: true,
    options: Object.fromEntries([
      ...flags.map((name): [string, Option] => [name, { type: 'boolean' }]),
      ...Object.keys(values).map((name): [string, Option] => [name, { type: 'string' }]),
    ]),
  });
  const given = new Set<string>();
  const valued = new Map<string, string>();
  const files: string[] = [];
  for (const token of tokens) {
    if (token.kind === 'positional') files.push(token.value);
    if (token.kind !== 'option') continue;
    const { name, rawName, value } = token;
    const what = values[name];
    if (flags.includes(name) && rawName === `--${name}`) given.add(name);
    else if (what === undefined || rawName !== `--${name}`) {
      const known = [
        ...flags.map((each) => `--${each}`),
        ...Object.entries(values).map(([each, is]) => `--${each} ${is}`),
      ];
      return `unknown option "${rawName}"; ${command} takes ${listed(known)}`;
    } else valued.set(name, value ?? '');
  }
  return { files, flags: given, values: valued };
}

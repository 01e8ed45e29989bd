import { freezeDependants, removePart } from '../edit/index.ts';
import { bad, type Fault, type Outcome, suggestion } from '../base/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { layFly, type LaidFly } from '../model/index.ts';
import { readFlyValue, type FlyFile } from '../pattern/index.ts';
import type { BatchRow } from '../records/index.ts';

/** What a row has otherwise than the fly it is of: by part, or thread, head, platform. */
export type Shade = NonNullable<BatchRow['shade']>;

type Loose = Record<string, unknown>;

const WHOLE = ['thread', 'head', 'platform'] as const;
const isWhole = (name: string): name is (typeof WHOLE)[number] => (WHOLE as readonly string[]).includes(name);
const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** Keys put in their place; one that is null goes. */
const changed = (from: Loose, by: Loose): Loose =>
  Object.fromEntries(Object.entries({ ...from, ...by }).filter(([, value]) => value !== null && value !== undefined));

const keysMissing = (name: string): Fault => ({
  path: `shade.${name}`,
  code: 'type',
  message: 'names what changes, such as { "colour": "black" }, or is null to leave the part out',
});

/** The fault of a name that the fly does not have. */
const unknown = (name: string, { parts }: FlyFile): Fault => ({
  path: `shade.${name}`,
  code: 'unknown-name',
  message: `the fly has no part "${name}"${suggestion(name, [...parts.map(({ id }) => id), ...WHOLE])}`,
});

/** A fault of the changed file, by the place in the shade that brought it. */
function placed(fault: Fault, file: { readonly parts: readonly { readonly id: string }[] }, shade: Shade): Fault {
  const [, index, key = ''] = /^parts\[(\d+)\](.*)$/.exec(fault.path) ?? [];
  const id = index === undefined ? null : file.parts[Number(index)]?.id;
  const name = Object.keys(shade).find((each) => id != null && same(each, id));
  if (name !== undefined) return { ...fault, path: `shade.${name}${key}` };
  const whole = WHOLE.find((each) => fault.path.startsWith(each) && each in shade);
  if (whole !== undefined) return { ...fault, path: `shade.${fault.path}` };
  return { ...fault, path: 'shade', message: `${fault.path === '' ? '' : `${fault.path}: `}${fault.message}` };
}

/** The fly without a part; what leaned on it keeps the measure it had. */
function without(laid: LaidFly, id: string, drawers: Drawers): Outcome<LaidFly> {
  return layFly(removePart(freezeDependants(laid, id), id), drawers);
}

/**
 * A fly in another shade: colours, materials or any key of its parts changed, parts left out.
 * @returns the changed fly, laid out; or the faults, each by its place in the shade: `shade.wing.colour`
 */
export function shaded(own: LaidFly, shade: Shade, drawers: Drawers): Outcome<LaidFly> {
  const names = Object.keys(shade);
  const unknowns = names.filter((name) => !isWhole(name) && !own.file.parts.some(({ id }) => same(id, name)));
  if (unknowns.length > 0) return bad(...unknowns.map((name) => unknown(name, own.file)));
  let laid = own;
  for (const name of names) {
    if (shade[name] !== null || isWhole(name)) continue;
    const left = without(laid, name, drawers);
    if (!left.ok) return bad(...left.faults.map((fault) => placed(fault, laid.file, shade)));
    laid = left.value;
  }
  const file: Loose & { parts: readonly { readonly id: string }[] } = { ...laid.file };
  for (const [name, by] of Object.entries(shade)) {
    if (by === null) {
      if (isWhole(name)) Reflect.deleteProperty(file, name);
    } else if (typeof by === 'string') {
      if (name !== 'head') return bad(keysMissing(name));
      file['head'] = by;
    } else if (isWhole(name)) file[name] = changed((file[name] ?? {}) as Loose, by);
    else file.parts = file.parts.map((part) => (same(part.id, name) ? (changed({ ...part }, by) as never) : part));
  }
  const read = readFlyValue(file);
  const made = read.ok ? layFly(read.value, drawers) : read;
  return made.ok ? made : bad(...made.faults.map((fault) => placed(fault, file, shade)));
}

/** A shade in words: `wing black, without flash`. */
export function shadeWords(shade: Shade): string {
  const said = Object.entries(shade).flatMap(([name, by]): string[] => {
    if (by === null) return [`without ${name}`];
    if (typeof by === 'string') return [`${name} ${by}`];
    return Object.entries(by).map(([key, value]) =>
      key === 'colour' || key === 'material'
        ? `${name} ${typeof value === 'string' ? value : JSON.stringify(value)}`
        : `${name} ${key} ${value === null ? 'unsaid' : JSON.stringify(value)}`,
    );
  });
  return said.join(', ');
}
